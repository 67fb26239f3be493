package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.post.PostRoom.Letter;

/** The counter in another language and in another currency, and what a buyer agrees to. */
@ExtendWith(RunningShop.class)
class LanguagesTest {
    private final RunningShop.Running shop;

    LanguagesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> basket(String language) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        basket.put("language", language);
        return basket;
    }

    private void edit(String path, Object was, Object now) {
        Map<String, Object> edit = new HashMap<>(Map.of("path", path));
        edit.put("was", was);
        edit.put("now", now);
        Caller.Answer answer = shop.owner().post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @Test
    void a_buyer_reads_goods_ways_and_terms_in_the_language_asked_for() {
        JsonNode german = shop.anybody().get(Caller.COUNTER + "?language=de-AT").json();
        assertThat(german.path("language").asString()).isEqualTo("de");
        assertThat(german.path("languages").valueStream().map(JsonNode::asString))
                .containsExactly("en-IE", "de");
        assertThat(german.path("goods").path("products").valueStream().map(product -> product.path("name")
                        .asString()))
                .contains("Deltadrachen", "Windsack")
                .doesNotContain("Delta kite");
        assertThat(german.path("orderButton").asString()).isEqualTo("Zahlungspflichtig bestellen");
        assertThat(german.path("texts")
                        .valueStream()
                        .filter(text -> text.path("kind").asString().equals("returns"))
                        .map(text -> text.path("text").asString()))
                .allMatch(text -> text.contains("binnen 14 Tagen")
                        && text.contains("7 Example Dock Road")
                        && text.contains("Die Rücksendung bezahlen Sie."));
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "?language=ja")
                        .json()
                        .path("language")
                        .asString())
                .as("a language the shop does not have")
                .isEqualTo("en-IE");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket("de")))
                .json();
        assertThat(quote.path("lines").path(0).path("name").asString()).isEqualTo("Drachen zum Selberbauen, Buch");
        assertThat(quote.path("methods").valueStream().map(method -> method.path("title")
                        .asString()))
                .contains("Überweisung");
        assertThat(quote.path("toPay"))
                .isEqualTo(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(basket("en")))
                        .json()
                        .path("toPay"));
    }

    @Test
    void an_order_keeps_its_language_on_its_page_its_letters_and_its_invoice_while_the_seller_reads_his_own()
            throws Exception {
        JsonNode placed = shop.anybody().buy(basket("de")).json();
        String path = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        assertThat(shop.anybody()
                        .get("/api/counter/orders/" + placed.path("token").asString())
                        .json()
                        .path("quote")
                        .path("lines")
                        .path(0)
                        .path("name")
                        .asString())
                .isEqualTo("Drachen zum Selberbauen, Buch");
        Caller owner = shop.owner();
        JsonNode whole = owner.get(path).json();
        assertThat(whole.path("quote").path("lines").path(0).path("name").asString())
                .isEqualTo("Kites You Can Build, book");
        assertThat(whole.path("language").asString()).isEqualTo("de");
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        List<Letter> letters = shop.services().post().letters().stream()
                .filter(letter ->
                        letter.subject().contains(" " + placed.path("number").asInt()))
                .toList();
        assertThat(letters.stream().filter(letter -> letter.to().startsWith("buyer")))
                .hasSize(1)
                .allMatch(letter -> letter.subject().contains("Ihre Bestellung")
                        && letter.plain().contains("Drachen zum Selberbauen"));
        assertThat(letters.stream().filter(letter -> letter.to().startsWith("hello")))
                .hasSize(1)
                .allMatch(letter ->
                        letter.subject().contains("New order") && letter.plain().contains("Kites You Can Build"));
        long payment = whole.path("payments").path(0).path("id").asLong();
        owner.post(
                path + "/capture",
                Map.of("key", java.util.UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
        JsonNode papers = owner.get(path + "/papers").json();
        for (int i = 0; i < 50 && papers.isEmpty(); i++) {
            Thread.sleep(100);
            papers = owner.get(path + "/papers").json();
        }
        assertThat(owner.get(path + "/papers/" + papers.path(0).path("number").asString() + ".xml")
                        .text())
                .contains("Drachen zum Selberbauen");
    }

    @Test
    void nothing_is_placed_before_the_terms_are_agreed_to_and_the_order_keeps_what_was() {
        Map<String, Object> placing = new HashMap<>(Caller.placing("agreeing-1", basket("en"), "31.40"));
        placing.put("agreed", Map.of());
        Caller.Answer refused = shop.anybody().post(Caller.COUNTER + "/orders", placing);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.paths()).singleElement().asString().startsWith("agreed/");
        JsonNode placed = shop.anybody().buy(basket("en")).json();
        JsonNode agreed = shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json()
                .path("agreed");
        assertThat(agreed.valueStream().map(text -> text.path("kind").asString()))
                .contains("returns", "terms-of-sale");
        assertThat(agreed.valueStream().map(text -> text.path("hash").asString()))
                .allMatch(hash -> hash.matches("[0-9a-f]{64}"));
    }

    @Test
    void a_text_republished_meanwhile_is_shown_again_and_nothing_typed_is_lost() {
        String was =
                "The contract is made when we confirm your order by e-mail. Kites are flown at your own risk, away "
                        + "from power lines and airfields.";
        Map<String, Object> placing = Caller.placing("republished-1", basket("en"), "31.40");
        edit("terms/texts/terms-of-sale/en", was, was + " No kite flies in a storm.");
        shop.owner().post(Caller.SHOP + "/draft/publish", "");
        Caller.Answer refused = shop.anybody().post(Caller.COUNTER + "/orders", placing);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.sentence()).isEqualTo("The shop has changed one of its texts since the page showed it.");
        edit("terms/texts/terms-of-sale/en", was + " No kite flies in a storm.", was);
        shop.owner().post(Caller.SHOP + "/draft/publish", "");
        assertThat(shop.anybody().post(Caller.COUNTER + "/orders", placing).status())
                .isEqualTo(200);
    }

    @Test
    void a_letter_worded_by_the_shop_is_sent_so_and_never_without_a_subject() throws Exception {
        Map<String, Object> edit = new HashMap<>(
                Map.of("path", "terms/letters/receipt/en", "now", Map.of("subject", " ", "opening", "Hi {name}")));
        edit.put("was", null);
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)))
                        .sentence())
                .isEqualTo("The letter has no subject; without one it is not sent.");
        edit(
                "terms/letters/receipt/en",
                null,
                Map.of(
                        "subject",
                        "Fair winds, {name}: {order}",
                        "opening",
                        "Hi {name},\n\nyour kites, {amount} in all:"));
        shop.owner().post(Caller.SHOP + "/draft/publish", "");
        JsonNode placed = shop.anybody().buy(basket("en")).json();
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        assertThat(shop.services().post().letters())
                .as("no word of the orderer's choosing goes to an address that was never confirmed")
                .anyMatch(letter -> letter.subject()
                                .equals("[test] Fair winds: "
                                        + placed.path("number").asInt())
                        && letter.plain().contains("your kites, €31.40 in all:"));
    }

    @Test
    void prices_and_the_order_are_in_the_currency_chosen() {
        JsonNode francs = shop.anybody().get(Caller.COUNTER + "?currency=CHF").json();
        assertThat(francs.path("currency").asString()).isEqualTo("CHF");
        assertThat(francs.path("goods").path("prices").size())
                .isEqualTo(francs.path("goods").path("products").size());
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "CH", "postcode", "8001"),
                "delivery",
                "tube",
                "method",
                "card",
                "currency",
                "CHF"));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("currency").asString()).isEqualTo("CHF");
        JsonNode order = shop.anybody().buy(basket).json();
        assertThat(order.path("quote").path("currency").asString()).isEqualTo("CHF");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "?currency=JPY")
                        .json()
                        .path("currency")
                        .asString())
                .as("a currency the shop does not take")
                .isEqualTo("EUR");
    }
}
