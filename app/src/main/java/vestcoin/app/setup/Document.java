package vestcoin.app.setup;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.FlatBasket;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.BuyerTexts;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/**
 * A setup as a document, with what it means. A document made from another by an edit reads and compiles only the
 * stations the edit touched.
 */
public final class Document {
    public static final String FORMAT = "vest-coin/setup/1";
    static final List<String> STATIONS =
            List.of("shop", "goods", "discounts", "delivery", "tax", "payment", "rehearsal", "pickup", "terms");
    private static final String FORMAT_FIELD = "format";

    private final JsonNode tree;
    private final CompiledSetup compiled;
    /** Made when it is first asked for: a document never changes. */
    private volatile String hash;

    Document(JsonNode tree, CompiledSetup compiled) {
        this.tree = tree;
        this.compiled = compiled;
    }

    public JsonNode tree() {
        return tree;
    }

    public CompiledSetup compiled() {
        return compiled;
    }

    public Setup setup() {
        return compiled.setup();
    }

    /** Reads a setup file. @throws InvalidInput with everything wrong in it */
    public static Document parse(String json) {
        return of(Json.tree(json));
    }

    private static Document of(JsonNode tree) {
        return of(read(renewed(tree), null, null));
    }

    /** A setup as it was written before, in the form it is written in now. */
    private static JsonNode renewed(JsonNode tree) {
        if (!(tree.path("rehearsal").path("baskets") instanceof ArrayNode baskets)) {
            return tree;
        }
        for (int i = 0; i < baskets.size(); i++) {
            baskets.set(i, FlatBasket.nested(baskets.get(i), "order"));
        }
        return tree;
    }

    public static Document of(Setup setup) {
        CompiledSetup compiled = CompiledSetup.of(setup);
        ObjectNode tree = JsonNodeFactory.instance.objectNode();
        tree.put("format", FORMAT);
        tree.setAll((ObjectNode) Json.tree(setup));
        return new Document(tree, compiled);
    }

    /**
     * This document with edits made. @throws InvalidInput if it would be impossible @throws Edits.Conflict on another's
     * change
     */
    Document with(List<Edit> edits) {
        Document tried = tried(edits);
        return new Document(written(tried.tree, tried.setup()), tried.compiled);
    }

    /** This document with edits tried: for pricing, not for keeping. @throws InvalidInput as {@link #with} */
    Document tried(List<Edit> edits) {
        JsonNode changed = tree;
        for (Edit edit : edits) {
            changed = Edits.apply(changed, edit);
        }
        try {
            return new Document(changed, CompiledSetup.of(read(changed, tree, setup()), compiled));
        } catch (InvalidInput e) {
            throw typed(e, edits);
        }
    }

    /** What was typed into a field is refused in other words than a file: nobody typed fields of an object. */
    private static InvalidInput typed(InvalidInput refused, List<Edit> edits) {
        return edits.stream()
                .filter(edit -> edit.text().isPresent())
                .filter(edit -> refused.problems().stream()
                        .anyMatch(problem -> problem.sentence().code().equals(Json.WRONG_FORM)))
                .findFirst()
                .map(edit -> new InvalidInput(
                        edit.path(),
                        Message.of(
                                "setup.what-was-typed-cannot-be-read-here",
                                "typed",
                                edit.text().orElseThrow()),
                        Message.of("setup.type-it-in-the-fields-beside")))
                .orElse(refused);
    }

    /**
     * The language of this shop nearest to the one asked for: the same, one with the same first part, or the shop's
     * own.
     */
    public String language(String asked) {
        List<String> spoken = Stream.concat(Stream.of(setup().shop().language()), setup().shop().languages().stream())
                .toList();
        String first = Locale.forLanguageTag(asked).getLanguage();
        return spoken.stream()
                .filter(asked::equalsIgnoreCase)
                .findFirst()
                .or(() -> spoken.stream()
                        .filter(tag -> !first.isEmpty()
                                && Locale.forLanguageTag(tag).getLanguage().equals(first))
                        .findFirst())
                .orElse(spoken.get(0));
    }

    /** The same shop in another language: names and sentences that are written in it stand in it, the rest stays. */
    Document in(String language) {
        if (language.equals(setup().shop().language())) {
            return this;
        }
        Map<String, String> words = setup().terms().words().getOrDefault(language, Map.of());
        JsonNode changed = tree;
        for (String place : BuyerTexts.of(setup()).keySet()) {
            String text = words.getOrDefault(place, "");
            if (!text.isBlank()) {
                changed = replaced(changed, place.replace('.', '/'), text);
            }
        }
        changed = replaced(changed, "shop/language", language);
        return new Document(changed, CompiledSetup.of(read(changed, tree, setup()), compiled));
    }

    private static JsonNode replaced(JsonNode tree, String path, String text) {
        return Edits.apply(
                tree, new Edit(path, Edits.at(tree, path), Optional.of(JsonNodeFactory.instance.stringNode(text))));
    }

