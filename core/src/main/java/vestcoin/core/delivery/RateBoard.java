package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.goods.Weight;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** The rate sheet, ready to answer what delivery is offered to a place. */
public final class RateBoard {
    private final PlaceIndex<Delivery.Zone> zones;
    private final List<Delivery.Option> options;

    private RateBoard(PlaceIndex<Delivery.Zone> zones, List<Delivery.Option> options) {
        this.zones = zones;
        this.options = options;
    }

    public static RateBoard of(Delivery delivery) {
        return new RateBoard(PlaceIndex.of(delivery.zones().stream()
                .map(zone -> new PlaceIndex.Entry<>(zone.id(), zone, zone.places(), zone.except())).toList()), delivery.options());
    }

    /**
     * What is to be sent.
     *
     * @param weight   kg
     * @param value    of what is sent, as the buyer sees it, after discounts: what bands read
     * @param order    value of the whole order: what free-from reads
     * @param quantity units of physical goods
     * @param categories tax categories among what is sent
     */
    public record Load(Figure weight, Figure value, Figure order, Figure quantity, Set<String> categories) {}

    public Optional<Match<Delivery.Zone>> zoneOf(Destination destination) {
        return zones.find(destination);
    }

    /** All options, those offered first, cheapest first, then fastest, then in the seller's order. */
    public List<Offer> offers(Optional<Delivery.Zone> zone, Load load, Tracer tracer) {
        List<Offer> offered = new ArrayList<>();
        List<Offer> not = new ArrayList<>();
        for (Delivery.Option option : options) {
            Offer offer = offer(zone, option, load, tracer);
            (offer instanceof Offer.Offered ? offered : not).add(offer);
        }
        offered.sort(Comparator.comparing((Offer offer) -> ((Offer.Offered) offer).price().value())
                .thenComparing(offer -> offer.option().days().map(Delivery.Days::to).orElse(Integer.MAX_VALUE)));
        offered.addAll(not);
        return offered;
    }

    private static Offer offer(Optional<Delivery.Zone> found, Delivery.Option option, Load load, Tracer tracer) {
        if (found.isEmpty()) {
            return new Offer.NotOffered(option, "No zone holds this place.", "delivery/zones");
        }
        Delivery.Zone zone = found.get();
        String path = path(zone, option.id());
        PriceRule rule = zone.rates().get(option.id());
        if (rule == null) {
            return new Offer.NotOffered(option, "Not offered in " + zone.name() + ".", path);
        }
        Optional<String> beyond = option.limits().flatMap(limits -> beyond(limits, load, tracer));
        if (beyond.isPresent()) {
            return new Offer.NotOffered(option, beyond.get(), "delivery/options/" + option.id() + "/limits");
        }
        Optional<Figure> price = price(rule.basis(), path, option.name(), load, tracer);
        if (price.isEmpty()) {
            PriceRule.Bands bands = (PriceRule.Bands) rule.basis();
            BigDecimal most = bands.bands().get(bands.bands().size() - 1).upTo();
            return new Offer.NotOffered(option, "Over " + most.toPlainString() + " " + bands.unit() + ".", path);
        }
        if (rule.freeFrom().isPresent() && load.order().value().compareTo(rule.freeFrom().get()) >= 0) {
            Figure free = tracer.number(Source.SETUP, BigDecimal.ZERO.setScale(tracer.digits()), tracer.currency().getCode(), path,
                    "free from " + rule.freeFrom().get().setScale(tracer.digits()).toPlainString());
            return new Offer.Offered(option, free);
        }
        return new Offer.Offered(option, price.get());
    }

    private static Optional<String> beyond(Delivery.Limits limits, Load load, Tracer tracer) {
        BigDecimal value = load.value().value();
        if (limits.weightTo().filter(most -> load.weight().value().compareTo(most.kilograms()) > 0).isPresent()) {
            return Optional.of("Over " + limits.weightTo().get().text() + ".");
        }
        if (limits.quantityTo().filter(most -> load.quantity().value().compareTo(most) > 0).isPresent()) {
            return Optional.of("Over " + limits.quantityTo().get().toPlainString() + " items.");
        }
        if (limits.valueFrom().filter(least -> value.compareTo(least) < 0).isPresent()) {
            return Optional.of("Only from goods of " + limits.valueFrom().get().setScale(tracer.digits()).toPlainString() + ".");
        }
        if (limits.valueTo().filter(most -> value.compareTo(most) > 0).isPresent()) {
            return Optional.of("Only to goods of " + limits.valueTo().get().setScale(tracer.digits()).toPlainString() + ".");
        }
        return limits.except().stream().filter(load.categories()::contains).findFirst().map(category -> "Does not carry " + category + ".");
    }

