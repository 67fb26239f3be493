package vestcoin.app.payment;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.payment.PaymentBook.Begun;
import vestcoin.app.payment.PaymentBook.Payment;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Message;

/**
 * Leads payments through their life. What is to happen is written down before the provider is asked and what it
 * answered after; a crash in between leaves an open row, and open rows are asked after at every start and every half
 * minute.
 */
@Service
public class Payments {
    /** The method of a payment made by voucher. */
    public static final String VOUCHER = "voucher";

    private static final Logger LOG = LoggerFactory.getLogger(Payments.class);
    private static final String OWN = "vest coin";
    /** A try younger than this may still be on its way to the provider. */
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(30);

    private final PaymentBook book;
    private final MoneyMoves moves;
    private final ProviderEvents providerEvents;
    private final RefundBook refunds;
    private final Vouchers vouchers;
    private final Gateways gateways;
    private final Provider provider;
    private final Outbox outbox;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Payments(
            PaymentBook book,
            MoneyMoves moves,
            ProviderEvents providerEvents,
            RefundBook refunds,
            Vouchers vouchers,
            Gateways gateways,
            Provider provider,
            Outbox outbox,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.book = book;
        this.moves = moves;
        this.providerEvents = providerEvents;
        this.refunds = refunds;
        this.vouchers = vouchers;
        this.gateways = gateways;
        this.provider = provider;
        this.outbox = outbox;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** What a provider is told besides. */
    public record Reference(String currency, String reference, String returnUrl) {}

    /**
     * Pays through a provider, once: while a try is alive it is given back instead, and so is one begun with the same
     * key. What was bought is there when this returns, whoever was told first that it is paid.
     */
    public Payment pay(Begun due, Reference more, Provider.Means means) {
        Payment payment = tried(due, more, means);
        outbox.catchUp(due.order());
        return payment;
    }

    private Payment tried(Begun due, Reference more, Provider.Means means) {
        Payment payment = book.begin(due);
        if (payment.stateNow() != PaymentState.CREATED) {
            return payment.stateNow().open() ? asked(payment) : payment;
        }
        ServiceAccess access = gateways.access(due.shop(), due.gateway());
        String statement = gateways.of(due.shop(), due.gateway())
                .map(Gateways.GatewayView::statement)
                .orElse("");
        try {
            return onwards(book.applyProviderState(
                    payment.id(),
                    provider.authorise(
                            access,
                            payment.idempotencyKey(),
                            new Provider.Charge(
                                    due.amount(),
                                    more.currency(),
                                    means,
                                    more.reference(),
                                    statement,
                                    more.returnUrl())),
                    "buyer"));
        } catch (ProviderRejection e) {
            return book.transition(payment.id(), PaymentState.FAILED, OWN, e.getMessage());
        } catch (ProviderTimeout e) {
            return book.transition(payment.id(), PaymentState.PENDING, OWN, "the provider has not answered");
        }
    }

    /** Begins a payment that no provider stands behind: it waits for the money. */
    @Transactional
    public Payment await(Begun due, String note) {
        Payment payment = book.begin(due);
        return payment.stateNow() == PaymentState.CREATED
                ? book.transition(payment.id(), PaymentState.PENDING, "buyer", note)
                : payment;
    }

    /**
     * Pays a part of an order from a voucher, in the transaction that places it. @throws Vouchers.Spent if the voucher
     * holds less
     */
    @Transactional
    public void payByVoucher(long order, String shop, String code, long amount) {
        Payment payment = book.begin(new Begun(order, shop, "", VOUCHER, code, amount, true, 1));
        vouchers.take(shop, code, payment.id(), amount);
        book.moveHere(payment, Provider.Kind.CAPTURE, key(payment, "capture"), amount, "buyer", "");
    }

    /**
     * An order stands without any payment: what follows from one that is paid follows, in the transaction that places
     * it.
     */
    public void nothingToPay(long order) {
        book.announce(order);
    }

    /** Takes what was authorised if it is to be taken at once. */
    private Payment onwards(Payment payment) {
        if (payment.stateNow() != PaymentState.AUTHORISED || !payment.atOnce()) {
            return payment;
        }
        try {
            String key = key(payment, "capture");
            moves.ask(key, payment.id(), Provider.Kind.CAPTURE, payment.amount(), OWN);
            return carriedOut(
                    new MoneyMoves.Move(key, payment.id(), Provider.Kind.CAPTURE.text(), payment.amount(), OWN));
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("capture of payment {} stays open: {}", payment.id(), e.getMessage());
            return book.of(payment.id());
        }
    }

    /** The same for the same payment, so that what happens by itself happens once. */
    private static String key(Payment payment, String what) {
        return UUID.nameUUIDFromBytes((payment.idempotencyKey() + "/" + what).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Asks the provider how a payment stands. */
    public Payment asked(Payment payment) {
        if (!payment.stateNow().open() || !payment.throughProvider()) {
            return payment;
        }
        try {
            Optional<Provider.View> view =
                    provider.find(gateways.access(payment.shop(), payment.gateway()), payment.idempotencyKey());
            if (view.isPresent()) {
                return onwards(book.applyProviderState(payment.id(), view.get(), "provider"));
            }
            boolean gone = book.lastChange(payment.id()).plus(ON_ITS_WAY).isBefore(clock.instant());
            return gone
                    ? book.transition(payment.id(), PaymentState.FAILED, OWN, "nothing reached the provider")
                    : payment;
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("payment {} stays open: {}", payment.id(), e.getMessage());
            return payment;
        }
    }

    /**
     * Gives back once for a key, as {@link #move}.
     *
     * @param parts what it is for, by item of the order's bills, in minor units; nothing is said when empty
     */
    public Payment refund(Payment payment, String key, long amount, Map<String, Long> parts, String actor) {
        refunds.allocate(key, payment.orderId(), parts);
        return move(payment, Provider.Kind.REFUND, key, amount, actor);
    }

    /**
     * Captures, refunds or voids once for a key; of what no provider stands behind, writes down that money came or was
     * given back.
     *
     * @throws ApiProblem if the amount cannot be moved or the provider says no
     */
    public Payment move(Payment payment, Provider.Kind kind, String key, long amount, String actor) {
        if (!payment.throughProvider()) {
            return here(payment, kind, key, amount, actor);
        }
        long most = kind == Provider.Kind.REFUND
                ? payment.captured() - payment.refunded()
                : payment.amount() - payment.captured();
        boolean allowed =
                switch (kind) {
                    case CAPTURE ->
                        payment.stateNow() == PaymentState.AUTHORISED || payment.stateNow() == PaymentState.CAPTURED;
                    case REFUND -> payment.stateNow().refundable() && payment.captured() > 0;
                    case VOID -> payment.stateNow() == PaymentState.AUTHORISED && payment.captured() == 0;
                };
        if (kind == Provider.Kind.CAPTURE
                && payment.lapsesAt() != null
                && payment.lapsesAt().isBefore(clock.instant())) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "amount",
                    Message.of("payment.authorisation-has-lapsed"),
                    Message.of("payment.ask-buyer-to-pay-again-their-own"));
        }
        if (!allowed || amount <= 0 || amount > most) {
            throw notAllowed(kind, most > 0 && allowed);
        }
        moves.ask(key, payment.id(), kind, amount, actor);
        MoneyMoves.Move move = new MoneyMoves.Move(key, payment.id(), kind.text(), amount, actor);
        try {
            return carriedOut(move);
        } catch (ProviderRejection e) {
            moves.settle(move, false, e.getMessage());
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "amount",
                    ServiceReasons.of(e.getMessage()),
                    Message.of("payment.load-order-again-to-see-where-stands"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "amount",
                    Message.of("payment.provider-not-answering"),
                    Message.of("payment.noted-and-asked-again-every-half-minute"));
        }
    }

    /**
     * Money without a provider: it came, it was given back, or nobody waits for it any more. In one transaction, also
     * when called from here.
     */
    public Payment here(Payment payment, Provider.Kind kind, String key, long amount, String actor) {
        return transaction.execute(status -> written(payment, kind, key, amount, actor));
    }

    private Payment written(Payment payment, Provider.Kind kind, String key, long amount, String actor) {
        if (kind == Provider.Kind.VOID) {
            return book.transition(payment.id(), PaymentState.VOIDED, actor, "no longer waited for");
        }
        Payment before = book.locked(payment.id());
        Payment after = book.moveHere(before, kind, key, amount, actor, "").orElseThrow(() -> notAllowed(kind, true));
        if (kind == Provider.Kind.REFUND && payment.byVoucher() && after.refunded() > before.refunded()) {
            vouchers.giveBack(payment.shop(), payment.part(), payment.id(), amount);
        }
        return after;
    }

    private static ApiProblem notAllowed(Provider.Kind kind, boolean some) {
        return new ApiProblem(
                HttpStatus.CONFLICT,
                "amount",
                Message.of("payment.payment-does-not-allow-this", "kind", kind.text()),
                some
                        ? Message.of("payment.take-at-most-what-left-of")
                        : Message.of("payment.load-order-again-to-see-where-stands"));
    }

    private Payment carriedOut(MoneyMoves.Move move) {
        Payment payment = book.of(move.payment());
        Provider.Kind kind = Provider.Kind.of(move.kind());
        Provider.View view = provider.move(
                gateways.access(payment.shop(), payment.gateway()),
                payment.providerRef(),
                kind,
                move.idempotencyKey(),
                kind == Provider.Kind.VOID ? 0 : move.amount());
        Payment after = book.applyProviderState(payment.id(), view, move.actor());
        moves.settle(move, true, "");
        return after;
    }

    /** Does what was written down of an order's money and not asked for yet; what is not answered is asked again. */
    void carryOn(long order) {
        moves.unsettled().stream()
                .filter(move -> book.of(move.payment()).orderId() == order)
                .forEach(this::carryOn);
    }

    private void carryOn(MoneyMoves.Move move) {
        try {
            carriedOut(move);
        } catch (ProviderRejection e) {
            moves.settle(move, false, e.getMessage());
        } catch (ProviderTimeout e) {
            LOG.info("{} of payment {} stays open: {}", move.kind(), move.payment(), e.getMessage());
        }
    }

    /** Takes in a webhook whose signature has been checked; a second copy changes nothing. */
    void told(String shop, String gateway, String event, Provider.View view) {
        book.byKey(view.key())
                .filter(payment ->
                        payment.shop().equals(shop) && payment.gateway().equals(gateway))
                .ifPresent(payment -> {
                    // Together, so that a crash in between cannot make news of it look old.
                    Payment after = transaction.execute(status -> providerEvents.firstTime(shop, event)
                            ? book.applyProviderState(
                                    payment.id(),
                                    view,
                                    moves.askedBy(payment.id()).orElse("provider"))
                            : null);
                    if (after != null) {
                        onwards(after);
                    }
                });
    }

    @EventListener(ApplicationReadyEvent.class)
    void afterAStart() {
        askAfterWhatIsOpen();
    }

    @EventListener(TimePassed.class)
    @Scheduled(fixedDelayString = "PT30S", initialDelayString = "PT30S")
    public void askAfterWhatIsOpen() {
        book.open().forEach(this::asked);
        moves.unsettled().forEach(this::carryOn);
        book.toCapture().forEach(this::onwards);
        providerEvents.forgetOld();
        book.lapsed()
                .forEach(payment ->
                        book.transition(payment.id(), PaymentState.EXPIRED, OWN, "the authorisation has lapsed"));
    }
}
