package vestcoin.app.payment;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;

/** The adapter to the simulated card processor. */
@Component
class HttpCardService implements CardService {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private final HttpClient http = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();

    @Override
    public Account account(Access access) {
        JsonNode answer = call(access, "GET", "/v1/account", "", null);
        return new Account(answer.path("mode").asString(""), answer.path("approved").asBoolean(false), answer.path("publicKey").asString(""));
    }

    @Override
    public String webhook(Access access, String url) {
        return call(access, "POST", "/v1/webhook", "", Map.of("url", url)).path("secret").asString("");
    }

    @Override
    public View authorise(Access access, String key, long amount, String currency, String token, String reference, String returnUrl) {
        return view(call(access, "POST", "/v1/payments", key,
                Map.of("amount", amount, "currency", currency, "token", token, "reference", reference, "returnUrl", returnUrl)));
    }

    @Override
    public Optional<View> find(Access access, String key) {
        try {
            return Optional.of(view(call(access, "GET", "/v1/payments?key=" + URLEncoder.encode(key, StandardCharsets.UTF_8), "", null)));
        } catch (NotFound e) {
            return Optional.empty();
        }
    }

    @Override
    public View capture(Access access, String ref, String key, long amount) {
        return view(call(access, "POST", "/v1/payments/" + ref + "/capture", key, Map.of("amount", amount)));
    }

    @Override
    public View refund(Access access, String ref, String key, long amount) {
        return view(call(access, "POST", "/v1/payments/" + ref + "/refund", key, Map.of("amount", amount)));
    }

    private static final class NotFound extends Refusal {
        NotFound() {
            super("The provider has no such payment.");
        }
    }

    static View view(JsonNode json) {
        return new View(json.path("id").asString(""), json.path("key").asString(""), json.path("state").asString(""), json.path("reason").asString(""),
                json.path("action").asString(""), json.path("amount").asLong(0), json.path("captured").asLong(0), json.path("refunded").asLong(0));
    }

    private JsonNode call(Access access, String method, String path, String key, Object body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(access.url() + path)).timeout(PATIENCE)
                .header("Authorization", "Bearer " + access.secret()).header("Content-Type", "application/json")
                .method(method, body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(Json.write(body)));
        if (!key.isEmpty()) {
            request.header("Idempotency-Key", key);
        }
        try {
            HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() == 404) {
                throw new NotFound();
            }
            if (answer.statusCode() >= 500) {
                throw new Silent("The provider is not answering.");
            }
            JsonNode json = Json.MAPPER.readTree(answer.body());
            if (answer.statusCode() >= 400) {
                throw new Refusal(json.path("error").asString("The provider refused."));
            }
            return json;
        } catch (IOException | JacksonException e) {
            throw new Silent("The provider is not answering.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Silent("The provider is not answering.");
        }
    }
}