    public static String path(Delivery.Zone zone, String option) {
        return "delivery/zones/" + zone.id() + "/rates/" + option;
    }

    private static Optional<Figure> price(PriceRule.Basis basis, String path, String name, Load load, Tracer tracer) {
        if (basis instanceof PriceRule.Fixed fixed) {
            return Optional.of(tracer.typed(path, name, fixed.price()));
        }
        if (basis instanceof PriceRule.BasePlus plus) {
            return Optional.of(basePlus(plus, path, name, load, tracer));
        }
        PriceRule.Bands bands = (PriceRule.Bands) basis;
        Scale scale = scale(bands.unit(), load);
        for (PriceRule.Band band : bands.bands()) {
            if (scale.measure().value().compareTo(scale.inMeasure(band.upTo())) <= 0) {
                return Optional.of(tracer.typed(path, "to " + band.upTo().toPlainString() + " " + bands.unit(), band.price()));
            }
        }
        PriceRule.Band last = bands.bands().get(bands.bands().size() - 1);
        return bands.then().map(then -> above(last, then, bands.unit(), scale, path, name, tracer));
    }

    /** A base and something on top, rounded once. */
    private static Figure basePlus(PriceRule.BasePlus plus, String path, String name, Load load, Tracer tracer) {
        Figure base = tracer.typed(path, "base", plus.base());
        Figure top;
        if (plus.per().equals(PriceRule.BasePlus.PERCENT)) {
            top = tracer.exactPercent(path, "percent of the value", load.value(), tracer.number(Source.SETUP, plus.plus(), "%", path, "percent"));
        } else if (plus.per().equals(PriceRule.Bands.ITEMS)) {
            top = tracer.exactProduct(path, "for each item", List.of(tracer.typed(path, "each item", plus.plus()), load.quantity()));
        } else {
            return tracer.ratio(path, name, List.of(tracer.exactSum(path, "base and weight", List.of(
                    tracer.exactProduct(path, "base", List.of(base, kilograms(plus.per(), path, tracer))),
                    tracer.exactProduct(path, "for each " + plus.per(), List.of(tracer.typed(path, "each " + plus.per(), plus.plus()), load.weight()))))), List.of(kilograms(plus.per(), path, tracer)));
        }
        return tracer.rounded(path, name, tracer.exactSum(path, "base and more", List.of(base, top)));
    }

    private static Figure kilograms(String unit, String path, Tracer tracer) {
        return tracer.number(Source.CONSTANT, Weight.kilogramsPer(unit), "kg", path, "kg in one " + unit);
    }

    private static Figure above(PriceRule.Band last, PriceRule.Then then, String unit, Scale scale, String path, String name, Tracer tracer) {
        String measured = scale.measure().unit();
        Figure from = tracer.number(Source.SETUP, scale.inMeasure(last.upTo()), measured, path, "last band");
        Figure step = tracer.number(Source.SETUP, scale.inMeasure(then.step()), measured, path, "step");
        Figure steps = tracer.startedSteps("rule/started-steps", "started steps of " + then.step().toPlainString() + " " + unit,
                scale.measure(), from, step);
        Figure added = tracer.ratio(path, "each started step", List.of(steps, tracer.typed(path, "price of a step", then.price())), List.of());
        Figure base = tracer.typed(path, "to " + last.upTo().toPlainString() + " " + unit, last.price());
        return tracer.sum(path, name, List.of(base, added));
    }

    /**
     * What the bands are read against. Weights are compared in kilograms, into which pounds and ounces go without
     * rounding, so that a parcel on the edge of a band is on it exactly.
     */
    private record Scale(Figure measure, BigDecimal factor) {
        BigDecimal inMeasure(BigDecimal typed) {
            return typed.multiply(factor);
        }
    }

    private static Scale scale(String unit, Load load) {
        if (unit.equals(PriceRule.Bands.ITEMS)) {
            return new Scale(load.quantity(), BigDecimal.ONE);
        }
        return Weight.isUnit(unit) ? new Scale(load.weight(), Weight.kilogramsPer(unit)) : new Scale(load.value(), BigDecimal.ONE);
    }
}
