package vestcoin.app.setup;

import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * One change to a draft.
 *
 * @param path field names and ids joined by {@code /}: {@code delivery/zones/ireland/rates/tube}
 * @param was  the value the change was made on; nothing where there was none. Another value there now is a conflict
 * @param now  the value to set; nothing removes. At a cell of the rate sheet or the tax book, and at a list of places, a
 *             text as the seller types it may stand
 */
public record Edit(String path, Optional<JsonNode> was, Optional<JsonNode> now) {
    public Edit {
        was = was == null ? Optional.empty() : was.filter(node -> !node.isNull());
        now = now == null ? Optional.empty() : now.filter(node -> !node.isNull());
    }

    public Edit reversed() {
        return new Edit(path, now, was);
    }
}
