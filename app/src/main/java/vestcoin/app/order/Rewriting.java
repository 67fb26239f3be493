package vestcoin.app.order;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.AwaitedMoney;
import vestcoin.app.payment.ChangedOrders;
import vestcoin.app.setup.Editions;
import vestcoin.app.stock.StockBook;
import vestcoin.core.goods.Line;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;

/**
 * An order of which nothing has left is changed: how many there are of what it holds, or where it goes. It is priced
 * again by its own edition, gives back what it had taken of stock, slots and codes, and takes what it needs now. What
 * is waited for changes with it; what is held on a card reaches for as much or less, and the rest is never taken; of
 * what was taken the difference is given back, or waited for. What was invoiced is credited whole, and invoiced anew.
 */
@Service
public class Rewriting {
    private final JdbcClient sql;
    private final Orders orders;
    private final OrderQuotes quotes;
    private final Editions editions;
    private final ReservationBook reservations;
    private final StockBook counted;
    private final AwaitedMoney awaited;
    private final ChangedOrders money;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transaction;

    Rewriting(
            JdbcClient sql,
            Orders orders,
            OrderQuotes quotes,
            Editions editions,
            ReservationBook reservations,
            StockBook counted,
            AwaitedMoney awaited,
            ChangedOrders money,
            ApplicationEventPublisher events,
            PlatformTransactionManager transactions) {
        this.sql = sql;
        this.orders = orders;
        this.quotes = quotes;
        this.editions = editions;
        this.reservations = reservations;
        this.counted = counted;
        this.awaited = awaited;
        this.money = money;
        this.events = events;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** What a change does to what an order comes to. @param before in minor units @param now in minor units */
    public record Repriced(long before, long now) {}

    /**
     * @param quantities of the order's lines, in their order; none of a line takes it out
     * @param actor who does it
     * @param look whether it is only looked at what it would come to
     * @throws ApiProblem if something of it has left, nothing would be left, or it cannot be had so
     */
    public Repriced change(Orders.Order placed, List<BigDecimal> quantities, String actor, boolean look) {
        Repriced repriced = changing(placed.id(), look, () -> {
            Orders.Order order = locked(placed);
            Order asked = OrderFile.parse(order.document());
            rewrite(order, asked.of(lines(asked.lines(), quantities)), actor);
        });
        if (!look) {
            money.afterwards(placed.id());
        }
        return repriced;
    }

    /** Does it in one transaction, or goes through it all and leaves everything as it was. */
    Repriced changing(long id, boolean look, Runnable change) {
        return transaction.execute(status -> {
            long before = orders.byId(id).payable();
            change.run();
            long now = orders.byId(id).payable();
            if (look) {
                status.setRollbackOnly();
            }
            return new Repriced(before, now);
        });
    }

    /** The order's row, then the shop's, as those lock who issue papers; so nobody takes the last of something. */
    Orders.Order locked(Orders.Order placed) {
        Orders.Order order = orders.locked(placed.id());
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", placed.shop())
                .query(String.class)
                .single();
        return order;
    }

    /** How far an order's money is, as far as it can be changed. @param most it may come to; empty for anything */
    private record Reach(Optional<Long> most, Optional<Long> taken) {}

    /** @throws ApiProblem if nothing of it can be changed any more */
    private Reach reach(Orders.Order order) {
        QuoteView before = KeptQuotes.read(order.quote());
        Optional<Long> held = awaited.held(order.id());
        Optional<Long> taken = money.taken(order.id(), order.carried());
        if (order.cancelled()
                || !order.nothingHasLeft()
                || order.subscription() != null
                || !before.renewing().isEmpty()
                || !before.vouchers().isEmpty()
                || !Json.read(order.wishes(), Wishes.class).vouchers().isEmpty()
                || held.isEmpty() && taken.isEmpty() && !awaited.nothingPaid(order.id())) {
            throw refused("lines", Message.of("order.lines-stay-once-paid-or-left"), "order.refund-the-line-instead");
        }
        return new Reach(held, taken);
    }

    /**
     * Makes an order another, in the transaction that holds its row.
     *
     * @param changed what it is from now on, with what was known around it
     * @throws ApiProblem if it cannot be
     */
    void rewrite(Orders.Order order, Order changed, String actor) {
        Reach reach = reach(order);
        QuoteView before = KeptQuotes.read(order.quote());
        Editions.Edition edition = editions.of(order.shop(), order.by());
        QuoteView now = edition.document().quote(changed);
        if (!now.missing().isEmpty()) {
            throw refused("lines", now.missing().get(0), "order.change-otherwise");
        }
        long due = Placing.minor(now.toPay().value(), now.currency());
        if (due <= 0) {
            throw refused("lines", Message.of("order.nothing-would-be-left-to-pay"), "order.call-it-off-instead");
        }
        if (reach.most().filter(most -> due > most).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of(
                            "order.card-holds-at-most",
                            "amount",
                            BigDecimal.valueOf(
                                    reach.most().get(),
                                    CurrencyUnit.of(order.currency()).getDecimalPlaces()),
                            "currency",
                            order.currency()),
                    Message.of("order.more-is-another-order"));
        }
        Optional<String> way = reach.taken().filter(taken -> due > taken).map(taken -> waitedBy(edition, now, order));
        if (reach.taken().isPresent()) {
            events.publishEvent(new OrderChanging(order.id()));
        }
        reservations.release(order);
        OrderReservations.stock(before).forEach((item, quantity) -> counted.giveBack(order.shop(), item, quantity));
        take(order, OrderReservations.of(edition, changed, now));
        sql.sql("""
                update orders set document = :document, payable = payable - due + :due, due = :due,
                    carried = carried + :back
                where id = :id""")
                .param("document", Json.write(OrderFile.of(changed)))
                .param("due", due)
                .param(
                        "back",
                        reach.taken().map(taken -> Math.max(0, taken - due)).orElse(0L))
                .param("id", order.id())
                .update();
        quotes.keep(order.id(), Json.write(now.kept(changed.slot())));
        if (reach.taken().isPresent()) {
            money.settle(order.id(), order.shop(), due, reach.taken().get(), way.orElse(""), actor);
        } else if (!awaited.change(order.id(), due) && reach.most().isPresent()) {
            throw refused("lines", Message.of("order.lines-stay-once-paid-or-left"), "order.refund-the-line-instead");
        }
    }

