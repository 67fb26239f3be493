package vestcoin.app.payment;

import java.util.ArrayDeque;
import java.util.Deque;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;

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
    private static final class Pending {
        private final Deque<Runnable> following = new ArrayDeque<>();
        private int open;
        private boolean busy;
    }

    private final transient ThreadLocal<Pending> threads = ThreadLocal.withInitial(Pending::new);

    FollowedTransactions(DataSource source) {
        super(source);
    }

    /**
     * Does something after the transaction that runs, at once where none does. What fails is noted and undoes nothing:
     * it has to be owed in the {@link Outbox}, or looked for now and then.
     */
    public void afterwards(Runnable work) {
        Pending pending = threads.get();
        pending.following.add(work);
        follow(pending);
    }

    /** Does several changes one after the other, each committed; what follows any of them waits for the last. */
    public void together(Runnable changes) {
        Pending pending = threads.get();
        pending.open++;
        try {
            changes.run();
        } finally {
            pending.open--;
            follow(pending);
        }
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        super.doBegin(transaction, definition);
        threads.get().open++;
    }

    @Override
    protected void doCleanupAfterCompletion(Object transaction) {
        super.doCleanupAfterCompletion(transaction);
        Pending pending = threads.get();
        pending.open--;
        follow(pending);
    }

    private void follow(Pending pending) {
        if (pending.open > 0 || pending.busy) {
            return;
        }
        pending.busy = true;
        try {
            for (Runnable work = pending.following.poll(); work != null; work = pending.following.poll()) {
                try {
                    work.run();
                } catch (RuntimeException e) {
                    LOG.warn("what follows a change is made good later: {}", e.toString());
                }
            }
        } finally {
            pending.busy = false;
            threads.remove();
        }
    }
}
