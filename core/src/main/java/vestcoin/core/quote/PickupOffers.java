package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Load;
import vestcoin.core.delivery.LocalPrice;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.Promise;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.pickup.RoundTime;
import vestcoin.core.pickup.Slots;
import vestcoin.core.place.Point;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** Collecting, and what the shop brings round itself, as offers beside those of carriers. */
final class PickupOffers {
    /** What has been offered: the slots are cut only where somebody looks at them. */
    private record FirstSlot(Slots.Plan plan, Optional<LocalDate> ready, Optional<Slots.Slot> first) {}

    private final CompiledSetup setup;
    private final Order order;
    private final List<Consignment> consignments;
    private final Map<String, FirstSlot> offered = new ConcurrentHashMap<>();

    PickupOffers(CompiledSetup setup, Order order, List<Consignment> consignments) {
        this.setup = setup;
        this.order = order;
        this.consignments = consignments;
    }

    /** The pickup place the buyer chose. */
    static Optional<Pickup.Spot> chosen(CompiledSetup setup, Order order) {
        return order.delivery().flatMap(id -> setup.setup().pickup().places().stream()
                .filter(spot -> spot.option().equals(id))
                .findFirst());
    }

    /** Open slots by the option they belong to, in the setup's order, of what has been offered. */
    Map<String, List<Slots.Slot>> slots() {
        Map<String, List<Slots.Slot>> ordered = new LinkedHashMap<>();
        Stream.concat(setup.setup().pickup().places().stream().map(Pickup.Spot::option), Stream.of(Pickup.Local.OPTION))
                .forEach(option -> slots(option).ifPresent(open -> ordered.put(option, open)));
        return ordered;
    }

    /** The open slots of one option that has been offered. */
    Optional<List<Slots.Slot>> slots(String option) {
        return Optional.ofNullable(offered.get(option))
                .map(each -> Slots.open(
                        each.plan(),
                        order.at(),
                        setup.zone(),
                        each.ready(),
                        order.outside().taken()));
    }

    private Optional<Slots.Slot> first(String option, Slots.Plan plan, Load load) {
        return offered.computeIfAbsent(option, id -> {
                    Optional<LocalDate> ready = ready(load.lines());
                    return new FirstSlot(
                            plan,
                            ready,
                            Slots.first(
                                    plan,
                                    order.at(),
                                    setup.zone(),
                                    ready,
                                    order.outside().taken()));
                })
                .first();
    }

    /** The offers of pickup places and of local delivery, in the setup's order. */
    List<Offer> offers(Load load, Tracer tracer) {
        List<Offer> offers = new ArrayList<>();
        Pickup pickup = setup.setup().pickup();
        pickup.places().forEach(spot -> offers.add(offer(spot, load, tracer)));
        pickup.local().ifPresent(local -> offers.add(offer(local, load, tracer)));
        return offers;
    }

    /** One of them by its option's id. */
    Optional<Offer> offer(String option, Load load, Tracer tracer) {
        Pickup pickup = setup.setup().pickup();
        return option.equals(Pickup.Local.OPTION)
                ? pickup.local().map(local -> offer(local, load, tracer))
                : pickup.places().stream()
                        .filter(spot -> spot.option().equals(option))
                        .findFirst()
                        .map(spot -> offer(spot, load, tracer));
    }

    /** The first day the goods can be had, where a preparation takes a day or more. */
    private Optional<LocalDate> ready(List<PricedLine> lines) {
        return Consignment.preparation(lines) == 0
                ? Optional.empty()
                : consignments.stream().map(Consignment::ready).max(LocalDate::compareTo);
    }

