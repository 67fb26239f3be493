package vestcoin.app.run.storage;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Commits that wait for those who write, and for nobody who waits himself. */
class DurableDataSourceTest {
    private static final int SECONDS = 10;

    @TempDir
    Path folder;

    private DurableDataSource source() {
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl("jdbc:h2:" + folder.resolve("durable") + ";LOCK_TIMEOUT=60000");
        config.setUsername("sa");
        config.setMaximumPoolSize(4);
        return new DurableDataSource(new HikariDataSource(config));
    }

    private static Connection begun(DurableDataSource source) throws Exception {
        Connection connection = source.getConnection();
        connection.setAutoCommit(false);
        return connection;
    }

    private static void execute(Connection connection, String sql) {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (Exception e) {
            throw new IllegalStateException(sql, e);
        }
    }

    private static long count(Connection connection, String sql) throws Exception {
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }

    /** One holds a row, another's statement waits for it: a third commits, and the first goes on. */
    @Test
    void nobody_waits_for_a_statement_that_waits_for_a_row() throws Exception {
        try (DurableDataSource source = source();
                Connection holds = begun(source);
                Connection waits = begun(source);
                Connection commits = begun(source)) {
            execute(commits, "create table t(id int primary key, n int)");
            execute(commits, "insert into t values (1, 0), (2, 0)");
            commits.commit();
            execute(holds, "update t set n = 1 where id = 1");
            CompletableFuture<Void> waiting =
                    CompletableFuture.runAsync(() -> execute(waits, "update t set n = n + 1 where id = 1"));
            CompletableFuture<Void> third = CompletableFuture.runAsync(() -> {
                for (int i = 0; i < 20; i++) {
                    execute(commits, "update t set n = n + 1 where id = 2");
                    try {
                        commits.commit();
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                }
            });
            for (int i = 0; i < 20; i++) {
                execute(holds, "update t set n = n + 1 where id = 1");
            }
            third.get(SECONDS, TimeUnit.SECONDS);
            assertThat(waiting).isNotDone();
            holds.commit();
            waiting.get(SECONDS, TimeUnit.SECONDS);
            waits.commit();
            assertThat(count(commits, "select n from t where id = 1")).isEqualTo(22);
            assertThat(count(commits, "select n from t where id = 2")).isEqualTo(20);
        }
    }
}
