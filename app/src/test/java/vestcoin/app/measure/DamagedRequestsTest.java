package vestcoin.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.Listening;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Damage;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.FirstDraft;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.Wallet;

/**
 * Damaged requests to every address are answered or refused with a sentence: no 500, no secret, no stack trace, nothing
 * of another's.
 */
class DamagedRequestsTest {
    private static final int REQUESTS = Measured.sized(20_000);
    private static final int SENDERS = 4;
    private static final double SIGNED_IN = 0.97;
    /** What the door answers itself: such a request has not reached its handler. */
    private static final Set<Integer> AT_THE_DOOR = Set.of(401, 403, 405, 413, 415, 429);

    private static final String OTHERS = "Larkspur Lamps of another";
    private static final List<String> ODD = List.of(
            "0",
            "-1",
            "1001",
            "99999999999999999999",
            "cards",
            "goods",
            "%00",
            "%0d%0a",
            "..%2f..",
            "🪁",
            "x".repeat(300),
            "tern-and-tether",
            "%27%20or%201=1--");

    /** 502: a mail server that a damaged setting named, and that is none. Source: RFC 9110, 15.6.3. */
    private static final int SOMEBODY_ELSES = 502;

    /**
     * @param query what has to be asked with it for a handler to be reached
     * @param type media type of what it takes
     */
    private record Address(String method, String path, String query, String type, JsonNode body) {}

    private final JsonNode described = Json.tree(Files.readString(Path.of("../docs/formats/openapi.json")));
    private final JsonNode setup =
            Json.tree(Files.readString(Path.of("../docs/formats/examples/tern-and-tether.setup.json")));
    private final AtomicInteger inside = new AtomicInteger();
    private final AtomicInteger signedIn = new AtomicInteger();
    private final Queue<String> wrong = new ConcurrentLinkedQueue<>();

    DamagedRequestsTest() throws IOException {}

    @Test
    void damaged_requests_to_every_address_are_answered_without_a_fault_or_a_leak() throws Exception {
        try (RunningShop.Running shop = RunningShop.start(
                "--vest-coin.pace.orders-by-client=1000000",
                "--vest-coin.pace.links-by-client=1000000",
                "--vest-coin.pace.codes-by-client=1000000",
                "--vest-coin.pace.codes-by-all=1000000")) {
            shop.context().getBean(Drafts.class).create("other-shop", FirstDraft.of(OTHERS, "IE", "EUR"));
            List<Address> addresses = addresses();
            String token = shop.anybody().placeBook().path("token").asString();
            Listening log = Listening.toTheLog();
            ExecutorService senders = Executors.newFixedThreadPool(SENDERS);
            for (int s = 0; s < SENDERS; s++) {
                int seed = s;
                senders.execute(() -> send(shop, addresses, token, new Random(seed), REQUESTS / SENDERS));
            }
            senders.shutdown();
            assertThat(senders.awaitTermination(25, TimeUnit.MINUTES)).isTrue();
            int sent = REQUESTS / SENDERS * SENDERS;
            Measured.note(
                    sent + " damaged requests to " + addresses.size() + " addresses",
                    signedIn + " signed in, " + inside + " reached their handlers, " + wrong.size() + " faults",
                    "nine in ten inside, no 500, no secret, no stack trace, nothing of another's");
            assertThat(wrong).isEmpty();
            assertThat(signedIn.get()).isGreaterThanOrEqualTo(sent * 9 / 10);
            assertThat(inside.get()).isGreaterThanOrEqualTo(sent * 9 / 10);
            assertThat(log.toString())
                    .as("what is logged")
                    .doesNotContain(CardProcessor.TEST_SECRET, Wallet.TEST_SECRET, Carrier.KEY, DemoShop.PASSWORD)
                    .doesNotContain("\tat vestcoin.");
        }
    }

    private void send(RunningShop.Running shop, List<Address> addresses, String token, Random random, int requests) {
        Damage damage = new Damage(random);
        Caller owner = shop.owner();
        for (int i = 0; i < requests; i++) {
            Address address = addresses.get(random.nextInt(addresses.size()));
            boolean in = random.nextDouble() < SIGNED_IN;
            // Signing in and out, and what the door slows, is asked by somebody new each time.
            boolean door =
                    address.path().startsWith("/api/session") || address.path().startsWith("/api/first");
            Caller caller = in && !door ? owner : shop.anybody();
            String path = path(address.path(), address.query(), token, random);
            String body = address.method().equals("GET")
                    ? null
                    : address.body().isMissingNode() ? "{}" : Json.write(damage.of(address.body()));
            try {
                Caller.Answer answer =
                        caller.call(address.method(), path, body, Map.of("Content-Type", address.type()));
                signedIn.addAndGet(caller == owner ? 1 : 0);
                inside.addAndGet(AT_THE_DOOR.contains(answer.status()) ? 0 : 1);
                String said = answer.status() + " to " + address.method() + " " + path + " with " + body + ": "
                        + answer.text();
                if (answer.status() >= 500 && answer.status() != SOMEBODY_ELSES
                        || answer.text().contains("\tat ")
                        || answer.text().contains("Exception")
                        || answer.text().contains(OTHERS)
                        || answer.text().contains(CardProcessor.TEST_SECRET)
                        || answer.text().contains(Wallet.TEST_SECRET)
                        || answer.text().contains(Carrier.KEY)) {
                    wrong.add(said.substring(0, Math.min(said.length(), 900)));
                }
            } catch (RuntimeException e) {
                wrong.add(e + " at " + address.method() + " " + path);
            }
        }
    }

