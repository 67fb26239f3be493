package vestcoin.app.setup;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateText;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.tax.RateCell;
import vestcoin.core.tax.Tax;

/** Applies edits to a setup document. A document is never changed: only the nodes along a path are made anew. */
public final class Edits {
    private static final int LONGEST_PATH = 400;
    private static final Pattern RATE = Pattern.compile("delivery/zones/[^/]+/rates/[^/]+|pickup/local/price");
    private static final Pattern TAX_RATE = Pattern.compile("tax/places/[^/]+/rates/[^/]+");
    private static final Pattern PLACES =
            Pattern.compile("shop/sellsTo|(delivery/zones|tax/places)/[^/]+/(places|except)");

    private static final Pattern COUNTRY =
            Pattern.compile("shop/address/country|delivery/dispatch/[^/]+/at/country|pickup/places/[^/]+/at/country");

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
        Optional<String> text = edit.now().filter(JsonNode::isString).map(JsonNode::asString);
        String path = edit.path();
        if (path == null || path.isBlank() || path.length() > LONGEST_PATH) {
            throw new InvalidInput(
                    "path", Message.of("setup.edit-has-no-path"), Message.of("setup.name-field-shop-name"));
        }
        if (text.isEmpty()) {
            return edit;
        }
        if (RATE.matcher(path).matches()) {
            CurrencyUnit currency = Currencies.of(
                            document.path("shop").path("currency").asString(""))
                    .orElse(CurrencyUnit.EUR);
            return edit.meaning(RateText.parse(path, text.get(), currency)
                    .map(rule -> Json.tree(keeping(rule, at(document, path), path))));
        }
        if (TAX_RATE.matcher(path).matches()) {
            return edit.meaning(RateCell.parse(path, text.get(), "VAT").map(Json::tree));
        }
        if (PLACES.matcher(path).matches()) {
            return edit.meaning(Optional.of(Json.tree(places(path, text.get()))));
        }
        if (COUNTRY.matcher(path).matches()) {
            return edit.meaning(
                    Optional.of(JsonNodeFactory.instance.stringNode(CountryNames.countryOr(path, text.get()))));
        }
        if (path.equals("shop/currency")) {
            return edit.meaning(
                    Optional.of(JsonNodeFactory.instance.stringNode(CountryNames.currencyOr(path, text.get()))));
        }
        return edit;
    }

    /** Places as they are typed: codes with spaces between them, or names with commas or semicolons. */
    private static List<String> places(String path, String text) {
        List<String> codes = Arrays.stream(text.split("[;\\s]+"))
                .filter(place -> !place.isBlank())
                .toList();
        if (codes.stream()
                .allMatch(code -> code.contains(":") || CountryNames.place(code).isPresent())) {
            return codes.stream()
                    .map(code -> CountryNames.place(code).orElse(code))
                    .toList();
        }
        List<String> named = Arrays.stream(text.split("[;,]|\\band\\b|\\bund\\b"))
                .map(String::strip)
                .filter(place -> !place.isBlank())
                .toList();
        List<String> unknown = named.stream()
                .filter(name -> CountryNames.place(name).isEmpty())
                .toList();
        if (named.size() > 1 || unknown.isEmpty()) {
            if (!unknown.isEmpty() && unknown.stream().anyMatch(name -> !name.matches("[A-Za-z0-9:.-]+"))) {
                CountryNames.countryOr(path, unknown.get(0));
            }
            if (unknown.isEmpty()) {
                return named.stream()
                        .map(name -> CountryNames.place(name).orElse(name))
                        .toList();
            }
        }
        return codes.stream().map(code -> code.toUpperCase(Locale.ROOT)).toList();
    }

    /** A rule typed anew, with what a cell's text does not say kept from the rule it replaces. */
    private static PriceRule keeping(PriceRule typed, Optional<JsonNode> before, String path) {
        if (typed.freeFrom().isEmpty() || before.filter(JsonNode::isObject).isEmpty()) {
            return typed;
        }
        PriceRule was = Json.read(before.get(), PriceRule.class, path);
        return new PriceRule(typed.basis(), typed.freeFrom(), typed.reducedTo(), was.notCounting(), was.notWith());
    }

    /** A value as a person would type it. */
    public static String shown(String path, Optional<JsonNode> value) {
        if (value.isEmpty()) {
            return "nothing";
        }
        JsonNode node = value.get();
        if (RATE.matcher(path).matches() && node.isObject()) {
            return RateText.print(Json.read(node, PriceRule.class, path));
        }
        if (TAX_RATE.matcher(path).matches() && node.isObject()) {
            return RateCell.print(Json.read(node, Tax.Rate.class, path));
        }
        return node.isString() ? node.asString() : node.toString();
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
