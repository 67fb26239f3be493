package vestcoin.app.access;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.outside.MailAddress;

/**
 * Who belongs to a group of buyers, by e-mail address: put on its list by the seller, by its code, or by a request the
 * seller approved. It counts for whoever has shown that the address is theirs, and for who an order is taken for at the
 * desk.
 */
@Repository
public class Memberships {
    /** How somebody came to belong to a group. */
    public enum Way {
        LIST,
        CODE,
        REQUEST;

        String text() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /**
     * @param belongs whether they do, rather than ask to
     * @param note what they said when they asked
     * @param language they read the shop in, empty for the shop's own
     */
    public record Member(
            String buyer,
            String buyerGroup,
            boolean belongs,
            String cameBy,
            String note,
            String language,
            Instant at) {}

    private static final String MEMBER =
            "select buyer, buyer_group, belongs, came_by, note, language, at from group_member where shop = :shop ";

    private final JdbcClient sql;
    private final Clock clock;

    Memberships(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** What is known of an address. */
    public Optional<Member> of(String shop, String email) {
        return sql.sql(MEMBER + "and buyer = :buyer")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .query(Member.class)
                .optional();
    }

    /** Those of a shop after one of them, by their address. @param belongs whether they do, rather than ask to */
    public List<Member> page(String shop, boolean belongs, String after, int most) {
        return sql.sql(MEMBER + "and belongs = :belongs and buyer > :after order by buyer limit :most")
                .param("shop", shop)
                .param("belongs", belongs)
                .param("after", after)
                .param("most", most)
                .query(Member.class)
                .list();
    }

    /** Lets somebody belong to a group, and to no other. */
    public void add(String shop, String email, String group, Way by, String language) {
        put(shop, email, group, true, by, "", language);
    }

    /**
     * Writes down that somebody asks to belong to a group.
     *
     * @return whether it is new; nothing changes where they belong to one or asked for the same
     */
    @Transactional
    public boolean ask(String shop, String email, String group, String note, String language) {
        if (of(shop, email)
                .filter(known -> known.belongs() || known.buyerGroup().equals(group))
                .isPresent()) {
            return false;
        }
        put(shop, email, group, false, Way.REQUEST, note, language);
        return true;
    }

    /** Grants a request. @return whose it was, nothing where nobody asks any more */
    @Transactional
    public Optional<Member> grant(String shop, String email) {
        boolean asked =
                sql.sql("update group_member set belongs = true, at = :at where shop = :shop and buyer = :buyer "
                                        + "and not belongs")
                                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                                .param("shop", shop)
                                .param("buyer", MailAddress.normal(email))
                                .update()
                        == 1;
        return asked ? of(shop, email) : Optional.empty();
    }

    /** Takes somebody out of their group, or turns their request down. */
    public void remove(String shop, String email) {
        sql.sql("delete from group_member where shop = :shop and buyer = :buyer")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .update();
    }

    private void put(String shop, String email, String group, boolean belongs, Way by, String note, String language) {
        sql.sql("merge into group_member(shop, buyer, buyer_group, belongs, came_by, note, language, at) key (shop, "
                        + "buyer) values (:shop, :buyer, :group, :belongs, :by, :note, :language, :at)")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .param("group", group)
                .param("belongs", belongs)
                .param("by", by.text())
                .param("note", note)
                .param("language", language)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }
}
