package vestcoin.core.quote;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Promise;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Packing;
import vestcoin.core.parcel.PackingResult;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Shop;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * What leaves one place together, packed.
 *
 * @param dispatch id of the place; {@code shop} for the shop itself
 * @param name of the place
 * @param from where it is
 * @param lines physical ones
 * @param weight of the packed parcels, kg
 * @param distance to the buyer in km, where both points are known
 * @param ready day it can leave
 * @param place the dispatch place, if it is not the shop
 */
public record Consignment(
        String dispatch,
        String name,
        Destination from,
        List<PricedLine> lines,
        PackingResult packed,
        Figure weight,
        Optional<Figure> distance,
        LocalDate ready,
        Optional<Delivery.Dispatch> place) {

    private static final Comparator<String> SHOP_FIRST = Comparator.comparing(
                    (String id) -> !id.equals(Delivery.Dispatch.SHOP))
            .thenComparing(Comparator.naturalOrder());

    /** The consignments of an order: the shop's own first, then by dispatch place. */
    static List<Consignment> of(CompiledSetup setup, Order order, List<PricedLine> lines, Tracer tracer) {
        Map<String, List<PricedLine>> byPlace = new TreeMap<>(SHOP_FIRST);
        for (PricedLine line : PricedLine.sorted(lines)) {
            if (line.product().physical()) {
                byPlace.computeIfAbsent(
                                line.product().sending().from().orElse(Delivery.Dispatch.SHOP),
                                k -> new ArrayList<>(lines.size()))
                        .add(line);
            }
        }
        List<Consignment> consignments = new ArrayList<>(byPlace.size());
        byPlace.forEach((id, group) -> consignments.add(of(setup, order, id, group, tracer)));
        return consignments;
    }

    private static Consignment of(CompiledSetup setup, Order order, String id, List<PricedLine> lines, Tracer tracer) {
        Shop shop = setup.setup().shop();
        Optional<Delivery.Dispatch> place = setup.board().dispatch(id);
        PackingResult packed = Packing.of(lines, setup.board().parcels(), tracer);
        Figure weight = packed.parcels().size() == 1
                ? packed.parcels().get(0).weight()
                : tracer.count(
                        "kg",
                        "rule/weight",
                        Message.of("why.weight-of-parcels"),
                        packed.parcels().stream().map(Parcel::weight).toList());
        Destination from = place.map(Delivery.Dispatch::at).orElseGet(setup::home);
        Optional<Point> point = place.map(Delivery.Dispatch::point).orElse(shop.point());
        int preparation = 0;
        for (PricedLine line : lines) {
            preparation = Math.max(
                    preparation,
                    line.product()
                            .sending()
                            .preparation()
                            .or(() -> place.flatMap(Delivery.Dispatch::preparation))
                            .orElse(0));
        }
        WorkDays days = setup.workDaysAt(id);
        return new Consignment(
                id,
                place.map(Delivery.Dispatch::name).orElse(shop.name()),
                from,
                lines,
                packed,
                weight,
                point.flatMap(start -> order.point()
                        .map(end -> tracer.number(
                                Source.ORDER,
                                start.kilometresTo(end),
                                "km",
                                "order/point",
                                Message.of("why.distance-along-geodesic")))),
                Promise.ready(order.at(), setup.zone(), shop.working(), days, preparation),
                place);
    }

    /** The longest preparation among lines, in working days. */
    static int preparation(List<PricedLine> lines) {
        return lines.stream()
                .mapToInt(line -> line.product().sending().preparation().orElse(0))
                .max()
                .orElse(0);
    }
}
