package vestcoin.app.message;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice.Event;

/**
 * Letters owed for an order, by how it stands: a receipt once it stands, news when it has left, a note of each refund;
 * the shop gets a copy of the receipt. Each is written down once and sent until the post room takes it.
 */
@Service
public class Messages {
    private static final Logger LOG = LoggerFactory.getLogger(Messages.class);
    private static final Duration LONGEST_SETTLING = Duration.ofSeconds(10);
    private static final Duration BETWEEN_LOOKS = Duration.ofMillis(20);
    private static final int MOST_TRIES_AT_ONCE = 5;
    private static final int SECONDS_BETWEEN = 2;

    private final LetterBook letters;
    private final Orders orders;
    private final PaymentBook book;
    private final Editions editions;
    private final OwedLetters owed;
    private final SellerLetters sellers;
    private final ShortMessages texts;
    private final Outbox outbox;
    private final Clock clock;

    Messages(
            LetterBook letters,
            Orders orders,
            PaymentBook book,
            Editions editions,
            OwedLetters owed,
            SellerLetters sellers,
            ShortMessages texts,
            Outbox outbox,
            Clock clock) {
        this.letters = letters;
        this.orders = orders;
        this.book = book;
        this.editions = editions;
        this.owed = owed;
        this.sellers = sellers;
        this.texts = texts;
        this.outbox = outbox;
        this.clock = clock;
    }

    /** Letters and short messages of an order, as they were written. */
    public List<LetterBook.LetterRecord> ofOrder(long order) {
        return Stream.concat(letters.ofOrder(order).stream(), texts.ofOrder(order).stream())
                .sorted(Comparator.comparing(LetterBook.LetterRecord::at))
                .toList();
    }

    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        // Behind what hands something over: the letter names it.
        outbox.afterwards(() -> keepUpLater(moved.order(), 0, MOST_TRIES_AT_ONCE));
    }

    /** Writes and sends what is owed of an order. What fails is tried again after a while; at the next start anyway. */
    private void keepUpLater(long order, long seconds, int tries) {
        if (tries == 0) {
            return;
        }
        letters.later(
                () -> {
                    try {
                        OptionalLong change = outbox.change(Outbox.Kind.LETTER, order);
                        owed.keepUp(orders.byId(order));
                        outbox.done(Outbox.Kind.LETTER, order, change);
                        letters.deliver();
                        texts.deliver();
                    } catch (RuntimeException e) {
                        LOG.warn("letters of order {} are owed: {}", order, e.toString());
                        keepUpLater(order, seconds + SECONDS_BETWEEN, tries - 1);
                    }
                },
                seconds);
    }

    /** What was placed, sent or given back lately without its letter, because a crash came between. */
    @EventListener(ApplicationReadyEvent.class)
    void makeGood() {
        outbox.due(Outbox.Kind.LETTER).forEach(order -> moved(new PaymentBook.PaymentChanged(order)));
    }

    public void deliverWhatIsDue() {
        letters.deliverWhatIsDue();
    }

    /** Waits until what orders are owed is written and was tried to be sent, ten seconds at most. */
    public void settled() throws Exception {
        long until = System.nanoTime() + LONGEST_SETTLING.toNanos();
        letters.settled();
        while (!outbox.due(Outbox.Kind.LETTER).isEmpty() && System.nanoTime() < until) {
            Thread.sleep(BETWEEN_LOOKS.toMillis());
            letters.settled();
        }
    }

    /**
     * Confirms to the buyer, and tells the shop, what was declared and when: withdrawing is confirmed on something that
     * lasts.
     */
    public void declared(Orders.Order order, Instant at, List<String> things) {
        Setup setup =
                editions.spoken(order.shop(), order.by(), order.language()).setup();
        String about = String.valueOf(at.toEpochMilli());
        owed.owe(
                order,
                setup.shop(),
                "return",
                about,
                order.email(),
                LetterTexts.in(setup, order.language())
                        .declared(order, at.atZone(ZoneId.of(setup.shop().timeZone())), things, owed.link(order)));
        Setup own = editions.of(order.shop(), order.by()).document().setup();
        sellers.owe(
                order,
                own,
                Event.STOPPED,
                "return",
                about + ".copy",
                LetterTexts.in(own, "")
                        .declared(order, at.atZone(ZoneId.of(own.shop().timeZone())), things, sellers.link(order)));
        // Sent when what was declared is committed.
        book.announce(order.id());
    }

    /**
     * Reminds a buyer of what is still to be paid, once a day.
     *
     * @return whether one was written; not where it was already, today
     */
    public boolean remind(Orders.Order order) {
        Setup setup =
                editions.spoken(order.shop(), order.by(), order.language()).setup();
        return remind(
                order,
                String.valueOf(LocalDate.ofInstant(
                        clock.instant(), ZoneId.of(setup.shop().timeZone()))));
    }

    /** Tells a buyer what an order comes to that was just changed, and what is to be paid of it, each time. */
    public void changed(Orders.Order order) {
        String once = clock.instant().toString();
        PaymentStanding standing = PaymentStanding.of(order.standing());
        if (standing == PaymentStanding.AUTHORISED || standing == PaymentStanding.PAID) {
            Document document = editions.spoken(order.shop(), order.by(), order.language());
            QuoteView quote = document.quote(OrderFile.parse(order.document()));
            LetterTexts words = LetterTexts.in(document.setup(), order.language());
            owed.owe(
                    order,
                    document.setup().shop(),
                    "receipt",
                    once,
                    order.email(),
                    words.told("receipt", order, quote, owed.besides(order, document, quote), owed.link(order)));
            deliverWhatIsDue();
        } else {
            remind(order, once);
        }
    }

    /** @param once one is written for this */
    private boolean remind(Orders.Order order, String once) {
        Setup setup =
                editions.spoken(order.shop(), order.by(), order.language()).setup();
        List<PaymentBook.Payment> alive = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        long open = order.payable()
                + order.carried()
                - alive.stream().mapToLong(PaymentBook.Payment::captured).sum();
        boolean written = owed.owe(
                order,
                setup.shop(),
                "reminder",
                once,
                order.email(),
                LetterTexts.in(setup, order.language())
                        .told(
                                "reminder",
                                order,
                                OwedLetters.amount(open, order.currency()).value(),
                                owed.besides(
                                        order,
                                        editions.spoken(order.shop(), order.by(), order.language()),
                                        editions.spoken(order.shop(), order.by(), order.language())
                                                .quote(OrderFile.parse(order.document()))),
                                owed.link(order)));
        deliverWhatIsDue();
        return written;
    }

    /** The receipt of an order as a PDF, in the order's language. */
    byte[] receipt(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts words = LetterTexts.in(document.setup(), order.language());
        LetterTexts.Besides besides = owed.besides(order, document, quote);
        return ReceiptPdf.of(List.of(new ReceiptPdf.Page(
                document.setup().shop().name(),
                words.told("receipt", order, quote, besides, owed.link(order)),
                LetterSentences.in(document.setup(), order.language()).facts(besides),
                order.mode().equals("test") ? Phrases.in(order.language()).say("letter.test-mark") : "")));
    }
}
