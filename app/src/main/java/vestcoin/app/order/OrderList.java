package vestcoin.app.order;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.app.format.OrderFile;
import vestcoin.app.outside.MailAddress;
import vestcoin.core.life.NextStep;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.place.Destination;

/** The list of a shop's orders: its pages, newest first, and what is sought in it. */
@Repository
public class OrderList {
    public static final int PAGE = 50;
    /** How far the orders of a list are counted. */
    public static final int COUNTED = 1_000;
    /** How far those are counted that wait for a next step. */
    public static final int STEPS_COUNTED = 99;

    /** One row of the list, its amount in minor units. @param slot start of the one it took, null where it took none */
    public record Row(
            int number,
            String name,
            String country,
            String mode,
            String currency,
            long payable,
            String method,
            String way,
            Instant placedAt,
            String standing,
            String sent,
            boolean cancelled,
            boolean withdrawn,
            LocalDateTime slot) {}

    private final JdbcClient sql;

    OrderList(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * What of the list is wanted; empty for all. A step stands alone: what else is asked is left aside. @param step
     * what is to be done next @param afterwards ids of the ways to pay that bring the money when the goods are handed
     * over, or later @param standing as {@link PaymentStanding} has it @param words an order number, or the beginning
     * of a name or e-mail address @param kept what else an order has to be
     */
    public record OrderFilter(
            Optional<NextStep> step,
            List<String> afterwards,
            Optional<String> standing,
            Optional<String> mode,
            Optional<String> words,
            Kept kept) {}

    /**
     * What an order has to be besides. @param from first moment it was placed in @param to first moment after @param
     * way how it gets there @param method how it is paid @param country where it goes, ISO 3166-1
     */
    public record Kept(
            Optional<Instant> from,
            Optional<Instant> to,
            Optional<String> way,
            Optional<String> method,
            Optional<String> country) {
        public static final Kept ALL =
                new Kept(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        /** The column whose index the list is read by, the most telling of those asked for. */
        private Optional<String> column() {
            return way.map(any -> "way").or(() -> country.map(any -> "country")).or(() -> method.map(any -> "method"));
        }
    }

    /** A page of the list, newest first, below an order number. */
    public List<Row> page(String shop, OrderFilter wanted, int below, int most) {
        Map<String, Object> params = params(shop, wanted);
        params.put("below", below);
        params.put("most", most);
        String which = "number < :below" + where(wanted);
        Optional<String> from = wanted.step()
                .map(step -> found(step, " and o.number < :below order by o.number desc limit :most"))
                .or(() -> beginning(wanted) ? Optional.of(found(wanted, "")) : Optional.empty());
        if (from.isPresent()) {
            List<Integer> found = sql.sql(
                            "select found from " + from.get() + " where found < :below order by found desc limit :most")
                    .params(params)
                    .query(Integer.class)
                    .list();
            if (found.isEmpty()) {
                return List.of();
            }
            params.put("found", found);
            which = "number in (:found)";
        }
        Optional<String> column =
                from.isPresent() ? Optional.empty() : wanted.kept().column();
        return sql.sql("select number, name, country, mode, currency, payable, method, way, placed_at, standing, sent, "
                        + "cancelled_at is not null as cancelled, "
                        + "exists (select 1 from withdrawal w where w.waiting = orders.id) as withdrawn, "
                        + "(select min(s.starts) from slot_taken s where s.order_id = orders.id) as slot "
                        + "from " + indexed(column) + " where shop = :shop and " + which
                        + " order by " + sorted(column) + " limit :most")
                .params(params)
                .query(Row.class)
                .list();
    }

    /**
     * How many are wanted in all, counted as far as {@value #COUNTED}: a count of a hundred thousand would read them
     * all for a figure nobody acts on.
     *
     * @return one more than {@value #COUNTED}, or for a step {@value #STEPS_COUNTED}, where there are more
     */
    public int count(String shop, OrderFilter wanted) {
        String from = wanted.step()
                .map(step -> found(step, " limit :counted"))
                .orElseGet(() -> beginning(wanted)
                        ? found(wanted, "limit :counted")
                        : indexed(wanted.kept().column()) + " where shop = :shop" + where(wanted) + " order by "
                                + sorted(wanted.kept().column()));
        Map<String, Object> params = params(shop, wanted);
        params.put("counted", (wanted.step().isPresent() ? STEPS_COUNTED : COUNTED) + 1);
        return sql.sql("select count(*) from (select 1 from " + from + " limit :counted)")
                .params(params)
                .query(Integer.class)
                .single();
    }

    /** The table, read by the index of a column; H2 left to itself goes through the newest until it has a page. */
    private static String indexed(Optional<String> column) {
        return column.map(name -> "orders use index (orders_by_" + name + ")").orElse("orders");
    }

    private static String sorted(Optional<String> column) {
        return column.map(name -> "shop, " + name + ", number desc").orElse("shop, number desc");
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
        Kept kept = wanted.kept();
        return (wanted.standing().isPresent() ? " and standing = :standing" : "")
                + (wanted.mode().isPresent() ? " and mode = :mode" : "")
                + (kept.way().isPresent() ? " and way = :way" : "")
                + (kept.method().isPresent() ? " and method = :method" : "")
                + (kept.country().isPresent() ? " and country = :country" : "")
                // Numbers rise with time, so a span is one of numbers, and found at both its ends.
                + (kept.from().isPresent()
                        ? " and number >= coalesce((select number from orders use index (orders_by_time) where shop = "
                                + ":shop and placed_at >= :since order by placed_at limit 1), 2147483647)"
                        : "")
                + (kept.to().isPresent()
                        ? " and number < coalesce((select number from orders use index (orders_by_time) where shop = "
                                + ":shop and placed_at >= :until order by placed_at limit 1), 2147483647)"
                        : "")
                + wanted.words()
                        .filter(OrderList::isNumber)
                        .map(words -> " and number = :number")
                        .orElse("");
    }

    private static final String OPEN =
            " and o.cancelled_at is null and not exists (select 1 from withdrawal w where w.waiting = o.id)";
    private static final String BOOKED = "exists (select 1 from slot_taken s where s.order_id = o.id)";

    /**
     * Numbers of the orders of a step, the newest of each standing: {@link NextStep#of} in SQL, and held to it by a
     * test. Each is sought by an index of its own, so that what is done costs nothing.
     *
     * @param each what each of the queries is bounded by
     */
    private static String found(NextStep step, String each) {
        List<String> queries =
                switch (step) {
                    case LOOK_AT ->
                        List.of(
                                ofStanding("disputed", "", each),
                                ofStanding("dispute lost", "", each),
                                ofStanding("paid in part", OPEN, each));
                    case AWAIT_MONEY ->
                        List.of(
                                ofStanding("unpaid", OPEN, each),
                                ofStanding("failed", OPEN, each),
                                ofStanding(
                                        "waiting",
                                        OPEN + " and (o.sent in ('all', 'nothing') or o.method not in (:afterwards))",
                                        each));
                    case WITHDRAWN -> List.of(bounded("""
                                select o.number as found from withdrawal w join orders o on o.id = w.waiting
                                where o.shop = :shop and o.cancelled_at is null
                                    and o.standing not in ('disputed', 'dispute lost')""", each));
                    case MAKE_READY -> List.of(bounded("""
                                select distinct o.number as found from slot_taken s join orders o on o.id = s.order_id
                                where s.shop = :shop and o.sent in ('no', 'in part')
                                    and (o.standing in ('paid', 'authorised', 'refunded in part')
                                        or o.standing = 'waiting' and o.method in (:afterwards))""" + OPEN, each));
                    case SEND -> toSend(each);
                    case NOTHING -> throw new IllegalArgumentException("nothing is to be done with these");
                };
        return "(" + String.join(" union all ", queries) + ")";
    }

    private static List<String> toSend(String each) {
        List<String> queries = new ArrayList<>();
        for (String sent : List.of("no", "in part")) {
            for (String standing : List.of("paid", "authorised", "refunded in part", "waiting")) {
                queries.add(bounded(
                        "select o.number as found from orders o use index (orders_by_sent) where o.shop = :shop"
                                + " and o.sent = '" + sent + "' and o.standing = '" + standing + "'" + OPEN
                                + " and not "
                                + BOOKED + (standing.equals("waiting") ? " and o.method in (:afterwards)" : ""),
                        each));
            }
        }
        return queries;
    }

    private static String ofStanding(String standing, String and, String each) {
        return bounded(
                "select o.number as found from orders o use index (orders_by_standing) where o.shop = :shop"
                        + " and o.standing = '" + standing + "'" + and,
                each);
    }

    private static String bounded(String query, String each) {
        return "(" + query + each + ")";
    }

    private static Map<String, Object> params(String shop, OrderFilter wanted) {
        Map<String, Object> params = new HashMap<>(Map.of("shop", shop));
        // A list that no way of paying is in.
        params.put("afterwards", wanted.afterwards().isEmpty() ? List.of("") : wanted.afterwards());
        Kept kept = wanted.kept();
        kept.way().ifPresent(way -> params.put("way", way));
        kept.method().ifPresent(method -> params.put("method", method));
        kept.country().ifPresent(country -> params.put("country", country));
        kept.from().ifPresent(from -> params.put("since", from.atOffset(ZoneOffset.UTC)));
        kept.to().ifPresent(to -> params.put("until", to.atOffset(ZoneOffset.UTC)));
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

    private static final String LATEST_PLACES = """
            select o.document from orders o join (
              select country, max(id) as latest, count(*) as many from orders where shop = :shop
              group by country) each on each.latest = o.id
            order by each.many desc, each.country limit :most
            """;

    /** Where the latest orders of each country went, the country with most orders first. */
    public List<Destination> latestPlaces(String shop, int most) {
        return sql.sql(LATEST_PLACES).param("shop", shop).param("most", most).query(String.class).list().stream()
                .map(document -> OrderFile.parse(document).to())
                .toList();
    }
}
