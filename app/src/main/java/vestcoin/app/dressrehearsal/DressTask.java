package vestcoin.app.dressrehearsal;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ForkJoinPool;
import vestcoin.app.rehearsal.BackgroundWork;
import vestcoin.app.setup.Document;

/** A dress rehearsal: cell by cell, order by order, the letters of some orders at a time behind them. */
final class DressTask implements BackgroundWork.Task {
    private static final Duration LETTERS_TAKE = Duration.ofSeconds(15);
    /**
     * Where the shop's mail cannot leave and the first have not come in their time, the others need not be waited for.
     */
    private static final Duration LETTERS_TAKE_THEN = Duration.ofSeconds(2);
    /** Before more are placed: letters leave one after the other. */
    private static final int MOST_WITHOUT_LETTERS = 60;

    private static final int MOST_NAMED = 12;
    private static final long PAUSE_MILLIS = 100;

    /**
     * What failed, once for all the orders it happened to.
     *
     * @param orders how many these are
     * @param numbers of the first of them that were placed
     */
    record Failure(WalkStep step, int orders, List<Integer> numbers) {}

    /**
     * What became of the orders so far.
     *
     * @param tried how many could be had at all
     * @param failed how many failed at a step
     * @param listed how many could be shown
     * @param orders some of them, in the order in which they were walked
     */
    record Walked(int tried, int failed, List<Failure> failures, int listed, List<PracticeOrder> orders) {}

    private final String key;
    private final String shop;
    private final Document draft;
    private final String author;
    private final OrderWalk walking;
    /** Held while what is seen of it changes or is looked at; the task itself is held by who works on it. */
    private final Object seen = new Object();

    private final int cells;
    private final Deque<OrderWalk.Cell> left;
    private final Deque<OrderWalk.Planned> next = new ArrayDeque<>();
    private final List<OrderWalk.Walk> walks = new ArrayList<>();
    private final Set<OrderWalk.Walk> withoutLetters = new LinkedHashSet<>();
    private RehearsalStage.Stage stage;
    private long lettersAwaited;
    private Duration patience = LETTERS_TAKE;

    /** @param key by which it is begun */
    DressTask(String key, String shop, Document draft, String author, List<OrderWalk.Cell> cells, OrderWalk walking) {
        this.key = key;
        this.shop = shop;
        this.draft = draft;
        this.author = author;
        this.walking = walking;
        this.cells = cells.size();
        this.left = new ArrayDeque<>(cells);
    }

    @Override
    public boolean step(ForkJoinPool pool) {
        if (stage == null) {
            RehearsalStage.Stage set = walking.stage(shop, draft, author);
            synchronized (seen) {
                stage = set;
            }
            return true;
        }
        if (withoutLetters.size() >= MOST_WITHOUT_LETTERS) {
            return awaitLetters();
        }
        if (!next.isEmpty()) {
            OrderWalk.Walk walk = walking.walk(shop, stage, next.peek(), author);
            synchronized (seen) {
                next.pop();
                walks.add(walk);
                if (walk.placed()) {
                    withoutLetters.add(walk);
                }
            }
            return true;
        }
        if (!left.isEmpty()) {
            List<OrderWalk.Planned> planned = walking.planned(stage, left.peek());
            synchronized (seen) {
                left.pop();
                next.addAll(planned);
            }
            return true;
        }
        return !withoutLetters.isEmpty() && awaitLetters();
    }

    private boolean awaitLetters() {
        if (lettersAwaited == 0) {
            lettersAwaited = System.nanoTime();
        }
        boolean late = System.nanoTime() - lettersAwaited > patience.toNanos();
        // Asked outside of what holds up whoever looks.
        Map<OrderWalk.Walk, WalkStep> decided = new HashMap<>();
        withoutLetters.forEach(walk -> walking.letters(stage, walk, late).ifPresent(step -> decided.put(walk, step)));
        synchronized (seen) {
            decided.forEach(OrderWalk.Walk::add);
            withoutLetters.removeAll(decided.keySet());
        }
        if (late && stage.mail().isPresent()) {
            patience = LETTERS_TAKE_THEN;
        }
        if (!decided.isEmpty()) {
            lettersAwaited = 0;
            return true;
        }
        try {
            Thread.sleep(PAUSE_MILLIS);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    String key() {
        return key;
    }

    Document draft() {
        return draft;
    }

    int cells() {
        return cells;
    }

    /** How many cells are behind it. */
    int done() {
        synchronized (seen) {
            return cells - left.size() - (next.isEmpty() ? 0 : 1);
        }
    }

    /** The shop it is held in, once that is there. */
    Optional<String> rehearsal() {
        synchronized (seen) {
            return Optional.ofNullable(stage).map(set -> set.edition().shop());
        }
    }

    /**
     * @param from how many are left out before those that are shown @param onlyFailed whether the others are left out
     */
    Walked seen(int from, int most, boolean onlyFailed) {
        synchronized (seen) {
            List<OrderWalk.Walk> failed =
                    walks.stream().filter(walk -> !walk.failed().isEmpty()).toList();
            List<OrderWalk.Walk> listed = onlyFailed ? failed : walks;
            return new Walked(
                    (int) walks.stream().filter(walk -> !walk.hole()).count(),
                    failed.size(),
                    failures(failed),
                    listed.size(),
                    listed.stream()
                            .skip(from)
                            .limit(most)
                            .map(walk -> walk.seen(!withoutLetters.contains(walk)))
                            .toList());
        }
    }

    private static List<Failure> failures(List<OrderWalk.Walk> failed) {
        Map<WalkStep, List<OrderWalk.Walk>> by = new LinkedHashMap<>();
        failed.forEach(walk -> walk.failed().forEach(step -> by.computeIfAbsent(step, same -> new ArrayList<>())
                .add(walk)));
        return by.entrySet().stream()
                .map(each -> new Failure(
                        each.getKey(),
                        each.getValue().size(),
                        each.getValue().stream()
                                .flatMap(walk -> walk.number().stream())
                                .limit(MOST_NAMED)
                                .toList()))
                .toList();
    }
}
