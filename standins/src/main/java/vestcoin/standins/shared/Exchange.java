package vestcoin.standins.shared;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One request to a simulated service and its answer. */
public final class Exchange {
    private static final JsonMapper JSON = new JsonMapper();
    private static final int MOST_BYTES = 2 * 1024 * 1024;

    private final HttpExchange http;

    public Exchange(HttpExchange http) {
        this.http = http;
    }

    /** A refusal with its HTTP status. */
    public static final class Refusal extends RuntimeException {
        private final int status;

        public Refusal(int status, String message) {
            super(message);
            this.status = status;
        }

        public int status() {
            return status;
        }
    }

    public String method() {
        return http.getRequestMethod();
    }

    /** The path below the service's own, empty or with a slash at the beginning. */
    public String path() {
        String below = http.getHttpContext().getPath();
        String path = http.getRequestURI().getPath();
        return below.equals("/") ? path : path.substring(below.length());
    }

    public Optional<String> header(String name) {
        return Optional.ofNullable(http.getRequestHeaders().getFirst(name));
    }

    public String bearer() {
        return header("Authorization")
                .filter(value -> value.startsWith("Bearer "))
                .map(value -> value.substring(7))
                .orElse("");
    }

    public Optional<String> query(String name) {
        return Optional.ofNullable(fields(http.getRequestURI().getRawQuery()).get(name));
    }

    public JsonNode json() throws IOException {
        try {
            return JSON.readTree(body());
        } catch (JacksonException e) {
            throw new Refusal(400, "The body is not JSON.");
        }
    }

    public Map<String, String> form() throws IOException {
        return fields(text());
    }

    public String text() throws IOException {
        return new String(body(), StandardCharsets.UTF_8);
    }

    private byte[] body() throws IOException {
        byte[] body = http.getRequestBody().readNBytes(MOST_BYTES + 1);
        if (body.length > MOST_BYTES) {
            throw new Refusal(413, "The body is too large.");
        }
        return body;
    }

    private static Map<String, String> fields(String encoded) {
        Map<String, String> fields = new LinkedHashMap<>();
        if (encoded != null) {
            Arrays.stream(encoded.split("&"))
                    .map(pair -> pair.split("=", 2))
                    .filter(pair -> pair.length == 2)
                    .forEach(pair -> fields.put(pair[0], URLDecoder.decode(pair[1], StandardCharsets.UTF_8)));
        }
        return fields;
    }

    public void answer(int status, Object json) throws IOException {
        send(status, "application/json", JSON.writeValueAsString(json));
    }

    public void page(String html) throws IOException {
        send(200, "text/html; charset=utf-8", html);
    }

    /** Answers 200 with a text of some type. */
    public void text(String type, String text) throws IOException {
        send(200, type + "; charset=utf-8", text);
    }

    public void redirect(String to) throws IOException {
        http.getResponseHeaders().set("Location", to);
        http.sendResponseHeaders(303, -1);
        http.close();
    }

    /** Lets a page of any origin read the answer, as a service used from shops' own pages has to. */
    public void openToAllOrigins() {
        http.getResponseHeaders().set("Access-Control-Allow-Origin", "*");
        http.getResponseHeaders().set("Access-Control-Allow-Headers", "authorization, content-type");
        http.getResponseHeaders().set("Access-Control-Allow-Methods", "POST, OPTIONS");
    }

    public void empty(int status) throws IOException {
        http.sendResponseHeaders(status, -1);
        http.close();
    }

    private void send(int status, String type, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        http.getResponseHeaders().set("Content-Type", type);
        http.sendResponseHeaders(status, bytes.length);
        http.getResponseBody().write(bytes);
        http.close();
    }
}
