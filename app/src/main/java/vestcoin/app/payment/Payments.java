package vestcoin.app.payment;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.Told;
import vestcoin.app.payment.PaymentBook.Payment;

/**
 * Leads payments through their life. What is to happen is written down before the provider is asked and what it answered
 * after; a crash in between leaves an open row, and open rows are asked after at every start and every half minute.
 */
@Service
public class Payments {
    private static final Logger LOG = LoggerFactory.getLogger(Payments.class);
    /** A try younger than this may still be on its way to the provider. */
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(30);

    private final PaymentBook book;
    private final Gateways gateways;
    private final CardService cards;
    private final Clock clock;

    Payments(PaymentBook book, Gateways gateways, CardService cards, Clock clock) {
        this.book = book;
        this.gateways = gateways;
        this.cards = cards;
        this.clock = clock;
    }

    /** What a payment is for. */
    public record Due(long order, String shop, String gateway, String method, long amount, String currency, String reference, String returnUrl) {}

    /** Pays an order with a card token, once: while a try is alive it is given back instead. */
    public Payment pay(Due due, String token) {
        Payment payment = book.begin(due.order(), due.shop(), due.gateway(), due.method(), due.amount());
        if (payment.stateNow() != PaymentState.CREATED) {
            return payment.stateNow().open() ? asked(payment) : payment;
        }
        CardService.Access access = gateways.access(due.shop(), due.gateway());
        try {
            return book.learn(payment.id(), cards.authorise(access, payment.idempotencyKey(), due.amount(), due.currency(), token, due.reference(), due.returnUrl()), "buyer");
        } catch (CardService.Refusal e) {
            return book.put(payment.id(), PaymentState.FAILED, e.getMessage());
        } catch (CardService.Silent e) {
            return book.put(payment.id(), PaymentState.PENDING, "the provider has not answered");
        }
    }

    /** Asks the provider how a payment stands. */
    public Payment asked(Payment payment) {
        if (!payment.stateNow().open()) {
            return payment;
        }
        try {
            Optional<CardService.View> view = cards.find(gateways.access(payment.shop(), payment.gateway()), payment.idempotencyKey());
            if (view.isPresent()) {
                return book.learn(payment.id(), view.get(), "provider");
            }
            boolean gone = book.lastChange(payment.id()).plus(ON_ITS_WAY).isBefore(clock.instant());
            return gone ? book.put(payment.id(), PaymentState.FAILED, "nothing reached the provider") : payment;
        } catch (CardService.Silent | CardService.Refusal e) {
            LOG.info("payment {} stays open: {}", payment.id(), e.getMessage());
            return payment;
        }
    }

    /** Captures or refunds once for a key. @throws Told if the amount cannot be moved or the provider says no */
    public Payment move(Payment payment, String kind, String key, long amount, String actor) {
        long most = kind.equals("capture") ? payment.amount() - payment.captured() : payment.captured() - payment.refunded();
        boolean allowed = kind.equals("capture") ? payment.stateNow() == PaymentState.AUTHORISED || payment.stateNow() == PaymentState.CAPTURED
                : payment.captured() > 0;
        if (!allowed || amount <= 0 || amount > most) {
            throw new Told(HttpStatus.CONFLICT, "amount", "The payment does not allow this " + kind + ".",
                    most > 0 && allowed ? "Take at most what is left of it." : "Load the order again to see where it stands.");
        }
        book.ask(key, payment.id(), kind, amount, actor);
        try {
            return carriedOut(new PaymentBook.Move(key, payment.id(), kind, amount, actor));
        } catch (CardService.Refusal e) {
            book.settle(key, false, e.getMessage());
            throw new Told(HttpStatus.CONFLICT, "amount", e.getMessage(), "Load the order again to see where it stands.");
        } catch (CardService.Silent e) {
            throw new Told(HttpStatus.BAD_GATEWAY, "amount", "The provider is not answering.", "It is noted and asked again every half minute; nothing is taken twice.");
        }
    }

    private Payment carriedOut(PaymentBook.Move move) {
        Payment payment = book.of(move.payment());
        CardService.Access access = gateways.access(payment.shop(), payment.gateway());
        CardService.View view = move.kind().equals("capture")
                ? cards.capture(access, payment.providerRef(), move.idempotencyKey(), move.amount())
                : cards.refund(access, payment.providerRef(), move.idempotencyKey(), move.amount());
        Payment after = book.learn(payment.id(), view, move.actor());
        book.settle(move.idempotencyKey(), true, "");
        return after;
    }

    /** Takes in a webhook whose signature has been checked; a second copy changes nothing. */
    void told(String shop, String gateway, String event, CardService.View view) {
        book.byKey(view.key()).filter(payment -> payment.shop().equals(shop) && payment.gateway().equals(gateway)).ifPresent(payment -> {
            if (book.firstTime(shop, event)) {
                book.learn(payment.id(), view, book.askedBy(payment.id()).orElse("provider"));
            }
        });
    }

    @EventListener(ApplicationReadyEvent.class)
    void afterAStart() {
        book.mend();
        askAfterWhatIsOpen();
    }

    @Scheduled(fixedDelayString = "PT30S", initialDelayString = "PT30S")
    public void askAfterWhatIsOpen() {
        book.open().forEach(this::asked);
        for (PaymentBook.Move move : book.unsettled()) {
            try {
                carriedOut(move);
            } catch (CardService.Refusal e) {
                book.settle(move.idempotencyKey(), false, e.getMessage());
            } catch (CardService.Silent e) {
                LOG.info("{} of payment {} stays open: {}", move.kind(), move.payment(), e.getMessage());
            }
        }
    }

}
