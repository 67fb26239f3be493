package vestcoin.app.subscription;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.order.Cancelling;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Wording;
import vestcoin.app.subscription.Subscriptions.Kind;
import vestcoin.app.subscription.Subscriptions.Renewal;
import vestcoin.app.subscription.Subscriptions.State;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.life.ChargeRetries;
import vestcoin.core.life.PaymentState;

/**
 * Charges what is due of subscriptions: each date once, whatever crashes; the oldest first, and one a day for each
 * subscription. A date is written down before its order is placed, the order is known by subscription and date, and so
 * is each try of its payment, so that whoever comes after a crash goes on where it stopped.
 */
@Service
public class Renewals {
    private static final Logger LOG = LoggerFactory.getLogger(Renewals.class);
    private static final int AT_A_TIME = 100;
    private static final String OWN = "Vest Coin";
    /** Clocks on earth are at most this far ahead of UTC. */
    private static final ZoneOffset EARLIEST = ZoneOffset.ofHours(14);

    private final Subscriptions book;
    private final RenewalPricing pricing;
    private final Placing placing;
    private final Orders orders;
    private final PaymentBook payments;
    private final Cancelling cancelling;
    private final FollowedTransactions transactions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Renewals(
            Subscriptions book,
            RenewalPricing pricing,
            Placing placing,
            Orders orders,
            PaymentBook payments,
            Cancelling cancelling,
            FollowedTransactions transactions,
            Clock clock) {
        this.book = book;
        this.pricing = pricing;
        this.placing = placing;
        this.orders = orders;
        this.payments = payments;
        this.cancelling = cancelling;
        this.transactions = transactions;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** Today by a subscription's shop. */
    public LocalDate today(Subscription subscription) {
        return LocalDate.ofInstant(clock.instant(), pricing.zone(subscription));
    }

    @EventListener({ApplicationReadyEvent.class, TimePassed.class})
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    public synchronized void chargeWhatIsDue() {
        LocalDate latest = LocalDate.ofInstant(clock.instant(), EARLIEST);
        long after = 0;
        List<Subscription> due = book.due(latest, after, AT_A_TIME);
        while (!due.isEmpty()) {
            for (Subscription subscription : due) {
                charge(subscription.id(), false);
                after = subscription.id();
            }
            due = book.due(latest, after, AT_A_TIME);
        }
    }

    /**
     * Charges the next date now, by the seller's wish: one that is not due yet, or whose next try is later.
     *
     * @return whether it was tried
     */
    public synchronized boolean chargeNow(Subscription subscription) {
        return charge(subscription.id(), true);
    }

    private boolean charge(long id, boolean now) {
        try {
            Optional<Renewal> begun = transaction.execute(status -> begun(id, now));
            begun.ifPresent(this::carryOn);
            return begun.isPresent();
        } catch (RuntimeException e) {
            LOG.warn("subscription {} is charged later: {}", id, e.toString());
            return false;
        }
    }

    /** The date to be charged, written down; nothing where none is to be charged today. */
    private Optional<Renewal> begun(long id, boolean now) {
        Subscription subscription = book.locked(id);
        LocalDate today = today(subscription);
        if (subscription.stateNow() != State.ACTIVE || subscription.dueOn() == null) {
            return Optional.empty();
        }
        boolean early = subscription.dueOn().isAfter(today);
        boolean again = today.equals(subscription.chargedOn());
        Optional<Renewal> known = book.renewal(id, subscription.dueOn());
        boolean later = known.map(Renewal::nextTry).filter(today::isBefore).isPresent();
        if (!now && (early || again || later)) {
            return Optional.empty();
        }
        if (known.isEmpty()) {
            book.date(id, subscription.dueOn(), "open");
        }
        return book.renewal(id, subscription.dueOn()).filter(Renewal::open);
    }

    private void carryOn(Renewal renewal) {
        Subscription subscription = book.of(renewal.subscription());
        RenewalPricing.Priced priced =
                pricing.priced(subscription, pricing.edition(subscription, renewal.dueOn()), clock.instant());
        Orders.Order order;
        if (renewal.orderId() == null) {
            if (soldOut(priced)) {
                passedOver(renewal, Kind.SOLD_OUT, "sold out");
                return;
            }
            if (priced.obstacle().isPresent()) {
                hold(renewal, priced);
                return;
            }
            try {
                order = placed(subscription, renewal, priced);
            } catch (ApiProblem gone) {
                if (gone.problems().stream().anyMatch(problem -> problem.path().equals("basket/lines"))) {
                    passedOver(renewal, Kind.SOLD_OUT, "sold out");
                    return;
                }
                throw gone;
            }
        } else {
            order = orders.byId(renewal.orderId());
        }
        if (order.due() > 0 && subscription.card().isEmpty()) {
            declined(renewal, order, "no card is kept");
            return;
        }
        if (order.due() > 0) {
            outcome(
                    renewal,
                    order,
                    placing.chargeAgain(
                            order, subscription.card(), key(subscription, renewal, "try " + renewal.tries())));
        } else {
            paid(renewal, order);
        }
    }

    private Orders.Order placed(Subscription subscription, Renewal renewal, RenewalPricing.Priced priced) {
        Orders.Order first = orders.byId(subscription.firstOrder());
        Orders.Address address = Json.read(subscription.address(), Orders.Address.class);
        Orders.Order order = placing.renew(
                priced.edition(),
                priced.by(),
                new Orders.ChargeDate(subscription.id(), renewal.dueOn()),
                key(subscription, renewal, "order"),
                priced.order(),
                new Placing.Contact(first.name(), first.email(), address.lines(), address.city()),
                first.language());
        transaction.executeWithoutResult(status -> {
            Renewal now = book.renewal(renewal.subscription(), renewal.dueOn()).orElseThrow();
            book.write(new Renewal(
                    now.subscription(),
                    now.dueOn(),
                    now.state(),
                    order.id(),
                    now.tries(),
                    now.firstDeclined(),
                    now.nextTry(),
                    ""));
        });
        return order;
    }

    /** The same for the same subscription, date and what is done. */
    private static String key(Subscription subscription, Renewal renewal, String what) {
        return UUID.nameUUIDFromBytes(
                        (subscription.token() + "/" + renewal.dueOn() + "/" + what).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private static boolean soldOut(RenewalPricing.Priced priced) {
        return priced.quote().lines().stream().anyMatch(line -> line.counted()
                .map(item -> priced.quote().left().get(item))
                .filter(left -> left.compareTo(line.quantity()) < 0)
                .isPresent());
    }

    /** Takes in what became of a try. */
    private void outcome(Renewal renewal, Orders.Order order, PaymentBook.Payment payment) {
        PaymentState state = payment.stateNow();
        if (state == PaymentState.AUTHORISED || payment.captured() > 0) {
            paid(renewal, order);
        } else if (!state.alive()) {
            declined(renewal, order, payment.reason());
        }
    }

    /** What a provider says later of a try whose outcome was not known. */
    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        transactions.afterwards(() -> moved(orders.byId(moved.order())));
    }

    private void moved(Orders.Order order) {
        if (order.subscription() == null) {
            return;
        }
        transaction.executeWithoutResult(status -> book.renewals(order.subscription()).stream()
                .filter(each -> each.open() && order.id() == (each.orderId() == null ? 0 : each.orderId()))
                .findFirst()
                .ifPresent(renewal -> payments.ofOrder(order.id()).stream()
                        .filter(payment -> !payment.byVoucher())
                        .findFirst()
                        .filter(payment -> payment.stateNow() == PaymentState.AUTHORISED || payment.captured() > 0)
                        .ifPresent(payment -> paid(renewal, order))));
    }

    private void paid(Renewal renewal, Orders.Order order) {
        settled(renewal, "paid", Kind.CHARGED, String.valueOf(order.number()));
    }

    private void passedOver(Renewal renewal, Kind kind, String state) {
        settled(renewal, state, kind, renewal.dueOn().toString());
    }

    /** A date that is over, once: the subscription goes on to the next. */
    private void settled(Renewal renewal, String state, Kind kind, String about) {
        transaction.executeWithoutResult(status -> {
            Subscription subscription = book.locked(renewal.subscription());
            Renewal now = book.renewal(renewal.subscription(), renewal.dueOn()).orElseThrow();
            if (!now.open()) {
                return;
            }
            book.write(new Renewal(
                    now.subscription(),
                    now.dueOn(),
                    state,
                    now.orderId(),
                    now.tries(),
                    now.firstDeclined(),
                    null,
                    now.reason()));
            book.happened(subscription.id(), kind, about);
            int agreed = pricing.edition(subscription, renewal.dueOn());
            if (agreed != subscription.edition()) {
                book.agreedTo(subscription.id(), agreed);
                book.happened(subscription.id(), Kind.CHANGED, renewal.dueOn().toString());
            }
            goOn(book.of(subscription.id()), today(subscription));
        });
    }

    /** To the next date, or the end. */
    void goOn(Subscription subscription, LocalDate endedOn) {
        int behind = subscription.charges() + 1;
        Optional<LocalDate> next = pricing.rhythm(subscription).after(subscription.began(), behind);
        book.next(subscription.id(), behind, next.orElse(null), endedOn);
        if (next.isEmpty()) {
            book.state(subscription.id(), State.ENDED);
            book.happened(subscription.id(), Kind.ENDED, "");
        }
    }

    /** It cannot be priced or paid as it is set up now: tried again tomorrow, and the seller is told once. */
    private void hold(Renewal renewal, RenewalPricing.Priced priced) {
        var setup = priced.edition().document().setup();
        String reason =
                Wording.of(setup, setup.shop().language()).say(priced.obstacle().orElseThrow());
        transaction.executeWithoutResult(status -> {
            Subscription subscription = book.locked(renewal.subscription());
            Renewal now = book.renewal(renewal.subscription(), renewal.dueOn()).orElseThrow();
            book.write(new Renewal(
                    now.subscription(),
                    now.dueOn(),
                    now.state(),
                    now.orderId(),
                    now.tries(),
                    now.firstDeclined(),
                    today(subscription).plusDays(1),
                    reason));
            if (!now.reason().equals(reason)) {
                book.happened(subscription.id(), Kind.HELD, reason);
            }
        });
    }

    private void declined(Renewal renewal, Orders.Order order, String reason) {
        boolean over = Boolean.TRUE.equals(transaction.execute(status -> {
            Subscription subscription = book.locked(renewal.subscription());
            Renewal now = book.renewal(renewal.subscription(), renewal.dueOn()).orElseThrow();
            if (!now.open() || now.tries() != renewal.tries()) {
                return false;
            }
            LocalDate today = today(subscription);
            LocalDate first = now.firstDeclined() == null ? today : now.firstDeclined();
            int tries = now.tries() + 1;
            Optional<LocalDate> next = ChargeRetries.next(first, tries);
            // After a time away the day of the next try may be over already: it is tomorrow then.
            LocalDate again = next.map(day -> day.isAfter(today) ? day : today.plusDays(1))
                    .orElse(null);
            book.write(new Renewal(
                    now.subscription(),
                    now.dueOn(),
                    next.isPresent() ? "open" : "given up",
                    order.id(),
                    tries,
                    first,
                    again,
                    reason));
            book.happened(subscription.id(), next.isPresent() ? Kind.DECLINED : Kind.LAPSED, reason);
            if (next.isEmpty()) {
                book.state(subscription.id(), State.LAPSED);
            }
            return next.isEmpty();
        }));
        if (over) {
            cancelling.cancel(orders.byId(order.id()), OWN);
        }
    }
}
