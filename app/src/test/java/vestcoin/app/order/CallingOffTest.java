package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

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
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;

/** An order called off gives back all it took, once; a refund can say what it is for. */
@ExtendWith(RunningShop.class)
class CallingOffTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    CallingOffTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private static Map<String, Object> basket(String method) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", method);
        return basket;
    }

    private JsonNode placed(Map<String, Object> basket) {
        Caller.Answer answer = shop.anybody().buy(basket);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static String path(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private static Map<String, Object> key() {
        return Map.of("key", UUID.randomUUID().toString());
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    @Test
    void a_buyer_calls_off_until_something_leaves_and_has_everything_back() throws Exception {
        JsonNode placed = placed(basket("card"));
        shop.anybody().pay(placed, TestCard.APPROVED);
        String page = "/api/counter/orders/" + placed.path("token").asString();
        assertThat(shop.anybody().get(page).json().path("callingOff").isObject())
                .isTrue();
        Caller.Answer off = shop.anybody().post(page + "/call-off", "");
        assertThat(off.status()).as(off.text()).isEqualTo(200);
        assertThat(off.json().path("cancelled").asBoolean()).isTrue();
        assertThat(off.json().path("byBuyer").asBoolean()).isTrue();
        assertThat(off.json().path("callingOff").isMissingNode()
                        || off.json().path("callingOff").isNull())
                .isTrue();
        assertThat(shop.anybody().post(page + "/call-off", "").status())
                .as("said twice")
                .isEqualTo(200);
        JsonNode desk = owner.get(path(placed)).json();
        assertThat(desk.path("payments").path(0).path("state").asString()).isEqualTo("voided");
        String number = placed.path("number").asString();
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anySatisfy(letter -> assertThat(letter.subject()).contains("You have called order " + number + " off"))
                .anySatisfy(letter -> {
                    assertThat(letter.subject()).contains("Order " + number).contains("called off by its buyer");
                    assertThat(letter.to()).isEqualTo("hello@tern-and-tether.example");
                }));

        JsonNode sent = placed(basket("card"));
        shop.anybody().pay(sent, TestCard.APPROVED);
        owner.post(path(sent) + "/dispatch", key());
        String gone = "/api/counter/orders/" + sent.path("token").asString();
        assertThat(shop.anybody().get(gone).json().path("callingOff").isObject())
                .isFalse();
        assertThat(shop.anybody().post(gone + "/call-off", "").sentence())
                .isEqualTo("This order cannot be called off here any more.");
    }

    @Test
    void an_authorised_card_is_let_go_at_the_provider_and_the_buyer_is_told() throws Exception {
        JsonNode placed = placed(basket("card"));
        shop.anybody().pay(placed, TestCard.APPROVED);
        JsonNode after = owner.post(path(placed) + "/cancel", "").json();
        assertThat(after.path("standing").asString()).isEqualTo("cancelled");
        assertThat(after.path("payments").path(0).path("state").asString()).isEqualTo("voided");
        String key = sql().sql(
                        "select p.idempotency_key from payment p join orders o on o.id = p.order_id where o.token = "
                                + ":token")
                .param("token", placed.path("token").asString())
                .query(String.class)
                .single();
        assertThat(shop.cards().bookOf(key)).hasValue("voided 0 0");
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        assertThat(owner.get(path(placed) + "/letters").json().valueStream().map(letter -> letter.path("event")
                        .asString()))
                .contains("cancelled");
        assertThat(owner.post(path(placed) + "/dispatch", key()).sentence()).isEqualTo("This order was called off.");
    }

    @Test
    void what_was_taken_goes_back_where_it_came_from_and_twice_gives_back_once() {
        String code = Caller.soldVoucher(shop.context(), "20.00");
        Map<String, Object> basket = basket("transfer");
        basket.put("codes", List.of(code));
        JsonNode placed = placed(basket);
        long transfer = owner.get(path(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        owner.post(
                path(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", transfer, "amount", "11.40"));
        owner.post(path(placed) + "/cancel", "");
        JsonNode after = owner.post(path(placed) + "/cancel", "").json();
        assertThat(after.path("standing").asString()).isEqualTo("refunded");
        assertThat(after.path("payments").valueStream().map(payment -> payment.path("refunded")
                        .asString()))
                .containsExactly("11.40", "20.00");
        assertThat(owner.get(Caller.SHOP + "/vouchers")
                        .json()
                        .valueStream()
                        .filter(each -> each.path("code").asString().equals(code))
                        .findFirst()
                        .orElseThrow()
                        .path("balance")
                        .asString())
                .isEqualTo("20.00");
    }

    @Test
    void stock_and_the_slot_are_there_for_others_again() {
        sql().sql("merge into stock(shop, item, remaining) key (shop, item) values (:shop, 'wind-sock', 3)")
                .param("shop", DemoShop.SHOP)
                .update();
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "wind-sock", "quantity", "2")),
                "to",
                Map.of("country", "IE", "postcode", "H91 X2A0"),
                "delivery",
                "pickup-workshop",
                "method",
                "cash"));
        JsonNode option = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("delivery")
                .valueStream()
                .filter(each -> each.path("chosen").asBoolean())
                .findFirst()
                .orElseThrow();
        basket.put("slot", option.path("slots").path(0).path("start").asString());
        JsonNode placed = placed(basket);
        assertThat(left()).isEqualTo("1");
        owner.post(path(placed) + "/cancel", "");
        owner.post(path(placed) + "/cancel", "");
        assertThat(left()).isEqualTo("3");
        assertThat(sql().sql("select count(*) from slot_taken s join orders o on o.id = s.order_id where o.token "
                                + "= :token")
                        .param("token", placed.path("token").asString())
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    private String left() {
        return sql().sql("select remaining from stock where item = 'wind-sock'")
                .query(java.math.BigDecimal.class)
                .single()
                .stripTrailingZeros()
                .toPlainString();
    }

    /** Whichever comes first: an order called off is never paid, and one being paid is not called off. */
    @Test
    void calling_off_and_paying_at_once_never_both_happen() {
        for (int i = 0; i < 8; i++) {
            JsonNode placed = placed(basket("card"));
            java.util.concurrent.CompletableFuture<Integer> paying = java.util.concurrent.CompletableFuture.supplyAsync(
                    () -> shop.anybody().pay(placed, TestCard.APPROVED).status());
            int cancelling = owner.post(path(placed) + "/cancel", "").status();
            int paid = paying.join();
            JsonNode order = owner.get(path(placed)).json();
            boolean off = !order.path("cancelledAt").isNull()
                    && !order.path("cancelledAt").isMissingNode();
            assertThat(off).isEqualTo(cancelling == 200);
            boolean holds = order.path("payments")
                    .valueStream()
                    .anyMatch(payment -> payment.path("state").asString().equals("authorised"));
            assertThat(off && holds)
                    .as("called off, and the money held all the same; paying said " + paid)
                    .isFalse();
        }
    }

    @Test
    void what_has_left_is_not_called_off_and_nobody_pays_for_what_was() {
        JsonNode gone = placed(basket("transfer"));
        owner.post(path(gone) + "/dispatch", key());
        assertThat(owner.post(path(gone) + "/cancel", "").sentence())
                .isEqualTo("Something of this order has left already.");
        JsonNode placed = placed(basket("card"));
        owner.post(path(placed) + "/cancel", "");
        Caller.Answer paying = shop.anybody().pay(placed, TestCard.APPROVED);
        assertThat(paying.status()).isEqualTo(409);
        assertThat(paying.sentence()).isEqualTo("The shop has called this order off.");
    }

    private JsonNode item(JsonNode placed, String name) {
        return owner.get(path(placed))
                .json()
                .path("items")
                .valueStream()
                .filter(item -> item.path("name").asString().startsWith(name))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode credit(JsonNode placed, int most) throws Exception {
        List<JsonNode> credits = List.of();
        for (int i = 0; i < 50 && credits.size() < most; i++) {
            Thread.sleep(100);
            credits = owner.get(path(placed) + "/papers")
                    .json()
                    .valueStream()
                    .filter(paper -> paper.path("kind").asString().equals("credit"))
                    .toList();
        }
        return credits.get(most - 1);
    }

    @Test
    void a_refund_says_what_it_is_for_and_the_credit_note_has_only_that() throws Exception {
        JsonNode placed = placed(basket("transfer"));
        long payment = owner.get(path(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        owner.post(
                path(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
        JsonNode delivery = item(placed, "Tube parcel");
        assertThat(delivery.path("left").asString()).isEqualTo("6.90");
        String key = delivery.path("item").asString();
        Map<String, Object> wrong = Map.of(
                "key",
                UUID.randomUUID().toString(),
                "payment",
                payment,
                "amount",
                "5.00",
                "parts",
                Map.of(key, "4.00"));
        assertThat(owner.post(path(placed) + "/refund", wrong).sentence())
                .isEqualTo("What is given back of the items does not add up to the amount.");
        Map<String, Object> most = Map.of(
                "key",
                UUID.randomUUID().toString(),
                "payment",
                payment,
                "amount",
                "7.00",
                "parts",
                Map.of(key, "7.00"));
        assertThat(owner.post(path(placed) + "/refund", most).sentence())
                .isEqualTo("Of “Tube parcel” 6.90 can be given back.");
        assertThat(owner.post(
                                path(placed) + "/refund",
                                Map.of(
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "payment",
                                        payment,
                                        "amount",
                                        "6.90",
                                        "parts",
                                        Map.of(key, "6.90")))
                        .status())
                .isEqualTo(200);
        JsonNode note = credit(placed, 1);
        assertThat(note.path("gross").asString()).isEqualTo("6.90");
        String xml = owner.get(path(placed) + "/papers/" + note.path("number").asString() + ".xml")
                .text();
        assertThat(xml).contains("Tube parcel").doesNotContain("Kites You Can Build");
        assertThat(item(placed, "Tube parcel").path("left").asString()).isEqualTo("0.00");
        owner.post(
                path(placed) + "/refund",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "24.50"));
        assertThat(credit(placed, 2).path("gross").asString()).isEqualTo("24.50");
        assertThat(item(placed, "Kites You Can Build").path("left").asString()).isEqualTo("0.00");
    }

    /**
     * The page keeps its key while a refund is refused, so that what is corrected must count, not what was said first.
     */
    @Test
    void a_refund_that_was_not_allowed_and_is_said_anew_credits_what_was_said_last() throws Exception {
        JsonNode placed = placed(basket("transfer"));
        long payment = owner.get(path(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        owner.post(
                path(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "5.00"));
        String key = UUID.randomUUID().toString();
        String delivery = item(placed, "Tube parcel").path("item").asString();
        assertThat(owner.post(
                                path(placed) + "/refund",
                                Map.of(
                                        "key",
                                        key,
                                        "payment",
                                        payment,
                                        "amount",
                                        "6.90",
                                        "parts",
                                        Map.of(delivery, "6.90")))
                        .status())
                .as("more than has come")
                .isEqualTo(409);
        owner.post(
                path(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "26.40"));
        String book = item(placed, "Kites You Can Build").path("item").asString();
        assertThat(owner.post(
                                path(placed) + "/refund",
                                Map.of("key", key, "payment", payment, "amount", "6.90", "parts", Map.of(book, "6.90")))
                        .status())
                .isEqualTo(200);
        assertThat(credit(placed, 1).path("gross").asString()).isEqualTo("6.90");
        assertThat(item(placed, "Tube parcel").path("left").asString()).isEqualTo("6.90");
        assertThat(item(placed, "Kites You Can Build").path("left").asString()).isEqualTo("17.60");
    }

    @Test
    void a_buyer_is_reminded_once_a_day_of_what_is_open() throws Exception {
        JsonNode placed = placed(basket("transfer"));
        assertThat(owner.post(path(placed) + "/reminder", "").status()).isEqualTo(200);
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        String number = String.valueOf(placed.path("number").asInt());
        assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.subject().contains("Order " + number + " waits"))
                        .map(vestcoin.standins.post.PostRoom.Letter::plain))
                .hasSize(1)
                .allMatch(text -> text.contains("€31.40"));
        assertThat(owner.post(path(placed) + "/reminder", "").sentence())
                .isEqualTo("The buyer was reminded today already.");
        JsonNode paid = placed(basket("card"));
        shop.anybody().pay(paid, TestCard.APPROVED);
        assertThat(owner.post(path(paid) + "/reminder", "").status()).isEqualTo(409);
    }
}