    /** The path with what it names, now and then something odd; and odd queries. */
    private static String path(String template, String query, String token, Random random) {
        String path = template.replace("{shop}", DemoShop.SHOP);
        String odd = ODD.get(random.nextInt(ODD.size())).replace("🪁", "%F0%9F%AA%81");
        boolean usual = random.nextInt(3) > 0;
        path = path.replace("{number}", usual ? "1001" : "1002")
                .replace("{order}", "1001")
                .replace("{gateway}", "cards")
                .replace("{sheet}", "goods")
                .replace(
                        "{token}",
                        usual || !path.contains("/orders/")
                                ? token
                                : UUID.randomUUID().toString())
                .replace("{product}", "kites-you-can-build")
                .replaceAll("\\{[a-z]+}", usual ? UUID.randomUUID().toString() : odd.replace("$", ""));
        path += query;
        return random.nextInt(6) == 0
                ? path + (query.isEmpty() ? "?" : "&")
                        + List.of("language", "currency", "below", "words", "standing", "country", "upTo", "watch")
                                .get(random.nextInt(8))
                        + "=" + odd
                : path;
    }

    private List<Address> addresses() {
        List<Address> addresses = new ArrayList<>();
        described.path("paths").properties().forEach(path -> path.getValue()
                .properties()
                .forEach(method -> {
                    if (Set.of("get", "post", "put", "delete").contains(method.getKey())) {
                        JsonNode schema = method.getValue()
                                .path("requestBody")
                                .path("content")
                                .path("application/json")
                                .path("schema");
                        addresses.add(new Address(
                                method.getKey().toUpperCase(java.util.Locale.ROOT),
                                path.getKey(),
                                needed(method.getValue().path("parameters")),
                                taken(method.getValue().path("requestBody").path("content")),
                                schema.isMissingNode() ? schema : like(path.getKey(), schema)));
                    }
                }));
        return addresses;
    }

    /** A file where one is taken, else JSON. */
    private static String taken(JsonNode content) {
        return content.properties().stream()
                .map(Map.Entry::getKey)
                .findFirst()
                .filter(type -> !type.contains("*"))
                .orElse("application/json");
    }

    private static String needed(JsonNode parameters) {
        String query = parameters
                .valueStream()
                .filter(each -> each.path("in").asString().equals("query")
                        && each.path("required").asBoolean(false))
                .map(each -> each.path("name").asString() + "=1")
                .collect(Collectors.joining("&"));
        return query.isEmpty() ? "" : "?" + query;
    }

    /** What a body is like: whole where it is known, else made from its schema. */
    private JsonNode like(String path, JsonNode schema) {
        return switch (path) {
            case "/api/counter/{shop}/quote" -> tree(Caller.quoting(Caller.book()));
            case "/api/counter/{shop}/orders" ->
                tree(Caller.placing(UUID.randomUUID().toString(), Caller.book(), "31.40"));
            case "/api/shops/{shop}/ticket" ->
                tree(Map.of(
                        "edits",
                        List.of(),
                        "order",
                        Map.of(
                                "lines",
                                setup.path("rehearsal")
                                        .path("baskets")
                                        .path(0)
                                        .path("order")
                                        .path("lines"),
                                "to",
                                Map.of("country", "IE")),
                        "beside",
                        true));
            case "/api/shops/{shop}/draft/edits", "/api/shops/{shop}/draft/paste" ->
                tree(Map.of(
                        "edits",
                        List.of(
                                Map.of("path", "shop/phone", "was", "", "now", "+353 1 000"),
                                Map.of("path", "tax", "was", setup.path("tax"), "now", setup.path("tax")),
                                Map.of(
                                        "path",
                                        "goods/products/"
                                                + setup.path("goods")
                                                        .path("products")
                                                        .path(0)
                                                        .path("id")
                                                        .asString(),
                                        "was",
                                        setup.path("goods").path("products").path(0),
                                        "now",
                                        setup.path("goods").path("products").path(0)))));
            default -> made(schema, 0);
        };
    }

    private static JsonNode tree(Object value) {
        return Json.tree(Json.write(value));
    }

    private JsonNode made(JsonNode schema, int depth) {
        if (schema.has("$ref")) {
            return made(
                    described
                            .path("components")
                            .path("schemas")
                            .path(schema.path("$ref").asString().substring("#/components/schemas/".length())),
                    depth);
        }
        for (String either : List.of("oneOf", "anyOf")) {
            if (schema.has(either)) {
                return made(schema.path(either).path(schema.path(either).size() - 1), depth);
            }
        }
        String type = schema.path("type").isArray()
                ? schema.path("type").path(0).asString()
                : schema.path("type").asString("string");
        if (type.equals("object") && schema.has("properties") && depth < 6) {
            ObjectNode object = Json.MAPPER.createObjectNode();
            schema.path("properties")
                    .properties()
                    .forEach(field -> object.set(field.getKey(), made(field.getValue(), depth + 1)));
            return object;
        }
        return switch (type) {
            case "object" -> Json.MAPPER.createObjectNode();
            case "array" ->
                depth < 6
                        ? Json.MAPPER.createArrayNode().add(made(schema.path("items"), depth + 1))
                        : Json.MAPPER.createArrayNode();
            case "boolean" -> Json.tree("true");
            case "integer", "number" -> Json.tree("1");
            default ->
                Json.MAPPER.valueToTree(
                        schema.has("enum") ? schema.path("enum").path(0).asString() : "text");
        };
    }
}
