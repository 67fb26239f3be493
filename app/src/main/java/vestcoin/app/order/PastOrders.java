package vestcoin.app.order;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Orders that were taken, as they were asked for, read page by page: to be asked again under another setup. */
@Repository
public class PastOrders {
    /** @param document the order as a file */
    public record PastOrder(int number, String document) {}

    /**
     * Orders taken in a span and not called off.
     *
     * @param from the first instant
     * @param to the one after it
     * @param first the smallest of their numbers, nothing where there are none
     */
    public record PastSpan(String shop, Instant from, Instant to, int orders, Integer first, Integer last) {}

    private final JdbcClient sql;

    PastOrders(JdbcClient sql) {
        this.sql = sql;
    }

    private static final String TAKEN = """
            where shop = :shop and placed_at >= :from and placed_at < :to and cancelled_at is null
            """;

    /**
     * Those of a span whose numbers are from one to before another, by their number. Numbers bound the reading, and the
     * index is named: by that of times H2 would go through the whole span for each page.
     */
    public List<PastOrder> numbered(PastSpan span, int from, int before) {
        return sql.sql("select number, document from orders use index (orders_latest) " + TAKEN
                        + " and number >= :first and number < :before order by number")
                .param("shop", span.shop())
                .param("from", span.from().atOffset(ZoneOffset.UTC))
                .param("to", span.to().atOffset(ZoneOffset.UTC))
                .param("first", from)
                .param("before", before)
                .query(PastOrder.class)
                .list();
    }

    public PastSpan span(String shop, Instant from, Instant to) {
        return sql.sql("select :shop as shop, cast(:from as timestamp with time zone) as \"from\", "
                        + "cast(:to as timestamp with time zone) as \"to\", count(*) as orders, "
                        + "min(number) as first, max(number) as last from orders " + TAKEN)
                .param("shop", shop)
                .param("from", from.atOffset(ZoneOffset.UTC))
                .param("to", to.atOffset(ZoneOffset.UTC))
                .query(PastSpan.class)
                .single();
    }

    /** The order of a number, as it was asked for. */
    public Optional<PastOrder> numbered(String shop, int number) {
        return sql.sql("select number, document from orders where shop = :shop and number = :number")
                .param("shop", shop)
                .param("number", number)
                .query(PastOrder.class)
                .optional();
    }

    /** When the first order of a shop was placed. */
    public Optional<Instant> first(String shop) {
        return sql.sql("select placed_at from orders where shop = :shop order by placed_at limit 1")
                .param("shop", shop)
                .query(OffsetDateTime.class)
                .optional()
                .map(OffsetDateTime::toInstant);
    }
}
