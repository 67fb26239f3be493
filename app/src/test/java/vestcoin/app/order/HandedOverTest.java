package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
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
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.message.Messages;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.post.PostRoom;

/**
 * What is agreed of an order, where and when it changes hands and what is still open, stands wherever somebody would
 * look for it.
 */
@ExtendWith(RunningShop.class)
class HandedOverTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    HandedOverTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private JsonNode placed(Map<String, Object> basket) {
        Caller.Answer answer = shop.anybody().buy(basket);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Map<String, Object> by(String method) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", method);
        return basket;
    }

    private JsonNode page(JsonNode placed) {
        return shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json();
    }

    private static String desk(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private PostRoom.Letter letter(JsonNode placed, String words) throws Exception {
        shop.context().getBean(Messages.class).settled();
        return shop.services().post().letters().stream()
                .filter(each -> each.plain().contains(words) || each.subject().contains(words))
                .filter(each -> (each.subject() + each.plain())
                        .contains(String.valueOf(placed.path("number").asInt())))
                .filter(each -> each.to().contains("buyer@"))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no letter with “" + words + "” among "
                        + shop.services().post().letters().stream()
                                .map(PostRoom.Letter::subject)
                                .toList()));
    }

    /** The last slot on offer, which is beyond the first twelve. */
    private JsonNode collected() {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "H91 X2A0"),
                "delivery",
                "pickup-workshop",
                "method",
                "cash"));
        JsonNode slots = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("delivery")
                .valueStream()
                .filter(each -> each.path("chosen").asBoolean())
                .findFirst()
                .orElseThrow()
                .path("slots");
        assertThat(slots.size()).as("all that are open").isGreaterThan(12);
        basket.put("slot", slots.path(slots.size() - 1).path("start").asString());
        JsonNode placed = placed(basket);
        ((tools.jackson.databind.node.ObjectNode) placed).put("slot", (String) basket.get("slot"));
        return placed;
    }

    @Test
    void place_street_time_and_what_to_bring_stand_on_the_page_the_desk_and_in_every_letter() throws Exception {
        JsonNode placed = collected();
        String time = placed.path("slot").asString();
        for (JsonNode told : List.of(
                page(placed).path("handover"), owner.get(desk(placed)).json().path("handover"))) {
            assertThat(told.path("place").asString()).isEqualTo("Workshop, Example Dock");
            assertThat(told.path("lines").path(0).asString()).isEqualTo("7 Example Dock Road");
            assertThat(told.path("lines").path(1).asString()).startsWith("H91 X2A0");
            assertThat(told.path("starts").asString()).startsWith(time.substring(0, 16));
            assertThat(told.path("bring").asString()).startsWith("Ring twice");
        }
        JsonNode row = owner.get(
                        Caller.SHOP + "/orders?words=" + placed.path("number").asInt())
                .json()
                .at("/orders/0");
        assertThat(row.path("way").asString()).as("in the list").isEqualTo("pickup-workshop");
        assertThat(row.path("slot").asString()).startsWith(time.substring(0, 16));
        String hour = time.substring(11, 16);
        assertThat(letter(placed, "Workshop, Example Dock").plain())
                .contains("7 Example Dock Road", hour, "Ring twice");
        String receipt = text(shop.anybody()
                .bytes("/api/counter/orders/" + placed.path("token").asString() + "/receipt.pdf"));
        assertThat(receipt).contains("Workshop, Example Dock", hour);
        assertThat(text(owner.bytes(desk(placed) + "/slip.pdf"))).contains("Workshop, Example Dock", hour);
        owner.post(desk(placed) + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        assertThat(letter(placed, "handed over").plain()).doesNotContain("on its way", "is on the way");
    }

    private static String text(byte[] pdf) throws Exception {
        PdfReader reader = new PdfReader(pdf);
        StringBuilder text = new StringBuilder();
        for (int page = 1; page <= reader.getNumberOfPages(); page++) {
            text.append(new PdfTextExtractor(reader).getTextFromPage(page)).append('\n');
        }
        return text.toString();
    }

    @Test
    void a_letter_for_a_transfer_names_account_reference_and_that_it_is_unpaid() throws Exception {
        JsonNode placed = placed(by("transfer"));
        String plain = letter(placed, "IBAN").plain();
        assertThat(plain)
                .contains(
                        "not paid yet",
                        "IE36 TNTR 9300 0001 2345 67",
                        placed.path("slip").path("reference").asString(),
                        "31.40");
    }

    @Test
    void a_slip_for_what_is_sent_bears_the_buyers_address() throws Exception {
        JsonNode placed = placed(by("card"));
        assertThat(text(owner.bytes(desk(placed) + "/slip.pdf")))
                .contains("Test Buyer", "1 Example Street", "T12 X2A0");
    }

    @Test
    void a_transfer_that_has_come_asks_for_nothing_more() {
        JsonNode placed = placed(by("transfer"));
        assertThat(page(placed).path("slip").isObject()).isTrue();
        long payment = owner.get(desk(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        owner.post(
                desk(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "10.00"));
        assertThat(page(placed).path("slip").path("amount").asString())
                .as("what is open still")
                .isEqualTo("21.40");
        owner.post(
                desk(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "21.40"));
        assertThat(page(placed).path("slip").isObject()).isFalse();
        assertThat(page(placed).path("standing").asString()).isEqualTo("paid");
    }

    @Test
    void a_card_that_is_only_authorised_is_not_paid() {
        JsonNode placed = placed(by("card"));
        shop.anybody().pay(placed, TestCard.APPROVED);
        assertThat(page(placed).path("standing").asString()).isEqualTo("authorised");
        assertThat(page(placed).path("state").asString()).isEqualTo("authorised");
    }

    @Test
    void after_a_declined_card_another_way_can_be_taken_and_never_beside_a_living_payment() {
        JsonNode placed = placed(by("card"));
        String way = "/api/counter/orders/" + placed.path("token").asString() + "/method";
        shop.anybody().pay(placed, TestCard.DECLINED);
        assertThat(page(placed).path("quote").path("methods").valueStream().map(method -> method.path("id")
                        .asString()))
                .contains("wallet", "transfer");
        JsonNode moved = shop.anybody()
                .post(way, Map.of("method", "transfer", "expected", "31.40"))
                .json();
        assertThat(moved.path("kind").asString()).isEqualTo("transfer");
        assertThat(moved.path("slip").isObject()).isTrue();
        assertThat(shop.anybody()
                        .post(way, Map.of("method", "nothing-known", "expected", "31.40"))
                        .status())
                .isIn(409, 422);
        JsonNode paid = placed(by("card"));
        shop.anybody().pay(paid, TestCard.APPROVED);
        assertThat(shop.anybody()
                        .post(
                                "/api/counter/orders/" + paid.path("token").asString() + "/method",
                                Map.of("method", "transfer", "expected", "31.40"))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void what_is_withdrawn_stands_in_the_list_and_is_sent_only_when_asked_for_all_the_same() {
        JsonNode placed = placed(by("card"));
        shop.anybody().pay(placed, TestCard.APPROVED);
        long payment = owner.get(desk(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        owner.post(
                desk(placed) + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
        assertThat(shop.anybody()
                        .post(
                                "/api/counter/orders/" + placed.path("token").asString() + "/withdrawal",
                                Map.of("lines", List.of(), "note", ""))
                        .status())
                .isEqualTo(200);
        assertThat(owner.get(Caller.SHOP + "/orders?words="
                                + placed.path("number").asInt())
                        .json()
                        .path("orders")
                        .path(0)
                        .path("withdrawn")
                        .asBoolean())
                .isTrue();
        Caller.Answer asked = owner.post(
                desk(placed) + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        assertThat(asked.status()).isEqualTo(409);
        assertThat(asked.sentence()).startsWith("The buyer has withdrawn");
        assertThat(owner.post(
                                desk(placed) + "/dispatch",
                                Map.of("key", UUID.randomUUID().toString(), "despite", true))
                        .status())
                .isEqualTo(200);
        JsonNode off = placed(by("card"));
        owner.post(desk(off) + "/cancel", "");
        assertThat(owner.get(Caller.SHOP + "/orders?words=" + off.path("number").asInt())
                        .json()
                        .path("orders")
                        .path(0)
                        .path("cancelled")
                        .asBoolean())
                .isTrue();
        assertThat(owner.get(desk(off)).json().path("toCancel").asBoolean()).isFalse();
    }

    @Test
    void an_order_of_the_owner_while_the_shop_is_closed_is_a_practice_order_with_a_practice_number() {
        owner.put(Caller.SHOP + "/opening", Map.of("open", false, "notice", ""));
        try {
            JsonNode placed = owner.buy(by("transfer")).json();
            JsonNode order = owner.get(desk(placed)).json();
            assertThat(order.path("mode").asString()).isEqualTo("test");
            long payment = order.path("payments").path(0).path("id").asLong();
            owner.post(
                    desk(placed) + "/capture",
                    Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
            JsonNode papers = owner.get(desk(placed) + "/papers").json();
            assertThat(papers.valueStream().map(paper -> paper.path("number").asString()))
                    .allMatch(number -> number.startsWith("T"));
        } finally {
            shop.context().getBean(ShopOpenings.class).open(DemoShop.SHOP);
        }
    }

    @Test
    void what_was_never_paid_lapses_and_gives_back_stock_and_codes_and_nothing_lapses_while_a_card_holds_it() {
        sql().sql("merge into stock(shop, item, remaining) key (shop, item) values (:shop, 'wind-sock', 3)")
                .param("shop", DemoShop.SHOP)
                .update();
        Map<String, Object> basket = new HashMap<>(by("transfer"));
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "2")));
        JsonNode placed = placed(basket);
        JsonNode card = placed(by("card"));
        shop.anybody().pay(card, TestCard.APPROVED);
        assertThat(left()).isEqualTo("1");
        sql().sql("update orders set lapses_at = timestamp with time zone '2020-01-01 00:00:00+00' where "
                        + "token in (:one, :two)")
                .param("one", placed.path("token").asString())
                .param("two", card.path("token").asString())
                .update();
        shop.context().getBean(Cancelling.class).lapse();
        assertThat(left()).isEqualTo("3");
        assertThat(owner.get(desk(placed)).json().path("lapsed").asBoolean()).isTrue();
        assertThat(page(placed).path("standing").asString()).isEqualTo("cancelled");
        assertThat(owner.get(desk(card)).json().path("lapsed").asBoolean()).isFalse();
        assertThat(page(card).path("standing").asString()).isEqualTo("authorised");
    }

    private String left() {
        return sql().sql("select remaining from stock where shop = :shop and item = 'wind-sock'")
                .param("shop", DemoShop.SHOP)
                .query(java.math.BigDecimal.class)
                .single()
                .stripTrailingZeros()
                .toPlainString();
    }

    @Test
    void what_is_sold_out_is_marked_before_anybody_puts_it_in() {
        sql().sql("merge into stock(shop, item, remaining) key (shop, item) values (:shop, 'mending-kit', 0)")
                .param("shop", DemoShop.SHOP)
                .update();
        JsonNode counter = shop.anybody().get(Caller.COUNTER).json();
        assertThat(counter.path("goods").path("left").path("mending-kit").asString("not there"))
                .isEqualTo("0");
        assertThat(counter.path("goods").path("left").propertyNames())
                .as("only what is counted")
                .doesNotContain("kites-you-can-build");
    }
}
