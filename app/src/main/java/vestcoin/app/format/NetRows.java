package vestcoin.app.format;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import vestcoin.app.format.Figures.Amount;
import vestcoin.core.delivery.Offer;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.WithoutTax;
import vestcoin.core.tax.Tax;

/**
 * The rows of a quote with tax inside as a business reads them: see {@link WithoutTax}. They and the tax add up to what
 * is payable.
 *
 * @param lines before discounts
 * @param discounts off the goods, then off the delivery
 * @param perUnit what belongs to units, by line
 * @param delivery less what is off it
 * @param options what can be chosen for all of it, by id
 * @param apart the same by the place it leaves from, where there are several
 * @param charges what ways to pay add, by id
 */
public record NetRows(
        List<BigDecimal> lines,
        BigDecimal goods,
        List<BigDecimal> discounts,
        List<List<BigDecimal>> perUnit,
        Optional<BigDecimal> delivery,
        Map<String, BigDecimal> options,
        Map<String, Map<String, BigDecimal>> apart,
        Map<String, BigDecimal> charges,
        Optional<BigDecimal> fee) {

    static NetRows of(Quote quote, WithoutTax net) {
        Map<String, BigDecimal> options = offered(quote.offers(), net);
        Map<String, Map<String, BigDecimal>> apart = new TreeMap<>();
        quote.sent().each().forEach((place, sent) -> apart.put(place, offered(sent.offers(), net)));
        List<Map.Entry<String, Offer.Available>> each = quote.sent().each().entrySet().stream()
                .flatMap(sent -> sent.getValue().chosen().stream().map(chosen -> Map.entry(sent.getKey(), chosen)))
                .toList();
        List<BigDecimal> shares = net.delivery(
                each.stream().map(chosen -> chosen.getValue().price().value()).toList());
        for (int i = 0; i < each.size(); i++) {
            apart.get(each.get(i).getKey()).put(each.get(i).getValue().option().id(), shares.get(i));
        }
        List<BigDecimal> chosen = quote.chosen()
                .map(offer -> List.of(options.get(offer.option().id())))
                .orElse(shares);
        BigDecimal off = sum(net.discounts()
                .subList(quote.discounts().size(), net.discounts().size()));
        Map<String, BigDecimal> charges = new TreeMap<>();
        quote.methods().forEach(seen -> seen.charge()
                .ifPresent(charge -> charges.put(
                        seen.method().id(),
                        quote.fee()
                                .filter(charge::equals)
                                .flatMap(fee -> net.fee())
                                .orElseGet(() -> net.others().of(charge.value())))));
        return new NetRows(
                net.lines(),
                net.goods(),
                net.discounts(),
                net.perUnit(),
                quote.sent().price().map(price -> sum(chosen).subtract(off)),
                options,
                apart,
                charges,
                net.fee());
    }

    private static Map<String, BigDecimal> offered(List<Offer> offers, WithoutTax net) {
        Map<String, BigDecimal> prices = new TreeMap<>();
        offers.forEach(offer -> {
            if (offer instanceof Offer.Available open) {
                prices.put(open.option().id(), net.offered().of(open.price().value()));
            }
        });
        return prices;
    }

    private static BigDecimal sum(List<BigDecimal> amounts) {
        return amounts.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /**
     * A quote with these amounts in its rows, and the tax added to them. The whys stay those of the amounts with it.
     */
    QuoteView of(QuoteView quote) {
        int off = quote.discounts().size();
        return new QuoteView(
                quote.format(),
                quote.currency(),
                Tax.Prices.WITHOUT_TAX,
                IntStream.range(0, quote.lines().size())
                        .mapToObj(i -> line(i, quote.lines().get(i)))
                        .toList(),
                at(goods, quote.goods()),
                taken(quote.discounts(), discounts.subList(0, off)),
                quote.perUnit().map(amount -> at(onTop(quote), amount)),
                quote.weight(),
                quote.zone(),
                quote.undecided(),
                quote.needsDelivery(),
                priced(quote.delivery(), options),
                quote.consignments().stream()
                        .map(sent ->
                                sent.offering(priced(sent.delivery(), apart.getOrDefault(sent.dispatch(), Map.of()))))
                        .toList(),
                quote.deliveryPrice().map(amount -> at(delivery.orElse(amount.value()), amount)),
                taken(quote.deliveryDiscounts(), discounts.subList(off, discounts.size())),
                quote.distances(),
                quote.slots(),
                quote.notApplied(),
                quote.whose(),
                quote.taxes(),
                quote.tax(),
                quote.fee().map(amount -> at(fee.orElse(amount.value()), amount)),
                quote.payable(),
                quote.vouchers(),
                quote.rounding(),
                quote.toPay(),
                quote.methods().stream()
                        .map(method ->
                                method.charging(method.charge().map(amount -> at(charges.get(method.id()), amount))))
                        .toList(),
                quote.costs(),
                quote.renewing(),
                quote.left(),
                quote.agreements(),
                quote.supply(),
                quote.missing(),
                quote.withoutTax(),
                quote.figures(),
                quote.hash());
    }

    private static Amount at(BigDecimal value, Amount amount) {
        return new Amount(value, amount.why());
    }

    private BigDecimal onTop(QuoteView quote) {
        BigDecimal sum = BigDecimal.ZERO;
        for (int i = 0; i < perUnit.size(); i++) {
            for (int p = 0; p < perUnit.get(i).size(); p++) {
                if (!quote.lines().get(i).perUnit().get(p).inside()) {
                    sum = sum.add(perUnit.get(i).get(p));
                }
            }
        }
        return sum;
    }

    private QuoteView.Line line(int place, QuoteView.Line line) {
        BigDecimal gross = line.amount().value();
        BigDecimal unit = line.unit().value();
        return new QuoteView.Line(
                line.product(),
                line.name(),
                line.choices(),
                line.quantity(),
                at(
                        gross.signum() == 0
                                ? unit
                                : unit.multiply(lines.get(place)).divide(gross, unit.scale(), RoundingMode.HALF_UP),
                        line.unit()),
                at(lines.get(place), line.amount()),
                line.tax(),
                IntStream.range(0, line.perUnit().size())
                        .mapToObj(p -> new QuoteView.PerUnit(
                                line.perUnit().get(p).name(),
                                line.perUnit().get(p).inside(),
                                at(
                                        perUnit.get(place).get(p),
                                        line.perUnit().get(p).amount())))
                        .toList(),
                line.bundle(),
                line.counted(),
                line.ordered());
    }

    private static List<QuoteView.Discount> taken(List<QuoteView.Discount> discounts, List<BigDecimal> amounts) {
        return IntStream.range(0, discounts.size())
                .mapToObj(i -> new QuoteView.Discount(
                        discounts.get(i).id(),
                        discounts.get(i).name(),
                        discounts.get(i).code(),
                        at(amounts.get(i), discounts.get(i).amount())))
                .toList();
    }

    private static List<QuoteView.Option> priced(List<QuoteView.Option> offered, Map<String, BigDecimal> prices) {
        return offered.stream()
                .map(option -> option.at(
                        option.price().map(amount -> at(prices.getOrDefault(option.id(), amount.value()), amount))))
                .toList();
    }
}
