package vestcoin.app.subscription;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.OrderPlaced;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.subscription.Subscriptions.Kind;
import vestcoin.app.subscription.Subscriptions.State;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.life.PaymentState;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;

/**
 * A subscription is written down with the order it begins with, in the same transaction, and runs once that order is
 * paid.
 */
@Service
class SubscriptionStart {
    private static final int AT_A_TIME = 200;

    private final Subscriptions book;
    private final Orders orders;
    private final PaymentBook payments;
    private final Editions editions;
    private final FollowedTransactions transactions;
    private final TransactionTemplate transaction;

    SubscriptionStart(
            Subscriptions book,
            Orders orders,
            PaymentBook payments,
            Editions editions,
            FollowedTransactions transactions) {
        this.book = book;
        this.orders = orders;
        this.payments = payments;
        this.editions = editions;
        this.transactions = transactions;
        this.transaction = new TransactionTemplate(transactions);
    }

    @EventListener
    void placed(OrderPlaced placed) {
        Orders.Order order = orders.byId(placed.order());
        if (order.subscription() != null) {
            return;
        }
        Document document = editions.of(order.shop(), order.by()).document();
        Order asked = OrderFile.parse(order.document());
        LocalDate began =
                LocalDate.ofInstant(order.placedAt(), document.compiled().zone());
        for (QuoteView.Renewal renewing : KeptQuotes.read(order.quote()).renewing()) {
            // A line as it was priced: what a bundle brings is a line too.
            PricedLine line =
                    Pricing.priceUntraced(document.compiled(), asked).lines().get(renewing.line());
            line.product()
                    .renews()
                    .flatMap(rhythm -> rhythm.after(began, 1))
                    .ifPresent(due -> book.begin(
                            order.shop(),
                            order.id(),
                            renewing.line(),
                            order.edition(),
                            began,
                            due,
                            Json.write(OrderFile.of(asked.of(List.of(line.line()))))));
        }
    }

    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        transactions.afterwards(() -> book.ofOrder(moved.order()).stream()
                .filter(subscription -> subscription.firstOrder() == moved.order())
                .forEach(this::keepUp));
    }

    /** Those whose order was paid or called off while nobody looked. */
    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT5M", initialDelayString = "PT5M")
    void makeGood() {
        book.waiting(AT_A_TIME).forEach(this::keepUp);
    }

    private void keepUp(Subscription known) {
        Orders.Order order = orders.byId(known.firstOrder());
        Optional<PaymentBook.Payment> paid = payments.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow() == PaymentState.AUTHORISED || payment.captured() > 0)
                .max(java.util.Comparator.comparing(
                        payment -> !payment.keptCard().isEmpty()));
        transaction.executeWithoutResult(status -> {
            Subscription now = book.locked(known.id());
            boolean told = now.stateNow() != State.WAITING;
            // Called off by somebody, it offers nothing more; one that was paid goes on where only its first
            // authorisation ran out.
            if (order.cancelled() && !now.stateNow().over() && !(told && order.lapsed())) {
                book.state(now.id(), State.STOPPED);
                if (told) {
                    book.happened(now.id(), Kind.STOPPED, "");
                }
            } else if (now.stateNow() != State.WAITING) {
                return;
            } else if (order.due() == 0
                    || paid.filter(each -> !each.byVoucher()).isPresent()) {
                paid.ifPresent(payment -> book.card(now.id(), payment.gateway(), payment.keptCard()));
                book.state(now.id(), State.ACTIVE);
                book.happened(now.id(), Kind.BEGUN, String.valueOf(order.number()));
            }
        });
    }
}
