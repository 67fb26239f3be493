package vestcoin.app.orderdesk;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.carrier.Carrier;

/** Labels bought from the carrier: with the buyer's address, once, whatever it answers. */
@ExtendWith(RunningShop.class)
class LabelTest {
    private final RunningShop.Running shop;

    LabelTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private String placed() {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("lines", List.of(Map.of("product", "wind-sock", "quantity", "1")));
        basket.put("delivery", "tube");
        basket.put("method", "transfer");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        return Caller.SHOP + "/orders/"
                + shop.anybody()
                        .post(
                                Caller.COUNTER + "/orders",
                                Caller.placing(UUID.randomUUID().toString(), basket, toPay))
                        .json()
                        .path("number")
                        .asInt();
    }

    @Test
    void a_label_is_offered_bought_printed_and_kept() throws Exception {
        String order = placed();
        JsonNode offers = shop.owner().get(order + "/labels").json().path("offers");
        assertThat(offers).hasSizeGreaterThanOrEqualTo(2);
        JsonNode bought = shop.owner()
                .post(order + "/labels", Map.of("service", "parcel-day"))
                .json()
                .path("bought")
                .path(0);
        assertThat(bought.path("price").asString())
                .isEqualTo(offers.path(0).path("price").asString())
                .isEqualTo("6.40");
        String page = new PdfTextExtractor(new PdfReader(shop.owner()
                        .bytes(order + "/labels/" + bought.path("id").asLong())))
                .getTextFromPage(1);
        assertThat(page)
                .contains(
                        "Test Buyer",
                        "1 Example Street",
                        bought.path("tracking").asString());
        assertThat(shop.anybody()
                        .get(order + "/labels/" + bought.path("id").asLong())
                        .status())
                .isEqualTo(401);
        assertThat(shop.owner()
                        .get(placed() + "/labels/" + bought.path("id").asLong())
                        .status())
                .as("of another order")
                .isEqualTo(404);
    }

    /** What leaves another place is carried from there. */
    @Test
    @Witness(value = "delivery.dispatch[].at.postcode", felt = Felt.DESK)
    @Witness(value = "delivery.dispatch[].at.region", felt = Felt.DESK)
    void a_label_says_where_the_parcel_sets_out() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "delivery/dispatch",
                        List.of(Map.of(
                                "id",
                                "shed",
                                "name",
                                "Shed",
                                "at",
                                Map.of("country", "DE", "postcode", "10115", "region", "DE-BE"))),
                        "goods/products/wind-sock/sending/from",
                        "shed"));
        String order = placed();
        long bought = shop.owner()
                .post(order + "/labels", Map.of("service", "parcel-day"))
                .json()
                .path("bought")
                .path(0)
                .path("id")
                .asLong();
        assertThat(new PdfTextExtractor(new PdfReader(shop.owner().bytes(order + "/labels/" + bought)))
                        .getTextFromPage(1))
                .contains("From DE 10115 DE-BE");
        shop.owner().publish(Map.of("goods/products/wind-sock/sending", Map.of()));
    }

    @Test
    void one_that_was_asked_for_before_a_crash_is_asked_for_again_and_not_bought_twice() {
        String order = placed();
        Carrier carrier = shop.services().carrier();
        int before = carrier.sold();
        shop.owner().post(order + "/labels", Map.of("service", "parcel-next"));
        // As if the application had ended between the carrier's answer and its being written down.
        shop.context()
                .getBean(JdbcClient.class)
                .sql("update label set pdf = null, tracking = null where service = 'parcel-next'")
                .update();
        assertThat(shop.owner().get(order + "/labels").json().path("bought")).isEmpty();
        JsonNode again = shop.owner()
                .post(order + "/labels", Map.of("service", "parcel-next"))
                .json();
        assertThat(again.path("bought")).hasSize(1);
        assertThat(carrier.sold()).isEqualTo(before + 1);
    }

    @Test
    void what_the_carrier_refuses_is_said_and_nothing_is_bought() {
        String order = placed();
        Carrier carrier = shop.services().carrier();
        carrier.refuse(true);
        try {
            Caller.Answer refused = shop.owner().post(order + "/labels", Map.of("service", "parcel-day"));
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.sentence()).isEqualTo("A parcel is too heavy or too long.");
        } finally {
            carrier.refuse(false);
        }
        assertThat(shop.owner()
                        .post(order + "/labels", Map.of("service", "none"))
                        .sentence())
                .isEqualTo("There is no such service.");
        shop.owner().post(order + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        assertThat(shop.owner()
                        .post(order + "/labels", Map.of("service", "parcel-day"))
                        .status())
                .as("everything has left")
                .isEqualTo(409);
        assertThat(shop.owner().get(order + "/labels").json().path("bought")).isEmpty();
    }
}
