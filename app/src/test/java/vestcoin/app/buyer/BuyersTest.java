package vestcoin.app.buyer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.access.Buyers;
import vestcoin.app.message.Messages;
import vestcoin.standins.post.PostRoom;

/** Signing in by a mailed link: once, for half an hour, and telling nobody who has ordered. */
@ExtendWith(RunningShop.class)
class BuyersTest {
    private static final Pattern KEY = Pattern.compile("/me\\?key=([A-Za-z0-9_-]{43})");
    private final RunningShop.Running shop;

    BuyersTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private Caller.Answer ask(String email) {
        return shop.anybody().post(Caller.COUNTER + "/me/letter", Map.of("email", email));
    }

    private List<PostRoom.Letter> letters(String to) throws Exception {
        shop.context().getBean(Messages.class).settled();
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(to) && letter.plain().contains("/me?key="))
                .toList();
    }

    private String key(String to) throws Exception {
        Matcher matcher = KEY.matcher(letters(to).get(0).plain());
        assertThat(matcher.find()).isTrue();
        return matcher.group(1);
    }

    private void afterAWhile() {
        sql().sql("update buyer_key set at = dateadd(minute, -3, at)").update();
    }

    private Caller.Answer enter(Caller caller, String key) {
        return caller.post(Caller.COUNTER + "/me/session", Map.of("key", key));
    }

    @Test
    void a_link_opens_the_buyers_own_orders_once() throws Exception {
        int number = shop.anybody().placeBook().path("number").asInt();
        String email = "buyer@buyers.example";
        assertThat(shop.anybody().get(Caller.COUNTER + "/me").status()).isEqualTo(401);
        assertThat(ask(" Buyer@Buyers.example ").status()).isEqualTo(202);
        String key = key("Buyer@Buyers.example");
        Caller buyer = shop.anybody();
        assertThat(enter(buyer, key).status()).isEqualTo(204);
        JsonNode page = buyer.get(Caller.COUNTER + "/me").json();
        assertThat(page.path("email").asString()).isEqualTo(email);
        assertThat(page.path("orders").path(0).path("number").asInt()).isEqualTo(number);
        assertThat(page.path("orders").path(0).path("total").asString()).isEqualTo("31.40");
        assertThat(page.path("addresses").path(0).path("address").path("city").asString())
                .isEqualTo("Cork");
        assertThat(buyer.get("/api/counter/orders/"
                                + page.path("orders").path(0).path("token").asString())
                        .status())
                .isEqualTo(200);

        assertThat(enter(shop.anybody(), key).status()).as("a link works once").isEqualTo(410);
        assertThat(sql().sql("select count(*) from letter where event = 'sign-in' and mime <> ''")
                        .query(Long.class)
                        .single())
                .as("nothing of it is kept")
                .isZero();
        assertThat(sql().sql("select count(*) from buyer_key where hash = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(shop.owner().get(Caller.SHOP + "/orders").status()).isEqualTo(200);
        assertThat(buyer.get(Caller.SHOP + "/orders").status())
                .as("a buyer is nobody at the desk")
                .isEqualTo(401);

        assertThat(buyer.delete(Caller.COUNTER + "/me").status()).isEqualTo(204);
        assertThat(buyer.get(Caller.COUNTER + "/me").status()).isEqualTo(401);
        afterAWhile();
    }

    @Test
    void an_address_that_never_ordered_is_answered_the_same_and_gets_no_letter() throws Exception {
        // Whoever could join a group is let in by a letter too.
        shop.owner()
                .publish(Map.of(
                        "goods/buyerGroups/kite-schools",
                        Map.of("id", "kite-schools", "name", "Kite schools", "percentOff", "12")));
        shop.anybody().placeBook();
        Caller.Answer known = ask("buyer@buyers.example");
        Caller.Answer unknown = ask("stranger@buyers.example");
        assertThat(unknown.status()).isEqualTo(known.status()).isEqualTo(202);
        assertThat(unknown.text()).isEqualTo(known.text());
        assertThat(letters("stranger@buyers.example")).isEmpty();
        afterAWhile();
    }

    @Test
    void asking_again_and_again_mails_one_letter_in_two_minutes() throws Exception {
        shop.anybody().placeBook();
        afterAWhile();
        int before = letters("buyer@buyers.example").size();
        for (int i = 0; i < 5; i++) {
            ask("buyer@buyers.example");
        }
        assertThat(letters("buyer@buyers.example")).hasSize(before + 1);
        afterAWhile();
    }

    @Test
    void an_old_link_and_a_guessed_one_let_nobody_in() throws Exception {
        shop.anybody().placeBook();
        ask("buyer@buyers.example");
        String key = key("buyer@buyers.example");
        sql().sql("update buyer_key set until = dateadd(minute, -1, now()) where kind = 'letter' and not used")
                .update();
        assertThat(enter(shop.anybody(), key).status()).isEqualTo(410);
        for (String guess : List.of("", "x", "A".repeat(43), "A".repeat(5000))) {
            assertThat(enter(shop.anybody(), guess).status()).as(guess).isEqualTo(410);
        }
        afterAWhile();
    }

    @Test
    void a_shop_that_wants_to_know_its_buyers_takes_orders_from_those_signed_in() throws Exception {
        Caller owner = shop.owner();
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "terms/asking/signIn", "was", false, "now", true))));
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
        Caller buyer = shop.anybody();
        Caller.Answer refused =
                buyer.post(Caller.COUNTER + "/orders", Caller.placing("key-of-a-guest-1", Caller.book(), "31.40"));
        assertThat(refused.status()).isEqualTo(401);
        assertThat(refused.paths()).containsExactly("contact/email");
        afterAWhile();
        ask("buyer@buyers.example");
        enter(buyer, key("buyer@buyers.example"));
        assertThat(buyer.placeBook().path("number").asInt()).isPositive();
        Map<String, Object> another =
                new java.util.HashMap<>(Caller.placing("key-of-a-guest-2", Caller.book(), "31.40"));
        another.put(
                "contact",
                Map.of(
                        "name",
                        "Another",
                        "email",
                        "another@buyers.example",
                        "lines",
                        List.of("1 Example Street"),
                        "city",
                        "Cork"));
        assertThat(buyer.post(Caller.COUNTER + "/orders", another).status())
                .as("signed in as somebody else")
                .isEqualTo(401);
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "terms/asking/signIn", "was", true, "now", false))));
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        afterAWhile();
    }

    @Test
    void the_cookie_is_out_of_reach_of_scripts_and_of_other_paths() throws Exception {
        shop.anybody().placeBook();
        ask("buyer@buyers.example");
        Optional<String> cookie =
                enter(shop.anybody(), key("buyer@buyers.example")).whole().headers().allValues("Set-Cookie").stream()
                        .filter(each -> each.startsWith(Buyers.COOKIE))
                        .findFirst();
        assertThat(cookie).hasValueSatisfying(text -> assertThat(text)
                .contains("HttpOnly")
                .contains("Secure")
                .contains("SameSite=Lax")
                .contains("Path=" + Caller.COUNTER));
        assertThat(StreamSupport.stream(
                        shop.owner()
                                .get(Caller.SHOP + "/orders")
                                .json()
                                .path("orders")
                                .spliterator(),
                        false))
                .isNotEmpty();
        afterAWhile();
    }
}
