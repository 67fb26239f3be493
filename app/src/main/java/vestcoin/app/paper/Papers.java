package vestcoin.app.paper;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.format.Json;
import vestcoin.core.invoice.Credit;

/** Where invoices, credit notes and receipts of vouchers are kept. Nothing here changes one. */
@Repository
public class Papers {
    /** A row of the list. @param gross in minor units */
    public record Row(String number, String kind, int bill, long gross, Instant at) {}

    private record Kept(String kind, int bill, String content) {}

    private final JdbcClient sql;

    Papers(JdbcClient sql) {
        this.sql = sql;
    }

    public List<Row> ofOrder(long order) {
        return sql.sql("select number, kind, bill, gross, at from paper where order_id = :order order by id")
                .param("order", order)
                .query(Row.class)
                .list();
    }

    public Optional<Paper> find(long order, String number) {
        return sql.sql("select content from paper where order_id = :order and number = :number")
                .param("order", order)
                .param("number", number)
                .query(String.class)
                .optional()
                .map(content -> Json.read(content, Paper.class));
    }

    /** The invoices of an order as it is now, and the receipt of its vouchers, by the place of the bill. */
    Map<Integer, Paper> invoices(long order) {
        Map<Integer, Paper> invoices = new TreeMap<>();
        kept(order, "invoice", "receipt")
                .forEach(kept -> invoices.put(kept.bill(), Json.read(kept.content(), Paper.class)));
        return invoices;
    }

    /** Notes that an order is another from now on: its bills so far, credited whole, are none of what it is now. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void replaced(long order, int bills) {
        sql.sql("merge into replaced_bills(order_id, bills) key (order_id) values (:order, :bills)")
                .param("order", order)
                .param("bills", replaced(order) + bills)
                .update();
    }

    /** How many bills an order had before it was changed. */
    private int replaced(long order) {
        return sql.sql("select bills from replaced_bills where order_id = :order")
                .param("order", order)
                .query(Integer.class)
                .optional()
                .orElse(0);
    }

    /** What credit notes of an order as it is now have given back, by item. */
    public Map<String, Credit.CreditedShare> given(long order) {
        Map<String, Credit.CreditedShare> given = new TreeMap<>();
        kept(order, "credit", "receipt-back").forEach(kept -> Json.read(kept.content(), Paper.class)
                .bill()
                .items()
                .forEach(item -> given.merge(
                        item.key(), new Credit.CreditedShare(item.gross(), item.tax()), Credit.CreditedShare::and)));
        return given;
    }

    private List<Kept> kept(long order, String... kinds) {
        return sql.sql("select kind, bill - :replaced as bill, content from paper where order_id = :order "
                        + "and bill >= :replaced and kind in (:kinds) order by id")
                .param("order", order)
                .param("replaced", replaced(order))
                .param("kinds", List.of(kinds))
                .query(Kept.class)
                .list();
    }

    /**
     * Issues the next of a series. The series' row is locked until the end of the transaction, so numbers follow one
     * another without gaps.
     *
     * @param bill place of the bill, of the order as it is now
     * @param at when it is issued
     * @param made the paper with its number and day
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Paper issue(
            String shop,
            String mode,
            ZoneId zone,
            Paper.Kind kind,
            long order,
            int bill,
            Instant at,
            Function<Numbered, Paper> made) {
        LocalDate today = at.atZone(zone).toLocalDate();
        String of = Json.named(kind);
        int next = next(shop, mode, of, today.getYear());
        String number = (mode.equals("test") ? "TEST-" : "") + kind.letters() + today.getYear() + "-"
                + String.format("%05d", next);
        Paper paper = made.apply(new Numbered(number, today));
        BigDecimal gross = paper.bill().gross().add(paper.rounding());
        sql.sql("""
                insert into paper(shop, mode, kind, in_year, seq, number, order_id, bill, gross, content, at)
                values (:shop, :mode, :kind, :year, :seq, :number, :order, :bill, :gross, :content, :at)""")
                .param("shop", shop)
                .param("mode", mode)
                .param("kind", of)
                .param("year", today.getYear())
                .param("seq", next)
                .param("number", number)
                .param("order", order)
                .param("bill", replaced(order) + bill)
                .param(
                        "gross",
                        gross.setScale(CurrencyUnit.of(paper.currency()).getDecimalPlaces())
                                .unscaledValue()
                                .longValueExact())
                .param("content", Json.write(paper))
                .param("at", at.atOffset(ZoneOffset.UTC))
                .update();
        return paper;
    }

    /** What a paper is issued with. */
    public record Numbered(String number, LocalDate issued) {}

    private int next(String shop, String mode, String kind, int year) {
        // Of two first ones at the same time the later waits for the shop's row.
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .single();
        int next = sql.sql("select coalesce(max(latest), 0) + 1 from series where shop = :shop and mode = :mode and "
                        + "kind = :kind and in_year = :year")
                .param("shop", shop)
                .param("mode", mode)
                .param("kind", kind)
                .param("year", year)
                .query(Integer.class)
                .single();
        sql.sql("merge into series(shop, mode, kind, in_year, latest) key (shop, mode, kind, in_year) "
                        + "values (:shop, :mode, :kind, :year, :latest)")
                .param("shop", shop)
                .param("mode", mode)
                .param("kind", kind)
                .param("year", year)
                .param("latest", next)
                .update();
        return next;
    }
}
