package vestcoin.app.service;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.Vault;
import vestcoin.core.message.Message;

/** Which services outside a shop has connected. Their keys are written, never read. */
@Service
public class ServiceConnections {
    /** What can be connected. The path is where its simulation answers. */
    public enum Kind {
        CARRIER("carrier"),
        TAX_RATES("tax-rates"),
        SHORT_MESSAGES("short-messages");

        private final String path;

        Kind(String path) {
            this.path = path;
        }
    }

    /** @param secretEndsWith last four characters of the key */
    public record Connected(String url, Optional<String> secretEndsWith, Instant since) {}

    private record Row(String url, byte[] secretCipher, String secretLast4, Instant since) {}

    private final JdbcClient sql;
    private final Vault vault;
    private final Clock clock;
    private final String services;

    ServiceConnections(JdbcClient sql, Vault vault, Clock clock, @Value("${vest-coin.services}") String services) {
        this.sql = sql;
        this.vault = vault;
        this.clock = clock;
        this.services = services;
    }

    /**
     * Where a service of this kind would be, opened by a key not kept yet. @throws ApiProblem if the text can be no key
     */
    public ServiceAccess candidate(Kind kind, String secret) {
        if (!ServiceAccess.canBeSecret(secret)) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("service.this-no-key-empty-or-has-line"),
                    Message.of("service.copy-again-without-what-stands-around"));
        }
        return new ServiceAccess(serviceUrl(kind), secret);
    }

    public void connect(String shop, Kind kind, ServiceAccess access) {
        String secret = access.secret();
        sql.sql("""
                merge into link(shop, kind, url, secret_cipher, secret_last4, since) key (shop, kind)
                values (:shop, :kind, :url, :secret, :last4, :since)""")
                .param("shop", shop)
                .param("kind", kind.path)
                .param("url", access.url())
                .param("secret", vault.sealed(secret))
                .param("last4", secret.substring(Math.max(0, secret.length() - 4)))
                .param("since", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }

    /** Lets a rehearsal of a shop ask the services the shop has connected. */
    public void lend(String shop, String rehearsal) {
        sql.sql("insert into link(shop, kind, url, secret_cipher, secret_last4, since) select :rehearsal, kind, url, "
                        + "secret_cipher, secret_last4, since from link where shop = :shop")
                .param("shop", shop)
                .param("rehearsal", rehearsal)
                .update();
    }

    /** Shops that have connected such a service. */
    public List<String> shops(Kind kind) {
        return sql.sql("select shop from link where kind = :kind")
                .param("kind", kind.path)
                .query(String.class)
                .list();
    }

    /** Takes back every key of a service that is gone. */
    public void forgetAll(String serviceUrl) {
        sql.sql("delete from link where url like :url || '/%'")
                .param("url", serviceUrl)
                .update();
    }

    /** Where a service of this kind answers. */
    public String serviceUrl(Kind kind) {
        return services + "/" + kind.path;
    }

    public void disconnect(String shop, Kind kind) {
        sql.sql("delete from link where shop = :shop and kind = :kind")
                .param("shop", shop)
                .param("kind", kind.path)
                .update();
    }

    public Optional<Connected> connected(String shop, Kind kind) {
        return row(shop, kind)
                .map(row -> new Connected(row.url(), Optional.ofNullable(row.secretLast4()), row.since()));
    }

    public Optional<ServiceAccess> access(String shop, Kind kind) {
        return row(shop, kind).map(row -> new ServiceAccess(row.url(), vault.opened(row.secretCipher())));
    }

    private Optional<Row> row(String shop, Kind kind) {
        return sql.sql("select url, secret_cipher, secret_last4, since from link where shop = :shop and kind = :kind")
                .param("shop", shop)
                .param("kind", kind.path)
                .query(Row.class)
                .optional();
    }
}
