package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.Refused;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.Compiled;

/** Damaged files are priced or refused with a sentence; nothing else ever comes out. */
class DamagedInputTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");
    private static final int INPUTS = 20_000;
    private static final List<String> ODD_TEXTS = List.of("", " ", "-1", "-0.01", "0", "1e9", "99999999999999999999", "0.000000000001", "NaN", "null", "IE", "XX", "EU", "kg", "1 kg",
            "1", "\u0000", "🪁", "a".repeat(300), "2026-02-30", "2026-11-25", "with-tax", "goods", "standard", "gear", "US-NC", "GB:", "DE:9..1", "EUR", "JPY", "KWD");

    private final Random random = new Random(20_000);

    @Test
    void twenty_thousand_damaged_inputs_are_priced_or_refused_with_a_remedy() throws IOException {
        JsonNode setup = Json.tree(Files.readString(EXAMPLES.resolve("tern-and-tether.setup.json")));
        List<JsonNode> orders = new ArrayList<>();
        for (String name : List.of("cork-two-deltas-codes", "asheville-workbench", "galway-school", "donation-and-sale")) {
            orders.add(Json.tree(Files.readString(EXAMPLES.resolve(name + ".order.json"))));
        }
        Compiled whole = Document.parse(Json.write(setup)).compiled();
        int priced = 0;
        int refused = 0;
        for (int i = 0; i < INPUTS; i++) {
            // Most damage goes to orders, which are cheap to read; every tenth input is a damaged setup.
            boolean damageSetup = i % 10 == 0;
            String order = Json.write(damageSetup ? orders.get(i % orders.size()) : damaged(orders.get(i % orders.size())));
            String text = damageSetup ? Json.write(damaged(setup)) : "";
            try {
                Compiled compiled = damageSetup ? Document.parse(text).compiled() : whole;
                QuoteView quote = QuoteView.of(Pricing.price(compiled, OrderFile.parse(order)));
                assertThat(quote.payable().value().signum()).isNotNegative();
                priced++;
            } catch (Refused expected) {
                assertThat(expected.problems()).isNotEmpty().allSatisfy(problem -> {
                    assertThat(problem.sentence()).isNotBlank();
                    assertThat(problem.remedy()).isNotBlank();
                });
                refused++;
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                throw new AssertionError("input " + i + ": " + (damageSetup ? text : order), e);
            }
        }
        System.out.println("damaged: " + priced + " priced, " + refused + " refused of " + INPUTS);
        assertThat(priced).as("some damage does not matter").isGreaterThan(100);
        assertThat(refused).as("most damage does").isGreaterThan(INPUTS / 2);
    }

    private JsonNode damaged(JsonNode document) {
        JsonNode copy = document.deepCopy();
        for (int n = 1 + random.nextInt(2); n > 0; n--) {
            damage(copy);
        }
        return copy;
    }

    /** Walks down to somewhere by chance and breaks what is there. */
    private void damage(JsonNode node) {
        while (true) {
            if (node instanceof ObjectNode object && !object.isEmpty()) {
                List<String> names = new ArrayList<>(object.propertyNames());
                String name = names.get(random.nextInt(names.size()));
                JsonNode child = object.get(name);
                if (child.isContainer() && !child.isEmpty() && random.nextInt(5) > 0) {
                    node = child;
                    continue;
                }
                switch (random.nextInt(4)) {
                    case 0 -> object.remove(name);
                    case 1 -> object.set(name + "x", child);
                    default -> object.set(name, something(child));
                }
                return;
            }
            if (node instanceof ArrayNode array && !array.isEmpty()) {
                int place = random.nextInt(array.size());
                JsonNode child = array.get(place);
                if (child.isContainer() && !child.isEmpty() && random.nextInt(5) > 0) {
                    node = child;
                    continue;
                }
                switch (random.nextInt(4)) {
                    case 0 -> array.remove(place);
                    case 1 -> array.add(child.deepCopy());
                    default -> array.set(place, something(child));
                }
                return;
            }
            return;
        }
    }

    private JsonNode something(JsonNode instead) {
        JsonNodeFactory make = JsonNodeFactory.instance;
        return switch (random.nextInt(8)) {
            case 0 -> make.nullNode();
            case 1 -> make.numberNode(random.nextInt(100) - 50);
            case 2 -> make.booleanNode(random.nextBoolean());
            case 3 -> make.arrayNode();
            case 4 -> make.objectNode();
            case 5 -> instead.isString() ? make.stringNode(instead.asString() + "9") : make.stringNode("x");
            default -> make.stringNode(ODD_TEXTS.get(random.nextInt(ODD_TEXTS.size())));
        };
    }
}
