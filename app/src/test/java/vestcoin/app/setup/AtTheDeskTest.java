package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.InEnglish;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.core.finding.AgainstOpening;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.problem.InvalidInput;

/** What a seller types at the desk is taken as it is meant, in whatever order, or refused with what to write. */
@ExtendWith(RunningShop.class)
class AtTheDeskTest {
    private final RunningShop.Running shop;
    private final Caller owner;
    private int made;

    AtTheDeskTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    @AfterEach
    void takeBack() {
        for (; made > 0; made--) {
            owner.post(Caller.SHOP + "/draft/undo", "");
        }
    }

    private JsonNode document() {
        return owner.get(Caller.SHOP + "/draft").json().path("document");
    }

    private Caller.Answer edit(String path, Object now) {
        Map<String, Object> edit = new HashMap<>();
        edit.put("path", path);
        edit.put("was", Edits.at(document(), path).orElse(null));
        edit.put("now", now);
        Caller.Answer answer = owner.post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        made += answer.status() == 200 ? 1 : 0;
        return answer;
    }

    private String at(String path) {
        return Edits.at(document(), path).map(JsonNode::asString).orElse("");
    }

    // Fields that need or exclude one another.

    @ParameterizedTest
    @CsvSource({
        "scheme, one-stop-shop, EU, one-stop-shop",
        "authority, EU, EU, one-stop-shop",
        "scheme, ordinary, DE, ordinary"
    })
    void a_registration_is_filled_in_whichever_order(String first, String value, String authority, String scheme) {
        assertThat(edit(
                                "tax/registrations/second",
                                Map.of(
                                        "id",
                                        "second",
                                        "authority",
                                        "DE",
                                        "scheme",
                                        "ordinary",
                                        "number",
                                        "DE123456789"))
                        .status())
                .isEqualTo(200);
        Caller.Answer answer = edit("tax/registrations/second/" + first, value);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(at("tax/registrations/second/authority")).isEqualTo(authority);
        assertThat(at("tax/registrations/second/scheme")).isEqualTo(scheme);
    }

    @Test
    void a_discount_of_a_fixed_amount_is_made_in_one_act_and_taken_back_in_one() {
        String rule = "discounts/rules/"
                + document()
                        .path("discounts")
                        .path("rules")
                        .valueStream()
                        .filter(each -> each.has("percent"))
                        .findFirst()
                        .orElseThrow()
                        .path("id")
                        .asString();
        String percent = at(rule + "/percent");
        Caller.Answer answer = edit(rule + "/amount", "5.00");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(at(rule + "/percent")).isEmpty();
        owner.post(Caller.SHOP + "/draft/undo", "");
        made--;
        assertThat(at(rule + "/percent")).isEqualTo(percent);
        assertThat(at(rule + "/amount")).isEmpty();
    }

    // Countries by their names.

    @ParameterizedTest
    @CsvSource({
        "Sweden, SE",
        "sweden, SE",
        "Schweden, SE",
        "UK, GB",
        "United Kingdom, GB",
        "Holland, NL",
        "Deutschland, DE",
        "Germany, DE",
        "usa, US",
        "Ivory Coast, CI",
        "Côte d’Ivoire, CI",
        "IE, IE",
        "ie, IE",
        "Austria, AT",
        "Australia, AU"
    })
    void a_country_typed_by_its_name_is_that_country(String typed, String code) {
        assertThat(CountryNames.country(typed)).hasValue(code);
        Caller.Answer answer = edit("shop/address/country", typed);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(at("shop/address/country")).isEqualTo(code);
        String region = at("shop/address/region");
        assertThat(region.isEmpty() || region.startsWith(code))
                .as("the region of another country goes with it: " + region)
                .isTrue();
        JsonNode ticket = owner.post(
                        Caller.SHOP + "/ticket",
                        Map.of(
                                "edits",
                                List.of(),
                                "order",
                                Map.of(
                                        "lines",
                                        document()
                                                .path("rehearsal")
                                                .path("baskets")
                                                .path(0)
                                                .path("order")
                                                .path("lines"),
                                        "to",
                                        Map.of("country", typed))))
                .json();
        assertThat(ticket.path("to").path("country").asString()).isEqualTo(code);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Swedistan", "Deutschl", "Xx", "123"})
    void what_is_no_country_is_refused_and_never_cut_into_one(String typed) {
        Caller.Answer answer = edit("shop/address/country", typed);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.paths()).containsExactly("shop/address/country");
        assertThat(answer.sentence()).isEqualTo("“" + typed + "” is no country known here.");
        assertThat(at("shop/address/country")).isEqualTo("IE");
    }

