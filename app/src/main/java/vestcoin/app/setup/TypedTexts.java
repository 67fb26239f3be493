package vestcoin.app.setup;

import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import vestcoin.app.format.Json;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateText;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.tax.RateCell;
import vestcoin.core.tax.Tax;

/**
 * The one registry of how the texts a seller types are read into what a setup holds, and written again: by the path of
 * a field, or else by the type the records have there. Sheets, fields and files all read and write by it, so that a
 * text is understood alike wherever it is typed, pasted or taken in.
 */
final class TypedTexts {
    /** Reads a text that is not empty; nothing is nothing there. */
    @FunctionalInterface
    interface Reading {
        /**
         * @param path of the field
         * @param document the setup it is typed into, for its currency and the names in it
         * @throws InvalidInput if it cannot be read, with how to write it
         */
        Optional<JsonNode> read(String path, String typed, JsonNode document);
    }

    /** Writes a value as a person would type it. */
    @FunctionalInterface
    interface Writing {
        String write(String path, JsonNode value);
    }

    /** How a field is read and written. */
    record TypedText(Reading reading, Writing writing) {}

    private record FieldKind(Pattern paths, TypedText text) {
        static FieldKind of(String paths, Reading reading, Writing writing) {
            return new FieldKind(Pattern.compile(paths), new TypedText(reading, writing));
        }
    }

    private static final List<FieldKind> BY_PATH = List.of(
            FieldKind.of(
                    "delivery/zones/[^/]+/rates/[^/]+|pickup/local/price",
                    TypedTexts::rate,
                    (path, value) -> value.isObject()
                            ? RateText.print(Json.read(value, PriceRule.class, path))
                            : plain(path, value)),
            FieldKind.of(
                    "delivery/zones/[^/]+/costs/[^/]+",
                    TypedTexts::cost,
                    (path, value) -> value.isObject()
                            ? RateText.print(
                                    new PriceRule(Json.read(value, PriceRule.Basis.class, path), Optional.empty()))
                            : plain(path, value)),
            FieldKind.of(
                    "tax/places/[^/]+/rates/[^/]+",
                    (path, typed, document) ->
                            RateCell.parse(path, typed, "VAT").map(Json::tree),
                    (path, value) -> value.isObject()
                            ? RateCell.print(Json.read(value, Tax.Rate.class, path))
                            : plain(path, value)),
            FieldKind.of(
                    "shop/sellsTo|(delivery/zones|tax/places)/[^/]+/(places|except)",
                    (path, typed, document) -> Optional.of(Json.tree(places(path, typed))),
                    TypedTexts::plain),
            FieldKind.of(
                    "shop/address/country|delivery/dispatch/[^/]+/at/country|pickup/places/[^/]+/at/country"
                            + "|goods/(products|groups)/[^/]+/sending/origin",
                    (path, typed, document) -> text(CountryNames.countryOr(path, typed)),
                    TypedTexts::plain),
            FieldKind.of(
                    "shop/currency",
                    (path, typed, document) -> text(CountryNames.currencyOr(path, typed)),
                    TypedTexts::plain),
            FieldKind.of(
                    "goods/(products|groups)/[^/]+/category",
                    (path, typed, document) -> text(idOf("tax/categories", typed, document)),
                    TypedTexts::plain),
            FieldKind.of(
                    "goods/products/[^/]+/group",
                    (path, typed, document) -> text(idOf("goods/groups", typed, document)),
                    TypedTexts::plain));

    private static final Pattern DIGITS = Pattern.compile("[0-9]{1,9}");
    /** A decimal comma, with points or spaces between thousands. */
    private static final Pattern COMMA = Pattern.compile("(-?[0-9][0-9. ]*),([0-9]{1,6})");
    /** 1,200 is twelve hundred to one and a little more than one to another: it is never guessed. */
    private static final Pattern TWO_READINGS = Pattern.compile("(?<![0-9.,])[1-9][0-9]{0,2},[0-9]{3}(?![0-9])");

    private static final TypedText PLAIN = new TypedText((path, typed, document) -> text(typed), TypedTexts::plain);
    private static final TypedText NUMBER =
            new TypedText((path, typed, document) -> text(number(once(path, typed))), TypedTexts::plain);
    private static final TypedText WEIGHT =
            new TypedText((path, typed, document) -> text(points(once(path, typed))), TypedTexts::plain);
    private static final TypedText LENGTH = new TypedText(TypedTexts::length, TypedTexts::plain);
    private static final TypedText WHOLE = new TypedText(TypedTexts::whole, TypedTexts::plain);

    private static final Map<Type, TypedText> BY_TYPE = Map.of(
            BigDecimal.class, NUMBER,
            Weight.class, WEIGHT,
            Length.class, LENGTH,
            Size.class, LENGTH,
            int.class, WHOLE,
            Integer.class, WHOLE);

    private TypedTexts() {}

