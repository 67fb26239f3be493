package vestcoin.core.quote;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Rerate;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.DatedTaxBook;
import vestcoin.core.tax.Sales;
import vestcoin.core.tax.Supply;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBook;
import vestcoin.core.tax.TaxJurisdiction;
import vestcoin.core.tax.TaxLiability;
import vestcoin.core.tax.TaxLiability.Code;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * Whose tax each thing of an order bears, and what that does to typed amounts: they are re-rated for a buyer untaxed
 * for who they are, and for every buyer elsewhere where what stands still is what the seller earns.
 */
final class TaxTreatment {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final CompiledSetup setup;
    private final Order order;
    private final Tracer tracer;
    private final Tax tax;
    private final Optional<Destination> collected;
    private final DatedTaxBook book;
    private final Part<Map<String, BigDecimal>> nets = Part.of(this::nets);
    private final TaxJurisdiction whose;
    private final Map<Supplied, TaxLiability> treatments = new ConcurrentHashMap<>();

    /** What is supplied, and the dispatch place it leaves. */
    private record Supplied(Supply supply, String from) {}

    /**
     * Sales across borders within the Union.
     *
     * @param before this order
     * @param order what it comes to at the home rates itself, net, in its currency
     */
    record Crossing(Sales before, Supplier<BigDecimal> order) {}

    /**
     * @param collected where goods are collected, if they are
     * @param crossing what goes across borders within the Union
     */
    TaxTreatment(CompiledSetup setup, Order order, Optional<Destination> collected, Crossing crossing, Tracer tracer) {
        this.setup = setup;
        this.order = order;
        this.tracer = tracer;
        this.tax = setup.setup().tax();
        this.collected = collected;
        this.book = setup.book().on(new TaxBook.When(order.at(), setup.zone()));
        this.whose = new TaxJurisdiction(
                tax,
                setup.home(),
                new TaxJurisdiction.Situation(
                        order.at(),
                        setup.zone(),
                        order.buyer(),
                        order.to(),
                        crossing.before(),
                        () -> inEuro(crossing.order().get()),
                        most -> net -> within(most, net)));
    }

    TaxJurisdiction whose() {
        return whose;
    }

    /** The tax book when the order is placed. */
    DatedTaxBook book() {
        return book;
    }

    /** What the goods would come to at home without tax, by dispatch place: what registrations are measured on. */
    private Map<String, BigDecimal> nets() {
        Map<String, BigDecimal> byPlace = new HashMap<>();
        for (PricedLine line : setup.shelf()
                .price(order.lines(), new BuyerPricing(order.at(), setup.zone(), order.group()), tracer.forgetful())) {
            if (line.counted()) {
                BigDecimal net = tax.prices() == Tax.Prices.WITHOUT_TAX
                        ? line.amount().value()
                        : line.amount()
                                .value()
                                .multiply(HUNDRED)
                                .divide(HUNDRED.add(homeRate(line.product().taxCategory())), MathContext.DECIMAL64);
                byPlace.merge(placeOf(line.product()), net, BigDecimal::add);
            }
        }
        return byPlace;
    }

    private BigDecimal inEuro(BigDecimal amount) {
        return converted(amount, "EUR").orElse(amount);
    }

    private Optional<Boolean> within(Tax.Most most, BigDecimal net) {
        return converted(net, most.currency()).map(amount -> amount.compareTo(most.amount()) <= 0);
    }

    private Optional<BigDecimal> converted(BigDecimal amount, String into) {
        String from = tracer.currency().getCode();
        if (from.equals(into)) {
            return Optional.of(amount);
        }
        Optional<Exchange> rates = order.outside().exchange();
        return rates.flatMap(given -> given.of(into)).flatMap(to -> rates.flatMap(given -> given.of(from))
                .map(base -> amount.multiply(to).divide(base, MathContext.DECIMAL64)));
    }

    private static String placeOf(Product product) {
        return product.physical() ? product.sending().from().orElse(Delivery.Dispatch.SHOP) : Delivery.Dispatch.SHOP;
    }

    /** Country a product leaves from. */
    String dispatchCountry(Product product) {
        return from(product).country();
    }

    private Destination from(Product product) {
        return setup.board()
                .dispatch(placeOf(product))
                .map(Delivery.Dispatch::at)
                .orElse(setup.home());
    }

    TaxLiability of(Product product) {
        Supplied supplied = new Supplied(Supply.of(product), placeOf(product));
        TaxLiability known = treatments.get(supplied);
        if (known == null) {
            known = whose.of(supplied.supply(), from(product), collected, () -> nets.get()
                    .getOrDefault(supplied.from(), BigDecimal.ZERO));
            treatments.put(supplied, known);
        }
        return known;
    }

    /** What is done to typed amounts for this buyer. */
    BuyerPricing.Rates rates() {
        boolean anyBuyer = order.buyer().exempt().isEmpty() && !order.buyer().confirmedBusiness();
        boolean stands = tax.prices() == Tax.Prices.WITHOUT_TAX
                || tax.smallBusiness().isPresent()
                || anyBuyer && tax.standing() == Tax.CrossBorderPricing.WHAT_THE_BUYER_PAYS;
        return stands ? BuyerPricing.STANDS : new Rerates();
    }

