package vestcoin.core.quote;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Discounting;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.Buying;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.payment.Seen;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.problem.Problems;
import vestcoin.core.problem.Refused;
import vestcoin.core.setup.Compiled;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.tax.Taxes;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** {@code price(setup, order) -> quote}: pure, the same input gives the same quote to the last minor unit. */
public final class Pricing {
    /** Codes one order may carry: more are a mistake or an attempt to guess. */
    private static final int MOST_CODES = 20;

    private Pricing() {}

    /** @throws Refused with everything impossible in the order */
    public static Quote price(Compiled setup, Order order) {
        return price(setup, order, Tracer.keeping(setup.currency(), setup.setup().shop().rounding()));
    }

    /** The same amounts without their operands, for pricing many orders. @throws Refused as {@link #price} */
    public static Quote priceUntraced(Compiled setup, Order order) {
        return price(setup, order, Tracer.plain(setup.currency(), setup.setup().shop().rounding()));
    }

    private static Quote price(Compiled setup, Order order, Tracer tracer) {
        check(setup, order);
        ZoneId zone = ZoneId.of(setup.setup().shop().timeZone());
        List<PricedLine> lines = setup.shelf().price(order.lines(), new Buying(order.at(), zone, order.group()), tracer);
        Figure goods = tracer.sum("rule/goods", "goods", lines.stream().map(PricedLine::amount).toList());
        List<PricedLine> physical = lines.stream().filter(line -> line.product().physical()).toList();
        Figure weight = tracer.count("kg", "rule/weight", "weight", physical.stream().map(PricedLine::weight).toList());
        Optional<Match<Delivery.Zone>> match = physical.isEmpty() ? Optional.empty() : setup.board().zoneOf(order.to());

        Discounting discounting = new Discounting(new Discounting.Circumstances(order.at(), zone, order.to(), order.codes(), order.history()), tracer);
        Discounting.Candidates candidates = discounting.candidates(setup.setup().discounts());
        Attempt attempt = Attempt.best(candidates.rules(), discounting, setup.board(), new Attempt.Basket(lines, match.map(Match::value), weight, order.delivery()), tracer);

        Tax.Prices prices = setup.setup().tax().prices();
        List<TaxGroup> taxes = Taxes.of(setup.book(), prices, order.to(), taxables(lines, attempt), attempt.delivery(tracer), tracer);
        Figure tax = tracer.sum("rule/tax", "tax", taxes.stream().flatMap(group -> group.components().stream())
                .map(TaxGroup.ComponentTax::tax).toList());
        Figure payable = payable(goods, attempt, prices, tax, tracer);
        List<Seen> methods = Seen.of(setup.setup().payment(), order.gateways(), payable, tracer);
        return new Quote(setup.currency().getCode(), lines, goods, attempt.taken().reductions(), weight, match.map(Match::value),
                match.map(Match::tied).orElse(List.of()), attempt.offers(), attempt.chosen(), attempt.off(), notApplied(candidates, attempt, order),
                prices, taxes, tax, payable, methods, missing(setup, order, attempt, !physical.isEmpty(), methods));
    }

    private static List<Reduction.NotApplied> notApplied(Discounting.Candidates candidates, Attempt attempt, Order order) {
        List<Reduction.NotApplied> not = new ArrayList<>(candidates.not());
        not.addAll(attempt.taken().not());
        candidates.rules().stream().filter(rule -> !attempt.rules().contains(rule)).forEach(rule ->
                not.add(new Reduction.NotApplied(rule, rule.combines() ? "Another discount that stands alone takes off more." : "It stands alone, and others take off as much or more.")));
        return List.copyOf(not);
    }

    private static List<String> missing(Compiled setup, Order order, Attempt attempt, boolean needsDelivery, List<Seen> methods) {
        List<String> missing = new ArrayList<>();
        boolean offered = attempt.offers().stream().anyMatch(Offer.Offered.class::isInstance);
        if (needsDelivery && attempt.chosen().isEmpty()) {
            missing.add(offered ? "The delivery chosen is not offered for this basket and place." : "Nothing delivers this basket to this place.");
        }
        if (setup.sellsTo().find(order.to()).isEmpty()) {
            missing.add("The shop does not sell to this place.");
        }
        order.method().ifPresent(id -> checkMethod(id, methods, missing));
        return List.copyOf(missing);
    }

    private static void check(Compiled setup, Order order) {
        Problems problems = new Problems();
        problems.when(order.at() == null, "order/at", "The order has no time.", "Add an instant, as 2026-11-25T10:00:00Z.");
        problems.when(order.lines().isEmpty(), "order/lines", "The basket is empty.", "Put something in.");
        setup.shelf().check(order.lines(), setup.currency().getDecimalPlaces(), problems);
        problems.when(order.codes().size() > MOST_CODES, "order/codes", "There are more than " + MOST_CODES + " codes.", "Keep the ones that matter.");
        if (!problems.when(order.to() == null, "order/to", "The order has no destination.", "Add at least a country.")) {
            order.to().check("order/to", problems);
        }
        problems.refuseIfAny();
    }

    private static List<Taxes.Taxable> taxables(List<PricedLine> lines, Attempt attempt) {
        return lines.stream().map(line -> new Taxes.Taxable("lines/" + line.index(), line.line().key() + " " + line.index(),
                line.product().donation() ? Optional.<String>empty() : Optional.of(line.product().category()), line.product().physical(),
                attempt.taken().left().get(line.index()))).toList();
    }

    private static Figure payable(Figure goods, Attempt attempt, Tax.Prices prices, Figure tax, Tracer tracer) {
        List<Figure> parts = new ArrayList<>();
        List<Figure> taken = attempt.taken().reductions().stream().map(Reduction::amount).toList();
        parts.add(taken.isEmpty() ? goods : tracer.less("rule/goods-after-discounts", "goods less discounts", goods, taken));
        attempt.delivery(tracer).ifPresent(parts::add);
        if (prices == Tax.Prices.WITHOUT_TAX) {
            parts.add(tax);
        }
        return tracer.sum("rule/payable", "to pay", parts);
    }

    private static void checkMethod(String id, List<Seen> methods, List<String> missing) {
        Optional<Seen> method = methods.stream().filter(seen -> seen.method().id().equals(id)).findFirst();
        if (method.isEmpty() || method.get().hidden().isPresent()) {
            missing.add("The way of paying chosen is not open to this order.");
        }
    }
}
