package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.pay.TestCard;

/** From the basket to the refund, over HTTP against the application as it ships. */
@ExtendWith(RunningShop.class)
class OrderPathTest {
    private final RunningShop.Running shop;

    OrderPathTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static JsonNode order(Caller owner, JsonNode placed) {
        return owner.get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json();
    }

    private static List<String> life(JsonNode order) {
        return StreamSupport.stream(order.path("payments").path(0).path("life").spliterator(), false)
                .map(step -> step.path("state").asString() + " "
                        + step.path("amount").asString())
                .toList();
    }

    private static Map<String, Object> move(String key, String amount) {
        return Map.of("key", key, "amount", amount);
    }

    @Test
    void an_order_is_priced_placed_declined_paid_captured_and_refunded_in_part() {
        Caller buyer = shop.anybody();
        JsonNode quote = buyer.post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                .json();
        assertThat(quote.path("payable").asString()).isEqualTo("31.40");
        JsonNode placed = buyer.placeBook();
        assertThat(placed.path("state").asString()).isEqualTo("unpaid");

        JsonNode declined = buyer.pay(placed, TestCard.DECLINED).json();
        assertThat(declined.path("state").asString()).isEqualTo("declined");
        assertThat(declined.path("reason").asString()).isEqualTo("declined by the bank");
        assertThat(buyer.pay(placed, TestCard.APPROVED).json().path("state").asString())
                .isEqualTo("authorised");

        Caller owner = shop.owner();
        String orders = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        assertThat(owner.post(orders + "/capture", move(UUID.randomUUID().toString(), "31.41"))
                        .status())
                .isEqualTo(409);
        String key = UUID.randomUUID().toString();
        assertThat(owner.post(orders + "/capture", move(key, "31.40"))
                        .json()
                        .path("payments")
                        .path(0)
                        .path("state")
                        .asString())
                .isEqualTo("captured");
        String refund = UUID.randomUUID().toString();
        owner.post(orders + "/refund", move(refund, "5.00"));
        JsonNode after = owner.post(orders + "/refund", move(refund, "5.00")).json();
        assertThat(after.path("payments").path(0).path("state").asString()).isEqualTo("refunded in part");
        assertThat(after.path("payments").path(0).path("toRefund").asString()).isEqualTo("26.40");
        assertThat(life(after)).containsExactly("created 31.40", "authorised 31.40", "captured 31.40", "refunded 5.00");
        assertThat(after.path("payments").size())
                .as("the declined try stays on record")
                .isEqualTo(2);
    }

    @Test
    void an_order_sent_twice_is_placed_once_and_paid_once() {
        Caller buyer = shop.anybody();
        String key = UUID.randomUUID().toString();
        JsonNode first = buyer.post(Caller.COUNTER + "/orders", Caller.placing(key, Caller.book(), "31.40"))
                .json();
        JsonNode second = buyer.post(Caller.COUNTER + "/orders", Caller.placing(key, Caller.book(), "31.40"))
                .json();
        assertThat(second.path("number")).isEqualTo(first.path("number"));

        List<CompletableFuture<Integer>> tries = IntStream.range(0, 8)
                .mapToObj(i -> CompletableFuture.supplyAsync(
                        () -> shop.anybody().pay(first, TestCard.APPROVED).status()))
                .toList();
        assertThat(tries).extracting(CompletableFuture::join).containsOnly(200);
        JsonNode order = order(shop.owner(), first);
        assertThat(order.path("payments").size()).isEqualTo(1);
        assertThat(order.path("payments").path(0).path("state").asString()).isEqualTo("authorised");
    }

