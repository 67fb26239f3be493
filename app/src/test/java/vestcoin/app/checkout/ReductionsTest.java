package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.app.setup.Edits;

/** A price that is lower for some days, in the counter's list. */
@ExtendWith(RunningShop.class)
class ReductionsTest {
    private final RunningShop.Running shop;

    ReductionsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode reduced() {
        return shop.anybody().get(Caller.COUNTER).json().path("goods").path("reduced");
    }

    private static void set(Caller owner, String path, Object was, Object now) {
        Caller.Answer answer = owner.post(
                Caller.SHOP + "/draft/edits", Map.of("edits", List.of(Map.of("path", path, "was", was, "now", now))));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** The lowest price of the thirty days before: Directive 98/6/EC, Article 6a(2). */
    @Test
    @Witness(
            value = "terms.prior",
            felt = {Felt.COUNTER})
    @Witness(
            value = "goods.products[].sale.price",
            felt = {Felt.COUNTER})
    void the_list_shows_what_it_costs_now_and_the_lowest_price_of_the_days_before() {
        Caller owner = shop.owner();
        LocalDate today = LocalDate.now(ZoneId.of("Europe/Dublin"));
        Object first = Edits.at(
                        owner.get(Caller.SHOP + "/draft").json().path("document"), "goods/products/wind-sock/sale")
                .orElseThrow();
        Map<String, Object> second = Map.of(
                "price",
                "12.50",
                "window",
                Map.of(
                        "from",
                        today.plusDays(10).toString(),
                        "to",
                        today.plusDays(20).toString()));
        set(owner, "goods/products/wind-sock/sale", first, second);
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        assertThat(reduced().has("wind-sock")).as("not yet").isFalse();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 11));
        assertThat(reduced().path("wind-sock").path("now").asString()).isEqualTo("12.50");
        // It cost 13.90 until the second edition was published, today, and 16.80 from then on.
        assertThat(reduced().path("wind-sock").path("prior").asString()).isIn("13.90", "16.80");
        JsonNode francs = shop.anybody()
                .get(Caller.COUNTER + "?currency=CHF")
                .json()
                .path("goods")
                .path("reduced");
        assertThat(francs.path("wind-sock").hasNonNull("prior")).isFalse();
        set(owner, "terms/prior", true, false);
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        assertThat(reduced().path("wind-sock").hasNonNull("prior")).isFalse();
        assertThat(reduced().path("wind-sock").path("now").asString()).isEqualTo("12.50");
    }

    /** A bundle is reduced as a whole, not by what its first part comes to. */
    @Test
    void a_bundle_with_a_price_of_its_own_says_what_all_of_it_costs_now() {
        String today = LocalDate.now(ZoneId.of("Europe/Dublin")).toString();
        shop.owner()
                .publish(Map.of(
                        "goods/products/first-flight/sale", Map.of("price", "39.00", "window", Map.of("from", today))));
        assertThat(reduced().path("first-flight").path("now").asString()).isEqualTo("39.00");
        assertThat(reduced().path("first-flight").path("prior").asString("none"))
                .isIn("49.00", "none");
    }
}
