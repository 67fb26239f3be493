package vestcoin.app.payment;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;

/** The adapter to the simulated card processor and the simulated wallet, which speak alike. */
@Component
class HttpProvider implements Provider {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private final HttpCalls calls;

    HttpProvider(HttpCalls calls) {
        this.calls = calls;
    }

    @Override
    public Account account(ServiceAccess access) {
        JsonNode answer = call(access, "GET", "/v1/account", "", null);
        return new Account(
                answer.path("mode").asString(""),
                answer.path("approved").asBoolean(false),
                answer.path("publicKey").asString(""),
                new StatementLength(
                        answer.path("statement").path("least").asInt(0),
                        answer.path("statement").path("most").asInt(Integer.MAX_VALUE)));
    }

    @Override
    public String webhook(ServiceAccess access, String url) {
        return call(access, "POST", "/v1/webhook", "", Map.of("url", url))
                .path("secret")
                .asString("");
    }

    @Override
    public View authorise(ServiceAccess access, String key, Charge charge) {
        return view(call(
                access,
                "POST",
                "/v1/payments",
                key,
                new Charged(
                        charge.amount(),
                        charge.currency(),
                        charge.means().token(),
                        charge.means().keep(),
                        charge.means().keptCard(),
                        charge.means().shared(),
                        charge.reference(),
                        charge.statement(),
                        charge.returnUrl())));
    }

    /** A charge as these providers are told of it. */
    private record Charged(
            long amount,
            String currency,
            String token,
            boolean keep,
            String keptCard,
            String shared,
            String reference,
            String statement,
            String returnUrl) {}

    @Override
    public String keep(ServiceAccess access, String token) {
        return call(access, "POST", "/v1/cards", "", Map.of("token", token))
                .path("card")
                .asString("");
    }

    @Override
    public Approval approval(ServiceAccess access, BasketApproval asked) {
        return approval(call(access, "POST", "/v1/shares", "", asked));
    }

    @Override
    public Approval approval(ServiceAccess access, String ref) {
        return approval(call(access, "GET", "/v1/shares/" + URLEncoder.encode(ref, StandardCharsets.UTF_8), "", null));
    }

    private static Approval approval(JsonNode json) {
        boolean approved = json.path("state").asString("").equals("approved");
        JsonNode person = json.path("person");
        return new Approval(
                json.path("id").asString(""),
                json.path("action").asString(""),
                approved,
                Optional.of(person)
                        .filter(there -> approved && there.isObject())
                        .map(there -> new Person(
                                there.path("name").asString(""),
                                there.path("email").asString(""),
                                there.path("lines")
                                        .valueStream()
                                        .map(line -> line.asString(""))
                                        .toList(),
                                there.path("postcode").asString(""),
                                there.path("city").asString(""),
                                Optional.of(there.path("region").asString("")).filter(region -> !region.isEmpty()),
                                country(there.path("country").asString("")))));
    }

    @Override
    public Optional<View> find(ServiceAccess access, String key) {
        try {
            return Optional.of(view(call(
                    access, "GET", "/v1/payments?key=" + URLEncoder.encode(key, StandardCharsets.UTF_8), "", null)));
        } catch (ProviderRejection.NotFound e) {
            return Optional.empty();
        }
    }

    @Override
    public View move(ServiceAccess access, String ref, Kind kind, String key, long amount) {
        return view(call(access, "POST", "/v1/payments/" + ref + "/" + kind.text(), key, Map.of("amount", amount)));
    }

    static View view(JsonNode json) {
        return new View(
                json.path("id").asString(""),
                json.path("key").asString(""),
                json.path("state").asString(""),
                json.path("reason").asString(""),
                json.path("action").asString(""),
                new Sums(
                        json.path("amount").asLong(0),
                        json.path("captured").asLong(0),
                        json.path("refunded").asLong(0)),
                json.path("keptCard").asString(""),
                json.path("version").asLong(0),
                instant(json.path("answerBy").asString("")),
                country(json.path("cardCountry").asString("")));
    }

    private static String country(String text) {
        return text.matches("[A-Z]{2}") ? text : "";
    }

    @Override
    public List<Payout> payouts(ServiceAccess access, String after) {
        String since = "/v1/payouts?after=" + URLEncoder.encode(after, StandardCharsets.UTF_8);
        JsonNode answer = call(access, "GET", since, "", null);
        List<Payout> payouts = new ArrayList<>();
        try {
            answer.path("payouts").forEach(each -> payouts.add(payout(each)));
        } catch (IllegalArgumentException | DateTimeException e) {
            throw new ProviderTimeout("The provider's payouts cannot be read: " + e.getMessage());
        }
        return payouts;
    }

    /** @throws IllegalArgumentException or DateTimeException if it is none */
    private static Payout payout(JsonNode json) {
        List<PayoutEntry> entries = new ArrayList<>();
        for (JsonNode entry : json.path("entries")) {
            long amount = entry.path("amount").asLong(0);
            if (amount <= 0) {
                throw new IllegalArgumentException("an entry has no amount");
            }
            entries.add(new PayoutEntry(
                    entry.path("payment").asString(""),
                    Kind.of(entry.path("kind").asString("").toUpperCase(Locale.ROOT)),
                    amount,
                    entry.path("fee").asLong(0)));
        }
        return new Payout(
                json.path("id").asString(""),
                json.path("currency").asString(""),
                json.path("amount").asLong(0),
                Instant.parse(json.path("at").asString("")),
                entries);
    }

    /** A time by ISO 8601; what is none is told as nothing, since the payment itself does not hang on it. */
    private static Optional<Instant> instant(String text) {
        try {
            return text.isEmpty() ? Optional.empty() : Optional.of(Instant.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private JsonNode call(ServiceAccess access, String method, String path, String key, Object body) {
        return calls.json(
                access, method, path, key.isEmpty() ? Map.of() : Map.of("Idempotency-Key", key), body, PATIENCE);
    }
}
