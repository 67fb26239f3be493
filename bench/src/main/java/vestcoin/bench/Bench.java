package vestcoin.bench;

import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.Options;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the benchmarks and prints one table, as Markdown. */
public final class Bench {
    private static final String[] TIMES = {"1", "10", "100"};

    private final Map<String, Double> scores = new TreeMap<>();

    private Bench() {}

    public static void main(String[] arguments) throws RunnerException {
        Bench bench = new Bench();
        bench.run("totals|order|orderTraced|byHand|byScan|reach|compile", TIMES);
        // Given the rules of the shop 100 times as large, the engine needs more memory than this machine has.
        bench.run("byRuleEngine", "1", "10");
        bench.print();
    }

    private void run(String benchmarks, String... times) throws RunnerException {
        Options options = new OptionsBuilder()
                .include("PricingBench\\.(" + benchmarks + ")$")
                .param("times", times)
                .jvmArgsAppend("-Xmx4g", "-XX:+UseSerialGC")
                .verbosity(VerboseMode.SILENT)
                .build();
        Collection<RunResult> results = new Runner(options).run();
        for (RunResult result : results) {
            String name = result.getParams().getBenchmark().replaceFirst(".*\\.", "");
            scores.put(
                    name + " " + result.getParams().getParam("times"),
                    result.getPrimaryResult().getScore());
        }
    }

    private void print() {
        System.out.printf(
                "%s %s, %s, one thread%n%n",
                System.getProperty("java.vm.name"), System.getProperty("java.version"), System.getProperty("os.arch"));
        row("", "shop × 1", "× 10", "× 100");
        row("---", "---:", "---:", "---:");
        times("totals alone, µs", "totals");
        times("a whole quote, no trace, µs", "order");
        times("a whole quote, traced, µs", "orderTraced");
        times("the arithmetic by hand, µs", "byHand");
        times("a linear scan, µs", "byScan");
        times("a rule engine, µs", "byRuleEngine");
        times("reach, 250 places × 10 baskets, ms", "reach");
        times("compiling, ms", "compile");
        System.out.println();
        row("ratio", "measured", "wanted");
        row("---", "---:", "---:");
        ratio("totals ÷ by hand, × 100", "totals 100", "byHand 100", "≤ 4");
        ratio("whole quote ÷ by hand, × 100", "order 100", "byHand 100", "≤ 6");
        ratio("whole quote ÷ rule engine, × 1", "order 1", "byRuleEngine 1", "≤ 1");
        ratio("shop × 100 ÷ shop × 1", "order 100", "order 1", "≤ 1.3");
        ratio("traced ÷ not traced, × 1", "orderTraced 1", "order 1", "≤ 1.5");
        ratio("linear scan ÷ order, × 100", "byScan 100", "order 100", "");
        row("reach, × 100", amount("reach 100") + " ms", "≤ 200 ms");
        row("compiling, × 100", amount("compile 100") + " ms", "≤ 300 ms");
    }

    private void times(String what, String name) {
        row(what, amount(name + " 1"), amount(name + " 10"), amount(name + " 100"));
    }

    private void ratio(String what, String above, String below, String wanted) {
        row(what, String.format(Locale.ROOT, "%.2f", scores.get(above) / scores.get(below)), wanted);
    }

    private String amount(String name) {
        Double score = scores.get(name);
        return score == null ? "–" : String.format(Locale.ROOT, "%.1f", score);
    }

    private static void row(String... cells) {
        System.out.println("| " + String.join(" | ", cells) + " |");
    }
}
