package vestcoin.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.springframework.context.ApplicationContext;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Policies;
import vestcoin.standins.pay.TestCard;

/** Talks to the application as a browser would: with cookies, and the CSRF token they carry. */
public final class Caller {
    public static final String SHOP = "/api/shops/" + DemoShop.SHOP;
    public static final String COUNTER = "/api/counter/" + DemoShop.SHOP;

    /** What buyers of the demo shop agree to, as it ships. */
    public static final Map<String, String> AGREED =
            Policies.toAgree(Document.parse(DemoShop.setupFile()).setup());

    /** What a buyer says of themselves. */
    private static final Set<String> BUYER = Set.of("business", "taxNumber", "language");

    private static final AtomicInteger CALLERS = new AtomicInteger();

    /** One for all: cookies are kept here, and each has a thread of its own. */
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final Map<String, String> cookies = new LinkedHashMap<>();
    private final String url;
    private final String client;

    public Caller(String url) {
        this(url, elsewhere());
    }

    private static String elsewhere() {
        int number = CALLERS.incrementAndGet();
        return "10.7." + number / 250 + "." + (1 + number % 250);
    }

    /** The same person, signed in or not, from another address. */
    public Caller again() {
        Caller again = new Caller(url, elsewhere());
        again.cookies.putAll(cookies);
        again.get("/api/session");
        return again;
    }

    public boolean isSignedIn() {
        return !get("/api/session").json().path("email").asString("").isEmpty();
    }

    /** @param client the address it says it is forwarded for: the same for the same client */
    public Caller(String url, String client) {
        this.url = url;
        this.client = client;
        get("/api/session");
    }

    /** An answer. */
    public static final class Answer {
        private final HttpResponse<String> whole;
        private JsonNode json;

        private Answer(HttpResponse<String> whole) {
            this.whole = whole;
        }

        public int status() {
            return whole.statusCode();
        }

        public String text() {
            return whole.body();
        }

        public HttpResponse<String> whole() {
            return whole;
        }

        /** Its body, read when it is first asked for; empty where it was not JSON. */
        public synchronized JsonNode json() {
            if (json == null) {
                boolean written =
                        whole.headers().firstValue("Content-Type").orElse("").contains("json");
                json = written ? Json.tree(text()) : Json.MAPPER.createObjectNode();
            }
            return json;
        }

        public List<String> paths() {
            return StreamSupport.stream(json().path("problems").spliterator(), false)
                    .map(problem -> problem.path("path").asString())
                    .toList();
        }

        public String sentence() {
            return json().path("problems").path(0).path("sentence").asString("");
        }
    }

    public Answer get(String path) {
        return call("GET", path, null, Map.of());
    }

    public Answer post(String path, Object body) {
        return call("POST", path, body instanceof String text ? text : Json.write(body), Map.of());
    }

    public Answer put(String path, Object body) {
        return call("PUT", path, Json.write(body), Map.of());
    }

    public Answer delete(String path) {
        return call("DELETE", path, "", Map.of());
    }

    /** What stands at a path of a setup: fields by name, rows of a list by their id. */
    private static JsonNode at(JsonNode document, String path) {
        JsonNode node = document;
        for (String step : path.split("/")) {
            node = node.isArray()
                    ? StreamSupport.stream(node.spliterator(), false)
                            .filter(row -> row.path("id").asString("").equals(step))
                            .findFirst()
                            .orElse(node.path(-1))
                    : node.path(step);
        }
        return node;
    }

    /** Has things of the demo's setup published, by path, whatever stood there before. */
    public void publish(Map<String, Object> things) {
        Answer answer = edit(things);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(post(SHOP + "/draft/publish", Map.of()).status()).isEqualTo(200);
    }

