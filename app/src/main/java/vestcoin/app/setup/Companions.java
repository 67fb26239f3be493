package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.core.place.Countries;

/**
 * Fields that need or exclude one another are changed in one act: with an edit comes what has to go with it, unless the
 * same change says that itself. So each can be filled in whatever order, and one undo takes all of it back.
 */
final class Companions {
    private static final Pattern DISCOUNT = Pattern.compile("(discounts/rules/[^/]+)/(percent|amount)");
    private static final Pattern REGISTRATION = Pattern.compile("(tax/registrations/[^/]+)/(scheme|authority)");
    private static final Pattern TAXED = Pattern.compile("(goods/products/[^/]+)/taxedAtSale");
    private static final Pattern KIND = Pattern.compile("(goods/products/[^/]+)/kind");
    private static final Pattern BASKET = Pattern.compile("rehearsal/baskets/([^/]+)");
    private static final Pattern PRODUCT = Pattern.compile("goods/products/([^/]+)");
    private static final Pattern ZONE = Pattern.compile("delivery/zones/([^/]+)");
    private static final Pattern COUNTRY = Pattern.compile(
            "(shop/address|shop/beforeAddress/at|delivery/dispatch/[^/]+/at|pickup/places/[^/]+/at)/country");
    private static final Pattern ADDRESS = Pattern.compile("shop(?:/address(?:/(lines|region|postcode|country))?)?");
    private static final String UNION = "EU";
    private static final String OFFERED = "terms/asking/offered";

    private Companions() {}

    /** The edits, each followed by what goes with it. */
    static List<Edit> with(List<Edit> edits, JsonNode document) {
        List<Edit> all = new ArrayList<>(edits);
        for (Edit edit : edits) {
            of(edit, document).stream()
                    // What the same change says itself, or replaces as a whole, needs no companion.
                    .filter(companion ->
                            all.stream().noneMatch(other -> (companion.path() + "/").startsWith(other.path() + "/")))
                    .filter(companion -> !companion.changesNothing())
                    .forEach(all::add);
        }
        return all;
    }

    private static List<Edit> of(Edit edit, JsonNode document) {
        Matcher discount = DISCOUNT.matcher(edit.path());
        if (discount.matches() && edit.now().isPresent()) {
            return List.of(to(
                    document,
                    discount.group(1) + "/" + (discount.group(2).equals("percent") ? "amount" : "percent"),
                    null));
        }
        Matcher registration = REGISTRATION.matcher(edit.path());
        if (registration.matches()) {
            return registration(registration.group(1), registration.group(2), text(edit.now()), document);
        }
        Matcher zone = ZONE.matcher(edit.path());
        if (zone.matches() && edit.now().isEmpty()) {
            return withoutZone(zone.group(1), document);
        }
        Matcher basket = BASKET.matcher(edit.path());
        if (basket.matches() && edit.now().isEmpty()) {
            return withoutPins(basket.group(1), document);
        }
        Matcher product = PRODUCT.matcher(edit.path());
        if (product.matches() && edit.now().isEmpty()) {
            return offeredNoMore(product.group(1), document);
        }
        List<Edit> companions = new ArrayList<>();
        Matcher address = ADDRESS.matcher(edit.path());
        if (address.matches() && edit.now().isPresent()) {
            companions.addAll(following(address.group(1), edit, document));
        }
        Matcher country = COUNTRY.matcher(edit.path());
        if (country.matches()) {
            companions.addAll(country(country.group(1), text(edit.now()), document));
            return companions;
        }
        Matcher taxed = TAXED.matcher(edit.path());
        if (taxed.matches()
                && edit.now()
                        .filter(JsonNode::isBoolean)
                        .filter(JsonNode::asBoolean)
                        .isPresent()) {
            return taxedAs(taxed.group(1), document);
        }
        Matcher kind = KIND.matcher(edit.path());
        if (kind.matches()) {
            return kind(kind.group(1), text(edit.now()), document);
        }
        return companions;
    }

