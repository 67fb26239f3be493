package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;

/** What belongs to units is a row at the counter; a confirmed business reads every row without tax, and it adds up. */
@ExtendWith(RunningShop.class)
class ReadNetTest {
    private final RunningShop.Running shop;

    ReadNetTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeEach
    void netForBusinessesAndADeposit() {
        if (shop.owner().get(Caller.SHOP + "/draft").text().contains("Reel deposit")) {
            return;
        }
        shop.owner()
                .publish(Map.of(
                        "tax/netForBusinesses",
                        true,
                        "goods/products/box-kite/perUnit/reel",
                        Map.of("id", "reel", "name", "Reel deposit", "amount", "2.00")));
    }

    private static Map<String, Object> basket(boolean business) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(
                        Map.of("product", "box-kite", "quantity", "2"),
                        Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "transfer",
                "business",
                business));
        if (business) {
            basket.put("taxNumber", "IE7654321B");
        }
        return basket;
    }

    private JsonNode quote(boolean business) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket(business)))
                .json();
    }

    private static BigDecimal amount(JsonNode node) {
        return new BigDecimal(node.asString("0"));
    }

    /** Lines − discounts + what is on top + delivery + fee, and the tax where it is added. */
    private static BigDecimal rows(JsonNode quote) {
        BigDecimal sum = BigDecimal.ZERO;
        for (JsonNode line : quote.path("lines")) {
            sum = sum.add(amount(line.path("amount")));
        }
        for (JsonNode discount : quote.path("discounts")) {
            sum = sum.subtract(amount(discount.path("amount")));
        }
        for (JsonNode levied : quote.path("perUnit")) {
            sum = sum.add(levied.path("inside").asBoolean() ? BigDecimal.ZERO : amount(levied.path("amount")));
        }
        for (JsonNode option : quote.path("delivery")) {
            sum = sum.add(option.path("chosen").asBoolean() ? amount(option.path("price")) : BigDecimal.ZERO);
        }
        sum = sum.add(amount(quote.path("fee")));
        return quote.path("prices").asString().equals("without-tax") ? sum.add(amount(quote.path("tax"))) : sum;
    }

    @Test
    void the_deposit_is_a_row_and_the_rows_come_to_the_total() {
        JsonNode person = quote(false);
        assertThat(person.path("prices").asString()).isEqualTo("with-tax");
        assertThat(person.path("perUnit").path(0).path("name").asString()).isEqualTo("Reel deposit");
        assertThat(amount(person.path("perUnit").path(0).path("amount"))).isEqualByComparingTo("4.00");
        assertThat(rows(person)).isEqualByComparingTo(amount(person.path("payable")));
    }

    @Test
    void a_business_pays_the_same_and_reads_it_without_tax_everywhere() throws InterruptedException {
        JsonNode person = quote(false);
        JsonNode business = quote(true);
        assertThat(amount(business.path("payable"))).isEqualByComparingTo(amount(person.path("payable")));
        assertThat(business.path("prices").asString()).isEqualTo("without-tax");
        assertThat(business.path("readNet").asBoolean()).isTrue();
        assertThat(amount(business.path("goods"))).isLessThan(amount(person.path("goods")));
        assertThat(rows(business)).isEqualByComparingTo(amount(business.path("payable")));

        JsonNode placed = shop.anybody().buy(basket(true)).json();
        JsonNode kept = shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json()
                .path("quote");
        assertThat(kept.path("prices").asString()).isEqualTo("without-tax");
        assertThat(rows(kept)).isEqualByComparingTo(amount(kept.path("payable")));
        Soon.holds(() -> assertThat(shop.services().post().letters()).anySatisfy(letter -> assertThat(letter.plain())
                .contains(placed.path("number").asString())
                .contains("Reel deposit")
                .contains(business.path("lines").path(0).path("amount").asString())));
    }
}
