package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** Codes made at random for a discount: each for one order, free again when that is called off. */
@ExtendWith(RunningShop.class)
class SingleUseCodesTest {
    private static final String CODES = Caller.SHOP + "/discounts/spring10/codes";

    private final RunningShop.Running shop;
    private final Caller owner;

    SingleUseCodesTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private List<String> lines() {
        return owner.get(CODES + ".csv").text().lines().toList();
    }

    private String fresh() {
        owner.post(CODES, Map.of("count", 1));
        return lines().stream()
                .filter(line -> line.endsWith(","))
                .map(line -> line.substring(0, line.length() - 1))
                .findFirst()
                .orElseThrow();
    }

    private static Map<String, Object> basket(String... codes) {
        return new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "transfer",
                "codes",
                List.of(codes)));
    }

    private JsonNode quote(String... codes) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket(codes)))
                .json();
    }

    private Caller.Answer place(String expected, String... codes) {
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket(codes), expected));
    }

    @Test
    void so_many_are_made_as_are_wanted_and_taken_out_as_csv() {
        int before = owner.get(CODES).json().path("all").asInt();
        Caller.Answer made = owner.post(CODES, Map.of("count", 250));
        assertThat(made.json().path("all").asInt()).as(made.text()).isEqualTo(before + 250);
        assertThat(lines().subList(1, lines().size()))
                .hasSize(before + 250)
                .doesNotHaveDuplicates()
                .allMatch(line ->
                        line.matches("[ACDEFGHJKLMNPQRTUVWXY34679]{4}(-[ACDEFGHJKLMNPQRTUVWXY34679]{4}){2},\\d*"));
        assertThat(owner.post(CODES, Map.of("count", 0)).status()).isEqualTo(422);
        assertThat(owner.post(CODES, Map.of("count", 5001)).status()).isEqualTo(422);
        assertThat(owner.post(Caller.SHOP + "/discounts/nothing/codes", Map.of("count", 1))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void one_is_good_for_one_order_and_free_again_when_that_is_called_off() {
        String code = fresh();
        JsonNode with = quote(code.toLowerCase(java.util.Locale.ROOT));
        String toPay = with.path("toPay").asString();
        assertThat(new BigDecimal(quote().path("toPay").asString()).subtract(new BigDecimal(toPay)))
                .as("ten percent of 86.00")
                .isEqualByComparingTo("8.60");
        assertThat(with.toString()).as("what it stands for is not told").doesNotContain("\"SPRING10\"");

        JsonNode order = place(toPay, code).json();
        assertThat(order.path("number").asInt()).isPositive();
        assertThat(lines()).contains(code + "," + order.path("number").asInt());
        assertThat(quote(code).path("refusedCodes").path(0).path("reason").asString())
                .isEqualTo("This code was good for one order and has been used.");
        assertThat(place(toPay, code).status())
                .as("by somebody who saw it before")
                .isEqualTo(409);

        assertThat(owner.post(Caller.SHOP + "/orders/" + order.path("number").asInt() + "/cancel", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(quote(code).path("toPay").asString()).isEqualTo(toPay);
    }

    @Test
    void of_two_orders_at_once_one_gets_it() throws Exception {
        String code = fresh();
        String toPay = quote(code).path("toPay").asString();
        List<Integer> answers = java.util.stream.IntStream.range(0, 6)
                .parallel()
                .mapToObj(i -> place(toPay, code).status())
                .toList();
        assertThat(answers).filteredOn(status -> status == 200).hasSize(1);
        assertThat(answers).filteredOn(status -> status != 200).allMatch(status -> status == 409);
    }
}
