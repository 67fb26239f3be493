package vestcoin.app.checkout;

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

/** Orders that somebody of the shop writes down for a buyer, by telephone or at a stall. */
@ExtendWith(RunningShop.class)
class OrderForBuyerTest {
    private final RunningShop.Running shop;

    OrderForBuyerTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> placing(String method) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", method);
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), basket, "31.40"));
        placing.put("forBuyer", true);
        return placing;
    }

    @Test
    void the_desk_names_who_took_it_and_the_buyer_is_mailed_the_way_to_pay() throws Exception {
        Caller.Answer placed = shop.owner().post(Caller.COUNTER + "/orders", placing("card"));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        JsonNode order = shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.json().path("number").asInt())
                .json();
        assertThat(order.path("takenBy").asString()).isEqualTo("owner@tern-and-tether.example");
        Soon.holds(() -> assertThat(shop.services().post().letters()).anySatisfy(letter -> {
            assertThat(letter.to()).isEqualTo("buyer@buyers.example");
            assertThat(letter.subject()).contains(placed.json().path("number").asString());
            assertThat(letter.plain())
                    .contains("€31.40", placed.json().path("token").asString());
        }));
    }

    @Test
    void nobody_else_orders_for_others() {
        Caller.Answer refused = shop.anybody().post(Caller.COUNTER + "/orders", placing("transfer"));
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.paths()).containsExactly("forBuyer");
        assertThat(shop.anybody().get(Caller.COUNTER).json().path("ownShop").asBoolean())
                .isFalse();
        assertThat(shop.owner().get(Caller.COUNTER).json().path("ownShop").asBoolean())
                .isTrue();
    }
}
