package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.app.outside.MailAddress;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Credit;

/**
 * Buyers a seller lets pay on account without being a confirmed business, known by their e-mail address. It counts for
 * whoever has shown that the address is theirs, and for who an order is taken for at the desk.
 */
@Repository
public class Credits {
    /** @param most they may owe, in minor units; what the way to pay says without it @param currency of that */
    record Given(String buyer, Long most, String currency, Instant at) {
        Optional<BigDecimal> limit() {
            return Optional.ofNullable(most).map(minor -> BigDecimal.valueOf(minor, digits(currency)));
        }
    }

    /** @param email the buyer's @param limit most they may owe; what the way to pay says without it */
    public record MayOwe(String email, Optional<BigDecimal> limit, String currency, Instant since) {}

    private static final String GIVEN = "select buyer, most, currency, at from credit where shop = :shop ";

    private final JdbcClient sql;
    private final Clock clock;

    Credits(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /**
     * What a buyer is let owe, if anything. A limit in another currency, from before the shop changed its own, lets
     * nobody owe until it is set anew.
     *
     * @param currency of the shop
     */
    public Optional<Credit> of(String shop, String email, String currency) {
        return sql.sql(GIVEN + "and buyer = :buyer")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .query(Given.class)
                .optional()
                .filter(given -> given.most() == null || given.currency().equals(currency))
                .map(given -> new Credit(given.limit()));
    }

    /** Those of a shop after one of them, by their address. */
    public List<MayOwe> page(String shop, String after, int most) {
        return sql
                .sql(GIVEN + "and buyer > :after order by buyer limit :most")
                .param("shop", shop)
                .param("after", after)
                .param("most", most)
                .query(Given.class)
                .list()
                .stream()
                .map(given -> new MayOwe(given.buyer(), given.limit(), given.currency(), given.at()))
                .toList();
    }

    /** Lets a buyer pay on account, or changes how much they may owe. @param limit in the shop's currency */
    public void give(String shop, String email, Optional<BigDecimal> limit, String currency, String by) {
        sql.sql("merge into credit(shop, buyer, most, currency, given_by, at) key (shop, buyer) "
                        + "values (:shop, :buyer, :most, :currency, :by, :at)")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .param(
                        "most",
                        limit.map(amount ->
                                        amount.movePointRight(digits(currency)).longValueExact())
                                .orElse(null))
                .param("currency", currency)
                .param("by", by)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }

    /** Orders that stand are not touched. */
    public void take(String shop, String email) {
        sql.sql("delete from credit where shop = :shop and buyer = :buyer")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .update();
    }

    /**
     * What a buyer still owes on account, in minor units of a currency.
     *
     * @param taxNumber confirmed; empty for none
     * @param email of theirs, as far as it is known; empty for none
     * @param methods ids of the ways to pay that are on account
     */
    public long owed(String shop, String taxNumber, String email, String currency, List<String> methods) {
        String of = "select id from orders where shop = :shop and currency = :currency and ";
        // Two questions, each by an index of its own.
        String theirs = Stream.of(
                        taxNumber.isEmpty() ? "" : of + "tax_number = :number",
                        email.isEmpty() ? "" : of + "buyer = :buyer")
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" union "));
        return methods.isEmpty() || theirs.isEmpty()
                ? 0
                : sql.sql("select coalesce(sum(p.amount - p.captured), 0) from (" + theirs + ") theirs "
                                + "join payment p on p.order_id = theirs.id "
                                + "where p.method in (:methods) and p.alive is not null")
                        .param("shop", shop)
                        .param("currency", currency)
                        .param("number", taxNumber)
                        .param("buyer", MailAddress.normal(email))
                        .param("methods", methods)
                        .query(Long.class)
                        .single();
    }

    private static int digits(String currency) {
        return Currencies.of(currency).orElseThrow().getDecimalPlaces();
    }
}
