package vestcoin.app.payment;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.outside.AccountConsent;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.Vault;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;

/** The accounts with providers: their keys, and how far each is. */
@Service
public class Gateways {
    /** Providers there are adapters for; the path is where the simulation answers. */
    public enum With {
        CARDS,
        WALLET;

        String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** @throws ApiProblem if there is no such provider */
        static With of(String text) {
            return Stream.of(values())
                    .filter(each -> each.text().equals(text))
                    .findFirst()
                    .orElseThrow(() -> wrong(
                            "provider",
                            Message.of("payment.there-no-such-account"),
                            Message.of("payment.connect-one")));
        }
    }

    /**
     * What the desk may know. The secret itself is never among it. @param statement what stands on the buyer's
     * statement @param triedAt last true test payment since the keys changed
     */
    public record GatewayView(
            String id,
            With provider,
            String url,
            Optional<String> mode,
            String publicKey,
            Optional<String> secretEndsWith,
            Gateway state,
            String statement,
            Optional<Instant> triedAt) {}

    /**
     * Keys as pasted. @param mode they are meant for, where the page says so @param secret empty keeps the one
     * stored @param statement empty for the shop's name
     */
    public record Keys(With provider, Optional<String> mode, String publicKey, String secret, String statement) {
        public Keys {
            provider = provider == null ? With.CARDS : provider;
            mode = mode == null ? Optional.empty() : mode;
            publicKey = publicKey == null ? "" : publicKey.strip();
            secret = secret == null ? "" : secret.strip();
            statement = statement == null ? "" : statement.strip();
        }

        @Override
        public String toString() {
            return "Keys[" + publicKey + "]";
        }
    }

