package vestcoin.standins.pay;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.standins.shared.Services;

class CardProcessorTest {
    private static final JsonMapper JSON = new JsonMapper();
    private final HttpClient http = HttpClient.newHttpClient();
    private CardProcessor processor;
    private Services services;

    @BeforeEach
    void start(@TempDir Path folder) throws Exception {
        processor = new CardProcessor(folder.resolve("cards"), java.time.Clock.systemUTC());
        services = Services.start(0, List.of(processor));
    }

    @AfterEach
    void stop() {
        services.close();
    }

    private JsonNode post(String path, String key, String idempotency, String body) throws Exception {
        HttpResponse<String> answer = http.send(
                HttpRequest.newBuilder(URI.create(processor.url() + path))
                        .header("Authorization", "Bearer " + key)
                        .header("Idempotency-Key", idempotency)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        return JSON.readTree(answer.body());
    }

    private String token(TestCard card) throws Exception {
        return post("/v1/tokens", CardProcessor.TEST_PUBLIC, "-", "{\"number\":\"" + card.number() + "\"}")
                .path("token")
                .asString("");
    }

    private JsonNode pay(TestCard card, String key) throws Exception {
        return post(
                "/v1/payments",
                CardProcessor.TEST_SECRET,
                key,
                "{\"token\":\"" + token(card)
                        + "\",\"amount\":1000,\"currency\":\"EUR\",\"reference\":\"T-1\","
                        + "\"returnUrl\":\"http://127.0.0.1/\"}");
    }

    /** Source: ISO/IEC 7812-1, the Luhn formula; 4539 1488 0343 6467 is a widely printed valid example, from memory. */
    @ParameterizedTest
    @EnumSource(TestCard.class)
    void test_cards_pass_the_luhn_check_and_fail_it_with_one_digit_changed(TestCard card) {
        assertThat(TestCard.luhn("4539148803436467")).isTrue();
        assertThat(TestCard.luhn(card.number())).isTrue();
        char last = card.number().charAt(15);
        assertThat(TestCard.luhn(card.number().substring(0, 15) + (char) ('0' + (last - '0' + 1) % 10)))
                .isFalse();
    }

    @Test
    void one_key_pays_once() throws Exception {
        String key = UUID.randomUUID().toString();
        JsonNode first = pay(TestCard.APPROVED, key);
        assertThat(first.path("state").asString()).isEqualTo("authorised");
        assertThat(pay(TestCard.APPROVED, key).path("id")).isEqualTo(first.path("id"));
    }

    @Test
    void money_moves_within_what_was_authorised_and_captured() throws Exception {
        String id = pay(TestCard.APPROVED, "a").path("id").asString();
        String moves = "/v1/payments/" + id;
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c1", "{\"amount\":1001}")
                        .path("error")
                        .asString(""))
                .isNotEmpty();
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c2", "{\"amount\":800}")
                        .path("captured")
                        .asLong())
                .isEqualTo(800);
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c2", "{\"amount\":800}")
                        .path("captured")
                        .asLong())
                .isEqualTo(800);
        assertThat(post(moves + "/refund", CardProcessor.TEST_SECRET, "r1", "{\"amount\":801}")
                        .path("error")
                        .asString(""))
                .isNotEmpty();
        assertThat(post(moves + "/refund", CardProcessor.TEST_SECRET, "r2", "{\"amount\":300}")
                        .path("refunded")
                        .asLong())
                .isEqualTo(300);
    }

    @Test
    void each_card_has_its_outcome() throws Exception {
        assertThat(pay(TestCard.DECLINED, "d").path("reason").asString()).isEqualTo("declined by the bank");
        assertThat(pay(TestCard.ASKED_AND_PASSED, "p").path("action").asString())
                .contains("/ask/");
        assertThat(pay(TestCard.SILENT, "s").path("error").asString()).contains("not answered");
        assertThat(processor.bookOf("s")).contains("pending 0 0");
    }

    private HttpResponse<String> call(String method, String path, String key, String body) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create(processor.url() + path))
                        .header("Authorization", "Bearer " + key)
                        .header("Idempotency-Key", "k")
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .method(method, HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void keys_open_only_their_own_doors() throws Exception {
        assertThat(call("GET", "/v1/account", CardProcessor.TEST_SECRET, "").statusCode())
                .isEqualTo(200);
        assertThat(call("GET", "/v1/account", CardProcessor.TEST_PUBLIC, "").statusCode())
                .isEqualTo(401);
        assertThat(call("POST", "/v1/tokens", CardProcessor.TEST_SECRET, "{}").statusCode())
                .isEqualTo(401);
        assertThat(call("POST", "/v1/payments", "nobody", "{}").statusCode()).isEqualTo(401);
        assertThat(call("GET", "/v1/nothing", CardProcessor.TEST_SECRET, "").statusCode())
                .isEqualTo(404);
    }

    @Test
    void a_number_that_is_no_test_card_gets_no_token() throws Exception {
        assertThat(call("POST", "/v1/tokens", CardProcessor.TEST_PUBLIC, "{\"number\":\"9810000000000002\"}")
                        .body())
                .contains("not a card number");
        assertThat(call("POST", "/v1/tokens", CardProcessor.TEST_PUBLIC, "{\"number\":\"4539148803436467\"}")
                        .body())
                .contains("only its test cards");
        assertThat(call("POST", "/v1/tokens", CardProcessor.TEST_PUBLIC, "not json")
                        .statusCode())
                .isEqualTo(400);
    }

    @Test
    void a_token_pays_once() throws Exception {
        String token = token(TestCard.APPROVED);
        String body = "{\"token\":\"" + token
                + "\",\"amount\":1000,\"currency\":\"EUR\",\"reference\":\"T\",\"returnUrl\":\"http://127.0.0.1/\"}";
        assertThat(post("/v1/payments", CardProcessor.TEST_SECRET, "one", body)
                        .path("state")
                        .asString(""))
                .isEqualTo("authorised");
        assertThat(post("/v1/payments", CardProcessor.TEST_SECRET, "two", body)
                        .path("error")
                        .asString(""))
                .contains("unknown or was used");
    }

    @Test
    void the_control_page_switches_an_outage_and_an_approval() throws Exception {
        assertThat(call("GET", "/", "", "").body())
                .contains("This is a simulation")
                .contains(TestCard.DECLINED.number())
                .contains(CardProcessor.TEST_SECRET);
        call("POST", "/control", "", "outage=on&delay=0&approved-workbench=on");
        assertThat(call("GET", "/v1/account", CardProcessor.TEST_SECRET, "").statusCode())
                .isEqualTo(503);
        call("POST", "/control", "", "delay=0");
        assertThat(JSON.readTree(call("GET", "/v1/account", CardProcessor.TEST_SECRET, "")
                                .body())
                        .path("approved")
                        .asBoolean(true))
                .isFalse();
        assertThat(pay(TestCard.APPROVED, "waiting").path("error").asString("")).contains("waits for approval");
    }

    @Test
    void the_buyer_answers_the_bank_and_is_sent_back() throws Exception {
        JsonNode asked = pay(TestCard.ASKED_AND_PASSED, "asked");
        String page = asked.path("action").asString().replace(processor.url(), "");
        assertThat(call("GET", page, "", "").body()).contains("10.00 EUR").contains("This is a simulation");
        assertThat(call("POST", page, "", "answer=yes").headers().firstValue("Location"))
                .contains("http://127.0.0.1/");
        assertThat(processor.bookOf("asked")).contains("authorised 0 0");
        JsonNode refused = pay(TestCard.ASKED_AND_PASSED, "refused");
        call("POST", refused.path("action").asString().replace(processor.url(), ""), "", "answer=no");
        assertThat(processor.bookOf("refused")).contains("declined 0 0");
    }
}
