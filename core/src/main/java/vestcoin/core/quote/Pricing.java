package vestcoin.core.quote;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.RateBoard;
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
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** {@code price(setup, order) -> quote}: pure, the same input gives the same quote to the last minor unit. */
public final class Pricing {
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
        List<PricedLine> lines = setup.shelf().price(order.lines(), tracer);
        Figure goods = tracer.sum("rule/goods", "goods", lines.stream().map(PricedLine::amount).toList());
        List<PricedLine> physical = lines.stream().filter(line -> line.product().physical()).toList();
        Figure weight = tracer.count("kg", "rule/weight", "weight", physical.stream().map(PricedLine::weight).toList());

        Optional<Match<Delivery.Zone>> zone = physical.isEmpty() ? Optional.empty() : setup.board().zoneOf(order.to());
        List<Offer> offers = physical.isEmpty() ? List.of()
                : setup.board().offers(zone.map(Match::value), load(goods, weight, physical, tracer), tracer);
        List<String> missing = new ArrayList<>();
        Optional<Offer.Offered> chosen = choose(offers, order.delivery(), missing);
        if (setup.sellsTo().find(order.to()).isEmpty()) {
            missing.add("The shop does not sell to this place.");
        }

        Tax.Prices prices = setup.setup().tax().prices();
        List<TaxGroup> taxes = Taxes.of(setup.book(), prices, order.to(), taxables(lines), chosen.map(Offer.Offered::price), tracer);
        Figure tax = tracer.sum("rule/tax", "tax", taxes.stream().flatMap(group -> group.components().stream())
                .map(TaxGroup.ComponentTax::tax).toList());
        Figure payable = payable(goods, chosen, prices, tax, tracer);
        List<Seen> methods = Seen.of(setup.setup().payment(), order.gateways(), payable, tracer);
        order.method().ifPresent(id -> checkMethod(id, methods, missing));
        return new Quote(setup.currency().getCode(), lines, goods, weight, zone.map(Match::value),
                zone.map(Match::tied).orElse(List.of()), offers, chosen, prices, taxes, tax, payable, methods, List.copyOf(missing));
    }

    private static void check(Compiled setup, Order order) {
        Problems problems = new Problems();
        problems.when(order.at() == null, "order/at", "The order has no time.", "Add an instant, as 2026-11-25T10:00:00Z.");
        problems.when(order.lines().isEmpty(), "order/lines", "The basket is empty.", "Put something in.");
        setup.shelf().check(order.lines(), problems);
        if (!problems.when(order.to() == null, "order/to", "The order has no destination.", "Add at least a country.")) {
            order.to().check("order/to", problems);
        }
        problems.refuseIfAny();
    }

    private static RateBoard.Load load(Figure goods, Figure weight, List<PricedLine> physical, Tracer tracer) {
        List<Figure> quantities = physical.stream()
                .map(line -> tracer.number(Source.ORDER, line.line().quantity(), "", "order/lines/" + line.index() + "/quantity", line.product().name()))
                .toList();
        return new RateBoard.Load(weight, goods, tracer.count("", "rule/quantity", "items to deliver", quantities));
    }

    private static Optional<Offer.Offered> choose(List<Offer> offers, Optional<String> wanted, List<String> missing) {
        List<Offer.Offered> offered = offers.stream().filter(Offer.Offered.class::isInstance).map(Offer.Offered.class::cast).toList();
        if (offers.isEmpty()) {
            return Optional.empty();
        }
        if (offered.isEmpty()) {
            missing.add("Nothing delivers this basket to this place.");
            return Optional.empty();
        }
        if (wanted.isEmpty()) {
            return Optional.of(offered.get(0));
        }
        Optional<Offer.Offered> chosen = offered.stream().filter(offer -> offer.option().id().equals(wanted.get())).findFirst();
        if (chosen.isEmpty()) {
            missing.add("The delivery chosen is not offered for this basket and place.");
        }
        return chosen;
    }

    private static List<Taxes.Taxable> taxables(List<PricedLine> lines) {
        return lines.stream().map(line -> new Taxes.Taxable("lines/" + line.index(), line.line().key() + " " + line.index(),
                line.product().category(), line.amount())).toList();
    }

    private static Figure payable(Figure goods, Optional<Offer.Offered> chosen, Tax.Prices prices, Figure tax, Tracer tracer) {
        List<Figure> parts = new ArrayList<>();
        parts.add(goods);
        chosen.ifPresent(offer -> parts.add(offer.price()));
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
