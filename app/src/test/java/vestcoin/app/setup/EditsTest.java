package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** Edits of a document: what they find, what they leave alone, what they refuse. */
class EditsTest {
    private static final Document DEMO = Document.parse(DemoShop.setupFile());

    private static Edit edit(String path, String now) {
        return new Edit(
                path, Edits.at(DEMO.tree(), path), Optional.ofNullable(now).map(Json::tree));
    }

    private static Edit understood(String path, String typed) {
        return Edits.understood(
                new Edit(
                        path,
                        Edits.at(DEMO.tree(), path),
                        Optional.of(Json.MAPPER.getNodeFactory().stringNode(typed))),
                DEMO.tree());
    }

    @ParameterizedTest
    @CsvSource({
        "shop/name, Tern & Tether",
        "goods/products/box-kite/price, 86.00",
        "goods/products/delta-kite/options/size/choices/large/extra, 16.00",
        "delivery/zones/ireland/rates/next-day/basis/price, 14.50",
        "tax/categories/books/name, Books",
        "rehearsal/baskets/two-deltas/order/to/country, IE"
    })
    void a_path_leads_through_fields_and_ids(String path, String value) {
        assertThat(Edits.at(DEMO.tree(), path).orElseThrow().asString()).isEqualTo(value);
    }

    @ParameterizedTest
    @CsvSource({"shop/nothing", "goods/products/submarine", "goods/products/box-kite/price/cents", "nowhere"})
    void a_path_that_leads_nowhere_finds_nothing(String path) {
        assertThat(Edits.at(DEMO.tree(), path)).isEmpty();
    }

    @Test
    void an_edit_changes_its_value_and_nothing_else_and_leaves_the_document_it_came_from() {
        String before = Json.write(DEMO.tree());
        JsonNode changed = Edits.apply(DEMO.tree(), edit("goods/products/box-kite/price", "\"90.00\""));
        assertThat(Edits.at(changed, "goods/products/box-kite/price")
                        .orElseThrow()
                        .asString())
                .isEqualTo("90.00");
        assertThat(Json.write(DEMO.tree())).isEqualTo(before);
        assertThat(changed.get("delivery"))
                .as("other stations are the very same")
                .isSameAs(DEMO.tree().get("delivery"));
        assertThat(Json.write(Edits.apply(
                        changed,
                        new Edit(
                                "goods/products/box-kite/price",
                                Edits.at(changed, "goods/products/box-kite/price"),
                                Edits.at(DEMO.tree(), "goods/products/box-kite/price")))))
                .isEqualTo(before);
    }

    @Test
    void an_element_of_a_list_is_added_at_its_end_and_removed_by_its_id() {
        JsonNode added =
                Edits.apply(DEMO.tree(), edit("tax/categories/fabrics", "{\"id\":\"fabrics\",\"name\":\"Fabrics\"}"));
        assertThat(added.get("tax")
                        .get("categories")
                        .get(added.get("tax").get("categories").size() - 1)
                        .path("id")
                        .asString())
                .isEqualTo("fabrics");
        JsonNode removed = Edits.apply(
                added, new Edit("tax/categories/fabrics", Edits.at(added, "tax/categories/fabrics"), Optional.empty()));
        assertThat(Json.write(removed)).isEqualTo(Json.write(DEMO.tree()));
    }

    @Test
    void a_value_that_is_no_longer_the_one_edited_is_a_conflict_with_both_in_it() {
        Edit late =
                new Edit("shop/name", Optional.of(Json.tree("\"An older name\"")), Optional.of(Json.tree("\"Mine\"")));
        assertThatThrownBy(() -> Edits.apply(DEMO.tree(), late))
                .isInstanceOfSatisfying(Edits.Conflict.class, conflict -> {
                    assertThat(Edits.shown("shop/name", conflict.current())).isEqualTo("Tern & Tether");
                    assertThat(Edits.shown("shop/name", conflict.edit().now())).isEqualTo("Mine");
                });
    }

