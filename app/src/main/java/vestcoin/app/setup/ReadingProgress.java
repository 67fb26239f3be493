package vestcoin.app.setup;

import java.util.concurrent.atomic.AtomicInteger;

/** How far a long file has been looked at, seen and stopped from elsewhere. */
final class ReadingProgress {
    private final AtomicInteger done = new AtomicInteger();
    private volatile int rows;
    private volatile boolean stopped;

    /** Somebody stopped it; nothing was written. */
    static final class Stopped extends RuntimeException {
        Stopped() {
            super("stopped");
        }
    }

    void of(int all) {
        rows = all;
    }

    /** One row more. @throws Stopped if somebody stopped it */
    void one() {
        if (stopped) {
            throw new Stopped();
        }
        done.incrementAndGet();
    }

    void stop() {
        stopped = true;
    }

    /** Rows looked at, of how many; none of none while the file is still being taken apart. */
    Progress progress() {
        return new Progress(done.get(), rows);
    }

    record Progress(int done, int rows) {}
}
