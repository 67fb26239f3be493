package vestcoin.app.run.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A checkpoint is made while nothing is being changed. */
class WriteGateTest {
    private static final int SECONDS = 20;

    private final WriteGate gate = new WriteGate();
    private Connection one;
    private Connection other;

    @BeforeEach
    void open() throws SQLException {
        one = DriverManager.getConnection("jdbc:h2:mem:gate", "sa", "");
        other = DriverManager.getConnection("jdbc:h2:mem:gate", "sa", "");
    }

    @AfterEach
    void close() throws SQLException {
        one.close();
        other.close();
    }

    private static SessionLocal session(Connection connection) throws SQLException {
        return (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
    }

    @Test
    void it_waits_for_who_writes_and_lets_nobody_in_until_it_is_open() throws Exception {
        SessionLocal writes = session(one);
        gate.enter(writes);
        CompletableFuture<Boolean> alone = CompletableFuture.supplyAsync(gate::shut);
        Thread.sleep(50);
        assertThat(alone).as("while somebody writes").isNotDone();
        SessionLocal next = session(other);
        CompletableFuture<Void> entered = CompletableFuture.runAsync(() -> gate.enter(next));
        gate.leave(writes);
        assertThat(alone.get(SECONDS, TimeUnit.SECONDS)).isTrue();
        Thread.sleep(50);
        assertThat(entered).as("while it is shut").isNotDone();
        gate.open();
        entered.get(SECONDS, TimeUnit.SECONDS);
    }

    @Test
    void who_takes_too_long_is_waited_for_no_more() throws Exception {
        gate.enter(session(one));
        assertThat(gate.shut()).isFalse();
    }

    @Test
    void who_waits_for_a_row_is_not_waited_for() throws Exception {
        one.createStatement().execute("create table t(id int primary key)");
        one.createStatement().execute("insert into t values (1)");
        one.setAutoCommit(false);
        one.createStatement().execute("update t set id = 2");
        SessionLocal waits = session(other);
        CompletableFuture<Void> waiting = CompletableFuture.runAsync(() -> {
            gate.enter(waits);
            try {
                other.createStatement().execute("set lock_timeout 20000");
                other.createStatement().execute("update t set id = 3");
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            } finally {
                gate.leave(waits);
            }
        });
        while (waits.getBlockingSessionId() == 0) {
            Thread.sleep(1);
        }
        assertThat(gate.shut()).isTrue();
        gate.open();
        one.commit();
        waiting.get(SECONDS, TimeUnit.SECONDS);
    }
}
