package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** Things that leave two places: sent all the same way, or each its own. */
@ExtendWith(RunningShop.class)
public class ApartTest {
    private final RunningShop.Running shop;

    ApartTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    /** The line reel lies in Cork, all else in Galway. */
    public static void storeInCork(Caller owner) {
        List<Map<String, Object>> edits = List.of(
                Map.of(
                        "path",
                        "delivery/dispatch/cork",
                        "now",
                        Map.of(
                                "id",
                                "cork",
                                "name",
                                "Store in Cork",
                                "at",
                                Map.of("country", "IE", "postcode", "T12 X2A0"))),
                Map.of("path", "goods/products/line-reel/sending/from", "now", "cork"));
        Caller.Answer edited = owner.post(Caller.SHOP + "/draft/edits", Map.of("edits", edits));
        assertThat(edited.status()).as(edited.text()).isEqualTo(200);
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
    }

    @BeforeEach
    void twoPlaces() {
        if (!shop.owner().get(Caller.SHOP + "/draft").text().contains("Store in Cork")) {
            storeInCork(shop.owner());
        }
    }

    private Map<String, Object> basket(Map<String, String> deliveries) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "method",
                "card",
                "deliveries",
                deliveries,
                "lines",
                List.of(
                        Map.of("product", "kites-you-can-build", "quantity", "1"),
                        Map.of("product", "line-reel", "quantity", "1", "options", Map.of("line", line())))));
        return basket;
    }

    private String line() {
        for (JsonNode product :
                shop.anybody().get(Caller.COUNTER).json().path("goods").path("products")) {
            if (product.path("id").asString().equals("line-reel")) {
                return product.path("options")
                        .path(0)
                        .path("choices")
                        .path(0)
                        .path("id")
                        .asString();
            }
        }
        throw new IllegalStateException("no line reel");
    }

    private static BigDecimal chosen(JsonNode apart) {
        return apart.path("delivery")
                .valueStream()
                .filter(option -> option.path("chosen").asBoolean())
                .findFirst()
                .map(option -> new BigDecimal(option.path("price").asString()))
                .orElseThrow();
    }

    @Test
    void each_consignment_is_offered_its_own_ways_and_the_total_is_their_sum() {
        JsonNode together = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket(Map.of())))
                .json();
        assertThat(together.path("apart").size()).isEqualTo(2);
        assertThat(together.path("apart").path(1).path("name").asString()).isEqualTo("Store in Cork");
        assertThat(together.path("apart").path(1).path("things").path(0).asString())
                .isEqualTo("Line reel");

        Map<String, Object> wanted = basket(Map.of("shop", "letter", "cork", "tube"));
        JsonNode apart = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(wanted))
                .json();
        assertThat(apart.path("missing").size())
                .as(apart.path("missing").toString())
                .isZero();
        BigDecimal delivery = chosen(apart.path("apart").path(0))
                .add(chosen(apart.path("apart").path(1)));
        assertThat(new BigDecimal(apart.path("payable").asString()))
                .isEqualByComparingTo(new BigDecimal(apart.path("goods").asString()).add(delivery));
        Caller.Answer placed = shop.anybody().buy(wanted);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(placed.json().path("quote").path("payable").asString())
                .isEqualTo(apart.path("payable").asString());
    }

    @Test
    void a_way_that_is_not_offered_from_a_place_is_not_taken() {
        Map<String, Object> wanted = basket(Map.of("shop", "letter", "cork", "no-such-way"));
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(wanted))
                        .json()
                        .path("missing")
                        .toString())
                .contains("not offered");
        assertThat(shop.anybody().buy(wanted).status()).isEqualTo(409);
    }

    @Test
    void one_place_alone_has_nothing_to_choose_apart() {
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                        .json()
                        .path("apart")
                        .isEmpty())
                .isTrue();
    }
}
