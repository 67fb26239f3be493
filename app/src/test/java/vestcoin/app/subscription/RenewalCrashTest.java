package vestcoin.app.subscription;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.KilledApplication;
import vestcoin.app.RunningShop;
import vestcoin.app.measure.Measured;
import vestcoin.app.payment.Payments;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;
import vestcoin.standins.Simulation;
import vestcoin.standins.pay.TestCard;

/**
 * The application is killed while renewals are charged and files handed over; afterwards each date was charged once,
 * none was forgotten, and every file that was paid for is there once.
 */
class RenewalCrashTest {
    private static final int ROUNDS = Math.max(4, Measured.sized(20));
    private static final int DUE = 30 * ROUNDS;

    @Test
    void a_kill_while_renewals_are_charged_and_files_handed_over_loses_and_doubles_nothing() throws Exception {
        Path data = Files.createTempDirectory("vest-coin-renewals");
        int port = RunningShop.freePort();
        try (Simulation services = Simulation.start(port + 1, data)) {
            try (var context = ServeCommand.application(port, data, services.url(), "--vest-coin.proxies=127.0.0.1")) {
                context.getBean(DemoShop.class).loadIfEmpty();
                subscribe(new Caller("http://127.0.0.1:" + port));
                many(context.getBean(JdbcClient.class));
            }
            Random random = new Random(7);
            for (int round = 0; round < ROUNDS; round++) {
                Process process = KilledApplication.launch(port, data);
                try {
                    Caller buyer = new Caller("http://127.0.0.1:" + port);
                    buyer.pay(plans(buyer), TestCard.APPROVED);
                    Thread.sleep(random.nextInt(400));
                } finally {
                    process.destroyForcibly().waitFor();
                }
            }
            try (var context = ServeCommand.application(port, data, services.url())) {
                JdbcClient sql = context.getBean(JdbcClient.class);
                for (int i = 0; i < 300 && unpaid(sql) > 0; i++) {
                    context.getBean(Payments.class).askAfterWhatIsOpen();
                    context.getBean(Renewals.class).chargeWhatIsDue();
                    Thread.sleep(100);
                }
                assertThat(unpaid(sql)).as("dates that were forgotten").isZero();
                List<Integer> numbers = sql.sql("select o.number from renewal r join orders o on o.id = r.order_id")
                        .query(Integer.class)
                        .list();
                assertThat(numbers).hasSize(DUE).doesNotHaveDuplicates();
                assertThat(numbers)
                        .allSatisfy(number -> assertThat(services.cards().timesPaid(String.valueOf(number)))
                                .as("order %s at the processor", number)
                                .isEqualTo(1));
                assertThat(sql.sql("select count(*) from orders where subscription is not null")
                                .query(Long.class)
                                .single())
                        .as("an order for each date")
                        .isEqualTo(DUE);
                assertThat(sql.sql("select count(*) from (select subscription, kind from subscription_event where kind "
                                        + "= 'charged' group by subscription, kind having count(*) > 1)")
                                .query(Long.class)
                                .single())
                        .isZero();
                for (int i = 0; i < 100 && handedOver(sql) < paidPlans(sql); i++) {
                    context.getBean(vestcoin.app.download.DownloadHandover.class)
                            .makeGood();
                    Thread.sleep(100);
                }
                assertThat(handedOver(sql)).isEqualTo(paidPlans(sql)).isPositive();
                Measured.note(
                        ROUNDS + " kills while renewals are charged",
                        DUE + " dates, " + paidPlans(sql) + " files",
                        "each charged once, none forgotten");
            }
        }
    }

    private static void subscribe(Caller buyer) {
        Map<String, Object> club = Map.of(
                "lines",
                List.of(Map.of("product", "cloth-club", "quantity", "1", "options", Map.of("colour", "rust"))),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "letter",
                "method",
                "card");
        assertThat(buyer.pay(placed(buyer, club), TestCard.APPROVED).status()).isEqualTo(200);
    }

    private static JsonNode plans(Caller buyer) {
        return placed(
                buyer,
                Map.of(
                        "lines",
                        List.of(Map.of("product", "plans-to-print", "quantity", "1")),
                        "to",
                        Map.of("country", "CH"),
                        "method",
                        "card"));
    }

    private static JsonNode placed(Caller buyer, Map<String, Object> basket) {
        JsonNode quote =
                buyer.post(Caller.COUNTER + "/quote", Caller.quoting(basket)).json();
        Map<String, Object> placing = new LinkedHashMap<>(Caller.placing(
                UUID.randomUUID().toString(), basket, quote.path("toPay").asString()));
        Map<String, String> agreed = new HashMap<>(Caller.AGREED);
        quote.path("renewing")
                .forEach(each -> agreed.put(
                        each.path("kind").asString(), each.path("hash").asString()));
        placing.put("agreed", agreed);
        return buyer.post(Caller.COUNTER + "/orders", placing).json();
    }

    /** Many of the one there is, all due since yesterday. */
    private static void many(JdbcClient sql) throws InterruptedException {
        for (int i = 0;
                i < 100
                        && sql.sql("select count(*) from subscription where state = 'active'")
                                        .query(Long.class)
                                        .single()
                                == 0;
                i++) {
            Thread.sleep(50);
        }
        sql.sql("""
                insert into subscription(shop, first_order, line, token, edition, state, began, charges, due_on,
                    gateway, card, document, address)
                select shop, first_order, x, cast(random_uuid() as varchar), edition, 'active', dateadd(day, -35,
                    current_date), 1, dateadd(day, -1, current_date), gateway, card, document, address
                from subscription, system_range(1, :due)""").param("due", DUE).update();
    }

    private static long unpaid(JdbcClient sql) {
        return sql.sql("select count(*) from subscription s where line > 0 and not exists (select 1 "
                        + "from renewal r where "
                        + "r.subscription = s.id and r.state = 'paid')")
                .query(Long.class)
                .single();
    }

    private static long paidPlans(JdbcClient sql) {
        return sql.sql("select count(*) from orders where country = 'CH' and standing = 'paid'")
                .query(Long.class)
                .single();
    }

    private static long handedOver(JdbcClient sql) {
        return sql.sql("select count(*) from download d join orders o on o.id = d.order_id where o.country = 'CH' and "
                        + "o.standing = 'paid'")
                .query(Long.class)
                .single();
    }
}
