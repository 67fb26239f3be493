package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;

/** A buyer the seller lets pay on account: offered once the address is shown to be theirs, as far as the limit goes. */
@ExtendWith(RunningShop.class)
class CreditTest {
    private static final Pattern KEY = Pattern.compile("/me\\?key=([A-Za-z0-9_-]{43})");
    private static final String CREDITS = Caller.SHOP + "/credits";
    private static final Map<String, Object> BASKET = Map.of(
            "lines",
            List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
            "to",
            Map.of("country", "IE", "postcode", "T12 X2A0"),
            "delivery",
            "tube",
            "method",
            "account");
    private final RunningShop.Running shop;

    CreditTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static boolean offered(JsonNode quote) {
        return StreamSupport.stream(quote.path("methods").spliterator(), false)
                .anyMatch(method -> method.path("id").asString().equals("account"));
    }

    private static JsonNode quote(Caller caller) {
        return caller.post(Caller.COUNTER + "/quote", Caller.quoting(BASKET)).json();
    }

    private static Map<String, Object> placing(String email, String expected) {
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), new HashMap<>(BASKET), expected));
        placing.put(
                "contact",
                Map.of("name", "A Neighbour", "email", email, "lines", List.of("1 Example Street"), "city", "Cork"));
        return placing;
    }

    private Caller signedIn(String email) throws Exception {
        Caller caller = shop.anybody();
        caller.post(Caller.COUNTER + "/me/letter", Map.of("email", email));
        shop.context().getBean(Messages.class).settled();
        Matcher key = KEY.matcher(shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(email))
                .findFirst()
                .orElseThrow()
                .plain());
        assertThat(key.find()).isTrue();
        assertThat(caller.post(Caller.COUNTER + "/me/session", Map.of("key", key.group(1)))
                        .status())
                .isEqualTo(204);
        return caller;
    }

    @Test
    void who_is_let_is_offered_it_once_signed_in_and_up_to_what_they_may_owe() throws Exception {
        String email = "neighbour@buyers.example";
        JsonNode before = quote(shop.anybody());
        assertThat(offered(before)).isFalse();
        assertThat(before.path("onAccount").asString()).startsWith("On account: for businesses");
        assertThat(shop.owner()
                        .put(CREDITS, Map.of("email", "Neighbour@Buyers.example", "limit", "60.00"))
                        .status())
                .isEqualTo(204);
        JsonNode known = shop.owner().get(CREDITS).json();
        assertThat(known.path(0).path("email").asString()).isEqualTo(email);
        assertThat(known.path(0).path("limit").asString()).isEqualTo("60.00");

        // Typing the address is not enough: a letter to it has to be opened.
        String price = before.path("toPay").asString();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/orders", placing(email, price))
                        .status())
                .isEqualTo(409);
        Caller neighbour = signedIn(email);
        assertThat(offered(quote(neighbour))).isTrue();
        assertThat(neighbour
                        .post(Caller.COUNTER + "/orders", placing("somebody.else@buyers.example", price))
                        .status())
                .isEqualTo(409);
        Caller.Answer first = neighbour.post(Caller.COUNTER + "/orders", placing(email, price));
        assertThat(first.status()).as(first.text()).isEqualTo(200);
        assertThat(first.json().path("kind").asString()).isEqualTo("on-account");

        int placed = 1;
        while (offered(quote(neighbour)) && placed < 10) {
            assertThat(neighbour
                            .post(Caller.COUNTER + "/orders", placing(email, price))
                            .status())
                    .isEqualTo(200);
            placed++;
        }
        assertThat(placed).isBetween(1, 3);
        assertThat(quote(neighbour).path("onAccount").asString()).contains("more than was agreed");

        // Orders that stand stay; nothing new.
        assertThat(shop.owner().delete(CREDITS + "?email=" + email).status()).isEqualTo(204);
        assertThat(offered(quote(neighbour))).isFalse();
        assertThat(shop.owner().get(CREDITS).text()).doesNotContain(email);
    }

    @Test
    void an_order_taken_at_the_desk_for_who_is_let_can_be_on_account() {
        String email = "stall@buyers.example";
        Caller owner = shop.owner();
        owner.put(CREDITS, Map.of("email", email));
        Map<String, Object> asked = new HashMap<>(Caller.quoting(BASKET));
        asked.put("forBuyer", email);
        assertThat(offered(shop.anybody().post(Caller.COUNTER + "/quote", asked).json()))
                .as("only somebody of the shop orders for others")
                .isFalse();
        JsonNode quote = owner.post(Caller.COUNTER + "/quote", asked).json();
        assertThat(offered(quote)).isTrue();
        Map<String, Object> placing = placing(email, quote.path("toPay").asString());
        placing.put("forBuyer", true);
        Caller.Answer placed = owner.post(Caller.COUNTER + "/orders", placing);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        owner.delete(CREDITS + "?email=" + email);
    }

    @Test
    void a_limit_that_is_none_and_an_address_that_is_none_are_refused() {
        assertThat(shop.owner()
                        .put(CREDITS, Map.of("email", "x@buyers.example", "limit", "-1"))
                        .paths())
                .containsExactly("limit");
        assertThat(shop.owner()
                        .put(CREDITS, Map.of("email", "x@buyers.example", "limit", "1.005"))
                        .paths())
                .containsExactly("limit");
        assertThat(shop.owner().put(CREDITS, Map.of("email", "nobody")).paths()).containsExactly("email");
    }
}
