package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.KilledApplication;
import vestcoin.app.RunningShop;
import vestcoin.app.measure.Measured;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;
import vestcoin.standins.Simulation;
import vestcoin.standins.pay.TestCard;

/** The application is killed while orders are being paid; afterwards its book and the processor's agree. */
class CrashTest {
    /** More with {@code -Dvest-coin.kills=200}. */
    private static final int ROUNDS = Integer.getInteger("vest-coin.kills", Math.max(4, Measured.sized(20)));

    private static final int VOUCHERS = 400 * ROUNDS;
    private static final long SMALL = 1000;
    private static final long LARGE = 5000;
    private static final long PAYABLE = 3140;
    private static final int BUYERS = 4;

    private record Paid(String key, String state, long captured, long refunded, long amount) {}

    @Test
    void a_kill_in_the_middle_of_orders_loses_and_doubles_nothing() throws Exception {
        Path data = Files.createTempDirectory("vest-coin-crash");
        int port = RunningShop.freePort();
        try (Simulation services = Simulation.start(port + 1, data)) {
            try (var context = ServeCommand.application(port, data, services.url())) {
                context.getBean(DemoShop.class).loadIfEmpty();
                JdbcClient sql = context.getBean(JdbcClient.class);
                sql.sql("insert into voucher(shop, code, currency, issued, balance, mode, at, sold) select :shop, "
                                + "'PART-' || x, 'EUR', :small, :small, 'test', now(), true from system_range(0, "
                                + ":most)")
                        .param("shop", DemoShop.SHOP)
                        .param("small", SMALL)
                        .param("most", VOUCHERS)
                        .update();
                sql.sql("insert into voucher(shop, code, currency, issued, balance, mode, at, sold) select :shop, "
                                + "'WHOLE-' || x, 'EUR', :large, :large, 'test', now(), true from system_range(0, "
                                + ":most)")
                        .param("shop", DemoShop.SHOP)
                        .param("large", LARGE)
                        .param("most", VOUCHERS)
                        .update();
            }
            Random random = new Random(11);
            AtomicInteger placed = new AtomicInteger();
            AtomicInteger tried = new AtomicInteger();
            Queue<String> refused = new ConcurrentLinkedQueue<>();
            for (int round = 0; round < ROUNDS; round++) {
                Process process = KilledApplication.launch(port, data);
                ExecutorService buyers = Executors.newFixedThreadPool(BUYERS);
                for (int i = 0; i < BUYERS; i++) {
                    buyers.execute(() -> buyUntilTheLineGoesDead(port, tried, placed, refused));
                }
                waitForOrders(placed, placed.get() + BUYERS + 1 + random.nextInt(10));
                Thread.sleep(random.nextInt(120));
                process.destroyForcibly().waitFor();
                buyers.shutdownNow();
                assertThat(buyers.awaitTermination(20, TimeUnit.SECONDS)).isTrue();
            }
            try (var context = ServeCommand.application(port, data, services.url())) {
                JdbcClient sql = context.getBean(JdbcClient.class);
                waitUntilNothingIsOpen(sql, context.getBean(Payments.class));
                waitUntilNoPaperIsOwed(sql);
                vouchersAreWhole(sql);
                papersAreWhole(sql);
                List<Paid> ours = book(sql);
                Measured.note(
                        ROUNDS + " kills while orders are paid",
                        placed + " orders placed, " + ours.size() + " payments compared",
                        "nothing lost, nothing doubled");
                assertThat(refused)
                        .as(() -> "orders refused while the application ran; its log has " + errors(data))
                        .isEmpty();
                assertThat(ours).hasSizeGreaterThan(BUYERS);
                for (Paid paid : ours) {
                    String theirs = services.cards().bookOf(paid.key()).orElse("nothing");
                    if (paid.state().equals("failed")) {
                        assertThat(theirs).isEqualTo("nothing");
                    } else {
                        assertThat(paid.state() + " " + paid.captured() + " " + paid.refunded())
                                .isEqualTo(theirs);
                    }
                }
            }
        }
    }

