package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.standins.post.PostRoom.Letter;

/** What buyers are written, once each, whatever the post room does. */
@ExtendWith(RunningShop.class)
class MessagesTest {
    private final RunningShop.Running shop;

    MessagesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode placed(String method) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", method);
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                .json();
    }

    private List<Letter> letters(JsonNode placed) throws Exception {
        shop.context().getBean(Messages.class).settled();
        String number = " " + placed.path("number").asInt();
        return shop.services().post().letters().stream()
                .filter(letter -> letter.subject().contains(number))
                .toList();
    }

    private static Map<String, Object> move(long payment, String amount) {
        return Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", amount);
    }

    @Test
    void an_order_is_confirmed_to_buyer_and_shop_its_sending_and_refund_told() throws Exception {
        JsonNode placed = placed("transfer");
        Soon.holds(() -> assertThat(letters(placed))
                .extracting(vestcoin.standins.post.PostRoom.Letter::to)
                .containsExactlyInAnyOrder("buyer@buyers.example", "hello@tern-and-tether.example"));
        Letter receipt = letters(placed).stream()
                .filter(letter -> letter.to().startsWith("buyer"))
                .findFirst()
                .orElseThrow();
        assertThat(receipt.subject())
                .isEqualTo("[test] Your order " + placed.path("number").asInt() + " at Tern & Tether");
        assertThat(receipt.plain())
                .contains("Kites You Can Build")
                .contains("€31.40")
                .contains(placed.path("token").asString());
        assertThat(receipt.html()).contains("€31.40").contains("Kites You Can Build");
        Caller owner = shop.owner();
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        long payment =
                owner.get(order).json().path("payments").path(0).path("id").asLong();
        owner.post(order + "/capture", move(payment, "31.40"));
        owner.post(order + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        owner.post(order + "/refund", move(payment, "5.00"));
        // Two refunds in one breath are told in one letter, with all that was given back.
        Soon.holds(() -> assertThat(letters(placed).stream()
                        .filter(letter -> letter.subject().contains("refund")))
                .hasSize(1));
        owner.post(order + "/refund", move(payment, "2.50"));
        Soon.holds(() -> assertThat(letters(placed).stream()
                        .filter(letter -> letter.subject().contains("on its way")))
                .hasSize(1));
        Soon.holds(() -> assertThat(letters(placed).stream()
                        .filter(letter -> letter.subject().contains("refund"))
                        .map(Letter::plain))
                .hasSize(2)
                .anyMatch(text -> text.contains("€7.50")));
        assertThat(owner.get(order + "/letters").json().valueStream().allMatch(letter -> letter.path("sent")
                        .asBoolean()))
                .isTrue();
    }

    @Test
    void the_receipt_can_be_printed_and_says_the_same() throws Exception {
        JsonNode placed = placed("transfer");
        var bytes = java.net.http.HttpClient.newHttpClient()
                .send(
                        java.net.http.HttpRequest.newBuilder(java.net.URI.create(shop.url() + "/api/counter/orders/"
                                        + placed.path("token").asString() + "/receipt.pdf"))
                                .build(),
                        java.net.http.HttpResponse.BodyHandlers.ofByteArray())
                .body();
        String text = new com.lowagie.text.pdf.parser.PdfTextExtractor(new com.lowagie.text.pdf.PdfReader(bytes))
                .getTextFromPage(1);
        assertThat(text)
                .contains("Tern & Tether")
                .contains("Kites You Can Build")
                .contains("€31.40")
                .contains("Total");
    }

    @Test
    void nobody_is_written_before_a_card_is_authorised() throws Exception {
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, vestcoin.standins.pay.TestCard.DECLINED);
        assertThat(letters(placed)).isEmpty();
        shop.anybody().pay(placed, vestcoin.standins.pay.TestCard.APPROVED);
        Soon.holds(() -> assertThat(letters(placed)).hasSize(2));
    }

    @Test
    void letters_wait_for_a_post_room_out_of_order_and_are_sent_once() throws Exception {
        shop.services().post().outage(true);
        JsonNode placed = placed("transfer");
        assertThat(letters(placed)).isEmpty();
        shop.services().post().outage(false);
        shop.context().getBean(Messages.class).deliverWhatIsDue();
        Soon.holds(() -> assertThat(letters(placed)).hasSize(2));
        shop.context().getBean(Messages.class).deliverWhatIsDue();
        Soon.holds(() -> assertThat(letters(placed)).hasSize(2));
    }

    @Test
    void a_letter_a_crash_left_unwritten_is_made_good() throws Exception {
        JsonNode placed = placed("transfer");
        letters(placed);
        shop.context()
                .getBean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("delete from letter where order_id = (select id from orders where token = :token)")
                .param("token", placed.path("token").asString())
                .update();
        shop.context()
                .getBean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("insert into owed(kind, order_id, change) select 'letter', id, 1 from orders where token = :token")
                .param("token", placed.path("token").asString())
                .update();
        String written = Caller.SHOP + "/orders/" + placed.path("number").asInt() + "/letters";
        assertThat(shop.owner().get(written).json().size()).isZero();
        shop.context().getBean(Messages.class).makeGood();
        shop.context().getBean(Messages.class).settled();
        assertThat(shop.owner().get(written).json().size()).isEqualTo(2);
    }

    @Test
    void a_letter_has_a_subject() {
        assertThatThrownBy(() -> new vestcoin.app.message.Letter(
                        "1", "Shop", "shop@shops.example", "buyer@buyers.example", "  ", null))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
