package vestcoin.app.setup;

import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** Applies edits to a setup document. A document is never changed: only the nodes along a path are made anew. */
public final class Edits {
    private static final int LONGEST_PATH = 400;

    private Edits() {}

    /** Two people changed the same field. @param current the value there now */
    public static final class Conflict extends RuntimeException {
        private final transient Edit edit;
        private final transient Optional<JsonNode> current;

        Conflict(Edit edit, Optional<JsonNode> current) {
            super(edit.path());
            this.edit = edit;
            this.current = current;
        }

        public Edit edit() {
            return edit;
        }

        public Optional<JsonNode> current() {
            return current;
        }
    }

    /** The value at a path, or nothing. */
    public static Optional<JsonNode> at(JsonNode document, String path) {
        JsonNode node = document;
        for (String step : path.split("/")) {
            node = child(node, step).orElse(null);
            if (node == null) {
                return Optional.empty();
            }
        }
        return Optional.of(node);
    }

    /** The edit with texts of cells read into what they mean. @throws InvalidInput if a text cannot be read */
    static Edit understood(Edit edit, JsonNode document) {
        Optional<String> text = edit.text();
        String path = edit.path();
        if (path == null || path.isBlank() || path.length() > LONGEST_PATH) {
            throw new InvalidInput(
                    "path", Message.of("setup.edit-has-no-path"), Message.of("setup.name-field-shop-name"));
        }
        if (text.isEmpty()) {
            return edit;
        }
        return edit.meaning(TypedTexts.at(path).reading().read(path, text.get(), document));
    }

    /** A value as a person would type it. */
    public static String shown(String path, Optional<JsonNode> value) {
        return value.map(node -> TypedTexts.at(path).writing().write(path, node))
                .orElse("nothing");
    }

    /**
     * The document with the edit made.
     *
     * @throws Conflict if the value there is not the one the edit was made on
     * @throws InvalidInput if the path leads nowhere
     */
    static JsonNode apply(JsonNode document, Edit edit) {
        if (edit.path() == null || edit.path().isBlank() || edit.path().length() > LONGEST_PATH) {
            throw new InvalidInput(
                    "path", Message.of("setup.edit-has-no-path"), Message.of("setup.name-field-shop-name"));
        }
        Optional<JsonNode> current = at(document, edit.path());
        if (!current.equals(edit.was())) {
            throw new Conflict(edit, current);
        }
        return set(document, edit.path().split("/"), 0, edit);
    }

    /** A thing of a list with a value set at a path of its own. */
    static JsonNode within(JsonNode thing, String path, Optional<JsonNode> now) {
        return set(thing, path.split("/"), 0, new Edit(path, Optional.empty(), now));
    }

    private static JsonNode set(JsonNode node, String[] steps, int depth, Edit edit) {
        String step = steps[depth];
        boolean last = depth == steps.length - 1;
        if (node instanceof ObjectNode object) {
            ObjectNode copy = JsonNodeFactory.instance.objectNode().setAll(object);
            if (!last) {
                JsonNode child = object.get(step);
                if (child == null) {
                    child = JsonNodeFactory.instance.objectNode();
                }
                copy.set(step, set(child, steps, depth + 1, edit));
            } else if (edit.now().isPresent()) {
                copy.set(step, edit.now().get());
            } else {
                copy.remove(step);
            }
            return copy;
        }
        if (node instanceof ArrayNode array) {
            return setInList(array, steps, depth, edit);
        }
        throw new InvalidInput(
                edit.path(),
                Message.of("setup.path-leads-into-value-that-has-no"),
                Message.of("setup.name-field-that-exists-shop-name"));
    }

    private static JsonNode setInList(ArrayNode array, String[] steps, int depth, Edit edit) {
        boolean last = depth == steps.length - 1;
        ArrayNode copy = JsonNodeFactory.instance.arrayNode(array.size() + 1);
        Optional<JsonNode> found = Optional.empty();
        for (JsonNode element : array) {
            if (!steps[depth].equals(element.path("id").asString(""))) {
                copy.add(element);
                continue;
            }
            found = Optional.of(element);
            if (!last) {
                copy.add(set(element, steps, depth + 1, edit));
            } else if (edit.to().isEmpty()) {
                edit.now().ifPresent(copy::add);
            }
        }
        if (found.isEmpty() && (!last || edit.now().isEmpty())) {
            throw new InvalidInput(
                    edit.path(),
                    Message.of("setup.there-no-here-any-more", "name", steps[depth]),
                    Message.of("setup.somebody-may-have-removed-load-page-again"));
        }
        if (last && edit.now().isPresent() && (found.isEmpty() || edit.to().isPresent())) {
            copy.insert(
                    Math.max(0, Math.min(copy.size(), edit.to().orElse(copy.size()))),
                    edit.now().get());
        }
        return copy;
    }

    /** The place of the thing at a path in its list, if it is in one. */
    static Optional<Integer> placeOf(JsonNode document, String path) {
        int slash = path.lastIndexOf('/');
        if (slash < 0 || !(at(document, path.substring(0, slash)).orElse(null) instanceof ArrayNode list)) {
            return Optional.empty();
        }
        for (int i = 0; i < list.size(); i++) {
            if (path.substring(slash + 1).equals(list.get(i).path("id").asString(""))) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private static Optional<JsonNode> child(JsonNode node, String step) {
        if (node instanceof ObjectNode object) {
            return Optional.ofNullable(object.get(step));
        }
        if (node instanceof ArrayNode array) {
            for (JsonNode element : array) {
                if (step.equals(element.path("id").asString(""))) {
                    return Optional.of(element);
                }
            }
        }
        return Optional.empty();
    }
}
