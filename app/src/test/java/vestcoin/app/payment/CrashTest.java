package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;
import vestcoin.standins.Simulation;
import vestcoin.standins.pay.TestCard;

/** The application is killed while orders are being paid; afterwards its book and the processor's agree. */
class CrashTest {
    private static final int ROUNDS = 5;
    private static final int BUYERS = 4;

    private record Paid(String key, String state, long captured, long refunded, long amount) {}

    @Test
    void a_kill_in_the_middle_of_orders_loses_and_doubles_nothing() throws Exception {
        Path data = Files.createTempDirectory("vest-coin-crash");
        int port = RunningShop.freePort();
        try (Simulation services = Simulation.start(port + 1, data)) {
            try (var context = ServeCommand.application(port, data, services.url())) {
                context.getBean(DemoShop.class).loadIfEmpty();
            }
            Random random = new Random(11);
            AtomicInteger placed = new AtomicInteger();
            Queue<String> refused = new ConcurrentLinkedQueue<>();
            for (int round = 0; round < ROUNDS; round++) {
                Process process = launch(port, data);
                ExecutorService buyers = Executors.newFixedThreadPool(BUYERS);
                for (int i = 0; i < BUYERS; i++) {
                    buyers.execute(() -> buyUntilTheLineGoesDead(port, placed, refused));
                }
                waitForOrders(placed, placed.get() + BUYERS + 1 + random.nextInt(10));
                Thread.sleep(random.nextInt(120));
                process.destroyForcibly().waitFor();
                buyers.shutdownNow();
                assertThat(buyers.awaitTermination(20, TimeUnit.SECONDS)).isTrue();
            }
            try (var context = ServeCommand.application(port, data, services.url())) {
                waitUntilNothingIsOpen(context.getBean(JdbcClient.class), context.getBean(Payments.class));
            }
            List<Paid> ours = book(data);
            System.out.println("crash: " + ROUNDS + " kills, " + placed + " orders placed, " + ours.size() + " payments compared");
            assertThat(refused).as("orders refused while the application ran").isEmpty();
            assertThat(ours).hasSizeGreaterThan(BUYERS);
            for (Paid paid : ours) {
                String theirs = services.cards().bookOf(paid.key()).orElse("nothing");
                if (paid.state().equals("failed")) {
                    assertThat(theirs).isEqualTo("nothing");
                } else {
                    assertThat(paid.state() + " " + paid.captured() + " " + paid.refunded()).isEqualTo(theirs);
                }
            }
        }
    }

    /** However slow the machine, the kill comes while orders are being paid. */
    private static void waitForOrders(AtomicInteger placed, int least) throws InterruptedException {
        for (int i = 0; i < 3000 && placed.get() < least; i++) {
            Thread.sleep(10);
        }
    }

    private static Process launch(int port, Path data) throws IOException, InterruptedException {
        String classPath = System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1", "-cp", classPath,
                "vestcoin.app.Main", "start", "--port", String.valueOf(port), "--data", data.toString()).redirectErrorStream(true)
                .redirectOutput(data.resolve("log").toFile()).start();
        for (int i = 0; i < 300; i++) {
            Thread.sleep(100);
            try {
                new Caller("http://127.0.0.1:" + port);
                return process;
            } catch (java.io.UncheckedIOException e) {
                assertThat(process.isAlive()).as("the application started").isTrue();
            }
        }
        throw new IllegalStateException("the application did not answer");
    }

    private static void buyUntilTheLineGoesDead(int port, AtomicInteger placed, Queue<String> refused) {
        try {
            while (!Thread.currentThread().isInterrupted()) {
                Caller buyer = new Caller("http://127.0.0.1:" + port);
                JsonNode order = buyer.placeBook();
                placed.incrementAndGet();
                buyer.pay(order, TestCard.APPROVED);
            }
        } catch (java.io.UncheckedIOException e) {
            // The line is dead: that is what the test is about.
            Thread.currentThread().interrupt();
        } catch (IllegalStateException e) {
            if (!Thread.currentThread().isInterrupted()) {
                refused.add(String.valueOf(e.getMessage()));
            }
        }
    }

    private static void waitUntilNothingIsOpen(JdbcClient sql, Payments payments) throws InterruptedException {
        for (int i = 0; i < 60; i++) {
            payments.askAfterWhatIsOpen();
            if (sql.sql("select count(*) from payment where state in ('created', 'needs-buyer', 'pending')").query(Long.class).single() == 0) {
                return;
            }
            Thread.sleep(1000);
        }
        throw new AssertionError("payments stay open");
    }

    private static List<Paid> book(Path data) {
        JdbcClient sql = JdbcClient.create(new DriverManagerDataSource("jdbc:h2:file:" + data.resolve("vest-coin"), "sa", ""));
        assertThat(sql.sql("select count(*) from (select alive from payment where alive is not null group by alive having count(*) > 1)").query(Long.class).single()).isZero();
        return new ArrayList<>(sql.sql("select idempotency_key as \"key\", state, captured, refunded, amount from payment").query(Paid.class).list());
    }
}
