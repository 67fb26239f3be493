package vestcoin.app.picture;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.HexFormat;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The pictures a shop keeps, by the SHA-256 of their bytes. One that no product names any more stays, for undo. */
@Repository
public class Pictures {
    private final JdbcClient sql;
    private final Clock clock;

    Pictures(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Keeps one, once. @return its name */
    public String keep(String shop, byte[] bytes) {
        String name = HexFormat.of().formatHex(digest().digest(bytes));
        sql.sql("merge into picture(shop, name, bytes, at) key (shop, name) values (:shop, :name, :bytes, :at)")
                .param("shop", shop)
                .param("name", name)
                .param("bytes", bytes)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        return name;
    }

    public Optional<byte[]> find(String shop, String name) {
        return sql.sql("select bytes from picture where shop = :shop and name = :name")
                .param("shop", shop)
                .param("name", name)
                .query((row, number) -> row.getBytes("bytes"))
                .optional();
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
