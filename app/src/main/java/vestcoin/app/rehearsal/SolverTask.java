package vestcoin.app.rehearsal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Function;
import java.util.stream.IntStream;
import vestcoin.core.compare.DeliveryInPrice;
import vestcoin.core.compare.DeliveryInPrice.Found;
import vestcoin.core.compare.DeliveryInPrice.Point;
import vestcoin.core.compare.DeliveryInPrice.Reaching;
import vestcoin.core.compare.FillUp;
import vestcoin.core.compare.KeptOrder;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

/** Seeks a rise of prices, or a threshold of free delivery, step by step. */
abstract sealed class SolverTask implements BackgroundWork.Task {
    final DeliveryInPrice problem;
    final List<Point> curve = new ArrayList<>();
    Optional<Found> found = Optional.empty();

    private SolverTask(DeliveryInPrice problem) {
        this.problem = problem;
    }

    /** @param total how many steps there are */
    record Progress(int done, int total, List<Point> curve, Optional<Found> found) {}

    abstract int done();

    abstract int total();

    /** What has to be kept. */
    abstract BigDecimal enough();

    synchronized Progress progress() {
        return new Progress(done(), total(), List.copyOf(curve), found);
    }

    DeliveryInPrice problem() {
        return problem;
    }

    /** The setup at what was found. */
    abstract Setup at(Point point);

    static <I, O> List<O> each(ForkJoinPool pool, List<I> all, Function<I, O> work) {
        return pool.submit(() -> all.parallelStream().map(work).toList()).join();
    }

    /** Every rise is tried, as what is kept need not rise with it; of few orders, several rises in one step. */
    static final class Rise extends SolverTask {
        /** How often an order is priced in a step, where there are no more of them. */
        private static final int PRICED = 400;

        /** An order at a rise. */
        private record RisenOrder(KeptOrder order, CompiledSetup risen) {
            BigDecimal kept() {
                return order.weighed(order.under(risen).keep());
            }
        }

        /** Free delivery without a rise: all further setups have their delivery from it. */
        private final CompiledSetup free;

        private final int rises;

        Rise(DeliveryInPrice problem, CompiledSetup now) {
            super(problem);
            this.free = CompiledSetup.of(problem.risen(BigDecimal.ZERO), now);
            this.rises = Math.max(1, PRICED / Math.max(1, problem.orders().size()));
        }

        @Override
        public boolean step(ForkJoinPool pool) {
            List<BigDecimal> next = IntStream.range(curve.size(), Math.min(total(), curve.size() + rises))
                    .mapToObj(step -> DeliveryInPrice.STEP.multiply(BigDecimal.valueOf(step)))
                    .toList();
            List<CompiledSetup> risen = each(pool, next, rise -> CompiledSetup.of(problem.risen(rise), free));
            List<RisenOrder> tried = risen.stream()
                    .flatMap(at -> problem.orders().stream().map(order -> new RisenOrder(order, at)))
                    .toList();
            List<BigDecimal> kept = each(pool, tried, RisenOrder::kept);
            int orders = problem.orders().size();
            for (int i = 0; i < risen.size(); i++) {
                add(
                        new Point(next.get(i), DeliveryInPrice.sum(kept.subList(i * orders, (i + 1) * orders))),
                        risen.get(i));
            }
            return curve.size() < total();
        }

        private void add(Point point, CompiledSetup risen) {
            Optional<Found> here = found.isEmpty() && point.kept().compareTo(enough()) >= 0
                    ? Optional.of(problem.found(point, risen))
                    : Optional.empty();
            synchronized (this) {
                curve.add(point);
                found = found.or(() -> here);
            }
        }

        @Override
        int done() {
            return curve.size();
        }

        @Override
        int total() {
            return DeliveryInPrice.MOST_RISE
                            .divideToIntegralValue(DeliveryInPrice.STEP)
                            .intValue()
                    + 1;
        }

        @Override
        BigDecimal enough() {
            return problem.today();
        }

        @Override
        Setup at(Point point) {
            return problem.risen(point.at());
        }
    }

    /** Of every order it is found where its delivery stops being free; then all thresholds are known. */
    static final class Threshold extends SolverTask {
        private static final int KEPT = 200;
        /** So many orders are looked at in a step. */
        private static final int ORDERS = 40;

        private final Setup raised;
        private final CompiledSetup compiled;
        private final BigDecimal loss;
        private final FillUp fillUp;
        private final BigDecimal above;
        private final List<Reaching> reaching = new ArrayList<>();
        private final Cache<BigDecimal, CompiledSetup> thresholds =
                Caffeine.newBuilder().maximumSize(KEPT).build();

        /**
         * @param rise of prices besides, in percent
         * @param loss that all of the orders together may come to
         * @param fillUp what orders are assumed to do that fall a little short
         */
        Threshold(DeliveryInPrice problem, CompiledSetup now, BigDecimal rise, BigDecimal loss, FillUp fillUp) {
            super(problem);
            this.fillUp = fillUp;
            this.raised = problem.raised(rise);
            this.compiled = CompiledSetup.of(raised, now);
            this.loss = loss;
            BigDecimal dearest = problem.orders().stream()
                    .map(order -> order.today().payable())
                    .max(BigDecimal::compareTo)
                    .orElse(BigDecimal.ZERO);
            // What is payable may have tax on top and stands after discounts; goods are never worth more than twice it.
            this.above =
                    dearest.add(BigDecimal.ONE).multiply(BigDecimal.valueOf(3)).setScale(0, RoundingMode.CEILING);
        }

        private CompiledSetup from(BigDecimal amount) {
            return thresholds.get(amount, at -> CompiledSetup.of(problem.freeFrom(at, raised), compiled));
        }

        @Override
        public boolean step(ForkJoinPool pool) {
            List<KeptOrder> some = problem.orders()
                    .subList(reaching.size(), Math.min(problem.orders().size(), reaching.size() + ORDERS));
            List<Reaching> found =
                    each(pool, some, order -> DeliveryInPrice.reaching(order, above, this::from, fillUp));
            synchronized (this) {
                reaching.addAll(found);
            }
            if (reaching.size() < problem.orders().size()) {
                return true;
            }
            List<Point> whole = DeliveryInPrice.curve(reaching, above, fillUp);
            Optional<Found> first =
                    DeliveryInPrice.first(whole, enough()).map(point -> problem.found(point, from(point.at())));
            synchronized (this) {
                curve.addAll(whole);
                this.found = first;
            }
            return false;
        }

        @Override
        int done() {
            return reaching.size();
        }

        @Override
        int total() {
            return problem.orders().size();
        }

        @Override
        BigDecimal enough() {
            return problem.today().subtract(loss);
        }

        @Override
        Setup at(Point point) {
            return problem.freeFrom(point.at(), raised);
        }
    }
}