    /**
     * By which way more is waited for: the order's own where no provider stands behind it, a transfer, or another one
     * that is open to it.
     *
     * @throws ApiProblem if there is none
     */
    private static String waitedBy(Editions.Edition edition, QuoteView now, Orders.Order order) {
        return now.methods().stream()
                .filter(method -> method.hidden().isEmpty() && !method.kind().throughProvider())
                .min(Comparator.comparing(
                                (QuoteView.Method method) -> method.id().equals(order.method()) ? 0 : 1)
                        .thenComparing(method -> method.kind() == Payment.Kind.TRANSFER ? 0 : 1))
                .map(QuoteView.Method::id)
                .orElseThrow(() -> refused(
                        "lines",
                        Message.of("order.no-way-to-wait-for-more", "edition", edition.number()),
                        "order.more-is-another-order"));
    }

    private void take(Orders.Order order, NewOrder.Reservations reserves) {
        try {
            reserves.uses().forEach(use -> reservations.take(order, use, orders.history(order.shop(), order.email())));
            reserves.slot().ifPresent(slot -> reservations.take(order, slot));
            reservations.take(order, reserves.attending());
        } catch (Orders.DiscountExhausted | Orders.SlotGone e) {
            throw refused("lines", Message.of("order.code-or-time-is-gone"), "order.change-otherwise");
        }
        reserves.stock().forEach((item, quantity) -> {
            if (!counted.take(order.shop(), item, quantity)) {
                throw refused("lines", Message.of("order.not-so-many-left"), "order.change-otherwise");
            }
        });
    }

    private static List<Line> lines(List<Line> lines, List<BigDecimal> quantities) {
        List<Line> kept = new ArrayList<>();
        if (quantities == null
                || quantities.size() != lines.size()
                || quantities.stream().anyMatch(many -> many == null || many.signum() < 0)) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "lines",
                    Message.of("order.quantities-are-no-numbers"),
                    Message.of("order.load-page-again"));
        }
        for (int i = 0; i < lines.size(); i++) {
            if (quantities.get(i).signum() > 0) {
                Line line = lines.get(i);
                kept.add(line.of(quantities.get(i)));
            }
        }
        if (kept.isEmpty()) {
            throw refused("lines", Message.of("order.nothing-would-be-left-to-pay"), "order.call-it-off-instead");
        }
        return kept;
    }

    private static ApiProblem refused(String path, Message sentence, String remedy) {
        return new ApiProblem(HttpStatus.CONFLICT, path, sentence, Message.of(remedy));
    }
}
