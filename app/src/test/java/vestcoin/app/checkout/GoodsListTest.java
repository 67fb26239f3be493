package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.message.Messages;
import vestcoin.app.setup.LongerList;
import vestcoin.standins.post.PostRoom;

/** The list of goods: headings, finding, pages; what is hidden, not yet and sold out; what is asked and answered. */
@ExtendWith(RunningShop.class)
class GoodsListTest {
    private final RunningShop.Running shop;

    GoodsListTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode list(String query) {
        return shop.anybody().get(Caller.COUNTER + "/goods?" + query).json();
    }

    private static List<String> ids(JsonNode goods) {
        return StreamSupport.stream(goods.path("products").spliterator(), false)
                .map(product -> product.path("id").asString())
                .toList();
    }

    private static Map<String, Object> basket(Object line) {
        return new HashMap<>(Map.of(
                "lines",
                List.of(line),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "transfer"));
    }

    @Test
    void goods_stand_under_the_headings_of_their_groups() {
        JsonNode counter = shop.anybody().get(Caller.COUNTER).json();
        assertThat(counter.path("headings")
                        .valueStream()
                        .map(each -> each.path("id").asString() + " "
                                + each.path("count").asInt()))
                .containsExactly(" 18", "downloads 1", "on-a-date 1");
        assertThat(ids(list("heading=on-a-date"))).containsExactly("saturday-workshop");
        assertThat(ids(list("heading=-"))).hasSize(18).contains("delta-kite");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "?language=de")
                        .json()
                        .path("headings")
                        .valueStream()
                        .map(each -> each.path("name").asString()))
                .contains("Zum Herunterladen");
    }

    @Test
    void goods_are_found_by_words_in_any_case_and_without_accents() {
        assertThat(ids(list("find=KITE%20box"))).contains("box-kite").doesNotContain("delta-kite");
        assertThat(ids(list("find=windy"))).as("by its sentence").containsExactly("box-kite");
        assertThat(ids(list("find=fur%20windige&language=de"))).containsExactly("box-kite");
        assertThat(list("find=submarine").path("found").asInt()).isZero();
    }

    @Test
    void a_long_list_comes_page_by_page_and_a_basket_knows_its_goods() throws Exception {
        try (RunningShop.Running large = RunningShop.start()) {
            LongerList.goods(large, 500);
            Caller buyer = large.anybody();
            JsonNode first = buyer.get(Caller.COUNTER + "?with=more-400&with=gone")
                    .json()
                    .path("goods");
            assertThat(first.path("listed").asInt()).isEqualTo(48);
            assertThat(ids(first)).hasSize(49).endsWith("more-400");
            int found = first.path("found").asInt();
            assertThat(found).isEqualTo(500);
            JsonNode last = buyer.get(Caller.COUNTER + "/goods?from=480").json();
            assertThat(ids(last)).hasSize(20);
            assertThat(last.path("prices").propertyNames()).hasSize(20);
            assertThat(ids(buyer.get(Caller.COUNTER + "/goods?find=number%20477")
                            .json()))
                    .containsExactly("more-477");
        }
    }

    @Test
    void what_is_hidden_is_sold_by_its_link_and_what_is_not_yet_says_from_when() {
        shop.owner()
                .publish(Map.of(
                        "goods/products/spar-set/selling", Map.of("state", "hidden"),
                        "goods/products/mending-kit/selling", Map.of("state", "on-sale", "from", "2039-05-01"),
                        "goods/products/line-reel/selling", Map.of("state", "sold-out")));
        JsonNode goods =
                shop.anybody().get(Caller.COUNTER + "?with=spar-set").json().path("goods");
        assertThat(ids(goods).subList(0, goods.path("listed").asInt())).doesNotContain("spar-set");
        assertThat(ids(goods)).contains("spar-set");
        JsonNode soon = StreamSupport.stream(goods.path("products").spliterator(), false)
                .filter(product -> product.path("id").asString().equals("mending-kit"))
                .findFirst()
                .orElseThrow();
        assertThat(soon.path("from").asString()).isEqualTo("2039-05-01");
        Caller.Answer early = shop.anybody().buy(basket(Map.of("product", "mending-kit", "quantity", "1")));
        assertThat(early.status()).isEqualTo(409);
        assertThat(early.text()).contains("can be had from 1 May 2039");
        assertThat(shop.anybody()
                        .buy(basket(Map.of("product", "spar-set", "quantity", "1")))
                        .status())
                .isEqualTo(200);
    }

    /** Names of what a buyer reads are in the buyer's language, down to what stands on each unit. */
    @Test
    void what_is_asked_is_asked_in_the_language_of_the_buyer() {
        JsonNode goods = shop.anybody()
                .get(Caller.COUNTER + "?language=de")
                .json()
                .path("goods")
                .path("products");
        JsonNode kite = goods.path(0);
        assertThat(kite.path("sentence").asString()).isEqualTo("Fliegt bei leichtem Wind; in fünf Minuten oben.");
        assertThat(kite.path("questions")
                        .path(1)
                        .path("answers")
                        .path(1)
                        .path("name")
                        .asString())
                .isEqualTo("Rost");
    }

    /** A name sewn on, priced by the letter, stands wherever somebody would look for it. */
    @Test
    void an_answer_is_priced_and_stands_on_order_letter_desk_and_invoice() throws Exception {
        Map<String, Object> line = Map.of(
                "product",
                "delta-kite",
                "quantity",
                "1",
                "options",
                Map.of("size", "small"),
                "answers",
                Map.of("name", "Finn Mara", "thread", "rust"));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket(line)))
                .json();
        assertThat(new BigDecimal(quote.path("goods").asString())).isEqualByComparingTo("54.00");
        assertThat(quote.path("basket").path(0).path("choices").valueStream().map(JsonNode::asString))
                .containsExactly("1.6 m", "Name sewn on: Finn Mara", "Thread: Rust");
        Caller.Answer placed = shop.anybody().buy(basket(line));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        String page = shop.anybody()
                .get("/api/counter/orders/" + placed.json().path("token").asString())
                .text();
        assertThat(page).contains("Name sewn on: Finn Mara");
        int number = placed.json().path("number").asInt();
        JsonNode desk = shop.owner().get(Caller.SHOP + "/orders/" + number).json();
        assertThat(desk.toString()).contains("Name sewn on: Finn Mara");
        shop.context().getBean(Messages.class).settled();
        assertThat(shop.services().post().letters().stream()
                        .map(PostRoom.Letter::plain)
                        .anyMatch(text -> text.contains("Name sewn on: Finn Mara")))
                .isTrue();
        JsonNode payment = desk.path("payments").path(0);
        Caller.Answer paid = shop.owner()
                .post(
                        Caller.SHOP + "/orders/" + number + "/capture",
                        Map.of(
                                "key",
                                UUID.randomUUID().toString(),
                                "payment",
                                payment.path("id").asLong(),
                                "amount",
                                payment.path("amount").asString()));
        assertThat(paid.status()).as(paid.text()).isEqualTo(200);
        Soon.holds(() -> assertThat(
                        shop.owner().get(Caller.SHOP + "/sales.csv?mode=test").text())
                .contains("Name sewn on: Finn Mara; Thread: Rust"));
        Caller.Answer tooLong = shop.anybody()
                .post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(basket(Map.of(
                                "product",
                                "delta-kite",
                                "quantity",
                                "1",
                                "options",
                                Map.of("size", "small"),
                                "answers",
                                Map.of("name", "x".repeat(5000))))));
        assertThat(tooLong.status()).isEqualTo(422);
        assertThat(tooLong.sentence()).contains("takes at most 12 characters; 5,000 are typed");
        assertThat(tooLong.paths()).containsExactly("order/lines/0/answers/name");
    }
}