    private record Row(
            String id,
            String provider,
            String url,
            String mode,
            String publicKey,
            byte[] secretCipher,
            String secretLast4,
            byte[] webhookCipher,
            String state,
            String statement,
            Instant triedAt) {
        /** Whether its keys are kept. */
        boolean connected() {
            return secretCipher != null;
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(Gateways.class);

    private final JdbcClient sql;
    private final Vault vault;
    private final Provider provider;
    private final AccountConsent consent;
    private final Clock clock;
    private final String services;
    private final String ownUrl;

    Gateways(
            JdbcClient sql,
            Vault vault,
            Provider provider,
            AccountConsent consent,
            Clock clock,
            @Value("${vest-coin.services}") String services,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.sql = sql;
        this.vault = vault;
        this.provider = provider;
        this.consent = consent;
        this.clock = clock;
        this.services = services;
        this.ownUrl = ownUrl;
    }

    public List<GatewayView> list(String shop) {
        return rows(shop).stream().map(Gateways::view).toList();
    }

    public Map<String, Gateway> states(String shop) {
        Map<String, Gateway> states = new LinkedHashMap<>();
        rows(shop).forEach(row -> states.put(row.id(), state(row)));
        return states;
    }

    /**
     * Whether a shop takes real money: it has accounts, and all are live; one without accounts takes it by other ways.
     */
    public String mode(String shop) {
        return rows(shop).stream().anyMatch(row -> row.connected() && !"live".equals(row.mode())) ? "test" : "live";
    }

    /**
     * Stores keys after a real call has shown that they open an account. @throws ApiProblem with the sentence that says
     * which key is wrong
     */
    public GatewayView connect(String shop, String id, Keys keys) {
        Optional<Row> before = row(shop, id);
        String used = keys.secret().isEmpty()
                ? before.map(row -> vault.opened(row.secretCipher())).orElse("")
                : keys.secret();
        check(id, keys, used);
        ServiceAccess access =
                new ServiceAccess(services + "/" + keys.provider().text(), used);
        Provider.Account account = account(access, keys.publicKey());
        check(keys.statement(), account.statement());
        String webhook = provider.webhook(access, ownUrl + "/hooks/" + shop + "/" + id);
        boolean same =
                before.filter(row -> row.publicKey().equals(keys.publicKey())).isPresent();
        sql.sql("""
                merge into gateway(shop, id, provider, url, mode, public_key, secret_cipher, secret_last4,
                    webhook_cipher, state, statement, tried_at) key (shop, id)
                values (:shop, :id, :provider, :url, :mode, :public, :secret, :last4, :webhook, :state, :statement,
                    :tried)""")
                .param("shop", shop)
                .param("id", id)
                .param("provider", keys.provider().text())
                .param("url", access.url())
                .param("mode", account.mode())
                .param("public", keys.publicKey())
                .param("secret", vault.sealed(used))
                .param("last4", used.substring(Math.max(0, used.length() - 4)))
                .param("webhook", vault.sealed(webhook))
                .param("state", Json.named(stateOf(account)))
                .param("statement", keys.statement())
                .param(
                        "tried",
                        same
                                ? before.map(Row::triedAt)
                                        .map(at -> at.atOffset(ZoneOffset.UTC))
                                        .orElse(null)
                                : null)
                .update();
        return view(row(shop, id).orElseThrow());
    }

    /**
     * Lets a rehearsal of a shop use its accounts that move no real money, and those whose keys are gone. What the
     * provider reports of them goes on to the shop; the rehearsal asks.
     *
     * @return the live ones, which it cannot use
     */
    public List<GatewayView> lend(String shop, String rehearsal) {
        sql.sql("""
                insert into gateway(shop, id, provider, url, mode, public_key, secret_cipher, secret_last4,
                    webhook_cipher, state, statement, tried_at)
                select :rehearsal, id, provider, url, mode, public_key, secret_cipher, secret_last4, webhook_cipher,
                    state, statement, tried_at
                from gateway where shop = :shop and coalesce(mode, '') <> 'live'
                """).param("shop", shop).param("rehearsal", rehearsal).update();
        return list(shop).stream()
                .filter(account -> account.mode().filter("live"::equals).isPresent())
                .toList();
    }

    /** Where the seller lets the shop use an account with the provider. @param name of the shop, as its page says it */
    public String consentAt(String shop, String id, With with, String name) {
        checkId(id);
        return consent.address(
                services + "/" + with.text(),
                subject(shop, id, with),
                name,
                "/desk/" + shop + "/payment?joined=" + id + "&with=" + with.text());
    }

    /** The seller is back from there. @throws ApiProblem if what came back opens no account */
    public GatewayView joined(String shop, String id, With with, AccountConsent.Return back) {
        if (back.code().isEmpty()) {
            throw wrong(
                    "account",
                    Message.of("payment.nothing-was-connected"),
                    Message.of("payment.go-there-again-and-pick-an-account"));
        }
        try {
            JsonNode keys = consent.keys(services + "/" + with.text(), subject(shop, id, with), back);
            return connect(
                    shop,
                    id,
                    new Keys(
                            with,
                            Optional.empty(),
                            keys.path("publicKey").asString(""),
                            keys.path("secretKey").asString(""),
                            row(shop, id).map(Row::statement).orElse("")));
        } catch (AccountConsent.NotBegunHere | ProviderRejection e) {
            throw wrong(
                    "account",
                    Message.of("payment.this-way-back-was-used-or-lapsed"),
                    Message.of("payment.go-there-again-and-pick-an-account"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "account",
                    Message.of("payment.provider-not-answering-so-keys-could-not"),
                    Message.of("payment.try-again-in-few-minutes-nothing-was"));
        }
    }

    private static String subject(String shop, String id, With with) {
        return shop + "\n" + id + "\n" + with.text();
    }

    /**
     * Takes back the keys of every account with a service that is gone; accounts that orders were paid through stay, as
     * not connected.
     */
    public void forgetAll(String serviceUrl) {
        sql.sql("""
                update gateway set state = 'not-connected', public_key = '', secret_cipher = null, secret_last4 = null,
                    webhook_cipher = null, tried_at = null
                where url like :url || '/%'""").param("url", serviceUrl).update();
        sql.sql("""
                delete from gateway g where url like :url || '/%'
                    and not exists (select 1 from payment p where p.shop = g.shop and p.gateway = g.id)
                """).param("url", serviceUrl).update();
    }

    private static void checkId(String id) {
        if (!id.matches("[a-z0-9]+(-[a-z0-9]+)*")) {
            throw wrong(
                    "id",
                    Message.of("payment.cannot-id", "id", id),
                    Message.of("payment.use-small-letters-digits-and-hyphens"));
        }
    }

    private static void check(String id, Keys keys, String used) {
        checkId(id);
        if (used.isEmpty() || keys.publicKey().isEmpty()) {
            throw wrong(
                    used.isEmpty() ? "secret" : "publicKey",
                    Message.of("payment.key-missing"),
                    Message.of("payment.paste-both-keys-of-account"));
        }
        for (String key : List.of(used, keys.publicKey())) {
            if (!ServiceAccess.canBeSecret(key)) {
                throw wrong(
                        key.equals(used) ? "secret" : "publicKey",
                        Message.of("payment.this-key-has-line-break-space-or"),
                        Message.of("payment.copy-again-without-what-stands-around"));
            }
        }
        if (used.startsWith("public-") || keys.publicKey().startsWith("secret-")) {
            throw wrong(
                    "secret",
                    Message.of("payment.two-keys-swapped"),
                    Message.of("payment.publishable-key-goes-first-secret-one-second"));
        }
        if (modeOf(used).isEmpty() || modeOf(keys.publicKey()).isEmpty()) {
            throw wrong(
                    modeOf(used).isEmpty() ? "secret" : "publicKey",
                    Message.of("payment.this-key-of-another-kind-neither-for"),
                    Message.of("payment.copy-both-keys-from-where-provider-shows"));
        }
        if (!modeOf(used).equals(modeOf(keys.publicKey()))) {
            throw wrong(
                    "publicKey",
                    Message.of("payment.one-key-for-test-mode-and-other"),
                    Message.of("payment.paste-both-keys-of-same-mode"));
        }
        keys.mode().filter(mode -> !mode.equals(modeOf(used))).ifPresent(mode -> {
            throw wrong(
                    "secret",
                    Message.of("payment.these-keys-and-mode-chosen", "modeOf", modeOf(used), "mode", mode),
                    Message.of("payment.choose-mode-or-paste-keys-of-account", "modeOf", modeOf(used), "mode", mode));
        });
    }

    /** @throws ApiProblem if the provider prints no text like this on a statement */
    private static void check(String statement, Provider.StatementLength length) {
        if (!statement.isEmpty()
                && (statement.length() < length.least()
                        || statement.length() > length.most()
                        || statement.chars().anyMatch(c -> c < ' ' || c > '~'))) {
            throw wrong(
                    "statement",
                    Message.of("payment.cannot-stand-on-statement", "statement", statement),
                    Message.of("payment.provider-prints-from-to", "least", length.least(), "most", length.most()));
        }
    }

    private static ApiProblem wrong(String path, Message sentence, Message remedy) {
        return new ApiProblem(HttpStatus.UNPROCESSABLE_CONTENT, path, sentence, remedy);
    }

    private Provider.Account account(ServiceAccess access, String publicKey) {
        try {
            Provider.Account account = provider.account(access);
            if (!account.publicKey().equals(publicKey)) {
                throw wrong(
                        "publicKey",
                        Message.of("payment.publishable-key-belongs-to-another-account-than"),
                        Message.of("payment.copy-both-from-same-page-of-provider"));
            }
            return account;
        } catch (ProviderRejection e) {
            throw wrong(
                    "secret",
                    Message.of("payment.provider-does-not-know-this-secret-key"),
                    Message.of("payment.copy-again-from-provider-whole-and-without"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "secret",
                    Message.of("payment.provider-not-answering-so-keys-could-not"),
                    Message.of("payment.try-again-in-few-minutes-nothing-was"));
        }
    }

    private static Gateway stateOf(Provider.Account account) {
        return !account.approved()
                ? Gateway.WAITING_FOR_APPROVAL
                : account.mode().equals("live") ? Gateway.LIVE : Gateway.TEST;
    }

    /** Asks the provider how an account stands: approval comes, and keys are withdrawn, without anybody telling. */
    public GatewayView ask(String shop, String id) {
        Row row = row(shop, id)
                .filter(Row::connected)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "id",
                        Message.of("payment.there-no-such-account"),
                        Message.of("payment.connect-one")));
        try {
            put(shop, id, stateOf(provider.account(new ServiceAccess(row.url(), vault.opened(row.secretCipher())))));
        } catch (ProviderRejection e) {
            put(shop, id, Gateway.FAILING);
        } catch (ProviderTimeout e) {
            LOG.info("account {} of {} was not asked after: {}", id, shop, e.getMessage());
        }
        return view(row(shop, id).orElseThrow());
    }

    private void put(String shop, String id, Gateway state) {
        sql.sql("update gateway set state = :state where shop = :shop and id = :id")
                .param("state", Json.named(state))
                .param("shop", shop)
                .param("id", id)
                .update();
    }

    private record AccountKey(String shop, String id) {}

    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    void askAfterAccounts() {
        sql.sql("select shop, id from gateway where secret_cipher is not null")
                .query(AccountKey.class)
                .list()
                .forEach(each -> ask(each.shop(), each.id()));
    }

    /** Notes that a true test payment went through. */
    public void tried(String shop, String id) {
        sql.sql("update gateway set tried_at = :at where shop = :shop and id = :id")
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("shop", shop)
                .param("id", id)
                .update();
    }

    /** What opens the provider's door for a shop. */
    public ServiceAccess access(String shop, String id) {
        Row row = row(shop, id)
                .filter(Row::connected)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "method",
                        Message.of("payment.this-way-of-paying-not-connected"),
                        Message.of("payment.choose-another")));
        return new ServiceAccess(row.url(), vault.opened(row.secretCipher()));
    }

