package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Each bad input gets a sentence with the field and the remedy, and changes nothing. */
@ExtendWith(RunningShop.class)
class BadInputTest {
    private final RunningShop.Running shop;

    BadInputTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static void told(Caller.Answer answer, int status, String path, String part) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.whole().headers().firstValue("Content-Type").orElse(""))
                .startsWith("application/problem+json");
        assertThat(answer.paths()).as(answer.text()).contains(path);
        assertThat(answer.text()).contains(part).doesNotContain("Exception").doesNotContain("\tat ");
        assertThat(answer.json().path("problems").path(0).path("remedy").asString())
                .isNotBlank();
    }

    private static Map<String, Object> edit(String path, Object was, Object now) {
        return Map.of("edits", List.of(Map.of("path", path, "was", was, "now", now)));
    }

    @Test
    void edits_that_cannot_be_read_leave_the_draft_as_it_was() {
        Caller owner = shop.owner();
        JsonNode before = owner.get(Caller.SHOP + "/draft").json();
        JsonNode tube = before.path("document")
                .path("delivery")
                .path("zones")
                .path(0)
                .path("rates")
                .path("tube");
        String cell = "delivery/zones/galway/rates/tube";
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit(cell, tube, "about five")),
                422,
                cell,
                "cannot be read as a delivery price");
        told(owner.post(Caller.SHOP + "/draft/edits", edit(cell, tube, "-5.00")), 422, cell, "below zero");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit(cell, tube, "to 1 4.90")),
                422,
                cell,
                "does not say what is counted");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit("goods/products/box-kite/price", "86.00", "-1.00")),
                422,
                "goods/products/box-kite/price",
                "below zero");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit("goods/products/box-kite/weight", "2.6 kg", "2.6")),
                422,
                "goods/products/box-kite/weight",
                "has no unit");
        told(
                owner.post(
                        Caller.SHOP + "/draft/edits",
                        edit(
                                "shop/sellsTo",
                                before.path("document").path("shop").path("sellsTo"),
                                "IE XX")),
                422,
                "shop/sellsTo",
                "no country known here");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit("shop/address/postcode", "H91 X2A0", "12")),
                422,
                "shop/address/postcode",
                "not a postcode of Ireland");
        told(
                owner.post(
                        Caller.SHOP + "/draft/edits",
                        edit(
                                "tax/places/ireland/rates/gear",
                                before.path("document")
                                        .path("tax")
                                        .path("places")
                                        .path(0)
                                        .path("rates")
                                        .path("gear"),
                                "0.07")),
                422,
                "tax/places/ireland/rates/gear",
                "0.07 % or as 7 %");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit("shop/motto", "", "up")),
                409,
                "shop/motto",
                "it is now “nothing”");
        told(
                owner.post(Caller.SHOP + "/draft/edits", edit("shop/name", "Another name", "Mine")),
                409,
                "shop/name",
                "Tern & Tether");
        told(
                owner.post(
                        Caller.SHOP + "/draft/edits",
                        Map.of("edits", List.of(Map.of("path", "shop/motto", "now", "up")))),
                422,
                "shop/motto",
                "no field “motto”");
        assertThat(owner.get(Caller.SHOP + "/draft").json().path("version")).isEqualTo(before.path("version"));
        assertThat(owner.get(Caller.SHOP + "/draft").json().path("document")).isEqualTo(before.path("document"));
    }

    @Test
    void a_block_with_one_bad_cell_changes_nothing() {
        Caller owner = shop.owner();
        JsonNode zones = owner.get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("delivery")
                .path("zones");
        told(
                owner.post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(
                                        Map.of(
                                                "path",
                                                "delivery/zones/galway/rates/letter",
                                                "was",
                                                zones.path(0).path("rates").path("letter"),
                                                "now",
                                                "3.00"),
                                        Map.of(
                                                "path",
                                                "delivery/zones/ireland/rates/letter",
                                                "was",
                                                zones.path(1).path("rates").path("letter"),
                                                "now",
                                                "three")))),
                422,
                "delivery/zones/ireland/rates/letter",
                "cannot be read");
        assertThat(owner.get(Caller.SHOP + "/draft")
                        .json()
                        .path("texts")
                        .path("delivery/zones/galway/rates/letter")
                        .path("text")
                        .asString())
                .isEqualTo("2.20");
    }

    @Test
    void baskets_that_cannot_be_are_told_apart() {
        Caller buyer = shop.anybody();
        told(
                buyer.post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "submarine", "quantity", "1")),
                                "to",
                                Map.of("country", "XX")))),
                422,
                "order/to/country",
                "no country known here");
        told(
                buyer.post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "box-kite", "quantity", "1")),
                                "to",
                                Map.of("country", "DE", "postcode", "1011")))),
                422,
                "order/to/postcode",
                "not a postcode of Germany");
        told(
                buyer.post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "delta-kite", "quantity", "1")),
                                "to",
                                Map.of("country", "IE")))),
                422,
                "order/lines/0/options/size",
                "needs a choice of Size");
        told(
                buyer.post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "box-kite", "quantity", 1)),
                                "to",
                                Map.of("country", "IE")))),
                400,
                "basket/lines/0/quantity",
                "has to stand in quotes");
        told(
                buyer.post(Caller.COUNTER + "/quote", "{\"lines\":["),
                400,
                "",
                "This cannot be read as a file Vest Coin wrote: at line 1");
        told(buyer.post("/api/counter/no-such-shop/quote", Caller.quoting(Caller.book())), 404, "shop", "not open");
        told(
                buyer.post(
                        Caller.COUNTER + "/orders",
                        Map.of(
                                "key",
                                UUID.randomUUID().toString(),
                                "basket",
                                Caller.book(),
                                "expected",
                                "31.40",
                                "contact",
                                Map.of("name", "", "email", "nobody", "lines", List.of(), "city", ""))),
                422,
                "contact/email",
                "cannot be right");
        told(buyer.get("/api/counter/orders/" + UUID.randomUUID()), 404, "token", "no such order");
    }

    @Test
    void two_megabytes_are_refused_announced_or_not() {
        String large = "{\"lines\":\"" + "x".repeat(2 * 1024 * 1024) + "\"}";
        told(shop.anybody().post(Caller.COUNTER + "/quote", large), 413, "", "larger than 1 MB");
        Caller.Answer unannounced = shop.anybody().stream(Caller.COUNTER + "/quote", large);
        told(unannounced, 413, "", "larger than 1 MB");
    }

    @Test
    void whoever_tries_in_vain_waits_longer_each_time_and_nobody_else_does() {
        String email = "clumsy@tern-and-tether.example";
        shop.context().getBean(vestcoin.app.access.People.class).add(email, "four quiet brown words");
        Map<String, String> wrong = Map.of("email", email, "password", "a wrong password");
        Map<String, String> right = Map.of("email", email, "password", "four quiet brown words");
        assertThat(from("203.0.113.7", right).status())
                .as("known here from now on")
                .isEqualTo(200);
        for (int i = 0; i < 6; i++) {
            told(from("203.0.113.66", wrong), 401, "password", "do not go together");
        }
        told(from("203.0.113.66", wrong), 429, "password", "Try again in");
        told(from("203.0.113.66", right), 429, "password", "Try again in");
        told(from("203.0.113.67", right), 429, "password", "Try again in");
        assertThat(from("203.0.113.7", right).status())
                .as("where the account was opened before")
                .isEqualTo(200);
        told(
                from(
                        "203.0.113.67",
                        Map.of("email", "somebody-else@tern-and-tether.example", "password", "a wrong password")),
                401,
                "password",
                "do not go together");
    }

    private Caller.Answer from(String client, Map<String, String> typed) {
        return new Caller(shop.url(), client).post("/api/session", typed);
    }

    @Test
    void keys_are_checked_by_a_real_call() {
        Caller owner = shop.owner();
        String gateway = Caller.SHOP + "/gateways/cards";
        told(
                owner.put(
                        gateway,
                        Map.of("publicKey", "public-test-2b8e6f13c7a940d5b3f8", "secret", "secret-test-nobody-knows")),
                422,
                "secret",
                "does not know this key for the shop");
        told(
                owner.put(
                        gateway,
                        Map.of(
                                "publicKey",
                                "public-live-2b8e6f13c7a940d5b3f8",
                                "secret",
                                "secret-test-7d1c0a52e94b4f0d9a61")),
                422,
                "publicKey",
                "for practice and the other is not");
        told(
                owner.put(
                        gateway,
                        Map.of(
                                "publicKey",
                                "secret-test-7d1c0a52e94b4f0d9a61",
                                "secret",
                                "public-test-2b8e6f13c7a940d5b3f8")),
                422,
                "secret",
                "swapped");
        assertThat(owner.get(Caller.SHOP + "/gateways")
                        .json()
                        .path(0)
                        .path("state")
                        .asString())
                .isEqualTo("test");
    }

    @Test
    void an_edition_is_a_setup_file_and_one_that_was_never_published_is_said() {
        Caller owner = shop.owner();
        Caller.Answer first = owner.get(Caller.SHOP + "/editions/1");
        assertThat(vestcoin.app.setup.Document.parse(first.text())
                        .setup()
                        .shop()
                        .name())
                .isEqualTo("Tern & Tether");
        told(owner.get(Caller.SHOP + "/editions/99"), 422, "edition", "The shop has no edition 99");
        told(owner.get(Caller.SHOP + "/editions/first"), 400, "", "nothing at this address");
    }

    @Test
    void an_order_number_nobody_has_is_said() {
        told(shop.owner().get("/api/shops/" + DemoShop.SHOP + "/orders/9999"), 404, "number", "There is no order 9999");
    }
}
