package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** A wallet that is asked at the basket: it tells who pays, and is not asked again for as much. */
@ExtendWith(RunningShop.class)
class WalletAtBasketTest {
    private static final String WALLET = Caller.COUNTER + "/wallet";

    private final RunningShop.Running shop;

    WalletAtBasketTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @AfterEach
    void walletAnswers() {
        shop.services().wallet().outage(false);
    }

    private Caller.Answer ask(String method, String amount, Object page) {
        Map<String, Object> asked = new HashMap<>(Map.of("method", method, "amount", amount, "currency", "EUR"));
        asked.put("page", page);
        return shop.anybody().post(WALLET, asked);
    }

    /** Answers at the wallet's page; gives where it leads back to. */
    private static String answer(JsonNode asked, String answer) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(asked.path("action").asString()))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString("answer=" + answer + "&who=0"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding())
                .headers()
                .firstValue("Location")
                .orElse("");
    }

    private JsonNode person(JsonNode asked) {
        return shop.anybody()
                .get(WALLET + "/" + asked.path("id").asString())
                .json()
                .path("person");
    }

    private JsonNode paid(String wallet) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "wallet");
        JsonNode placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                .json();
        return shop.anybody()
                .post(
                        "/api/counter/orders/" + placed.path("token").asString() + "/payments",
                        Map.of("cardToken", "", "wallet", wallet))
                .json();
    }

    @Test
    void who_approved_is_told_and_the_order_is_paid_without_another_question() throws Exception {
        JsonNode asked = ask("wallet", "26.70", null).json();
        assertThat(person(asked).isObject()).as("nobody yet").isFalse();
        assertThat(answer(asked, "yes")).endsWith(Caller.COUNTER.replace("/api", ""));
        assertThat(person(asked).path("name").asString()).isEqualTo("Nora Sample");
        assertThat(person(asked).path("country").asString()).isEqualTo("IE");
        String wallet = asked.path("id").asString();
        assertThat(paid(wallet).path("state").asString()).isIn("authorised", "captured");
        assertThat(paid(wallet).path("state").asString())
                .as("one approval, one order")
                .isEqualTo("needs-buyer");
        assertThat(person(asked).isObject()).as("told once it was used").isFalse();
    }

    @Test
    void what_comes_to_more_than_was_approved_is_asked_again() throws Exception {
        JsonNode asked = ask("wallet", "5.00", null).json();
        answer(asked, "yes");
        assertThat(paid(asked.path("id").asString()).path("state").asString()).isEqualTo("needs-buyer");
    }

    @Test
    void who_cancels_tells_nothing() throws Exception {
        JsonNode asked = ask("wallet", "26.70", null).json();
        answer(asked, "no");
        assertThat(person(asked).isObject()).isFalse();
        assertThat(paid(asked.path("id").asString()).path("state").asString()).isEqualTo("needs-buyer");
    }

    @Test
    void it_leads_back_to_sites_the_shop_lists_and_to_no_other() throws Exception {
        String listed = shop.services().url() + "/elsewhere/page";
        assertThat(answer(ask("wallet", "26.70", listed).json(), "yes")).isEqualTo(listed);
        assertThat(answer(ask("wallet", "26.70", "https://evil.example/").json(), "yes"))
                .endsWith("/counter/tern-and-tether");
    }

    @Test
    void what_cannot_be_asked_is_a_sentence() {
        assertThat(ask("card", "26.70", null).paths()).containsExactly("method");
        assertThat(ask("wallet", "0", null).paths()).containsExactly("amount");
        assertThat(ask("wallet", "1.005", null).paths()).containsExactly("amount");
        assertThat(shop.anybody()
                        .get(WALLET + "/" + UUID.randomUUID())
                        .json()
                        .path("person")
                        .isObject())
                .isFalse();
        shop.services().wallet().outage(true);
        Caller.Answer silent = ask("wallet", "26.70", null);
        assertThat(silent.status()).isEqualTo(502);
        assertThat(silent.sentence()).isEqualTo("The wallet is not answering.");
    }
}
