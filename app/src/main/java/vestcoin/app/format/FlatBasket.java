package vestcoin.app.format;

import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The form that baskets were kept in before they had one of their own: their fields beside those of what held them.
 * Setups, links and baskets that were kept under it are read on.
 */
public final class FlatBasket {
    private static final List<String> FIELDS = List.of("lines", "to", "codes");

    private FlatBasket() {}

    /** What holds a basket, with the basket under a name of its own; itself where it already is. */
    public static JsonNode nested(JsonNode holder, String name) {
        if (!(holder instanceof ObjectNode flat)
                || flat.has(name)
                || FIELDS.stream().noneMatch(flat::has)) {
            return holder;
        }
        ObjectNode nested = flat.deepCopy();
        ObjectNode basket = nested.putObject(name);
        FIELDS.stream().filter(flat::has).forEach(field -> basket.set(field, nested.remove(field)));
        return nested;
    }
}
