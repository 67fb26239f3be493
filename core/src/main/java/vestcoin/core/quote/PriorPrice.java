package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import vestcoin.core.calendar.Window;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Tracer;

/**
 * The lowest price of the 30 days before a reduction. Source: Directive 98/6/EC, Article 6a: the lowest price the
 * trader applied during a period of not less than 30 days before the reduction.
 */
public final class PriorPrice {
    private static final int DAYS = 30;

    private PriorPrice() {}

    /** An edition with the instant it came into force; it holds until the next one. */
    public record InForce(CompiledSetup setup, Instant from) {}

    /**
     * The lowest unit price a line had in the 30 days before an instant, the instant itself not counted.
     *
     * @param editions from the earliest on
     * @return nothing when it was not for sale in those days
     */
    public static Optional<BigDecimal> before(Instant reduced, Line line, List<InForce> editions) {
        Instant since = reduced.minus(DAYS, ChronoUnit.DAYS);
        Optional<BigDecimal> lowest = Optional.empty();
        for (int i = 0; i < editions.size(); i++) {
            InForce edition = editions.get(i);
            Instant until = i + 1 < editions.size() ? editions.get(i + 1).from() : reduced;
            for (Instant at : moments(edition, line, later(edition.from(), since), earlier(until, reduced))) {
                Optional<BigDecimal> price = unit(edition.setup(), line, at);
                lowest = price.isPresent()
                                && lowest.filter(least -> least.compareTo(price.get()) <= 0)
                                        .isEmpty()
                        ? price
                        : lowest;
            }
        }
        return lowest;
    }

    /** The beginning of the time an edition held, and each day on which a sale of the product began or ended in it. */
    private static SortedSet<Instant> moments(InForce edition, Line line, Instant from, Instant until) {
        SortedSet<Instant> moments = new TreeSet<>();
        if (!from.isBefore(until)) {
            return moments;
        }
        moments.add(from);
        Product product = edition.setup().shelf().find(line.product()).orElse(null);
        if (product != null) {
            product.sale().ifPresent(sale -> add(sale.window(), edition, moments));
            product.variations()
                    .forEach(variation -> variation.sale().ifPresent(sale -> add(sale.window(), edition, moments)));
        }
        moments.removeIf(at -> at.isBefore(from) || !at.isBefore(until));
        return moments;
    }

    private static void add(Window window, InForce edition, SortedSet<Instant> moments) {
        window.from()
                .ifPresent(day ->
                        moments.add(day.atStartOfDay(edition.setup().zone()).toInstant()));
        window.to()
                .ifPresent(day -> moments.add(
                        day.plusDays(1).atStartOfDay(edition.setup().zone()).toInstant()));
    }

    private static Optional<BigDecimal> unit(CompiledSetup setup, Line line, Instant at) {
        if (setup.shelf().find(line.product()).isEmpty()) {
            return Optional.empty();
        }
        Tracer tracer = Tracer.plain(setup.currency(), setup.setup().shop().rounding());
        return Optional.of(
                setup.shelf().priceOfOne(line, new BuyerPricing(at, setup.zone(), Optional.empty()), tracer));
    }

    private static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }

    private static Instant earlier(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }
}