    @ParameterizedTest
    @CsvSource({"Swiss francs, CHF", "euro, EUR", "US dollar, USD", "gbp, GBP"})
    void a_currency_typed_by_its_name_is_that_currency(String typed, String code) {
        assertThat(CountryNames.currency(typed)).hasValue(code);
        Document first = FirstDraft.of("A shop", "Ireland", typed);
        assertThat(first.setup().shop().currency()).isEqualTo(code);
        JsonNode tree = first.tree();
        Edit understood = Edits.understood(change(tree, "shop/currency", "\"" + typed + "\""), tree);
        assertThat(understood.now().orElseThrow().asString()).isEqualTo(code);
    }

    @Test
    void places_sold_to_are_typed_by_name_too() {
        assertThat(edit("shop/sellsTo", "Ireland, United Kingdom, the EU").status())
                .isEqualTo(200);
        assertThat(Edits.at(document(), "shop/sellsTo")
                        .orElseThrow()
                        .valueStream()
                        .map(JsonNode::asString))
                .containsExactly("IE", "GB", "EU");
        assertThatThrownBy(() -> FirstDraft.of("A shop", "Nowhere at all", ""))
                .isInstanceOf(InvalidInput.class)
                .extracting(InEnglish::told, as(STRING))
                .contains("no country known here");
    }

