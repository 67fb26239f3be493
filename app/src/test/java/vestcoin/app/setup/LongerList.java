package vestcoin.app.setup;

import java.util.Optional;
import java.util.function.IntFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An edit that makes a list of a draft longer. */
public final class LongerList {
    private LongerList() {}

    /**
     * @param size how long the list is to be
     * @param one what stands at a place, counted from 0
     */
    public static Edit of(JsonNode document, String path, int size, IntFunction<ObjectNode> one) {
        JsonNode was = Edits.at(document, path).orElseThrow();
        ArrayNode now = ((ArrayNode) was).deepCopy();
        for (int i = now.size(); i < size; i++) {
            now.add(one.apply(i));
        }
        return new Edit(path, Optional.of(was), Optional.of(now));
    }
}
