package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * What an order costs its seller besides tax and the provider's fee, as far as the seller has typed it or a carrier has
 * said it: each in the order's currency, what is typed converted at the rates alone, sums rounded half up once.
 *
 * @param goods what the goods cost
 * @param packing what the parcels cost
 * @param carrier what the carriers ask
 * @param vouchers sold in it: money to be supplied for later. Those taxed when they are sold are supplied by that
 *     (Directive 2006/112/EC, Art. 30b(1)), and not among them
 * @param uncounted which of these are not known, or not all of them
 */
public record OrderCosts(
        Optional<Figure> goods,
        Optional<Figure> packing,
        Optional<Figure> carrier,
        Optional<Figure> vouchers,
        List<Message> uncounted) {

    /** All of them together. */
    public BigDecimal all() {
        return Stream.of(goods, packing, carrier, vouchers)
                .flatMap(Optional::stream)
                .map(Figure::value)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** @param tracer in the order's currency */
    static OrderCosts of(
            List<PricedLine> lines, List<Consignment> consignments, DiscountScenario delivery, Tracer tracer) {
        Tracer bearing = tracer.atRates();
        List<Message> uncounted = new ArrayList<>();
        List<Figure> goods = new ArrayList<>();
        List<Figure> sold = new ArrayList<>();
        boolean known = true;
        for (PricedLine line : lines) {
            line.product().cost().ifPresent(cost -> goods.add(cost(line, cost, bearing)));
            known &= line.product().cost().isPresent() || !line.product().physical();
            if (line.product().kind() == Product.Kind.VOUCHER && !line.product().taxedAtSale()) {
                sold.add(line.amount());
            }
        }
        if (!known) {
            uncounted.add(Message.of("quote.goods-not-counted"));
        }
        List<Optional<Figure>> packing = packing(consignments, bearing);
        if (packing.stream().anyMatch(Optional::isEmpty)) {
            uncounted.add(Message.of("quote.packing-not-counted"));
        }
        List<Optional<Figure>> carriers = delivery.carrierCosts(bearing);
        if (carriers.stream().anyMatch(Optional::isEmpty)) {
            uncounted.add(Message.of("quote.carrier-not-counted"));
        }
        return new OrderCosts(
                sum("rule/cost-of-goods", "why.cost-of-goods", goods, tracer),
                sum("rule/cost-of-packing", "why.cost-of-packing", known(packing), tracer),
                sum("rule/cost-of-carrier", "why.cost-of-carrier", known(carriers), tracer),
                sold.isEmpty()
                        ? Optional.empty()
                        : Optional.of(tracer.sum("rule/vouchers-sold", Message.of("why.vouchers-sold"), sold)),
                uncounted);
    }

    private static Figure cost(PricedLine line, BigDecimal cost, Tracer bearing) {
        String path = "goods/products/" + line.product().id() + "/cost";
        Message name = Message.name(line.product().name());
        return bearing.exactProduct(
                path,
                name,
                List.of(
                        bearing.typed(path, Message.of("why.cost-of-one"), cost),
                        bearing.number(
                                Source.ORDER,
                                line.line().quantity(),
                                "",
                                "order/lines/" + line.ordered() + "/quantity",
                                name)));
    }

    private static List<Optional<Figure>> packing(List<Consignment> consignments, Tracer bearing) {
        List<Optional<Figure>> prices = new ArrayList<>();
        for (Consignment consignment : consignments) {
            for (Parcel parcel : consignment.packed().parcels()) {
                prices.add(parcel.type().flatMap(type -> type.price()
                        .map(price -> bearing.typed(
                                "delivery/parcels/" + type.id() + "/price", Message.name(type.name()), price))));
            }
        }
        return prices;
    }

    private static List<Figure> known(List<Optional<Figure>> parts) {
        return parts.stream().flatMap(Optional::stream).toList();
    }

    private static Optional<Figure> sum(String rule, String label, List<Figure> parts, Tracer tracer) {
        return parts.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        tracer.roundedHalfUp(rule, Message.of(label), tracer.exactSum(rule, Message.of(label), parts)));
    }
}
