package vestcoin.app.returns;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.download.Downloads;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.message.Messages;
import vestcoin.app.order.Orders;
import vestcoin.app.paper.Papers;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.ReturnSettlement;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.Buyer;
import vestcoin.core.terms.ReturnRight;
import vestcoin.core.terms.SupplyAtOnce;
import vestcoin.core.terms.Terms;

/** What buyers have declared, and what may be declared now. */
@Service
public class Returns {
    /** @param kind withdrawal or return @param lines places in the order's quote */
    public record Declared(
            long id, String kind, Set<Integer> lines, String note, Instant at, Optional<Instant> settledAt) {}

    private record Row(long id, String kind, String lines, String note, Instant at, Instant settledAt) {}

    private static final int LONGEST_NOTE = 1000;

    private final JdbcClient sql;
    private final Editions editions;
    private final Papers papers;
    private final Messages messages;
    private final Downloads downloads;
    private final Clock clock;

    Returns(JdbcClient sql, Editions editions, Papers papers, Messages messages, Downloads downloads, Clock clock) {
        this.sql = sql;
        this.editions = editions;
        this.papers = papers;
        this.messages = messages;
        this.downloads = downloads;
        this.clock = clock;
    }

    /** What the buyer of an order can declare now. */
    Optional<ReturnRight> open(Orders.Order order) {
        if (order.cancelled()
                || List.of("unpaid", "failed", "cancelled", "refunded").contains(order.standing())
                || ofOrder(order.id()).stream()
                        .anyMatch(each -> each.settledAt().isEmpty())) {
            return Optional.empty();
        }
        Document document = editions.of(order.shop(), order.by()).document();
        ZoneId zone = ZoneId.of(document.setup().shop().timeZone());
        var asked = OrderFile.parse(order.document());
        Optional<LocalDate> sent =
                switch (order.sent()) {
                    case "all" ->
                        sql.sql("select max(at) from dispatch where order_id = :order")
                                .param("order", order.id())
                                .query(Instant.class)
                                .optional()
                                .map(at -> LocalDate.ofInstant(at, zone));
                    case "nothing" -> Optional.of(LocalDate.ofInstant(order.placedAt(), zone));
                    default -> Optional.empty();
                };
        if (excluded(order).size() == quote(order).lines().size()) {
            return Optional.empty();
        }
        int transit = asked.delivery()
                .flatMap(id -> document.setup().delivery().options().stream()
                        .filter(option -> option.id().equals(id))
                        .findFirst())
                .flatMap(Delivery.Option::days)
                .map(Delivery.Days::to)
                .orElse(0);
        return ReturnRight.open(
                document.setup().terms(),
                asked.buyer().kind() == Buyer.Kind.PERSON,
                sent,
                transit,
                LocalDate.ofInstant(clock.instant(), zone));
    }

    /** Lines of an order that do not come back, and why. */
    Map<Integer, Terms.Exclusion> excluded(Orders.Order order) {
        return ReturnSettlement.excluded(
                quote(order), editions.of(order.shop(), order.by()).document().setup(), supplied(order));
    }

    /** Whether files of an order can be fetched, or it was agreed that their supply starts at once. */
    private boolean supplied(Orders.Order order) {
        return Json.tree(order.agreed()).has(SupplyAtOnce.KIND)
                || downloads.ofOrder(order.id()).stream().anyMatch(each -> each.there(clock.instant()));
    }

    List<Declared> ofOrder(long order) {
        return sql
                .sql("select id, kind, lines, note, at, settled_at from withdrawal where order_id = :order order by id")
                .param("order", order)
                .query(Row.class)
                .list()
                .stream()
                .map(row -> new Declared(
                        row.id(),
                        row.kind(),
                        lines(row.lines()),
                        row.note(),
                        row.at(),
                        Optional.ofNullable(row.settledAt())))
                .toList();
    }

    private static Set<Integer> lines(String json) {
        Set<Integer> lines = new TreeSet<>();
        Json.tree(json).forEach(line -> lines.add(line.asInt()));
        return lines;
    }

    /**
     * Takes a declaration down and confirms it to the buyer with its time. @param lines places in the quote; all of
     * them when empty
     */
    @Transactional
    public void declare(Orders.Order order, Set<Integer> lines, String note) {
        ReturnRight open = open(order)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "token",
                        Message.of("returns.this-order-cannot-withdrawn-from-here-or"),
                        Message.of("returns.write-to-shop-with-number-of-order")));
        Quote quote = quote(order);
        Set<Integer> which = new TreeSet<>(lines);
        Map<Integer, Terms.Exclusion> excluded = excluded(order);
        for (int i = 0; lines.isEmpty() && i < quote.lines().size(); i++) {
            if (!excluded.containsKey(i)) {
                which.add(i);
            }
        }
        which.stream().filter(excluded::containsKey).findFirst().ifPresent(line -> {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of(
                            "returns.cannot-sent-back",
                            "lines",
                            quote.lines().get(line).product().name()),
                    Message.of("returns.leave-out-terms-of-shop-say-why"));
        });
        if (which.stream().anyMatch(line -> line < 0 || line >= quote.lines().size())) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "lines",
                    Message.of("returns.order-has-no-such-line"),
                    Message.of("returns.load-page-again"));
        }
        if (note.length() > LONGEST_NOTE) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "note",
                    Message.of("returns.note-longer-than-characters", "longestnote", LONGEST_NOTE),
                    Message.of("returns.shorten"));
        }
        Instant now = clock.instant();
        try {
            sql.sql("insert into withdrawal(order_id, kind, lines, note, at) values (:order, :kind, :lines, "
                            + ":note, :at)")
                    .param("order", order.id())
                    .param("kind", Json.named(open.kind()))
                    .param("lines", Json.write(which))
                    .param("note", note.strip())
                    .param("at", now.atOffset(ZoneOffset.UTC))
                    .update();
        } catch (DuplicateKeyException e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "token",
                    Message.of("returns.this-order-was-withdrawn-from-already"),
                    Message.of("returns.load-page-again"));
        }
        Document spoken = editions.spoken(order.shop(), order.by(), order.language());
        List<String> things = which.stream()
                .map(line -> Pricing.priceUntraced(spoken.compiled(), OrderFile.parse(order.document()))
                        .lines()
                        .get(line)
                        .product()
                        .name())
                .toList();
        messages.declared(order, now, things);
    }

    private Quote quote(Orders.Order order) {
        return Pricing.priceUntraced(
                editions.of(order.shop(), order.by()).document().compiled(), OrderFile.parse(order.document()));
    }

    /** What is owed for a declaration: item of the order's bills to its amount with tax. */
    Map<String, BigDecimal> owed(Orders.Order order, Declared declared) {
        Document document = editions.of(order.shop(), order.by()).document();
        Quote quote = quote(order);
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        boolean delivery =
                declared.kind().equals("withdrawal") && document.setup().terms().refundsDelivery();
        Map<String, BigDecimal> owed = new TreeMap<>();
        ReturnSettlement.owed(
                        quote,
                        Bill.of(quote, document.setup().shop().address().country()),
                        papers.given(order.id()),
                        declared.lines(),
                        delivery)
                .forEach((item, amount) -> owed.put(item, amount.setScale(digits)));
        return owed;
    }

    /** The seller is done with it. */
    void settle(Orders.Order order, long id) {
        sql.sql("update withdrawal set settled_at = :at where id = :id and order_id = :order and settled_at is null")
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("id", id)
                .param("order", order.id())
                .update();
    }
}
