package vestcoin.app.publishing;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.pay.Wallet;

/** Who may come into a closed shop, and what has to be done before one opens. */
@ExtendWith(RunningShop.class)
class OpeningTest {
    private final RunningShop.Running shop;

    OpeningTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @AfterEach
    void open() {
        shop.context().getBean(ShopOpenings.class).open(DemoShop.SHOP);
    }

    private Caller.Answer turn(boolean open, String notice) {
        return shop.owner().put(Caller.SHOP + "/opening", Map.of("open", open, "notice", notice));
    }

    @Test
    void a_closed_shop_lets_in_those_who_run_it_and_nobody_else() {
        assertThat(turn(false, "Back on Monday.").json().path("open").asBoolean(true))
                .isFalse();
        Caller.Answer shut = shop.anybody().get(Caller.COUNTER);
        assertThat(shut.status()).isEqualTo(404);
        assertThat(shut.json().path("name").asString()).isEqualTo("Tern & Tether");
        assertThat(shut.json().path("notice").asString()).isEqualTo("Back on Monday.");
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                        .status())
                .isEqualTo(404);
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/take", Map.of("take", "x"))
                        .status())
                .isEqualTo(404);
        Caller.Answer page = shop.anybody().get("/shops/" + DemoShop.SHOP);
        assertThat(page.status()).isEqualTo(404);
        assertThat(page.text()).contains("Back on Monday.").doesNotContain("delta");

        Caller.Answer own = shop.owner().get(Caller.COUNTER);
        assertThat(own.status()).isEqualTo(200);
        assertThat(own.json().path("closed").asBoolean(false)).isTrue();
        assertThat(shop.owner().placeBook().path("number").asInt())
                .as("the seller tries an order before anybody else can")
                .isPositive();
    }

    @Test
    void a_shop_closed_between_basket_and_order_takes_none_and_charges_nothing() {
        Caller buyer = shop.anybody();
        assertThat(buyer.post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                        .status())
                .isEqualTo(200);
        int before =
                shop.owner().get(Caller.SHOP + "/orders").json().path("count").asInt();
        turn(false, "");
        Caller.Answer refused = buyer.post(
                Caller.COUNTER + "/orders", Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40"));
        assertThat(refused.status()).isEqualTo(404);
        assertThat(refused.sentence()).isEqualTo("This shop is not open.");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders")
                        .json()
                        .path("count")
                        .asInt())
                .isEqualTo(before);
    }

    @Test
    void what_was_ordered_before_it_closed_can_still_be_paid() {
        Caller buyer = shop.anybody();
        var placed = buyer.placeBook();
        turn(false, "");
        assertThat(buyer.pay(placed, TestCard.APPROVED).json().path("state").asString())
                .isEqualTo("authorised");
    }

    /** The two usual slips: test keys left in, and no payment ever tried. Common practice, no source. */
    @Test
    void a_shop_does_not_open_with_accounts_in_test_mode_or_never_tried() {
        turn(false, "");
        Caller.Answer refused = turn(true, "");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("is for practice").contains("No payment was tried with");
        assertThat(refused.paths()).allMatch(path -> path.startsWith("payment/methods"));
        assertThat(shop.anybody().get(Caller.COUNTER).status()).isEqualTo(404);
    }

    private static void post(String url, String form) throws Exception {
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(url))
                                .POST(HttpRequest.BodyPublishers.ofString(form))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
    }

    private void connect(String id, String provider, String mode, String publicKey, String secret) {
        assertThat(shop.owner()
                        .put(
                                Caller.SHOP + "/gateways/" + id,
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
                                        "TERN AND TETHER"))
                        .status())
                .isEqualTo(200);
    }

    private JsonNode trial(String id, Map<String, String> body) {
        return shop.owner()
                .post(Caller.SHOP + "/gateways/" + id + "/trial", body)
                .json();
    }

    /**
     * The way every shop goes: live keys, one true payment by each, and open. The seller's name stands on the buyer's
     * statement.
     */
    @Test
    void a_shop_opens_once_its_accounts_are_live_and_tried() throws Exception {
        turn(false, "");
        String cards = shop.cards().url();
        post(cards + "/control", "delay=0&approved-workbench=on&approved-counter=on");
        post(shop.services().wallet().url() + "/control", "delay=0&approved-purse=on&approved-pocket=on");
        connect("cards", "cards", "live", CardProcessor.LIVE_PUBLIC, CardProcessor.LIVE_SECRET);
        connect("purse", "wallet", "live", Wallet.LIVE_PUBLIC, Wallet.LIVE_SECRET);
        assertThat(turn(true, "").status()).as("never tried").isEqualTo(409);

        JsonNode declined = trial(
                "cards", Map.of("cardToken", Caller.cardToken(cards, CardProcessor.LIVE_PUBLIC, TestCard.DECLINED)));
        assertThat(declined.path("whole").asBoolean(true)).isFalse();
        assertThat(turn(true, "").status())
                .as("a payment that was declined is no trial")
                .isEqualTo(409);
        JsonNode tried = trial(
                "cards", Map.of("cardToken", Caller.cardToken(cards, CardProcessor.LIVE_PUBLIC, TestCard.APPROVED)));
        assertThat(tried.path("whole").asBoolean(false)).isTrue();
        assertThat(shop.cards().bookOf(tried.path("key").asString()))
                .as("taken and given back")
                .hasValue("refunded 100 100");
        JsonNode asked = trial("purse", Map.of());
        post(asked.path("action").asString(), "answer=yes");
        assertThat(trial("purse", Map.of("key", asked.path("key").asString()))
                        .path("whole")
                        .asBoolean(false))
                .isTrue();

        assertThat(turn(true, "").json().path("open").asBoolean(false)).isTrue();
        assertThat(shop.anybody().get(Caller.COUNTER).status()).isEqualTo(200);
        assertThat(shop.anybody().placeBook().path("test").asBoolean(true))
                .as("orders are live now")
                .isFalse();
        assertThat(HttpClient.newHttpClient()
                        .send(
                                HttpRequest.newBuilder(URI.create(cards + "/")).build(),
                                HttpResponse.BodyHandlers.ofString())
                        .body())
                .contains("<td>TERN AND TETHER<td>refunded");
        connect("cards", "cards", "test", CardProcessor.TEST_PUBLIC, CardProcessor.TEST_SECRET);
        connect("purse", "wallet", "test", Wallet.TEST_PUBLIC, Wallet.TEST_SECRET);
    }

    @Test
    void a_notice_has_a_bound() {
        assertThat(turn(false, "x".repeat(401)).status()).isEqualTo(422);
        assertThat(shop.anybody()
                        .put(Caller.SHOP + "/opening", Map.of("open", false))
                        .status())
                .isEqualTo(401);
    }
}
