package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** The same way of sending takes longer to some zones than to others; the promise follows. */
@ExtendWith(RunningShop.class)
class ZoneDaysTest {
    private final RunningShop.Running shop;

    ZoneDaysTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private Caller.Answer edit(String path, Object now) {
        return shop.owner()
                .post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(Map.of("path", path, "now", now))));
    }

    private LocalDate latest(String country, String postcode) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("to", Map.of("country", country, "postcode", postcode));
        basket.put("delivery", "tube");
        for (JsonNode option : shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("delivery")) {
            if (option.path("id").asString().equals("tube")) {
                return LocalDate.parse(option.path("promise").path("latest").asString());
            }
        }
        throw new AssertionError("no tube to " + country);
    }

    @Test
    void a_zone_with_days_of_its_own_is_promised_later_and_the_others_are_not() {
        LocalDate home = latest("IE", "T12 X2A0");
        assertThat(edit("delivery/zones/ireland/days/pigeon", Map.of("from", 1, "to", 2))
                        .paths())
                .containsExactly("delivery/zones/ireland/days/pigeon");
        assertThat(edit("delivery/zones/ireland/days/tube", Map.of("from", 9, "to", 2))
                        .paths())
                .containsExactly("delivery/zones/ireland/days/tube");
        LocalDate abroad = latest("DE", "10115");
        assertThat(edit("delivery/zones/ireland/days/tube", Map.of("from", 10, "to", 15))
                        .status())
                .isEqualTo(200);
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
        assertThat(latest("IE", "T12 X2A0")).isAfter(home.plusDays(10));
        assertThat(latest("DE", "10115")).isEqualTo(abroad);
    }
}
