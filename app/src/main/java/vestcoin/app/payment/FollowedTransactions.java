package vestcoin.app.payment;

import java.util.ArrayDeque;
import java.util.Deque;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;

/**
 * Transactions with work that follows them: done by the same thread, before whoever asked goes on, but only when the
 * connection is back. What a listener does at once after a commit holds one connection and waits for a second: as many
 * buyers at one moment as there are connections would wait for one another.
 */
@Component
public class FollowedTransactions extends JdbcTransactionManager {
    /** Place of listeners that hand something over: before those who tell of it. */
    public static final int HANDOVER = 0;

    private static final Logger LOG = LoggerFactory.getLogger(FollowedTransactions.class);

    /** What the transactions of one thread leave behind. */
    private static final class Thread {
        private final Deque<Runnable> following = new ArrayDeque<>();
        private int open;
        private boolean busy;
    }

    private final transient ThreadLocal<Thread> threads = ThreadLocal.withInitial(Thread::new);

    FollowedTransactions(DataSource source) {
        super(source);
    }

    /**
     * Does something after the transaction that runs, at once where none does. What fails is noted and undoes nothing:
     * it has to be owed in the {@link Outbox}, or looked for now and then.
     */
    public void afterwards(Runnable work) {
        Thread thread = threads.get();
        thread.following.add(work);
        follow(thread);
    }

    @Override
    protected void doBegin(Object transaction, org.springframework.transaction.TransactionDefinition definition) {
        super.doBegin(transaction, definition);
        threads.get().open++;
    }

    @Override
    protected void doCleanupAfterCompletion(Object transaction) {
        super.doCleanupAfterCompletion(transaction);
        Thread thread = threads.get();
        thread.open--;
        follow(thread);
    }

    private void follow(Thread thread) {
        if (thread.open > 0 || thread.busy) {
            return;
        }
        thread.busy = true;
        try {
            for (Runnable work = thread.following.poll(); work != null; work = thread.following.poll()) {
                try {
                    work.run();
                } catch (RuntimeException e) {
                    LOG.warn("what follows a change is made good later: {}", e.toString());
                }
            }
        } finally {
            thread.busy = false;
            threads.remove();
        }
    }
}