    /**
     * A length or a size, in the unit the shop names where none is typed. A weight always bears its own: a pound might
     * be money.
     */
    private static Optional<JsonNode> length(String path, String typed, JsonNode document) {
        String measured = points(once(path, typed)).strip();
        return text(
                Character.isDigit(measured.charAt(measured.length() - 1))
                        ? measured + " "
                                + document.path("shop").path("lengthUnit").asString("")
                        : measured);
    }

    /** How the field at a path is read and written; a text that means nothing else stays one. */
    static TypedText at(String path) {
        return BY_PATH.stream()
                .filter(kind -> kind.paths().matcher(path).matches())
                .map(FieldKind::text)
                .findFirst()
                .orElseGet(() -> SetupTypes.at(path).map(BY_TYPE::get).orElse(PLAIN));
    }

    /** A value as a person would type it, without what is nothing. */
    static String plain(String path, JsonNode value) {
        if (value instanceof ArrayNode array && array.valueStream().allMatch(JsonNode::isString)) {
            return String.join(" ", array.valueStream().map(JsonNode::asString).toList());
        }
        return value.isString() ? value.asString() : value.toString();
    }

    private static Optional<JsonNode> text(String text) {
        return Optional.of(JsonNodeFactory.instance.stringNode(text));
    }

    private static Optional<JsonNode> whole(String path, String typed, JsonNode document) {
        if (!DIGITS.matcher(typed.strip()).matches()) {
            throw new InvalidInput(
                    path, Message.of("setup.not-whole-number", "typed", typed), Message.of("setup.write-2"));
        }
        return Optional.of(JsonNodeFactory.instance.numberNode(Integer.parseInt(typed.strip())));
    }

    /** A text whose numbers have one reading. @throws InvalidInput with both, where one has two */
    private static String once(String path, String typed) {
        Matcher twice = TWO_READINGS.matcher(typed);
        if (twice.find()) {
            throw new InvalidInput(
                    path,
                    Message.of("setup.two-readings", "typed", twice.group()),
                    Message.of(
                            "setup.write-one-reading",
                            "thousands",
                            twice.group().replace(",", ""),
                            "decimals",
                            twice.group().replace(',', '.')));
        }
        return typed;
    }

    private static String points(String typed) {
        return typed.replaceAll("([0-9]),([0-9])", "$1.$2");
    }

    /** A number as it is stored, from one with a decimal comma. */
    private static String number(String typed) {
        Matcher comma = COMMA.matcher(typed.strip());
        return comma.matches() ? comma.group(1).replaceAll("[. ]", "") + "." + comma.group(2) : typed;
    }

    /** A rule typed anew, with what a cell's text does not say kept from the rule it replaces. */
    private static Optional<JsonNode> rate(String path, String typed, JsonNode document) {
        CurrencyUnit currency = Currencies.of(
                        document.path("shop").path("currency").asString(""))
                .orElse(CurrencyUnit.EUR);
        return RateText.parse(path, typed, currency).map(rule -> {
            Optional<JsonNode> before = Edits.at(document, path).filter(JsonNode::isObject);
            if (rule.freeFrom().isEmpty() || before.isEmpty()) {
                return Json.tree(rule);
            }
            PriceRule was = Json.read(before.get(), PriceRule.class, path);
            return Json.tree(
                    new PriceRule(rule.basis(), rule.freeFrom(), rule.reducedTo(), was.notCounting(), was.notWith()));
        });
    }

    /** What a carrier asks of the seller: the notation of a rate, but nothing is free. */
    private static Optional<JsonNode> cost(String path, String typed, JsonNode document) {
        CurrencyUnit currency = Currencies.of(
                        document.path("shop").path("currency").asString(""))
                .orElse(CurrencyUnit.EUR);
        return RateText.parse(path, typed, currency).map(rule -> {
            if (rule.freeFrom().isPresent()) {
                throw new InvalidInput(
                        path,
                        Message.of("setup.cost-goes-by-what-is-carried"),
                        Message.of("setup.write-cost-by-weight"));
            }
            return Json.tree(rule.basis());
        });
    }

    /** The id of something of a list that is named rather than coded; the text where nothing is. */
    private static String idOf(String list, String typed, JsonNode document) {
        JsonNode all = Edits.at(document, list).orElse(JsonNodeFactory.instance.arrayNode());
        return all.valueStream()
                .filter(each -> each.path("id").asString("").equalsIgnoreCase(typed))
                .findFirst()
                .or(() -> all.valueStream()
                        .filter(each -> each.path("name").asString("").strip().equalsIgnoreCase(typed))
                        .findFirst())
                .map(each -> each.path("id").asString(typed))
                .orElse(typed);
    }

    /** Places as they are typed: codes with spaces between them, or names with commas or semicolons. */
    private static List<String> places(String path, String text) {
        // "and" between two names is no place, though three letters in capitals may be one.
        List<String> codes = Arrays.stream(text.split("[;\\s]+"))
                .filter(place -> !place.isBlank() && !place.equals("and") && !place.equals("und"))
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
}
