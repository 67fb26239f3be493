package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.DiscountCalculation;
import vestcoin.core.discount.Discounts;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Rerating;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.MethodAvailability;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.tax.TaxJurisdiction;
import vestcoin.core.tax.Taxes;
import vestcoin.core.terms.SupplyAtOnce;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** {@code price(setup, order) -> quote}: pure, the same input gives the same quote to the last minor unit. */
public final class Pricing {
    private final CompiledSetup setup;
    private final Order order;
    private final Tracer tracer;
    private final Optional<Pickup.Spot> collectedAt;
    private final TaxTreatment taxedAs;

    private Pricing(CompiledSetup setup, Order order, Tracer tracer) {
        this(setup, order, tracer, Optional.empty());
    }

    /** @param crossed what the order comes to across borders, where that is decided already */
    private Pricing(CompiledSetup setup, Order order, Tracer tracer, Optional<BigDecimal> crossed) {
        this.setup = setup;
        this.order = order;
        this.tracer = OrderCheck.conversion(setup, order)
                .map(how ->
                        tracer.in(Currencies.of(order.currency().orElseThrow()).orElseThrow(), how))
                .orElse(tracer);
        this.collectedAt = PickupOffers.chosen(setup, order);
        this.taxedAs = new TaxTreatment(
                setup,
                order,
                collectedAt.map(Pickup.Spot::at),
                new TaxTreatment.Crossing(
                        crossed.isPresent() ? Sales.NONE : before(setup, order),
                        () -> crossed.orElseGet(this::crossed)),
                this.tracer);
    }

    /** Sales across borders before an order, with what the seller says of others. */
    private static Sales before(CompiledSetup setup, Order order) {
        Sales known = order.outside().sales();
        return setup.setup().tax().salesElsewhere().isEmpty()
                ? known
                : setup.setup()
                        .tax()
                        .with(known, order.at().atZone(setup.zone()).getYear());
    }

    /** @throws InvalidInput with everything impossible in the order */
    public static Quote price(CompiledSetup setup, Order order) {
        return price(
                setup,
                order,
                Tracer.keeping(setup.currency(), setup.setup().shop().rounding()));
    }

    /** The same amounts without their operands, for pricing many orders. @throws InvalidInput as {@link #price} */
    public static Quote priceUntraced(CompiledSetup setup, Order order) {
        return price(
                setup,
                order,
                Tracer.plain(setup.currency(), setup.setup().shop().rounding()));
    }

    private static Quote price(CompiledSetup setup, Order order, Tracer tracer) {
        OrderCheck.check(setup, order);
        return new Pricing(setup, order, tracer).quote();
    }

    /**
     * What an order's parcels are, by the place they leave from, without a price: what a carrier is asked with. @throws
     * Refused as {@link #price}
     */
    public static List<Consignment> consignments(CompiledSetup setup, Order order) {
        OrderCheck.check(setup, order);
        return new Pricing(
                        setup,
                        order,
                        Tracer.plain(setup.currency(), setup.setup().shop().rounding()))
                .consignments();
    }

    /**
     * What products cost off the shelf in a currency the shop takes, by id, without choices and sales.
     *
     * @param products ids of those asked for
     * @param group id of the buyer group who looks belongs to, if any
     * @param rates needed in another currency than the shop's
     */
    public static Map<String, BigDecimal> shelf(
            CompiledSetup setup,
            Collection<String> products,
            Optional<String> group,
            String currency,
            Optional<Exchange> rates) {
        PricingContext outside = rates.map(PricingContext.NOTHING::with).orElse(PricingContext.NOTHING);
        Order asked = Order.of(Instant.EPOCH, Basket.of(List.of(), setup.home()), Map.of())
                .in(currency)
                .given(outside);
        Tracer tracer = new Pricing(
                        setup,
                        asked,
                        Tracer.plain(setup.currency(), setup.setup().shop().rounding()))
                .tracer;
        return setup.shelf().prices(products, group, tracer);
    }

    /**
     * What of the order goes across borders within the Union at the home rates: net, after discounts, delivery included
     * (Art. 78(b)).
     */
    private BigDecimal crossed() {
        Order before = order.given(order.outside().with(Sales.NONE));
        Quote home = new Pricing(
                        setup,
                        before,
                        Tracer.plain(setup.currency(), setup.setup().shop().rounding()),
                        Optional.of(BigDecimal.ZERO))
                .quote();
        BigDecimal net = BigDecimal.ZERO;
        for (TaxGroup group : home.taxes()) {
            if (group.treatment().rule().equals(TaxJurisdiction.THRESHOLD)) {
                net = net.add(group.net(home.prices()));
            }
        }
        return net;
    }

