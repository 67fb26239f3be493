package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** Goods that come back are counted once, and put into stock where the seller says so. */
@ExtendWith(RunningShop.class)
class GoodsBackTest {
    private static final String STOCK = Caller.SHOP + "/stock/wind-sock";

    private final RunningShop.Running shop;

    GoodsBackTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private String left() {
        return shop.owner().get(STOCK).json().path("left").path("wind-sock").asString();
    }

    private static Map<String, Object> back(String key, String quantity, boolean restock) {
        return Map.of("key", key, "lines", Map.of("0", quantity), "restock", restock);
    }

    @Test
    void what_has_left_comes_back_once_and_never_more_than_left() {
        Caller owner = shop.owner();
        owner.put(STOCK, Map.of("item", "wind-sock", "remaining", "9"));
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "3")));
        basket.put("method", "transfer");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, toPay));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(left()).isEqualTo("6");
        String order = Caller.SHOP + "/orders/" + placed.json().path("number").asInt();
        String first = UUID.randomUUID().toString();
        assertThat(owner.post(order + "/back", back(first, "1", true)).sentence())
                .as("nothing has left")
                .isEqualTo("More would be back than has left.");
        owner.post(order + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        assertThat(owner.post(order + "/back", back(first, "1", true)).status()).isEqualTo(200);
        assertThat(owner.post(order + "/back", back(first, "1", true)).json())
                .as("sent twice")
                .hasSize(1);
        assertThat(left()).isEqualTo("7");
        assertThat(owner.post(order + "/back", back(UUID.randomUUID().toString(), "1", false))
                        .json())
                .hasSize(2);
        assertThat(left()).as("broken: not into stock").isEqualTo("7");
        for (String wrong : List.of("2", "0", "-1", "0.0001")) {
            Caller.Answer refused =
                    owner.post(order + "/back", back(UUID.randomUUID().toString(), wrong, true));
            assertThat(refused.status()).as(wrong).isEqualTo(409);
            assertThat(refused.paths()).containsExactly("lines");
        }
        assertThat(owner.post(
                                order + "/back",
                                Map.of("key", UUID.randomUUID().toString(), "lines", Map.of(), "restock", true))
                        .sentence())
                .isEqualTo("Nothing is named that came back.");
        assertThat(left()).isEqualTo("7");
        assertThat(shop.anybody().get(order + "/back").status()).isEqualTo(401);
    }
}
