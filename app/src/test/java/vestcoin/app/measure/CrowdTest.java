package vestcoin.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;

/** Whoever tries in vain, sends half or orders without end takes nothing from those who buy. */
@Tag("alone")
@ExtendWith(RunningShop.class)
@RunningShop.OnDisk
class CrowdTest {
    private static final int WRONG = 40;
    private static final int HALF_SENT = 250;
    private static final int QUOTES = 40;
    private static final int ORDERS = 50;
    private static final String QUOTE = Caller.COUNTER + "/quote";

    private final RunningShop.Running shop;

    CrowdTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private RawClient client(int address) throws Exception {
        return new RawClient(shop.port(), address);
    }

    /** How long a buyer's quotes took, in milliseconds, in order of length. */
    private record Times(List<Long> sorted) {
        double average() {
            return sorted.stream().mapToLong(each -> each).average().orElseThrow();
        }

        /** All but one in twenty took at most this. */
        long most() {
            return sorted.get((sorted.size() * 19 - 1) / 20);
        }

        @Override
        public String toString() {
            return Math.round(average()) + " ms on average, 95 % of " + sorted.size() + " at most " + most()
                    + " ms, the longest " + sorted.get(sorted.size() - 1) + " ms";
        }
    }

    /** Asks for quotes one after the other for as long as something else lasts. */
    private Times quoted(RawClient buyer, BooleanSupplier lasts) throws Exception {
        List<Long> times = new ArrayList<>();
        while (times.isEmpty() || lasts.getAsBoolean()) {
            RawClient.Answer answer = buyer.post(QUOTE, Json.write(Caller.quoting(Caller.book())));
            assertThat(answer.status()).isEqualTo(200);
            times.add(answer.millis());
        }
        return new Times(times.stream().sorted().toList());
    }

    @Test
    void forty_wrong_sign_ins_at_once_leave_a_buyers_quote_at_most_three_times_as_long() throws Exception {
        RawClient buyer = client(2);
        AtomicInteger left = new AtomicInteger(2 * QUOTES);
        quoted(buyer, () -> left.getAndDecrement() > QUOTES);
        Times alone = quoted(buyer, () -> left.getAndDecrement() > 0);
        ExecutorService trying = Executors.newFixedThreadPool(WRONG);
        List<Future<RawClient.Answer>> tried = new ArrayList<>();
        for (int i = 0; i < WRONG; i++) {
            RawClient somebody = client(100 + i);
            int n = i;
            tried.add(trying.submit(() -> somebody.post(
                    "/api/session",
                    Json.write(Map.of(
                            "email",
                            n % 2 == 0 ? DemoShop.EMAIL : "nobody" + n + "@buyers.example",
                            "password",
                            "a wrong password " + n)))));
        }
        Thread.sleep(50);
        Times beside = quoted(buyer, () -> tried.stream().anyMatch(each -> !each.isDone()));
        trying.shutdown();
        assertThat(trying.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
        for (Future<RawClient.Answer> each : tried) {
            assertThat(each.get().status()).isIn(401, 429);
        }
        Measured.note(
                "a quote beside " + WRONG + " wrong sign-ins",
                beside + "; alone " + alone,
                "at most three times as long, on average and for all but one in twenty");
        // Where a quote takes a few milliseconds, one that the machine keeps waiting says nothing.
        assertThat(beside.average()).isLessThanOrEqualTo(Math.max(3 * alone.average(), 40));
        assertThat(beside.most()).as("95 of 100").isLessThanOrEqualTo(Math.max(3 * alone.most(), 100));
    }

    @Test
    void the_next_visitor_is_answered_within_a_second_of_250_half_sent_bodies() throws Exception {
        List<Socket> held = new ArrayList<>();
        try {
            for (int i = 0; i < HALF_SENT; i++) {
                Socket half = client(3).open();
                half.getOutputStream()
                        .write((RawClient.head("POST", QUOTE, 500) + "{\"lines\":").getBytes(StandardCharsets.UTF_8));
                half.getOutputStream().flush();
                held.add(half);
            }
            Thread.sleep(300);
            String basket = Json.write(Caller.quoting(Caller.book()));
            long page = Measured.shortest(
                    3, 1_000, () -> assertThat(client(4).get(Caller.COUNTER).status())
                            .isEqualTo(200));
            long quote = Measured.shortest(
                    3, 1_000, () -> assertThat(client(4).post(QUOTE, basket).status())
                            .isEqualTo(200));
            Measured.note(
                    "the next visitor beside " + HALF_SENT + " half-sent bodies",
                    page + " ms, and " + quote + " ms for a quote",
                    "at most 1,000 ms");
            assertThat(page).isLessThanOrEqualTo(1_000);
            assertThat(quote).isLessThanOrEqualTo(1_000);
        } finally {
            for (Socket half : held) {
                half.close();
            }
        }
    }

    @Test
    void what_is_sent_in_part_is_refused_in_time_and_lets_go() throws Exception {
        try (Socket half = client(5).open()) {
            half.getOutputStream()
                    .write((RawClient.head("POST", QUOTE, 500) + "{\"lines\":").getBytes(StandardCharsets.UTF_8));
            half.getOutputStream().flush();
            String answer = new String(half.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 408").contains("did not arrive in time");
        }
    }

    @Test
    void fifty_orders_of_one_client_in_five_seconds_are_slowed_and_strangers_get_no_letters() throws Exception {
        RawClient one = client(6);
        ExecutorService buying = Executors.newFixedThreadPool(10);
        List<Future<RawClient.Answer>> placed = new ArrayList<>();
        for (int i = 0; i < ORDERS; i++) {
            Map<String, Object> placing =
                    new java.util.HashMap<>(Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40"));
            placing.put(
                    "contact",
                    Map.of(
                            "name",
                            "Win a prize at http://prize.example",
                            "email",
                            "stranger" + i + "@elsewhere.example",
                            "lines",
                            List.of("1 Example Street"),
                            "city",
                            "Cork"));
            placed.add(buying.submit(() -> one.post(Caller.COUNTER + "/orders", Json.write(placing))));
        }
        buying.shutdown();
        assertThat(buying.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
        int taken = 0;
        for (Future<RawClient.Answer> each : placed) {
            taken += each.get().status() == 200 ? 1 : 0;
            assertThat(each.get().status()).isIn(200, 429);
        }
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        Set<String> written = new HashSet<>();
        shop.services().post().letters().stream()
                .filter(letter -> letter.to().contains("@elsewhere.example"))
                .forEach(letter -> {
                    written.add(letter.to());
                    assertThat(letter.subject() + letter.plain())
                            .as("no word of the orderer's choosing")
                            .doesNotContain("prize");
                });
        Measured.note(
                ORDERS + " orders from one client at once",
                taken + " taken, " + written.size() + " letters to strangers",
                "slowed, no letters");
        assertThat(taken).isLessThanOrEqualTo(12);
        assertThat(written.size()).as("letters to strangers").isLessThanOrEqualTo(3);
        assertThat(client(7)
                        .post(
                                Caller.COUNTER + "/orders",
                                Json.write(Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40")))
                        .status())
                .as("another client's order")
                .isEqualTo(200);
        assertThat(shop.context().getBean(vestcoin.app.setup.Editions.class).live(DemoShop.SHOP))
                .isPresent();
    }
}
