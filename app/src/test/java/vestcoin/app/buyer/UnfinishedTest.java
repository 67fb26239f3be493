package vestcoin.app.buyer;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.post.PostRoom;

/** One reminder of a basket, a day later, and only to those who asked for it. */
@ExtendWith(RunningShop.class)
class UnfinishedTest {
    private final RunningShop.Running shop;

    UnfinishedTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    @BeforeEach
    void nothingIsKept() {
        sql().sql("delete from unfinished").update();
        sql().sql("delete from not_reminded").update();
    }

    private Caller.Answer leave(String email, boolean agreed) {
        return leave(UUID.nameUUIDFromBytes(email.getBytes(StandardCharsets.UTF_8)), email, agreed);
    }

    private Caller.Answer leave(UUID visit, String email, boolean agreed) {
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/unfinished",
                        Map.of(
                                "visit",
                                visit,
                                "email",
                                email,
                                "agreed",
                                agreed,
                                "language",
                                "en",
                                "left",
                                Map.of(
                                        "name",
                                        "Nora Sample",
                                        "basket",
                                        Map.of(
                                                "lines",
                                                List.of(Map.of("product", "kites-you-can-build", "quantity", "2")),
                                                "codes",
                                                List.of("KITES10")))));
    }

    private void hoursLater(int hours) {
        sql().sql("update unfinished set at = dateadd(hour, :hours, at)")
                .param("hours", -hours)
                .update();
        shop.context().getBean(Unfinished.class).remind();
    }

    private List<PostRoom.Letter> letters(String to) throws Exception {
        shop.context().getBean(Messages.class).settled();
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(to) && letter.subject().contains("basket"))
                .toList();
    }

    @Test
    void who_agreed_is_reminded_once_and_comes_back_to_the_basket() throws Exception {
        assertThat(leave("one@buyers.example", true).status()).isEqualTo(204);
        hoursLater(23);
        assertThat(letters("one@buyers.example")).as("not yet").isEmpty();
        hoursLater(1);
        hoursLater(1);
        leave("one@buyers.example", true);
        hoursLater(48);
        List<PostRoom.Letter> letters = letters("one@buyers.example");
        assertThat(letters).hasSize(1);
        assertThat(letters.get(0).plain()).contains("2 Kites You Can Build").contains("?never=");
        Matcher again = Pattern.compile("\\?again=([0-9a-f-]{36})")
                .matcher(letters.get(0).plain());
        assertThat(again.find()).isTrue();
        Caller.Answer basket = shop.anybody().get(Caller.COUNTER + "/unfinished/" + again.group(1));
        assertThat(basket.json()
                        .path("basket")
                        .path("lines")
                        .path(0)
                        .path("product")
                        .asString())
                .isEqualTo("kites-you-can-build");
        assertThat(basket.json().path("basket").path("codes").path(0).asString())
                .isEqualTo("KITES10");
        assertThat(basket.text()).as("the link shows no address").doesNotContain("buyers.example");
    }

    @Test
    void who_did_not_agree_or_took_it_back_is_not_written_to() throws Exception {
        leave("two@buyers.example", false);
        leave("three@buyers.example", true);
        leave("three@buyers.example", false);
        hoursLater(100);
        assertThat(letters("two@buyers.example")).isEmpty();
        assertThat(letters("three@buyers.example")).isEmpty();
    }

    @Test
    void what_cannot_be_kept_is_refused() {
        Map<String, Object> left = Map.of("name", "x".repeat(201), "basket", Map.of());
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/unfinished",
                                Map.of(
                                        "visit",
                                        UUID.randomUUID(),
                                        "email",
                                        "a@b.example",
                                        "agreed",
                                        true,
                                        "left",
                                        left))
                        .paths())
                .containsExactly("left");
        assertThat(leave("nobody", true).paths()).containsExactly("email");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "/unfinished/" + "0".repeat(36))
                        .status())
                .isEqualTo(410);
    }

    @Test
    void who_ordered_since_is_not_reminded() throws Exception {
        leave("buyer@buyers.example", true);
        shop.anybody().placeBook();
        hoursLater(30);
        assertThat(letters("buyer@buyers.example")).isEmpty();
        assertThat(sql().sql("select count(*) from unfinished")
                        .query(Long.class)
                        .single())
                .isZero();
    }

    private JsonNode seen() {
        return shop.owner().get(Caller.SHOP + "/unfinished").json().path("baskets");
    }

    @Test
    void the_seller_sees_what_was_left_and_whom_to_remind_and_nobody_who_did_not_agree() throws Exception {
        leave(UUID.randomUUID(), "", false);
        leave("five@buyers.example", false);
        leave("six@buyers.example", true);
        JsonNode baskets = seen();
        assertThat(baskets.size()).isEqualTo(3);
        assertThat(baskets.path(0).path("buyer").asString()).isEqualTo("six@buyers.example");
        assertThat(baskets.path(0).path("remindAt").asString()).isNotEmpty();
        assertThat(baskets.path(1).path("buyer").isMissingNode()
                        || baskets.path(1).path("buyer").isNull())
                .as("who did not agree is not kept")
                .isTrue();
        assertThat(baskets.path(1).path("things").path(0).asString()).isEqualTo("2 Kites You Can Build, book");
        assertThat(baskets.path(1).path("worth").asString()).isEqualTo("49.00");
        assertThat(sql().sql("select basket from unfinished where buyer is null")
                        .query(String.class)
                        .list())
                .noneMatch(basket -> basket.contains("Nora"));
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/unfinished/"
                                        + baskets.path(1).path("id").asLong() + "/remind",
                                Map.of())
                        .status())
                .as("nobody agreed")
                .isEqualTo(409);
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/unfinished/"
                                        + baskets.path(0).path("id").asLong() + "/remind",
                                Map.of())
                        .status())
                .isEqualTo(204);
        assertThat(letters("six@buyers.example")).hasSize(1);
        assertThat(seen().path(0).path("remindedAt").asString()).isNotEmpty();
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/unfinished/"
                                        + baskets.path(0).path("id").asLong() + "/remind",
                                Map.of())
                        .status())
                .as("only once")
                .isEqualTo(409);
    }

    @Test
    void where_the_shop_reminds_nobody_any_more_a_basket_is_seen_and_nobodys() throws Exception {
        leave("eight@buyers.example", true);
        shop.owner().publish(Map.of("terms/asking/remindAfter", JsonNodeFactory.instance.nullNode()));
        long id = seen().path(0).path("id").asLong();
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/unfinished/" + id + "/remind", Map.of())
                        .status())
                .as("nothing is written, and that is said")
                .isEqualTo(409);
        hoursLater(48);
        assertThat(letters("eight@buyers.example")).isEmpty();
        assertThat(seen().size()).isEqualTo(1);
        assertThat(seen().path(0).path("buyer").asString("")).isEmpty();
        shop.owner().publish(Map.of("terms/asking/remindAfter", 24));
    }

    @Test
    void what_is_left_is_named_with_its_choices() {
        shop.anybody()
                .post(
                        Caller.COUNTER + "/unfinished",
                        Map.of(
                                "visit",
                                UUID.randomUUID(),
                                "agreed",
                                false,
                                "left",
                                Map.of(
                                        "basket",
                                        Map.of(
                                                "lines",
                                                List.of(
                                                        Map.of(
                                                                "product",
                                                                "delta-kite",
                                                                "quantity",
                                                                "1",
                                                                "options",
                                                                Map.of("size", "large")),
                                                        Map.of("product", "gone", "quantity", "1"))))));
        assertThat(seen().path(0).path("things").toString()).isEqualTo("[\"1 Delta kite, 2.4 m\"]");
        assertThat(seen().path(0).path("worth").isMissingNode()
                        || seen().path(0).path("worth").isNull())
                .as("one of them is gone")
                .isTrue();
    }

    @Test
    void one_browser_has_one_basket_and_ordering_it_takes_it_away() {
        UUID visit = UUID.randomUUID();
        leave(visit, "", false);
        leave(visit, "", false);
        assertThat(seen().size()).isEqualTo(1);
        Map<String, Object> order =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), new HashMap<>(Caller.book()), "31.40"));
        order.put("visit", visit);
        Caller.Answer placed = shop.anybody().post(Caller.COUNTER + "/orders", order);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(seen().size()).isZero();
    }

    @Test
    @Witness(value = "terms.asking.remindWith.discount", felt = Felt.LETTER)
    @Witness(value = "terms.asking.remindWith.days", felt = Felt.LETTER)
    void a_reminder_carries_a_code_of_its_own_good_once_and_until_a_day() throws Exception {
        shop.owner().publish(Map.of("terms/asking/remindWith", Map.of("discount", "spring10", "days", 7)));
        leave("seven@buyers.example", true);
        hoursLater(24);
        String letter = letters("seven@buyers.example").get(0).plain();
        Matcher code = Pattern.compile("[A-Z0-9]{4}-[A-Z0-9]{4}-[A-Z0-9]{4}").matcher(letter);
        assertThat(code.find()).as(letter).isTrue();
        Matcher again = Pattern.compile("\\?again=([0-9a-f-]{36})").matcher(letter);
        assertThat(again.find()).isTrue();
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "/unfinished/" + again.group(1))
                        .json()
                        .path("basket")
                        .path("codes")
                        .toString())
                .as("the way back brings it along")
                .contains(code.group());
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put(
                "lines", List.of(Map.of("product", "delta-kite", "quantity", "1", "options", Map.of("size", "small"))));
        basket.put("codes", List.of(code.group()));
        assertThat(refused(basket)).isEmpty();
        sql().sql("update discount_code set ends = dateadd(day, -8, ends) where code = :code")
                .param("code", code.group())
                .update();
        assertThat(refused(basket)).contains("This code has ended.");
    }

    private String refused(Map<String, Object> basket) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("refusedCodes")
                .path(0)
                .path("reason")
                .asString("");
    }

    @Test
    void who_wants_no_such_letter_never_gets_another() throws Exception {
        leave("four@buyers.example", true);
        hoursLater(24);
        Matcher never = Pattern.compile("\\?never=([0-9a-f-]{36})")
                .matcher(letters("four@buyers.example").get(0).plain());
        assertThat(never.find()).isTrue();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/unfinished/" + never.group(1) + "/never", Map.of())
                        .status())
                .isEqualTo(204);
        sql().sql("delete from unfinished").update();
        leave("Four@Buyers.example", true);
        hoursLater(48);
        assertThat(letters("four@buyers.example")).hasSize(1);
        assertThat(letters("Four@Buyers.example")).isEmpty();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/unfinished/" + "0".repeat(36) + "/never", Map.of())
                        .status())
                .isEqualTo(410);
    }
}