    @ParameterizedTest
    @CsvSource({"''", "'   '", "shop/name/first", "goods/products/gone/price"})
    void a_path_that_cannot_be_edited_is_refused(String path) {
        assertThatThrownBy(() ->
                        Edits.apply(DEMO.tree(), new Edit(path, Optional.empty(), Optional.of(Json.tree("\"x\"")))))
                .isInstanceOf(InvalidInput.class);
    }

    @Test
    void cells_and_places_are_understood_as_typed() {
        assertThat(Edits.shown(
                        "delivery/zones/galway/rates/tube",
                        understood("delivery/zones/galway/rates/tube", " 6.5 , from 80 free")
                                .now()))
                .isEqualTo("6.50, from 80 free");
        assertThat(Edits.shown(
                        "tax/places/ireland/rates/gear",
                        understood("tax/places/ireland/rates/gear", "23 %").now()))
                .isEqualTo("23");
        assertThat(understood("delivery/zones/galway/rates/tube", "").now())
                .as("an emptied cell is removed")
                .isEmpty();
        assertThat(understood("shop/sellsTo", "IE; DE FR").now().orElseThrow().size())
                .isEqualTo(3);
        assertThat(understood("shop/name", "to 1 kg 5.00").now().orElseThrow().asString())
                .as("elsewhere a text is a text")
                .isEqualTo("to 1 kg 5.00");
    }

    @Test
    void a_document_changed_by_an_edit_prices_as_one_read_anew() {
        Document changed = DEMO.with(java.util.List.of(understood("delivery/zones/ireland/rates/tube", "7.77")));
        assertThat(Document.parse(Json.write(changed.tree())).setup()).isEqualTo(changed.setup());
        assertThat(changed.compiled().shelf())
                .as("goods were not compiled again")
                .isSameAs(DEMO.compiled().shelf());
        assertThat(changed.hash()).isNotEqualTo(DEMO.hash()).hasSize(64);
        assertThat(Document.parse(Json.write(DEMO.tree())).hash()).isEqualTo(DEMO.hash());
    }

    @Test
    void a_thing_in_a_list_can_be_moved_and_one_that_is_taken_out_comes_back_to_its_place() {
        String path = "delivery/options/tube";
        Optional<JsonNode> tube = Edits.at(DEMO.tree(), path);
        JsonNode moved = Edits.apply(DEMO.tree(), new Edit(path, tube, tube, Optional.empty(), Optional.of(0)));
        assertThat(Edits.placeOf(DEMO.tree(), path)).contains(1);
        assertThat(Edits.placeOf(moved, path)).contains(0);
        assertThat(Edits.apply(moved, new Edit(path, tube, tube, Optional.of(1), Optional.of(0)).reversed()))
                .isEqualTo(DEMO.tree());
        JsonNode without = Edits.apply(DEMO.tree(), new Edit(path, tube, Optional.empty()));
        assertThat(Edits.apply(
                        without, new Edit(path, tube, Optional.empty(), Optional.of(1), Optional.empty()).reversed()))
                .isEqualTo(DEMO.tree());
        assertThat(Edits.placeOf(DEMO.tree(), "shop/name")).isEmpty();
    }

