package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.pay.Webhooks;

@ExtendWith(RunningShop.class)
class WebhookTest {
    private static final String HOOK = "/hooks/" + DemoShop.SHOP + "/cards";
    private final RunningShop.Running shop;

    WebhookTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private String secret() {
        return shop.context()
                .getBean(Gateways.class)
                .webhookSecret(DemoShop.SHOP, "cards")
                .orElseThrow();
    }

    private int send(String body, String time, String signature) {
        return shop.anybody()
                .call("POST", HOOK, body, Map.of("Sent-At", time, "Signature", signature))
                .status();
    }

    private static String now() {
        return Long.toString(Instant.now().getEpochSecond());
    }

    private String message(JsonNode placed, String state, long version) {
        Map<String, Object> payment = shop.context()
                .getBean(JdbcClient.class)
                .sql("""
                select idempotency_key as "key", coalesce(provider_ref, 'ref-' || id) as "ref" from payment
                where order_id = (select id from orders where number = :number)""")
                .param("number", placed.path("number").asInt())
                .query()
                .singleRow();
        return Json.write(Map.of(
                "event",
                "event-" + UUID.randomUUID(),
                "payment",
                Map.of(
                        "id",
                        payment.get("ref"),
                        "key",
                        payment.get("key"),
                        "state",
                        state,
                        "reason",
                        "",
                        "amount",
                        3140,
                        "currency",
                        "EUR",
                        "captured",
                        state.equals("captured") ? 3140 : 0,
                        "refunded",
                        0,
                        "version",
                        version)));
    }

    private String state(JsonNode placed) {
        return shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json()
                .path("payments")
                .path(0)
                .path("state")
                .asString();
    }

    @Test
    void a_genuine_message_settles_an_open_payment_once() {
        Caller buyer = shop.anybody();
        JsonNode placed = buyer.placeBook();
        buyer.pay(placed, TestCard.SILENT);
        String body = message(placed, "authorised", 3);
        String time = now();
        assertThat(send(body, time, Webhooks.sign(secret(), time, body))).isEqualTo(204);
        assertThat(state(placed)).isEqualTo("authorised");
        assertThat(send(body, time, Webhooks.sign(secret(), time, body)))
                .as("the same again")
                .isEqualTo(204);
        for (String late : List.of(message(placed, "pending", 4), message(placed, "captured", 2))) {
            assertThat(send(late, time, Webhooks.sign(secret(), time, late)))
                    .as("what cannot follow, and older news")
                    .isEqualTo(204);
            assertThat(state(placed)).isEqualTo("authorised");
        }
    }

    @Test
    void forged_replayed_and_old_messages_change_nothing() {
        Caller buyer = shop.anybody();
        JsonNode placed = buyer.placeBook();
        buyer.pay(placed, TestCard.SILENT);
        String body = message(placed, "authorised", 3);
        String time = now();
        assertThat(send(body, time, Webhooks.sign("another secret", time, body)))
                .isEqualTo(401);
        assertThat(send(body, time, "")).isEqualTo(401);
        assertThat(send(body.replace("3140", "1"), time, Webhooks.sign(secret(), time, body)))
                .as("body changed")
                .isEqualTo(401);
        String old = Long.toString(Instant.now().minusSeconds(600).getEpochSecond());
        assertThat(send(body, old, Webhooks.sign(secret(), old, body)))
                .as("ten minutes old")
                .isEqualTo(401);
        assertThat(state(placed)).isEqualTo("pending");
    }
}