    /** Changes things of the demo's draft, by path, whatever stood there before. */
    public Answer edit(Map<String, Object> things) {
        JsonNode before = get(SHOP + "/draft").json().path("document");
        List<Map<String, Object>> edits = things.entrySet().stream()
                .map(thing -> {
                    Map<String, Object> edit =
                            new LinkedHashMap<>(Map.of("path", thing.getKey(), "now", thing.getValue()));
                    JsonNode was = at(before, thing.getKey());
                    if (!was.isMissingNode()) {
                        edit.put("was", was);
                    }
                    return edit;
                })
                .toList();
        return post(SHOP + "/draft/edits", Map.of("edits", edits));
    }

    /** A file, as it is. */
    public byte[] bytes(String path) {
        try {
            return HTTP.send(request("GET", path, null, Map.of()), HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private HttpRequest request(String method, String path, String body, Map<String, String> headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url + path))
                .header("Content-Type", "application/json")
                .header("X-Forwarded-For", client)
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        if (!cookies.isEmpty()) {
            request.header(
                    "Cookie",
                    cookies.entrySet().stream()
                            .map(cookie -> cookie.getKey() + "=" + cookie.getValue())
                            .collect(Collectors.joining("; ")));
        }
        if (cookies.containsKey("XSRF-TOKEN")) {
            request.header("X-XSRF-TOKEN", cookies.get("XSRF-TOKEN"));
        }
        headers.forEach(request::setHeader);
        return request.build();
    }

    public Answer call(String method, String path, String body, Map<String, String> headers) {
        return sent(request(method, path, body, headers));
    }

    /** Sends a body piece by piece, without saying before how long it will be. */
    public Answer stream(String path, String body) {
        return sent(HttpRequest.newBuilder(request("POST", path, "", Map.of()), (name, value) -> true)
                .POST(HttpRequest.BodyPublishers.ofInputStream(
                        () -> new java.io.ByteArrayInputStream(body.getBytes(java.nio.charset.StandardCharsets.UTF_8))))
                .build());
    }

    /** Headers of one who is signed in, for requests written by hand. */
    public String signedHeaders() {
        StringBuilder lines = new StringBuilder("X-Forwarded-For: " + client + "\r\n");
        lines.append("Cookie: ")
                .append(cookies.entrySet().stream()
                        .map(cookie -> cookie.getKey() + "=" + cookie.getValue())
                        .collect(Collectors.joining("; ")))
                .append("\r\nX-XSRF-TOKEN: ")
                .append(cookies.getOrDefault("XSRF-TOKEN", ""))
                .append("\r\n");
        return lines.toString();
    }

    /** Sends a request made elsewhere, with the cookies there are. */
    public Answer sent(HttpRequest made) {
        HttpRequest.Builder request = HttpRequest.newBuilder(made, (name, value) -> true);
        request.setHeader("X-Forwarded-For", client);
        if (made.headers().firstValue("Cookie").isEmpty() && !cookies.isEmpty()) {
            request.header(
                    "Cookie",
                    cookies.entrySet().stream()
                            .map(cookie -> cookie.getKey() + "=" + cookie.getValue())
                            .collect(Collectors.joining("; ")));
            request.setHeader("X-XSRF-TOKEN", cookies.getOrDefault("XSRF-TOKEN", ""));
        }
        return answered(request.build());
    }

    private Answer answered(HttpRequest request) {
        try {
            HttpResponse<String> answer = HTTP.send(request, HttpResponse.BodyHandlers.ofString());
            for (String cookie : answer.headers().allValues("Set-Cookie")) {
                String[] pair = cookie.split(";", 2)[0].split("=", 2);
                if (pair[1].isEmpty()) {
                    cookies.remove(pair[0]);
                } else {
                    cookies.put(pair[0], pair[1]);
                }
            }
            return new Answer(answer);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public Caller signIn(String email, String password) {
        Answer answer = post("/api/session", Map.of("email", email, "password", password));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.text());
        }
        get("/api/session");
        return this;
    }

    // What a buyer does.

    /** One book to Cork by tube, by card: 24.50 + 6.90. */
    public static Map<String, Object> book() {
        return Map.of(
                "lines",
                List.of(Map.of("product", "kites-you-can-build", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "card");
    }

    /** What is asked for and who asks, as a buyer's page sends them, of both in one. */
    public static Map<String, Object> quoting(Map<String, ?> basket) {
        Map<String, Object> goods = new LinkedHashMap<>(basket);
        Map<String, Object> buyer = new LinkedHashMap<>(basket);
        goods.keySet().removeAll(BUYER);
        buyer.keySet().retainAll(BUYER);
        return Map.of("basket", goods, "buyer", buyer);
    }

    public static Map<String, Object> placing(String key, Map<String, Object> basket, String expected) {
        Map<String, Object> asked = quoting(basket);
        return Map.of(
                "key",
                key,
                "basket",
                asked.get("basket"),
                "buyer",
                asked.get("buyer"),
                "expected",
                expected,
                "agreed",
                AGREED,
                "contact",
                Map.of(
                        "name",
                        "Test Buyer",
                        "email",
                        "buyer@buyers.example",
                        "lines",
                        List.of("1 Example Street"),
                        "city",
                        "Cork"));
    }

    /** Places what a basket holds at the total the quote shows, agreeing to what is shown in the basket's language. */
    public Answer buy(Map<String, Object> basket) {
        JsonNode quote = post(COUNTER + "/quote", quoting(basket)).json();
        Map<String, String> agreed = new LinkedHashMap<>();
        get(COUNTER + "?language=" + basket.getOrDefault("language", ""))
                .json()
                .path("texts")
                .forEach(text -> agreed.put(
                        text.path("kind").asString(), text.path("hash").asString()));
        quote.path("renewing")
                .forEach(each -> agreed.put(
                        each.path("kind").asString(), each.path("hash").asString()));
        if (quote.hasNonNull("atOnce")) {
            agreed.put("supply-at-once", quote.path("atOnce").path("hash").asString());
        }
        Map<String, Object> placing = new LinkedHashMap<>(placing(
                UUID.randomUUID().toString(), basket, quote.path("toPay").asString("0")));
        placing.put("agreed", agreed);
        return post(COUNTER + "/orders", placing);
    }

    /** Places the book; gives the order's token. */
    public JsonNode placeBook() {
        Answer answer = post(COUNTER + "/orders", placing(UUID.randomUUID().toString(), book(), "31.40"));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.text());
        }
        return answer.json();
    }

    /** A card token, from the processor itself. */
    public static String cardToken(String processor, String publicKey, TestCard card) {
        try {
            return Json.tree(HttpClient.newHttpClient()
                            .send(
                                    HttpRequest.newBuilder(URI.create(processor + "/v1/tokens"))
                                            .header("Authorization", "Bearer " + publicKey)
                                            .POST(HttpRequest.BodyPublishers.ofString(
                                                    "{\"number\":\"" + card.number() + "\"}"))
                                            .build(),
                                    HttpResponse.BodyHandlers.ofString())
                            .body())
                    .path("token")
                    .asString();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public Answer pay(JsonNode placed, TestCard card) {
        return post(
                "/api/counter/orders/" + placed.path("token").asString() + "/payments",
                Map.of(
                        "cardToken",
                        cardToken(
                                placed.path("processor").asString(),
                                placed.path("publicKey").asString(),
                                card)));
    }

    /** The code of a voucher of the demo that was paid for. @param amount in euro */
    public static String soldVoucher(ApplicationContext context, String amount) {
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        return new TransactionTemplate(context.getBean(PlatformTransactionManager.class))
                .execute(status -> context.getBean(Vouchers.class)
                        .issueSold(
                                DemoShop.SHOP,
                                "EUR",
                                new BigDecimal(amount).movePointRight(2).longValueExact(),
                                "test",
                                new Vouchers.Days(today.minusDays(2), today.plusYears(1)),
                                Optional.empty())
                        .code());
    }
}
