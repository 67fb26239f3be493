package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** Addresses proposed as a buyer types: silent where no finder answers, never slow. */
@ExtendWith(RunningShop.class)
class AddressesTest {
    private final RunningShop.Running shop;

    AddressesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode found(String country, String text) {
        Caller.Answer answer = shop.anybody()
                .get(Caller.COUNTER + "/addresses?country=" + country + "&text="
                        + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    @Test
    void houses_are_found_by_their_number_and_the_beginning_of_their_street() {
        assertThat(found("IE", "12 harb")).isNotEmpty().allSatisfy(each -> {
            assertThat(each.path("street").asString()).isEqualTo("12 Harbour Row");
            assertThat(each.path("postcode").asString()).isNotEmpty();
            assertThat(each.path("city").asString()).isNotEmpty();
        });
        assertThat(found("DE", "drachen 3").path(0).path("street").asString()).isEqualTo("Drachenweg 3");
        assertThat(found("US", "5 kite"))
                .anySatisfy(each -> assertThat(each.path("region").asString()).isEqualTo("US-NC"));
    }

    @Test
    void what_is_too_short_or_no_country_finds_nothing() {
        assertThat(found("IE", "1")).isEmpty();
        assertThat(found("XX", "12 harb")).isEmpty();
        assertThat(found("IE", "x".repeat(300))).isEmpty();
        assertThat(found("IE", "12 no such street & country=DE")).isEmpty();
    }

    @Test
    void a_silent_finder_is_not_waited_for_twice() throws Exception {
        try (RunningShop.Running other = RunningShop.start()) {
            other.services().places().outage(true);
            String address = Caller.COUNTER + "/addresses?country=IE&text=";
            assertThat(other.anybody().get(address + "harbour").json()).isEmpty();
            other.services().places().outage(false);
            assertThat(other.anybody().get(address + "harb").json())
                    .as("for half a minute it is not asked")
                    .isEmpty();
        }
    }
}
