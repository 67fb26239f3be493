package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.Listening;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.message.Messages;
import vestcoin.app.run.DemoShop;

/** What somebody would take, guess or break, held back with a sentence. */
@ExtendWith(RunningShop.class)
class HeldBackTest {
    private final RunningShop.Running shop;

    HeldBackTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> placing(String email) {
        Map<String, Object> placing =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40"));
        placing.put(
                "contact",
                Map.of("name", "Test Buyer", "email", email, "lines", List.of("1 Example Street"), "city", "Cork"));
        return placing;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "a@b",
                "two@at@signs.example",
                "spa ce@buyers.example",
                "a@buyers..example",
                "a@-buyers.example",
                "<a@buyers.example>",
                "a@buyers.example, b@buyers.example",
                "@buyers.example",
                "a\r\nBcc: b@buyers.example",
                "Ä@buyers.example",
                "a@buy_ers.example"
            })
    void an_address_no_letter_can_be_written_to_is_refused_with_the_basket_kept(String email) {
        Caller.Answer refused = shop.anybody().post(Caller.COUNTER + "/orders", placing(email));
        assertThat(refused.status()).as(refused.text()).isEqualTo(422);
        assertThat(refused.paths()).containsExactly("contact/email");
    }

    @Test
    void the_sellers_copy_does_not_hang_on_the_buyers_letter() throws Exception {
        JsonNode placed = shop.anybody()
                .post(Caller.COUNTER + "/orders", placing("first@buyers.example"))
                .json();
        shop.context().getBean(Messages.class).settled();
        // An address written before there was one check for all.
        shop.context()
                .getBean(JdbcClient.class)
                .sql("update orders set email = 'no address at all' where token = :token")
                .param("token", placed.path("token").asString())
                .update();
        shop.anybody().pay(placed, vestcoin.standins.pay.TestCard.APPROVED);
        Caller.Answer withdrawn = shop.anybody()
                .post(
                        "/api/counter/orders/" + placed.path("token").asString() + "/withdrawal",
                        Map.of("lines", List.of(), "note", ""));
        assertThat(withdrawn.status()).as(withdrawn.text()).isLessThan(500);
        shop.context().getBean(Messages.class).settled();
        assertThat(shop.services().post().letters())
                .anyMatch(letter -> letter.to().equals("hello@tern-and-tether.example")
                        && letter.subject()
                                .contains(String.valueOf(placed.path("number").asInt())));
    }

    @Test
    void on_account_is_for_a_confirmed_number_and_owed_by_it_whatever_address_is_typed() {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "2")),
                "to",
                Map.of("country", "DE", "postcode", "10115"),
                "delivery",
                "tube",
                "method",
                "account",
                "business",
                true));
        basket.put("taxNumber", "");
        JsonNode ticked = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(ticked.path("methods").valueStream().map(method -> method.path("id")
                        .asString()))
                .as("whoever ticks “business”")
                .doesNotContain("account");
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/orders",
                                Caller.placing(
                                        UUID.randomUUID().toString(),
                                        basket,
                                        ticked.path("toPay").asString("0")))
                        .status())
                .isGreaterThanOrEqualTo(400);
        basket.put("taxNumber", "DE123456789");
        int placed = 0;
        String sentence = "";
        for (int i = 0; i < 12; i++) {
            Map<String, Object> placing = new HashMap<>(Caller.placing(
                    UUID.randomUUID().toString(),
                    basket,
                    shop.anybody()
                            .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                            .json()
                            .path("toPay")
                            .asString("0")));
            placing.put(
                    "contact",
                    Map.of(
                            "name",
                            "Kite School",
                            "email",
                            "another-" + i + "@school.example",
                            "lines",
                            List.of("1 Example Street"),
                            "city",
                            "Berlin"));
            Caller.Answer answer = shop.anybody().post(Caller.COUNTER + "/orders", placing);
            placed += answer.status() == 200 ? 1 : 0;
            sentence = answer.status() == 200 ? sentence : answer.text();
        }
        assertThat(placed).as("each with another address: " + sentence).isBetween(1, 8);
    }

    @Test
    void a_voucher_cannot_be_issued_with_a_code_that_is_guessed_and_guesses_are_slowed_for_the_guesser_alone() {
        Caller owner = shop.owner();
        Caller.Answer four =
                owner.post(Caller.SHOP + "/vouchers", Map.of("code", "1234", "currency", "EUR", "amount", "20.00"));
        assertThat(four.status()).isEqualTo(422);
        assertThat(four.paths()).containsExactly("code");
        String made = owner.post(Caller.SHOP + "/vouchers", Map.of("code", "", "currency", "EUR", "amount", "20.00"))
                .json()
                .path("code")
                .asString();
        assertThat(made.replace("-", "").length()).isGreaterThanOrEqualTo(10);
        Caller guesser = shop.anybody();
        int answered = 0;
        for (int i = 0; i < 60; i++) {
            Map<String, Object> basket = new HashMap<>(Caller.book());
            basket.put("codes", List.of("GUESS-" + (10_000 + i)));
            JsonNode quote = guesser.post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                    .json();
            answered += quote.path("refusedCodes").toString().contains("The shop has no such code") ? 1 : 0;
        }
        assertThat(answered)
                .as("guesses that were told whether the code exists")
                .isBetween(1, 20);
        Map<String, Object> right = new HashMap<>(Caller.book());
        right.put("codes", List.of(made));
        assertThat(guesser.post(Caller.COUNTER + "/quote", Caller.quoting(right))
                        .json()
                        .path("toPay")
                        .asString())
                .as("a right one does not show itself to who guesses")
                .isEqualTo("31.40");
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(right))
                        .json()
                        .path("toPay")
                        .asString())
                .as("another buyer's")
                .isEqualTo("11.40");
    }

    @Test
    void a_key_with_a_line_break_or_what_no_key_has_is_refused_as_a_text_and_written_nowhere() {
        Listening log = Listening.toTheLog();
        for (String bad : List.of(
                "secret-test-7d1c\n0a52e94b",
                "secret\u0000test-quokka",
                "schlüssel-quokka-schlüssel",
                "x".repeat(5000))) {
            for (Caller.Answer answer : List.of(
                    shop.owner()
                            .put(
                                    Caller.SHOP + "/gateways/cards",
                                    Map.of("publicKey", "public-test-2b8e6f13c7a940d5b3f8", "secret", bad)),
                    shop.owner().put(Caller.SHOP + "/carrier", Map.of("secret", bad, "key", bad)),
                    shop.owner().put(Caller.SHOP + "/tax-rates/link", Map.of("key", bad)))) {
                assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
                assertThat(answer.text()).doesNotContain("quokka", "0a52e94b");
            }
        }
        assertThat(log.toString()).doesNotContain("quokka", "0a52e94b");
    }

    @ParameterizedTest
    @CsvSource({
        "POST, /quote",
        "POST, /orders",
        "POST, /take",
        "POST, /unfinished",
        "POST, /me/letter",
        "POST, /me/session"
    })
    void an_empty_object_at_the_counter_is_told_what_is_missing(String method, String path) {
        Caller.Answer answer = shop.anybody().call(method, Caller.COUNTER + path, "{}", Map.of());
        assertThat(answer.status()).as(answer.text()).isLessThan(500);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/ticket", "/draft/edits", "/draft/paste", "/draft/begin", "/vouchers", "/elsewhere"})
    void an_empty_object_at_the_desk_is_told_what_is_missing(String path) {
        Caller.Answer answer = shop.owner().post(Caller.SHOP + path, "{}");
        assertThat(answer.status()).as(answer.text()).isLessThan(500);
        assertThat(shop.owner()
                        .post(Caller.SHOP + path, "{\"edits\": [{}], \"order\": {}}")
                        .status())
                .isLessThan(500);
        shop.owner().post(Caller.SHOP + "/draft/undo", "");
    }

    @Test
    void a_basket_without_a_place_and_a_language_that_is_no_utf_8_are_no_fault_of_the_server() throws Exception {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.remove("to");
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                        .status())
                .isLessThan(500);
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/orders",
                                Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                        .status())
                .isBetween(400, 422);
        Map<String, Object> bare = new HashMap<>(Caller.book());
        bare.remove("lines");
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(bare))
                        .status())
                .as("nothing in it, and somewhere to go")
                .isLessThan(500);
        List<Integer> answers = new ArrayList<>();
        for (String query : List.of("?language=%ff%fe", "?language=%c3%28", "?currency=%ff")) {
            answers.add(HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(shop.url() + Caller.COUNTER + query))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .statusCode());
        }
        assertThat(answers).allMatch(status -> status < 500);
    }

    @Test
    void an_empty_object_to_opening_closes_nothing() {
        Caller.Answer answer = shop.owner().put(Caller.SHOP + "/opening", Map.of());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(shop.anybody().get(Caller.COUNTER).status()).as("still open").isEqualTo(200);
        assertThat(Json.tree(shop.owner().get(Caller.SHOP + "/opening").text())
                        .path("open")
                        .asBoolean())
                .isTrue();
        assertThat(DemoShop.SHOP).isNotEmpty();
    }
}
