package vestcoin.app.order;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.outside.MailAddress;

/**
 * Orders that were placed, paid and sent before anybody was here to see it, taken in many at a time. They take nothing
 * of stock, slots and codes, move no money, and nobody is written to.
 */
@Repository
public class EarlierOrders {
    /** @param number above all there are before it, so that numbers rise with time @param payable in minor units */
    public record EarlierOrder(
            int number, Instant at, NewOrder.PricedDocument priced, NewOrder.Customer customer, long payable) {}

    private static final String TAKE = """
            insert into orders(shop, number, token, client_key, edition, mode, document, currency, payable, due,
                method, email, buyer, name, country, address, placed_at, language, standing, sent, way, tax_number)
            values (:shop, :number, random_uuid(), :key, :edition, 'test', :document, :currency, :payable,
                :payable, :method, :email, :buyer, :name, :country, :address, :at, :language, 'paid', :sent, :way,
                :taxNumber)""";

    private final NamedParameterJdbcTemplate sql;

    EarlierOrders(NamedParameterJdbcTemplate sql) {
        this.sql = sql;
    }

    /** One that was taken in. */
    public record EnteredOrder(long id, Instant at) {}

    /** @param edition number of the one they were priced by @return them, by their number */
    @Transactional
    public List<EnteredOrder> take(String shop, int edition, List<EarlierOrder> orders) {
        sql.batchUpdate(
                TAKE,
                orders.stream()
                        .map(order -> Map.ofEntries(
                                Map.entry("shop", shop),
                                Map.entry("number", order.number()),
                                Map.entry("key", "earlier-" + order.number()),
                                Map.entry("edition", edition),
                                Map.entry("document", order.priced().order()),
                                Map.entry("currency", order.priced().currency()),
                                Map.entry("payable", order.payable()),
                                Map.entry("method", order.priced().method()),
                                Map.entry("email", order.customer().email()),
                                Map.entry(
                                        "buyer",
                                        MailAddress.normal(order.customer().email())),
                                Map.entry("name", order.customer().name()),
                                Map.entry("country", order.customer().country()),
                                Map.entry("address", order.customer().address()),
                                Map.entry("at", order.at().atOffset(ZoneOffset.UTC)),
                                Map.entry("language", order.customer().language()),
                                Map.entry("sent", order.priced().leaves() ? "all" : "nothing"),
                                Map.entry("way", order.priced().way()),
                                Map.entry("taxNumber", order.customer().taxNumber())))
                        .toArray(Map[]::new));
        sql.batchUpdate(
                "insert into order_quote(order_id, quote) select id, :quote from orders where shop = :shop and "
                        + "number = :number",
                orders.stream()
                        .map(order -> Map.of(
                                "shop",
                                shop,
                                "number",
                                order.number(),
                                "quote",
                                order.priced().quote()))
                        .toArray(Map[]::new));
        return sql.query(
                "select id, placed_at from orders where shop = :shop and number in (:numbers) order by number",
                Map.of(
                        "shop",
                        shop,
                        "numbers",
                        orders.stream().map(EarlierOrder::number).toList()),
                (row, at) -> new EnteredOrder(
                        row.getLong("id"),
                        row.getObject("placed_at", OffsetDateTime.class).toInstant()));
    }
}
