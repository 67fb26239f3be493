package vestcoin.app.paper;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;

/** The particulars of form CN 23 of the Universal Postal Union, from memory, of an order that leaves the Union. */
@ExtendWith(RunningShop.class)
class CustomsTest {
    private final RunningShop.Running shop;

    CustomsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private String placed(Map<String, String> to) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "2")));
        basket.put("to", to);
        basket.put("delivery", "tube");
        basket.put("method", "transfer");
        Caller.Answer quote = shop.anybody().post(Caller.COUNTER + "/quote", Caller.quoting(basket));
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket,
                                quote.json().path("toPay").asString()));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        return Caller.SHOP + "/orders/" + placed.json().path("number").asInt();
    }

    @Test
    @Witness(value = "goods.products[].sending.tariff", felt = Felt.PAPER)
    @Witness(value = "goods.products[].sending.origin", felt = Felt.PAPER)
    void a_parcel_that_leaves_the_union_is_declared_with_code_origin_weight_and_value() throws Exception {
        String bare = placed(Map.of("country", "CH", "postcode", "8001"));
        assertThat(shop.owner().get(bare + "/customs").json().path("needed").asBoolean())
                .isTrue();
        assertThat(shop.owner().get(bare + "/customs").json().path("incomplete").toString())
                .contains("Wind sock");
        shop.owner()
                .post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(
                                        Map.of("path", "goods/products/wind-sock/sending/tariff", "now", "6307.90"),
                                        Map.of("path", "goods/products/wind-sock/sending/origin", "now", "IE"))));
        shop.owner().post(Caller.SHOP + "/draft/publish", Map.of());
        String order = placed(Map.of("country", "CH", "postcode", "8001"));
        assertThat(shop.owner().get(order + "/customs").json().path("incomplete"))
                .isEmpty();
        String page =
                new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/customs.pdf"))).getTextFromPage(1);
        assertThat(page)
                .contains("Customs declaration / Déclaration en douane")
                .contains("Tern and Tether Kites Ltd", "Test Buyer", "Switzerland")
                .contains("Wind sock", "6307.90", "Ireland", "Sale of goods")
                .containsPattern("Total gross weight[^:]*: [0-9.]+ kg")
                .contains("€");
        assertThat(shop.anybody().get(order + "/customs.pdf").status()).isEqualTo(401);
    }

    /** A group says it for all of its goods that say nothing themselves. */
    @Test
    @Witness(value = "goods.groups[].sending.tariff", felt = Felt.PAPER)
    @Witness(value = "goods.groups[].sending.origin", felt = Felt.PAPER)
    void what_a_group_says_is_declared_too() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "goods/groups/wind",
                        Map.of(
                                "id",
                                "wind",
                                "name",
                                "Wind things",
                                "sending",
                                Map.of("tariff", "6306.40", "origin", "PT")),
                        "goods/products/wind-sock/group",
                        "wind",
                        "goods/products/wind-sock/sending",
                        Map.of()));
        String order = placed(Map.of("country", "CH", "postcode", "8001"));
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/customs.pdf"))).getTextFromPage(1))
                .contains("6306.40", "Portugal");
    }

    @Test
    void within_the_union_there_is_nothing_to_declare() {
        String order = placed(Map.of("country", "DE", "postcode", "10115"));
        assertThat(shop.owner().get(order + "/customs").json().path("needed").asBoolean())
                .isFalse();
        assertThat(shop.owner().get(order + "/customs.pdf").status()).isEqualTo(404);
    }
}
