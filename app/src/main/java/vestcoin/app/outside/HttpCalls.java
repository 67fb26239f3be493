package vestcoin.app.outside;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;

/** Calls to services outside over HTTP. Every call ends within its patience. */
@Component
public class HttpCalls {
    private static final int MOST_CHARACTERS = 8 * 1024 * 1024;
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();

    /**
     * @param path below the service's URL
     * @param headers besides those of every call
     * @param body written as JSON, null for none
     * @throws ProviderTimeout if no answer came in time, or one that nothing follows from
     * @throws ProviderRejection if the service answered no
     */
    public JsonNode json(
            ServiceAccess access,
            String method,
            String path,
            Map<String, String> headers,
            Object body,
            Duration patience) {
        try {
            return Json.MAPPER.readTree(text(
                    access,
                    method,
                    path,
                    headers,
                    body == null ? null : Json.write(body),
                    "application/json",
                    patience));
        } catch (JacksonException e) {
            throw new ProviderTimeout(ServiceReasons.NOT_ANSWERING);
        }
    }

    /** As {@link #json}, with texts both ways. */
    public String text(
            ServiceAccess access,
            String method,
            String path,
            Map<String, String> headers,
            String body,
            String type,
            Duration patience) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(access.url() + path))
                .timeout(patience)
                .header("Content-Type", type)
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        if (!access.secret().isEmpty()) {
            if (!ServiceAccess.canBeSecret(access.secret())) {
                throw new ProviderRejection(ServiceReasons.NO_KEY);
            }
            request.header("Authorization", "Bearer " + access.secret());
        }
        headers.forEach(request::header);
        try {
            HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() == 404) {
                throw new ProviderRejection.NotFound(error(answer.body(), ServiceReasons.NO_SUCH_THING));
            }
            if (answer.statusCode() >= 500 || answer.body().length() > MOST_CHARACTERS) {
                throw new ProviderTimeout(ServiceReasons.NOT_ANSWERING);
            }
            if (answer.statusCode() >= 400) {
                throw new ProviderRejection(error(answer.body(), ServiceReasons.REFUSED));
            }
            return answer.body();
        } catch (IOException e) {
            throw new ProviderTimeout(ServiceReasons.NOT_ANSWERING);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new ProviderTimeout(ServiceReasons.NOT_ANSWERING);
        }
    }

    private static String error(String body, String otherwise) {
        try {
            return Json.MAPPER.readTree(body).path("error").asString(otherwise);
        } catch (JacksonException e) {
            return otherwise;
        }
    }
}
