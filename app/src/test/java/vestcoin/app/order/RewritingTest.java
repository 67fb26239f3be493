package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.standins.pay.TestCard;

/**
 * Quantities of an unpaid order: priced again, stock given back and taken, the buyer told; nothing after money came.
 */
@ExtendWith(RunningShop.class)
class RewritingTest {
    private final RunningShop.Running shop;

    RewritingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static String at(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private JsonNode placed(String socks, String reels) {
        return placed(socks, reels, "transfer");
    }

    private JsonNode placed(String socks, String reels, String method) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put(
                "lines",
                List.of(
                        Map.of("product", "wind-sock", "quantity", socks),
                        Map.of("product", "sled-kite", "quantity", reels)));
        basket.put("delivery", "tube");
        basket.put("method", method);
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        Caller.Answer answer = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, toPay));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private Caller.Answer change(JsonNode placed, String... quantities) {
        return shop.owner().put(at(placed) + "/lines", Map.of("quantities", List.of(quantities)));
    }

    private JsonNode page(JsonNode placed) {
        return shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json();
    }

    @Test
    void an_unpaid_order_is_priced_again_and_takes_what_it_needs_now() throws Exception {
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("merge into stock(shop, item, remaining) key (shop, item) values ('tern-and-tether', 'wind-sock', 10)")
                .update();
        JsonNode placed = placed("2", "1");
        assertThat(remaining(sql)).isEqualByComparingTo("8");
        assertThat(change(placed, "5", "0").status()).isEqualTo(204);
        assertThat(remaining(sql)).isEqualByComparingTo("5");
        JsonNode order = shop.owner().get(at(placed)).json();
        assertThat(order.path("lines")).hasSize(1);
        JsonNode page = page(placed);
        String due = page.path("slip").path("amount").asString();
        assertThat(new BigDecimal(due))
                .isEqualByComparingTo(order.path("payable").asString());
        assertThat(due).isNotEqualTo(placed.path("slip").path("amount").asString());
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.plain().contains(due)
                        && letter.plain()
                                .contains(String.valueOf(placed.path("number").asInt()))));

        // Changed again on the same day, the buyer is told again.
        assertThat(change(placed, "4").status()).isEqualTo(204);
        String less = page(placed).path("slip").path("amount").asString();
        assertThat(less).isNotEqualTo(due);
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.plain().contains(less)));
        assertThat(change(placed, "5").status()).isEqualTo(204);

        // More than there are is refused, and nothing is taken or given back.
        Caller.Answer many = change(placed, "50");
        assertThat(many.status()).isEqualTo(409);
        assertThat(remaining(sql)).isEqualByComparingTo("5");
        assertThat(page(placed).path("slip").path("amount").asString()).isEqualTo(due);
        assertThat(change(placed, "0").sentence()).isEqualTo("Nothing would be left to pay.");
        assertThat(change(placed, "1", "1").status()).isEqualTo(422);

        // Called off, all of it is back.
        shop.owner().post(at(placed) + "/cancel", Map.of());
        assertThat(remaining(sql)).isEqualByComparingTo("10");
        assertThat(change(placed, "1").status()).isEqualTo(409);
    }

    private static BigDecimal remaining(JdbcClient sql) {
        return sql.sql("select remaining from stock where shop = 'tern-and-tether' and item = 'wind-sock'")
                .query(BigDecimal.class)
                .single();
    }

    @Test
    void once_money_came_it_stays_as_it_is() {
        JsonNode placed = placed("1", "1");
        long payment = shop.owner()
                .get(at(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        shop.owner()
                .post(
                        at(placed) + "/surplus",
                        Map.of("payment", payment, "key", UUID.randomUUID().toString(), "amount", "5.00"));
        Caller.Answer refused = change(placed, "2", "1");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.sentence()).startsWith("What it holds stays as it is");
    }

    /** What was authorised is an upper bound of what is taken. Common practice, no source. */
    @Test
    void what_a_card_holds_reaches_for_less_and_the_rest_is_never_taken() throws Exception {
        JsonNode placed = placed("3", "1", "card");
        assertThat(shop.anybody().pay(placed, TestCard.APPROVED).status()).isEqualTo(200);
        JsonNode held = shop.owner().get(at(placed)).json();
        assertThat(held.path("standing").asString()).isEqualTo("authorised");
        Caller.Answer more = change(placed, "4", "1");
        assertThat(more.status()).isEqualTo(409);
        assertThat(more.sentence()).contains(held.path("payable").asString());
        assertThat(change(placed, "1", "1").status()).isEqualTo(204);
        JsonNode order = shop.owner().get(at(placed)).json();
        BigDecimal less = new BigDecimal(order.path("payable").asString());
        assertThat(less).isLessThan(new BigDecimal(held.path("payable").asString()));
        String said = less.toPlainString();
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.to().contains("buyer")
                        && letter.plain().contains("€" + said)
                        && letter.plain().contains("1 Wind sock")));

        assertThat(shop.owner()
                        .post(
                                at(placed) + "/dispatch",
                                Map.of("key", UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(200);
        JsonNode sent = shop.owner().get(at(placed)).json();
        assertThat(sent.path("standing").asString()).isEqualTo("paid");
        assertThat(new BigDecimal(sent.path("payments").path(0).path("captured").asString()))
                .isEqualByComparingTo(less);
        Soon.holds(() -> assertThat(shop.owner().get(at(placed) + "/papers").json())
                .singleElement()
                .satisfies(
                        paper -> assertThat(new BigDecimal(paper.path("gross").asString()))
                                .isEqualByComparingTo(less)));
        assertThat(change(placed, "1", "0").status()).as("it has left").isEqualTo(409);
    }
}
