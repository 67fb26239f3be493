package vestcoin.core.rehearsal;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/**
 * Sample orders that meet every pair of values that can occur together (of zone, way of delivery, tax category, group,
 * currency, buyer and way to pay), then the edges of rates and discounts, as few as are found by taking, for each pair
 * that is not met yet, the order that meets most others with it. The same setup gives the same set.
 */
public final class CoveringSet {
    /** How many orders there are at most where nothing else is said. */
    public static final int USUAL_MOST = 200;

    /** So many orders are tried for a pair before it is said that it cannot be reached. */
    private static final int TRIES = 4000;

    /** Of those that meet a pair so many are looked at for what else they meet. */
    private static final int CHOSEN_FROM = 24;

    /** Two values that can stand together in an order. @param first and second as the seller calls them */
    public record Pair(Factor one, String first, Factor other, String second) {}

    /**
     * What was found.
     *
     * @param baskets the sample orders, those for pairs first
     * @param pairs how many pairs they meet
     * @param edges how many edges they stand at
     * @param unreachable pairs no order was found for
     * @param unreachableEdges fields whose edge no order was found for
     * @param leftPairs pairs the bound left out
     * @param leftEdges edges the bound left out
     */
    public record Found(
            List<SampleOrder> baskets,
            int pairs,
            int edges,
            List<Pair> unreachable,
            List<String> unreachableEdges,
            List<Pair> leftPairs,
            List<String> leftEdges) {}

    private record Goal(int one, int first, int other, int second) {}

    private final Combinations combinations;
    private final int most;
    private final Map<List<Integer>, Boolean> tried = new HashMap<>();
    private final Set<Goal> met = new HashSet<>();
    /** Pairs no order was found for: none that holds one needs to be tried. */
    private final Set<Goal> unreachable = new LinkedHashSet<>();

    private final Map<List<Integer>, SampleOrder> chosen = new LinkedHashMap<>();

    private CoveringSet(Combinations combinations, int most) {
        this.combinations = combinations;
        this.most = most;
    }

    /** @param most orders at most, above zero */
    public static Found of(Combinations combinations, int most) {
        return new CoveringSet(combinations, most).found();
    }

    private Found found() {
        Set<Goal> left = new LinkedHashSet<>();
        List<Goal> goals = goals();
        for (Goal goal : goals) {
            if (met.contains(goal)) {
                continue;
            }
            Optional<List<Integer>> best = best(goal);
            if (best.isEmpty()) {
                unreachable.add(goal);
            } else if (chosen.size() >= most) {
                left.add(goal);
            } else {
                take(best.get());
            }
        }
        int pairs = (int) goals.stream().filter(met::contains).count();
        List<SampleOrder> baskets = new ArrayList<>(chosen.values());
        List<String> unreachableEdges = new ArrayList<>();
        List<String> leftEdges = new ArrayList<>();
        int edges = 0;
        for (Combinations.Edge edge : combinations.edges()) {
            if (edge.orders().isEmpty()) {
                unreachableEdges.add(edge.name());
            } else if (baskets.size() + edge.orders().size() > most) {
                leftEdges.add(edge.name());
            } else {
                baskets.addAll(edge.orders());
                edges++;
            }
        }
        return new Found(
                baskets,
                pairs,
                edges,
                unreachable.stream().map(this::named).toList(),
                unreachableEdges,
                left.stream()
                        .filter(goal -> !met.contains(goal))
                        .map(this::named)
                        .toList(),
                leftEdges);
    }

    private Pair named(Goal goal) {
        return new Pair(
                Factor.values()[goal.one()],
                combinations.name(goal.one(), goal.first()),
                Factor.values()[goal.other()],
                combinations.name(goal.other(), goal.second()));
    }

    /** Every pair of values of two factors. */
    private List<Goal> goals() {
        List<Goal> goals = new ArrayList<>();
        int factors = Factor.values().length;
        for (int one = 0; one < factors; one++) {
            for (int other = one + 1; other < factors; other++) {
                for (int first = 0; first < combinations.size(one); first++) {
                    for (int second = 0; second < combinations.size(other); second++) {
                        goals.add(new Goal(one, first, other, second));
                    }
                }
            }
        }
        return goals;
    }

    /** Of the orders that meet a pair the one that meets most others that are not met yet. */
    private Optional<List<Integer>> best(Goal goal) {
        List<Integer> best = null;
        long most = -1;
        int valid = 0;
        for (List<Integer> each : (Iterable<List<Integer>>) completed(goal)::iterator) {
            if (goals(each).anyMatch(unreachable::contains) || !tried.computeIfAbsent(each, combinations::canBe)) {
                continue;
            }
            long fresh = goals(each).filter(other -> !met.contains(other)).count();
            if (fresh > most) {
                best = each;
                most = fresh;
            }
            if (++valid == CHOSEN_FROM) {
                break;
            }
        }
        return Optional.ofNullable(best);
    }

    private void take(List<Integer> values) {
        chosen.put(values, combinations.order(values, chosen.size() + 1));
        goals(values).forEach(met::add);
    }

    private Stream<Goal> goals(List<Integer> values) {
        List<Goal> goals = new ArrayList<>();
        for (int one = 0; one < values.size(); one++) {
            for (int other = one + 1; other < values.size(); other++) {
                goals.add(new Goal(one, values.get(one), other, values.get(other)));
            }
        }
        return goals.stream();
    }

    /**
     * Orders with a pair, the other values in an order that spreads over all of them: a step that shares no divisor
     * with their number visits each once.
     */
    private Stream<List<Integer>> completed(Goal goal) {
        int factors = Factor.values().length;
        long all = 1;
        for (int at = 0; at < factors; at++) {
            all *= at == goal.one() || at == goal.other() ? 1 : combinations.size(at);
        }
        long count = all;
        long step = step(count);
        return Stream.iterate(0L, turn -> turn + 1)
                .limit(Math.min(count, TRIES))
                .map(turn -> Math.floorMod(turn * step, count))
                .map(number -> values(goal, number));
    }

    private List<Integer> values(Goal goal, long number) {
        List<Integer> values = new ArrayList<>();
        long rest = number;
        for (int at = 0; at < Factor.values().length; at++) {
            if (at == goal.one()) {
                values.add(goal.first());
            } else if (at == goal.other()) {
                values.add(goal.second());
            } else {
                values.add((int) (rest % combinations.size(at)));
                rest /= combinations.size(at);
            }
        }
        return values;
    }

    private static long step(long count) {
        long step = Math.max(1, (long) (count * 0.618));
        while (BigDecimal.valueOf(step)
                        .toBigInteger()
                        .gcd(BigDecimal.valueOf(count).toBigInteger())
                        .longValue()
                > 1) {
            step++;
        }
        return step;
    }
}
