package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/**
 * A kite school in Berlin at the counter: its tax number decides the tax once the register has confirmed it. Source:
 * Directive 2006/112/EC, Art. 138.
 */
@ExtendWith(RunningShop.class)
class BusinessTest {
    private final RunningShop.Running shop;

    BusinessTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeEach
    @AfterEach
    void registerAnswers() {
        shop.services().register().outage(false);
    }

    private static Map<String, Object> basket(boolean business, String number) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "2")),
                "to",
                Map.of("country", "DE", "postcode", "10115"),
                "delivery",
                "tube",
                "method",
                "account",
                "business",
                business));
        basket.put("taxNumber", number);
        return basket;
    }

    private JsonNode quote(boolean business, String number) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket(business, number)))
                .json();
    }

    @Test
    void a_confirmed_number_takes_the_tax_off_and_says_why() {
        JsonNode person = quote(false, "");
        JsonNode school = quote(true, "DE 123 456 789");
        assertThat(person.path("tax").asString()).isNotEqualTo("0.00");
        assertThat(school.path("tax").asString()).isEqualTo("0.00");
        assertThat(school.path("whose").size()).isEqualTo(1);
        assertThat(school.path("taxNumber").isNull() || school.path("taxNumber").isMissingNode())
                .isTrue();
    }

    @Test
    void a_denied_a_malformed_and_an_unasked_number_are_taxed_as_a_person_and_said() {
        String tax = quote(false, "").path("tax").asString();
        JsonNode denied = quote(true, "DE111111110");
        assertThat(denied.path("taxNumber").asString()).startsWith("The register does not know this tax number");
        assertThat(denied.path("tax").asString()).isEqualTo(tax);
        assertThat(quote(true, "kites").path("taxNumber").asString()).startsWith("“kites” is not a tax number");
        shop.services().register().outage(true);
        JsonNode silent = quote(true, "DE222222222");
        assertThat(silent.path("taxNumber").asString()).startsWith("The register of tax numbers is not answering");
        assertThat(silent.path("tax").asString()).isEqualTo(tax);
    }

    /**
     * On account the invoice is issued when the goods leave; within the Union it names both numbers, and bears no tax.
     */
    @Test
    void an_order_on_account_is_invoiced_when_it_leaves_and_paid_later() throws Exception {
        JsonNode quote = quote(true, "DE123456789");
        JsonNode placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket(true, "DE123456789"),
                                quote.path("toPay").asString()))
                .json();
        assertThat(placed.path("kind").asString()).isEqualTo("on-account");
        BigDecimal due = new BigDecimal(placed.path("slip").path("amount").asString());
        assertThat(due).isEqualByComparingTo(quote.path("toPay").asString());
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        Caller owner = shop.owner();
        assertThat(owner.get(order + "/papers").json().size()).isZero();
        owner.post(order + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        JsonNode papers = owner.get(order + "/papers").json();
        for (int i = 0; i < 50 && papers.isEmpty(); i++) {
            Thread.sleep(100);
            papers = owner.get(order + "/papers").json();
        }
        // Paid in part, the page has a new code for what is left.
        assertThat(owner.post(
                                order + "/surplus",
                                Map.of(
                                        "payment",
                                        owner.get(order)
                                                .json()
                                                .path("payments")
                                                .path(0)
                                                .path("id")
                                                .asLong(),
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "amount",
                                        "30.00"))
                        .status())
                .isEqualTo(200);
        JsonNode slip = shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json()
                .path("slip");
        assertThat(new BigDecimal(slip.path("amount").asString()))
                .isEqualByComparingTo(due.subtract(new BigDecimal(30)));
        assertThat(slip.path("code").asString())
                .isNotEmpty()
                .isNotEqualTo(placed.path("slip").path("code").asString());
        String xml = owner.get(
                        order + "/papers/" + papers.path(0).path("number").asString() + ".xml")
                .text();
        assertThat(xml)
                .contains("IE1234567T")
                .contains("DE123456789")
                .contains(">K<")
                .contains("VATEX-EU-IC")
                .contains("ActualDeliveryDate");
    }

    /** Two box kites within the Union come to 139.84 or so each time; a buyer may owe 900. */
    @Test
    void nobody_owes_more_than_the_limit() {
        String mail = "owing@buyers.example";
        int placed = 0;
        Caller.Answer answer = null;
        for (int i = 0; i < 12 && (answer == null || answer.status() == 200); i++) {
            JsonNode quote = quote(true, "DE123456789");
            Map<String, Object> placing = new HashMap<>(Caller.placing(
                    UUID.randomUUID().toString(),
                    basket(true, "DE123456789"),
                    quote.path("toPay").asString()));
            placing.put(
                    "contact",
                    Map.of("name", "A School", "email", mail, "lines", List.of("1 Example Street"), "city", "Berlin"));
            answer = shop.anybody().post(Caller.COUNTER + "/orders", placing);
            placed += answer.status() == 200 ? 1 : 0;
        }
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.sentence()).isEqualTo("The way of paying chosen is not open to this order.");
        assertThat(placed).isBetween(3, 10);
    }

    private JsonNode collecting(String slot) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "H91 X2A0"),
                "delivery",
                "pickup-workshop",
                "method",
                "cash"));
        if (slot != null) {
            basket.put("slot", slot);
        }
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        Caller.Answer answer = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket,
                                quote.path("toPay").asString()));
        return answer.json();
    }

    private JsonNode slots() {
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
                                "to",
                                Map.of("country", "IE", "postcode", "H91 X2A0"),
                                "delivery",
                                "pickup-workshop")))
                .json()
                .path("delivery")
                .valueStream()
                .filter(option -> option.path("id").asString().equals("pickup-workshop"))
                .findFirst()
                .orElseThrow()
                .path("slots");
    }

    @Test
    void a_slot_is_chosen_and_holds_no_more_than_its_capacity() {
        assertThat(collecting(null).path("detail").asString()).startsWith("No time is chosen.");
        JsonNode first = slots().path(0);
        String start = first.path("start").asString();
        int left = first.path("left").asInt();
        assertThat(left).isPositive();
        List<JsonNode> tries = java.util.stream.IntStream.range(0, 64)
                .mapToObj(i -> java.util.concurrent.CompletableFuture.supplyAsync(() -> collecting(start)))
                .toList()
                .stream()
                .map(java.util.concurrent.CompletableFuture::join)
                .toList();
        assertThat(tries.stream().filter(each -> each.path("number").asInt(0) > 0))
                .hasSize(left);
        assertThat(slots().valueStream().map(each -> each.path("start").asString()))
                .doesNotContain(start);
        assertThat(tries.stream()
                        .filter(each -> each.path("number").asInt(0) > 0)
                        .findFirst()
                        .orElseThrow()
                        .path("kind")
                        .asString())
                .isEqualTo("cash-at-pickup");
    }
}
