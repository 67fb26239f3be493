package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.net.URI;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.order.Wishes;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Problems;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.AskingBuilder;
import vestcoin.standins.pay.TestCard;

/** What a counter asks besides name and address: taken down, shown to the seller, and priced at nothing. */
@ExtendWith(RunningShop.class)
class WishesTest {
    private static final Map<String, Object> OWN_ADDRESS = Map.of(
            "name", "Nora Sample",
            "lines", List.of("7 Payer Lane"),
            "city", "Galway",
            "postcode", "H91 X2A0",
            "country", "IE");

    private final RunningShop.Running shop;

    WishesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private void edit(String path, Object was, Object now) {
        Map<String, Object> edit = new HashMap<>(Map.of("path", path, "now", now));
        if (was != null) {
            edit.put("was", was);
        }
        Caller.Answer answer = shop.owner().post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @BeforeEach
    void ask() {
        JsonNode asking = shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("terms")
                .path("asking");
        if (asking.path("leastAge").isMissingNode()) {
            edit("terms/asking/leastAge", null, 18);
            edit(
                    "terms/asking/extras/tail",
                    null,
                    Map.of("id", "tail", "name", "Colour of the tail", "compulsory", true));
            assertThat(shop.owner()
                            .post(Caller.SHOP + "/draft/publish", Map.of())
                            .status())
                    .isEqualTo(200);
        }
    }

    private Caller.Answer place(Map<String, Object> wishes, String age) {
        return place(Caller.book(), "31.40", wishes, age);
    }

    private Caller.Answer place(Map<String, Object> basket, String expected, Map<String, Object> wishes, String age) {
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), basket, expected));
        Map<String, String> agreed = new HashMap<>(Caller.AGREED);
        if (age != null) {
            agreed.put("age", age);
        }
        placing.put("agreed", agreed);
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
                        wishes));
        return shop.anybody().post(Caller.COUNTER + "/orders", placing);
    }

    /** Whoever brings it by tube has to be able to ring; who gets a letter is asked for nothing. */
    @Test
    @Witness(value = "terms.asking.phoneWith[]", felt = Felt.COUNTER)
    @Witness(value = "terms.asking.companyWith[]", felt = Felt.COUNTER)
    void a_way_of_delivery_can_want_a_telephone_number_and_a_company() {
        JsonNode before = shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("terms")
                .path("asking");
        shop.owner()
                .publish(Map.of("terms/asking", Map.of("phoneWith", List.of("tube"), "companyWith", List.of("tube"))));
        assertThat(place(Map.of(), null).paths())
                .containsExactlyInAnyOrder("contact/wishes/phone", "contact/wishes/company");
        Caller.Answer placed = place(Map.of("phone", "+353 21 555 0100", "company", "Sample & Sons"), null);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        Map<String, Object> letter = new HashMap<>(Caller.book());
        letter.put("delivery", "letter");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(letter))
                .json()
                .path("toPay")
                .asString();
        assertThat(place(letter, toPay, Map.of(), null).status()).isEqualTo(200);
        Caller.Answer gone = shop.owner()
                .post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(Map.of(
                                        "path",
                                        "terms/asking/phoneWith",
                                        "was",
                                        List.of("tube"),
                                        "now",
                                        List.of("ox")))));
        assertThat(gone.status()).isEqualTo(422);
        assertThat(gone.sentence()).isEqualTo("There is no way of delivery “ox”.");
        shop.owner().publish(Map.of("terms/asking", before));
    }

    @Test
    void what_was_added_reaches_the_seller_and_changes_no_price() {
        Caller.Answer placed = place(
                Map.of(
                        "note",
                        "Ring twice.",
                        "gift",
                        Map.of("name", "Finn Sample", "message", "Happy birthday"),
                        "invoice",
                        OWN_ADDRESS,
                        "extras",
                        Map.of("tail", "red")),
                "18");
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        JsonNode order = shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.json().path("number").asInt())
                .json();
        assertThat(order.path("payable").asString()).isEqualTo("31.40");
        assertThat(order.path("wishes").toString())
                .isEqualTo("[{\"name\":\"A gift, without prices, for\",\"text\":\"Finn Sample\"},{\"name\":\"To go "
                        + "with it\",\"text\":\"Happy birthday\"},"
                        + "{\"name\":\"A note\",\"text\":\"Ring twice.\"}]");
        assertThat(order.path("answered").toString()).isEqualTo("[\"Colour of the tail: red\"]");
        assertThat(order.path("agreed").toString()).contains("\"kind\":\"age\"");
    }

    /** A parcel's slip for a gift must not tell what it cost; common practice, no source. */
    @Test
    void the_slip_of_the_parcel_names_things_and_no_price() throws Exception {
        int number = place(
                        Map.of(
                                "gift",
                                Map.of("name", "Finn Sample", "message", "Happy birthday"),
                                "invoice",
                                OWN_ADDRESS,
                                "extras",
                                Map.of("tail", "red")),
                        "18")
                .json()
                .path("number")
                .asInt();
        HttpResponse<byte[]> answer = java.net.http.HttpClient.newHttpClient()
                .send(
                        java.net.http.HttpRequest.newBuilder(
                                        URI.create(shop.url() + Caller.SHOP + "/orders/" + number + "/slip.pdf"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).as("not for everybody").isEqualTo(401);
        String text = new PdfTextExtractor(
                        new PdfReader(shop.owner().bytes(Caller.SHOP + "/orders/" + number + "/slip.pdf")))
                .getTextFromPage(1);
        assertThat(text)
                .contains("Finn Sample")
                .contains("Happy birthday")
                .contains("Kites You Can Build")
                .doesNotContain("24.50")
                .doesNotContain("31.40")
                .doesNotContain("€")
                .doesNotContain("Test Buyer");
    }

    @Test
    void what_is_missing_is_asked_for_at_its_field() {
        assertThat(place(Map.of("extras", Map.of("tail", " ")), "18").paths())
                .containsExactly("contact/wishes/extras/tail");
        assertThat(place(Map.of("extras", Map.of("tail", "red")), null).paths()).containsExactly("agreed/age");
        assertThat(place(Map.of("extras", Map.of("tail", "red")), "16").paths()).containsExactly("agreed/age");
        assertThat(place(Map.of("extras", Map.of("tail", "red"), "gift", Map.of("name", "", "message", "")), "18")
                        .paths())
                .containsExactly("contact/wishes/gift/name", "contact/wishes/invoice");
        assertThat(place(Map.of("extras", Map.of("tail", "red"), "note", "x".repeat(1001)), "18")
                        .paths())
                .containsExactly("contact/wishes/note");
        assertThat(place(Map.of("extras", Map.of("tail", "red", "other", "x")), "18")
                        .paths())
                .containsExactly("contact/wishes/extras");
    }

    @Test
    void the_invoice_of_a_gift_goes_to_who_paid_and_the_slip_to_who_gets_it() throws Exception {
        edit("terms/asking/phone", "no", "optional");
        edit("terms/asking/company", "no", "optional");
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
        Map<String, Object> gift = new HashMap<>(
                Map.of("extras", Map.of("tail", "red"), "gift", Map.of("name", "Finn Sample", "message", "")));
        gift.put("invoice", Map.of("name", " ", "lines", List.of(), "city", "", "country", "XX"));
        assertThat(place(gift, "18").paths())
                .containsExactly(
                        "contact/wishes/invoice/name",
                        "contact/wishes/invoice/lines",
                        "contact/wishes/invoice/city",
                        "contact/wishes/invoice/country");
        Problems problems = new Problems();
        Asking compulsory =
                AskingBuilder.builder().phone(Asking.Field.COMPULSORY).build();
        Wishes.NONE.check(compulsory, "contact/wishes", problems);
        assertThat(problems.list()).as("a download needs none").isEmpty();
        Wishes.NONE.checkDelivered(compulsory, List.of("tube"), "IE", "contact/wishes", problems);
        assertThat(problems.list()).extracting(Problem::path).containsExactly("contact/wishes/phone");
        gift.put("invoice", OWN_ADDRESS);
        gift.put("phone", "ring me");
        assertThat(place(gift, "18").paths()).containsExactly("contact/wishes/phone");
        gift.put("phone", "+353 21 555 0100");
        gift.put("company", "Payer & Co");
        Caller.Answer placed = place(gift, "18");
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        String token = placed.json().path("token").asString();
        shop.anybody().pay(placed.json(), TestCard.APPROVED);
        int number = placed.json().path("number").asInt();
        String slip = new PdfTextExtractor(
                        new PdfReader(shop.owner().bytes(Caller.SHOP + "/orders/" + number + "/slip.pdf")))
                .getTextFromPage(1);
        assertThat(slip)
                .contains("Finn Sample", "1 Example Street", "+353 21 555 0100")
                .doesNotContain("Payer", "Galway");
        JsonNode seen = shop.anybody().get("/api/counter/orders/" + token).json();
        assertThat(seen.path("receiver").asString()).isEqualTo("Finn Sample");
        assertThat(seen.path("invoice").path("city").asString()).isEqualTo("Galway");
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/orders/" + number + "/capture",
                                Map.of("key", UUID.randomUUID().toString(), "amount", "31.40"))
                        .status())
                .isEqualTo(200);
        Soon.holds(() -> assertThat(papers(token)).isNotEmpty());
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner()
                                .bytes(Caller.SHOP + "/orders/" + number + "/papers/" + papers(token) + ".pdf")))
                        .getTextFromPage(1))
                .containsSubsequence("Payer & Co", "Nora Sample", "7 Payer Lane", "H91 X2A0 Galway")
                .contains("Goods go to Finn Sample, 1 Example Street");
        String letter = Stream.of(shop.services().post().letters())
                .flatMap(List::stream)
                .filter(each -> each.plain().contains("1 Example Street")
                        || each.plain().contains("Finn Sample"))
                .findFirst()
                .orElseThrow()
                .plain();
        assertThat(letter).contains("Galway");
    }

    @Test
    void change_for_cash_stands_at_the_desk_and_on_the_slip_while_it_is_paid_in_cash() throws Exception {
        edit("terms/asking/paysWith", false, true);
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
        Map<String, Object> wishes = new HashMap<>(Map.of("extras", Map.of("tail", "red"), "paysWith", "24.49"));
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("delivery", "pickup-workshop");
        basket.put("method", "cash");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        for (JsonNode option : quote.path("delivery")) {
            if (option.path("id").asString().equals("pickup-workshop")) {
                basket.put("slot", option.path("slots").path(0).path("start").asString());
            }
        }
        assertThat(quote.path("toPay").asString()).isEqualTo("24.50");
        assertThat(place(basket, "24.50", wishes, "18").paths()).containsExactly("contact/wishes/paysWith");
        wishes.put("paysWith", "50");
        Caller.Answer placed = place(basket, "24.50", wishes, "18");
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        String order = Caller.SHOP + "/orders/" + placed.json().path("number").asInt();
        assertThat(shop.owner().get(order).json().path("wishes").toString()).contains("50.00 EUR (25.50)");
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/slip.pdf"))).getTextFromPage(1))
                .contains("Paid with €50.00: €25.50 change.");
        // Another way that is no cash needs no change, whatever was typed before.
        Caller.Answer card = place(wishes, "18");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders/"
                                + card.json().path("number").asInt())
                        .json()
                        .path("wishes")
                        .toString())
                .doesNotContain("50.00");
    }

    private String papers(String token) {
        return shop.anybody()
                .get("/api/counter/orders/" + token + "/papers")
                .json()
                .path(0)
                .path("number")
                .asString();
    }
}
