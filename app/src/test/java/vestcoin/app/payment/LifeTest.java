package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
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
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.pay.Wallet;

/**
 * The later life of a payment: authorisations that lapse, disputes, accounts that wait for approval or stop working.
 */
@ExtendWith(RunningShop.class)
class LifeTest {
    private final RunningShop.Running shop;

    LifeTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode authorised() {
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, TestCard.APPROVED);
        return placed;
    }

    private JsonNode order(JsonNode placed) {
        return shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json();
    }

    private Caller.Answer move(JsonNode placed, String kind, String amount) {
        return shop.owner()
                .post(
                        Caller.SHOP + "/orders/" + placed.path("number").asInt() + "/" + kind,
                        Map.of("key", UUID.randomUUID().toString(), "amount", amount));
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private void lapse(JsonNode placed) {
        sql().sql("update payment set lapses_at = dateadd(day, -1, now()) where order_id = (select id from "
                        + "orders where token = :token)")
                .param("token", placed.path("token").asString())
                .update();
    }

    /** Held for seven days unless the account says otherwise; common practice, no source. */
    /** A card authorised for dispatch holds as long as the seller says of the account. */
    @Test
    @Witness(value = "payment.accounts[].authorisationDays", felt = Felt.DESK)
    void an_authorisation_holds_as_many_days_as_the_account_says() {
        shop.owner().publish(Map.of("payment/accounts/cards", Map.of("id", "cards", "authorisationDays", 3)));
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, TestCard.APPROVED);
        assertThat(sql().sql("select datediff(day, now(), lapses_at) from payment where order_id = (select id "
                                + "from orders where token = :token)")
                        .param("token", placed.path("token").asString())
                        .query(Integer.class)
                        .single())
                .isEqualTo(3);
        shop.owner().publish(Map.of("payment/accounts/cards", Map.of("id", "cards", "authorisationDays", 7)));
    }

    @Test
    void an_authorisation_is_held_for_seven_days_and_then_lapses() {
        JsonNode placed = authorised();
        assertThat(sql().sql("select datediff(day, now(), lapses_at) from payment where order_id = (select id "
                                + "from orders where token = :token)")
                        .param("token", placed.path("token").asString())
                        .query(Integer.class)
                        .single())
                .isEqualTo(7);
        lapse(placed);
        Caller.Answer late = move(placed, "capture", "31.40");
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.sentence()).isEqualTo("The authorisation has lapsed.");
        shop.context().getBean(Payments.class).askAfterWhatIsOpen();
        assertThat(order(placed).path("payments").path(0).path("state").asString())
                .isEqualTo("expired");
        assertThat(order(placed).path("standing").asString()).isEqualTo("failed");
        assertThat(shop.anybody()
                        .pay(placed, TestCard.APPROVED)
                        .json()
                        .path("state")
                        .asString())
                .as("the buyer pays again on the order's own page")
                .isEqualTo("authorised");
    }

    private void dispute(JsonNode placed, String state) throws Exception {
        String ref = sql().sql("select provider_ref from payment where order_id = (select id from orders where token = "
                        + ":token)")
                .param("token", placed.path("token").asString())
                .query(String.class)
                .single();
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(shop.cards().url() + "/dispute"))
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "dispute=" + URLEncoder.encode(ref + " " + state, StandardCharsets.UTF_8)))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
    }

    private void standing(JsonNode placed, String standing) throws InterruptedException {
        for (int i = 0; i < 60 && !order(placed).path("standing").asString().equals(standing); i++) {
            Thread.sleep(100);
        }
        assertThat(order(placed).path("standing").asString()).isEqualTo(standing);
    }

    @Test
    void a_dispute_is_told_by_the_provider_and_ends_won_or_lost() throws Exception {
        JsonNode won = authorised();
        move(won, "capture", "31.40");
        dispute(won, "disputed");
        standing(won, "disputed");
        assertThat(move(won, "refund", "1.00").status())
                .as("nothing is given back while it lasts")
                .isEqualTo(409);
        dispute(won, "captured");
        standing(won, "paid");

        JsonNode lost = authorised();
        move(lost, "capture", "31.40");
        dispute(lost, "disputed");
        standing(lost, "disputed");
        dispute(lost, "dispute-lost");
        standing(lost, "dispute lost");
    }

    private Caller.Answer connect(String provider, String mode, String publicKey, String secret, String statement) {
        return shop.owner()
                .put(
                        Caller.SHOP + "/gateways/second",
                        Map.of(
                                "provider",
                                provider,
                                "mode",
                                mode,
                                "publicKey",
                                publicKey,
                                "secret",
                                secret,
                                "statement",
                                statement));
    }

    @Test
    void keys_of_the_wrong_mode_swapped_or_unlike_are_refused_with_the_sentence_that_says_so() {
        assertThat(connect("cards", "live", CardProcessor.TEST_PUBLIC, CardProcessor.TEST_SECRET, "")
                        .sentence())
                .isEqualTo("These are practice keys, and real is chosen.");
        assertThat(connect("cards", "test", CardProcessor.LIVE_PUBLIC, CardProcessor.LIVE_SECRET, "")
                        .sentence())
                .isEqualTo("These are real keys, and practice is chosen.");
        assertThat(connect("cards", "test", CardProcessor.TEST_SECRET, CardProcessor.TEST_PUBLIC, "")
                        .sentence())
                .isEqualTo("The two keys are swapped.");
        assertThat(connect("cards", "test", CardProcessor.LIVE_PUBLIC, CardProcessor.TEST_SECRET, "")
                        .sentence())
                .isEqualTo("One key is for practice and the other is not.");
        assertThat(connect("cards", "test", Wallet.TEST_PUBLIC, CardProcessor.TEST_SECRET, "")
                        .sentence())
                .isEqualTo("The key for the buyer’s page belongs to another account than the one for the shop.");
        assertThat(connect("cards", "test", CardProcessor.TEST_PUBLIC, CardProcessor.TEST_SECRET, "Kit€s")
                        .sentence())
                .isEqualTo("“Kit€s” cannot stand on a statement.");
        assertThat(connect("cards", "test", CardProcessor.TEST_PUBLIC, CardProcessor.TEST_SECRET, "1234")
                        .status())
                .as("too short and without a letter")
                .isEqualTo(422);
    }

    @Test
    void an_account_waits_for_approval_and_is_live_when_it_comes() throws Exception {
        assertThat(connect("wallet", "live", Wallet.LIVE_PUBLIC, Wallet.LIVE_SECRET, "TERN AND TETHER")
                        .json()
                        .path("state")
                        .asString())
                .isEqualTo("waiting-for-approval");
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(
                                        URI.create(shop.services().wallet().url() + "/control"))
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "delay=0&approved-purse=on&approved-pocket=on"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/gateways/second/ask", Map.of())
                        .json()
                        .path("state")
                        .asString())
                .isEqualTo("live");
        sql().sql("delete from gateway where id = 'second'").update();
    }

    /** What is held and just about to be taken is not told as held; unless the taking was refused. */
    @Test
    void what_is_about_to_be_taken_is_told_once_it_is_taken() {
        JsonNode placed = authorised();
        PaymentBook book = shop.context().getBean(PaymentBook.class);
        long order = shop.context()
                .getBean(vestcoin.app.order.Orders.class)
                .byToken(placed.path("token").asString())
                .orElseThrow()
                .id();
        assertThat(book.aboutToBeTaken(book.ofOrder(order).get(0)))
                .as("taken when it leaves")
                .isFalse();
        sql().sql("update payment set at_once = true where order_id = :order")
                .param("order", order)
                .update();
        PaymentBook.Payment payment = book.ofOrder(order).get(0);
        assertThat(book.aboutToBeTaken(payment)).isTrue();
        String key = UUID.randomUUID().toString();
        MoneyMoves moves = shop.context().getBean(MoneyMoves.class);
        moves.ask(key, payment.id(), Provider.Kind.CAPTURE, payment.amount(), "the test");
        assertThat(book.aboutToBeTaken(book.of(payment.id()))).isTrue();
        moves.settle(
                new MoneyMoves.Move(key, payment.id(), Provider.Kind.CAPTURE.text(), payment.amount(), "the test"),
                false,
                "not allowed");
        assertThat(book.aboutToBeTaken(book.of(payment.id()))).isFalse();
    }
}
