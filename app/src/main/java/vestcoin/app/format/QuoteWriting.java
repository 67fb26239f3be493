package vestcoin.app.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.app.format.Figures.Amount;
import vestcoin.app.format.QuoteView.Discount;
import vestcoin.app.format.QuoteView.Group;
import vestcoin.app.format.QuoteView.Line;
import vestcoin.app.format.QuoteView.Method;
import vestcoin.app.format.QuoteView.Option;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.payment.MethodAvailability;
import vestcoin.core.quote.Consignment;
import vestcoin.core.quote.OrderCosts;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/** Writes one quote as a document, gathering its figures on the way. */
final class QuoteWriting {
    /** So many slots of an option that is not chosen: the next ones. All of the one that is. */
    private static final int GLANCE = 12;

    private final Quote quote;
    private final Figures figures = new Figures();

    QuoteWriting(Quote quote) {
        this.quote = quote;
    }

    QuoteView view(Optional<String> hash) {
        Quote.Shipment sent = quote.sent();
        List<Line> lines = quote.lines().stream().map(this::line).toList();
        Amount goods = figures.amount(quote.goods());
        List<Discount> discounts =
                quote.discounts().stream().map(this::discount).toList();
        Optional<Amount> perUnit = quote.perUnit().map(figures::amount);
        Amount weight = figures.amount(quote.weight());
        List<Option> delivery = sent.offers().stream()
                .map(offer -> option(offer, quote.chosen()))
                .toList();
        List<QuoteView.Shipment> consignments =
                sent.consignments().stream().map(this::consignment).toList();
        Optional<Amount> deliveryPrice = sent.price().map(figures::amount);
        List<Discount> off = quote.off().stream().map(this::discount).toList();
        List<QuoteView.Further> distances = sent.distances().stream()
                .map(distance -> new QuoteView.Further(
                        distance.option().id(),
                        distance.option().name(),
                        distance.reduced(),
                        figures.amount(distance.more())))
                .toList();
        Map<String, List<QuoteView.Slot>> slots = new LinkedHashMap<>();
        sent.slots()
                .forEach((option, open) -> slots.put(
                        option,
                        open.stream()
                                .limit(
                                        quote.chosen()
                                                        .filter(offer -> offer.option()
                                                                .id()
                                                                .equals(option))
                                                        .isPresent()
                                                ? open.size()
                                                : GLANCE)
                                .map(slot -> new QuoteView.Slot(
                                        slot.start().toLocalDateTime(),
                                        slot.end().toLocalDateTime(),
                                        slot.left()))
                                .toList()));
        List<QuoteView.UnusedDiscount> not = quote.notApplied().stream()
                .map(each -> new QuoteView.UnusedDiscount(
                        each.rule().id(), each.rule().name(), each.rule().code(), each.reason()))
                .toList();
        List<QuoteView.TaxLiabilityView> whose = quote.treatments().stream()
                .map(treatment ->
                        new QuoteView.TaxLiabilityView(treatment.code(), treatment.sentence(), treatment.rule()))
                .toList();
        List<Group> taxes =
                quote.taxes().stream().flatMap(group -> groups(group).stream()).toList();
        Amount tax = figures.amount(quote.tax());
        Optional<Amount> fee = quote.fee().map(figures::amount);
        Amount payable = figures.amount(quote.payable());
        List<QuoteView.VoucherUsed> vouchers = quote.vouchers().stream()
                .map(use -> new QuoteView.VoucherUsed(use.code(), figures.amount(use.used())))
                .toList();
        Optional<Amount> rounding = quote.rounding().map(figures::amount);
        Amount toPay = figures.amount(quote.toPay());
        List<Method> methods = quote.methods().stream().map(this::method).toList();
        List<QuoteView.Renewal> renewing = quote.renewing().stream()
                .map(each -> new QuoteView.Renewal(
                        each.line(),
                        each.name(),
                        each.terms(
                                new vestcoin.core.message.Amount(quote.toPay().value(), quote.currency())),
                        each.charges().stream()
                                .map(charge -> new QuoteView.Charge(
                                        charge.at().toInstant(),
                                        charge.at().toLocalDate(),
                                        charge.payable().value()))
                                .toList()))
                .toList();
        QuoteView.Costs costs = costs(quote.costs());
        return new QuoteView(
                QuoteView.FORMAT,
                quote.currency(),
                quote.prices(),
                lines,
                goods,
                discounts,
                perUnit,
                weight,
                quote.zone().map(zone -> new QuoteView.Zone(zone.id(), zone.name())),
                quote.undecided(),
                quote.needsDelivery(),
                delivery,
                consignments,
                deliveryPrice,
                off,
                distances,
                slots,
                not,
                whose,
                taxes,
                tax,
                fee,
                payable,
                vouchers,
                rounding,
                toPay,
                methods,
                Optional.of(costs),
                renewing,
                quote.left(),
                quote.agreements(),
                quote.supply().map(supply -> new QuoteView.Supply(supply.text(), supply.otherwise())),
                quote.missing(),
                quote.withoutTax().map(net -> NetRows.of(quote, net)),
                figures.nodes(),
                hash);
    }

