package vestcoin.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.SetupBuilder;

/**
 * What it would take to send for free, found by pricing every order again and not by a formula: tax, discounts, endings
 * and providers' fees all take part. It assumes the same orders as before.
 */
public final class DeliveryInPrice {
    /** The rise is sought in steps of a tenth of a percent. */
    public static final BigDecimal STEP = new BigDecimal("0.1");

    public static final BigDecimal MOST_RISE = BigDecimal.valueOf(50);

    private static final int LISTED = 10;
    /** So many more of a thing are taken at most. */
    private static final int MOST_MORE = 50;

    /** @param at percent of a rise, or the amount delivery is free from @param kept of all orders */
    public record Point(BigDecimal at, BigDecimal kept) {}

    /** An order that leaves its seller less than today. @param by how much less it leaves, above zero */
    public record Loser(String name, BigDecimal before, BigDecimal after, BigDecimal by) {}

    /**
     * What was found.
     *
     * @param point where it was found, and what is kept there
     * @param othersPay how much more buyers outside of the zones pay
     * @param losers those that lose most, the worst first
     * @param lost how many orders could no longer be had
     */
    public record Found(Point point, BigDecimal othersPay, List<Loser> losers, int lost) {}

    private final Setup setup;
    private final Set<String> zones;
    private final List<KeptOrder> orders;
    private final BigDecimal today;
    private final Delivery free;

    /** @param zones ids of the delivery zones that are to be free */
    public DeliveryInPrice(Setup setup, Set<String> zones, List<KeptOrder> orders) {
        this.setup = setup;
        this.zones = Set.copyOf(zones);
        this.orders = List.copyOf(orders);
        this.today = sum(this.orders.stream()
                .map(order -> order.weighed(order.today().keep()))
                .toList());
        this.free = FreeDelivery.always(setup.delivery(), this.zones);
    }

    public List<KeptOrder> orders() {
        return orders;
    }

    /** What is kept of all of them today. */
    public BigDecimal today() {
        return today;
    }

    /** Free delivery in the zones, the very same at each rise, and prices raised. */
    public Setup risen(BigDecimal percent) {
        return delivering(raised(percent), free);
    }

    /** Prices raised, delivery as it is. */
    public Setup raised(BigDecimal percent) {
        return PriceRise.of(setup, percent);
    }

    /** Delivery free in the zones from an amount on. @param raised as {@link #raised} gave it */
    public Setup freeFrom(BigDecimal amount, Setup raised) {
        return delivering(raised, FreeDelivery.from(setup.delivery(), zones, amount));
    }

    private static Setup delivering(Setup setup, Delivery delivery) {
        return SetupBuilder.builder(setup).delivery(delivery).build();
    }