    /** What the application logged as errors, for a test that fails. */
    private static List<String> errors(Path data) {
        try (Stream<String> lines = Files.lines(data.resolve("log"))) {
            return lines.filter(line -> line.contains("ERROR") || line.contains("Exception"))
                    .limit(20)
                    .toList();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** However slow the machine, the kill comes while orders are being paid. */
    private static void waitForOrders(AtomicInteger placed, int least) throws InterruptedException {
        for (int i = 0; i < 3000 && placed.get() < least; i++) {
            Thread.sleep(10);
        }
    }

    private static void buyUntilTheLineGoesDead(
            int port, AtomicInteger tried, AtomicInteger placed, Queue<String> refused) {
        try {
            while (!Thread.currentThread().isInterrupted()) {
                Caller buyer = new Caller("http://127.0.0.1:" + port);
                int n = tried.getAndIncrement();
                JsonNode order = ordered(buyer, n);
                placed.incrementAndGet();
                if (n % 3 != 2) {
                    buyer.pay(order, TestCard.APPROVED);
                }
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

    /** A book by card, by voucher and card, or by voucher alone. */
    private static JsonNode ordered(Caller buyer, int n) {
        if (n % 3 == 0) {
            return buyer.placeBook();
        }
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("codes", List.of((n % 3 == 1 ? "PART-" : "WHOLE-") + n));
        Caller.Answer answer = buyer.post(
                Caller.COUNTER + "/orders",
                Caller.placing(UUID.randomUUID().toString(), basket, n % 3 == 1 ? "21.40" : "0.00"));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.text());
        }
        return answer.json();
    }

    /** What is gone of each voucher is what one order has taken of it. */
    private static void vouchersAreWhole(JdbcClient sql) {
        assertThat(sql.sql("""
                select count(*) from voucher v where issued - balance <> coalesce((select sum(captured) from
                    payment where part = v.code), 0)
                  or issued - balance <> coalesce((select -sum(amount) from voucher_move m where m.shop = v.shop
                      and m.code = v.code), 0)""").query(Long.class).single())
                .as("vouchers that do not add up")
                .isZero();
        assertThat(sql.sql("select count(distinct issued - balance) from voucher where code like 'PART-%' or "
                                + "code like 'WHOLE-%'")
                        .query(Long.class)
                        .single())
                .as("nothing, 10.00 or 31.40")
                .isEqualTo(3);
    }

    /** Every order paid by a voucher alone has its one invoice, and no number is missing. */
    private static void papersAreWhole(JdbcClient sql) {
        assertThat(sql.sql("""
                select number, payable, due, sent, (select coalesce(sum(gross), 0) from paper where order_id = o.id
                    and kind = 'invoice') as invoiced from orders o
                where standing = 'paid' and (select coalesce(sum(gross), 0) from paper where order_id = o.id and
                    kind = 'invoice') <> payable""").query().listOfRows()).isEmpty();
        assertThat(sql.sql("select max(seq) - count(*) from paper where kind = 'invoice' and mode = 'test'")
                        .query(Long.class)
                        .single())
                .as("gaps")
                .isZero();
        assertThat(sql.sql("select count(*) from orders where payable <> :payable and number > 1004")
                        .param("payable", PAYABLE)
                        .query(Long.class)
                        .single())
                .isZero();
    }

    private static void waitUntilNoPaperIsOwed(JdbcClient sql) throws InterruptedException {
        for (int i = 0;
                i < 600
                        && sql.sql("select count(*) from orders o where standing = 'paid' and not "
                                                + "exists (select 1 from paper where order_id = o.id)")
                                        .query(Long.class)
                                        .single()
                                > 0;
                i++) {
            Thread.sleep(100);
        }
    }

    private static void waitUntilNothingIsOpen(JdbcClient sql, Payments payments) throws InterruptedException {
        for (int i = 0; i < 60; i++) {
            payments.askAfterWhatIsOpen();
            if (sql.sql("select count(*) from payment where state in ('created', 'needs-buyer', 'pending')")
                            .query(Long.class)
                            .single()
                    == 0) {
                return;
            }
            Thread.sleep(1000);
        }
        throw new AssertionError("payments stay open");
    }

    private static List<Paid> book(JdbcClient sql) {
        assertThat(sql.sql("select count(*) from (select alive from payment where alive is not null group by "
                                + "alive having count(*) > 1)")
                        .query(Long.class)
                        .single())
                .isZero();
        return new ArrayList<>(
                sql.sql("select idempotency_key as \"key\", state, captured, refunded, amount from payment where "
                                + "part = ''")
                        .query(Paid.class)
                        .list());
    }
}
