package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.invoice.Bill;
import vestcoin.core.life.SendingCapture;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.WebAddress;

/**
 * Goods leave the shop, all of an order or some lines of it. Each dispatch takes of an authorised payment what its own
 * goods come to, with their tax, the first one the delivery as well, the last one the remainder.
 */
@Service
public class Dispatching {
    private final JdbcClient sql;
    private final Orders orders;
    private final PaymentBook book;
    private final Payments payments;
    private final Editions editions;
    private final FollowedTransactions transactions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Dispatching(
            JdbcClient sql,
            Orders orders,
            PaymentBook book,
            Payments payments,
            Editions editions,
            FollowedTransactions transactions,
            Clock clock) {
        this.sql = sql;
        this.orders = orders;
        this.book = book;
        this.payments = payments;
        this.editions = editions;
        this.transactions = transactions;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /**
     * What leaves.
     *
     * @param key once a dispatch
     * @param lines places of lines in the quote; all that are left when empty
     * @param tracking what the carrier calls the parcel, empty where nobody says
     * @param carrier who carries it; whom the way of sending names where it is empty
     * @param link where it is followed; by the way's pattern where it is empty
     * @param despite although the buyer has withdrawn
     */
    public record Departure(
            String key, Set<Integer> lines, String tracking, String carrier, String link, boolean despite) {
        private static final int LONGEST = 100;

        public Departure(String key, Set<Integer> lines, String tracking, boolean despite) {
            this(key, lines, tracking, "", "", despite);
        }

        public Departure {
            lines = lines == null ? Set.of() : lines;
            tracking = tracking == null ? "" : tracking.strip();
            carrier = carrier == null ? "" : carrier.strip();
            link = link == null ? "" : link.strip();
            if (key == null || !key.matches("[0-9a-f-]{36}")) {
                throw new InvalidInput(
                        "key", Message.of("orderdesk.request-has-no-key"), Message.of("orderdesk.load-page-again"));
            }
            if (tracking.length() > LONGEST || tracking.chars().anyMatch(Character::isISOControl)) {
                throw new InvalidInput(
                        "tracking",
                        Message.of("order.no-number-of-a-parcel"),
                        Message.of("order.copy-the-number-alone"));
            }
            if (carrier.length() > LONGEST || carrier.chars().anyMatch(Character::isISOControl)) {
                throw new InvalidInput(
                        "carrier",
                        Message.of("setup.name-of-carrier-too-long", "most", LONGEST),
                        Message.of("setup.write-it-shorter"));
            }
            if (!link.isEmpty() && !WebAddress.isOne(link)) {
                throw new InvalidInput(
                        "link",
                        Message.of("setup.no-web-address", "link", link),
                        Message.of("setup.write-web-address-with-http"));
            }
        }
    }

    /** What has left at one time. @param seq its place among them, from 1 @param lines places in the quote */
    public record Left(int seq, Instant at, String carrier, String tracking, String link, Set<Integer> lines) {}

    private record Row(int seq, Instant at, String carrier, String tracking, String link, String lines) {}

    /** Sends what is named of an order. */
    public void send(Orders.Order order, Departure departure, String actor) {
        if (!departure.despite() && orders.withdrawn(order.id())) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "despite",
                    Message.of("order.buyer-has-withdrawn-from-this-order-or"),
                    Message.of("order.send-all-same-only-if-you-have"));
        }
        if (order.cancelled()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of("order.this-order-was-called-off"),
                    Message.of("order.nothing-of-leaves-any-more"));
        }
        if (List.of("unpaid", "failed", "cancelled").contains(order.standing())) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of("order.nobody-has-paid-for-this-order-or", "standing", order.standing()),
                    Message.of("order.wait-for-payment"));
        }
        if (order.sent().equals("nothing")) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of("order.nothing-of-this-order-leaves"),
                    Message.of("order.files-and-vouchers-are-handed-over-when-paid"));
        }
        Document document = editions.of(order.shop(), order.by()).document();
        Quote quote = Pricing.priceUntraced(document.compiled(), OrderFile.parse(order.document()));
        Set<Integer> leaving = leaving(document, KeptQuotes.read(order.quote()));
        // One letter tells of both: that it left, and to whom who paid.
        transactions.together(() -> {
            transaction.executeWithoutResult(status -> write(order, departure, leaving, actor));
            // Also when it was written before: a crash may have come before the money was taken, and what is taken
            // already is not taken again.
            capture(orders.byId(order.id()), departure.key(), quote, actor);
        });
    }

    /** Places of lines that leave: goods, and services that are done; not what is fetched or put aside. */
    public static Set<Integer> leaving(Document document, QuoteView quote) {
        Set<Integer> leaving = new TreeSet<>();
        for (int line = 0; line < quote.lines().size(); line++) {
            if (document.compiled()
                    .shelf()
                    .find(quote.lines().get(line).product())
                    .filter(product -> !product.leaves())
                    .isEmpty()) {
                leaving.add(line);
            }
        }
        return leaving;
    }

    private void write(Orders.Order order, Departure departure, Set<Integer> leaving, String actor) {
        Set<Integer> asked = departure.lines();
        sql.sql("select id from orders where id = :id for update")
                .param("id", order.id())
                .query(Long.class)
                .single();
        if (sql.sql("select count(*) from dispatch where idempotency_key = :key")
                        .param("key", departure.key())
                        .query(Integer.class)
                        .single()
                > 0) {
            return;
        }
        Set<Integer> gone = gone(order.id());
        Set<Integer> now = new TreeSet<>(asked);
        if (asked.isEmpty()) {
            now.addAll(leaving);
            now.removeAll(gone);
        }
        if (now.isEmpty() || now.stream().anyMatch(line -> !leaving.contains(line) || gone.contains(line))) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of("order.that-has-left-already"),
                    Message.of("order.load-order-again-to-see-what-left"));
        }
        Optional<Delivery.Tracking> way = followed(order);
        sql.sql("""
                insert into dispatch(order_id, seq, idempotency_key, lines, tracking, carrier, link, at, actor)
                values (:order, (select coalesce(max(seq), 0) + 1 from dispatch where order_id = :order), :key,
                    :lines, :tracking, :carrier, :link, :at, :actor)""")
                .param("order", order.id())
                .param("key", departure.key())
                .param("tracking", departure.tracking())
                .param(
                        "carrier",
                        departure.carrier().isEmpty()
                                ? way.map(Delivery.Tracking::carrier).orElse("")
                                : departure.carrier())
                .param(
                        "link",
                        departure.link().isEmpty()
                                ? way.flatMap(each -> each.follow(departure.tracking()))
                                        .orElse("")
                                : departure.link())
                .param("lines", Json.write(now))
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("actor", actor)
                .update();
        sql.sql("update orders set sent = :sent where id = :id")
                .param("sent", gone.size() + now.size() == leaving.size() ? "all" : "in part")
                .param("id", order.id())
                .update();
        book.announce(order.id());
    }

    /** What has left, in order. */
    public List<Left> departures(long order) {
        return sql
                .sql("select seq, at, carrier, tracking, link, lines from dispatch where order_id = :order "
                        + "order by seq")
                .param("order", order)
                .query(Row.class)
                .list()
                .stream()
                .map(row ->
                        new Left(row.seq(), row.at(), row.carrier(), row.tracking(), row.link(), lines(row.lines())))
                .toList();
    }

    private static Set<Integer> lines(String json) {
        Set<Integer> lines = new TreeSet<>();
        Json.tree(json).forEach(line -> lines.add(line.asInt()));
        return lines;
    }

    /** How parcels of the way an order goes are followed. */
    private Optional<Delivery.Tracking> followed(Orders.Order order) {
        List<String> chosen = KeptQuotes.read(order.quote()).delivery().stream()
                .filter(QuoteView.Option::chosen)
                .map(QuoteView.Option::id)
                .toList();
        return editions.of(order.shop(), order.by()).document().setup().delivery().options().stream()
                .filter(option -> chosen.contains(option.id()))
                .findFirst()
                .flatMap(Delivery.Option::tracking);
    }

    /**
     * What is collected is ready: its buyer is told, once.
     *
     * @throws ApiProblem if it is not collected, or was handed over
     */
    public void ready(Orders.Order order, boolean collected) {
        if (!collected || order.cancelled() || order.sent().equals("all")) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "order",
                    Message.of("order.nothing-of-it-waits-to-be-collected"),
                    Message.of("order.load-order-again-to-see-what-left"));
        }
        transaction.executeWithoutResult(status -> {
            sql.sql("update orders set ready_at = :at where id = :id and ready_at is null")
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .param("id", order.id())
                    .update();
            book.announce(order.id());
        });
    }

    /** Lines that have left. */
    public Set<Integer> gone(long order) {
        Set<Integer> gone = new TreeSet<>();
        sql.sql("select lines from dispatch where order_id = :order")
                .param("order", order)
                .query(String.class)
                .list()
                .forEach(lines -> gone.addAll(lines(lines)));
        return gone;
    }

    private void capture(Orders.Order order, String key, Quote quote, String actor) {
        paidOver(order, key, actor);
        PaymentBook.Payment payment = book.ofOrder(order.id()).stream()
                .filter(PaymentBook.Payment::throughProvider)
                .findFirst()
                .orElse(null);
        if (payment == null) {
            return;
        }
        long amount = SendingCapture.of(
                payment.life(),
                own(order, quote),
                order.payable() - order.due(),
                order.sent().equals("all"));
        if (amount > 0) {
            payments.move(
                    payment,
                    Provider.Kind.CAPTURE,
                    UUID.nameUUIDFromBytes((key + "/capture").getBytes(java.nio.charset.StandardCharsets.UTF_8))
                            .toString(),
                    amount,
                    actor);
        }
    }

    /** What is paid when it is collected is paid once all of it is handed over. */
    private void paidOver(Orders.Order order, String key, String actor) {
        if (!order.sent().equals("all")) {
            return;
        }
        List<String> cash = editions.of(order.shop(), order.by()).document().setup().payment().methods().stream()
                .filter(method -> method.kind() == Payment.Kind.CASH_AT_PICKUP)
                .map(Payment.Method::id)
                .toList();
        book.ofOrder(order.id()).stream()
                .filter(payment -> !payment.byVoucher() && payment.stateNow().open() && cash.contains(payment.method()))
                .forEach(payment -> payments.here(
                        payment,
                        Provider.Kind.CAPTURE,
                        UUID.nameUUIDFromBytes((key + "/cash").getBytes(java.nio.charset.StandardCharsets.UTF_8))
                                .toString(),
                        payment.amount() - payment.captured(),
                        actor));
    }

    /**
     * What everything that has left comes to, with tax, and with the delivery and fees; a voucher pays before the rest.
     */
    private long own(Orders.Order order, Quote quote) {
        Set<Integer> gone = gone(order.id());
        BigDecimal amount =
                Bill.of(
                                quote,
                                editions.of(order.shop(), order.by())
                                        .document()
                                        .setup()
                                        .shop()
                                        .address()
                                        .country())
                        .stream()
                        .flatMap(bill -> bill.items().stream())
                        .filter(item -> item.line().map(gone::contains).orElse(true))
                        .map(Bill.Item::gross)
                        .reduce(BigDecimal.ZERO, BigDecimal::add);
        return amount.setScale(org.joda.money.CurrencyUnit.of(order.currency()).getDecimalPlaces())
                .unscaledValue()
                .longValueExact();
    }
}
