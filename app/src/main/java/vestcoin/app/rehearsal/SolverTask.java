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
    private static final int SLICE = 40;

    final DeliveryInPrice problem;
    final CompiledSetup now;
    final List<Point> curve = new ArrayList<>();
    Optional<Found> found = Optional.empty();

    private SolverTask(DeliveryInPrice problem, CompiledSetup now) {
        this.problem = problem;
        this.now = now;
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

    final CompiledSetup compiled(Setup setup) {
        return CompiledSetup.of(setup, now);
    }

    static <T> List<T> each(ForkJoinPool pool, List<KeptOrder> orders, Function<KeptOrder, T> work) {
        List<List<KeptOrder>> slices = new ArrayList<>();
        for (int from = 0; from < orders.size(); from += SLICE) {
            slices.add(orders.subList(from, Math.min(orders.size(), from + SLICE)));
        }
        return pool.submit(() -> slices.parallelStream()
                        .flatMap(slice -> slice.stream().map(work))
                        .toList())
                .join();
    }

    /** Every rise is tried, a step each: what is kept need not rise with it. */
    static final class Rise extends SolverTask {
        private BigDecimal next = BigDecimal.ZERO;

        Rise(DeliveryInPrice problem, CompiledSetup now) {
            super(problem, now);
        }

        @Override
        public boolean step(ForkJoinPool pool) {
            CompiledSetup risen = compiled(problem.risen(next));
            BigDecimal kept = DeliveryInPrice.sum(each(
                    pool,
                    problem.orders(),
                    order -> order.weighed(order.under(risen).keep())));
            Point point = new Point(next, kept);
            Optional<Found> here = found.isEmpty() && kept.compareTo(enough()) >= 0
                    ? Optional.of(problem.found(point, risen))
                    : Optional.empty();
            synchronized (this) {
                curve.add(point);
                found = found.or(() -> here);
            }
            next = next.add(DeliveryInPrice.STEP);
            return next.compareTo(DeliveryInPrice.MOST_RISE) <= 0;
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

        private final BigDecimal rise;
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
            super(problem, now);
            this.fillUp = fillUp;
            this.rise = rise;
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
            return thresholds.get(amount, at -> compiled(problem.freeFrom(at, rise)));
        }

        @Override
        public boolean step(ForkJoinPool pool) {
            List<KeptOrder> some = problem.orders()
                    .subList(reaching.size(), Math.min(problem.orders().size(), reaching.size() + SLICE));
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
            return problem.freeFrom(point.at(), rise);
        }
    }
}