    /** Typed amounts out of the home rates and into those this buyer bears. */
    private final class Rerates implements BuyerPricing.Rates {
        private final Map<String, Optional<Rerate>> ofGoods = new ConcurrentHashMap<>();
        private final Tax.DeliveryTax atHome = book.delivery(setup.home());

        @Override
        public Optional<Rerate> of(Product product, String category) {
            return ofGoods.computeIfAbsent(
                    category + " " + Supply.of(product) + " " + placeOf(product),
                    key -> moves(product)
                            ? rerate(
                                    TaxTreatment.this.of(product),
                                    homeRate(category),
                                    there(TaxTreatment.this.of(product), category))
                            : Optional.empty());
        }

        @Override
        public Optional<Rerate> carrying(PricedLine line, List<PricedLine> lines) {
            if (!moves(line.product())) {
                return Optional.empty();
            }
            TaxLiability treatment = TaxTreatment.this.of(line.product());
            Tax.DeliveryTax there =
                    treatment.place().map(place -> book.delivery(place)).orElse(atHome);
            return rerate(
                    treatment,
                    rate(atHome, line, lines, TaxTreatment.this::homeRate),
                    treatment.place().isEmpty()
                            ? BigDecimal.ZERO
                            : rate(there, line, lines, category -> there(treatment, category)));
        }

        private static BigDecimal rate(
                Tax.DeliveryTax way, PricedLine line, List<PricedLine> lines, Function<String, BigDecimal> ofCategory) {
            return switch (way.way()) {
                case LIKE_GOODS -> ofCategory.apply(line.product().taxCategory());
                case HIGHEST_RATE ->
                    lines.stream()
                            .filter(PricedLine::counted)
                            .map(each -> ofCategory.apply(each.product().taxCategory()))
                            .max(BigDecimal::compareTo)
                            .orElse(BigDecimal.ZERO);
                case OWN_CATEGORY -> way.category().map(ofCategory).orElse(BigDecimal.ZERO);
                case NOT_TAXED -> BigDecimal.ZERO;
            };
        }
    }

    /**
     * Whether typed amounts move for this buyer: what the seller earns stands still, or the buyer is untaxed for who
     * they are.
     */
    private boolean moves(Product product) {
        Code code = of(product).code();
        boolean forWhoTheyAre = code == Code.K || code == Code.AE || code == Code.E;
        return !product.outside() && (forWhoTheyAre || tax.standing() == Tax.CrossBorderPricing.WHAT_THE_SELLER_EARNS);
    }

    /** Whether it bears the tax a voucher was sold with, in a price that has it inside. */
    boolean bears(Product product, PricingContext.Taxed as) {
        return tax.prices() == Tax.Prices.WITH_TAX
                && of(product)
                        .place()
                        .filter(place -> place.country().equals(as.country()))
                        .flatMap(place -> book.find(place, product.taxCategory()))
                        .filter(levy -> levy.rate().total().compareTo(as.rate()) == 0)
                        .isPresent();
    }

    private BigDecimal there(TaxLiability treatment, String category) {
        return treatment
                .place()
                .flatMap(place -> book.find(place, category))
                .map(levy -> whose.rate(levy, treatment))
                .orElse(BigDecimal.ZERO);
    }

    private Optional<Rerate> rerate(TaxLiability treatment, BigDecimal home, BigDecimal there) {
        if (home.compareTo(there) == 0) {
            return Optional.empty();
        }
        Message words = treatment
                .place()
                .map(place -> Message.of("why.at-the-rate-of", "country", new Region(place.country())))
                .orElse(Message.of(
                        "why.without-the-tax-of",
                        "country",
                        new Region(setup.home().country())));
        return Optional.of(new Rerate(
                rate(
                        there,
                        Message.of(treatment.place().isPresent() ? "why.100-and-the-rate-there" : "why.100"),
                        treatment.rule()),
                rate(home, Message.of("why.100-and-the-home-rate"), "tax/standing"),
                words));
    }

    private Figure rate(BigDecimal percent, Message label, String path) {
        return tracer.number(Source.SETUP, HUNDRED.add(percent), "%", path, label);
    }

    private BigDecimal homeRate(String category) {
        return book.find(setup.home(), category)
                .map(levy -> levy.rate().total())
                .orElse(BigDecimal.ZERO);
    }

    /** The sentences that say whose tax applies, each once. */
    List<TaxLiability> all() {
        List<TaxLiability> said = new ArrayList<>(treatments.size());
        for (TaxLiability treatment : treatments.values()) {
            if (!treatment.equals(TaxLiability.OUTSIDE)) {
                said.add(treatment);
            }
        }
        return said.size() < 2
                ? List.copyOf(said)
                : said.stream()
                        .distinct()
                        .sorted(Comparator.comparing(
                                treatment -> treatment.sentence().toString()))
                        .toList();
    }
}
