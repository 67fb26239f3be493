package vestcoin.app.ticket;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.run.DemoShop;
import vestcoin.app.ticket.TicketController.TicketRequest;

/** What is refused at the desk is said in a seller's words: no path, no schema, no class, no word of the program. */
@ExtendWith(RunningShop.class)
class PlainRefusalsTest {
    /** Paths such as goods/products, names such as weightUnit, braces, and words only a programmer says. */
    private static final Pattern INSIDES =
            Pattern.compile("\\b[a-z]+[A-Z][A-Za-z]*\\b|\\b[a-z]{3,}/[a-z]{3,}\\b|[{}\\[\\]]|"
                    + "(?i:\\b(schema|json|null|object|array|boolean|string|integer|enum|class|java|exception"
                    + "|parse)\\b)");

    /** What is typed wrongly: not what is there, too much of it, nothing at all, and what no field takes. */
    private static final List<String> WRONG = List.of(
            "???",
            "1,200",
            "-4",
            "12 apples",
            "<b>bold</b>",
            "tomorrow or so",
            "1.2.3",
            "99999999999999999999",
            "🛶",
            "x".repeat(3000));

    /** What a name in a sentence may look like, since the seller typed it. */
    private static String without(String said, String typed) {
        return said.replace(typed, "").replace(typed.length() > 60 ? typed.substring(0, 60) : typed, "");
    }

    private static Caller owner;
    private static TicketController tickets;
    private static JsonMapper json;
    private static JsonNode document;

    @BeforeAll
    static void start(RunningShop.Running shop) {
        owner = shop.owner();
        tickets = shop.context().getBean(TicketController.class);
        json = shop.context().getBean(JsonMapper.class);
        document = owner.get(Caller.SHOP + "/draft").json().path("document");
    }

    /** Every path a text can be typed at: what stands there is a text, a number or a yes, or a list of texts. */
    private static void fields(String at, JsonNode node, List<String> found) {
        if (node instanceof ObjectNode object) {
            // What is typed with a notation, such as a sale price, stands as several figures.
            if (at.split("/").length > 3) {
                found.add(at.substring(1));
            }
            object.properties().forEach(each -> fields(at + "/" + each.getKey(), each.getValue(), found));
        } else if (node instanceof ArrayNode list
                && !list.isEmpty()
                && list.get(0).has("id")) {
            list.forEach(each -> fields(at + "/" + each.path("id").asString(), each, found));
            found.add(at.substring(1));
        } else if (!at.endsWith("/id")) {
            found.add(at.substring(1));
        }
    }

    /** The kind of field: its path with what the seller named left out. */
    private static String kind(String path) {
        return Stream.of(path.split("/"))
                .map(step -> step.matches("[a-z]+([A-Z][a-z]+)*") ? step : "*")
                .reduce((a, b) -> a + "/" + b)
                .orElse("");
    }

    /** What of a pattern is words: without its arguments, and without the names of facts, which stand in quotes. */
    private static String words(String pattern) {
        String left = pattern.replaceAll("'\\{'[^']*'\\}'", "…");
        String before;
        do {
            before = left;
            left = left.replaceAll("\\{[^{}]*\\}", "…");
        } while (!left.equals(before));
        return left;
    }

    @Test
    void whatever_is_typed_wrongly_is_refused_in_plain_words() {
        List<String> all = new ArrayList<>();
        fields("", document, all);
        TreeSet<String> kinds = new TreeSet<>();
        // What a file says of itself is no field.
        List<String> paths = all.stream()
                .filter(path -> !path.equals("format") && kinds.add(kind(path)))
                .toList();
        assertThat(paths).hasSizeGreaterThan(100);
        int refused = 0;
        List<String> inside = new ArrayList<>();
        for (String path : paths) {
            for (String typed : WRONG) {
                for (String said : refusals(path, typed)) {
                    refused++;
                    if (INSIDES.matcher(without(said, typed)).find()) {
                        inside.add(path + " ← " + typed.substring(0, Math.min(20, typed.length())) + ": " + said);
                    }
                }
            }
        }
        assertThat(refused).isGreaterThan(200);
        assertThat(inside).isEmpty();
    }

    /** What is said where something is typed, as the application writes it; by its door where there is no ticket. */
    private static List<String> refusals(String path, String typed) {
        Map<String, Object> asked = typed(path, typed);
        TicketController.Ticket ticket;
        try {
            ticket = tickets.ticket(DemoShop.SHOP, Json.read(Json.write(asked), TicketRequest.class));
        } catch (RuntimeException unforeseen) {
            Caller.Answer answer = owner.post(Caller.SHOP + "/ticket", asked);
            assertThat(answer.status()).as(path + " ← " + typed).isLessThan(500);
            return said(answer.json());
        }
        return said(json.readTree(json.writeValueAsString(ticket)));
    }

    private static List<String> said(JsonNode answer) {
        List<String> said = new ArrayList<>();
        answer.path("refused")
                .forEach(problem -> said.add(problem.path("sentence").asString() + " "
                        + problem.path("remedy").asString()));
        return said;
    }

    private static Map<String, Object> typed(String path, String typed) {
        return Map.of(
                "edits",
                List.of(Map.of("path", path, "now", typed)),
                "order",
                Map.of("lines", List.of(), "to", Map.of("country", "IE")));
    }

    @Test
    void the_door_answers_with_the_same_words() {
        Map<String, Object> asked = typed("shop/currency", "???");
        assertThat(said(owner.post(Caller.SHOP + "/ticket", asked).json()))
                .isNotEmpty()
                .isEqualTo(refusals("shop/currency", "???"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"en", "de"})
    void no_refusal_of_the_catalogue_speaks_of_the_programs_insides(String language) {
        List<String> inside = Phrases.catalogue(language).entrySet().stream()
                .filter(each -> each.getKey()
                        .matches("(setup|goods|delivery|tax|pickup|payment|discount|place|calendar|"
                                + "format|finding|publishing|orderdesk|order|stock|access|money|basket|terms"
                                + "|parcel)\\..*"))
                // In German, null is nought.
                .map(each -> Map.entry(each.getKey(), words(each.getValue()).replace("null", "nought")))
                .filter(each -> INSIDES.matcher(each.getValue()).find())
                .map(each -> each.getKey() + ": " + each.getValue())
                .toList();
        assertThat(inside).isEmpty();
    }
}
