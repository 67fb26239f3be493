package vestcoin.app.order;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.AwaitedMoney;
import vestcoin.app.setup.Editions;
import vestcoin.app.stock.StockBook;
import vestcoin.core.goods.Line;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Order;

/**
 * How many there are of what an order holds is changed while nothing of it is taken and nothing has left: it is priced
 * again by its own edition, gives back what it had taken of stock, slots and codes, and takes what it needs now. What
 * is held on a card reaches for as much or less, and the rest is never taken. What is paid is not changed but refunded
 * by its lines.
 */
@Service
public class Rewriting {
    private final JdbcClient sql;
    private final Orders orders;
    private final Editions editions;
    private final ReservationBook reservations;
    private final StockBook counted;
    private final AwaitedMoney awaited;

    Rewriting(
            JdbcClient sql,
            Orders orders,
            Editions editions,
            ReservationBook reservations,
            StockBook counted,
            AwaitedMoney awaited) {
        this.sql = sql;
        this.orders = orders;
        this.editions = editions;
        this.reservations = reservations;
        this.counted = counted;
        this.awaited = awaited;
    }

    /**
     * @param quantities of the order's lines, in their order; none of a line takes it out
     * @throws ApiProblem if something is paid or has left, nothing would be left, or it cannot be had so
     */
    @Transactional
    public void change(Orders.Order placed, List<BigDecimal> quantities) {
        // The order's row, then the shop's, as those lock who issue papers; so nobody takes the last of something.
        sql.sql("select id from orders where id = :id for update")
                .param("id", placed.id())
                .query(Long.class)
                .single();
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", placed.shop())
                .query(String.class)
                .single();
        Orders.Order order = orders.byId(placed.id());
        QuoteView before = KeptQuotes.read(order.quote());
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        Optional<Long> held = awaited.held(order.id());
        if (order.cancelled()
                || !order.nothingHasLeft()
                || order.subscription() != null
                || !before.renewing().isEmpty()
                || !before.vouchers().isEmpty()
                || !wishes.vouchers().isEmpty()
                || held.isEmpty() && !awaited.nothingPaid(order.id())) {
            throw refused("lines", Message.of("order.lines-stay-once-paid-or-left"), "order.refund-the-line-instead");
        }
        Order asked = OrderFile.parse(order.document());
        Order changed = asked.of(lines(asked.lines(), quantities));
        Editions.Edition edition = editions.of(order.shop(), order.by());
        QuoteView now = edition.document().quote(changed);
        if (!now.missing().isEmpty()) {
            throw refused("lines", now.missing().get(0), "order.change-otherwise");
        }
        long due = Placing.minor(now.toPay().value(), now.currency());
        if (due <= 0) {
            throw refused("lines", Message.of("order.nothing-would-be-left-to-pay"), "order.call-it-off-instead");
        }
        if (held.filter(most -> due > most).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "lines",
                    Message.of(
                            "order.card-holds-at-most",
                            "amount",
                            BigDecimal.valueOf(
                                    held.get(),
                                    CurrencyUnit.of(order.currency()).getDecimalPlaces()),
                            "currency",
                            order.currency()),
                    Message.of("order.more-is-another-order"));
        }
        reservations.release(order);
        OrderReservations.stock(before).forEach((item, quantity) -> counted.giveBack(order.shop(), item, quantity));
        take(order, OrderReservations.of(edition, changed, now));
        sql.sql("""
                update orders set document = :document, quote = :quote, payable = payable - due + :due, due = :due
                where id = :id""")
                .param("document", Json.write(OrderFile.of(changed)))
                .param("quote", Json.write(now.kept(changed.slot())))
                .param("due", due)
                .param("id", order.id())
                .update();
        if (!awaited.change(order.id(), due) && held.isPresent()) {
            throw refused("lines", Message.of("order.lines-stay-once-paid-or-left"), "order.refund-the-line-instead");
        }
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
