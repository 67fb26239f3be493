package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;

/** Where sellers go wrong at the stations that decide a price: each is refused with a question, or found and led to. */
@ExtendWith(RunningShop.class)
class MistakesTest {
    private final Caller owner;
    private int made;

    MistakesTest(RunningShop.Running shop) {
        this.owner = shop.owner();
    }

    @AfterEach
    void takeBack() {
        for (; made > 0; made--) {
            owner.post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    private Caller.Answer edit(String path, Object now) {
        JsonNode document = owner.get(Caller.SHOP + "/draft").json().path("document");
        Map<String, Object> edit = new HashMap<>(Map.of("path", path));
        Edits.at(document, path).ifPresent(was -> edit.put("was", was));
        if (now != null) {
            edit.put("now", now);
        }
        Caller.Answer answer = owner.post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        made += answer.status() == 200 ? 1 : 0;
        return answer;
    }

    @Test
    @Witness(value = "pickup.local.price.basis.service", felt = Felt.REFUSED)
    @Witness(value = "pickup.local.price.basis.otherwise", felt = Felt.REFUSED)
    void no_carrier_is_asked_for_what_the_shop_brings_round_itself() {
        Caller.Answer refused = edit(
                "pickup/local/price",
                Map.of("basis", Map.of("kind", "carrier-quote", "service", "parcel-day", "otherwise", "9.90")));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.sentence()).contains("no carrier that could be asked");
    }

    @Test
    @Witness(value = "delivery.zones[].costs{}.service", felt = Felt.REFUSED)
    @Witness(value = "delivery.zones[].costs{}.otherwise", felt = Felt.REFUSED)
    void what_a_carrier_asks_is_no_question_to_a_carrier_and_never_free() {
        String cell = "delivery/zones/ireland/costs/tube";
        Caller.Answer asked = edit(cell, Map.of("kind", "carrier-quote", "service", "parcel-day", "otherwise", "9.90"));
        assertThat(asked.status()).isEqualTo(422);
        assertThat(asked.sentence()).contains("goes by weight, number or distance");
        Caller.Answer free = edit(cell, "4.20, from 80 free");
        assertThat(free.status()).isEqualTo(422);
        assertThat(free.sentence()).contains("goes by weight, number or distance");
        assertThat(edit(cell, "to 2 kg 4.20, to 5 kg 6.80").status()).isEqualTo(200);
    }

    private static List<String> findings(Caller.Answer answer) {
        return answer.json()
                .path("findings")
                .valueStream()
                .map(finding -> finding.path("id").asString() + " "
                        + finding.path("path").asString())
                .toList();
    }

    private static String sentence(Caller.Answer answer, String path) {
        return answer.json()
                .path("findings")
                .valueStream()
                .filter(finding -> finding.path("path").asString().equals(path))
                .map(finding -> finding.path("sentence").asString() + " "
                        + finding.path("remedy").asString())
                .findFirst()
                .orElse("");
    }

    @Test
    void a_share_typed_for_a_percentage_is_asked_about_at_once() {
        Caller.Answer answer = edit("tax/places/ireland/rates/gear", "0.07");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains("0.07 % or as 7 %");
    }

    @Test
    void a_rate_unlike_the_published_one_is_shown_beside_it_with_the_day_of_the_reference() {
        Caller.Answer answer = edit("tax/places/ireland/rates/gear", "21");
        assertThat(findings(answer)).contains("rate-unlike-reference tax/places/ireland/rates/gear");
        assertThat(sentence(answer, "tax/places/ireland/rates/gear"))
                .contains("21")
                .contains("23")
                .contains("2026");
        assertThat(answer.json()
                        .path("texts")
                        .path("tax/places/ireland/rates/gear")
                        .path("words")
                        .path(0)
                        .asString())
                .startsWith("published 23, ")
                .contains("2026");
    }

    @Test
    void a_country_sold_to_without_a_delivery_is_found_before_a_buyer_does() {
        Caller.Answer answer = edit("shop/sellsTo", "EU GB CH LI NO US CA JP");
        assertThat(findings(answer)).anyMatch(finding -> finding.startsWith("place-without-zone"));
        assertThat(answer.json().path("findings").toString()).contains("Japan");
        JsonNode japan = owner.get(Caller.SHOP + "/draft/countries")
                .json()
                .valueStream()
                .filter(each -> each.path("country").asString().equals("JP"))
                .findFirst()
                .orElseThrow();
        assertThat(japan.path("sold").asBoolean()).isTrue();
        assertThat(japan.path("zone").isMissingNode()).as("a hole on the map").isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "to 1 kg 8.40, to 5 kg 11.90 | nothing-above-last-band",
                "to 1 kg 8.40, to 5 kg 5.40, then +0.80/kg | price-drops"
            })
    void a_basket_above_the_last_band_and_a_price_that_falls_are_found(String typed, String finding) {
        assertThat(findings(edit("delivery/zones/northern-ireland/rates/tube", typed)))
                .contains(finding + " delivery/zones/northern-ireland/rates/tube");
    }