    private QuoteView.Costs costs(OrderCosts costs) {
        return new QuoteView.Costs(
                costs.goods().map(figures::amount),
                costs.packing().map(figures::amount),
                costs.carrier().map(figures::amount),
                costs.vouchers().map(figures::amount),
                costs.uncounted());
    }

    private Line line(PricedLine line) {
        String key = "lines/" + line.index();
        Figure tax = quote.taxes().stream()
                .flatMap(group -> group.parts().stream())
                .filter(part -> part.key().equals(key))
                .findFirst()
                .orElseThrow()
                .tax();
        return new Line(
                line.product().id(),
                line.product().name(),
                Stream.concat(line.chosen().stream().map(Message::name), line.answered().stream())
                        .toList(),
                line.line().quantity(),
                figures.amount(line.unit()),
                figures.amount(line.amount()),
                figures.amount(tax),
                line.perUnit().stream()
                        .map(levied ->
                                new QuoteView.PerUnit(levied.name(), levied.inside(), figures.amount(levied.amount())))
                        .toList(),
                line.bundle(),
                Optional.of(
                                quote.left().containsKey(line.stockKey())
                                        ? line.stockKey()
                                        : line.product().id())
                        .filter(quote.left()::containsKey),
                line.ordered());
    }

    private Discount discount(Reduction reduction) {
        return new Discount(
                reduction.rule().id(),
                reduction.rule().name(),
                reduction.rule().code(),
                figures.amount(reduction.amount()));
    }

    private Option option(Offer offer, Optional<Offer.Available> chosen) {
        Delivery.Option option = offer.option();
        if (offer instanceof Offer.Available offered) {
            return new Option(
                    option.id(),
                    option.name(),
                    option.sentence(),
                    option.days(),
                    Optional.of(figures.amount(offered.price())),
                    Optional.empty(),
                    Optional.empty(),
                    chosen.filter(offered::equals).isPresent(),
                    offered.promise(),
                    offered.note());
        }
        Offer.Unavailable not = (Offer.Unavailable) offer;
        return new Option(
                option.id(),
                option.name(),
                option.sentence(),
                option.days(),
                Optional.empty(),
                Optional.of(not.reason()),
                Optional.of(not.rule()),
                false,
                Optional.empty(),
                Optional.empty());
    }

    private QuoteView.Shipment consignment(Consignment consignment) {
        Quote.SeparateDelivery apart = quote.sent().each().get(consignment.dispatch());
        List<Option> own = apart == null
                ? List.of()
                : apart.offers().stream()
                        .map(offer -> option(offer, apart.chosen()))
                        .toList();
        return new QuoteView.Shipment(
                consignment.dispatch(),
                consignment.name(),
                consignment.from().country(),
                consignment.ready(),
                consignment.packed().parcels().stream().map(this::parcel).toList(),
                consignment.packed().way().words(),
                figures.amount(consignment.weight()),
                consignment.distance().map(figures::amount),
                own,
                consignment.lines().stream().map(PricedLine::index).toList());
    }

    private QuoteView.PackedParcels parcel(Parcel parcel) {
        return new QuoteView.PackedParcels(
                parcel.type().map(type -> type.name()),
                parcel.outer(),
                figures.amount(parcel.weight()),
                parcel.things());
    }

    private List<Group> groups(TaxGroup group) {
        if (group.amount().zero()
                && group.components().stream()
                        .allMatch(component -> component.tax().zero())) {
            return List.of();
        }
        if (group.levy().isEmpty()) {
            Figure none = group.parts().get(0).tax();
            return List.of(new Group(
                    "No tax",
                    group.category(),
                    group.code(),
                    group.dispatch(),
                    Optional.empty(),
                    Optional.empty(),
                    figures.amount(group.amount()),
                    figures.amount(new Figure(
                            none.value(),
                            quote.currency(),
                            group.treatment().place().isPresent()
                                    ? "tax/places"
                                    : group.treatment().rule(),
                            group.treatment().place().isPresent()
                                    ? Message.of("why.no-row-of-the-tax-book-holds-this-place")
                                    : group.treatment().sentence(),
                            none.op(),
                            List.of()))));
        }
        List<Group> groups = new ArrayList<>();
        for (TaxGroup.ComponentTax component : group.components()) {
            groups.add(new Group(
                    component.name(),
                    group.category(),
                    group.code(),
                    group.dispatch(),
                    group.levy().map(levy -> levy.path()),
                    Optional.of(component.rate().value()),
                    figures.amount(group.amount()),
                    figures.amount(component.tax())));
        }
        return groups;
    }

    private Method method(MethodAvailability seen) {
        return new Method(
                seen.method().id(),
                seen.method().kind(),
                seen.method().title(),
                seen.method().sentence(),
                seen.hidden(),
                seen.charge().map(figures::amount),
                seen.fee().map(figures::amount),
                seen.toPay(),
                seen.arrives(),
                seen.keep());
    }
}
