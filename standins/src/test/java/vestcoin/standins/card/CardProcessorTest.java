package vestcoin.standins.card;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CardProcessorTest {
    private static final JsonMapper JSON = new JsonMapper();
    private final HttpClient http = HttpClient.newHttpClient();
    private CardProcessor processor;

    @BeforeEach
    void start(@TempDir Path folder) throws Exception {
        processor = CardProcessor.start(0, folder.resolve("cards"));
    }

    @AfterEach
    void stop() {
        processor.close();
    }

    private JsonNode post(String path, String key, String idempotency, String body) throws Exception {
        HttpResponse<String> answer = http.send(HttpRequest.newBuilder(URI.create(processor.url() + path)).header("Authorization", "Bearer " + key)
                .header("Idempotency-Key", idempotency).POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
        return JSON.readTree(answer.body());
    }

    private String token(TestCard card) throws Exception {
        return post("/v1/tokens", CardProcessor.TEST_PUBLIC, "-", "{\"number\":\"" + card.number() + "\"}").path("token").asString("");
    }

    private JsonNode pay(TestCard card, String key) throws Exception {
        return post("/v1/payments", CardProcessor.TEST_SECRET, key,
                "{\"token\":\"" + token(card) + "\",\"amount\":1000,\"currency\":\"EUR\",\"reference\":\"T-1\",\"returnUrl\":\"http://127.0.0.1/\"}");
    }

    /** Source: ISO/IEC 7812-1, the Luhn formula; 4539 1488 0343 6467 is a widely printed valid example, from memory. */
    @ParameterizedTest
    @EnumSource(TestCard.class)
    void test_cards_pass_the_luhn_check_and_fail_it_with_one_digit_changed(TestCard card) {
        assertThat(TestCard.luhn("4539148803436467")).isTrue();
        assertThat(TestCard.luhn(card.number())).isTrue();
        char last = card.number().charAt(15);
        assertThat(TestCard.luhn(card.number().substring(0, 15) + (char) ('0' + (last - '0' + 1) % 10))).isFalse();
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
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c1", "{\"amount\":1001}").path("error").asString("")).isNotEmpty();
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c2", "{\"amount\":800}").path("captured").asLong()).isEqualTo(800);
        assertThat(post(moves + "/capture", CardProcessor.TEST_SECRET, "c2", "{\"amount\":800}").path("captured").asLong()).isEqualTo(800);
        assertThat(post(moves + "/refund", CardProcessor.TEST_SECRET, "r1", "{\"amount\":801}").path("error").asString("")).isNotEmpty();
        assertThat(post(moves + "/refund", CardProcessor.TEST_SECRET, "r2", "{\"amount\":300}").path("refunded").asLong()).isEqualTo(300);
    }

    @Test
    void each_card_has_its_outcome() throws Exception {
        assertThat(pay(TestCard.DECLINED, "d").path("reason").asString()).isEqualTo("declined by the bank");
        assertThat(pay(TestCard.ASKED_AND_PASSED, "p").path("action").asString()).contains("/challenge/");
        assertThat(pay(TestCard.SILENT, "s").path("error").asString()).contains("not answered");
        assertThat(processor.bookOf("s")).contains("pending 0 0");
    }
}