    /**
     * What this document would be with another list of goods, zones or rows of tax, things read already. @throws
     * Refused if it would be impossible
     */
    void judge(String station, List<?> things) {
        Setup was = setup();
        Object with = LongList.of(station).with(station(was, station), things);
        CompiledSetup.of(
                new Setup(
                        was.shop(),
                        with instanceof Goods goods ? goods : was.goods(),
                        was.discounts(),
                        with instanceof Delivery delivery ? delivery : was.delivery(),
                        with instanceof Tax tax ? tax : was.tax(),
                        was.payment(),
                        was.rehearsal(),
                        was.pickup(),
                        was.terms()),
                compiled);
    }

    /** The stations that were changed, as they are written rather than as they were sent. */
    private JsonNode written(JsonNode changed, Setup setup) {
        ObjectNode result = JsonNodeFactory.instance.objectNode();
        changed.properties().forEach(field -> {
            String name = field.getKey();
            JsonNode node = field.getValue();
            JsonNode before = tree.get(name);
            LongList<?, ?> list = before == null ? null : LongList.of(name);
            if (node == before || name.equals("format")) {
                result.set(name, node);
            } else if (list != null) {
                result.set(name, list.written(station(setup, name), node, before));
            } else {
                result.set(name, Json.tree(station(setup, name)));
            }
        });
        return result;
    }

    /** A station of the setup by its name. */
    Object station(String name) {
        return station(setup(), name);
    }

    private static Object station(Setup setup, String name) {
        return switch (name) {
            case "shop" -> setup.shop();
            case "goods" -> setup.goods();
            case "discounts" -> setup.discounts();
            case "delivery" -> setup.delivery();
            case "tax" -> setup.tax();
            case "payment" -> setup.payment();
            case "pickup" -> setup.pickup();
            case "terms" -> setup.terms();
            default -> setup.rehearsal();
        };
    }

    private static Setup read(JsonNode tree, JsonNode before, Setup known) {
        if (!(tree instanceof ObjectNode object)) {
            throw new InvalidInput(
                    "",
                    Message.of("setup.setup-json-object"),
                    Message.of("setup.begins-with-take-file-that-was-saved"));
        }
        if (!FORMAT.equals(object.path("format").asString(""))) {
            throw new InvalidInput(
                    "format",
                    Message.of("setup.this-not-setup-this-version-reads"),
                    Message.of("setup.begins-with-format", "format", FORMAT));
        }
        object.propertyNames().forEach(name -> {
            if (!STATIONS.contains(name) && !name.equals(FORMAT_FIELD)) {
                throw new InvalidInput(
                        name,
                        Message.of("setup.there-no-field-here", "name", name),
                        Message.of("setup.remove-or-check-spelling"));
            }
        });
        return new Setup(
                station(tree, before, "shop", Shop.class, known == null ? null : known.shop()),
                station(tree, before, "goods", Goods.class, known == null ? null : known.goods()),
                station(tree, before, "discounts", Discounts.class, known == null ? null : known.discounts()),
                station(tree, before, "delivery", Delivery.class, known == null ? null : known.delivery()),
                station(tree, before, "tax", Tax.class, known == null ? null : known.tax()),
                station(tree, before, "payment", Payment.class, known == null ? null : known.payment()),
                station(tree, before, "rehearsal", Rehearsal.class, known == null ? null : known.rehearsal()),
                station(tree, before, "pickup", Pickup.class, known == null ? null : known.pickup()),
                station(tree, before, "terms", Terms.class, known == null ? null : known.terms()));
    }

    /**
     * A station, known already where its node is the same; of its long list, things whose nodes are the same are known
     * too.
     */
    private static <T> T station(JsonNode tree, JsonNode before, String name, Class<T> type, T known) {
        JsonNode node = tree.get(name);
        if (before != null && before.get(name) == node) {
            return known;
        }
        if (node == null || node.isNull()) {
            return null;
        }
        try {
            LongList list = known == null ? null : LongList.of(name);
            return list == null ? Json.read(node, type, name) : type.cast(list.read(node, before.get(name), known));
        } catch (InvalidInput refused) {
            throw new InvalidInput(refused.problems().stream()
                    .map(problem -> new Problem(byIds(tree, problem.path()), problem.sentence(), problem.remedy()))
                    .toList());
        }
    }

    /** A path with the ids of things instead of their places in lists. */
    private static String byIds(JsonNode tree, String path) {
        StringBuilder named = new StringBuilder();
        JsonNode node = tree;
        for (String step : path.split("/")) {
            node = node instanceof ArrayNode && step.matches("[0-9]{1,9}")
                    ? node.path(Integer.parseInt(step))
                    : node.path(step);
            named.append(named.isEmpty() ? "" : "/").append(node.path("id").asString(step));
        }
        return named.toString();
    }

    /** The quote of an order, with the hash of both. @throws InvalidInput with everything impossible in the order */
    public QuoteView quote(Order order) {
        return QuoteView.of(Pricing.price(compiled, order), hash(hash() + Json.write(OrderFile.of(order))));
    }

    /** SHA-256 over the document in its stored form, as hexadecimal. */
    public String hash() {
        String known = hash;
        if (known == null) {
            known = hash(text());
            hash = known;
        }
        return known;
    }

    /** SHA-256 of a text, as hexadecimal. */
    public static String hash(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    String text() {
        return Objects.requireNonNull(Json.write(tree));
    }
}