    public Optional<String> webhookSecret(String shop, String id) {
        return row(shop, id).filter(Row::connected).map(row -> vault.opened(row.webhookCipher()));
    }

    public Optional<GatewayView> of(String shop, String id) {
        return row(shop, id).map(Gateways::view);
    }

    private List<Row> rows(String shop) {
        return sql.sql("""
                select id, provider, url, mode, public_key, secret_cipher, secret_last4, webhook_cipher, state,
                    statement, tried_at
                from gateway where shop = :shop order by id""").param("shop", shop).query(Row.class).list();
    }

    private Optional<Row> row(String shop, String id) {
        return rows(shop).stream().filter(row -> row.id().equals(id)).findFirst();
    }

    private static Gateway state(Row row) {
        return Gateway.valueOf(row.state().toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    private static GatewayView view(Row row) {
        return new GatewayView(
                row.id(),
                With.valueOf(row.provider().toUpperCase(Locale.ROOT)),
                row.url(),
                Optional.ofNullable(row.mode()),
                row.publicKey(),
                Optional.ofNullable(row.secretLast4()),
                state(row),
                row.statement(),
                Optional.ofNullable(row.triedAt()));
    }

    private static String modeOf(String key) {
        String[] parts = key.split("-");
        return parts.length > 1 && (parts[1].equals("test") || parts[1].equals("live")) ? parts[1] : "";
    }
}