    private List<Consignment> consignments() {
        return Consignment.of(setup, order, setup.shelf().price(order.lines(), buying(), tracer), tracer);
    }

    private BuyerPricing buying() {
        return new BuyerPricing(order.at(), setup.zone(), order.group(), taxedAs.rates());
    }

    private Quote quote() {
        BuyerPricing buying = buying();
        List<PricedLine> lines = setup.shelf().price(order.lines(), buying, tracer);
        Figure goods = tracer.sum("rule/goods", Message.of("why.goods"), amounts(lines));
        List<Figure> weights = new ArrayList<>(lines.size());
        for (PricedLine line : lines) {
            if (line.product().physical()) {
                weights.add(line.weight());
            }
        }
        Figure weight = tracer.count("kg", "rule/weight", Message.of("why.weight"), weights);
        Optional<Match<Delivery.Zone>> match = weights.isEmpty() || order.unplaced()
                ? Optional.empty()
                : setup.board().zoneOf(order.to());
        List<Consignment> consignments = Consignment.of(setup, order, lines, tracer);

        DiscountCalculation discounting = new DiscountCalculation(
                new DiscountCalculation.DiscountContext(buying, order.to(), order.codes(), order.history()), tracer);
        DiscountCalculation.Candidates candidates =
                discounting.candidates(setup.setup().discounts());
        PickupOffers collecting = new PickupOffers(setup, order, consignments);
        DiscountScenario attempt = DiscountScenario.best(
                        candidates.rules(),
                        discounting,
                        new DiscountScenario.Basket(
                                setup, order, lines, consignments, match.map(Match::value), buying, collecting),
                        tracer)
                .with(given(), discounting, tracer);

        Optional<Figure> perUnit = perUnit(lines);
        List<Taxes.Taxable> taxables = taxables(lines, attempt);
        List<Taxes.Carried> carried = new ArrayList<>(attempt.carried(tracer));
        Map<String, Figure> parts = new LinkedHashMap<>();
        List<Figure> taken = new ArrayList<>();
        attempt.net().reductions().forEach(reduction -> taken.add(reduction.amount()));
        parts.put(
                "goods",
                taken.isEmpty()
                        ? goods
                        : tracer.less(
                                "rule/goods-after-discounts", Message.of("why.goods-less-discounts"), goods, taken));
        perUnit.ifPresent(amount -> parts.put("perUnit", amount));
        attempt.delivery(tracer).ifPresent(price -> parts.put("delivery", price));
        Quote.Taxation before = taxed(taxables, carried, parts);
        MethodAvailability.OrderFacts facts = asked(before.payable(), attempt, lines, weights.isEmpty());
        Optional<MethodAvailability> chosen = method().map(method -> available(method, facts));
        Optional<Figure> fee = chosen.filter(method -> method.hidden().isEmpty())
                .flatMap(MethodAvailability::charge)
                .filter(charge -> !charge.zero());
        Function<Figure, Quote.Taxation> charged =
                charge -> charge.zero() ? before : charged(charge, taxables, carried, parts, lines, attempt);
        Quote.Taxation taxed = fee.map(charged).orElse(before);
        Part<Map<String, BigDecimal>> left = Part.of(() -> left(lines));
        Part<OrderCosts> costs = Part.of(() -> OrderCosts.of(lines, consignments, attempt, tracer));
        return new Quote(
                new Quote.Totals(
                        lines,
                        goods,
                        attempt.net().reductions(),
                        perUnit,
                        weight,
                        reading(),
                        taxedAs.all(),
                        taxed,
                        fee,
                        Settlement.of(setup.setup().payment(), order, method(), taxed.payable(), tracer)),
                new Quote.Shipment(
                        match.map(Match::value),
                        match.map(Match::tied).orElse(List.of()),
                        consignments,
                        attempt,
                        attempt.delivery(tracer),
                        Part.of(() -> Distances.of(match.map(Match::value), attempt, lines, tracer)),
                        Part.of(() -> {
                            attempt.offers().get();
                            return collecting.slots();
                        })),
                setup.setup().terms().agreements(),
                lines.stream().anyMatch(line -> line.product().kind() == Product.Kind.DIGITAL)
                        ? SupplyAtOnce.asked(setup.setup().terms(), order.buyer(), order.to())
                        : Optional.empty(),
                Part.of(() -> notApplied(candidates, attempt, rule -> discounting.goods(List.of(rule), lines))),
                Part.of(() -> setup.setup().payment().methods().stream()
                        .map(method -> chosen.filter(known -> known.method() == method)
                                .orElseGet(() -> available(method, facts)))
                        .map(method -> costing(
                                method,
                                method.charge()
                                        .map(own -> fee.filter(own::equals).isPresent() ? taxed : charged.apply(own))
                                        .orElse(before),
                                costs.get()))
                        .toList()),
                Part.of(() -> RenewalCharges.of(setup, order, lines, again -> new Pricing(
                                setup,
                                again,
                                Tracer.plain(
                                        setup.currency(), setup.setup().shop().rounding()))
                        .quote()
                        .payable())),
                left,
                costs,
                Part.of(() -> chosen.map(
                                method -> costing(method, taxed, costs.get()).keep())
                        .orElseGet(() -> taxed.payable()
                                .value()
                                .subtract(taxed.tax().value())
                                .subtract(costs.get().all()))),
                Part.of(() -> new OrderObstacles(setup, order, tracer)
                        .of(lines, attempt, consignments, collecting, chosen, left.get())));
    }

