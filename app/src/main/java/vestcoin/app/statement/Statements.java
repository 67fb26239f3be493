package vestcoin.app.statement;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.payment.Surpluses;
import vestcoin.core.life.StatementMatch;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.CreditorReference;
import vestcoin.core.payment.SwissPayload;

/**
 * Takes bank statements in. An entry is taken once; what it pays is booked on the payment that waits for it, in the
 * same transaction.
 */
@Service
public class Statements {
    private static final Pattern REFERENCE = Pattern.compile("RF[0-9]{2}[A-Z0-9 ]{1,26}");
    private static final Pattern QR_REFERENCE = Pattern.compile("(?<!\\d)\\d(?: ?\\d){26}(?!\\d)");
    private static final int SHOWN = 200;

    /** What became of an entry. @param order it was for @param surplus to be given back */
    public record Line(
            String entry,
            LocalDate booked,
            BigDecimal amount,
            String currency,
            String payer,
            String told,
            Optional<Integer> order,
            String state,
            BigDecimal surplus) {}

    /** @param known entries that had been taken in before */
    public record StatementResult(List<Line> lines, int known) {}

    private record Row(
            String entry,
            LocalDate booked,
            long amount,
            String currency,
            String payer,
            String told,
            Integer number,
            String state,
            long surplus) {}

    private final JdbcClient sql;
    private final Orders orders;
    private final PaymentBook book;
    private final Payments payments;
    private final Surpluses surpluses;
    private final Clock clock;

    Statements(JdbcClient sql, Orders orders, PaymentBook book, Payments payments, Surpluses surpluses, Clock clock) {
        this.sql = sql;
        this.orders = orders;
        this.book = book;
        this.payments = payments;
        this.surpluses = surpluses;
        this.clock = clock;
    }

    /** The latest entries taken in. */
    public List<Line> latest(String shop) {
        return sql.sql("""
                select b.entry, b.booked, b.amount, b.currency, b.payer, b.told, o.number, b.state, b.surplus
                from bank_entry b left join orders o on o.id = b.order_id where b.shop = :shop order by b.at desc,
                    b.entry limit :most""").param("shop", shop).param("most", SHOWN).query(Row.class).list().stream()
                .map(Statements::line)
                .toList();
    }

    private static Line line(Row row) {
        int digits = CurrencyUnit.of(row.currency()).getDecimalPlaces();
        return new Line(
                row.entry(),
                row.booked(),
                BigDecimal.valueOf(row.amount(), digits),
                row.currency(),
                row.payer(),
                row.told(),
                Optional.ofNullable(row.number()),
                row.state(),
                BigDecimal.valueOf(row.surplus(), digits));
    }

    /** Takes a statement in, all of it or nothing. */
    @Transactional
    public StatementResult take(String shop, List<StatementFile.Entry> entries, String actor) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .single();
        List<Line> lines = new ArrayList<>();
        int known = 0;
        for (StatementFile.Entry entry : entries) {
            if (sql.sql("select count(*) from bank_entry where shop = :shop and entry = :entry")
                            .param("shop", shop)
                            .param("entry", entry.id())
                            .query(Integer.class)
                            .single()
                    > 0) {
                known++;
            } else {
                lines.add(take(shop, entry, actor));
            }
        }
        return new StatementResult(lines, known);
    }

    private Line take(String shop, StatementFile.Entry entry, String actor) {
        int digits = Currencies.of(entry.currency())
                .map(CurrencyUnit::getDecimalPlaces)
                .orElse(2);
        long amount = entry.amount()
                .setScale(digits, java.math.RoundingMode.DOWN)
                .unscaledValue()
                .longValueExact();
        Optional<Orders.Order> order =
                order(shop, entry).filter(found -> found.currency().equals(entry.currency()));
        Optional<PaymentBook.Payment> waiting = order.flatMap(found -> book.ofOrder(found.id()).stream()
                .filter(payment -> !payment.throughProvider() && !payment.byVoucher())
                .findFirst());
        StatementMatch match = waiting.map(payment -> StatementMatch.of(amount, payment.life()))
                .orElse(StatementMatch.NONE);
        String key = UUID.nameUUIDFromBytes((shop + " " + entry.id()).getBytes(StandardCharsets.UTF_8))
                .toString();
        if (match.taken() > 0) {
            payments.here(waiting.orElseThrow(), Provider.Kind.CAPTURE, key, match.taken(), actor);
        }
        if (match.surplus() > 0 && waiting.isPresent()) {
            surpluses.keep(waiting.get().orderId(), key, match.surplus(), actor);
        }
        sql.sql("""
                insert into bank_entry(shop, entry, amount, currency, booked, payer, told, order_id, state, surplus, at)
                values (:shop, :entry, :amount, :currency, :booked, :payer, :told, :order, :state, :surplus, :at)""")
                .param("shop", shop)
                .param("entry", entry.id())
                .param("amount", amount)
                .param("currency", entry.currency())
                .param("booked", entry.day())
                .param("payer", entry.payer())
                .param("told", entry.told())
                .param("order", waiting.map(PaymentBook.Payment::orderId).orElse(null))
                .param("state", match.kind().text())
                .param("surplus", match.surplus())
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        return line(new Row(
                entry.id(),
                entry.day(),
                amount,
                entry.currency(),
                entry.payer(),
                entry.told(),
                waiting.isPresent() ? order.get().number() : null,
                match.kind().text(),
                match.surplus()));
    }

    /** The order whose whole reference is in what the payer wrote; nothing is guessed from anything else. */
    private Optional<Orders.Order> order(String shop, StatementFile.Entry entry) {
        Matcher matcher = REFERENCE.matcher(entry.told().toUpperCase(Locale.ROOT));
        while (matcher.find()) {
            String plain = matcher.group().replace(" ", "");
            // Words after the reference may have been taken along: the longest beginning whose check digits hold is it.
            for (int end = plain.length(); end > 4; end--) {
                String reference = plain.substring(0, end);
                if (CreditorReference.holds(reference) && reference.substring(4).matches("[0-9]{1,9}")) {
                    Optional<Orders.Order> found = orders.byNumber(shop, Integer.parseInt(reference.substring(4)));
                    if (found.isPresent()) {
                        return found;
                    }
                }
            }
        }
        return QR_REFERENCE
                .matcher(entry.told())
                .results()
                .map(found -> found.group().replace(" ", ""))
                .filter(SwissPayload::holds)
                .map(digits -> digits.substring(0, digits.length() - 1).replaceFirst("^0+", ""))
                .filter(number -> number.matches("[0-9]{1,9}"))
                .flatMap(number -> orders.byNumber(shop, Integer.parseInt(number)).stream())
                .findFirst();
    }
}
