package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
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
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.post.PostRoom.Letter;

/** What is written to the seller's side: to whom, of what, once. */
@ExtendWith(RunningShop.class)
class SellerLettersTest {
    private final RunningShop.Running shop;

    SellerLettersTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode bought(String product) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", product, "quantity", "1")));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket,
                                quote.path("toPay").asString()));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        shop.anybody().pay(placed.json(), TestCard.APPROVED);
        return placed.json();
    }

    private List<Letter> to(String address) {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(address))
                .toList();
    }

    @Test
    @Witness(value = "terms.notices[].id", felt = Felt.LETTER)
    @Witness(value = "terms.notices[].email", felt = Felt.LETTER)
    @Witness(value = "terms.notices[].events[]", felt = Felt.LETTER)
    void each_is_told_of_what_was_picked_and_the_shop_of_what_nobody_else_is() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "terms/notices/packing",
                        Map.of(
                                "id",
                                "packing",
                                "email",
                                "packing@tern-and-tether.example",
                                "events",
                                List.of("placed")),
                        "terms/notices/office",
                        Map.of(
                                "id",
                                "office",
                                "email",
                                "office@tern-and-tether.example",
                                "events",
                                List.of("stopped"))));
        String number = bought("kites-you-can-build").path("number").asString();
        Soon.holds(() -> assertThat(to("packing@tern-and-tether.example"))
                .anySatisfy(letter -> assertThat(letter.subject()).contains(number)));
        assertThat(to("office@tern-and-tether.example"))
                .noneSatisfy(letter -> assertThat(letter.subject()).contains(number));
        assertThat(to("hello@tern-and-tether.example"))
                .as("somebody else is named for it")
                .noneSatisfy(letter -> assertThat(letter.subject()).contains(number));
    }

    @Test
    void an_address_that_is_none_is_refused_at_its_field() {
        Caller.Answer answer = shop.owner()
                .post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(Map.of(
                                        "path",
                                        "terms/notices/nobody",
                                        "now",
                                        Map.of("id", "nobody", "email", "no address", "events", List.of())))));
        assertThat(answer.paths()).containsExactly("terms/notices/nobody/email");
    }

    @Test
    @Witness(value = "goods.lowStock", felt = Felt.LETTER)
    void that_little_is_left_is_told_once_until_there_is_more_again() throws Exception {
        shop.owner().publish(Map.of("goods/lowStock", 2));
        shop.owner().put(Caller.SHOP + "/stock/mending-kit", Map.of("item", "mending-kit", "remaining", "4"));
        bought("mending-kit");
        bought("mending-kit");
        Soon.holds(() -> assertThat(low()).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .contains("Mending kit")
                .containsPattern("Mending kit *2")));
        bought("mending-kit");
        shop.owner()
                .put(Caller.SHOP + "/stock/mending-kit", Map.of("item", "mending-kit", "seen", "1", "remaining", "3"));
        shop.context().getBean(Messages.class).settled();
        assertThat(low()).as("told already").hasSize(1);
        bought("mending-kit");
        Soon.holds(() -> assertThat(low()).as("after a refill").hasSize(2));
    }

    private List<Letter> low() {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.subject().contains("Little is left"))
                .toList();
    }

    @Test
    @Witness(value = "delivery.dispatch[].email", felt = Felt.LETTER)
    void who_sends_in_the_sellers_place_is_told_what_to_send_with_the_slip() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "delivery/dispatch/barn",
                        Map.of(
                                "id",
                                "barn",
                                "name",
                                "Barn",
                                "at",
                                Map.of("country", "IE", "postcode", "H91 X2A0"),
                                "email",
                                "barn@storing.example"),
                        "goods/products/wind-sock/sending/from",
                        "barn"));
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "2")));
        basket.put("method", "transfer");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        String toPay = quote.path("toPay").asString();
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, toPay));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        shop.context().getBean(Messages.class).settled();
        assertThat(to("barn@storing.example")).as("the money has not come").isEmpty();
        String order = Caller.SHOP + "/orders/" + placed.json().path("number").asInt();
        long payment = shop.owner()
                .get(order)
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        shop.owner()
                .post(
                        order + "/capture",
                        Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", toPay));
        Soon.holds(() -> assertThat(to("barn@storing.example")).hasSize(1));
        Letter letter = to("barn@storing.example").get(0);
        assertThat(letter.plain())
                .contains("Wind sock", "Test Buyer", "1 Example Street")
                .doesNotContain("€");
        assertThat(letter.mime()).contains("application/pdf");
    }

    /** A dispute has a day by which it is to be answered; common practice, no source. The stand-in gives 20 days. */
    @Test
    void a_dispute_is_told_with_its_day_and_shown_with_the_payment() throws Exception {
        JsonNode placed = bought("kites-you-can-build");
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        assertThat(shop.owner()
                        .post(
                                order + "/capture",
                                Map.of("key", UUID.randomUUID().toString(), "amount", "31.40"))
                        .status())
                .isEqualTo(200);
        String reference = shop.context()
                .getBean(org.springframework.jdbc.core.simple.JdbcClient.class)
                .sql("select provider_ref from payment p join orders o on o.id = p.order_id where o.number = :number")
                .param("number", placed.path("number").asInt())
                .query(String.class)
                .single();
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(
                                        URI.create(shop.services().cards().url() + "/dispute"))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString("dispute=" + reference + "+disputed"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        Soon.holds(
                () -> assertThat(to("hello@tern-and-tether.example")).anySatisfy(letter -> assertThat(letter.subject())
                        .contains("A payment for order " + placed.path("number").asInt() + " is disputed")));
        JsonNode paid = shop.owner().get(order).json().path("payments").path(0);
        assertThat(paid.path("state").asString()).isEqualTo("disputed");
        assertThat(Instant.parse(paid.path("answerBy").asString()))
                .isBetween(
                        Instant.now().plus(Duration.ofDays(19)), Instant.now().plus(Duration.ofDays(21)));
    }
}
