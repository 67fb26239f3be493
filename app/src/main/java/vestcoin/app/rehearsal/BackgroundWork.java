package vestcoin.app.rehearsal;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Work that takes longer than a blink, done beside everything else: one at a time for each person, with its progress,
 * stopped between two steps, and gone on with when the same is asked for again.
 */
@Component
public class BackgroundWork {
    private static final Logger LOG = LoggerFactory.getLogger(BackgroundWork.class);

    /** What is done step by step, and keeps what it has come to. */
    public interface Task {
        /** Does the next step. @return whether another one is left */
        boolean step(ForkJoinPool pool);
    }

    public enum State {
        RUNNING,
        DONE,
        STOPPED,
        FAILED
    }

    /** One piece of work. @param <T> what is done */
    public static final class Job<T extends Task> {
        private final String shop;
        private final String key;
        private final T task;
        private volatile boolean stopping;
        private volatile State state = State.RUNNING;

        private Job(String shop, String key, T task) {
            this.shop = shop;
            this.key = key;
            this.task = task;
        }

        public T task() {
            return task;
        }

        public State state() {
            return stopping && state == State.RUNNING ? State.STOPPED : state;
        }

        private void run(ForkJoinPool pool) {
            try {
                boolean more = true;
                while (more && !stopping) {
                    more = task.step(pool);
                }
                state = more ? State.STOPPED : State.DONE;
            } catch (RuntimeException e) {
                if (pool.isShutdown()) {
                    // The application is being closed.
                    state = State.STOPPED;
                    return;
                }
                LOG.error("work beside was broken off", e);
                state = State.FAILED;
            }
        }
    }

    private final ExecutorService runs = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "rehearsal");
        thread.setDaemon(true);
        return thread;
    });
    private final ForkJoinPool pool = new ForkJoinPool(Runtime.getRuntime().availableProcessors());
    private final Map<String, Job<?>> jobs = new ConcurrentHashMap<>();

    /**
     * The work of a person for a shop under a key: what is done already or under way, what was stopped gone on with,
     * else begun anew. What else they had under way stops.
     */
    @SuppressWarnings("unchecked")
    public <T extends Task> Job<T> start(String person, String shop, String key, Supplier<T> task) {
        Job<?> now = jobs.compute(person, (who, before) -> {
            if (before != null
                    && before.shop.equals(shop)
                    && before.key.equals(key)
                    && before.state() != State.FAILED) {
                if (before.state() != State.STOPPED) {
                    return before;
                }
                return begin(new Job<>(shop, key, before.task));
            }
            if (before != null) {
                before.stopping = true;
            }
            return begin(new Job<>(shop, key, task.get()));
        });
        return (Job<T>) now;
    }

    private <T extends Task> Job<T> begin(Job<T> job) {
        runs.execute(() -> {
            // Two runs of one task, the stopped and the next, never step together.
            synchronized (job.task) {
                job.run(pool);
            }
        });
        return job;
    }

    /** What a person had done last, if it is of that shop and kind. */
    public <T extends Task> Optional<Job<T>> of(String person, String shop, Class<T> kind) {
        Job<?> job = jobs.get(person);
        if (job == null || !job.shop.equals(shop) || !kind.isInstance(job.task)) {
            return Optional.empty();
        }
        @SuppressWarnings("unchecked")
        Job<T> found = (Job<T>) job;
        return Optional.of(found);
    }

    /** Who has such work under way for a shop. */
    public <T extends Task> Optional<String> who(String shop, Class<T> kind) {
        return jobs.entrySet().stream()
                .filter(each -> each.getValue().shop.equals(shop)
                        && kind.isInstance(each.getValue().task)
                        && each.getValue().state() == State.RUNNING)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** Stops what a person has under way of a shop and a kind, before its next step. Other work of theirs goes on. */
    public <T extends Task> void stop(String person, String shop, Class<T> kind) {
        of(person, shop, kind).ifPresent(job -> job.stopping = true);
    }

    @PreDestroy
    void close() {
        jobs.values().forEach(job -> job.stopping = true);
        runs.shutdownNow();
        pool.shutdownNow();
    }
}
