package vestcoin.app.embedding;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.outside.Vault;
import vestcoin.app.run.DemoShop;

/** What a link from another site puts into the basket, and that nobody can change it on the way. */
@ExtendWith(RunningShop.class)
class EmbeddingTest {
    private final RunningShop.Running shop;

    EmbeddingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode offer(String kind, String id, String... codes) {
        return shop.owner()
                .post(Caller.SHOP + "/elsewhere", Map.of(kind, id, "codes", List.of(codes)))
                .json();
    }

    private static String taken(JsonNode offer) {
        return URI.create(offer.path("link").asString()).getQuery().substring("take=".length());
    }

    private Caller.Answer follow(String take, Map<String, String> fields) {
        return shop.anybody().post(Caller.COUNTER + "/take", Map.of("take", take, "fields", fields));
    }

    private String firstBasket() {
        return shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("rehearsal")
                .path("baskets")
                .path(0)
                .path("id")
                .asString();
    }

    @Test
    void a_bundle_comes_into_the_basket_as_it_was_offered() {
        JsonNode basket = shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("rehearsal")
                .path("baskets")
                .path(0);
        JsonNode offer = offer("basket", basket.path("id").asString(), "KITES10");
        JsonNode followed = follow(taken(offer), Map.of("quantity", "9")).json();
        JsonNode goods = followed.path("basket");
        assertThat(goods.path("lines").size())
                .isEqualTo(basket.path("order").path("lines").size());
        assertThat(goods.path("lines").path(0).path("quantity").asString())
                .as("what is not left open cannot be chosen")
                .isEqualTo(basket.path("order")
                        .path("lines")
                        .path(0)
                        .path("quantity")
                        .asString());
        assertThat(goods.path("codes").path(0).asString()).isEqualTo("KITES10");
        assertThat(followed.path("changed").size()).isZero();
        assertThat(offer.path("html").asString()).startsWith("<a href=\"").contains("€");
    }

    /** Links made before baskets had a form of their own stand on other sites still. */
    @Test
    void a_link_in_the_form_of_before_is_followed() {
        String content = Base64.getUrlEncoder().withoutPadding().encodeToString("""
                        {"lines":[{"product":"kites-you-can-build","quantity":"2","options":{}}],"codes":["KITES10"],
                         "open":[],"currency":"EUR"}""".getBytes(StandardCharsets.UTF_8));
        String mark = shop.context().getBean(Vault.class).mark("take " + DemoShop.SHOP + " " + content);
        JsonNode basket = follow(content + "." + mark, Map.of()).json().path("basket");
        assertThat(basket.path("lines").path(0).path("quantity").asString()).isEqualTo("2");
        assertThat(basket.path("codes").path(0).asString()).isEqualTo("KITES10");
    }

    @Test
    void every_changed_letter_of_a_link_is_refused() {
        String take = taken(offer("product", "kites-you-can-build"));
        for (int i = 0; i < take.length(); i += 7) {
            String changed = take.substring(0, i) + (take.charAt(i) == 'A' ? 'B' : 'A') + take.substring(i + 1);
            Caller.Answer answer = follow(changed, Map.of());
            assertThat(answer.status()).as("letter %d of %s", i, changed).isEqualTo(422);
            assertThat(answer.sentence())
                    .isEqualTo("The link you followed was changed after the shop made it, so nothing of it is used.");
        }
    }

    /** Somebody who writes a price of their own into a link, or takes a mark from another. */
    @Test
    void a_price_or_product_written_into_a_link_is_refused() {
        String take = taken(offer("basket", firstBasket()));
        String[] parts = take.split("\\.");
        String json = new String(Base64.getUrlDecoder().decode(parts[0]), StandardCharsets.UTF_8);
        String cheaper = json.replaceAll("\"shown\":\"[^\"]*\"", "\"shown\":\"0.01\"");
        assertThat(cheaper).isNotEqualTo(json);
        assertThat(follow(
                                Base64.getUrlEncoder()
                                                .withoutPadding()
                                                .encodeToString(cheaper.getBytes(StandardCharsets.UTF_8))
                                        + "." + parts[1],
                                Map.of())
                        .status())
                .isEqualTo(422);
        assertThat(follow(parts[0] + "." + taken(offer("product", "delta-kite")).split("\\.")[1], Map.of())
                        .status())
                .isEqualTo(422);
        for (String nonsense : List.of(
                "",
                ".",
                "a.b",
                "a",
                parts[0],
                parts[0] + ".",
                parts[0] + "." + parts[1] + ".",
                "€".repeat(200) + "." + parts[1])) {
            assertThat(follow(nonsense, Map.of()).status()).as(nonsense).isEqualTo(422);
        }
    }

    @Test
    void the_buyer_is_told_of_a_price_that_has_changed_since() {
        String take = taken(offer("basket", firstBasket()));
        Caller owner = shop.owner();
        JsonNode document = owner.get(Caller.SHOP + "/draft").json().path("document");
        String product = document.path("rehearsal")
                .path("baskets")
                .path(0)
                .path("order")
                .path("lines")
                .path(0)
                .path("product")
                .asString();
        for (JsonNode each : document.path("goods").path("products")) {
            if (each.path("id").asString().equals(product)) {
                owner.post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(Map.of(
                                        "path",
                                        "goods/products/" + product + "/price",
                                        "was",
                                        each.path("price").asString(),
                                        "now",
                                        "999.00"))));
            }
        }
        assertThat(follow(take, Map.of()).json().path("changed").size())
                .as("a draft changes nothing")
                .isZero();
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        JsonNode changed = follow(take, Map.of()).json().path("changed");
        assertThat(changed.path(0).path("sentence").asString())
                .matches("The page you came from said €[0-9,.]+; it is €[0-9,.]+ now\\.");
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "goods/products/" + product, "was", Json.MAPPER.nullNode()))));
    }

    @Test
    void a_form_asks_what_the_product_needs_and_takes_nothing_else() {
        JsonNode offer = offer("product", "delta-kite");
        assertThat(offer.path("html").asString())
                .contains("<select name=\"option.size\">")
                .contains("name=\"quantity\"")
                .doesNotContain("<script")
                .doesNotContain("style=");
        JsonNode whole = follow(
                        taken(offer),
                        Map.of("option.size", "large", "quantity", "2", "product", "printed-plans", "amount", "1"))
                .json()
                .path("basket")
                .path("lines")
                .path(0);
        assertThat(whole.path("product").asString()).isEqualTo("delta-kite");
        assertThat(whole.path("options").path("size").asString()).isEqualTo("large");
        assertThat(whole.path("quantity").asString()).isEqualTo("2");
        assertThat(whole.path("amount").isMissingNode() || whole.path("amount").isNull())
                .isTrue();
        JsonNode without =
                follow(taken(offer), Map.of("option.size", "enormous")).json();
        assertThat(without.path("basket").path("lines").size()).isZero();
        assertThat(without.path("changed").path(0).path("sentence").asString())
                .endsWith("a choice is still to be made.");
    }

    @Test
    void a_quantity_that_is_none_is_one() {
        String take = taken(offer("product", "kites-you-can-build"));
        for (String typed : List.of("-1", "0", "1e9", "many", "", "9999999999")) {
            assertThat(follow(take, Map.of("quantity", typed))
                            .json()
                            .path("basket")
                            .path("lines")
                            .path(0)
                            .path("quantity")
                            .asString())
                    .as(typed)
                    .isEqualTo("1");
        }
    }
}
