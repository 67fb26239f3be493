package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.ShippingTraits;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** Reads the price of one cell of the rate sheet for a load: exact, not rounded yet. */
final class BasisPrice {
    /** A price, or why there is none. */
    sealed interface Result {
        record Price(Figure exact, Optional<Message> note) implements Result {}

        record None(Message reason) implements Result {}
    }

    private final String path;
    private final String zone;
    private final String name;
    private final Load load;
    private final Figure weight;
    private final Tracer tracer;

    /**
     * @param zone id of the zone the price is for; empty for a round @param weight what the option reads as weight, in
     *     kg
     */
    BasisPrice(String path, String name, String zone, Load load, Figure weight, Tracer tracer) {
        this.path = path;
        this.zone = zone;
        this.name = name;
        this.load = load;
        this.weight = weight;
        this.tracer = tracer;
    }

    Result of(PriceRule.Basis basis) {
        if (basis instanceof PriceRule.Fixed fixed) {
            Figure price = tracer.typed(path, Message.name(name), fixed.price());
            return price(
                    fixed.perParcel()
                            ? tracer.exactProduct(path, Message.of("why.for-each-parcel"), List.of(price, parcels()))
                            : price);
        }
        if (basis instanceof PriceRule.BasePlus plus) {
            return price(basePlus(plus));
        }
        if (basis instanceof PriceRule.ByProduct) {
            return byProduct();
        }
        if (basis instanceof PriceRule.CarrierQuote quote) {
            return carrier(quote);
        }
        return bands((PriceRule.Bands) basis);
    }

    private static Result price(Figure exact) {
        return new Result.Price(exact, Optional.empty());
    }

    private Figure parcels() {
        return tracer.number(
                Source.CONSTANT,
                BigDecimal.valueOf(load.parcels().size()),
                "",
                "rule/parcels",
                Message.of("why.parcels"));
    }

    private Result carrier(PriceRule.CarrierQuote quote) {
        Figure answer = load.answers().get(quote.service());
        return answer != null
                ? price(answer)
                : new Result.Price(
                        tracer.typed(path, Message.of("why.fallback-carrier-did-not-answer"), quote.otherwise()),
                        Optional.of(Offer.STANDS_IN));
    }

    private Result byProduct() {
        List<Figure> parts = new ArrayList<>();
        PricedLine alone = null;
        for (PricedLine line : load.lines()) {
            Optional<ShippingTraits.Own> own = line.product().sending().own();
            if (own.isEmpty()) {
                return new Result.None(Message.of(
                        "delivery.has-no-delivery-price-of-own",
                        "product",
                        line.product().name()));
            }
            alone = alone == null || dearer(line, alone) ? line : alone;
        }
        for (PricedLine line : load.lines()) {
            ShippingTraits.Pair own = own(line);
            String pair = "goods/products/" + line.product().id() + "/sending/own";
            boolean here = line.product().sending().own().orElseThrow().zones().containsKey(zone);
            String at = here ? pair + "/zones/" + zone : pair;
            BigDecimal units = units(line).subtract(line == alone ? BigDecimal.ONE : BigDecimal.ZERO);
            if (line == alone) {
                parts.add(tracer.typed(
                        at + "/alone",
                        Message.of("why.alone", "product", line.product().name()),
                        own.alone()));
            }
            parts.add(tracer.exactProduct(
                    at + "/withOthers",
                    Message.of("why.with-others", "product", line.product().name()),
                    List.of(
                            tracer.typed(at + "/withOthers", Message.of("why.each-with-others"), own.withOthers()),
                            tracer.number(
                                    Source.ORDER,
                                    units,
                                    "",
                                    "order/lines/" + line.ordered(),
                                    Message.of("why.units")))));
        }
        return price(tracer.exactSum("rule/by-product", Message.name(name), parts));
    }

    /** Whether a line pays its price alone rather than another: it is dearer, or as dear and saves more by it. */
    private boolean dearer(PricedLine line, PricedLine than) {
        ShippingTraits.Pair one = own(line);
        ShippingTraits.Pair other = own(than);
        int order = one.alone().compareTo(other.alone());
        order = order != 0 ? order : one.withOthers().compareTo(other.withOthers());
        return order != 0 ? order > 0 : line.line().key().compareTo(than.line().key()) < 0;
    }

    private ShippingTraits.Pair own(PricedLine line) {
        return line.product().sending().own().orElseThrow().in(zone);
    }

    private static BigDecimal units(PricedLine line) {
        return line.product().measure().isPresent()
                ? BigDecimal.ONE
                : line.line().quantity();
    }

