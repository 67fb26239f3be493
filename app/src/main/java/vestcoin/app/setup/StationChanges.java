package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What one setup has other than another, station by station. */
public final class StationChanges {
    /**
     * What a file would change of a station, counted over its lists.
     *
     * @param others whether anything changes besides things of lists
     */
    public record StationChange(String station, int added, int removed, int changed, boolean others) {}

    private StationChanges() {}

    /** Those stations that differ, in their order. */
    public static List<StationChange> between(Document was, Document now) {
        return edits(was, now).stream().map(StationChanges::of).toList();
    }

    /** A change for each station that differs. */
    public static List<Edit> edits(Document was, Document now) {
        List<Edit> edits = new ArrayList<>();
        for (String station : Document.STATIONS) {
            Optional<JsonNode> before = at(was, station);
            Optional<JsonNode> after = at(now, station);
            if (!before.equals(after)) {
                edits.add(new Edit(station, before, after));
            }
        }
        return edits;
    }

    private static Optional<JsonNode> at(Document setup, String station) {
        return Optional.of(setup.tree().path(station)).filter(node -> !node.isMissingNode());
    }

    static StationChange of(Edit edit) {
        int added = 0;
        int removed = 0;
        int changed = 0;
        boolean others = edit.was().isEmpty() || edit.now().isEmpty();
        JsonNode was = edit.was().orElseGet(edit.now()::orElseThrow);
        JsonNode now = edit.now().orElse(was);
        for (Map.Entry<String, JsonNode> field : now.properties()) {
            JsonNode before = was.path(field.getKey());
            if (before.equals(field.getValue())) {
                continue;
            }
            Map<String, JsonNode> things = byId(before);
            Map<String, JsonNode> to = byId(field.getValue());
            others |= things.isEmpty() && to.isEmpty();
            for (Map.Entry<String, JsonNode> thing : to.entrySet()) {
                JsonNode old = things.remove(thing.getKey());
                added += old == null ? 1 : 0;
                changed += old != null && !old.equals(thing.getValue()) ? 1 : 0;
            }
            removed += things.size();
        }
        others |= was.propertyNames().stream().anyMatch(name -> !now.has(name));
        return new StationChange(edit.path(), added, removed, changed, others);
    }

    private static Map<String, JsonNode> byId(JsonNode list) {
        Map<String, JsonNode> things = new HashMap<>();
        if (list.isArray()) {
            list.forEach(thing -> {
                if (thing.path("id").isString()) {
                    things.put(thing.path("id").asString(), thing);
                }
            });
        }
        return things;
    }
}
