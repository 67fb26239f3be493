package vestcoin.app.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Breaks documents by chance: fields taken out, misnamed, of another kind, at their limits. */
public final class Damage {
    private static final List<String> ODD_TEXTS = List.of(
            "",
            " ",
            "-1",
            "-0.01",
            "0",
            "1e9",
            "99999999999999999999",
            "0.000000000001",
            "NaN",
            "null",
            "IE",
            "XX",
            "EU",
            "kg",
            "1 kg",
            "1",
            "\u0000",
            "🪁",
            "a".repeat(300),
            "2026-02-30",
            "2026-11-25",
            "with-tax",
            "goods",
            "standard",
            "gear",
            "US-NC",
            "GB:",
            "DE:9..1",
            "EUR",
            "JPY",
            "KWD");

    private final Random random;

    public Damage(Random random) {
        this.random = random;
    }

    /** A copy of a document, broken at one or two places by chance. */
    public JsonNode of(JsonNode document) {
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
