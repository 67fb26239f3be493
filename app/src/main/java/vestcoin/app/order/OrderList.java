package vestcoin.app.order;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.app.outside.MailAddress;

/** The list of a shop's orders: its pages, newest first, and what is sought in it. */
@Repository
public class OrderList {
    public static final int PAGE = 50;
    /** How far the orders of a list are counted. */
    public static final int COUNTED = 1_000;

    /** One row of the list, its amount in minor units. */
    public record Row(
            int number,
            String name,
            String country,
            String mode,
            String currency,
            long payable,
            String method,
            Instant placedAt,
            String standing,
            String sent,
            boolean cancelled,
            boolean withdrawn) {}

    private final JdbcClient sql;

    OrderList(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * What of the list is wanted; empty for all. @param standing as {@link vestcoin.core.life.PaymentStanding} has
     * it @param words an order number, or the beginning of a name or e-mail address
     */
    public record OrderFilter(Optional<String> standing, Optional<String> mode, Optional<String> words) {}

    /** A page of the list, newest first, below an order number. */
    public List<Row> page(String shop, OrderFilter wanted, int below, int most) {
        Map<String, Object> params = params(shop, wanted);
        params.put("below", below);
        params.put("most", most);
        String which = "number < :below" + where(wanted);
        if (beginning(wanted)) {
            List<Integer> found = sql.sql("select found from " + found(wanted, "")
                            + " where found < :below order by found desc limit :most")
                    .params(params)
                    .query(Integer.class)
                    .list();
            if (found.isEmpty()) {
                return List.of();
            }
            params.put("found", found);
            which = "number in (:found)";
        }
        return sql.sql("select number, name, country, mode, currency, payable, method, placed_at, standing, sent, "
                        + "cancelled_at is not null as cancelled, "
                        + "exists (select 1 from withdrawal w where w.waiting = orders.id) as withdrawn "
                        + "from orders where shop = :shop and " + which + " order by shop, number desc limit :most")
                .params(params)
                .query(Row.class)
                .list();
    }

    /**
     * How many are wanted in all, counted as far as {@value #COUNTED}: a count of a hundred thousand would read them
     * all for a figure nobody acts on.
     *
     * @return one more than {@value #COUNTED} where there are more
     */
    public int count(String shop, OrderFilter wanted) {
        String from = beginning(wanted)
                ? found(wanted, "limit :counted")
                : "orders where shop = :shop" + where(wanted) + " order by shop, number desc";
        Map<String, Object> params = params(shop, wanted);
        params.put("counted", COUNTED + 1);
        return sql.sql("select count(*) from (select 1 from " + from + " limit :counted)")
                .params(params)
                .query(Integer.class)
                .single();
    }

    /** Whether orders are sought by how a name or an address begins. */
    private static boolean beginning(OrderFilter wanted) {
        return wanted.words().isPresent()
                && wanted.words().filter(OrderList::isNumber).isEmpty();
    }

    private static boolean isNumber(String words) {
        return words.matches("[0-9]{1,9}");
    }

    /**
     * Numbers of the orders whose name or address begins so, each by its index. They are sought in a query of their
     * own, and with the index named: joined to the list, H2 goes through the whole list and looks each order up in
     * here.
     */
    private static String found(OrderFilter wanted, String each) {
        return """
                ((select number as found from orders use index (orders_of_buyer)
                 where shop = :shop and buyer >= :from and buyer < :to%1$s %2$s)
                 union
                 (select number from orders use index (orders_by_name)
                 where shop = :shop and name_begins >= :from and name_begins < :to%1$s %2$s))
                """.formatted(where(wanted), each);
    }

    private static String where(OrderFilter wanted) {
        return (wanted.standing().isPresent() ? " and standing = :standing" : "")
                + (wanted.mode().isPresent() ? " and mode = :mode" : "")
                + wanted.words()
                        .filter(OrderList::isNumber)
                        .map(words -> " and number = :number")
                        .orElse("");
    }

    private static Map<String, Object> params(String shop, OrderFilter wanted) {
        Map<String, Object> params = new HashMap<>(Map.of("shop", shop));
        wanted.standing().ifPresent(standing -> params.put("standing", standing));
        wanted.mode().ifPresent(mode -> params.put("mode", mode));
        wanted.words().ifPresent(words -> {
            if (isNumber(words)) {
                params.put("number", Integer.parseInt(words));
            } else {
                params.put("from", MailAddress.normal(words));
                params.put("to", MailAddress.normal(words) + Character.MAX_VALUE);
            }
        });
        return params;
    }
}
