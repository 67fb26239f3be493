package vestcoin.app.order;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Message;

/**
 * Calls an order off in one act: what it took is there for others again, what is held is let go, what was taken is
 * given back. It is written down first; asked again after a crash or a silent provider, it goes on where it stopped.
 */
@Service
public class Cancelling {
    private static final Logger LOG = LoggerFactory.getLogger(Cancelling.class);
    private static final int AT_A_TIME = 200;

    private final Orders orders;
    private final WaitingOrders waiting;
    private final PaymentBook book;
    private final Payments payments;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transaction;

    Cancelling(
            Orders orders,
            WaitingOrders waiting,
            PaymentBook book,
            Payments payments,
            ApplicationEventPublisher events,
            PlatformTransactionManager transactions) {
        this.orders = orders;
        this.waiting = waiting;
        this.book = book;
        this.payments = payments;
        this.events = events;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** @throws ApiProblem if something has left already, or the buyer is paying at this moment */
    public void cancel(Orders.Order order, String actor) {
        cancel(order, actor, CalledOffBy.SHOP);
    }

    /** Calls an order off for its buyer. @throws ApiProblem as {@link #cancel} */
    public void cancelForBuyer(Orders.Order order) {
        cancel(order, "buyer", CalledOffBy.BUYER);
    }

    private void cancel(Orders.Order order, String actor, CalledOffBy who) {
        if (!order.nothingHasLeft()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "order",
                    Message.of("order.something-of-this-order-has-left-already"),
                    Message.of("order.give-back-what-comes-back-refund"));
        }
        events.publishEvent(new OrderCalledOff(order.id()));
        book.ofOrder(order.id()).forEach(payments::asked);
        if (!orders.cancel(order, OrderReservations.stock(KeptQuotes.read(order.quote())), who)) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "order",
                    Message.of("order.buyer-paying-at-this-moment"),
                    Message.of("order.try-again-when-payment-decided"));
        }
        book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .forEach(payment -> settle(payment, actor));
        book.announce(order.id());
    }

    /**
     * Calls off by itself what was never paid in its time. Nothing lapses while a payment's outcome is unknown: the
     * provider is asked first, and an order it may still pay is left for the next time.
     */
    @EventListener(TimePassed.class)
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    public void lapse() {
        for (Orders.Order order : waiting.overdue(AT_A_TIME)) {
            try {
                cancel(order, "Vest Coin", CalledOffBy.TIME);
            } catch (ApiProblem paying) {
                LOG.info("order {} of {} does not lapse yet: {}", order.number(), order.shop(), paying.getMessage());
            } catch (RuntimeException e) {
                LOG.warn("order {} of {} could not lapse: {}", order.number(), order.shop(), e.toString());
            }
        }
    }

    /** Reminds, once and half-way, of what is still to be paid. */
    @EventListener(TimePassed.class)
    @Scheduled(fixedDelayString = "PT5M", initialDelayString = "PT5M")
    public void remind() {
        for (long order : waiting.toRemind(AT_A_TIME)) {
            transaction.executeWithoutResult(status -> {
                if (waiting.reminded(order)) {
                    book.announce(order);
                }
            });
        }
    }

    private void settle(PaymentBook.Payment payment, String actor) {
        long held = payment.captured() - payment.refunded();
        if (held > 0 && payment.stateNow().refundable()) {
            payments.move(payment, Provider.Kind.REFUND, key(payment), held, actor);
        } else if (payment.captured() == 0
                && (payment.stateNow() == PaymentState.AUTHORISED || payment.stateNow() == PaymentState.PENDING)) {
            payments.move(payment, Provider.Kind.VOID, key(payment), payment.amount(), actor);
        }
    }

    /**
     * The same each time, so that cancelling twice gives back once; of a payment given back in part meanwhile, what was
     * left then.
     */
    private static String key(PaymentBook.Payment payment) {
        return UUID.nameUUIDFromBytes(
                        (payment.idempotencyKey() + "/cancel/" + payment.refunded()).getBytes(StandardCharsets.UTF_8))
                .toString();
    }
}
