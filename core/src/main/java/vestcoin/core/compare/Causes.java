package vestcoin.core.compare;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op;

/** Finds what made an order differ by walking both explanations from goods to tax: traced quotes are needed. */
final class Causes {
    /** The stations in the order of computing, each with what it decides. */
    private enum Stage {
        GOODS,
        DISCOUNTS,
        DELIVERY,
        PAYMENT,
        TAX;

        /** What it comes to. */
        Stream<Figure> results(Quote quote) {
            return switch (this) {
                case GOODS -> Stream.concat(quote.lines().stream().map(PricedLine::amount), quote.perUnit().stream());
                case DISCOUNTS ->
                    Stream.concat(quote.discounts().stream(), quote.off().stream())
                            .map(Reduction::amount);
                case DELIVERY -> quote.sent().price().stream();
                case PAYMENT -> Stream.concat(quote.fee().stream(), quote.rounding().stream());
                case TAX ->
                    quote.taxes().stream()
                            .map(TaxGroup::components)
                            .flatMap(List::stream)
                            .map(component -> component.tax());
            };
        }

        /** What it might have come to besides. */
        Stream<Figure> others(Quote quote) {
            return this == DELIVERY
                    ? quote.offers().stream()
                            .filter(Offer.Available.class::isInstance)
                            .map(offer -> ((Offer.Available) offer).price())
                    : Stream.empty();
        }

        String station() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param cause the first @param others how many typed figures differ besides */
    record Found(Cause cause, int others) {}

    private record Typed(Message label, List<BigDecimal> values) {}

    private final Set<Figure> walkedBefore = walked();
    private final Set<Figure> walkedAfter = walked();
    private final Set<String> differing = new LinkedHashSet<>();
    private final PathNames names;

    private Causes(PathNames names) {
        this.names = names;
    }

    private static Set<Figure> walked() {
        return Collections.newSetFromMap(new IdentityHashMap<>());
    }

    /** @param before and after both traced, and not the same */
    static Found of(PathNames names, Quote before, Quote after) {
        return new Causes(names).found(before, after);
    }

    private Found found(Quote before, Quote after) {
        Optional<Cause> first = Optional.empty();
        for (Stage stage : Stage.values()) {
            Optional<Cause> here = cause(stage, before, after);
            first = first.isPresent() ? first : here;
        }
        return new Found(
                first.orElseGet(() -> new Cause("shop", List.of(), Message.of("compare.rules-of-shop"))),
                Math.max(0, differing.size() - 1));
    }

    private Optional<Cause> cause(Stage stage, Quote before, Quote after) {
        Map<String, Typed> was = typed(stage.results(before), walkedBefore);
        Map<String, Typed> is = typed(stage.results(after), walkedAfter);
        if (values(stage.results(before)).equals(values(stage.results(after)))) {
            return Optional.empty();
        }
        Optional<Cause> changed = inBoth(was, is)
                .or(() -> inBoth(typed(stage.others(before), walked()), typed(stage.others(after), walked())))
                .or(() -> inOne(is, was))
                .or(() -> inOne(was, is));
        return changed.or(
                () -> Optional.of(new Cause(stage.station(), List.of(), Message.of("compare.what-decides-it"))));
    }

    private static List<BigDecimal> values(Stream<Figure> figures) {
        return figures.map(Figure::value).map(BigDecimal::stripTrailingZeros).toList();
    }

    /** The first field that both were computed from, with another figure in it. */
    private Optional<Cause> inBoth(Map<String, Typed> was, Map<String, Typed> is) {
        Optional<Cause> first = Optional.empty();
        for (Map.Entry<String, Typed> now : is.entrySet()) {
            Typed then = was.get(now.getKey());
            if (then != null && !then.values().equals(now.getValue().values())) {
                differing.add(now.getKey());
                first = first.isPresent() ? first : Optional.of(cause(now));
            }
        }
        return first;
    }

    /** The first field that only one of them was computed from. */
    private Optional<Cause> inOne(Map<String, Typed> one, Map<String, Typed> other) {
        Optional<Cause> first = Optional.empty();
        for (Map.Entry<String, Typed> only : one.entrySet()) {
            if (!other.containsKey(only.getKey())) {
                differing.add(only.getKey());
                first = first.isPresent() ? first : Optional.of(cause(only));
            }
        }
        return first;
    }

    private Cause cause(Map.Entry<String, Typed> field) {
        return new Cause(
                field.getKey(), names.of(field.getKey()), field.getValue().label());
    }

    /** The typed figures something was computed from, by the field, in the order they were read. */
    private static Map<String, Typed> typed(Stream<Figure> results, Set<Figure> walked) {
        Map<String, Typed> typed = new LinkedHashMap<>();
        results.forEach(result -> gather(result, walked, typed));
        return typed;
    }

    private static void gather(Figure figure, Set<Figure> walked, Map<String, Typed> typed) {
        if (!walked.add(figure)) {
            return;
        }
        figure.of().forEach(operand -> gather(operand, walked, typed));
        // What a rule of the computation brings is no field that anybody typed.
        if (figure.op() instanceof Op.Given given
                && given.source() == Op.Source.SETUP
                && !figure.rule().startsWith("rule/")) {
            typed.computeIfAbsent(figure.rule(), path -> new Typed(figure.label(), new ArrayList<>()))
                    .values()
                    .add(figure.value().stripTrailingZeros());
        }
    }
}
