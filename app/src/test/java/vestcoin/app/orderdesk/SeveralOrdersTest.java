package vestcoin.app.orderdesk;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.pay.TestCard;

/** Several orders at once: slips, sending with the carrier's numbers, and the list by span, way, method and place. */
class SeveralOrdersTest {
    @RegisterExtension
    static final RunningShop SHOP = new RunningShop();

    private static RunningShop.Running shop;
    private static Caller owner;
    private static Caller buyer;

    @BeforeAll
    static void start(RunningShop.Running running) {
        shop = running;
        owner = shop.owner();
        buyer = shop.anybody();
        buyer.get("/api/session");
    }

    private static Stream<String> letters() {
        return shop.services().post().letters().stream().map(letter -> letter.plain());
    }

    private static JsonNode paid() {
        JsonNode placed = buyer.placeBook();
        assertThat(buyer.pay(placed, TestCard.APPROVED).status()).isEqualTo(200);
        return placed;
    }

    private static Map<String, Object> one(JsonNode placed, String tracking) {
        return Map.of("number", placed.path("number").asInt(), "tracking", tracking);
    }

    private static Caller.Answer send(String key, List<Map<String, Object>> orders) {
        return owner.post(Caller.SHOP + "/orders/dispatch", Map.of("key", key, "orders", orders));
    }

    @Test
    void several_leave_at_once_with_their_numbers_and_one_that_cannot_holds_up_no_other() throws Exception {
        JsonNode first = paid();
        JsonNode open = buyer.placeBook();
        JsonNode second = paid();
        String key = UUID.randomUUID().toString();
        List<Map<String, Object>> asked = List.of(
                one(first, "RR123456785IE"), one(open, ""), one(second, ""), Map.of("number", 4, "tracking", ""));
        JsonNode outcomes = send(key, asked).json();
        assertThat(outcomes.findValuesAsString("trouble")).hasSize(2);
        assertThat(outcomes.get(1).path("trouble").asString()).startsWith("Nobody has paid for this order");
        assertThat(outcomes.get(3).path("trouble").asString()).startsWith("There is no order 4.");
        for (JsonNode sent : List.of(first, second)) {
            JsonNode whole = owner.get(
                            Caller.SHOP + "/orders/" + sent.path("number").asInt())
                    .json();
            assertThat(whole.path("sent").asString()).isEqualTo("all");
            assertThat(whole.path("departures").size()).isEqualTo(1);
        }
        send(key, asked);
        assertThat(owner.get(Caller.SHOP + "/orders/" + first.path("number").asInt())
                        .json()
                        .path("departures")
                        .size())
                .as("the same again sends nothing")
                .isEqualTo(1);

        // What the carrier calls the parcel is told to the buyer, on the page and in the letter.
        assertThat(buyer.get("/api/counter/orders/" + first.path("token").asString())
                        .json()
                        .path("parcels")
                        .get(0)
                        .path("number")
                        .asString())
                .isEqualTo("RR123456785IE");
        String told = "Its number: RR123456785IE.";
        for (int tries = 0; tries < 100 && letters().noneMatch(text -> text.contains(told)); tries++) {
            Thread.sleep(100);
        }
        assertThat(letters()).anyMatch(text -> text.contains(told));
    }

    @Test
    void a_number_no_carrier_gives_is_refused_and_nothing_leaves() {
        JsonNode placed = paid();
        JsonNode outcomes =
                send(UUID.randomUUID().toString(), List.of(one(placed, "R\nR"))).json();
        assertThat(outcomes.get(0).path("trouble").asString()).startsWith("This is no number of a parcel");
        assertThat(owner.get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                        .json()
                        .path("sent")
                        .asString())
                .isEqualTo("no");
        assertThat(send("x", List.of()).status()).isEqualTo(422);
        assertThat(send("", List.of(one(placed, ""))).status())
                .as("without a key twice would be two things")
                .isEqualTo(400);
    }

    @Test
    void slips_are_one_page_an_order_without_prices() throws Exception {
        List<Integer> numbers = new ArrayList<>();
        for (int n = 0; n < 3; n++) {
            numbers.add(paid().path("number").asInt());
        }
        byte[] pdf = owner.bytes(Caller.SHOP + "/slips.pdf?"
                + numbers.stream().map(number -> "order=" + number).collect(Collectors.joining("&")));
        try (PdfReader reader = new PdfReader(pdf)) {
            assertThat(reader.getNumberOfPages()).isEqualTo(3);
            for (int page = 1; page <= 3; page++) {
                String text = new PdfTextExtractor(reader).getTextFromPage(page);
                assertThat(text).contains(String.valueOf(numbers.get(page - 1))).doesNotContain("24.50");
            }
        }
        assertThat(owner.get(Caller.SHOP + "/slips.pdf?order=77").status()).isEqualTo(404);
    }

    private static List<Integer> listed(String query) {
        return owner.get(Caller.SHOP + "/orders?" + query)
                .json()
                .path("orders")
                .valueStream()
                .map(order -> order.path("number").asInt())
                .toList();
    }

    @Test
    void the_list_is_narrowed_by_span_way_method_and_place() {
        int number = paid().path("number").asInt();
        LocalDate today = LocalDate.now(ZoneId.of("Europe/Dublin"));
        assertThat(listed("way=tube&method=card&country=IE&from=" + today + "&to=" + today))
                .contains(number);
        assertThat(listed("way=letter")).isNotEmpty().doesNotContain(number);
        assertThat(listed("country=DE")).isNotEmpty().doesNotContain(number);
        assertThat(listed("method=transfer")).doesNotContain(number);
        assertThat(listed("from=" + today.plusDays(1))).isEmpty();
        assertThat(listed("to=" + today.minusDays(1))).isEmpty();
        assertThat(listed("from=" + today)).contains(number);
    }
}
