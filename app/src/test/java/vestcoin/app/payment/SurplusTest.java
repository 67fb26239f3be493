package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;

/** More came than is owed: the order is paid, the rest is kept apart and given back, each once. */
@ExtendWith(RunningShop.class)
class SurplusTest {
    private final RunningShop.Running shop;

    SurplusTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @Test
    void too_much_is_said_to_seller_and_buyer_and_given_back() throws Exception {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        JsonNode placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                .json();
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        String page = "/api/counter/orders/" + placed.path("token").asString();
        Caller owner = shop.owner();
        long payment =
                owner.get(order).json().path("payments").path(0).path("id").asLong();
        Map<String, Object> came = Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "40.00");
        assertThat(owner.post(order + "/capture", came).status())
                .as("a slip of the hand is refused")
                .isEqualTo(409);
        assertThat(owner.post(order + "/surplus", came).status()).isEqualTo(200);
        JsonNode twice = owner.post(order + "/surplus", came).json();
        assertThat(twice).as("sent twice").hasSize(1);
        assertThat(twice.path(0).path("amount").asString()).isEqualTo("8.60");
        assertThat(owner.get(order).json().path("standing").asString()).isEqualTo("paid");
        assertThat(shop.anybody().get(page).json().path("surplus").asString()).isEqualTo("8.60");
        Soon.holds(() -> assertThat(shop.services().post().letters()).anySatisfy(letter -> {
            assertThat(letter.subject())
                    .contains(placed.path("number").asString())
                    .contains("has come");
            assertThat(letter.plain()).contains("€8.60 more than was owed");
        }));
        for (String wrong : new String[] {"0", "-1", "1.001", "1000000000000000"}) {
            assertThat(owner.post(
                                    order + "/surplus",
                                    Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", wrong))
                            .status())
                    .as(wrong)
                    .isEqualTo(422);
        }
        String returned = order + "/surplus/" + twice.path(0).path("id").asLong() + "/returned";
        assertThat(owner.post(returned, Map.of()).json().path(0).hasNonNull("returnedAt"))
                .isTrue();
        owner.post(returned, Map.of());
        assertThat(shop.anybody().get(page).json().hasNonNull("surplus")).isFalse();
        Soon.holds(() -> assertThat(shop.services().post().letters().stream()
                        .filter(letter ->
                                letter.subject().contains(placed.path("number").asString()))
                        .filter(letter -> letter.plain().contains("€8.60"))
                        .filter(letter -> letter.subject().contains("refund")))
                .hasSize(1));
    }
}
