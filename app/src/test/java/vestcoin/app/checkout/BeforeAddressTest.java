package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** What a basket is priced for until its buyer says where it goes. */
@ExtendWith(RunningShop.class)
class BeforeAddressTest {
    private static final String SUNDIALS = "/api/counter/ninth-street-sundials";
    private final RunningShop.Running shop;

    BeforeAddressTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    /** The place assumed for a browser. */
    private JsonNode assumed(String timeZone, String languages) {
        return shop.anybody()
                .call("GET", Caller.COUNTER + "?timeZone=" + timeZone, null, Map.of("Accept-Language", languages))
                .json()
                .path("assumed");
    }

    private void assume(Map<String, Object> place) {
        shop.owner().publish(Map.of("shop/beforeAddress", place));
    }

    @Test
    void the_place_is_the_shops_own_another_the_browsers_or_none() {
        JsonNode own = assumed("Europe/Berlin", "de-DE");
        assertThat(own.path("country").asString()).isEqualTo("IE");
        assertThat(own.path("postcode").asString()).as("with its postcode").isNotEmpty();
        assume(Map.of("by", "another", "at", Map.of("country", "DE", "postcode", "10115")));
        assertThat(assumed("Europe/Paris", "fr").path("postcode").asString()).isEqualTo("10115");
        assume(Map.of("by", "browser"));
        assertThat(assumed("Europe/Vienna", "de-DE").path("country").asString())
                .as("the clock tells more than the language")
                .isEqualTo("AT");
        assertThat(assumed("UTC", "fr-FR,fr;q=0.9").path("country").asString()).isEqualTo("FR");
        assertThat(assumed("UTC", "eo").path("country").asString())
                .as("nothing told")
                .isEqualTo("IE");
        assertThat(assumed("No/Where", "xx-YY").path("country").asString()).isEqualTo("IE");
        assume(Map.of("by", "none"));
        assertThat(assumed("Europe/Vienna", "de").isMissingNode()
                        || assumed("Europe/Vienna", "de").isNull())
                .isTrue();
    }

    @Test
    void nowhere_named_the_basket_costs_its_goods_and_says_what_comes_with_the_address() {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.remove("to");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("beforeAddress").asBoolean()).isTrue();
        assertThat(quote.path("needsDelivery").asBoolean()).isTrue();
        assertThat(quote.path("payable").asString())
                .isEqualTo(quote.path("goods").asString());
        Caller.Answer refused = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "24.50"));
        assertThat(refused.status()).as(refused.text()).isBetween(400, 422);
        assertThat(refused.paths()).contains("basket/to");
    }

    @Test
    void a_place_that_does_not_exist_and_one_that_nothing_goes_by_are_refused_in_words() {
        for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                Map.of("by", "another"),
                Map.of("by", "none", "at", Map.of("country", "DE")),
                Map.of("by", "another", "at", Map.of("country", "DE", "postcode", "1")))) {
            Caller.Answer answer = shop.owner()
                    .post(
                            Caller.SHOP + "/draft/edits",
                            Map.of("edits", List.of(Map.of("path", "shop/beforeAddress", "now", wrong))));
            assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
            assertThat(answer.paths()).allMatch(path -> path.startsWith("shop/beforeAddress"));
        }
    }
}