    private Quote.Reading reading() {
        Tax tax = setup.setup().tax();
        return new Quote.Reading(
                tax.prices(),
                tax.netForBusinesses()
                        && tax.prices() == Tax.Prices.WITH_TAX
                        && order.buyer().confirmedBusiness());
    }

    /** Vouchers that are no means of payment. */
    private List<DiscountCalculation.GivenVoucher> given() {
        return order.outside().vouchers().stream()
                .filter(PricingContext.Voucher::takenOff)
                .map(voucher -> new DiscountCalculation.GivenVoucher(
                        voucher.code(),
                        tracer.brought("order/outside/vouchers", Message.name(voucher.code()), voucher.balance()),
                        line -> voucher.taxed()
                                .map(as -> taxedAs.bears(line.product(), as))
                                .orElse(true)))
                .toList();
    }

    /** The way to pay that was chosen. */
    private Optional<Payment.Method> method() {
        return order.method().flatMap(id -> setup.setup().payment().methods().stream()
                .filter(method -> method.id().equals(id))
                .findFirst());
    }

    private MethodAvailability available(Payment.Method method, MethodAvailability.OrderFacts facts) {
        return MethodAvailability.of(method, order.gateways(), facts, tracer);
    }

    private static List<Figure> amounts(List<PricedLine> lines) {
        List<Figure> amounts = new ArrayList<>(lines.size());
        lines.forEach(line -> amounts.add(line.amount()));
        return amounts;
    }

    private Optional<Figure> perUnit(List<PricedLine> lines) {
        List<Figure> on = new ArrayList<>();
        for (PricedLine line : lines) {
            for (PricedLine.Levied levied : line.perUnit()) {
                if (!levied.inside()) {
                    on.add(levied.amount());
                }
            }
        }
        return on.isEmpty()
                ? Optional.empty()
                : Optional.of(tracer.sum("rule/per-unit", Message.of("why.on-top-of-units"), on));
    }

    private List<Taxes.Taxable> taxables(List<PricedLine> lines, DiscountScenario attempt) {
        List<Taxes.Taxable> taxables = new ArrayList<>(lines.size());
        for (PricedLine line : lines) {
            String key = "lines/" + line.index();
            String sortKey = line.line().key() + " " + line.index();
            String country = taxedAs.dispatchCountry(line.product());
            taxables.add(new Taxes.Taxable(
                    key,
                    sortKey,
                    line.product().untaxed()
                            ? Optional.empty()
                            : Optional.of(line.product().taxCategory()),
                    Optional.of(line.taxedAlike()),
                    attempt.net().left().get(line.index()),
                    line.line().quantity(),
                    taxedAs.of(line.product()),
                    country));
            for (PricedLine.Levied levied : line.perUnit()) {
                if (!levied.inside()) {
                    taxables.add(new Taxes.Taxable(
                            key + "/perUnit/" + levied.id(),
                            sortKey + " " + levied.id(),
                            levied.category(),
                            Optional.empty(),
                            levied.amount(),
                            line.line().quantity(),
                            taxedAs.of(line.product()),
                            country));
                }
            }
        }
        return taxables;
    }

    private Quote.Taxation charged(
            Figure charge,
            List<Taxes.Taxable> taxables,
            List<Taxes.Carried> carried,
            Map<String, Figure> parts,
            List<PricedLine> lines,
            DiscountScenario attempt) {
        List<Taxes.Carried> with = new ArrayList<>(carried);
        with.add(fee(charge, lines, attempt));
        Map<String, Figure> and = new LinkedHashMap<>(parts);
        and.put("fee", charge);
        return taxed(taxables, with, and);
    }

