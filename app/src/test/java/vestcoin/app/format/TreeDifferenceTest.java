package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** RFC 6902 and 6901: what moved, done to what was, gives what is. */
class TreeDifferenceTest {
    /** By RFC 6902, sections 4.1 to 4.3, for what the difference makes. */
    static JsonNode patched(JsonNode was, List<TreeDifference.Operation> operations) {
        JsonNode now = was.deepCopy();
        for (TreeDifference.Operation operation : operations) {
            if (operation.path().isEmpty()) {
                now = operation.value().orElseThrow().deepCopy();
                continue;
            }
            String[] steps = operation.path().substring(1).split("/", -1);
            JsonNode parent = now;
            for (int i = 0; i < steps.length - 1; i++) {
                parent = parent.isArray() ? parent.get(Integer.parseInt(steps[i])) : parent.get(plain(steps[i]));
            }
            String last = plain(steps[steps.length - 1]);
            if (parent instanceof ArrayNode list) {
                int at = Integer.parseInt(last);
                switch (operation.op()) {
                    case "add" -> list.insert(at, operation.value().orElseThrow());
                    case "remove" -> list.remove(at);
                    default -> list.set(at, operation.value().orElseThrow());
                }
            } else if (operation.op().equals("remove")) {
                ((ObjectNode) parent).remove(last);
            } else {
                ((ObjectNode) parent).set(last, operation.value().orElseThrow());
            }
        }
        return now;
    }

    private static String plain(String step) {
        return step.replace("~1", "/").replace("~0", "~");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"a\":1} | {\"a\":1} | 0",
                "{\"a\":1} | {\"a\":2} | 1",
                "{\"a\":1,\"b\":2} | {\"b\":2,\"c\":3} | 2",
                "{\"a\":[1,2,3]} | {\"a\":[1,2,3,4]} | 1",
                "{\"a\":[1,2,3]} | {\"a\":[2,3]} | 1",
                "{\"a\":[{\"x\":1},{\"x\":2},{\"x\":3}]} | {\"a\":[{\"x\":1},{\"x\":9},{\"x\":3}]} | 1",
                "{\"a/b\":{\"c~d\":1}} | {\"a/b\":{\"c~d\":2}} | 1",
                "{\"a\":{\"b\":1}} | {\"a\":[1]} | 1",
                "[1] | {\"a\":1} | 1"
            })
    void as_little_as_differs_is_said(String was, String is, int operations) {
        List<TreeDifference.Operation> moved = TreeDifference.between(Json.tree(was), Json.tree(is));
        assertThat(moved).hasSize(operations);
        assertThat(patched(Json.tree(was), moved)).isEqualTo(Json.tree(is));
    }

    private static JsonNode grown(Random random, int depth) {
        JsonNodeFactory make = JsonNodeFactory.instance;
        int kind = random.nextInt(depth > 0 ? 4 : 2);
        if (kind == 0) {
            return make.numberNode(random.nextInt(4));
        } else if (kind == 1) {
            return make.stringNode("t" + random.nextInt(4));
        } else if (kind == 2) {
            ArrayNode list = make.arrayNode();
            for (int i = random.nextInt(6); i > 0; i--) {
                list.add(grown(random, depth - 1));
            }
            return list;
        }
        ObjectNode object = make.objectNode();
        for (int i = random.nextInt(5); i > 0; i--) {
            object.set("k/" + random.nextInt(6), grown(random, depth - 1));
        }
        return object;
    }

    @Test
    void any_two_documents_lead_from_one_to_the_other() {
        Random random = new Random(6902);
        for (int i = 0; i < 5_000; i++) {
            JsonNode was = grown(random, 4);
            JsonNode is = grown(random, 4);
            assertThat(patched(was, TreeDifference.between(was, is))).isEqualTo(is);
        }
    }
}
