package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** From the price of a cell to what the option costs: {@link Charges} in their order, free-from, rounding, ending. */
final class OptionPrice {
    private final Delivery.Option option;
    private final Charges charges;
    private final String path;
    private final Load load;
    private final List<Delivery.Handling> handling;
    private final Tracer tracer;

    OptionPrice(Delivery.Option option, Load load, List<Delivery.Handling> handling, Tracer tracer) {
        this.option = option;
        this.charges = option.charges().orElse(Charges.NONE);
        this.path = "delivery/options/" + option.id() + "/charges";
        this.load = load;
        this.handling = handling;
        this.tracer = tracer;
    }

    /** By the shelf-price figures. @param base exact price of the cell @param cell its path */
    Figure of(Figure base, PriceRule rule, String cell) {
        Optional<Figure> free = freeFrom(rule, cell);
        Figure price = free.isPresent() ? freed(free.get()) : charged(base);
        price = price.value().scale() == tracer.digits()
                ? price
                : tracer.rounded(cell, Message.name(option.name()), price);
        if (charges.ending().isPresent() && tracer.digits() == 2) {
            price = tracer.ended(
                    path + "/ending",
                    Message.of("why.brought-to-ending"),
                    price,
                    charges.ending().get());
        }
        return price;
    }

    private Figure charged(Figure base) {
        List<Figure> parts = new ArrayList<>();
        parts.add(base);
        charges.percent()
                .ifPresent(percent -> parts.add(rounded(tracer.exactPercent(
                        path + "/percent", Message.of("why.on-top"), base, percent(percent, path + "/percent")))));
        charges.amount()
                .ifPresent(amount -> parts.add(tracer.typed(path + "/amount", Message.of("why.on-top"), amount)));
        parts.addAll(handled(handling));
        parts.addAll(oversize(false));
        Figure sum = parts.size() == 1
                ? base
                : tracer.exactSum("rule/delivery-charges", Message.of("why.price-and-surcharges"), parts);
        if (charges.fuel().isPresent()) {
            Figure fuel = rounded(tracer.exactPercent(
                    path + "/fuel",
                    Message.of("why.fuel"),
                    sum,
                    percent(charges.fuel().get(), path + "/fuel")));
            sum = tracer.exactSum("rule/delivery-charges", Message.of("why.with-fuel"), List.of(sum, fuel));
        }
        if (charges.least().isPresent()) {
            sum = tracer.exactLargest(
                    path + "/least",
                    Message.of("why.never-less"),
                    List.of(
                            sum,
                            tracer.typed(
                                    path + "/least",
                                    Message.of("why.least"),
                                    charges.least().get())));
        }
        if (charges.most().isPresent()) {
            sum = tracer.smallest(
                    path + "/most",
                    Message.of("why.never-more"),
                    List.of(
                            sum,
                            tracer.typed(
                                    path + "/most",
                                    Message.of("why.most"),
                                    charges.most().get())));
        }
        return sum;
    }

    /** What is charged where delivery is free or reduced: that, and what is always charged. */
    private Figure freed(Figure free) {
        List<Figure> always = new ArrayList<>(
                handled(handling.stream().filter(Delivery.Handling::always).toList()));
        always.addAll(oversize(true));
        if (always.isEmpty()) {
            return free;
        }
        List<Figure> parts = new ArrayList<>();
        parts.add(free);
        parts.addAll(always);
        return tracer.sum("rule/delivery-charges", Message.of("why.always-charged"), parts);
    }

    private Optional<Figure> freeFrom(PriceRule rule, String cell) {
        if (rule.freeFrom().isEmpty()
                || !rule.notWith().isEmpty()
                        && load.lines().stream().anyMatch(line -> line.product().among(rule.notWith()))) {
            return Optional.empty();
        }
        BigDecimal value = BigDecimal.ZERO;
        for (PricedLine line : load.order()) {
            if (line.counted() && !line.product().among(rule.notCounting())) {
                value = value.add(load.remaining().of(line).value());
            }
        }
        if (value.compareTo(tracer.threshold(rule.freeFrom().get())) < 0) {
            return Optional.empty();
        }
        return Optional.of(tracer.typed(
                cell,
                rule.reducedTo().isPresent()
                        ? Message.of(
                                "why.from",
                                "amount",
                                tracer.amount(rule.freeFrom().get()))
                        : Message.of(
                                "why.free-from",
                                "amount",
                                tracer.amount(rule.freeFrom().get())),
                rule.reducedTo().orElse(BigDecimal.ZERO)));
    }