    /** Adds amounts up. */
    public static BigDecimal sum(List<BigDecimal> amounts) {
        return amounts.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** What a setup would do, at a point where it was found good enough. */
    public Found found(Point point, CompiledSetup other) {
        BigDecimal othersPay = BigDecimal.ZERO;
        int lost = 0;
        List<Loser> losers = new ArrayList<>();
        for (KeptOrder order : orders) {
            KeptOrder.Kept then = order.under(other);
            lost += then.had() ? 0 : 1;
            if (then.had() && order.zone().filter(zones::contains).isEmpty()) {
                othersPay = othersPay.add(
                        order.weighed(then.payable().subtract(order.today().payable())));
            }
            BigDecimal by = order.today().keep().subtract(then.keep());
            if (by.signum() > 0) {
                losers.add(new Loser(order.name(), order.today().keep(), then.keep(), by));
            }
        }
        losers.sort(Comparator.comparing(Loser::by).reversed());
        return new Found(point, othersPay, losers.stream().limit(LISTED).toList(), lost);
    }

    /**
     * An order between a threshold it reaches and one it does not.
     *
     * @param upTo the largest whole amount that, as the threshold, makes its delivery free; below zero where none does
     * @param free what is kept of it then, weighed
     * @param not what is kept of it where the threshold is above that
     * @param more of it with one, two … more of its cheapest thing, as long as that brings it within what is assumed
     */
    public record Reaching(BigDecimal upTo, BigDecimal free, BigDecimal not, List<Filled> more) {
        /** What is kept of it at a threshold. */
        BigDecimal at(BigDecimal threshold, FillUp fillUp) {
            if (upTo.compareTo(threshold) >= 0) {
                return free;
            }
            return threshold.compareTo(upTo.add(fillUp.distance())) > 0
                    ? not
                    : more.stream()
                            .filter(filled -> filled.upTo().compareTo(threshold) >= 0)
                            .findFirst()
                            .map(filled -> filled.free()
                                    .multiply(fillUp.share())
                                    .add(not.multiply(BigDecimal.ONE.subtract(fillUp.share()))))
                            .orElse(not);
        }
    }

    /** An order that was filled up. @param upTo as of {@link Reaching} @param free what is kept of it then, weighed */
    public record Filled(BigDecimal upTo, BigDecimal free) {}

    /**
     * Where an order's delivery stops being free as the threshold rises: it is free at each lower one, so halves do.
     *
     * @param above a whole amount above every order
     * @param at the setup free from an amount on
     */
    public static Reaching reaching(
            KeptOrder order, BigDecimal above, Function<BigDecimal, CompiledSetup> at, FillUp fillUp) {
        Reaching plain = reaching(order, above, at);
        if (fillUp.nobody() || plain.upTo().signum() < 0) {
            return plain;
        }
        List<Filled> more = new ArrayList<>();
        BigDecimal wanted = plain.upTo().add(fillUp.distance());
        BigDecimal reached = plain.upTo();
        CompiledSetup free = at.apply(BigDecimal.ZERO);
        for (int units = 1; units <= MOST_MORE && reached.compareTo(wanted) < 0; units++) {
            Optional<Reaching> filled = order.withMore(free, units)
                    .map(each -> reaching(each, above.add(fillUp.distance()).multiply(BigDecimal.valueOf(2)), at))
                    .filter(each -> each.upTo().signum() >= 0);
            if (filled.isEmpty()) {
                break;
            }
            if (filled.get().upTo().compareTo(reached) > 0) {
                more.add(new Filled(filled.get().upTo(), filled.get().free()));
                reached = filled.get().upTo();
            }
        }
        return new Reaching(plain.upTo(), plain.free(), plain.not(), more);
    }

    private static Reaching reaching(KeptOrder order, BigDecimal above, Function<BigDecimal, CompiledSetup> at) {
        KeptOrder.Kept not = order.under(at.apply(above));
        KeptOrder.Kept free = order.under(at.apply(BigDecimal.ZERO));
        BigDecimal notKept = order.weighed(not.keep());
        BigDecimal freeKept = order.weighed(free.keep());
        if (free.equals(not)) {
            return new Reaching(BigDecimal.ONE.negate(), freeKept, notKept, List.of());
        }
        BigDecimal low = BigDecimal.ZERO;
        BigDecimal high = above;
        while (high.subtract(low).compareTo(BigDecimal.ONE) > 0) {
            BigDecimal middle = low.add(high).divideToIntegralValue(BigDecimal.valueOf(2));
            if (order.under(at.apply(middle)).equals(free)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return new Reaching(low, freeKept, notKept, List.of());
    }

    /** What is kept at each whole threshold at which that changes, from zero to above all of them. */
    public static List<Point> curve(List<Reaching> orders, BigDecimal above, FillUp fillUp) {
        Set<BigDecimal> at = new TreeSet<>();
        at.add(BigDecimal.ZERO);
        orders.stream().filter(order -> order.upTo().signum() >= 0).forEach(order -> {
            at.add(order.upTo().add(BigDecimal.ONE));
            order.more().forEach(filled -> at.add(filled.upTo().add(BigDecimal.ONE)));
            at.add(order.upTo()
                    .add(fillUp.distance())
                    .setScale(0, RoundingMode.FLOOR)
                    .add(BigDecimal.ONE));
        });
        at.add(above);
        return at.stream()
                .map(threshold -> new Point(
                        threshold,
                        sum(orders.stream()
                                .map(order -> order.at(threshold, fillUp))
                                .toList())))
                .toList();
    }

    /** The first point at which enough is kept. */
    public static Optional<Point> first(List<Point> points, BigDecimal enough) {
        return points.stream()
                .filter(point -> point.kept().compareTo(enough) >= 0)
                .findFirst();
    }
}
