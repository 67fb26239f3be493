package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.standins.pay.TestCard;

/** Another address for an order that has not left, where it costs the same. */
@ExtendWith(RunningShop.class)
class ReaddressingTest {
    private static final Map<String, Object> NEIGHBOUR = Map.of(
            "name", "Nora Neighbour",
            "lines", List.of("Flat 2", "14 Example Street"),
            "city", "Cork",
            "postcode", "T12 AC34");
    private final RunningShop.Running shop;

    ReaddressingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static String at(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private String slip(JsonNode placed) throws Exception {
        return new PdfTextExtractor(new PdfReader(shop.owner().bytes(at(placed) + "/slip.pdf"))).getTextFromPage(1);
    }

    @Test
    void it_goes_there_and_an_invoice_that_was_issued_keeps_its_address() throws Exception {
        shop.owner().publish(Map.of("payment/methods/card/capture", "at-once"));
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, TestCard.APPROVED);
        Soon.holds(
                () -> assertThat(shop.owner().get(at(placed) + "/papers").json().size())
                        .isPositive());
        assertThat(shop.owner().put(at(placed) + "/address", NEIGHBOUR).status())
                .isEqualTo(200);

        JsonNode order = shop.owner().get(at(placed)).json();
        assertThat(order.path("name").asString()).isEqualTo("Nora Neighbour");
        assertThat(order.path("address").path("lines").toString()).contains("Flat 2", "14 Example Street");
        assertThat(order.path("invoice").path("name").asString()).isEqualTo("Test Buyer");
        assertThat(order.path("invoice").path("lines").toString()).contains("1 Example Street");
        assertThat(slip(placed)).contains("Nora Neighbour", "14 Example Street").doesNotContain("Test Buyer");
        assertThat(shop.anybody()
                        .get("/api/counter/orders/" + placed.path("token").asString())
                        .text())
                .contains("14 Example Street");

        assertThat(shop.owner()
                        .post(
                                at(placed) + "/dispatch",
                                Map.of("key", UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(200);
        Caller.Answer late = shop.owner().put(at(placed) + "/address", NEIGHBOUR);
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.sentence()).startsWith("The address stays as it is");
    }

    /** A tube to Cork costs 6.90; within Galway it is 5.90: looked at first, then done, and the buyer told. */
    @Test
    void where_it_costs_something_else_it_is_told_and_what_is_to_be_paid_follows() throws InterruptedException {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "1")));
        basket.put("delivery", "tube");
        basket.put("method", "transfer");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        JsonNode placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, toPay))
                .json();
        Map<String, Object> galway = new HashMap<>(NEIGHBOUR);
        galway.put("postcode", "H91 X2A0");
        JsonNode looked =
                shop.owner().put(at(placed) + "/address?look=true", galway).json();
        assertThat(looked.path("before").asString()).isEqualTo(toPay);
        assertThat(looked.path("now").asString()).isEqualTo("19.80");
        assertThat(shop.owner().get(at(placed)).text())
                .contains("1 Example Street")
                .contains(toPay);
        assertThat(shop.owner().put(at(placed) + "/address", galway).status()).isEqualTo(200);
        JsonNode order = shop.owner().get(at(placed)).json();
        assertThat(order.path("payable").asString()).isEqualTo("19.80");
        assertThat(order.path("address").path("postcode").asString()).isEqualTo("H91 X2A0");
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.plain().contains("19.80")));
        galway.put("lines", List.of());
        assertThat(shop.owner().put(at(placed) + "/address", galway).paths()).containsExactly("lines");
    }
}
