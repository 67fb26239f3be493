package vestcoin.app.subscription;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
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
import vestcoin.app.format.Json;
import vestcoin.app.message.Messages;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.post.PostRoom;

/** What is charged again: each date once, by the card the processor keeps, while time is let pass. */
@ExtendWith(RunningShop.class)
class RenewalsTest {
    private final RunningShop.Running shop;

    RenewalsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> club() {
        return new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "cloth-club", "quantity", "1", "options", Map.of("colour", "rust"))),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "letter",
                "method",
                "card"));
    }

    private Map<String, Object> placing(String email) {
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(club()))
                .json();
        Map<String, Object> placing = new LinkedHashMap<>(Caller.placing(
                UUID.randomUUID().toString(), club(), quote.path("toPay").asString()));
        Map<String, String> agreed = new HashMap<>(Caller.AGREED);
        quote.path("renewing")
                .forEach(each -> agreed.put(
                        each.path("kind").asString(), each.path("hash").asString()));
        placing.put("agreed", agreed);
        Map<String, Object> contact = new HashMap<>(
                Map.of("name", "Test Buyer", "email", email, "lines", List.of("1 Example Street"), "city", "Cork"));
        placing.put("contact", contact);
        return placing;
    }

    private JsonNode subscribed(TestCard card, String email) {
        JsonNode placed =
                shop.anybody().post(Caller.COUNTER + "/orders", placing(email)).json();
        assertThat(shop.anybody().pay(placed, card).status()).isEqualTo(200);
        return page(placed);
    }

    private JsonNode page(JsonNode placed) {
        Subscriptions.Subscription subscription = subscriptions()
                .ofOrder(shop.context()
                        .getBean(vestcoin.app.order.Orders.class)
                        .byToken(placed.path("token").asString())
                        .orElseThrow()
                        .id())
                .get(0);
        return read(subscription.token());
    }

    private Subscriptions subscriptions() {
        return shop.context().getBean(Subscriptions.class);
    }

    private JsonNode read(String token) {
        return shop.anybody().get("/api/counter/subscriptions/" + token).json();
    }

    private JsonNode read(JsonNode page) {
        return read(page.path("token").asString());
    }

    /** Lets days pass, and waits until all that is due has been done and told. */
    private void pass(int days) throws Exception {
        Caller owner = shop.owner();
        for (int day = 0; day < days; day++) {
            long ahead = owner.get(Caller.SHOP + "/practice/time")
                    .json()
                    .path("ahead")
                    .asLong();
            Caller.Answer answer = owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 1));
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }
        shop.context().getBean(Messages.class).settled();
        shop.context().getBean(Messages.class).settled();
    }

    private void passUntil(LocalDate day) throws Exception {
        pass((int) (day.toEpochDay() - today().toEpochDay()));
        // Between eleven and midnight, so many times 24 hours end a day early where the clocks went back meanwhile.
        if (today().isBefore(day)) {
            pass(1);
        }
    }

    private List<PostRoom.Letter> letters(String email) {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(email))
                .toList();
    }

    private static LocalDate next(JsonNode page) {
        return LocalDate.parse(page.path("next").asString());
    }

    @Test
    @Witness(
            value = "goods.products[].renews.every",
            felt = {Felt.ORDER_PAGE, Felt.LETTER, Felt.DESK})
    @Witness(
            value = "goods.products[].renews.unit",
            felt = {Felt.ORDER_PAGE, Felt.LETTER, Felt.DESK})
    void each_month_is_an_order_of_its_own_paid_by_the_card_that_is_kept() throws Exception {
        JsonNode page = subscribed(TestCard.APPROVED, "monthly@buyers.example");
        assertThat(page.path("state").asString()).isEqualTo("active");
        assertThat(page.path("each").asString()).isEqualTo("26.20");
        LocalDate start = today();
        LocalDate first = next(page);
        assertThat(first).isEqualTo(start.plusMonths(1));
        passUntil(first);
        passUntil(start.plusMonths(2));
        page = read(page);
        assertThat(page.path("dates")).hasSize(2).allSatisfy(date -> {
            assertThat(date.path("state").asString()).isEqualTo("paid");
            assertThat(date.path("amount").asString()).isEqualTo("26.20");
            String number = date.path("order").asString();
            assertThat(shop.cards().timesPaid(number)).isEqualTo(1);
        });
        Soon.holds(() -> assertThat(letters("monthly@buyers.example").stream()
                        .filter(letter -> letter.subject().contains("charged again")))
                .hasSize(2)
                .allSatisfy(letter -> assertThat(letter.plain())
                        .contains("€26.20")
                        .contains("The next charge is on")
                        .contains("/subscription/")));
        int number = page.path("dates").path(0).path("order").asInt();
        JsonNode order = shop.owner().get(Caller.SHOP + "/orders/" + number).json();
        assertThat(order.path("standing").asString()).isEqualTo("authorised");
        assertThat(order.path("payable").asString()).isEqualTo("26.20");
    }

    @Test
    void what_is_charged_each_time_is_agreed_to_before_and_kept() {
        Map<String, Object> placing = placing("agreed@buyers.example");
        @SuppressWarnings("unchecked")
        Map<String, String> agreed = (Map<String, String>) placing.get("agreed");
        String hash = agreed.remove("renewal-0");
        assertThat(hash).hasSize(64);
        Caller.Answer refused = shop.anybody().post(Caller.COUNTER + "/orders", placing);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.paths()).containsExactly("agreed/renewal-0");
        assertThat(refused.json()
                        .path("quote")
                        .path("renewing")
                        .path(0)
                        .path("text")
                        .asString())
                .contains("€26.20 each time")
                .contains("every month")
                .contains("stop at any time");
        agreed.put("renewal-0", hash);
        JsonNode placed =
                shop.anybody().post(Caller.COUNTER + "/orders", placing).json();
        JsonNode order = shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json();
        assertThat(order.path("agreed").toString()).contains("renewal-0").contains(hash);
    }

    @Test
    void only_a_way_that_can_be_charged_again_is_offered() {
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(club()))
                .json();
        assertThat(quote.path("methods"))
                .extracting(method -> method.path("kind").asString())
                .containsExactly("card");
    }

    @Test
    void a_declined_charge_is_tried_three_times_more_and_then_given_up() throws Exception {
        JsonNode page = subscribed(TestCard.DECLINED_LATER, "declined@buyers.example");
        LocalDate start = today();
        LocalDate first = next(page);
        passUntil(first);
        page = read(page);
        assertThat(page.path("trouble").asString()).contains("declined");
        assertThat(page.path("nextTry").asString()).isEqualTo(first.plusDays(1).toString());
        passUntil(first.plusDays(1));
        assertThat(read(page).path("nextTry").asString())
                .isEqualTo(first.plusDays(3).toString());
        passUntil(first.plusDays(3));
        assertThat(read(page).path("nextTry").asString())
                .isEqualTo(first.plusDays(5).toString());
        passUntil(first.plusDays(5));
        page = read(page);
        assertThat(page.path("state").asString()).isEqualTo("lapsed");
        List<PostRoom.Letter> letters = letters("declined@buyers.example");
        assertThat(letters.stream().filter(letter -> letter.subject().contains("could not be charged")))
                .hasSize(3);
        assertThat(letters.stream().filter(letter -> letter.subject().contains("has ended")))
                .hasSize(1);
        assertThat(letters("hello@tern-and-tether.example").stream()
                        .filter(letter -> letter.subject().contains("lapsed")))
                .hasSize(1);
        int number = page.path("dates").path(0).path("order").asInt();
        assertThat(shop.cards().timesPaid(String.valueOf(number))).isZero();
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders/" + number)
                        .json()
                        .path("cancelledAt")
                        .asString(""))
                .isNotEmpty();
        passUntil(start.plusMonths(3));
        assertThat(read(page).path("dates")).hasSize(1);
    }

    @Test
    void another_card_pays_what_was_declined_at_once() throws Exception {
        JsonNode page = subscribed(TestCard.DECLINED_LATER, "another@buyers.example");
        passUntil(next(page));
        page = read(page);
        JsonNode cards = page.path("cards");
        String token = Caller.cardToken(
                cards.path("url").asString(), cards.path("publicKey").asString(), TestCard.APPROVED);
        JsonNode after = shop.anybody()
                .post(
                        "/api/counter/subscriptions/" + page.path("token").asString() + "/card",
                        Map.of("cardToken", token))
                .json();
        assertThat(after.path("dates").path(0).path("state").asString())
                .as(after.toString())
                .isEqualTo("paid");
        assertThat(after.path("trouble").isMissingNode()
                        || after.path("trouble").isNull())
                .isTrue();
        assertThat(after.path("state").asString()).isEqualTo("active");
        Caller.Answer refused = shop.anybody()
                .post(
                        "/api/counter/subscriptions/" + page.path("token").asString() + "/card",
                        Map.of(
                                "cardToken",
                                Caller.cardToken(
                                        cards.path("url").asString(),
                                        cards.path("publicKey").asString(),
                                        TestCard.DECLINED)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.sentence()).isEqualTo("The card was not taken: declined by the bank");
    }

    @Test
    void a_date_left_out_is_not_charged_and_a_stop_holds_at_once() throws Exception {
        JsonNode page = subscribed(TestCard.APPROVED, "skipping@buyers.example");
        LocalDate start = today();
        LocalDate first = next(page);
        String at = "/api/counter/subscriptions/" + page.path("token").asString();
        JsonNode skipped = shop.anybody()
                .post(at + "/skip", Map.of("date", first.toString()))
                .json();
        assertThat(next(skipped)).isEqualTo(start.plusMonths(2));
        assertThat(shop.anybody()
                        .post(at + "/skip", Map.of("date", first.toString()))
                        .status())
                .as("the same date twice")
                .isEqualTo(409);
        passUntil(first);
        assertThat(read(page).path("dates"))
                .extracting(date -> date.path("state").asString())
                .containsExactly("skipped");
        JsonNode stopped = shop.anybody().post(at + "/stop", Map.of()).json();
        assertThat(stopped.path("state").asString()).isEqualTo("stopped");
        passUntil(start.plusMonths(2));
        assertThat(read(page).path("dates")).hasSize(1);
        assertThat(letters("skipping@buyers.example").stream()
                        .filter(letter -> letter.subject().contains("is stopped")))
                .hasSize(1);
        assertThat(shop.anybody()
                        .post(at + "/skip", Map.of("date", start.plusMonths(2).toString()))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void an_order_called_off_stops_what_it_began() {
        JsonNode page = subscribed(TestCard.APPROVED, "calledoff@buyers.example");
        int number = page.path("order").path("number").asInt();
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/orders/" + number + "/cancel", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(read(page).path("state").asString()).isEqualTo("stopped");
        assertThat(read(page).hasNonNull("next")).isFalse();
    }

    @Test
    void after_a_long_time_away_dates_are_charged_one_a_day_the_oldest_first() throws Exception {
        JsonNode page = subscribed(TestCard.APPROVED, "away@buyers.example");
        LocalDate first = next(page);
        Caller owner = shop.owner();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 100));
        assertThat(read(page).path("dates")).hasSize(1);
        assertThat(read(page).path("dates").path(0).path("day").asString()).isEqualTo(first.toString());
        pass(1);
        assertThat(read(page).path("dates")).hasSize(2);
        pass(1);
        assertThat(read(page).path("dates")).hasSize(3);
        pass(1);
        assertThat(read(page).path("dates")).hasSize(3);
    }

    @Test
    void a_clock_moved_by_two_at_once_moves_once() {
        Caller owner = shop.owner();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        assertThat(owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 1))
                        .status())
                .isEqualTo(200);
        Caller.Answer second = owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 1));
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.sentence()).isEqualTo("The clock was moved by somebody else meanwhile.");
        assertThat(owner.get(Caller.SHOP + "/practice/time")
                        .json()
                        .path("ahead")
                        .asLong())
                .isEqualTo(ahead + 86_400);
        assertThat(owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", -1))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void a_dearer_price_is_announced_and_holds_after_thirty_days_unless_stopped() throws Exception {
        JsonNode page = subscribed(TestCard.APPROVED, "dearer@buyers.example");
        LocalDate start = today();
        LocalDate first = next(page);
        Caller owner = shop.owner();
        price(owner, "22.00", "24.00");
        assertThat(owner.get(Caller.SHOP + "/subscriptions/price-change")
                        .json()
                        .path("dearer")
                        .asInt())
                .isPositive();
        assertThat(read(page).path("each").asString())
                .as("nothing changes by itself")
                .isEqualTo("26.20");
        owner.post(Caller.SHOP + "/subscriptions/announcement", Map.of("expressYes", false));
        page = read(page);
        LocalDate from = LocalDate.parse(page.path("announced").path("from").asString());
        assertThat(page.path("announced").path("each").asString()).isEqualTo("28.20");
        assertThat(from.toEpochDay() - today().toEpochDay()).isEqualTo(30);
        shop.context().getBean(Messages.class).settled();
        shop.context().getBean(Messages.class).settled();
        assertThat(letters("dearer@buyers.example").stream()
                        .filter(letter -> letter.subject().contains("a new price from")))
                .hasSize(1)
                .allSatisfy(letter -> assertThat(letter.plain()).contains("€28.20"));
        passUntil(first);
        boolean holds = !first.isBefore(from);
        assertThat(read(page).path("dates").path(0).path("amount").asString()).isEqualTo(holds ? "28.20" : "26.20");
        passUntil(start.plusMonths(2));
        assertThat(read(page).path("dates").path(0).path("amount").asString()).isEqualTo("28.20");
        price(owner, "24.00", "22.00");
    }

    private LocalDate today() {
        return LocalDate.ofInstant(
                shop.context().getBean(ApplicationClock.class).instant(), ZoneId.of("Europe/Dublin"));
    }

    private static void price(Caller owner, String was, String now) {
        change(owner, "goods/products/cloth-club/price", was, now);
        publish(owner);
    }

    private static void change(Caller owner, String path, Object was, Object now) {
        Caller.Answer answer = owner.post(
                Caller.SHOP + "/draft/edits", Map.of("edits", List.of(Map.of("path", path, "was", was, "now", now))));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private static void publish(Caller owner) {
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
    }

    @Test
    void taxes_follow_the_law_of_the_day_and_the_price_what_was_agreed() throws Exception {
        JsonNode page = subscribed(TestCard.APPROVED, "law@buyers.example");
        LocalDate first = next(page);
        Caller owner = shop.owner();
        Object twentyThree = Json.MAPPER.convertValue(
                owner.get(Caller.SHOP + "/draft").json().at("/document/tax/places/0/rates/gear"), Object.class);
        Object ten = Map.of("components", List.of(Map.of("name", "VAT", "percent", "10")));
        change(owner, "goods/products/cloth-club/price", "22.00", "30.00");
        change(owner, "tax/places/ireland/rates/gear", twentyThree, ten);
        publish(owner);
        passUntil(first);
        page = read(page);
        assertThat(page.path("dates").path(0).path("amount").asString()).isEqualTo("26.20");
        int number = page.path("dates").path(0).path("order").asInt();
        JsonNode order = shop.owner().get(Caller.SHOP + "/orders/" + number).json();
        // 26.20 with 10 % inside: 26.20 - 26.20 / 1.10.
        assertThat(new BigDecimal(order.path("quote").path("tax").path("value").asString()))
                .isEqualByComparingTo("2.38");
        change(owner, "goods/products/cloth-club/price", "30.00", "22.00");
        change(
                owner,
                "tax/places/ireland/rates/gear",
                Json.MAPPER.convertValue(
                        owner.get(Caller.SHOP + "/draft").json().at("/document/tax/places/0/rates/gear"), Object.class),
                twentyThree);
        publish(owner);
    }
}