    // A message says what to write, never where a schema lies.

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"edits\": 5}",
                "{\"edits\": [5]}",
                "{\"edits\": [{\"path\": {}}]}",
                "{\"edits\": [{\"path\": \"shop\", \"was\": null, \"now\": [1]}]}",
                "[]",
                "{\"other\": 1}"
            })
    void nothing_sends_the_seller_to_a_schema(String body) {
        Caller.Answer answer = owner.post(Caller.SHOP + "/draft/edits", body);
        assertThat(answer.status()).isBetween(400, 422);
        assertThat(answer.text()).doesNotContain("schema", "docs/formats");
        answer.json().path("problems").forEach(problem -> assertThat(
                        problem.path("remedy").asString())
                .isNotBlank());
    }

    @Test
    void keys_of_another_kind_are_refused_in_a_whole_sentence() {
        Caller.Answer answer = owner.put(
                Caller.SHOP + "/gateways/cards",
                Map.of("publicKey", "nothing-of-a-key", "secret", "nor-this-one-either"));
        assertThat(answer.status()).isEqualTo(422);
        answer.json().path("problems").forEach(problem -> assertThat(
                        problem.path("sentence").asString()
                                + problem.path("remedy").asString())
                .doesNotContain("  ", "“”", " .", " ,", "{}"));
    }

    @Test
    void to_fill_what_the_reference_has_nothing_for_says_so() {
        edit("shop/sellsTo", "IE");
        owner.post(Caller.SHOP + "/draft/tax/fill", "");
        made++;
        Caller.Answer again = owner.post(Caller.SHOP + "/draft/tax/fill", "");
        assertThat(again.status()).as(again.text()).isGreaterThanOrEqualTo(400);
        assertThat(again.sentence()).isNotBlank();
    }

    // Files of goods.

    @Test
    void a_goods_file_with_decimal_commas_capitals_and_names_of_categories_is_taken() {
        Document document = Document.parse(Json.write(document()));
        String name = document.setup().tax().categories().get(0).name();
        SheetFile.Read read = SheetFile.of(document, "goods")
                .read("code;name;price;weight;category\nDelta-Kite;Delta kite;52,50;2,1 kg;" + name
                        + "\nNew-One;A new kite;19,90;0,4 kg;" + name.toUpperCase(java.util.Locale.ROOT) + "\n");
        assertThat(read.preview().bad()).isEmpty();
        assertThat(read.preview().added()).containsExactly("A new kite");
        JsonNode list = read.edit().orElseThrow().now().orElseThrow();
        assertThat(list.valueStream()
                        .filter(row -> row.path("id").asString().equals("delta-kite"))
                        .findFirst()
                        .orElseThrow()
                        .path("price")
                        .asString())
                .isEqualTo("52.50");
    }

    // The seller's tax number.

    @Test
    void the_tax_number_given_at_tax_stands_on_the_invoice_and_in_its_ubl() throws Exception {
        edit("tax/registrations/home/number", "IE7654321W");
        String registered = document()
                .path("tax")
                .path("registrations")
                .path(0)
                .path("number")
                .asString();
        owner.post(Caller.SHOP + "/draft/publish", "");
        made = 0;
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, vestcoin.standins.pay.TestCard.APPROVED);
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        long payment =
                owner.get(order).json().path("payments").path(0).path("id").asLong();
        owner.post(
                order + "/capture", Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
        JsonNode papers = owner.get(order + "/papers").json();
        for (int i = 0; i < 50 && papers.isEmpty(); i++) {
            Thread.sleep(100);
            papers = owner.get(order + "/papers").json();
        }
        String number = papers.path(0).path("number").asString();
        assertThat(registered).isNotBlank();
        assertThat(owner.get(order + "/papers/" + number + ".xml").text()).contains(registered);
        com.lowagie.text.pdf.PdfReader pdf =
                new com.lowagie.text.pdf.PdfReader(owner.bytes(order + "/papers/" + number + ".pdf"));
        assertThat(new com.lowagie.text.pdf.parser.PdfTextExtractor(pdf).getTextFromPage(1))
                .contains(registered);
    }

    // A basket whose goods change under it.

    @Test
    void a_basket_whose_product_went_or_gained_a_choice_is_mended_and_says_so() {
        Map<String, Object> order = Map.of(
                "lines",
                List.of(
                        Map.of("product", "sold-no-more", "quantity", "1"),
                        Map.of("product", "delta-kite", "quantity", "2", "options", Map.of())),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"));
        JsonNode ticket = owner.post(Caller.SHOP + "/ticket", Map.of("edits", List.of(), "order", order))
                .json();
        assertThat(ticket.path("quote").isObject()).isTrue();
        List<String> notes = new ArrayList<>();
        ticket.path("mended").forEach(note -> notes.add(note.asString()));
        assertThat(notes)
                .anyMatch(note -> note.equals("“sold-no-more” is not sold any more, so it is left out."))
                .anyMatch(note -> note.contains("needs a choice of"));
        assertThat(ticket.path("lines").size()).isEqualTo(1);
        ObjectNode gone = (ObjectNode) Json.tree(Json.write(order));
        gone.withArray("lines").remove(1);
        JsonNode other = owner.post(Caller.SHOP + "/ticket", Map.of("edits", List.of(), "order", gone))
                .json();
        assertThat(other.path("quote").isObject()).isTrue();
        assertThat(other.path("mended").toString()).contains("the ticket shows");
    }

    @Test
    void a_keystroke_made_while_the_draft_moved_on_is_priced_on_what_stands_now() {
        Map<String, Object> edit = Map.of("path", "goods/products/line-reel/price", "was", "1.00", "now", "33.00");
        Map<String, Object> order = Map.of(
                "lines",
                List.of(Map.of("product", "line-reel", "quantity", "1", "options", Map.of())),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"));
        Caller.Answer ticket = owner.post(Caller.SHOP + "/ticket", Map.of("edits", List.of(edit), "order", order));
        assertThat(ticket.status()).isEqualTo(200);
        assertThat(ticket.json().at("/quote/goods/value").asString()).isEqualTo("33.00");
        Caller.Answer kept = owner.post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        assertThat(kept.status()).as("kept it is not").isEqualTo(409);
        assertThat(kept.sentence()).startsWith("Somebody changed this meanwhile");
    }

    // How far Terms is.

    @Test
    void terms_is_not_complete_because_one_field_was_typed() {
        edit("terms/texts", Map.of());
        edit("terms/withdrawalDays", 14);
        JsonNode terms = owner.get(Caller.SHOP + "/draft")
                .json()
                .path("stations")
                .valueStream()
                .filter(each -> each.path("station").asString().equals("terms"))
                .findFirst()
                .orElseThrow();
        assertThat(terms.path("state").asString()).isEqualTo("half");
        assertThat(terms.path("word").asString()).isNotBlank();
        assertThat(terms.path("blocks").asBoolean()).isFalse();
    }

    // What stands against opening.

    private static List<String> against(Document document) {
        return AgainstOpening.of(
                        document.compiled(),
                        new FindingContext(
                                java.time.Instant.parse("2026-11-25T12:00:00Z"),
                                Map.of(),
                                vestcoin.core.tax.Sales.NONE,
                                java.util.Set.of(),
                                0,
                                FirstDraft.sampleNames(),
                                java.util.Optional.empty(),
                                java.util.Optional.empty(),
                                FindingContext.ShortMessageLine.UNKNOWN))
                .stream()
                .map(Finding::id)
                .toList();
    }

    @Test
    void a_shop_as_its_first_questions_leave_it_does_not_open_to_the_public() {
        Document first = FirstDraft.of("A shop", "Ireland", "");
        FirstAnswers answers = Json.read("{\"sells\": [\"things\"], \"ways\": [\"sent\"]}", FirstAnswers.class);
        Document begun = Document.of(answers.applied(first.setup(), java.time.Instant.parse("2026-11-25T12:00:00Z")));
        assertThat(against(begun)).contains("no-address", "sample-untouched").doesNotContain("fact-unset");
        JsonNode demo = Document.parse(vestcoin.app.run.DemoShop.setupFile()).tree();
        assertThat(against(Document.parse(Json.write(demo))))
                .doesNotContain("no-address", "sample-untouched", "fact-unset");
        JsonNode unset = Edits.apply(
                Edits.apply(
                        demo, change(demo, "terms/texts/returns/en", "\"Send it back within {return-days} days.\"")),
                change(demo, "terms/returnDays", null));
        assertThat(against(Document.parse(Json.write(unset)))).contains("fact-unset");
    }

    private static Edit change(JsonNode document, String path, String now) {
        return new Edit(
                path,
                Edits.at(document, path),
                java.util.Optional.ofNullable(now).map(Json::tree));
    }
}
