package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.pay.TestCard;

/**
 * One box kite (86.00, ordinary rate) and one book (24.50, no Irish tax) bought from every kind of place the demo sells
 * to. Totals are pinned with their reasons; the tax of each is worked out beside it by hand from the published rates:
 * Ireland 23 % and 0 % on books, Germany 19 % and 7 %, the United Kingdom 20 % and 0 %. Exchange rates are the
 * simulated feed's.
 */
@ExtendWith(RunningShop.class)
class NinePlacesTest {
    private final RunningShop.Running shop;

    NinePlacesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> to(String country, String postcode) {
        return Map.of("country", country, "postcode", postcode);
    }

    static Stream<Arguments> places() {
        return Stream.of(
                // 3.00 to 3 km. Its share of the kite is 3.00 × 86.00 ÷ 110.50 = 2.33; 88.33 × 23 ÷ 123 = 16.52.
                Arguments.of(
                        "Galway by cargo bike", to("IE", "H91 X2A0"), "local", "card", Map.of(), "113.50", "16.52", ""),
                // Collecting is free; 86.00 × 23 ÷ 123 = 16.08.
                Arguments.of(
                        "the market stall",
                        to("IE", "H91 X2A0"),
                        "pickup-market",
                        "cash",
                        Map.of(),
                        "110.50",
                        "16.08",
                        ""),
                // 9.40 by tube, 7.32 of it with the kite; 93.32 × 23 ÷ 123 = 17.45.
                Arguments.of("Dublin", to("IE", "D02 X285"), "tube", "card", Map.of(), "119.90", "17.45", ""),
                // Northern Ireland is the Union's for goods, at the United Kingdom's rates: 9.26 of 11.90; 95.26 × 20 ÷
                // 120 = 15.88.
                Arguments.of("Belfast", to("GB", "BT1 5GS"), "tube", "card", Map.of(), "122.40", "15.88", ""),
                // By the one-stop shop at Germany's rates: 100.16 × 19 ÷ 119 = 15.99 and, for the book, 28.54 × 7 ÷ 107
                // = 1.87.
                Arguments.of("Berlin, a person", to("DE", "10115"), "tube", "card", Map.of(), "128.70", "17.86", ""),
                // 86.00 without its 23 % is 69.92, the book stays; of the tube's 18.20 the kite bears 14.16 as a
                // person's would, 11.51 without tax, the book 4.04.
                Arguments.of(
                        "Berlin, a school",
                        to("DE", "10115"),
                        "tube",
                        "account",
                        Map.of("business", true, "taxNumber", "DE123456789"),
                        "109.97",
                        "0.00",
                        "the buyer declares it"),
                // Outside of the Union's VAT territory, though in Spain.
                Arguments.of(
                        "the Canary Islands",
                        to("ES", "35001"),
                        "tube",
                        "card",
                        Map.of(),
                        "134.50",
                        "0.00",
                        "Canary Islands: exported without tax"),
                // 0.9312 francs a euro and 2 %: 81.68 and 23.27, to the nearest five; the tube 22.00 is 20.90.
                Arguments.of(
                        "Zürich in francs",
                        to("CH", "8001"),
                        "tube",
                        "card",
                        Map.of("currency", "CHF"),
                        "125.85",
                        "0.00",
                        "exported without tax"),
                // 1.1586 dollars a euro and 2.5 %, prices to the next whole dollar.
                Arguments.of(
                        "New York",
                        Map.of("country", "US", "region", "US-NY", "postcode", "10001"),
                        "tube",
                        "card",
                        Map.of("currency", "USD"),
                        "178.13",
                        "0.00",
                        "exported without tax"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("places")
    void is_bought_from(
            String place,
            Map<String, Object> to,
            String delivery,
            String method,
            Map<String, Object> more,
            String payable,
            String tax,
            String reason) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(
                        Map.of("product", "box-kite", "quantity", "1"),
                        Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                to,
                "delivery",
                delivery,
                "method",
                method));
        basket.putAll(more);
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.path("payable").asString()).isEqualTo(payable);
        assertThat(quote.path("tax").asString()).isEqualTo(tax);
        assertThat(quote.path("whose").valueStream().map(JsonNode::asString).reduce("", String::concat))
                .contains(reason);
        quote.path("delivery")
                .valueStream()
                .filter(option -> option.path("chosen").asBoolean()
                        && !option.path("slots").isEmpty())
                .findFirst()
                .ifPresent(option -> basket.put(
                        "slot", option.path("slots").path(0).path("start").asString()));
        Caller.Answer answer = shop.anybody().buy(basket);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        JsonNode placed = answer.json();
        if (method.equals("card")) {
            assertThat(shop.anybody()
                            .pay(placed, TestCard.APPROVED)
                            .json()
                            .path("standing")
                            .asString())
                    .isEqualTo("authorised");
        } else {
            assertThat(placed.path("standing").asString()).isEqualTo("waiting");
        }
        JsonNode order = shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json();
        assertThat(order.path("payable").asString()).isEqualTo(payable);
    }
}
