package vestcoin.app.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** What leads from one JSON document to another, by RFC 6902 (JSON Patch): as few values as differ. */
public final class TreeDifference {
    /** @param path by RFC 6901 @param value what is there then; nothing for {@code remove} */
    public record Operation(String op, String path, Optional<JsonNode> value) {}

    private final List<Operation> operations = new ArrayList<>();

    private TreeDifference() {}

    /** Operations in the order they have to be done; none where the documents are equal. */
    public static List<Operation> between(JsonNode was, JsonNode is) {
        TreeDifference difference = new TreeDifference();
        difference.walk("", was, is);
        return difference.operations;
    }

    private void walk(String path, JsonNode was, JsonNode is) {
        if (was.equals(is)) {
            return;
        }
        if (was.isObject() && is.isObject()) {
            objects(path, was, is);
        } else if (was.isArray() && is.isArray()) {
            arrays(path, was, is);
        } else {
            add("replace", path, is);
        }
    }

    private void objects(String path, JsonNode was, JsonNode is) {
        for (Map.Entry<String, JsonNode> field : was.properties()) {
            if (!is.has(field.getKey())) {
                operations.add(new Operation("remove", path + "/" + escaped(field.getKey()), Optional.empty()));
            }
        }
        for (Map.Entry<String, JsonNode> field : is.properties()) {
            String at = path + "/" + escaped(field.getKey());
            if (was.has(field.getKey())) {
                walk(at, was.get(field.getKey()), field.getValue());
            } else {
                add("add", at, field.getValue());
            }
        }
    }

    /** What is the same at the beginning and at the end stays; between, elements are compared if there are as many. */
    private void arrays(String path, JsonNode was, JsonNode is) {
        int shorter = Math.min(was.size(), is.size());
        int begin = 0;
        while (begin < shorter && was.get(begin).equals(is.get(begin))) {
            begin++;
        }
        int end = 0;
        while (end < shorter - begin && was.get(was.size() - 1 - end).equals(is.get(is.size() - 1 - end))) {
            end++;
        }
        if (was.size() == is.size()) {
            for (int i = begin; i < is.size() - end; i++) {
                walk(path + "/" + i, was.get(i), is.get(i));
            }
            return;
        }
        for (int i = was.size() - end - 1; i >= begin; i--) {
            operations.add(new Operation("remove", path + "/" + i, Optional.empty()));
        }
        for (int i = begin; i < is.size() - end; i++) {
            add("add", path + "/" + i, is.get(i));
        }
    }

    private void add(String op, String path, JsonNode value) {
        operations.add(new Operation(op, path, Optional.of(value)));
    }

    private static String escaped(String name) {
        return name.replace("~", "~0").replace("/", "~1");
    }
}