    @Test
    void what_is_free_from_an_amount_says_so_from_the_rule_itself() {
        edit("delivery/zones/ireland/rates/tube", "9.40, from 180 free");
        Map<String, Object> order = Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"));
        JsonNode quote = owner.post(Caller.SHOP + "/ticket", Map.of("order", order))
                .json()
                .path("quote");
        // 180.00 − 86.00
        assertThat(quote.path("distances").get(0).path("more").path("value").asString())
                .isEqualTo("94.00");
    }

    @Test
    void a_change_is_in_the_draft_alone_until_it_is_published() {
        edit("goods/products/box-kite/price", "99.00");
        Map<String, Object> order = Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"));
        JsonNode ticket = owner.post(Caller.SHOP + "/ticket", Map.of("order", order, "beside", true))
                .json();
        assertThat(ticket.path("quote").path("goods").path("value").asString()).isEqualTo("99.00");
        assertThat(ticket.path("liveQuote").path("goods").path("value").asString())
                .isEqualTo("86.00");
    }

    @Test
    void goods_in_the_default_group_are_named_as_such() {
        edit("goods/groups/small", Json.tree("{\"id\":\"small\",\"name\":\"Small things\",\"category\":\"gear\"}"));
        Caller.Answer answer = edit("goods/defaultGroup", "small");
        assertThat(findings(answer)).contains("default-group goods/products/box-kite/group");
        assertThat(sentence(answer, "goods/products/box-kite/group"))
                .contains("Box kite is in the default group “Small things”");
    }

    @ParameterizedTest
    @CsvSource({
        "goods/products/box-kite/weight, 2.1, has no unit",
        "goods/products/box-kite/weight, 2 pounds, not a unit of weight",
        "goods/products/box-kite/price, 12 lb, not a decimal number"
    })
    void a_pound_is_money_or_weight_and_never_either(String path, String typed, String said) {
        Caller.Answer answer = edit(path, typed);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.paths()).containsExactly(path);
        assertThat(answer.sentence()).contains(said);
    }

    @Test
    void two_zones_that_hold_one_place_block_opening_on_both_and_the_quote_says_it_is_undecided() {
        Caller.Answer answer = edit("delivery/zones/alpine-north/places", "CH LI NO IE");
        assertThat(findings(answer))
                .contains(
                        "zones-overlap delivery/zones/alpine-north/places",
                        "zones-overlap delivery/zones/ireland/places");
        Map<String, Object> order =
                Map.of("lines", List.of(Map.of("product", "box-kite", "quantity", "1")), "to", Map.of("country", "IE"));
        assertThat(owner.post(Caller.SHOP + "/ticket", Map.of("order", order))
                        .json()
                        .path("quote")
                        .path("undecided")
                        .valueStream()
                        .map(JsonNode::asString))
                .containsExactly("ireland");
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .as("publishing is blocked")
                .isEqualTo(422);
    }
}