    /** A way of paying with what it costs: each by its own charge, chosen or not. */
    private MethodAvailability costing(MethodAvailability seen, Quote.Taxation taxed, OrderCosts costs) {
        Settlement paying =
                Settlement.of(setup.setup().payment(), order, Optional.of(seen.method()), taxed.payable(), tracer);
        return seen.costing(
                taxed.payable(),
                taxed.tax(),
                paying.toPay(),
                paying.rounding().map(Figure::value).orElse(BigDecimal.ZERO),
                costs.all(),
                order.outside().card(),
                tracer);
    }

    /** What a way of paying adds, over all lines; it is what this buyer pays already. */
    private Taxes.Carried fee(Figure fee, List<PricedLine> lines, DiscountScenario attempt) {
        List<PricedLine> counted = lines.stream().filter(PricedLine::counted).toList();
        BuyerPricing shelf = new BuyerPricing(order.at(), setup.zone(), order.group());
        return new Taxes.Carried(
                "fee",
                fee,
                () -> Rerating.shares(fee, counted, attempt.taken().remaining(), shelf, tracer),
                DiscountScenario.keys(lines));
    }

    private Quote.Taxation taxed(List<Taxes.Taxable> taxables, List<Taxes.Carried> carried, Map<String, Figure> parts) {
        Tax.Prices prices = setup.setup().tax().prices();
        // Tax that is added goes by the place; what is inside of prices is that of the prices shown.
        List<TaxGroup> groups = order.unplaced() && collectedAt.isEmpty() && prices == Tax.Prices.WITHOUT_TAX
                ? List.of()
                : Taxes.of(taxedAs.book(), taxedAs.whose(), prices, taxables, carried, tracer);
        List<Figure> taxes = new ArrayList<>();
        groups.forEach(group -> group.components().forEach(component -> taxes.add(component.tax())));
        Figure tax = tracer.sum("rule/tax", Message.of("why.tax"), taxes);
        List<Figure> all = new ArrayList<>(parts.values());
        if (prices == Tax.Prices.WITHOUT_TAX) {
            all.add(tax);
        }
        return new Quote.Taxation(groups, tax, tracer.sum("rule/payable", Message.of("why.to-pay"), all));
    }

    private MethodAvailability.OrderFacts asked(
            Figure payable, DiscountScenario attempt, List<PricedLine> lines, boolean nothingSent) {
        boolean collected = collectedAt.isPresent() && attempt.chosen().isPresent();
        return new MethodAvailability.OrderFacts(
                payable,
                order.to(),
                order.buyer(),
                order.group(),
                attempt.chosen().map(offer -> offer.option().id()),
                collected,
                !collected && !nothingSent,
                lines,
                new MethodAvailability.OnAccount(
                        order.outside().owed(), order.outside().credit()),
                typed -> Rerating.of(
                        typed,
                        lines.stream().filter(PricedLine::counted).toList(),
                        attempt.taken().remaining(),
                        attempt.basket().buying(),
                        tracer));
    }

    /** @param alone what a discount would take off by itself */
    private static List<Reduction.UnusedDiscount> notApplied(
            DiscountCalculation.Candidates candidates,
            DiscountScenario attempt,
            Function<Discounts.Rule, DiscountCalculation.AppliedDiscounts> alone) {
        List<Reduction.UnusedDiscount> not = new ArrayList<>(candidates.not());
        not.addAll(attempt.taken().not());
        candidates.rules().stream()
                .filter(rule -> !attempt.rules().contains(rule))
                // What it lacks itself is said before what others take off.
                .forEach(rule -> not.addAll(Optional.of(alone.apply(rule).not())
                        .filter(reasons -> !reasons.isEmpty())
                        .orElseGet(() -> List.of(new Reduction.UnusedDiscount(
                                rule,
                                rule.combines()
                                        ? Message.of("quote.another-discount-that-stands-alone-takes-off")
                                        : Message.of("quote.stands-alone-and-others-take-off-much"))))));
        return List.copyOf(not);
    }

    private Map<String, BigDecimal> left(List<PricedLine> lines) {
        if (order.outside().stock().left().isEmpty()) {
            return Map.of();
        }
        Map<String, BigDecimal> left = new TreeMap<>();
        lines.forEach(line -> order.outside()
                .stock()
                .of(line)
                .ifPresent(count -> left.put(order.outside().stock().key(line), count)));
        return left;
    }
}
