package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.pay.TestCard;

/** A parcel goes to a shop of the carrier's that the buyer picked, the invoice to the buyer. */
@ExtendWith(RunningShop.class)
class ParcelShopsTest {
    private static final String NEAR = Caller.COUNTER + "/parcel-shops?country=IE&postcode=T12%20X2A0";
    private final RunningShop.Running shop;

    ParcelShopsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeEach
    void tubesGoToParcelShops() {
        shop.owner().publish(Map.of("delivery/options/tube/parcelShop", true));
    }

    private Caller.Answer placed(String picked, Map<String, Object> more) {
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40"));
        Map<String, Object> wishes = new HashMap<>(Map.of("parcelShop", picked));
        wishes.putAll(more);
        placing.put(
                "contact",
                Map.of(
                        "name",
                        "Test Buyer",
                        "email",
                        "buyer@buyers.example",
                        "lines",
                        List.of("1 Example Street"),
                        "city",
                        "Cork",
                        "wishes",
                        wishes));
        return shop.anybody().post(Caller.COUNTER + "/orders", placing);
    }

    @Test
    @Witness(
            value = "delivery.options[].parcelShop",
            felt = {Felt.COUNTER, Felt.ORDER_PAGE, Felt.PAPER, Felt.DESK})
    void what_goes_to_a_parcel_shop_bears_its_address_and_the_invoice_the_buyers() throws Exception {
        assertThat(shop.anybody()
                        .get(Caller.COUNTER)
                        .json()
                        .path("toParcelShops")
                        .toString())
                .isEqualTo("[\"tube\"]");
        JsonNode shops = shop.anybody().get(NEAR).json();
        assertThat(shops).hasSize(3);
        JsonNode second = shops.path(1);
        Map<String, Object> own = Map.of(
                "invoice",
                Map.of(
                        "name", "Test Buyer",
                        "lines", List.of("1 Example Street"),
                        "city", "Cork",
                        "postcode", "T12 X2A0",
                        "country", "IE"));
        assertThat(placed("", Map.of()).paths()).containsExactly("contact/wishes/parcelShop");
        assertThat(placed("made-up", own).paths()).containsExactly("contact/wishes/parcelShop");
        assertThat(placed(second.path("id").asString(), Map.of()).paths()).containsExactly("contact/wishes/invoice");
        Caller.Answer answer = placed(second.path("id").asString(), own);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        JsonNode placed = answer.json();
        assertThat(placed.path("address").path("lines").toString())
                .contains(second.path("name").asString())
                .contains(second.path("lines").path(0).asString());
        assertThat(placed.path("invoice").path("lines").toString()).contains("1 Example Street");
        shop.anybody().pay(placed, TestCard.APPROVED);
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/slip.pdf"))).getTextFromPage(1))
                .contains(second.path("name").asString(), "Test Buyer");
        assertThat(shop.owner().get(order).text()).contains(second.path("name").asString());
    }

    @Test
    void while_the_carrier_is_silent_there_are_none() {
        shop.services().carrier().outage(true);
        try {
            assertThat(shop.anybody()
                            .get(Caller.COUNTER + "/parcel-shops?country=IE&postcode=H91%20X2A0")
                            .json())
                    .isEmpty();
        } finally {
            shop.services().carrier().outage(false);
        }
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "/parcel-shops?country=IE&postcode=")
                        .json())
                .isEmpty();
    }
}
