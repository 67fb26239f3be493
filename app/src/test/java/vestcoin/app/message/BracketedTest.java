package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.format.Phrases;
import vestcoin.standins.post.PostRoom.Letter;

/** Letters and papers in a made-up language whose phrases stand in brackets: nothing of ours is outside them. */
@ExtendWith(RunningShop.class)
class BracketedTest {
    private final RunningShop.Running shop;

    BracketedTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeAll
    static void speaks(RunningShop.Running shop) {
        Map<String, String> polish = Map.of(
                "phrases.letter.receipt.subject", "Zamówienie {order}",
                "phrases.letter.receipt.opening", "Dzień dobry {name}, dziękujemy:",
                "phrases.letter.total", "Razem",
                "phrases.counter.total", "Razem");
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/draft/edits",
                                Map.of(
                                        "edits",
                                        List.of(
                                                Map.of(
                                                        "path",
                                                        "shop/languages",
                                                        "was",
                                                        List.of("de"),
                                                        "now",
                                                        List.of("de", Phrases.BRACKETED, "pl")),
                                                Map.of("path", "terms/words/pl", "now", polish))))
                        .status())
                .isEqualTo(200);
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", "").status())
                .isEqualTo(200);
    }

    private JsonNode bought(String language) throws IOException {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        basket.put("language", language);
        return shop.anybody().buy(basket).json();
    }

    private List<Letter> letters(JsonNode placed) throws Exception {
        shop.context().getBean(Messages.class).settled();
        return shop.services().post().letters().stream()
                .filter(letter ->
                        letter.subject().contains(placed.path("number").asString()))
                .filter(letter -> letter.to().startsWith("buyer"))
                .toList();
    }

    private List<String> sellers() {
        List<String> texts = new ArrayList<>();
        gather(shop.owner().get(Caller.SHOP + "/draft").json().path("document"), texts);
        // Texts that were agreed to, with the shop's facts set in.
        shop.anybody()
                .get(Caller.COUNTER + "?language=" + Phrases.BRACKETED)
                .json()
                .path("texts")
                .forEach(each -> texts.addAll(List.of(each.path("text")
                        .asString()
                        .replaceAll(" *\\[[^\\]]*] *", "")
                        .split("\\n+"))));
        texts.removeIf(String::isBlank);
        texts.sort(Comparator.comparing(String::length).reversed());
        return texts;
    }

    private static void gather(JsonNode node, List<String> texts) {
        if (node.isString() && node.asString().length() > 1) {
            texts.add(node.asString());
        }
        node.forEach(each -> gather(each, texts));
    }

    /** What is left without brackets, the seller's and the buyer's own words, addresses on the web and numbers. */
    private String ours(String text) {
        StringBuilder outside = new StringBuilder();
        int depth = 0;
        for (char c : text.toCharArray()) {
            depth += c == '[' ? 1 : 0;
            if (depth == 0) {
                outside.append(c);
            }
            depth -= c == ']' ? 1 : 0;
        }
        String left = outside.toString().replaceAll("https?://\\S+", " ").replaceAll("\\s+", " ");
        for (String buyers : List.of("Test Buyer", "1 Example Street", "T12 X2A0", "Cork")) {
            left = left.replace(buyers, " ");
        }
        for (String own : sellers()) {
            left = left.replace(own, " ");
        }
        for (String shops : List.of("Galway", "H91 X2A0", "Ireland", "Example", "EUR")) {
            left = left.replace(shops, " ");
        }
        return left.replaceAll("[^A-Za-z]+", " ")
                .replaceAll("\\b[A-Z]{2}\\b|\\b\\w\\b", "")
                .strip();
    }

    private static String text(byte[] pdf) throws IOException {
        return new PdfTextExtractor(new PdfReader(pdf)).getTextFromPage(1);
    }

    @Test
    void letters_receipt_and_invoice_are_phrased_from_end_to_end() throws Exception {
        JsonNode placed = bought(Phrases.BRACKETED);
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        String token = "/api/counter/orders/" + placed.path("token").asString();
        Caller owner = shop.owner();
        owner.post(
                order + "/capture",
                Map.of(
                        "key",
                        UUID.randomUUID().toString(),
                        "payment",
                        owner.get(order)
                                .json()
                                .path("payments")
                                .path(0)
                                .path("id")
                                .asLong(),
                        "amount",
                        "31.40"));
        owner.post(order + "/dispatch", Map.of("key", UUID.randomUUID().toString(), "lines", List.of()));
        JsonNode papers = owner.get(order + "/papers").json();
        for (int i = 0; i < 50 && papers.isEmpty(); i++) {
            Thread.sleep(100);
            papers = owner.get(order + "/papers").json();
        }
        Soon.holds(
                () -> assertThat(letters(placed)).hasSizeGreaterThanOrEqualTo(2).allSatisfy(letter -> {
                    assertThat(ours(letter.subject())).as(letter.subject()).isEmpty();
                    assertThat(ours(letter.plain())).as(letter.plain()).isEmpty();
                }));
        String receipt = text(shop.anybody().bytes(token + "/receipt.pdf"));
        assertThat(ours(receipt)).as(receipt).isEmpty();
        String invoice = text(
                owner.bytes(order + "/papers/" + papers.path(0).path("number").asString() + ".pdf"));
        assertThat(ours(invoice)).as(invoice).isEmpty();
    }

    @Test
    void what_the_counter_answers_is_phrased_in_the_language_of_the_basket() {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("language", Phrases.BRACKETED);
        basket.put("codes", List.of("NOTHING-AT-ALL"));
        basket.put("to", Map.of("country", "DE", "postcode", "10115"));
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("refusedCodes").path(0).path("reason").asString()).startsWith("[");
        quote.path("whose")
                .forEach(sentence -> assertThat(ours(sentence.asString())).isEmpty());
        quote.path("missing")
                .forEach(sentence -> assertThat(ours(sentence.asString())).isEmpty());
    }

    @Test
    void a_phrase_worded_by_the_seller_in_polish_is_written_and_shown() throws Exception {
        JsonNode placed = bought("pl");
        Soon.holds(() -> assertThat(letters(placed))
                .anySatisfy(letter -> assertThat(letter.subject())
                        .contains("Zamówienie " + placed.path("number").asInt()))
                .anySatisfy(letter ->
                        assertThat(letter.plain()).contains("Dzień dobry").contains("Razem")));
        JsonNode counter = shop.anybody().get(Caller.COUNTER + "?language=pl").json();
        assertThat(counter.path("phrases").path("counter.total").asString()).isEqualTo("Razem");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/draft")
                        .json()
                        .path("findings")
                        .valueStream()
                        .map(finding -> finding.path("id").asString()))
                .contains("phrases-lacking");
    }
}
