package vestcoin.app.run.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/**
 * Tells each second that the database has given up, as H2 does where a write to its file fails or it finds itself in a
 * state it has not foreseen. What was answered before is in the file. Measured with H2 2.4.240: afterwards a query
 * fails, or never comes back; so none is asked, and it is looked at by a thread of its own.
 */
@Component
public class DatabaseWatch implements DisposableBean {
    /** The database answers nothing any more in this process, which cannot even be ended in order. */
    public record GivenUp() {}

    private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);
    private static final int SECONDS = 1;

    private final MVStore store;
    private final ApplicationEventPublisher events;
    private final ScheduledExecutorService looking = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "database-watch");
        thread.setDaemon(true);
        return thread;
    });

    DatabaseWatch(DataSource source, ApplicationEventPublisher events) throws SQLException {
        this.events = events;
        try (Connection connection = source.getConnection()) {
            SessionLocal session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
            store = session.getDatabase().getStore().getMvStore();
        }
        looking.scheduleWithFixedDelay(this::look, SECONDS, SECONDS, TimeUnit.SECONDS);
    }

    boolean hasGivenUp() {
        return store.getPanicException() != null;
    }

    private void look() {
        if (hasGivenUp()) {
            LOG.error("the database has given up", store.getPanicException());
            events.publishEvent(new GivenUp());
        }
    }

    @Override
    public void destroy() {
        looking.shutdownNow();
    }
}
