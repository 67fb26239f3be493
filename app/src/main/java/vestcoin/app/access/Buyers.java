package vestcoin.app.access;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Base64;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Document;

/**
 * Letting buyers in by a letter: its key works once and for half an hour, and gives a session of thirty days. The
 * database knows only hashes of both.
 */
@Repository
public class Buyers {
    /** The cookie of a buyer's session. */
    public static final String COOKIE = "vest-coin-buyer";

    static final Duration LETTER = Duration.ofMinutes(30);
    public static final Duration SESSION = Duration.ofDays(30);
    /** No second letter to an address so soon. */
    private static final Duration PAUSE = Duration.ofMinutes(2);

    private static final int KEY_BYTES = 32;

    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Buyers(JdbcClient sql, @Qualifier(ApplicationClock.MACHINE) Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** A key to mail to an address, or nothing where one was just made. */
    @Transactional
    public Optional<String> letter(String shop, String email) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .single();
        boolean justNow = sql.sql("select count(*) from buyer_key where shop = :shop and buyer = :buyer and kind = "
                                + "'letter' and at > :since")
                        .param("shop", shop)
                        .param("buyer", MailAddress.normal(email))
                        .param("since", clock.instant().minus(PAUSE).atOffset(ZoneOffset.UTC))
                        .query(Long.class)
                        .single()
                > 0;
        return justNow ? Optional.empty() : Optional.of(made(shop, MailAddress.normal(email), "letter", LETTER));
    }

    /** Lets in whoever has the key of a letter, once. @return the key of the session */
    @Transactional
    public Optional<String> enter(String shop, String key) {
        String hash = Document.hash(key);
        int used = sql.sql("update buyer_key set used = true where hash = :hash and shop = :shop and kind = 'letter' "
                        + "and not used and until > :now")
                .param("hash", hash)
                .param("shop", shop)
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        return used == 0
                ? Optional.empty()
                : Optional.of(made(
                        shop,
                        sql.sql("select buyer from buyer_key where hash = :hash")
                                .param("hash", hash)
                                .query(String.class)
                                .single(),
                        "session",
                        SESSION));
    }

    /** The address of who is signed in to a shop with a session's key. */
    public Optional<String> in(String shop, String key) {
        return key == null || key.isEmpty()
                ? Optional.empty()
                : sql.sql("select buyer from buyer_key where hash = :hash and shop = :shop and kind = "
                                + "'session' and until > :now")
                        .param("hash", Document.hash(key))
                        .param("shop", shop)
                        .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                        .query(String.class)
                        .optional();
    }

    public void leave(String key) {
        sql.sql("delete from buyer_key where hash = :hash and kind = 'session'")
                .param("hash", Document.hash(key))
                .update();
    }

    private String made(String shop, String buyer, String kind, Duration life) {
        byte[] bytes = new byte[KEY_BYTES];
        random.nextBytes(bytes);
        String key = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        Instant now = clock.instant();
        sql.sql("insert into buyer_key(hash, shop, buyer, kind, at, until) values (:hash, :shop, :buyer, "
                        + ":kind, :at, :until)")
                .param("hash", Document.hash(key))
                .param("shop", shop)
                .param("buyer", buyer)
                .param("kind", kind)
                .param("at", now.atOffset(ZoneOffset.UTC))
                .param("until", now.plus(life).atOffset(ZoneOffset.UTC))
                .update();
        return key;
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT1M")
    void forgetWhatHasEnded() {
        sql.sql("delete from buyer_key where until < :now")
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }
}