    private Figure basePlus(PriceRule.BasePlus plus) {
        Figure base = tracer.typed(path, Message.of("why.base"), plus.base());
        if (plus.per().equals(PriceRule.BasePlus.PERCENT)) {
            Figure top = tracer.exactPercent(
                    path,
                    Message.of("why.percent-of-value"),
                    shelfValue(),
                    tracer.number(Source.SETUP, plus.plus(), "%", path, Message.of("why.percent")));
            return tracer.exactSum(path, Message.of("why.base-and-more"), List.of(base, top));
        }
        if (plus.per().equals(PriceRule.Bands.ITEMS)) {
            Figure top = tracer.exactProduct(
                    path,
                    Message.of("why.for-each-item"),
                    List.of(tracer.typed(path, Message.of("why.each-item"), plus.plus()), load.quantity()));
            return tracer.exactSum(path, Message.of("why.base-and-more"), List.of(base, top));
        }
        Figure each = tracer.typed(path, Message.of("why.each", "per", plus.per()), plus.plus());
        if (plus.per().equals("kg")) {
            return tracer.exactSum(
                    path,
                    Message.of("why.base-and-weight"),
                    List.of(base, tracer.exactProduct(path, Message.of("why.for-each-kg"), List.of(each, weight))));
        }
        Figure inUnit = tracer.number(
                Source.CONSTANT,
                Weight.kilogramsPer(plus.per()),
                "kg",
                path,
                Message.of("why.kg-in-one", "per", plus.per()));
        return tracer.ratio(
                path,
                Message.name(name),
                List.of(tracer.exactSum(
                        path,
                        Message.of("why.base-and-weight"),
                        List.of(
                                tracer.exactProduct(path, Message.of("why.base"), List.of(base, inUnit)),
                                tracer.exactProduct(
                                        path, Message.of("why.for-each", "per", plus.per()), List.of(each, weight))))),
                List.of(inUnit));
    }

    /** What a percent is of: the goods by the shelf-price figures, since the price is typed by those. */
    private Figure shelfValue() {
        return load.buying().stands()
                ? load.value()
                : tracer.sum(
                        "rule/value",
                        Message.of("why.value-at-shelf-price"),
                        load.lines().stream().map(load.remaining()::shelf).toList());
    }

    /**
     * What bands are read against. Weights are compared in kilograms and distances in kilometres, into which pounds,
     * ounces and miles go without rounding, so that a parcel on the edge of a band is on it exactly.
     *
     * @param factor into the measure's unit; nothing for values, which are typed amounts
     */
    private record Scale(Figure measure, BigDecimal factor) {}

    private BigDecimal inMeasure(Scale scale, BigDecimal typed) {
        return scale.factor() == null ? tracer.threshold(typed) : typed.multiply(scale.factor());
    }

    private Result bands(PriceRule.Bands bands) {
        String unit = bands.unit();
        if (Distance.isUnit(unit) && load.distance().isEmpty()) {
            return new Result.None(Message.of("delivery.distance-to-this-place-not-known"));
        }
        Scale scale = scale(unit);
        for (PriceRule.Band band : bands.bands()) {
            if (scale.measure().value().compareTo(inMeasure(scale, band.upTo())) <= 0) {
                return price(tracer.typed(path, Message.of("why.to", "upTo", band.upTo(), "unit", unit), band.price()));
            }
        }
        PriceRule.Band last = bands.bands().get(bands.bands().size() - 1);
        return bands.then()
                .map(then -> price(above(last, then, unit, scale)))
                .orElseGet(() -> new Result.None(Message.of("delivery.over", "upTo", last.upTo(), "unit", unit)));
    }

    private Scale scale(String unit) {
        if (unit.equals(PriceRule.Bands.ITEMS)) {
            return new Scale(load.quantity(), BigDecimal.ONE);
        }
        if (Distance.isUnit(unit)) {
            return new Scale(load.distance().orElseThrow(), Distance.kilometresPer(unit));
        }
        if (Weight.isUnit(unit)) {
            return new Scale(weight, Weight.kilogramsPer(unit));
        }
        return new Scale(load.value(), null);
    }

    private Figure above(PriceRule.Band last, PriceRule.Then then, String unit, Scale scale) {
        String measured = scale.measure().unit();
        Figure from =
                tracer.number(Source.SETUP, inMeasure(scale, last.upTo()), measured, path, Message.of("why.last-band"));
        Figure step =
                tracer.number(Source.SETUP, inMeasure(scale, then.step()), measured, path, Message.of("why.step"));
        Figure steps = tracer.startedSteps(
                "rule/started-steps",
                Message.of("why.started-steps-of", "step", then.step(), "unit", unit),
                scale.measure(),
                from,
                step);
        Figure added = tracer.ratio(
                path,
                Message.of("why.each-started-step"),
                List.of(steps, tracer.typed(path, Message.of("why.price-of-step"), then.price())),
                List.of());
        Figure base = tracer.typed(path, Message.of("why.to", "upTo", last.upTo(), "unit", unit), last.price());
        return tracer.sum(path, Message.name(name), List.of(base, added));
    }
}