    private Offer offer(Pickup.Spot spot, Load load, Tracer tracer) {
        String path = "pickup/places/" + spot.id();
        Delivery.Option option =
                new Delivery.Option(spot.option(), spot.name(), spot.bring(), Optional.empty(), Optional.empty());
        if (spot.hours().isEmpty()) {
            return new Offer.Unavailable(option, Message.of("quote.has-no-opening-hours-yet"), path + "/hours");
        }
        Optional<Slots.Slot> open = first(option.id(), setup.slots(spot), load);
        if (open.isEmpty()) {
            return new Offer.Unavailable(option, Message.of("quote.no-slot-open-in-days-offered"), path + "/daysAhead");
        }
        LocalDate day = open.get().start().toLocalDate();
        return Offer.Available.of(
                option,
                price(spot, path, load, tracer),
                load,
                Optional.of(new Promise(day, day, day)),
                Optional.empty(),
                tracer);
    }

    /** A fee, or a reduction that takes off no more than the goods come to. */
    private static Figure price(Pickup.Spot spot, String path, Load load, Tracer tracer) {
        Figure price = tracer.typed(
                path + "/price", Message.name(spot.name()), spot.price().orElse(BigDecimal.ZERO));
        if (price.value().signum() >= 0) {
            return price;
        }
        Figure value = tracer.less(
                "rule/not-below-zero",
                Message.of("why.goods-taken-off"),
                tracer.zero("rule/not-below-zero", Message.of("why.zero")),
                load.lines().stream().map(load.remaining()::shelf).toList());
        return tracer.largest("rule/not-below-zero", Message.name(spot.name()), List.of(price, value));
    }

    private Offer offer(Pickup.Local local, Load load, Tracer tracer) {
        String path = "pickup/local";
        Delivery.Option option = new Delivery.Option(
                Pickup.Local.OPTION, local.name(), local.sentence(), Optional.empty(), Optional.empty());
        Optional<Point> start = local.from().or(() -> setup.setup().shop().point());
        if (start.isEmpty()) {
            return new Offer.Unavailable(option, Message.of("quote.shop-has-no-point-on-map-to"), path + "/from");
        }
        if (order.point().isEmpty()) {
            return new Offer.Unavailable(option, Message.of("quote.this-place-cannot-located"), "order/point");
        }
        if (consignments.stream().anyMatch(consignment -> consignment.place().isPresent())) {
            return new Offer.Unavailable(option, Message.of("quote.part-of-order-does-not-leave-from"), path);
        }
        Figure distance = tracer.number(
                Source.ORDER,
                start.get().kilometresTo(order.point().get()),
                "km",
                "order/point",
                Message.of("why.distance-along-geodesic"));
        if (distance.value().compareTo(LocalPrice.kilometres(local.radius(), local.unit())) > 0) {
            return new Offer.Unavailable(
                    option,
                    Message.of("quote.farther-than", "radius", local.radius(), "local", local.unit()),
                    path + "/radius");
        }
        if (local.smallest()
                .filter(least -> load.value().value().compareTo(tracer.threshold(least)) < 0)
                .isPresent()) {
            return new Offer.Unavailable(
                    option,
                    Message.of(
                            "quote.only-from-goods-of",
                            "amount",
                            tracer.amount(local.smallest().get())),
                    path + "/smallest");
        }
        Optional<Promise> day = Optional.empty();
        if (local.minutes().isPresent()) {
            day = RoundTime.of(
                            local.minutes().get(),
                            local.windows(),
                            order.at(),
                            setup.zone(),
                            ready(load.lines()),
                            setup.workDays())
                    .map(Promise::of);
            if (day.isEmpty()) {
                return new Offer.Unavailable(
                        option, Message.of("quote.no-window-open-in-next-seven-days"), path + "/windows");
            }
        } else if (!local.windows().isEmpty()) {
            WorkDays always = setup.workDays();
            Slots.Plan plan =
                    new Slots.Plan(option.id(), local.windows(), Optional.empty(), local.capacity(), 0, 7, always);
            Optional<Slots.Slot> open = first(option.id(), plan, load);
            if (open.isEmpty()) {
                return new Offer.Unavailable(
                        option, Message.of("quote.no-window-open-in-next-seven-days"), path + "/windows");
            }
            LocalDate first = open.get().start().toLocalDate();
            day = Optional.of(new Promise(first, first, first));
        }
        return LocalPrice.offer(option, local.price(), path + "/price", load, distance, day, tracer);
    }
}
