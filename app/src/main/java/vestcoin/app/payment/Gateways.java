package vestcoin.app.payment;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.core.payment.Gateway;

/** The accounts with providers: their keys, and how far each is. */
@Service
public class Gateways {
    /** What the desk may know. The secret itself is never among it. */
    public record GatewayView(String id, String url, Optional<String> mode, String publicKey, Optional<String> secretEndsWith, Gateway state) {}

    private record Row(String id, String url, String mode, String publicKey, byte[] secretCipher, String secretLast4, byte[] webhookCipher, String state) {}

    private final JdbcClient sql;
    private final Vault vault;
    private final CardService cards;
    private final String cardUrl;
    private final String ownUrl;

    Gateways(JdbcClient sql, Vault vault, CardService cards, @Value("${vest-coin.card-provider}") String cardUrl, @Value("${vest-coin.own-url}") String ownUrl) {
        this.sql = sql;
        this.vault = vault;
        this.cards = cards;
        this.cardUrl = cardUrl;
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
     * Stores keys after a real call has shown that they open an account.
     *
     * @param secret empty keeps the one stored
     */
    public GatewayView connect(String shop, String id, String publicKey, String secret) {
        Optional<Row> before = row(shop, id);
        if (!id.matches("[a-z0-9]+(-[a-z0-9]+)*")) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "id", "“" + id + "” cannot be an id.", "Use small letters, digits and hyphens.");
        }
        String used = secret == null || secret.isBlank() ? before.map(row -> vault.opened(row.secretCipher())).orElse("") : secret.strip();
        String shown = publicKey == null ? "" : publicKey.strip();
        if (used.isEmpty() || shown.isEmpty()) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, used.isEmpty() ? "secret" : "publicKey", "A key is missing.", "Paste both keys of the account.");
        }
        if (used.startsWith("public-") || shown.startsWith("secret-")) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "secret", "The two keys are swapped.", "The publishable key goes first, the secret one second.");
        }
        if (!mode(used).equals(mode(shown))) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "publicKey", "One key is for test mode and the other is not.", "Paste both keys of the same mode.");
        }
        CardService.Access access = new CardService.Access(before.map(Row::url).orElse(cardUrl), used);
        CardService.Account account = check(access, shown);
        String webhook = cards.webhook(access, ownUrl + "/hooks/" + shop + "/" + id);
        store(shop, id, access, account, shown, webhook);
        return view(row(shop, id).orElseThrow());
    }

    private CardService.Account check(CardService.Access access, String publicKey) {
        try {
            CardService.Account account = cards.account(access);
            if (!account.publicKey().equals(publicKey)) {
                throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "publicKey", "The publishable key belongs to another account than the secret one.", "Copy both from the same page of the provider.");
            }
            return account;
        } catch (CardService.Refusal e) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "secret", "The provider does not know this secret key.", "Copy it again from the provider, whole and without spaces.");
        } catch (CardService.Silent e) {
            throw new Told(HttpStatus.BAD_GATEWAY, "secret", "The provider is not answering, so the keys could not be checked.", "Try again in a few minutes; nothing was changed.");
        }
    }

    private void store(String shop, String id, CardService.Access access, CardService.Account account, String publicKey, String webhook) {
        Gateway state = !account.approved() ? Gateway.WAITING_FOR_APPROVAL : account.mode().equals("live") ? Gateway.LIVE : Gateway.TEST;
        String secret = access.secret();
        sql.sql("""
                merge into gateway(shop, id, url, mode, public_key, secret_cipher, secret_last4, webhook_cipher, state) key (shop, id)
                values (:shop, :id, :url, :mode, :public, :secret, :last4, :webhook, :state)""")
                .param("shop", shop).param("id", id).param("url", access.url()).param("mode", account.mode()).param("public", publicKey)
                .param("secret", vault.sealed(secret)).param("last4", secret.substring(Math.max(0, secret.length() - 4)))
                .param("webhook", vault.sealed(webhook)).param("state", Json.named(state)).update();
    }

    /** What opens the provider's door for a shop. */
    CardService.Access access(String shop, String id) {
        Row row = row(shop, id).orElseThrow(() -> new Told(HttpStatus.CONFLICT, "method", "This way of paying is not connected.", "Choose another."));
        return new CardService.Access(row.url(), vault.opened(row.secretCipher()));
    }

    public Optional<String> webhookSecret(String shop, String id) {
        return row(shop, id).map(row -> vault.opened(row.webhookCipher()));
    }

    public Optional<GatewayView> of(String shop, String id) {
        return row(shop, id).map(Gateways::view);
    }

    private List<Row> rows(String shop) {
        return sql.sql("select id, url, mode, public_key, secret_cipher, secret_last4, webhook_cipher, state from gateway where shop = :shop order by id")
                .param("shop", shop).query(Row.class).list();
    }

    private Optional<Row> row(String shop, String id) {
        return rows(shop).stream().filter(row -> row.id().equals(id)).findFirst();
    }

    private static Gateway state(Row row) {
        return Gateway.valueOf(row.state().toUpperCase(java.util.Locale.ROOT).replace('-', '_'));
    }

    private static GatewayView view(Row row) {
        return new GatewayView(row.id(), row.url(), Optional.ofNullable(row.mode()), row.publicKey(), Optional.ofNullable(row.secretLast4()), state(row));
    }

    private static String mode(String key) {
        String[] parts = key.split("-");
        return parts.length > 1 ? parts[1] : "";
    }
}
