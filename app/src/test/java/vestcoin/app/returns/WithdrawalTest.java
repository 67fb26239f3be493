package vestcoin.app.returns;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.pay.TestCard;

/**
 * Withdrawing on the order's own page: once, confirmed by letter, with what is owed by Directive 2011/83/EU, Article
 * 13.
 */
@ExtendWith(RunningShop.class)
class WithdrawalTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    WithdrawalTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private JsonNode bought(boolean business) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(
                        Map.of("product", "box-kite", "quantity", "1"),
                        Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "next-day",
                "method",
                "card",
                "business",
                business));
        JsonNode placed = shop.anybody().buy(basket).json();
        shop.anybody().pay(placed, TestCard.APPROVED);
        return placed;
    }

    private static String own(JsonNode placed) {
        return "/api/counter/orders/" + placed.path("token").asString() + "/withdrawal";
    }

    private static String desk(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    @Test
    void a_consumer_withdraws_from_all_of_it_and_goods_and_the_standard_delivery_are_owed() throws Exception {
        JsonNode placed = bought(false);
        owner.post(desk(placed) + "/dispatch", Map.of("key", UUID.randomUUID().toString()));
        assertThat(shop.anybody().get(own(placed)).json().path("open").asString())
                .isEqualTo("withdrawal");
        JsonNode after = shop.anybody()
                .post(own(placed), Map.of("lines", List.of(), "note", "Too windy here."))
                .json();
        assertThat(after.path("declared").size()).isEqualTo(1);
        assertThat(after.path("open").isNull() || after.path("open").isMissingNode())
                .isTrue();
        JsonNode wished = owner.get(desk(placed) + "/withdrawals").json().path(0);
        assertThat(wished.path("declared").path("note").asString()).isEqualTo("Too windy here.");
        // 86.00 and 24.50, and of the 14.50 for the next day the 9.40 of the tube, which was the cheapest on offer.
        assertThat(wished.path("owed")
                        .valueStream()
                        .map(amount -> new java.math.BigDecimal(amount.asString()))
                        .reduce(java.math.BigDecimal.ZERO, java.math.BigDecimal::add))
                .isEqualByComparingTo("119.90");
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        assertThat(shop.services().post().letters().stream().filter(letter -> letter.subject()
                        .contains("Sending back from order "
                                + placed.path("number").asInt())))
                .hasSize(2)
                .allMatch(letter -> letter.plain().contains("Box kite and Kites You Can Build, book"));
        Map<String, String> parts = new HashMap<>();
        wished.path("owed")
                .properties()
                .forEach(item -> parts.put(item.getKey(), item.getValue().asString()));
        long payment = owner.get(desk(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        assertThat(owner.post(
                                desk(placed) + "/refund",
                                Map.of(
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "payment",
                                        payment,
                                        "amount",
                                        "119.90",
                                        "parts",
                                        parts))
                        .status())
                .isEqualTo(200);
        assertThat(owner.post(
                                desk(placed) + "/withdrawals/"
                                        + wished.path("declared").path("id").asLong() + "/settled",
                                "")
                        .json()
                        .path(0)
                        .path("declared")
                        .path("settledAt")
                        .asString())
                .isNotEmpty();
    }

    @Test
    void a_part_is_given_back_without_the_delivery_and_nothing_twice() {
        JsonNode placed = bought(false);
        shop.anybody().post(own(placed), Map.of("lines", List.of(1), "note", ""));
        assertThat(shop.anybody()
                        .post(own(placed), Map.of("lines", List.of(0), "note", ""))
                        .status())
                .isEqualTo(409);
        JsonNode owed = owner.get(desk(placed) + "/withdrawals").json().path(0).path("owed");
        assertThat(owed.valueStream().map(JsonNode::asString)).containsExactly("24.50");
    }

    @Test
    void a_business_and_an_order_nobody_paid_cannot_withdraw() {
        JsonNode business = bought(true);
        assertThat(shop.anybody()
                        .post(own(business), Map.of("lines", List.of(), "note", ""))
                        .status())
                .isEqualTo(409);
        JsonNode unpaid = shop.anybody().placeBook();
        assertThat(shop.anybody()
                        .post(own(unpaid), Map.of("lines", List.of(), "note", ""))
                        .status())
                .isEqualTo(409);
    }
}
