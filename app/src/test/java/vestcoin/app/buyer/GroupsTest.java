package vestcoin.app.buyer;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.message.Messages;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.post.PostRoom;

/** Groups of buyers: by list, by code, on request; their prices hold once the address is shown to be theirs. */
@ExtendWith(RunningShop.class)
class GroupsTest {
    private static final Pattern KEY = Pattern.compile("/me\\?key=([A-Za-z0-9_-]{43})");
    private static final String MEMBERS = Caller.SHOP + "/members";
    private static final String GROUP = Caller.COUNTER + "/me/group";

    private final RunningShop.Running shop;
    private final Caller owner;

    GroupsTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private Caller signedIn(String email) throws Exception {
        Caller caller = shop.anybody();
        assertThat(caller.post(Caller.COUNTER + "/me/letter", Map.of("email", email))
                        .status())
                .isEqualTo(202);
        shop.context().getBean(Messages.class).settled();
        Matcher key = KEY.matcher(lettersTo(email).stream()
                .map(PostRoom.Letter::plain)
                .filter(text -> text.contains("/me?key="))
                .findFirst()
                .orElseThrow());
        assertThat(key.find()).isTrue();
        assertThat(caller.post(Caller.COUNTER + "/me/session", Map.of("key", key.group(1)))
                        .status())
                .isEqualTo(204);
        return caller;
    }