    /** A place to collect that is at the shop's own address moves with it. @param part of the address, null for all */
    private static List<Edit> following(String part, Edit edit, JsonNode document) {
        JsonNode was = document.path("shop").path("address");
        JsonNode to = edit.now().orElseThrow();
        List<Edit> following = new ArrayList<>();
        for (JsonNode place : document.path("pickup").path("places")) {
            String at = "pickup/places/" + place.path("id").asString("");
            if (!place.path("lines").equals(was.path("lines"))
                    || !text(Edits.at(place, "at/country")).equals(text(Edits.at(was, "country")))
                    || !text(Edits.at(place, "at/postcode")).equals(text(Edits.at(was, "postcode")))) {
                continue;
            }
            for (String each : part == null ? List.of("lines", "region", "postcode", "country") : List.of(part)) {
                JsonNode now = part != null ? to : (edit.path().equals("shop") ? to.path("address") : to).path(each);
                String path = at + (each.equals("lines") ? "/lines" : "/at/" + each);
                boolean none = now.isMissingNode()
                        || now.isNull()
                        || now.isString() && now.asString().isBlank();
                following.add(new Edit(path, Edits.at(document, path), none ? Optional.empty() : Optional.of(now)));
            }
        }
        return following;
    }

    /** With a zone go the delivery prices that goods have there. */
    private static List<Edit> withoutZone(String zone, JsonNode document) {
        List<Edit> left = new ArrayList<>();
        for (String sheet : List.of("products", "groups")) {
            for (JsonNode each : document.path("goods").path(sheet)) {
                String at = "goods/" + sheet + "/" + each.path("id").asString("") + "/sending/own/zones/" + zone;
                if (Edits.at(document, at).isPresent()) {
                    left.add(to(document, at, null));
                }
            }
        }
        return left;
    }

    /** With a basket go the figures pinned of it. */
    private static List<Edit> withoutPins(String basket, JsonNode document) {
        List<Edit> left = new ArrayList<>();
        for (JsonNode pin : document.path("rehearsal").path("pins")) {
            if (pin.path("basket").asString("").equals(basket)) {
                left.add(to(document, "rehearsal/pins/" + pin.path("id").asString(""), null));
            }
        }
        return left;
    }

    /** What is gone is not offered with orders any more. */
    private static List<Edit> offeredNoMore(String product, JsonNode document) {
        Optional<JsonNode> offered = Edits.at(document, OFFERED);
        ArrayNode others = JsonNodeFactory.instance.arrayNode();
        offered.ifPresent(list -> list.forEach(each -> {
            if (!each.asString("").equals(product)) {
                others.add(each);
            }
        }));
        return List.of(new Edit(OFFERED, offered, offered.map(list -> others)));
    }

    /** The Union's schemes are with the Union; an ordinary registration is not. */
    private static List<Edit> registration(String at, String field, String value, JsonNode document) {
        String authority = text(Edits.at(document, at + "/authority"));
        String scheme = text(Edits.at(document, at + "/scheme"));
        if (field.equals("scheme") && !value.equals("ordinary") && !value.isEmpty()) {
            return List.of(to(document, at + "/authority", UNION));
        }
        if (field.equals("scheme") && value.equals("ordinary") && authority.equals(UNION)) {
            return List.of(to(document, at + "/authority", text(Edits.at(document, "shop/address/country"))));
        }
        if (field.equals("authority") && value.equals(UNION) && scheme.equals("ordinary")) {
            return List.of(to(document, at + "/scheme", "one-stop-shop"));
        }
        if (field.equals("authority") && !value.equals(UNION) && !scheme.equals("ordinary")) {
            return List.of(to(document, at + "/scheme", "ordinary"));
        }
        return List.of();
    }

    /** With the country go the region and the postcode of the country before. */
    private static List<Edit> country(String at, String value, JsonNode document) {
        List<Edit> left = new ArrayList<>();
        if (!text(Edits.at(document, at + "/region")).startsWith(value + "-")) {
            left.add(to(document, at + "/region", null));
        }
        String postcode = text(Edits.at(document, at + "/postcode"));
        if (!postcode.isEmpty() && Countries.isCountry(value) && !Countries.fits(value, postcode)) {
            left.add(to(document, at + "/postcode", null));
        }
        return left;
    }

