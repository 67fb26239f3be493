package vestcoin.core.delivery;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** The rate sheet, ready to answer what delivery is offered to a place. */
public final class RateBoard {
    private final PlaceIndex<Delivery.Zone> zones;
    private final Delivery delivery;
    private final Map<String, Delivery.Dispatch> dispatch;
    private final Map<String, Delivery.Option> options;

    private RateBoard(PlaceIndex<Delivery.Zone> zones, Delivery delivery) {
        this.zones = zones;
        this.delivery = delivery;
        this.dispatch = delivery.dispatch().stream().collect(Collectors.toMap(Delivery.Dispatch::id, place -> place));
        this.options = delivery.options().stream().collect(Collectors.toMap(Delivery.Option::id, option -> option));
    }

    public static RateBoard of(Delivery delivery) {
        return new RateBoard(
                PlaceIndex.of(delivery.zones().stream()
                        .map(zone -> new PlaceIndex.Entry<>(zone.id(), zone, zone.places(), zone.except()))
                        .toList()),
                delivery);
    }

    public Optional<Match<Delivery.Zone>> zoneOf(Destination destination) {
        return zones.find(destination);
    }

    public List<ParcelType> parcels() {
        return delivery.parcels();
    }

    /** A dispatch place by its id; nothing for the shop itself. */
    public Optional<Delivery.Dispatch> dispatch(String id) {
        return Optional.ofNullable(dispatch.get(id));
    }

    /** When a load is ready, and who carries it on. */
    public record Leaving(LocalDate ready, WorkDays carrier) {}

    /**
     * All options, those offered first, cheapest first, then fastest, then in the seller's order; or all in the
     * seller's order.
     */
    public List<Offer> offers(Optional<Delivery.Zone> zone, Load load, Leaving leaving, Tracer tracer) {
        List<Offer> offered = new ArrayList<>();
        List<Offer> not = new ArrayList<>();
        Map<Delivery.Days, Promise> promises = new HashMap<>();
        for (Delivery.Option each : delivery.options()) {
            Delivery.Option option = zone.map(each::in).orElse(each);
            Optional<Promise> promise = option.days()
                    .map(days -> promises.computeIfAbsent(
                            days, span -> Promise.of(leaving.ready(), span, leaving.carrier())));
            Offer offer = offer(zone, option, load, promise, tracer);
            (offer instanceof Offer.Available ? offered : not).add(offer);
        }
        if (!delivery.byHand()) {
            sort(offered);
        }
        offered.addAll(not);
        return offered;
    }

    /** One option by its id, the same as among all {@link #offers}; nothing where there is no such option. */
    public Optional<Offer> offer(String id, Optional<Delivery.Zone> zone, Load load, Leaving leaving, Tracer tracer) {
        return Optional.ofNullable(options.get(id))
                .map(option -> zone.map(option::in).orElse(option))
                .map(option -> offer(
                        zone,
                        option,
                        load,
                        option.days().map(days -> Promise.of(leaving.ready(), days, leaving.carrier())),
                        tracer));
    }

    /** Cheapest first, then fastest; what is equal stays as it was. */
    public static void sort(List<Offer> offered) {
        offered.sort(Comparator.comparing(
                        (Offer offer) -> ((Offer.Available) offer).price().value())
                .thenComparing(
                        offer -> offer.option().days().map(Delivery.Days::to).orElse(Integer.MAX_VALUE)));
    }

    private Offer offer(
            Optional<Delivery.Zone> found,
            Delivery.Option option,
            Load load,
            Optional<Promise> promise,
            Tracer tracer) {
        if (found.isEmpty()) {
            return new Offer.Unavailable(option, Message.of("delivery.no-zone-holds-this-place"), "delivery/zones");
        }
        Delivery.Zone zone = found.get();
        String path = path(zone, option.id());
        PriceRule rule = zone.rates().get(option.id());
        if (rule == null) {
            return new Offer.Unavailable(option, Message.of("delivery.not-offered-in", "zone", zone.name()), path);
        }
        for (Delivery.Dispatch from : load.from()) {
            if (!from.options().isEmpty() && !from.options().contains(option.id())) {
                return new Offer.Unavailable(
                        option,
                        Message.of("delivery.not-offered-from", "from", from.name()),
                        "delivery/dispatch/" + from.id() + "/options");
            }
        }
        Figure weight = option.chargeable().isEmpty()
                ? load.weight()
                : option.chargeable()
                        .get()
                        .of(load.parcels(), "delivery/options/" + option.id() + "/chargeable", tracer);
        Optional<Message> beyond = option.limits().isEmpty()
                ? Optional.empty()
                : CarryingLimits.beyond(option.limits().get(), load, weight, tracer);
        if (beyond.isPresent()) {
            return new Offer.Unavailable(option, beyond.get(), "delivery/options/" + option.id() + "/limits");
        }
        BasisPrice.Result result =
                new BasisPrice(path, option.name(), zone.id(), load, weight, tracer).of(rule.basis());
        if (result instanceof BasisPrice.Result.None none) {
            return new Offer.Unavailable(option, none.reason(), path);
        }
        BasisPrice.Result.Price price = (BasisPrice.Result.Price) result;
        return Offer.Available.of(
                option,
                new OptionPrice(option, load, delivery.handling(), tracer).of(price.exact(), rule, path),
                load,
                promise,
                price.note(),
                tracer);
    }

    /**
     * What an option's carrier asks of the seller: the typed cost, else its answer; nothing where neither is there.
     *
     * @param tracer at the rates alone
     */
    public Optional<Figure> cost(String option, Delivery.Zone zone, Load load, Tracer tracer) {
        PriceRule.Basis basis = zone.costs().get(option);
        if (basis == null) {
            return Optional.ofNullable(zone.rates().get(option))
                    .map(PriceRule::basis)
                    .filter(PriceRule.CarrierQuote.class::isInstance)
                    .map(quote -> load.answers().get(((PriceRule.CarrierQuote) quote).service()));
        }
        Delivery.Option known = options.get(option);
        String path = costPath(zone, option);
        Figure weight = known.chargeable().isEmpty()
                ? load.weight()
                : known.chargeable().get().of(load.parcels(), "delivery/options/" + option + "/chargeable", tracer);
        return new BasisPrice(path, known.name(), zone.id(), load, weight, tracer).of(basis)
                        instanceof BasisPrice.Result.Price price
                ? Optional.of(price.exact())
                : Optional.empty();
    }

    /** Whether an option is one of a carrier's, and not a place to collect at. */
    public boolean carries(String option) {
        return options.containsKey(option);
    }

    /** Whether what an option costs the seller may be known. */
    public static boolean costed(String option, Delivery.Zone zone) {
        PriceRule rate = zone.rates().get(option);
        return zone.costs().containsKey(option) || rate != null && rate.basis() instanceof PriceRule.CarrierQuote;
    }

    public static String costPath(Delivery.Zone zone, String option) {
        return "delivery/zones/" + zone.id() + "/costs/" + option;
    }

    public static String path(Delivery.Zone zone, String option) {
        return "delivery/zones/" + zone.id() + "/rates/" + option;
    }
}
