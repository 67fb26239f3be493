package vestcoin.app.setup;

import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** A setup with one thing changed, as the desk would change it, for tests elsewhere. */
public final class ChangedDocument {
    private ChangedDocument() {}

    /** @param values path to value, made in one go; nothing takes what stands at the path away */
    public static Document of(Document document, Map<String, Optional<JsonNode>> values) {
        return document.with(values.entrySet().stream()
                .map(each -> new Edit(each.getKey(), Edits.at(document.tree(), each.getKey()), each.getValue()))
                .map(edit -> Edits.understood(edit, document.tree()))
                .toList());
    }
}
