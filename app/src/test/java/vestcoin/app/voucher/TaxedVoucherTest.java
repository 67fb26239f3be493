package vestcoin.app.voucher;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.standins.pay.TestCard;

/**
 * A voucher that is taxed when it is sold: invoiced then, taken off what it buys, given back to. Source: Directive
 * 2006/112/EC, Art. 30a(2), 30b(1).
 */
@ExtendWith(RunningShop.class)
class TaxedVoucherTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    TaxedVoucherTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
        Map<String, Object> taxed = new LinkedHashMap<>();
        taxed.put("goods/products/gift-voucher/category", "gear");
        taxed.put("goods/products/gift-voucher/taxedAtSale", true);
        owner.publish(taxed);
    }

    private static Map<String, Object> basket(String product, Map<String, Object> line, List<String> codes) {
        Map<String, Object> whole = new LinkedHashMap<>(line);
        whole.put("product", product);
        whole.put("quantity", "1");
        Map<String, Object> basket = new LinkedHashMap<>(Map.of(
                "lines",
                List.of(whole),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "method",
                "card",
                "codes",
                codes));
        if (!product.equals("gift-voucher")) {
            basket.put("delivery", "tube");
        }
        return basket;
    }

    private JsonNode quoted(Map<String, Object> basket) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
    }

    private JsonNode bought(Map<String, Object> basket) {
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket,
                                quoted(basket).path("toPay").asString()));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(shop.anybody().pay(placed.json(), TestCard.APPROVED).status())
                .isEqualTo(200);
        return placed.json();
    }

    private String sold() throws Exception {
        JsonNode order = bought(basket("gift-voucher", Map.of("amount", "61.50"), List.of()));
        Soon.holds(() -> assertThat(papers(order)).singleElement().satisfies(paper -> {
            assertThat(paper.path("kind").asString()).as("no receipt").isEqualTo("invoice");
            assertThat(paper.path("gross").asString()).isEqualTo("61.50");
        }));
        assertThat(quoted(basket("gift-voucher", Map.of("amount", "61.50"), List.of()))
                        .path("tax")
                        .asString())
                .as("61.50 hold 11.50")
                .isEqualTo("11.50");
        return shop.anybody()
                .get("/api/counter/orders/" + order.path("token").asString())
                .json()
                .path("vouchers")
                .path(0)
                .path("code")
                .asString();
    }

    private List<JsonNode> papers(JsonNode order) {
        return owner.get(at(order) + "/papers").json().valueStream().toList();
    }

    private static String at(JsonNode order) {
        return Caller.SHOP + "/orders/" + order.path("number").asInt();
    }

    private BigDecimal balance(String code) {
        return owner.get(Caller.SHOP + "/vouchers")
                .json()
                .valueStream()
                .filter(voucher -> voucher.path("code").asString().equals(code))
                .map(voucher -> new BigDecimal(voucher.path("balance").asString()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void it_is_invoiced_when_it_is_sold_and_lowers_the_tax_of_what_it_buys() throws Exception {
        String code = sold();
        JsonNode without = quoted(basket("box-kite", Map.of(), List.of()));
        Map<String, Object> basket = basket("box-kite", Map.of(), List.of(code));
        JsonNode with = quoted(basket);
        assertThat(new BigDecimal(with.path("toPay").asString()))
                .isEqualByComparingTo(
                        new BigDecimal(without.path("toPay").asString()).subtract(new BigDecimal("61.50")));
        assertThat(new BigDecimal(with.path("tax").asString()))
                .isEqualByComparingTo(new BigDecimal(without.path("tax").asString()).subtract(new BigDecimal("11.50")));
        JsonNode order = bought(basket);
        assertThat(balance(code)).isEqualByComparingTo("0");
        owner.post(at(order) + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        Soon.holds(() -> assertThat(papers(order)).singleElement().satisfies(paper -> assertThat(
                        paper.path("gross").asString())
                .isEqualTo(with.path("toPay").asString())));
    }

    @Test
    void it_buys_nothing_else_and_says_what() throws Exception {
        String code = sold();
        assertThat(quoted(basket("kites-you-can-build", Map.of(), List.of(code)))
                        .path("refusedCodes")
                        .path(0)
                        .path("reason")
                        .asString())
                .contains("23 %")
                .contains("Ireland");
        assertThat(balance(code)).isEqualByComparingTo("61.50");
    }

    @Test
    void what_it_lost_is_given_back_to_it_once_and_at_most_that() throws Exception {
        String code = sold();
        JsonNode order = bought(basket("box-kite", Map.of(), List.of(code)));
        Map<String, String> twenty = Map.of("code", code, "was", "0.00", "amount", "20.00");
        Caller.Answer back = owner.post(at(order) + "/taken-vouchers", twenty);
        assertThat(back.json().path(0).path("back").asString()).as(back.text()).isEqualTo("20.00");
        assertThat(owner.post(at(order) + "/taken-vouchers", twenty).status())
                .as("pressed twice")
                .isEqualTo(409);
        Caller.Answer more =
                owner.post(at(order) + "/taken-vouchers", Map.of("code", code, "was", "20.00", "amount", "41.51"));
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.sentence()).contains("41.50");
        assertThat(balance(code)).isEqualByComparingTo("20.00");
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anySatisfy(letter ->
                        assertThat(letter.plain()).contains("€20.00").contains("on the voucher " + code + " again")));
        assertThat(owner.post(at(order) + "/cancel", Map.of()).status()).isEqualTo(200);
        assertThat(balance(code)).as("called off: all of it").isEqualByComparingTo("61.50");
    }
}