    @Test
    void a_total_that_changed_is_shown_and_nothing_is_placed() {
        Caller buyer = shop.anybody();
        long before =
                shop.owner().get(Caller.SHOP + "/orders").json().path("count").asLong();
        Caller.Answer answer = buyer.post(
                Caller.COUNTER + "/orders", Caller.placing(UUID.randomUUID().toString(), Caller.book(), "29.00"));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence())
                .isEqualTo("The total has changed from 29.00 to 31.40 EUR since the page showed it.");
        assertThat(answer.json().path("quote").path("payable").asString()).isEqualTo("31.40");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders")
                        .json()
                        .path("count")
                        .asLong())
                .isEqualTo(before);
    }

    @Test
    void the_bank_asks_the_buyer_who_passes_or_fails() throws Exception {
        for (TestCard card : List.of(TestCard.ASKED_AND_PASSED, TestCard.ASKED_AND_FAILED)) {
            Caller buyer = shop.anybody();
            JsonNode placed = buyer.placeBook();
            JsonNode asked = buyer.pay(placed, card).json();
            assertThat(asked.path("state").asString()).isEqualTo("needs-buyer");
            HttpResponse<Void> answered = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(
                                            URI.create(asked.path("action").asString()))
                                    .POST(HttpRequest.BodyPublishers.ofString("answer=yes"))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding());
            assertThat(answered.headers().firstValue("Location").orElse(""))
                    .endsWith("/order/" + placed.path("token").asString());
            assertThat(buyer.get("/api/counter/orders/" + placed.path("token").asString())
                            .json()
                            .path("state")
                            .asString())
                    .isEqualTo(card == TestCard.ASKED_AND_PASSED ? "authorised" : "declined");
        }
    }

    @Test
    void a_silent_bank_leaves_the_payment_open_and_not_failed() {
        Caller buyer = shop.anybody();
        JsonNode placed = buyer.placeBook();
        assertThat(buyer.pay(placed, TestCard.SILENT).json().path("state").asString())
                .isEqualTo("pending");
        assertThat(buyer.pay(placed, TestCard.APPROVED).json().path("state").asString())
                .as("a second card while the first is open")
                .isEqualTo("pending");
    }

    @Test
    void a_processor_out_of_order_loses_nothing() {
        Caller buyer = shop.anybody();
        Caller owner = shop.owner();
        JsonNode placed = buyer.placeBook();
        buyer.pay(placed, TestCard.APPROVED);
        String orders = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        String key = UUID.randomUUID().toString();
        shop.cards().outage(true);
        Caller.Answer silent = owner.post(orders + "/capture", move(key, "31.40"));
        shop.cards().outage(false);
        assertThat(silent.status()).isEqualTo(502);
        shop.context().getBean(vestcoin.app.payment.Payments.class).askAfterWhatIsOpen();
        assertThat(order(owner, placed)
                        .path("payments")
                        .path(0)
                        .path("captured")
                        .asString())
                .isEqualTo("31.40");
        assertThat(owner.post(orders + "/capture", move(key, "31.40")).status())
                .as("nothing is left to capture")
                .isEqualTo(409);
    }

    /** Nine pairs of reels come to 108.00; OPENDAY takes 12.00 off from 60.00, five times in all. */
    @Test
    void a_code_with_a_limit_of_five_is_never_taken_six_times_by_buyers_at_once() {
        Map<String, Object> basket = Map.of(
                "lines",
                List.of(Map.of("product", "line-reel", "quantity", "9", "options", Map.of("line", "50m"))),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "card",
                "codes",
                List.of("openday"));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("discounts").path(0).path("name").asString()).isEqualTo("Open day, 12.00 off");
        List<CompletableFuture<Integer>> tries = IntStream.range(0, 24)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> {
                    Map<String, Object> placing = new java.util.HashMap<>(Caller.placing(
                            UUID.randomUUID().toString(),
                            basket,
                            quote.path("payable").asString()));
                    placing.put(
                            "contact",
                            Map.of(
                                    "name",
                                    "Buyer " + i,
                                    "email",
                                    "buyer" + i + "@buyers.example",
                                    "lines",
                                    List.of("1 Example Street"),
                                    "city",
                                    "Cork"));
                    return shop.anybody()
                            .post(Caller.COUNTER + "/orders", placing)
                            .status();
                }))
                .toList();
        List<Integer> answers = tries.stream().map(CompletableFuture::join).toList();
        assertThat(answers).containsOnly(200, 409);
        assertThat(answers.stream().filter(status -> status == 200)).hasSize(5);
        JsonNode after = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(after.path("refusedCodes").path(0).path("reason").asString()).isEqualTo("Used up: 5 in all.");
        assertThat(after.path("payable").asString())
                .isNotEqualTo(quote.path("payable").asString());
    }

    /** One payment the provider has lost must not keep the others from being asked after. */
    @Test
    void a_payment_the_provider_does_not_know_is_a_refusal_and_no_failure() {
        Caller buyer = shop.anybody();
        JsonNode placed = buyer.placeBook();
        buyer.pay(placed, TestCard.APPROVED);
        shop.context()
                .getBean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("update payment set provider_ref = 'lost' where order_id = (select id from orders where "
                        + "number = :number)")
                .param("number", placed.path("number").asInt())
                .update();
        Caller.Answer answer = shop.owner()
                .post(
                        Caller.SHOP + "/orders/" + placed.path("number").asInt() + "/capture",
                        move(UUID.randomUUID().toString(), "31.40"));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).isEqualTo("There is no such payment.");
    }

    @Test
    void a_code_nobody_made_is_said_to_the_buyer() {
        Map<String, Object> basket = new java.util.HashMap<>(Caller.book());
        basket.put("codes", List.of("NOSUCH"));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("refusedCodes").path(0).path("reason").asString())
                .isEqualTo("The shop has no such code.");
        assertThat(quote.path("payable").asString()).isEqualTo("31.40");
    }
}
