package vestcoin.app.run.storage;

import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.h2.engine.SessionLocal;

/**
 * Lets statements that write into the database, all at once, and shuts it for a checkpoint, which waits until nothing
 * of the database is being changed. One who waits for a row another transaction holds changes nothing, and is not
 * waited for: the other's next statement would wait at the gate.
 */
final class WriteGate {
    /** Statements that take longer are not waited for: all others stand still meanwhile. */
    private static final long PATIENCE_NANOS = TimeUnit.MILLISECONDS.toNanos(500);

    private static final long MILLIS_BETWEEN_LOOKS = 1;
    /** Looks at which all that write have to wait for a row: at one look somebody may just have been woken. */
    private static final int LOOKS = 2;

    private final Set<SessionLocal> writing = new HashSet<>();
    private boolean shut;

    /** Returns when whoever writes may. */
    synchronized void enter(SessionLocal session) {
        boolean interrupted = false;
        while (shut) {
            interrupted |= waited(0);
        }
        writing.add(session);
        again(interrupted);
    }

    synchronized void leave(SessionLocal session) {
        writing.remove(session);
        if (shut && writing.isEmpty()) {
            notifyAll();
        }
    }

    /** Lets nobody in any more. @return whether nobody changes anything; false where somebody took too long */
    synchronized boolean shut() {
        shut = true;
        long began = System.nanoTime();
        boolean interrupted = false;
        int still = 0;
        while (!writing.isEmpty() && still < LOOKS && System.nanoTime() - began < PATIENCE_NANOS) {
            interrupted |= waited(MILLIS_BETWEEN_LOOKS);
            still = writing.stream().allMatch(WriteGate::waits) ? still + 1 : 0;
        }
        again(interrupted);
        return writing.isEmpty() || still >= LOOKS;
    }

    synchronized void open() {
        shut = false;
        notifyAll();
    }

    /** Whether it waits for a row. */
    private static boolean waits(SessionLocal session) {
        return session.getBlockingSessionId() != 0;
    }

    /** @return whether the thread was interrupted meanwhile, which does not end the waiting */
    private boolean waited(long millis) {
        try {
            wait(millis);
            return false;
        } catch (InterruptedException e) {
            return true;
        }
    }

    private static void again(boolean interrupted) {
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
