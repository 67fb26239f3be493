package vestcoin.app.settings;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.app.format.Schemas;

/** The properties of a setup, from its JSON Schema: what is typed into them, not what holds them. */
final class SettingProperties {
    /** The format of the file is nothing a seller sets. */
    private static final String FORMAT = "format";

    private final JsonNode definitions;
    private final Set<String> found = new TreeSet<>();

    private SettingProperties(JsonNode schema) {
        this.definitions = schema.path("$defs");
    }

    /** Paths as {@code delivery.zones[].rates{}.freeFrom}: a list's things by brackets, a map's by braces. */
    static List<String> all() {
        return of(Json.tree(Schemas.document("setup")));
    }

    static List<String> of(JsonNode schema) {
        SettingProperties properties = new SettingProperties(schema);
        properties.walk("", schema, Set.of());
        properties.found.remove(FORMAT);
        return List.copyOf(properties.found);
    }

    private void walk(String path, JsonNode node, Set<String> above) {
        if (node.has("$ref")) {
            String name = node.path("$ref").asString().replaceAll(".*/", "");
            if (!above.contains(name)) {
                Set<String> below = new HashSet<>(above);
                below.add(name);
                walk(path, definitions.path(name), below);
            } else {
                // A thing that holds its like: named once, not for ever.
                found.add(path);
            }
            return;
        }
        List<JsonNode> several = Stream.of("oneOf", "anyOf")
                .flatMap(key -> node.path(key).valueStream())
                .filter(each -> each.has("$ref") || each.has("properties"))
                .toList();
        if (!several.isEmpty()) {
            several.forEach(each -> walk(path, each, above));
        } else if (node.has("properties")) {
            node.path("properties")
                    .properties()
                    .forEach(each ->
                            walk(path.isEmpty() ? each.getKey() : path + "." + each.getKey(), each.getValue(), above));
        } else if (node.has("items")) {
            walk(path + "[]", node.path("items"), above);
        } else if (node.path("additionalProperties").isObject()) {
            walk(path + "{}", node.path("additionalProperties"), above);
        } else {
            found.add(path);
        }
    }
}