    private List<PostRoom.Letter> lettersTo(String email) {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(email))
                .toList();
    }

    private static JsonNode counter(Caller caller) {
        return caller.get(Caller.COUNTER).json();
    }

    private static String boxKite(Caller caller) {
        return counter(caller).path("goods").path("prices").path("box-kite").asString();
    }

    private static Map<String, Object> basket() {
        return new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "transfer"));
    }

    private static JsonNode quote(Caller caller) {
        return caller.post(Caller.COUNTER + "/quote", Caller.quoting(basket())).json();
    }

    private Caller.Answer put(String emails) {
        return owner.put(MEMBERS, Map.of("group", "kite-schools", "emails", emails));
    }

    /** 86.00 less 12 % are 75.68. */
    @Test
    void who_is_on_the_list_pays_the_groups_prices_once_signed_in() throws Exception {
        Caller.Answer added = put("Name;E-mail\n\"One\";<one@members.example>\n\"Two\";two@members.example\n");
        assertThat(added.json().path("added").asInt()).as(added.text()).isEqualTo(2);
        assertThat(put("one@members.example").json().path("added").asInt())
                .as("there already")
                .isZero();
        Caller buyer = signedIn("one@members.example");
        assertThat(boxKite(shop.anybody())).isEqualTo("86.00");
        assertThat(boxKite(buyer)).isEqualTo("75.68");
        assertThat(counter(buyer).path("buyerGroup").asString()).isEqualTo("Kite schools");
        assertThat(counter(shop.anybody()).path("buyerGroup").asString("")).isEmpty();
        String toPay = quote(buyer).path("toPay").asString();
        assertThat(new BigDecimal(quote(shop.anybody()).path("toPay").asString()).subtract(new BigDecimal(toPay)))
                .isEqualByComparingTo("10.32");

        Caller.Answer placed = buyer.post(
                Caller.COUNTER + "/orders", Caller.placing(UUID.randomUUID().toString(), basket(), toPay));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(owner.get(Caller.SHOP + "/orders/"
                                + placed.json().path("number").asInt())
                        .json()
                        .path("payable")
                        .asString())
                .isEqualTo(toPay);
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/orders",
                                Caller.placing(UUID.randomUUID().toString(), basket(), toPay))
                        .status())
                .as("nobody else pays so little")
                .isEqualTo(409);

        owner.delete(MEMBERS + "?email=one@members.example");
        assertThat(boxKite(buyer)).as("taken out").isEqualTo("86.00");
    }

    @Test
    void a_wrong_address_adds_nobody_and_is_named() {
        Caller.Answer answer = put("right@members.example\nwrong@@members\n");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains("wrong@@members");
        assertThat(owner.get(MEMBERS + "?belongs=true").text()).doesNotContain("right@members.example");
        assertThat(put("nobody here").sentence()).contains("no e-mail address");
        assertThat(owner.put(MEMBERS, Map.of("group", "nobody", "emails", "a@members.example"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    @Witness(
            value = "goods.buyerGroups[].code",
            felt = {Felt.COUNTER, Felt.PRICE})
    void a_code_lets_in_until_the_group_is_closed() throws Exception {
        Caller buyer = signedIn("coded@members.example");
        assertThat(buyer.get(GROUP).json().path("byCode").asBoolean()).isTrue();
        Caller.Answer wrong = buyer.post(GROUP, Map.of("code", "KITE-SCHOOLS-25"));
        assertThat(wrong.status()).isEqualTo(409);
        assertThat(wrong.sentence()).isEqualTo("No group has this code.");
        Caller.Answer right = buyer.post(GROUP, Map.of("code", " kite-schools-26 "));
        assertThat(right.json().path("name").asString()).as(right.text()).isEqualTo("Kite schools");
        assertThat(boxKite(buyer)).isEqualTo("75.68");
        assertThat(shop.anybody().post(GROUP, Map.of("code", "KITE-SCHOOLS-26")).status())
                .as("not signed in")
                .isEqualTo(401);
        owner.publish(Map.of("goods/buyerGroups/kite-schools/code", "KITE-SCHOOLS-27"));
        assertThat(signedIn("late@members.example")
                        .post(GROUP, Map.of("code", "KITE-SCHOOLS-26"))
                        .status())
                .isEqualTo(409);
        assertThat(boxKite(buyer)).as("who is in stays in").isEqualTo("75.68");
        owner.publish(Map.of("goods/buyerGroups/kite-schools/code", "KITE-SCHOOLS-26"));
        for (int i = 0; i < 12; i++) {
            buyer.post(GROUP, Map.of("code", "GUESS-" + (1000 + i)));
        }
        assertThat(buyer.post(GROUP, Map.of("code", "KITE-SCHOOLS-26")).sentence())
                .as("guessing is slowed")
                .isEqualTo("Too many codes were tried.");
    }

    @Test
    @Witness(
            value = "goods.buyerGroups[].onRequest",
            felt = {Felt.COUNTER, Felt.LETTER, Felt.DESK})
    void who_asks_is_told_of_once_and_let_in_by_the_seller() throws Exception {
        Caller buyer = signedIn("asks@members.example");
        assertThat(buyer.get(GROUP).json().path("open").path(0).path("name").asString())
                .isEqualTo("Kite schools");
        Map<String, String> asking = Map.of("group", "kite-schools", "note", "We teach in Galway.", "language", "de");
        assertThat(buyer.post(GROUP, Map.of("group", "kite-schools", "note", "x".repeat(5000)))
                        .status())
                .isEqualTo(422);
        assertThat(buyer.post(GROUP, asking).json().path("asked").asString()).isEqualTo("Kite schools");
        assertThat(buyer.post(GROUP, asking).json().path("asked").asString()).isEqualTo("Kite schools");
        Soon.holds(() -> assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.plain().contains("asks@members.example asks to belong")))
                .singleElement()
                .satisfies(letter -> assertThat(letter.plain()).contains("We teach in Galway.")));
        assertThat(boxKite(buyer)).as("not yet").isEqualTo("86.00");
        assertThat(owner.get(MEMBERS + "?belongs=false").text())
                .contains("asks@members.example")
                .contains("We teach in Galway.");

        assertThat(owner.post(MEMBERS + "/granted", Map.of("email", "asks@members.example"))
                        .status())
                .isEqualTo(204);
        assertThat(owner.post(MEMBERS + "/granted", Map.of("email", "asks@members.example"))
                        .status())
                .as("nobody asks any more")
                .isEqualTo(409);
        assertThat(boxKite(buyer)).isEqualTo("75.68");
        Soon.holds(() -> assertThat(lettersTo("asks@members.example"))
                .anyMatch(letter -> letter.plain().contains("Sie gehören zu Kite schools")));
    }

    @Test
    void an_order_taken_at_the_desk_has_the_prices_of_who_it_is_for() {
        put("phones@members.example");
        Map<String, Object> asked = new HashMap<>(Caller.quoting(basket()));
        String others = owner.post(Caller.COUNTER + "/quote", asked)
                .json()
                .path("toPay")
                .asString();
        asked.put("forBuyer", "phones@members.example");
        String theirs = owner.post(Caller.COUNTER + "/quote", asked)
                .json()
                .path("toPay")
                .asString();
        assertThat(new BigDecimal(others).subtract(new BigDecimal(theirs))).isEqualByComparingTo("10.32");
        assertThat(owner.get(Caller.COUNTER + "?forBuyer=phones@members.example")
                        .json()
                        .path("goods")
                        .path("prices")
                        .path("box-kite")
                        .asString())
                .isEqualTo("75.68");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "?forBuyer=phones@members.example")
                        .json()
                        .path("goods")
                        .path("prices")
                        .path("box-kite")
                        .asString())
                .as("whoever says so from outside")
                .isEqualTo("86.00");
    }

    @Test
    void nobody_has_letters_sent_to_many_strangers() {
        Caller caller = shop.anybody();
        for (int i = 0; i < 20; i++) {
            assertThat(caller.post(Caller.COUNTER + "/me/letter", Map.of("email", "stranger" + i + "@members.example"))
                            .status())
                    .isEqualTo(202);
        }
        Caller.Answer more = caller.post(Caller.COUNTER + "/me/letter", Map.of("email", "one-more@members.example"));
        assertThat(more.status()).isEqualTo(429);
        assertThat(more.sentence()).isEqualTo("Too many links were asked for from here.");
    }
}
