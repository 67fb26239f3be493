package vestcoin.app.setup;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * One change to a draft.
 *
 * @param path field names and ids joined by {@code /}: {@code delivery/zones/ireland/rates/tube}
 * @param was the value the change was made on; nothing where there was none. Another value there now is a conflict
 * @param now the value to set; nothing removes. At a cell of the rate sheet or the tax book, and at a list of places, a
 *     text as the seller types it may stand
 * @param from the place the thing had in its list before; noted when the edit is made, so that undoing puts it back
 *     there
 * @param to the place it is to have in its list, from 0; where it is, or at the end, without it
 */
public record Edit(
        String path, Optional<JsonNode> was, Optional<JsonNode> now, Optional<Integer> from, Optional<Integer> to) {
    public Edit {
        was = was == null ? Optional.empty() : was.filter(node -> !node.isNull());
        now = now == null ? Optional.empty() : now.filter(node -> !node.isNull());
        from = from == null ? Optional.empty() : from;
        to = to == null ? Optional.empty() : to;
    }

    public Edit(String path, Optional<JsonNode> was, Optional<JsonNode> now) {
        this(path, was, now, null, null);
    }

    /** Edits as they came with a request, without what is none. */
    public static List<Edit> given(List<Edit> edits) {
        return edits == null
                ? List.of()
                : edits.stream().filter(Objects::nonNull).toList();
    }

    /** What was typed, where it is a text. */
    Optional<String> text() {
        return now.filter(JsonNode::isString).map(JsonNode::asString);
    }

    /** The same, made on what stands there now. */
    Edit onto(Optional<JsonNode> current) {
        return new Edit(path, current, now, from, to);
    }

    Edit meaning(Optional<JsonNode> read) {
        return new Edit(path, was, read, from, to);
    }

    boolean changesNothing() {
        return was.equals(now) && to.isEmpty();
    }

    public Edit reversed() {
        return new Edit(path, now, was, to, from);
    }
}
