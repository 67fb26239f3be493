package vestcoin.app.run.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.h2.engine.SessionLocal;
import org.h2.index.Index;
import org.h2.jdbc.JdbcConnection;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.Caller;
import vestcoin.app.KilledApplication;
import vestcoin.app.RunningShop;
import vestcoin.app.Said;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;

/** What is not as it was left is not started, and why is told in one sentence with a status. */
class StartTest {
    private static Path left;

    @TempDir
    Path folder;

    /** An installation with the demo's orders in it, closed as it should be. */
    @BeforeAll
    static void leave() throws Exception {
        try (RunningShop.Running shop = RunningShop.start()) {
            left = shop.data();
            shop.anybody().placeBook();
        }
    }

    private Path copy() throws Exception {
        Path data = folder.resolve("data");
        Files.createDirectories(data);
        try (Stream<Path> files = Files.list(left)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.copy(file, data.resolve(file.getFileName()));
            }
        }
        return data;
    }

    private static Said started(Path data, int port) {
        return Said.by(new ServeCommand.Start(), "--port", String.valueOf(port), "--data", data.toString());
    }

    private static void refused(Said said, String... words) {
        assertThat(said.status()).as(said.err()).isEqualTo(2);
        assertThat(said.err().strip().lines()).as(said.err()).hasSize(1);
        assertThat(said.err()).startsWith("vest-coin: ").contains(words).doesNotContain("Exception", "\tat ");
    }

    @Test
    void a_port_that_is_taken() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getByName("127.0.0.1"))) {
            refused(started(copy(), taken.getLocalPort()), "Port " + taken.getLocalPort() + " is taken", "--port");
        }
    }

    @Test
    void a_folder_in_use() throws Exception {
        Path data = copy();
        try (ConfigurableApplicationContext one =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            assertThat(one.isRunning()).isTrue();
            String classPath = System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
            Path err = folder.resolve("err");
            Process second = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            classPath,
                            "vestcoin.app.Main",
                            "start",
                            "--port",
                            String.valueOf(RunningShop.freePort()),
                            "--data",
                            data.toString())
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .redirectError(err.toFile())
                    .start();
            assertThat(second.waitFor(60, java.util.concurrent.TimeUnit.SECONDS))
                    .isTrue();
            refused(new Said(second.exitValue(), "", Files.readString(err)), "is in use by another Vest Coin");
        }
    }

    @Test
    void a_database_that_is_damaged() throws Exception {
        Path data = copy();
        Path file = data.resolve("vest-coin.mv.db");
        byte[] bytes = Files.readAllBytes(file);
        java.util.Arrays.fill(bytes, 0, bytes.length / 2, (byte) 7);
        Files.write(file, bytes);
        refused(started(data, RunningShop.freePort()), "damaged", "Restore the last backup");
    }

    @Test
    void a_database_cut_to_40_kb_is_no_empty_installation() throws Exception {
        Path data = copy();
        try (var file = Files.newByteChannel(data.resolve("vest-coin.mv.db"), StandardOpenOption.WRITE)) {
            file.truncate(40_000);
        }
        refused(started(data, RunningShop.freePort()), "damaged", "Restore the last backup");
    }

    @Test
    void a_database_taken_away_is_no_empty_installation() throws Exception {
        Path data = copy();
        Files.delete(data.resolve("vest-coin.mv.db"));
        refused(started(data, RunningShop.freePort()), "is missing, though there was one");
    }

    @Test
    void a_database_of_an_earlier_day_than_it_was_last_seen() throws Exception {
        Path data = copy();
        Path mark = data.resolve("vest-coin.mark");
        String[] seen = Files.readString(mark).strip().split(" ");
        Files.writeString(mark, seen[0] + " " + (Long.parseLong(seen[1]) + 1) + " " + seen[2]);
        refused(started(data, RunningShop.freePort()), "it ends before order");
    }

    @Test
    void a_key_file_that_is_missing_or_another_is_never_replaced() throws Exception {
        Path data = copy();
        Path key = data.resolve("vault.key");
        byte[] own = Files.readAllBytes(key);
        Files.delete(key);
        refused(started(data, RunningShop.freePort()), "vault.key is missing");
        assertThat(key).doesNotExist();
        byte[] other = own.clone();
        other[3] ^= 1;
        Files.write(key, other);
        refused(started(data, RunningShop.freePort()), "belongs to another installation");
    }

    @Test
    void after_an_end_without_closing_every_index_is_walked_along_in_no_time() throws Exception {
        Path data = copy();
        try (ConfigurableApplicationContext before =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            before.getBean(JdbcClient.class)
                    .sql("insert into voucher(shop, code, currency, issued, balance, mode, at) select :shop, "
                            + "'MANY-' || x, 'EUR', 1, 1, 'test', now() from system_range(1, 20000)")
                    .param("shop", DemoShop.SHOP)
                    .update();
        }
        Files.writeString(data.resolve("vest-coin.running"), "");
        long begun = System.nanoTime();
        try (ConfigurableApplicationContext again =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            assertThat(again.getBean(JdbcClient.class)
                            .sql("select count(*) from voucher")
                            .query(Long.class)
                            .single())
                    .isGreaterThan(20_000);
            assertThat((System.nanoTime() - begun) / 1_000_000_000)
                    .as("seconds")
                    .isLessThan(30);
            assertThat(data.resolve("vest-coin.running")).exists();
        }
        assertThat(data.resolve("vest-coin.running")).doesNotExist();
    }

    /**
     * Takes the first order out of an index behind the database's back, as a kill may leave it, and marks the end as
     * none.
     */
    private static void damaged(Path data, String name) throws Exception {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "")) {
            SessionLocal session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
            Index index = session.getDatabase().getMainSchema().findIndex(session, name);
            index.remove(session, index.getTable().getRow(session, 1));
            connection.commit();
        }
        Files.writeString(data.resolve("vest-coin.running"), "");
    }

    private static long along(JdbcClient sql, String index) {
        return sql.sql("select count(*) from (select shop, number from orders use index (" + index
                        + ") order by shop, number desc)")
                .query(Long.class)
                .single();
    }

    /** How many large texts of a closed database stand beside their rows. */
    private static long beside(Path data) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "")) {
            SessionLocal session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
            return session.getDatabase()
                    .getStore()
                    .getMvStore()
                    .openMap("lobMap")
                    .sizeAsLong();
        }
    }

    /**
     * What stands beside its row is copied each time anything of the row is written, and a kill in between can leave
     * the row without it.
     */
    @Test
    void large_texts_stand_in_their_rows_and_those_written_beside_them_before_are_taken_in() throws Exception {
        Path data = copy();
        assertThat(beside(data)).isZero();
        String quotes;
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "");
                Statement statement = connection.createStatement()) {
            quotes = quotes(statement);
            // As it was before V44.
            statement.execute("set max_length_inplace_lob 256");
            statement.execute("alter table orders add column quote clob not null default ''");
            statement.execute("update orders set quote = (select quote || '' from order_quote where order_id = id)");
            statement.execute("alter table orders alter column quote drop default");
            statement.execute("drop table order_quote");
            statement.execute("update picture set bytes = bytes || x''");
            statement.execute("delete from \"flyway_schema_history\" where \"version\" = '44'");
        }
        assertThat(beside(data)).isPositive();
        try (ConfigurableApplicationContext again =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            assertThat(again.isRunning()).isTrue();
        }
        assertThat(beside(data)).isZero();
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "");
                Statement statement = connection.createStatement()) {
            assertThat(quotes(statement)).isEqualTo(quotes);
        }
    }

    private static String quotes(Statement statement) throws SQLException {
        StringBuilder all = new StringBuilder();
        try (ResultSet rows = statement.executeQuery("select quote from order_quote order by order_id")) {
            while (rows.next()) {
                all.append(rows.getString(1)).append('\n');
            }
        }
        return all.toString();
    }

    @Test
    void an_index_that_lacks_a_row_is_made_anew_in_its_own_order() throws Exception {
        Path data = copy();
        damaged(data, "ORDERS_LATEST");
        try (ConfigurableApplicationContext again =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            JdbcClient sql = again.getBean(JdbcClient.class);
            assertThat(along(sql, "orders_latest"))
                    .isEqualTo(sql.sql("select count(*) from orders use index ()")
                            .query(Long.class)
                            .single());
            assertThat(sql.sql("select ordering_specification from information_schema.index_columns where "
                                    + "index_name = 'ORDERS_LATEST' order by ordinal_position")
                            .query(String.class)
                            .list())
                    .containsExactly("ASC", "DESC");
        }
    }

    private static List<String> asked(Path data, String query) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "");
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(query)) {
            while (rows.next()) {
                found.add(rows.getString(1));
            }
        }
        return found;
    }

    private static List<String> indexesOfOrders(Path data, String type) throws SQLException {
        return asked(
                data,
                "select index_name from information_schema.indexes where table_name = 'ORDERS' and index_type_name = '"
                        + type + "' and is_generated order by index_name");
    }

    /** Both of a unique constraint and of a reference to another table, where a row is lacking and one is too many. */
    @Test
    void an_index_a_constraint_needs_is_made_anew_from_the_rows() throws Exception {
        Path data = copy();
        List<String> damaged = new ArrayList<>(indexesOfOrders(data, "UNIQUE INDEX"));
        damaged.addAll(indexesOfOrders(data, "INDEX"));
        assertThat(damaged).hasSizeGreaterThan(2);
        for (String index : damaged) {
            damaged(data, index);
        }
        left(data);
        try (ConfigurableApplicationContext again =
                ServeCommand.application(RunningShop.freePort(), data, "http://127.0.0.1:1")) {
            assertThat(again.isRunning()).isTrue();
        }
        for (String index : damaged) {
            assertThat(asked(data, "select count(*) from orders use index (\"" + index + "\")"))
                    .as(index)
                    .isEqualTo(asked(data, "select count(*) from orders use index ()"));
        }
        assertThat(asked(data, "select order_id from owed where order_id > 0"))
                .isEqualTo(asked(data, "select order_id from owed use index () order by order_id"));
    }

    /** Leaves an entry in the index of a reference of {@code owed} whose row is gone. */
    private static void left(Path data) throws Exception {
        String index = asked(
                        data,
                        "select index_name from information_schema.indexes where table_name = 'OWED' and "
                                + "index_name like 'CONSTRAINT_INDEX_%'")
                .get(0);
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "")) {
            connection.setAutoCommit(false);
            connection
                    .createStatement()
                    .execute("insert into owed(kind, order_id, change) select 'letter', id, 1 from orders limit 1");
            SessionLocal session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
            Index of = session.getDatabase().getMainSchema().findIndex(session, index);
            var rows = of.getTable().getScanIndex(session).find(session, null, null, false);
            rows.next();
            of.getTable().getScanIndex(session).remove(session, rows.get());
            connection.commit();
        }
    }

    @Test
    void nothing_is_started_where_two_rows_stand_for_one() throws Exception {
        Path data = copy();
        String unique = asked(
                        data,
                        "select index_name from information_schema.index_columns where table_name = 'ORDERS' and "
                                + "column_name = 'TOKEN' and is_unique")
                .get(0);
        damaged(data, unique);
        try (Connection connection = DriverManager.getConnection("jdbc:h2:" + data.resolve("vest-coin"), "sa", "")) {
            connection
                    .createStatement()
                    .execute("update orders set token = (select token from orders where id = 1) where id = 2");
        }
        refused(started(data, RunningShop.freePort()), "damaged", unique, "Restore the last backup");
    }

    /** What is written beyond so many bytes of a file fails from now on. */
    private static void limit(Process process, int bytes) throws Exception {
        assertThat(new ProcessBuilder("prlimit", "--pid", String.valueOf(process.pid()), "--fsize=" + bytes)
                        .inheritIO()
                        .start()
                        .waitFor())
                .isZero();
    }

    /** Orders, which is written. */
    private static void write(int port) {
        try {
            new Caller("http://127.0.0.1:" + port).placeBook();
        } catch (RuntimeException | AssertionError e) {
            // Whether there is an answer to it is not asked.
        }
    }

    /** The database gives up then; in the same process it can be neither asked nor closed any more. */
    @Test
    void where_its_file_cannot_be_written_the_process_ends_and_is_started_again_as_after_a_kill() throws Exception {
        Path data = copy();
        int port = RunningShop.freePort();
        Process process = KilledApplication.launch(port, data);
        try {
            limit(process, 4096);
            write(port);
            assertThat(process.waitFor(60, java.util.concurrent.TimeUnit.SECONDS))
                    .isTrue();
        } finally {
            process.destroyForcibly();
        }
        assertThat(process.exitValue()).isEqualTo(ServeCommand.GIVEN_UP);
        assertThat(data.resolve("vest-coin.running")).exists();
        try (ConfigurableApplicationContext again = ServeCommand.application(port, data, "http://127.0.0.1:1")) {
            assertThat(again.getBean(JdbcClient.class)
                            .sql("select count(*) from orders where number = 1001")
                            .query(Long.class)
                            .single())
                    .isOne();
        }
        assertThat(data.resolve("vest-coin.running")).doesNotExist();
    }

    @Test
    void its_files_are_for_their_owner_alone() throws Exception {
        Path data = folder.resolve("fresh");
        int port = RunningShop.freePort();
        try (ConfigurableApplicationContext one = ServeCommand.application(port, data, "http://127.0.0.1:1")) {
            assertThat(one.isRunning()).isTrue();
            for (String name : new String[] {"vest-coin.mv.db", "vault.key"}) {
                assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve(name))))
                        .as(name)
                        .isEqualTo("rw-------");
            }
        }
    }

    @Test
    void a_disk_with_too_little_room_takes_no_orders_says_so_and_goes_on_by_itself() throws Exception {
        try (RunningShop.Running shop = RunningShop.start("--vest-coin.room.least=" + Long.MAX_VALUE / 2)) {
            DiskSpace room = shop.context().getBean(DiskSpace.class);
            room.look();
            Caller buyer = shop.anybody();
            assertThat(buyer.post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                            .status())
                    .as("prices are still told")
                    .isEqualTo(200);
            Caller.Answer refused =
                    buyer.post(Caller.COUNTER + "/orders", Caller.placing("no-room-key-1", Caller.book(), "31.40"));
            assertThat(refused.status()).isEqualTo(507);
            assertThat(refused.sentence()).isEqualTo("This shop takes no orders for now.");
            room.seen(Long.MAX_VALUE);
            assertThat(buyer.post(Caller.COUNTER + "/orders", Caller.placing("no-room-key-1", Caller.book(), "31.40"))
                            .status())
                    .as("with room again")
                    .isEqualTo(200);
        }
    }
}
