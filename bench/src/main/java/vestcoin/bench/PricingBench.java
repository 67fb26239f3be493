package vestcoin.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.reach.Reach;
import vestcoin.core.setup.CompiledSetup;

/** The times of the main job, warm: whole orders touch so much code that the compiler needs half a minute for it. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 1)
@Measurement(iterations = 5, time = 1)
public class PricingBench {
    @State(Scope.Benchmark)
    public static class Shop {
        @Param({"1", "10", "100"})
        public int times;

        vestcoin.core.setup.Setup setup;
        CompiledSetup compiled;
        Order order;
        List<Order> baskets;
        List<Destination> places;

        @Setup(Level.Trial)
        public void make() {
            setup = OrdinaryShop.of(times);
            compiled = CompiledSetup.of(setup);
            order = OrdinaryShop.order();
            baskets = OrdinaryShop.baskets();
            places = OrdinaryShop.places();
        }
    }

    /** The baselines of the same shop. */
    @State(Scope.Benchmark)
    public static class Baselines {
        ByHand hand;
        ByScan scan;
        Order order;

        @Setup(Level.Trial)
        public void make(Shop shop) {
            order = shop.order;
            hand = new ByHand(shop.setup, shop.order);
            scan = new ByScan(shop.setup);
        }
    }

    /** The rule engine, which takes long to be given its rules. */
    @State(Scope.Benchmark)
    public static class Engine {
        ByRuleEngine engine;

        @Setup(Level.Trial)
        public void make(Shop shop) {
            engine = new ByRuleEngine(shop.setup);
        }
    }

    /** What is to be paid and what it is made of, and nothing else of the quote. */
    @Benchmark
    @Warmup(iterations = 10, time = 3)
    public Quote totals(Shop shop) {
        return Pricing.priceUntraced(shop.compiled, shop.order);
    }

    /** Every part of the quote. */
    @Benchmark
    @Warmup(iterations = 10, time = 3)
    public void order(Shop shop, Blackhole hole) {
        read(Pricing.priceUntraced(shop.compiled, shop.order), hole);
    }

    @Benchmark
    @Warmup(iterations = 10, time = 3)
    public void orderTraced(Shop shop, Blackhole hole) {
        read(Pricing.price(shop.compiled, shop.order), hole);
    }

    private static void read(Quote quote, Blackhole hole) {
        hole.consume(quote.offers());
        hole.consume(quote.methods());
        hole.consume(quote.sent().distances());
        hole.consume(quote.sent().slots());
        hole.consume(quote.notApplied());
        hole.consume(quote.renewing());
        hole.consume(quote.left());
        hole.consume(quote.missing());
    }

    @Benchmark
    public Object byHand(Baselines baselines) {
        return baselines.hand.price();
    }

    @Benchmark
    public Object byScan(Baselines baselines) {
        return baselines.scan.price(baselines.order);
    }

    @Benchmark
    public Object byRuleEngine(Shop shop, Engine engine) {
        return engine.engine.price(shop.order);
    }

    /** 250 places × 10 baskets. */
    @Benchmark
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    @Warmup(iterations = 10, time = 3)
    public void reach(Shop shop, Blackhole hole) {
        for (Order basket : shop.baskets) {
            hole.consume(Reach.of(shop.compiled, basket, shop.places));
        }
    }

    @Benchmark
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    public CompiledSetup compile(Shop shop) {
        return CompiledSetup.of(shop.setup);
    }
}
