package vestcoin.app.sales;

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

/** Who has bought: each once, however they write their address, found by its beginning, the latest first. */
@ExtendWith(RunningShop.class)
class BuyerListTest {
    private final RunningShop.Running shop;

    BuyerListTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode bought(String name, String email) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), basket, "31.40"));
        placing.put(
                "contact", Map.of("name", name, "email", email, "lines", List.of("1 Example Street"), "city", "Cork"));
        Caller.Answer placed = shop.anybody().post(Caller.COUNTER + "/orders", placing);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        return placed.json();
    }

    private JsonNode buyers(String query) {
        return shop.owner()
                .get(Caller.SHOP + "/buyers?mode=test" + query)
                .json()
                .path("buyers");
    }

    @Test
    void each_buyer_is_there_once_with_what_was_paid() {
        JsonNode first = bought("Ada Sample", "ada@lists.example");
        bought("Ben Sample", "ben@lists.example");
        bought("Ada S. Sample", "ADA@lists.example");
        String order = Caller.SHOP + "/orders/" + first.path("number").asInt();
        long payment = shop.owner()
                .get(order)
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        for (String[] move : new String[][] {{"capture", "31.40"}, {"refund", "6.40"}}) {
            shop.owner()
                    .post(
                            order + "/" + move[0],
                            Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", move[1]));
        }
        JsonNode all = buyers("");
        assertThat(all.path(0).path("name").asString()).as("the latest first").isEqualTo("Ada S. Sample");
        JsonNode ada = buyers("&words=ada").path(0);
        assertThat(buyers("&words=ada")).hasSize(1);
        assertThat(ada.path("orders").asInt()).isEqualTo(2);
        assertThat(ada.path("spent").path(0).path("paid").asString()).isEqualTo("31.40");
        assertThat(ada.path("spent").path(0).path("refunded").asString()).isEqualTo("6.40");
        assertThat(buyers("&words=ben%20s")).hasSize(1);
        assertThat(buyers("&words=nobody")).isEmpty();
        assertThat(buyers("&words=%25")).as("no wildcard").isEmpty();
        String file = shop.owner().get(Caller.SHOP + "/buyers.csv?mode=test").text();
        assertThat(file)
                .startsWith("e-mail,name,orders,first,last,currency,standing,paid,refunded")
                .contains("ADA@lists.example,Ada S. Sample,2,")
                .contains(",EUR,2,31.40,6.40");
        assertThat(shop.owner().get(Caller.SHOP + "/sales.csv?mode=test").text())
                .contains("tracking,time,provider's fee");
    }
}
