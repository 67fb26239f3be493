package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;

/** Questions about the order as a whole, and goods that are offered with every order. */
@ExtendWith(RunningShop.class)
class OrderQuestionsTest {
    private static final String WRAPPING = "wrapping";

    private final RunningShop.Running shop;

    OrderQuestionsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> question(String id, String name, String kind) {
        return new HashMap<>(Map.of("id", id, "name", name, "kind", kind, "compulsory", false, "answers", List.of()));
    }

    @BeforeEach
    void ask() {
        if (shop.owner().get(Caller.SHOP + "/draft").text().contains("Day of the party")) {
            return;
        }
        Map<String, Object> colour = question("ribbon", "Ribbon", "one-of");
        colour.put("answers", List.of(Map.of("id", "red", "name", "Red"), Map.of("id", "blue", "name", "Blue")));
        Map<String, Object> name = question("tag", "Name on the tag", "text");
        name.put("perCharacter", "0.10");
        Map<String, Object> edits = new LinkedHashMap<>();
        edits.put("terms/asking/extras/day", question("day", "Day of the party", "day"));
        edits.put("terms/asking/extras/ribbon", colour);
        edits.put("terms/asking/extras/quiet", question("quiet", "Please do not ring", "tick"));
        edits.put(
                "goods/products/" + WRAPPING,
                Map.of(
                        "id",
                        WRAPPING,
                        "name",
                        "Wrapped in paper",
                        "kind",
                        "service",
                        "category",
                        "gear",
                        "price",
                        "3.00",
                        "selling",
                        Map.of("state", "hidden"),
                        "questions",
                        List.of(name)));
        edits.put("terms/asking/offered", List.of(WRAPPING));
        shop.owner().publish(edits);
    }

    private Caller.Answer place(Map<String, ?> extras) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), basket, "31.40"));
        placing.put(
                "contact",
                Map.of(
                        "name",
                        "Test Buyer",
                        "email",
                        "buyer@buyers.example",
                        "lines",
                        List.of("1 Example Street"),
                        "city",
                        "Cork",
                        "wishes",
                        Map.of("extras", extras)));
        return shop.anybody().post(Caller.COUNTER + "/orders", placing);
    }

    @Test
    void an_answer_of_another_kind_is_refused_at_its_question() {
        assertThat(place(Map.of("day", "soon")).paths()).containsExactly("contact/wishes/extras/day");
        assertThat(place(Map.of("ribbon", "green")).paths()).containsExactly("contact/wishes/extras/ribbon");
        assertThat(place(Map.of("quiet", "perhaps")).paths()).containsExactly("contact/wishes/extras/quiet");
    }

    @Test
    void answers_stand_on_the_order_the_buyers_page_the_slip_and_in_the_letter() throws Exception {
        JsonNode placed = place(Map.of("day", "2027-03-09", "ribbon", "blue", "quiet", "yes"))
                .json();
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        assertThat(shop.owner().get(order).json().path("answered").toString())
                .contains("Ribbon: Blue")
                .contains("Please do not ring")
                .contains("Day of the party: ")
                .contains("2027");
        assertThat(shop.anybody()
                        .get("/api/counter/orders/" + placed.path("token").asString())
                        .json()
                        .path("answered")
                        .toString())
                .contains("Ribbon: Blue");
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/slip.pdf"))).getTextFromPage(1))
                .contains("Ribbon: Blue")
                .contains("Please do not ring");
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .filteredOn(letter -> letter.plain().contains("Ribbon: Blue"))
                .extracting(letter -> letter.to())
                .contains("buyer@buyers.example", "hello@tern-and-tether.example"));
    }

    @Test
    void what_is_offered_with_orders_is_known_though_hidden_and_costs_what_it_costs() {
        JsonNode counter = shop.anybody().get(Caller.COUNTER).json();
        assertThat(counter.path("asking").path("offered").toString()).isEqualTo("[\"" + WRAPPING + "\"]");
        assertThat(counter.path("goods").path("products").findValuesAsString("id"))
                .contains(WRAPPING);
        assertThat(counter.path("goods").path("listed").asInt())
                .isEqualTo(counter.path("goods").path("products").size() - 1);
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put(
                "lines",
                List.of(
                        Map.of("product", "kites-you-can-build", "quantity", "1"),
                        Map.of("product", WRAPPING, "quantity", "1", "answers", Map.of("tag", "Finn"))));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("payable").asString()).isEqualTo("34.80");
        assertThat(quote.path("missing").size()).isZero();
    }

    @Test
    void what_is_sold_no_more_is_offered_no_more() {
        Caller owner = shop.owner();
        JsonNode was = owner.get(Caller.SHOP + "/draft").json().path("document");
        Caller.Answer unknown = owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of(
                        "edits",
                        List.of(Map.of(
                                "path",
                                "terms/asking/offered",
                                "was",
                                List.of(WRAPPING),
                                "now",
                                List.of(WRAPPING, "gone")))));
        assertThat(unknown.paths()).containsExactly("terms/asking/offered");
        JsonNode product = was.path("goods")
                .path("products")
                .valueStream()
                .filter(each -> each.path("id").asString().equals(WRAPPING))
                .findFirst()
                .orElseThrow();
        Caller.Answer gone = owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "goods/products/" + WRAPPING, "was", product))));
        assertThat(gone.status()).as(gone.text()).isEqualTo(200);
        assertThat(owner.get(Caller.SHOP + "/draft")
                        .json()
                        .path("document")
                        .path("terms")
                        .path("asking")
                        .path("offered")
                        .size())
                .isZero();
        assertThat(owner.post(Caller.SHOP + "/draft/undo", Map.of()).status()).isEqualTo(200);
    }
}
