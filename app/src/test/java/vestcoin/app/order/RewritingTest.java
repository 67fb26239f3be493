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
 * Quantities and place of an order of which nothing has left: priced again, stock given back and taken, the buyer told;
 * of what was taken the difference given back or waited for, what was invoiced credited and invoiced anew.
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
        assertThat(change(placed, "5", "0").status()).isEqualTo(200);
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
        assertThat(change(placed, "4").status()).isEqualTo(200);
        String less = page(placed).path("slip").path("amount").asString();
        assertThat(less).isNotEqualTo(due);
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.plain().contains(less)));
        assertThat(change(placed, "5").status()).isEqualTo(200);

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
    void once_money_came_in_part_it_stays_as_it_is() {
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
        assertThat(refused.sentence()).startsWith("It stays as it is");
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
        assertThat(change(placed, "1", "1").status()).isEqualTo(200);
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

    private JsonNode paid(String socks, String kites) throws Exception {
        JsonNode placed = placed(socks, kites, "transfer");
        JsonNode order = shop.owner().get(at(placed)).json();
        came(placed, order.path("payments").path(0), order.path("payable").asString());
        papers(placed, 1);
        return placed;
    }

    private void came(JsonNode placed, JsonNode payment, String amount) {
        assertThat(shop.owner()
                        .post(
                                at(placed) + "/surplus",
                                Map.of(
                                        "payment",
                                        payment.path("id").asLong(),
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "amount",
                                        amount))
                        .status())
                .isEqualTo(200);
    }

    private JsonNode papers(JsonNode placed, int many) throws Exception {
        Soon.holds(
                () -> assertThat(shop.owner().get(at(placed) + "/papers").json().size())
                        .isEqualTo(many));
        return shop.owner().get(at(placed) + "/papers").json();
    }

    private static BigDecimal sum(JsonNode papers) {
        BigDecimal sum = BigDecimal.ZERO;
        for (JsonNode paper : papers) {
            BigDecimal gross = new BigDecimal(paper.path("gross").asString());
            sum = paper.path("kind").asString().equals("credit") ? sum.subtract(gross) : sum.add(gross);
        }
        return sum;
    }

    @Test
    void of_what_was_paid_less_is_given_back_and_invoiced_anew() throws Exception {
        JsonNode placed = paid("3", "1");
        BigDecimal before = new BigDecimal(
                shop.owner().get(at(placed)).json().path("payable").asString());
        JsonNode looked = shop.owner()
                .put(at(placed) + "/lines?look=true", Map.of("quantities", List.of("1", "1")))
                .json();
        assertThat(new BigDecimal(looked.path("before").asString())).isEqualByComparingTo(before);
        assertThat(shop.owner()
                        .get(at(placed))
                        .json()
                        .path("payments")
                        .path(0)
                        .path("refunded")
                        .asString())
                .as("looking moves nothing")
                .isEqualTo("0.00");
        assertThat(change(placed, "1", "1").status()).isEqualTo(200);
        JsonNode order = shop.owner().get(at(placed)).json();
        BigDecimal now = new BigDecimal(order.path("payable").asString());
        assertThat(now)
                .isLessThan(before)
                .isEqualByComparingTo(looked.path("now").asString());
        assertThat(order.path("standing").asString()).isEqualTo("paid");
        assertThat(new BigDecimal(
                        order.path("payments").path(0).path("refunded").asString()))
                .isEqualByComparingTo(before.subtract(now));
        JsonNode papers = papers(placed, 3);
        assertThat(papers.valueStream().map(paper -> paper.path("kind").asString()))
                .containsExactlyInAnyOrder("invoice", "credit", "invoice");
        assertThat(sum(papers)).isEqualByComparingTo(now);
        assertThat(page(placed).path("standing").asString()).isEqualTo("paid");

        // Called off, the rest goes back, and all that was invoiced is credited.
        shop.owner().post(at(placed) + "/cancel", Map.of());
        assertThat(sum(papers(placed, 4))).isEqualByComparingTo("0");
        assertThat(shop.owner()
                        .get(at(placed))
                        .json()
                        .path("payments")
                        .path(0)
                        .path("refunded")
                        .asString())
                .isEqualTo(before.toPlainString());
    }

    @Test
    void of_what_was_paid_more_is_waited_for_and_invoiced_once_it_came() throws Exception {
        JsonNode placed = paid("1", "1");
        BigDecimal before = new BigDecimal(
                shop.owner().get(at(placed)).json().path("payable").asString());
        assertThat(change(placed, "3", "1").status()).isEqualTo(200);
        JsonNode order = shop.owner().get(at(placed)).json();
        BigDecimal now = new BigDecimal(order.path("payable").asString());
        assertThat(order.path("standing").asString()).isEqualTo("paid in part");
        assertThat(page(placed).path("slip").path("amount").asString())
                .isEqualTo(now.subtract(before).toPlainString());
        assertThat(new BigDecimal(page(placed).path("inPart").path("left").asString()))
                .isEqualByComparingTo(now.subtract(before));
        assertThat(sum(papers(placed, 2))).as("credited").isEqualByComparingTo("0");

        // Changed again before it came, more or less of it is waited for; as it was, nothing is.
        assertThat(change(placed, "2", "1").status()).isEqualTo(200);
        JsonNode between = shop.owner().get(at(placed)).json();
        assertThat(page(placed).path("slip").path("amount").asString())
                .isEqualTo(new BigDecimal(between.path("payable").asString())
                        .subtract(before)
                        .toPlainString());
        assertThat(change(placed, "1", "1").status()).isEqualTo(200);
        assertThat(shop.owner().get(at(placed)).json().path("standing").asString())
                .isEqualTo("paid");
        assertThat(sum(papers(placed, 3))).isEqualByComparingTo(before);
        assertThat(page(placed).path("state").asString()).isEqualTo("captured");
        assertThat(page(placed).hasNonNull("slip")).isFalse();

        assertThat(change(placed, "3", "1").status()).isEqualTo(200);
        papers(placed, 4);
        came(
                placed,
                shop.owner().get(at(placed)).json().path("payments").path(0),
                now.subtract(before).toPlainString());
        assertThat(sum(papers(placed, 5))).isEqualByComparingTo(now);
        assertThat(shop.owner().get(at(placed)).json().path("standing").asString())
                .isEqualTo("paid");
    }

    @Test
    void what_a_provider_took_is_given_back_by_it() throws Exception {
        JsonNode placed = placed("2", "1", "card");
        assertThat(shop.anybody().pay(placed, TestCard.APPROVED).status()).isEqualTo(200);
        JsonNode held = shop.owner().get(at(placed)).json();
        shop.owner()
                .post(
                        at(placed) + "/capture",
                        Map.of(
                                "key",
                                UUID.randomUUID().toString(),
                                "amount",
                                held.path("payable").asString()));
        papers(placed, 1);
        assertThat(change(placed, "1", "1").status()).isEqualTo(200);
        JsonNode order = shop.owner().get(at(placed)).json();
        BigDecimal back = new BigDecimal(held.path("payable").asString())
                .subtract(new BigDecimal(order.path("payable").asString()));
        Soon.holds(() -> assertThat(shop.owner()
                        .get(at(placed))
                        .json()
                        .path("payments")
                        .path(0)
                        .path("refunded")
                        .asString())
                .isEqualTo(back.toPlainString()));
        assertThat(sum(papers(placed, 3)))
                .isEqualByComparingTo(order.path("payable").asString());
        // A refund afterwards is one of what it is now.
        shop.owner()
                .post(at(placed) + "/refund", Map.of("key", UUID.randomUUID().toString(), "amount", "5.00"));
        assertThat(sum(papers(placed, 4)))
                .isEqualByComparingTo(
                        new BigDecimal(order.path("payable").asString()).subtract(new BigDecimal("5.00")));
        assertThat(change(placed, "2", "1").status()).isEqualTo(409);
    }

    private Caller.Answer moved(JsonNode placed, String country, String postcode, String city) {
        return shop.owner()
                .put(
                        at(placed) + "/address",
                        Map.of(
                                "name",
                                "Test Buyer",
                                "lines",
                                List.of("3 Example Street"),
                                "city",
                                city,
                                "postcode",
                                postcode,
                                "country",
                                country));
    }

    @Test
    void another_country_is_another_price_and_another_tax() throws Exception {
        JsonNode placed = paid("1", "1");
        BigDecimal before = new BigDecimal(
                shop.owner().get(at(placed)).json().path("payable").asString());
        assertThat(moved(placed, "DE", "10115", "Berlin").status()).isEqualTo(200);
        JsonNode order = shop.owner().get(at(placed)).json();
        BigDecimal now = new BigDecimal(order.path("payable").asString());
        assertThat(now).isGreaterThan(before);
        assertThat(order.path("address").path("country").asString()).isEqualTo("DE");
        assertThat(order.path("quote").path("taxes").path(0).path("percent").asString())
                .startsWith("19");
        assertThat(sum(papers(placed, 2))).isEqualByComparingTo("0");
        came(placed, order.path("payments").path(0), now.subtract(before).toPlainString());
        assertThat(sum(papers(placed, 3))).isEqualByComparingTo(now);
        String nowhere = moved(placed, "AQ", "", "Nowhere").sentence();
        assertThat(nowhere).isNotEmpty();
        assertThat(shop.owner()
                        .get(at(placed))
                        .json()
                        .path("address")
                        .path("country")
                        .asString())
                .isEqualTo("DE");
    }
}
