package vestcoin.app.message;

import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.outside.Vault;
import vestcoin.core.message.Message;

/** Which mail server a shop's letters leave by. Its password is written, never read. */
@Repository
public class MailServers {
    /** How the line is kept from being read. */
    public enum Security {
        STARTTLS,
        TLS,
        NONE
    }

    /** @param user empty where the server asks for nobody @param secret empty where it asks for none */
    record Access(String host, int port, Security security, String user, String secret) {}

    /** @param secretEndsWith last characters of the password */
    record ServerRecord(
            String host, int port, Security security, String user, Optional<String> secretEndsWith, Instant since) {}

    private record Row(
            String host,
            int port,
            String security,
            String userName,
            byte[] secretCipher,
            String secretLast4,
            Instant since,
            String trouble) {}

    private static final int LAST = 2;
    private static final int LONGEST = 300;

    private final JdbcClient sql;
    private final Vault vault;
    private final Clock clock;

    MailServers(JdbcClient sql, Vault vault, Clock clock) {
        this.sql = sql;
        this.vault = vault;
        this.clock = clock;
    }

    Optional<ServerRecord> known(String shop) {
        return row(shop)
                .map(row -> new ServerRecord(
                        row.host(),
                        row.port(),
                        security(row.security()),
                        row.userName(),
                        Optional.ofNullable(row.secretLast4()),
                        row.since()));
    }

    Optional<Access> access(String shop) {
        return row(shop)
                .map(row -> new Access(
                        row.host(),
                        row.port(),
                        security(row.security()),
                        row.userName(),
                        row.secretCipher() == null ? "" : vault.opened(row.secretCipher())));
    }

    /** What went wrong last, until a letter leaves. */
    public Optional<Message> trouble(String shop) {
        return row(shop).map(Row::trouble).filter(text -> !text.isEmpty()).map(ServiceReasons::of);
    }

    void keep(String shop, Access access) {
        String secret = access.secret();
        sql.sql("""
                merge into mail_server(shop, host, port, security, user_name, secret_cipher, secret_last4, since,
                    trouble) key (shop)
                values (:shop, :host, :port, :security, :user, :secret, :last4, :since, '')""")
                .param("shop", shop)
                .param("host", access.host())
                .param("port", access.port())
                .param("security", access.security().name().toLowerCase(java.util.Locale.ROOT))
                .param("user", access.user())
                .param("secret", secret.isEmpty() ? null : vault.sealed(secret), Types.VARBINARY)
                .param("last4", secret.isEmpty() ? null : secret.substring(Math.max(0, secret.length() - LAST)))
                .param("since", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }

    /** Whether any shop has one. */
    boolean any() {
        return sql.sql("select count(*) from mail_server").query(Integer.class).single() > 0;
    }

    void forget(String shop) {
        sql.sql("delete from mail_server where shop = :shop")
                .param("shop", shop)
                .update();
    }

    void wentWrong(String shop, String what) {
        sql.sql("update mail_server set trouble = :what where shop = :shop")
                .param("what", what.length() > LONGEST ? what.substring(0, LONGEST) : what)
                .param("shop", shop)
                .update();
    }

    void wentWell(String shop) {
        sql.sql("update mail_server set trouble = '' where shop = :shop and trouble <> ''")
                .param("shop", shop)
                .update();
    }

    private static Security security(String text) {
        return Security.valueOf(text.toUpperCase(java.util.Locale.ROOT));
    }

    private Optional<Row> row(String shop) {
        return sql.sql("select host, port, security, user_name, secret_cipher, secret_last4, since, trouble from "
                        + "mail_server where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .optional();
    }
}
