package vestcoin.app.run.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.io.Closeable;
import java.lang.reflect.InvocationHandler;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.sql.CallableStatement;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/**
 * A data source whose commits are on the disk when they return. The database writes behind, which lets it compact its
 * file; so each commit is followed by a checkpoint, and one checkpoint serves all who committed before it began.
 * Measured with H2 2.4.240: writing at once instead ({@code WRITE_DELAY=0}) stops the background writer and with it all
 * compaction.
 *
 * <p>A checkpoint writes one map of the database after the other. What a statement changes in several of them would be
 * on the disk in part if it ran meanwhile; so a checkpoint waits until none does ({@link WriteGate}).
 */
final class DurableDataSource extends DelegatingDataSource implements Closeable {
    /** What ends a transaction. */
    private static final Set<String> ENDING = Set.of("commit", "rollback", "setAutoCommit");

    private final HikariDataSource pool;
    private final AtomicLong committed = new AtomicLong();
    private final ReentrantLock turn = new ReentrantLock(true);
    private final WriteGate gate = new WriteGate();
    private volatile long durable;

    DurableDataSource(HikariDataSource pool) {
        super(pool);
        this.pool = pool;
    }

    @Override
    public Connection getConnection() throws SQLException {
        Connection connection = super.getConnection();
        return (Connection) Proxy.newProxyInstance(
                Connection.class.getClassLoader(), new Class<?>[] {Connection.class}, new Committing(connection));
    }

    @Override
    public void close() {
        pool.close();
    }

    /** Returns when everything committed so far is on the disk. */
    private void checkpoint(Connection connection) throws SQLException {
        long mine = committed.incrementAndGet();
        turn.lock();
        try {
            if (durable >= mine) {
                return;
            }
            long all = committed.get();
            gate.shut();
            try (Statement statement = connection.createStatement()) {
                statement.execute("checkpoint sync");
            } finally {
                gate.open();
            }
            durable = all;
        } finally {
            turn.unlock();
        }
    }

    /** Calls what may write, while no checkpoint is made. */
    private Object write(SessionLocal session, Object of, Method method, Object[] arguments) throws Throwable {
        gate.enter(session);
        try {
            return call(of, method, arguments);
        } finally {
            gate.leave(session);
        }
    }

    private static Object call(Object of, Method method, Object[] arguments) throws Throwable {
        try {
            return method.invoke(of, arguments);
        } catch (InvocationTargetException e) {
            throw e.getCause();
        }
    }

    private final class Committing implements InvocationHandler {
        private final Connection connection;
        private final SessionLocal session;

        Committing(Connection connection) throws SQLException {
            this.connection = connection;
            this.session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
        }

        @Override
        public Object invoke(Object proxy, Method method, Object[] arguments) throws Throwable {
            Object result = ENDING.contains(method.getName())
                    ? write(session, connection, method, arguments)
                    : call(connection, method, arguments);
            if (method.getName().equals("commit")) {
                checkpoint(connection);
            }
            if (result instanceof Statement statement) {
                Class<?> kind = statement instanceof CallableStatement
                        ? CallableStatement.class
                        : statement instanceof PreparedStatement ? PreparedStatement.class : Statement.class;
                return Proxy.newProxyInstance(
                        Connection.class.getClassLoader(),
                        new Class<?>[] {kind},
                        new Executing(connection, session, statement, locks(arguments)));
            }
            return result;
        }
    }

    /** Whether a query, prepared by its text, takes rows for itself. */
    private static boolean locks(Object[] prepared) {
        return prepared != null
                && prepared.length > 0
                && prepared[0] instanceof String text
                && text.stripTrailing().endsWith("for update");
    }

    /** Outside of a transaction every change commits by itself. */
    private final class Executing implements InvocationHandler {
        private final Connection connection;
        private final SessionLocal session;
        private final Statement statement;
        private final boolean locks;

        /** @param locks whether it is a query that takes rows for itself */
        Executing(Connection connection, SessionLocal session, Statement statement, boolean locks) {
            this.connection = connection;
            this.session = session;
            this.statement = statement;
            this.locks = locks;
        }

        @Override
        public Object invoke(Object proxy, Method method, Object[] arguments) throws Throwable {
            boolean executes = method.getName().startsWith("execute");
            boolean mayChange = executes && !method.getName().equals("executeQuery");
            Object result = mayChange || executes && locks
                    ? write(session, statement, method, arguments)
                    : call(statement, method, arguments);
            boolean changes = mayChange && !Boolean.TRUE.equals(result);
            if (changes && connection.getAutoCommit()) {
                checkpoint(connection);
            }
            return result;
        }
    }
}