    /** Only what an edit changes is read again; what comes out is what reading all of it would give. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "goods/products/box-kite/price | \"91.00\"",
                "goods/products/box-kite | null",
                "goods/products/new-kite | "
                        + "{\"id\":\"new-kite\",\"name\":\"New\",\"kind\":\"physical\",\"price\":\"9.00\","
                        + "\"category\":\"gear\"}",
                "goods/defaultGroup | null",
                "delivery/zones/ireland/rates/tube | {\"basis\":{\"kind\":\"fixed\",\"price\":\"5.00\"}}",
                "delivery/zones/galway | null",
                "delivery/options/next-day/name | \"Tomorrow\"",
                "tax/places/ireland/rates/books | {\"components\":[{\"name\":\"VAT\",\"percent\":\"9\"}]}",
                "tax/places/germany | null",
                "tax/standing | \"what-the-seller-earns\"",
                "shop/name | \"Another\"",
                "pickup/places/market/capacity | 9",
                "terms/returnDays | 21"
            })
    void a_draft_with_an_edit_is_the_setup_that_its_document_says(String path, String now) {
        Optional<JsonNode> value = Optional.of(Json.tree(now)).filter(node -> !node.isNull());
        Edit edit = new Edit(path, Edits.at(DEMO.tree(), path), value);
        Document changed = DEMO.with(java.util.List.of(edit));
        assertThat(changed.setup())
                .isEqualTo(Document.parse(Json.write(changed.tree())).setup());
        assertThat(DEMO.tried(java.util.List.of(edit)).setup()).isEqualTo(changed.setup());
        assertThat(changed.with(java.util.List.of(new Edit(
                                path,
                                Edits.at(changed.tree(), path),
                                edit.was(),
                                Optional.empty(),
                                Edits.placeOf(DEMO.tree(), path))))
                        .setup())
                .isEqualTo(DEMO.setup());
    }

    /** However it is typed, pasted or taken in from a file, a text is read by the one registry. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "goods/products/box-kite/price | 24,50 | \"24.50\"",
                "goods/products/box-kite/price | 1.234,50 | \"1234.50\"",
                "goods/products/box-kite/price | 1234.50 | \"1234.50\"",
                "goods/products/box-kite/weight | 0,3 kg | \"0.3 kg\"",
                "goods/products/box-kite/sending/size | 12,5 x 3 x 2 cm | \"12.5 x 3 x 2 cm\"",
                "goods/products/box-kite/sending/preparation | 2 | 2",
                "goods/products/box-kite/sending/origin | Ireland | \"IE\"",
                "goods/products/box-kite/category | Books | \"books\"",
                "goods/products/box-kite/weight | 0,125 kg | \"0.125 kg\"",
                "goods/products/box-kite/name | 24,50 | \"24,50\"",
                "discounts/rules/kites10/percent | 12,5 | \"12.5\"",
                "delivery/zones/ireland/places | Ireland and Belgium | [\"IE\",\"BE\"]",
                "shop/currency | euro | \"EUR\""
            })
    void a_text_is_read_by_where_it_is_typed(String path, String typed, String meant) {
        Edit edit = new Edit(path, Optional.empty(), Optional.of(Json.tree("\"" + typed + "\"")));
        assertThat(Edits.understood(edit, DEMO.tree()).now()).contains(Json.tree(meant));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "goods/products/box-kite/price | 1,200",
                "goods/products/box-kite/weight | 1,200 g",
                "delivery/parcels/tube/inner | 1,200 x 10 x 10 mm"
            })
    void a_number_with_two_readings_is_refused_with_both(String path, String typed) {
        Edit edit = new Edit(path, Optional.empty(), Optional.of(Json.tree("\"" + typed + "\"")));
        assertThatThrownBy(() -> Edits.understood(edit, DEMO.tree()))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> {
                    Message remedy = refused.problems().get(0).remedy();
                    assertThat(remedy.args()).containsEntry("thousands", "1200").containsEntry("decimals", "1.200");
                });
    }

    @Test
    @Witness(value = "shop.lengthUnit", felt = Felt.DESK)
    void a_size_typed_without_a_unit_takes_the_shops_and_a_weight_does_not() {
        assertThat(understood("goods/products/box-kite/sending/size", "100 x 20 x 20")
                        .now()
                        .orElseThrow()
                        .asString())
                .isEqualTo("100 x 20 x 20 cm");
        assertThat(understood("goods/products/box-kite/weight", "2.6")
                        .now()
                        .orElseThrow()
                        .asString())
                .isEqualTo("2.6");
    }
}