    /** What only goods of some kinds have: with another kind it goes. */
    private static final Map<String, Set<String>> OF_KINDS = Map.of(
            "bounds", Set.of("donation", "voucher"),
            "validMonths", Set.of("voucher"),
            "taxedAtSale", Set.of("voucher"),
            "download", Set.of("digital"),
            "contents", Set.of("bundle"),
            "together", Set.of("box"));

    private static final Set<String> ASSEMBLED = Set.of("bundle", "box");

    /** An amount the buyer chooses needs its bounds, a bundle or box its parts; what belongs to another kind goes. */
    private static List<Edit> kind(String at, String value, JsonNode document) {
        List<Edit> companions = new ArrayList<>();
        OF_KINDS.entrySet().stream()
                .filter(each -> !each.getValue().contains(value))
                .map(Map.Entry::getKey)
                .sorted()
                .map(field -> new Edit(at + "/" + field, Edits.at(document, at + "/" + field), Optional.empty()))
                .filter(edit -> edit.was().isPresent())
                .forEach(companions::add);
        if (value.equals("donation") && Edits.at(document, at + "/bounds").isEmpty()) {
            companions.add(new Edit(
                    at + "/bounds",
                    Optional.empty(),
                    Optional.of(JsonNodeFactory.instance
                            .objectNode()
                            .put("least", "1")
                            .put("most", "1000"))));
        }
        if (ASSEMBLED.contains(value)) {
            Optional<JsonNode> asked = Edits.at(document, at + "/questions");
            if (asked.filter(questions -> !questions.isEmpty()).isPresent()) {
                companions.add(new Edit(at + "/questions", asked, Optional.of(JsonNodeFactory.instance.arrayNode())));
            }
            part(at, document)
                    .map(part -> value.equals("box")
                            ? new Edit(at + "/together", Edits.at(document, at + "/together"), Optional.of(box(part)))
                            : new Edit(
                                    at + "/contents",
                                    Edits.at(document, at + "/contents"),
                                    Optional.of(
                                            JsonNodeFactory.instance.arrayNode().add(part.put("quantity", "1")))))
                    .ifPresent(companions::add);
        }
        return companions;
    }

    private static ObjectNode box(ObjectNode part) {
        ObjectNode box = JsonNodeFactory.instance.objectNode().put("priced", "sum");
        box.putArray("from").add(part.put("id", part.path("product").asString()));
        return box;
    }

    /** The first of the other goods that can be a part, with the first of all its choices. */
    private static Optional<ObjectNode> part(String at, JsonNode document) {
        return document.path("goods")
                .path("products")
                .valueStream()
                .filter(product -> !at.endsWith("/" + product.path("id").asString(""))
                        && !ASSEMBLED.contains(product.path("kind").asString(""))
                        && !product.has("bounds")
                        && !product.has("measure")
                        && product.path("questions").valueStream().noneMatch(question -> question.path("compulsory")
                                .asBoolean(false)))
                .findFirst()
                .map(product -> {
                    ObjectNode part = JsonNodeFactory.instance
                            .objectNode()
                            .put("product", product.path("id").asString());
                    ObjectNode options = part.putObject("options");
                    product.path("options")
                            .forEach(option -> options.put(
                                    option.path("id").asString(),
                                    option.path("choices").path(0).path("id").asString()));
                    return part;
                });
    }

    /** A voucher that is taxed when it is sold is taxed as what it buys. */
    private static List<Edit> taxedAs(String at, JsonNode document) {
        return Edits.at(document, at + "/category").isPresent()
                ? List.of()
                : document.path("goods")
                        .path("products")
                        .valueStream()
                        .map(product -> product.path("category").asString(""))
                        .filter(category -> !category.isEmpty())
                        .findFirst()
                        .map(category -> List.of(to(document, at + "/category", category)))
                        .orElse(List.of());
    }

    private static Edit to(JsonNode document, String path, String value) {
        return new Edit(
                path, Edits.at(document, path), Optional.ofNullable(value).map(JsonNodeFactory.instance::stringNode));
    }

    private static String text(Optional<? extends JsonNode> node) {
        return node.filter(JsonNode::isString).map(JsonNode::asString).orElse("");
    }
}
