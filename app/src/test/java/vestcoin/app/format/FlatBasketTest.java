package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/** Baskets kept before they had a form of their own: their fields stood beside those of what held them. */
class FlatBasketTest {
    @Test
    void a_setup_in_the_form_of_before_is_the_same_setup() {
        ObjectNode before = (ObjectNode) Json.tree(DemoShop.setupFile());
        for (JsonNode each : before.path("rehearsal").path("baskets")) {
            ObjectNode flat = (ObjectNode) each;
            ObjectNode order = (ObjectNode) flat.remove("order");
            assertThat(order.propertyNames()).contains("lines", "to");
            flat.setAll(order);
        }
        Document read = Document.parse(Json.write(before));
        Document now = Document.parse(DemoShop.setupFile());
        assertThat(read.setup()).isEqualTo(now.setup());
        assertThat(read.setup().rehearsal().baskets().get(0).order().lines()).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"{\"name\":\"Ada\"}", "{\"basket\":{\"lines\":[]}}", "[]", "\"text\"", "{}"})
    void what_has_no_basket_beside_its_fields_stays(String json) {
        assertThat(FlatBasket.nested(Json.tree(json), "basket")).isEqualTo(Json.tree(json));
    }

    @Test
    void fields_of_a_basket_move_and_others_stay() {
        JsonNode nested = FlatBasket.nested(Json.tree("{\"name\":\"Ada\",\"lines\":[],\"codes\":[\"A\"]}"), "basket");
        assertThat(nested).isEqualTo(Json.tree("{\"name\":\"Ada\",\"basket\":{\"lines\":[],\"codes\":[\"A\"]}}"));
        assertThat(List.copyOf(nested.propertyNames())).containsExactly("name", "basket");
    }

    @Test
    void a_sample_order_nobody_places_is_refused_at_its_field() {
        ObjectNode setup = (ObjectNode) Json.tree(DemoShop.setupFile());
        ((ObjectNode) setup.path("rehearsal").path("baskets").path(0)).put("monthly", 0);
        assertThatThrownBy(() -> Document.parse(Json.write(setup)))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.problems())
                        .extracting(Problem::path)
                        .containsExactly("rehearsal/baskets/two-deltas/monthly"));
    }
}