    private List<Figure> handled(List<Delivery.Handling> of) {
        List<Figure> figures = new ArrayList<>();
        for (Delivery.Handling group : of) {
            List<PricedLine> lines = load.lines().stream()
                    .filter(line -> line.product()
                            .sending()
                            .handling()
                            .filter(group.id()::equals)
                            .isPresent())
                    .toList();
            if (!lines.isEmpty()) {
                figures.add(handled(group, lines));
            }
        }
        return charges.dearestOnly() && figures.size() > 1
                ? List.of(figures.stream()
                        .max(Comparator.comparing(Figure::value))
                        .orElseThrow())
                : figures;
    }

    private Figure handled(Delivery.Handling group, List<PricedLine> lines) {
        String at = "delivery/handling/" + group.id();
        if (group.per() == Delivery.Handling.Per.PERCENT) {
            Figure value = tracer.sum(
                    at,
                    Message.of("why.value-of-group"),
                    lines.stream().map(load.remaining()::shelf).toList());
            return rounded(tracer.exactPercent(at, Message.name(group.name()), value, percent(group.amount(), at)));
        }
        Figure each = tracer.typed(at, Message.name(group.name()), group.amount());
        return switch (group.per()) {
            case UNIT ->
                rounded(tracer.exactProduct(
                        at,
                        Message.name(group.name()),
                        List.of(
                                each,
                                tracer.count(
                                        "",
                                        at,
                                        Message.of("why.units-of-group"),
                                        lines.stream()
                                                .map(line -> tracer.number(
                                                        Source.ORDER,
                                                        line.line().quantity(),
                                                        "",
                                                        "order/lines/" + line.ordered() + "/quantity",
                                                        Message.name(
                                                                line.product().name())))
                                                .toList()))));
            case KG ->
                rounded(tracer.exactProduct(
                        at,
                        Message.name(group.name()),
                        List.of(
                                each,
                                tracer.count(
                                        "kg",
                                        at,
                                        Message.of("why.weight-of-group"),
                                        lines.stream().map(PricedLine::weight).toList()))));
            default -> each;
        };
    }

    private List<Figure> oversize(boolean alwaysOnly) {
        List<Figure> figures = new ArrayList<>();
        for (Charges.Oversize over : charges.oversize()) {
            long count = load.parcels().stream()
                    .filter(parcel -> isOver(over, parcel))
                    .count();
            if (count > 0 && (over.always() || !alwaysOnly)) {
                String at = path + "/oversize/" + over.id();
                Figure each = tracer.typed(at, Message.name(over.name()), over.amount());
                figures.add(
                        count == 1
                                ? each
                                : tracer.exactProduct(
                                        at,
                                        Message.name(over.name()),
                                        List.of(
                                                each,
                                                tracer.number(
                                                        Source.CONSTANT,
                                                        BigDecimal.valueOf(count),
                                                        "",
                                                        at,
                                                        Message.of("why.parcels")))));
            }
        }
        return figures;
    }

    private static boolean isOver(Charges.Oversize over, Parcel parcel) {
        return over.longestOver()
                        .filter(most -> parcel.outer()
                                .filter(size -> size.longest().compareTo(most.centimetres()) > 0)
                                .isPresent())
                        .isPresent()
                || over.girthOver()
                        .filter(most -> parcel.outer()
                                .filter(size -> size.lengthAndGirth().compareTo(most.centimetres()) > 0)
                                .isPresent())
                        .isPresent()
                || over.weightOver()
                        .filter(most -> parcel.weight().value().compareTo(most.kilograms()) > 0)
                        .isPresent();
    }

    private Figure percent(BigDecimal percent, String at) {
        return tracer.number(Source.SETUP, percent, "%", at, Message.of("why.percent"));
    }

    private Figure rounded(Figure exact) {
        return exact.value().scale() == tracer.digits() ? exact : tracer.rounded(exact.rule(), exact.label(), exact);
    }
}
