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
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * How much more goods, at list, would make a delivery free or reduced: what is missing, divided by what the present percents leave
 * of a price, rounded up to the minor unit. The goods added are taken to be such that no discount for some goods only applies to them.
 */
final class Distances {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private Distances() {}

    /** One for each offered option with a free-from not reached yet. */
    static List<Distance> of(Optional<Delivery.Zone> zone, Attempt attempt, List<PricedLine> lines, Tracer tracer) {
        List<Distance> distances = new ArrayList<>();
        if (zone.isEmpty()) {
            return distances;
        }
        for (Offer offer : attempt.offers()) {
            PriceRule rule = zone.get().rates().get(offer.option().id());
            if (rule == null || rule.freeFrom().isEmpty()) {
                continue;
            }
            if (offer instanceof Offer.Offered && lines.stream().noneMatch(line -> line.product().among(rule.notWith()))) {
                more(rule, RateBoard.path(zone.get(), offer.option().id()), attempt, lines, tracer)
                        .ifPresent(more -> distances.add(new Distance(offer.option(), rule.reducedTo().isPresent(), more)));
            }
        }
        return distances;
    }

    private static Optional<Figure> more(PriceRule rule, String path, Attempt attempt, List<PricedLine> lines, Tracer tracer) {
        Map<Integer, Figure> left = attempt.taken().left();
        Figure counted = tracer.sum("rule/value", "goods that count", lines.stream().filter(PricedLine::counted).filter(line -> !line.product().among(rule.notCounting()))
                .map(line -> left.get(line.index())).toList());
        Figure from = tracer.typed(path, "free from", rule.freeFrom().orElseThrow());
        if (counted.value().compareTo(from.value()) >= 0) {
            return Optional.empty();
        }
        Figure gap = tracer.less("rule/distance", "what is missing", from, List.of(counted));
        List<Figure> above = new ArrayList<>(List.of(gap));
        List<Figure> below = new ArrayList<>();
        for (Reduction reduction : attempt.taken().reductions()) {
            Discounts.Rule discount = reduction.rule();
            boolean ofAll = discount.amount().isEmpty() && discount.conditions().categories().isEmpty();
            BigDecimal percent = discount.percent().orElse(BigDecimal.ZERO);
            if (ofAll && percent.compareTo(HUNDRED) < 0) {
                above.add(tracer.number(Source.CONSTANT, HUNDRED, "%", "rule/percent", "per cent"));
                below.add(tracer.number(Source.SETUP, HUNDRED.subtract(percent), "%", "discounts/rules/" + discount.id(), "100 less " + discount.name()));
            }
        }
        if (below.isEmpty()) {
            return Optional.of(gap);
        }
        Figure list = tracer.quotient(gap.unit(), "rule/distance", "at list", tracer.product(gap.unit(), "rule/distance", "what is missing", above),
                below.size() == 1 ? below.get(0) : tracer.product("%", "rule/distance", "what discounts leave", below));
        return Optional.of(tracer.raisedAmount("rule/distance", "rounded up", list));
    }
}
