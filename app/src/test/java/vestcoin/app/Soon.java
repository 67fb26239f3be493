package vestcoin.app;

import java.util.concurrent.TimeUnit;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;

/** Waits for what the application does of its own accord, and says what was wrong last when it does not come. */
public final class Soon {
    private static final int SECONDS = 20;
    private static final int BETWEEN_MILLIS = 50;

    private Soon() {}

    /** Tries an assertion until it holds, 20 seconds at most. */
    public static void holds(ThrowingCallable assertion) throws InterruptedException {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        while (true) {
            try {
                assertion.call();
                return;
            } catch (AssertionError e) {
                if (System.nanoTime() > until) {
                    throw e;
                }
            } catch (RuntimeException | Error e) {
                throw e;
            } catch (Throwable e) {
                throw new AssertionError(e);
            }
            Thread.sleep(BETWEEN_MILLIS);
        }
    }
}
