package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.discount.Discounts;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * How much more goods, at list, would make a delivery free or reduced: what is missing, divided by what the present
 * percents leave of a price, rounded up to the minor unit. The goods added are taken to be such that no discount for
 * some goods only applies to them.
 */
final class Distances {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private Distances() {}

    /** One for each offered option with a free-from not reached yet. */
    static List<Distance> of(
            Optional<Delivery.Zone> zone, DiscountScenario attempt, List<PricedLine> lines, Tracer tracer) {
        List<Distance> distances = new ArrayList<>();
        if (zone.isEmpty()) {
            return distances;
        }
        for (Offer offer : attempt.offers().get()) {
            PriceRule rule = zone.get().rates().get(offer.option().id());
            if (rule == null || rule.freeFrom().isEmpty()) {
                continue;
            }
            if (offer instanceof Offer.Available
                    && lines.stream().noneMatch(line -> line.product().among(rule.notWith()))) {
                more(rule, RateBoard.path(zone.get(), offer.option().id()), attempt, lines, tracer)
                        .ifPresent(more -> distances.add(
                                new Distance(offer.option(), rule.reducedTo().isPresent(), more)));
            }
        }
        return distances;
    }

    private static Optional<Figure> more(
            PriceRule rule, String path, DiscountScenario attempt, List<PricedLine> lines, Tracer tracer) {
        Map<Integer, Figure> left = attempt.taken().left();
        Figure counted = tracer.sum(
                "rule/value",
                Message.of("why.goods-that-count"),
                lines.stream()
                        .filter(PricedLine::counted)
                        .filter(line -> !line.product().among(rule.notCounting()))
                        .map(line -> left.get(line.index()))
                        .toList());
        Figure from = tracer.typed(
                path, Message.of("why.free-from-2"), rule.freeFrom().orElseThrow());
        if (counted.value().compareTo(from.value()) >= 0) {
            return Optional.empty();
        }
        Figure gap = tracer.less("rule/distance", Message.of("why.what-missing"), from, List.of(counted));
        List<Figure> above = new ArrayList<>(List.of(gap));
        List<Figure> below = new ArrayList<>();
        for (Reduction reduction : attempt.taken().reductions()) {
            Discounts.Rule discount = reduction.rule();
            BigDecimal percent = discount.percent().orElse(BigDecimal.ZERO);
            if (ofAll(discount) && percent.compareTo(HUNDRED) < 0) {
                above.add(tracer.number(Source.CONSTANT, HUNDRED, "%", "rule/percent", Message.of("why.per-cent")));
                below.add(tracer.number(
                        Source.SETUP,
                        HUNDRED.subtract(percent),
                        "%",
                        "discounts/rules/" + discount.id(),
                        Message.of("why.100-less", "discount", discount.name())));
            }
        }
        if (below.isEmpty()) {
            return Optional.of(gap);
        }
        Figure list = tracer.quotient(
                gap.unit(),
                "rule/distance",
                Message.of("why.at-list"),
                tracer.product(gap.unit(), "rule/distance", Message.of("why.what-missing"), above),
                below.size() == 1
                        ? below.get(0)
                        : tracer.product("%", "rule/distance", Message.of("why.what-discounts-leave"), below));
        return Optional.of(least(
                tracer.raisedAmount("rule/distance", Message.of("why.rounded-up"), list),
                from.value(),
                rule,
                attempt,
                lines,
                tracer));
    }

    /**
     * The least of all amounts near it that reach the bound: a discount is rounded once on the whole, which may do the
     * last minor unit.
     */
    private static Figure least(
            Figure about,
            BigDecimal from,
            PriceRule rule,
            DiscountScenario attempt,
            List<PricedLine> lines,
            Tracer tracer) {
        if (lines.stream().anyMatch(line -> !line.counted() || line.product().among(rule.notCounting()))) {
            return about;
        }
        BigDecimal unit = BigDecimal.ONE.movePointLeft(tracer.digits());
        BigDecimal list = lines.stream().map(line -> line.amount().value()).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal more = about.value();
        while (more.compareTo(unit) > 0
                && value(list.add(more.subtract(unit)), attempt, tracer).compareTo(from) >= 0) {
            more = more.subtract(unit);
        }
        BigDecimal less = about.value().subtract(more);
        return less.signum() == 0
                ? about
                : tracer.less(
                        "rule/distance",
                        Message.of("why.rounding-of-discounts-does-rest"),
                        about,
                        List.of(tracer.number(
                                Source.CONSTANT, less, about.unit(), "rule/distance", Message.of("why.minor-units"))));
    }

    /** What goods of this list price are worth after the present discounts. */
    private static BigDecimal value(BigDecimal list, DiscountScenario attempt, Tracer tracer) {
        BigDecimal value = list;
        for (Reduction reduction : attempt.taken().reductions()) {
            BigDecimal off = ofAll(reduction.rule())
                    ? value.multiply(reduction.rule().percent().orElse(BigDecimal.ZERO))
                            .movePointLeft(2)
                            .setScale(tracer.digits(), tracer.rounding().mode())
                    : reduction.amount().value();
            value = value.subtract(off);
        }
        return value;
    }

    private static boolean ofAll(Discounts.Rule discount) {
        return discount.amount().isEmpty()
                && discount.conditions().categories().isEmpty()
                && discount.conditions().except().isEmpty();
    }
}
