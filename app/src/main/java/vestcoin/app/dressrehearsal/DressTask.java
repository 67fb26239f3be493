package vestcoin.app.dressrehearsal;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ForkJoinPool;
import vestcoin.app.rehearsal.BackgroundWork;
import vestcoin.app.setup.Document;

/** A dress rehearsal: cell by cell, order by order, the letters last. */
final class DressTask implements BackgroundWork.Task {
    private static final Duration LETTERS_TAKE = Duration.ofSeconds(15);
    private static final long PAUSE_MILLIS = 100;

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
        return awaitLetters();
    }

    private boolean awaitLetters() {
        if (lettersAwaited == 0) {
            lettersAwaited = System.nanoTime();
        }
        boolean late = System.nanoTime() - lettersAwaited > LETTERS_TAKE.toNanos();
        // Asked outside of what holds up whoever looks.
        Map<OrderWalk.Walk, WalkStep> decided = new HashMap<>();
        withoutLetters.forEach(walk -> walking.letters(stage, walk, late).ifPresent(step -> decided.put(walk, step)));
        synchronized (seen) {
            decided.forEach(OrderWalk.Walk::add);
            withoutLetters.removeAll(decided.keySet());
        }
        boolean more = !withoutLetters.isEmpty();
        if (more) {
            try {
                Thread.sleep(PAUSE_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
        return more;
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

    /** What became of the orders so far. */
    List<PracticeOrder> orders() {
        synchronized (seen) {
            return walks.stream()
                    .map(walk -> walk.seen(!withoutLetters.contains(walk)))
                    .toList();
        }
    }
}
