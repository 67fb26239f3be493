package vestcoin.app.service;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.measure.Measured;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.carrier.Carrier;

/** The carrier and the feed of exchange rates: asked, slow, silent, refusing. */
@ExtendWith(RunningShop.class)
class ServiceConnectionsTest {
    private final RunningShop.Running shop;

    ServiceConnectionsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeEach
    void forget() {
        shop.services().carrier().outage(false);
        shop.context().getBean(Carriers.class).forget(DemoShop.SHOP);
    }

    private JsonNode express(String quantity) {
        return express(shop.owner(), quantity);
    }

    private static JsonNode express(Caller owner, String quantity) {
        JsonNode ticket = owner.post(
                        Caller.SHOP + "/ticket",
                        Map.of(
                                "edits",
                                List.of(),
                                "order",
                                Map.of(
                                        "lines",
                                        List.of(Map.of("product", "kites-you-can-build", "quantity", quantity)),
                                        "to",
                                        Map.of("country", "IE", "postcode", "T12 X2A0"))))
                .json();
        return ticket.path("quote")
                .path("delivery")
                .valueStream()
                .filter(option -> option.path("id").asString().equals("express"))
                .findFirst()
                .orElseThrow();
    }

    /**
     * Eleven books of 0.62 kg weigh 6.82 kg: 11.80 for the first kilogram, 1.60 for each of six more, within the
     * country.
     */
    @Test
    void a_cell_with_a_quote_costs_what_the_carrier_answers() {
        assertThat(express("1").path("price").path("value").asString()).isEqualTo("11.80");
        JsonNode weight = shop.owner()
                .post(
                        Caller.SHOP + "/ticket",
                        Map.of(
                                "edits",
                                List.of(),
                                "order",
                                Map.of(
                                        "lines",
                                        List.of(Map.of("product", "kites-you-can-build", "quantity", "11")),
                                        "to",
                                        Map.of("country", "IE"))))
                .json()
                .path("quote")
                .path("weight")
                .path("value");
        int more = new BigDecimal(weight.asString())
                        .setScale(0, java.math.RoundingMode.CEILING)
                        .intValueExact()
                - 1;
        assertThat(express("11").path("price").path("value").asString())
                .isEqualTo(new BigDecimal("11.80")
                        .add(new BigDecimal("1.60").multiply(BigDecimal.valueOf(more)))
                        .toPlainString());
    }

    @Test
    void a_silent_carrier_leaves_the_other_price_and_says_so() {
        shop.services().carrier().outage(true);
        JsonNode express = express("2");
        assertThat(express.path("price").path("value").asString()).isEqualTo("34.00");
        assertThat(express.path("note").asString()).isNotEmpty();
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/carrier")
                        .json()
                        .path("trouble")
                        .asString())
                .startsWith("The carrier is not answering");
    }

    @Test
    void a_slow_carrier_holds_nobody_up_twice() {
        shop.services().carrier().delay(5_000);
        try {
            Caller owner = shop.owner();
            express(owner, "3");
            long took = Measured.shortest(3, 1_000, () -> assertThat(
                            express(owner, "3").path("price").path("value").asString())
                    .isEqualTo("34.00"));
            assertThat(took).as("ms, the failure is remembered").isLessThanOrEqualTo(1_000);
        } finally {
            shop.services().carrier().delay(0);
        }
    }

    @Test
    void a_key_the_carrier_does_not_know_is_not_kept_and_no_key_is_ever_told() {
        Caller owner = shop.owner();
        Caller.Answer wrong = owner.put(Caller.SHOP + "/carrier", Map.of("secret", "carrier-test-of-somebody-else"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.sentence()).isEqualTo("The carrier does not know this key.");
        Caller.Answer link = owner.get(Caller.SHOP + "/carrier");
        assertThat(link.json().path("connected").path("secretEndsWith").asString())
                .isEqualTo(Carrier.KEY.substring(Carrier.KEY.length() - 4));
        assertThat(link.text()).doesNotContain(Carrier.KEY);
        owner.delete(Caller.SHOP + "/carrier");
        assertThat(express("1").path("price").path("value").asString()).isEqualTo("34.00");
        assertThat(owner.put(Caller.SHOP + "/carrier", Map.of("secret", Carrier.KEY))
                        .json()
                        .path("services")
                        .size())
                .isEqualTo(2);
        assertThat(express("1").path("price").path("value").asString()).isEqualTo("11.80");
    }

    @Test
    void the_cost_line_grows_with_the_weight() {
        JsonNode costs = shop.owner()
                .get(Caller.SHOP + "/carrier/costs?country=DE&upTo=8")
                .json();
        List<BigDecimal> prices = new ArrayList<>();
        costs.path("parcel-day")
                .forEach(point -> prices.add(new BigDecimal(point.path("price").asString())));
        assertThat(prices).hasSize(16).isSorted();
        assertThat(prices.get(15)).isGreaterThan(prices.get(0));
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/carrier/costs?country=DE&upTo=100000")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void an_order_in_another_currency_is_priced_by_the_feed_and_keeps_its_day() {
        Caller owner = shop.owner();
        JsonNode rates = owner.post(Caller.SHOP + "/rates", Map.of()).json();
        assertThat(rates.path("rates").path("CHF").asString()).isEqualTo("0.9312");
        JsonNode quote = owner.post(
                        Caller.SHOP + "/ticket",
                        Map.of(
                                "edits",
                                List.of(),
                                "order",
                                Map.of(
                                        "lines",
                                        List.of(Map.of("product", "box-kite", "quantity", "1")),
                                        "to",
                                        Map.of("country", "CH", "postcode", "8001"),
                                        "currency",
                                        "CHF")))
                .json()
                .path("quote");
        assertThat(quote.path("currency").asString()).isEqualTo("CHF");
        shop.services().rates().outage(true);
        assertThat(owner.post(Caller.SHOP + "/rates", Map.of()).sentence())
                .isEqualTo("The feed of exchange rates is not answering.");
        shop.services().rates().outage(false);
        assertThat(owner.get(Caller.SHOP + "/rates")
                        .json()
                        .path("rates")
                        .path("CHF")
                        .asString())
                .as("the last ones stand")
                .isEqualTo("0.9312");
    }
}
