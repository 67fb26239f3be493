package vestcoin.app.message;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import vestcoin.app.download.Downloads;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Promise;
import vestcoin.core.life.NextStep;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Amount;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.terms.SellerNotice.Event;
import vestcoin.core.terms.SupplyAtOnce;

/**
 * Letters owed for an order, by how it stands: a receipt once it stands, news when it has left, a note of each refund;
 * the shop gets a copy of the receipt. Each is written down once and sent until the post room takes it.
 */
@Service
public class Messages {
    private static final Logger LOG = LoggerFactory.getLogger(Messages.class);
    private static final int MOST_TRIES_AT_ONCE = 5;
    private static final int SECONDS_BETWEEN = 2;

    private final LetterBook letters;
    private final Orders orders;
    private final PaymentBook book;
    private final Editions editions;
    private final OrderSupply supply;
    private final SellerLetters sellers;
    private final ShortMessages texts;
    private final Outbox outbox;
    private final Clock clock;
    private final String ownUrl;

    Messages(
            LetterBook letters,
            Orders orders,
            PaymentBook book,
            Editions editions,
            OrderSupply supply,
            SellerLetters sellers,
            ShortMessages texts,
            Outbox outbox,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.orders = orders;
        this.book = book;
        this.editions = editions;
        this.supply = supply;
        this.sellers = sellers;
        this.texts = texts;
        this.outbox = outbox;
        this.clock = clock;
        this.ownUrl = ownUrl;
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
                        keepUp(orders.byId(order));
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

    /** Waits until what was told so far is done. */
    public void settled() throws Exception {
        letters.settled();
    }

    /** Writes down what is owed of an order and is not there yet, in the order in which it happens. */
    private void keepUp(Orders.Order order) {
        List<PaymentBook.Payment> payments = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        boolean begun = order.due() == 0 || payments.stream().anyMatch(payment -> !payment.byVoucher());
        boolean stands = begun
                && (order.payable() == 0 || !payments.isEmpty())
                && payments.stream()
                        .allMatch(payment ->
                                !payment.throughProvider() || !open(payment) && !book.aboutToBeTaken(payment));
        if (!stands && !order.cancelled()) {
            return;
        }
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        Setup setup = document.setup();
        LetterTexts words = LetterTexts.in(setup, order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts.Besides besides = besides(order, document, quote);
        if (stands && !quiet(order)) {
            owe(
                    order,
                    setup.shop(),
                    order.subscription() == null ? "receipt" : "renewal",
                    "",
                    order.email(),
                    placed(
                            order,
                            setup,
                            words.told(
                                    order.subscription() == null ? "receipt" : "renewal",
                                    order,
                                    quote,
                                    besides,
                                    link(order))));
        }
        files(order, document, words);
        Setup own = editions.of(order.shop(), order.by()).document().setup();
        if (stands) {
            sellers.owe(
                    order,
                    own,
                    Event.PLACED,
                    "copy",
                    "",
                    LetterTexts.in(own, "")
                            .told("copy", order, KeptQuotes.read(order.quote()), besides, sellers.link(order)));
            if (next(order, own, besides) == NextStep.SEND) {
                sellers.toSend(order, own, quote);
            }
        }
        sellers.disputed(order, payments, own);
        waited(order, payments, setup, words, besides);
        sent(order, document, words, besides);
        if (order.readyAt() != null && !order.cancelled()) {
            owe(
                    order,
                    setup.shop(),
                    "ready",
                    "",
                    order.email(),
                    words.told("ready", order, BigDecimal.ZERO, besides, link(order)));
        }
        calledOff(order, setup, words, besides);
        supply.surpluses(order).stream()
                .filter(surplus -> surplus.returnedAt() != null)
                .forEach(surplus -> owe(
                        order,
                        setup.shop(),
                        "refund",
                        "surplus." + surplus.id(),
                        order.email(),
                        words.told("refund", order, amount(surplus.amount(), order), besides.without(), link(order))));
        orders.takenOff(order.id()).stream()
                .filter(taken -> taken.back() > 0)
                .forEach(taken -> owe(
                        order,
                        setup.shop(),
                        "refund",
                        "voucher." + taken.code() + "." + taken.back(),
                        order.email(),
                        words.told(
                                "refund",
                                order,
                                amount(taken.back(), order),
                                besides.only(words.onVoucher(taken.code())),
                                link(order))));
        long refunded =
                payments.stream().mapToLong(PaymentBook.Payment::refunded).sum();
        if (refunded > 0) {
            owe(
                    order,
                    setup.shop(),
                    "refund",
                    String.valueOf(refunded),
                    order.email(),
                    words.told("refund", order, amount(refunded, order), besides.without(), link(order)));
        }
    }

    private static LetterBook.LetterContent placed(Orders.Order order, Setup setup, LetterBook.LetterContent said) {
        return order.subscription() == null ? LetterAnnexes.with(said, order, setup) : said;
    }

    /** What is to be done next with an order of which nothing has left. */
    private NextStep next(Orders.Order order, Setup own, LetterTexts.Besides besides) {
        boolean later = own.payment().methods().stream()
                .filter(method -> method.id().equals(order.method()))
                .anyMatch(method -> method.kind().paidAfterwards());
        return order.nothingHasLeft()
                ? NextStep.of(new NextStep.OrderState(
                        PaymentStanding.of(order.standing()),
                        order.sent().equals("no") ? NextStep.Sent.NO : NextStep.Sent.NOTHING,
                        order.cancelled(),
                        orders.withdrawn(order.id()),
                        besides.handover().isPresent(),
                        later))
                : NextStep.NOTHING;
    }

    /** Tells that an order was called off, the shop too where the buyer did. */
    private void calledOff(Orders.Order order, Setup setup, LetterTexts words, LetterTexts.Besides besides) {
        if (!order.cancelled() || order.lapsed()) {
            return;
        }
        owe(
                order,
                setup.shop(),
                "cancelled",
                "",
                order.email(),
                words.told(order.byBuyer() ? "called-off" : "cancelled", order, BigDecimal.ZERO, besides, link(order)));
        if (order.byBuyer()) {
            sellers.owe(
                    order,
                    setup,
                    Event.STOPPED,
                    "cancelled",
                    "copy",
                    new SellerTexts(setup).calledOff(order, sellers.link(order)));
        }
    }

    /** Tells of an order that waits for its money: that it still does, that the money came, or that it lapsed. */
    private void waited(
            Orders.Order order,
            List<PaymentBook.Payment> payments,
            Setup setup,
            LetterTexts words,
            LetterTexts.Besides besides) {
        if (order.cancelled() && order.lapsed() && !quiet(order)) {
            owe(
                    order,
                    setup.shop(),
                    "lapsed",
                    "",
                    order.email(),
                    words.told("lapsed", order, amount(order.due(), order), besides.without(), link(order)));
        }
        boolean later = payments.stream().anyMatch(payment -> !payment.byVoucher() && !payment.throughProvider());
        long came = payments.stream()
                        .filter(payment -> !payment.byVoucher())
                        .mapToLong(PaymentBook.Payment::captured)
                        .sum()
                - order.carried();
        // What an order came to more, once it was changed, is told of for itself.
        String once = payments.stream()
                .filter(payment -> payment.ofChange() && payment.captured() > 0)
                .map(PaymentBook.Payment::part)
                .findFirst()
                .orElse("");
        if (later && came > 0 && came == order.due() && !handedOver(order, setup)) {
            owe(
                    order,
                    setup.shop(),
                    "paid",
                    once,
                    order.email(),
                    words.told("paid", order, amount(came, order), besides, link(order)));
        }
        if (order.remindedAt() != null && !order.cancelled() && came < order.due()) {
            owe(
                    order,
                    setup.shop(),
                    "hold-reminder",
                    "",
                    order.email(),
                    words.told("hold-reminder", order, amount(order.due() - came, order), besides, link(order)));
        }
    }

    /** Whether it was paid in cash when it was handed over: then nobody waited for the money. */
    private static boolean handedOver(Orders.Order order, Setup setup) {
        return setup.payment().methods().stream()
                .anyMatch(method ->
                        method.id().equals(order.method()) && method.kind().cash());
    }

    /** Tells of each departure: what is in it, how it is followed, what is still to come. */
    private void sent(Orders.Order order, Document document, LetterTexts words, LetterTexts.Besides besides) {
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        Set<Integer> toCome = Dispatching.leaving(document, quote);
        for (Dispatching.Left left : supply.departures(order)) {
            toCome.removeAll(left.lines());
            boolean whole = toCome.isEmpty();
            String occasion = whole ? "sent" : "sent-part";
            owe(
                    order,
                    document.setup().shop(),
                    occasion,
                    whole ? "" : String.valueOf(left.seq()),
                    order.email(),
                    words.sent(occasion, order, quote, left, Set.copyOf(toCome), besides, link(order)));
        }
    }

    /** Tells of files that can be fetched; again where the seller lets them be fetched again. */
    private void files(Orders.Order order, Document document, LetterTexts words) {
        List<Downloads.Download> there = supply.files(order);
        if (!there.isEmpty() && !order.cancelled()) {
            owe(
                    order,
                    document.setup().shop(),
                    "download",
                    String.valueOf(there.get(0).until().getEpochSecond()),
                    order.email(),
                    words.files(
                            order,
                            there,
                            document.compiled().zone(),
                            Json.tree(order.agreed()).has(SupplyAtOnce.KIND),
                            orders.known(order.shop(), order.email()),
                            link(order)));
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
        owe(
                order,
                setup.shop(),
                "return",
                about,
                order.email(),
                LetterTexts.in(setup, order.language())
                        .declared(order, at.atZone(ZoneId.of(setup.shop().timeZone())), things, link(order)));
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

    private LetterTexts.Besides besides(Orders.Order order, Document document, QuoteView quote) {
        return new LetterTexts.Besides(
                orders.known(order.shop(), order.email()),
                Handover.of(document.setup(), OrderFile.parse(order.document()), quote),
                supply.slip(order),
                promised(order, quote),
                supply.besides(order, document));
    }

    /** When the carrier is expected, while nothing has left. */
    private static Optional<Promise> promised(Orders.Order order, QuoteView quote) {
        return order.sent().equals("no")
                ? quote.delivery().stream()
                        .filter(QuoteView.Option::chosen)
                        .findFirst()
                        .flatMap(QuoteView.Option::promise)
                : Optional.empty();
    }

    /**
     * Placed by somebody who placed many in a short time: their letters wait for the money, so that strangers get none.
     */
    private boolean quiet(Orders.Order order) {
        return order.quiet()
                && book.ofOrder(order.id()).stream()
                        .allMatch(payment -> payment.captured() == 0 && payment.stateNow() != PaymentState.AUTHORISED);
    }

    private static BigDecimal amount(long minor, Orders.Order order) {
        return amount(minor, order.currency()).value();
    }

    static Amount amount(long minor, String currency) {
        return new Amount(BigDecimal.valueOf(minor, CurrencyUnit.of(currency).getDecimalPlaces()), currency);
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
            owe(
                    order,
                    document.setup().shop(),
                    "receipt",
                    once,
                    order.email(),
                    words.told("receipt", order, quote, besides(order, document, quote), link(order)));
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
        boolean written = owe(
                order,
                setup.shop(),
                "reminder",
                once,
                order.email(),
                LetterTexts.in(setup, order.language())
                        .told(
                                "reminder",
                                order,
                                amount(open, order),
                                besides(
                                        order,
                                        editions.spoken(order.shop(), order.by(), order.language()),
                                        editions.spoken(order.shop(), order.by(), order.language())
                                                .quote(OrderFile.parse(order.document()))),
                                link(order)));
        deliverWhatIsDue();
        return written;
    }

    /** The receipt of an order as a PDF, in the order's language. */
    byte[] receipt(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts words = LetterTexts.in(document.setup(), order.language());
        LetterTexts.Besides besides = besides(order, document, quote);
        return ReceiptPdf.of(List.of(new ReceiptPdf.Page(
                document.setup().shop().name(),
                words.told("receipt", order, quote, besides, link(order)),
                words.facts(besides),
                order.mode().equals("test") ? Phrases.in(order.language()).say("letter.test-mark") : "")));
    }

    private static boolean open(PaymentBook.Payment payment) {
        return payment.stateNow() == PaymentState.CREATED
                || payment.stateNow() == PaymentState.NEEDS_BUYER
                || payment.stateNow() == PaymentState.PENDING;
    }

    private String link(Orders.Order order) {
        return ownUrl + "/counter/" + order.shop() + "/order/" + order.token();
    }

    private boolean owe(
            Orders.Order order, Shop shop, String event, String about, String to, LetterBook.LetterContent said) {
        String name = order.token() + "." + event + (about.isEmpty() ? "" : "." + about);
        if (letters.written(name)) {
            return false;
        }
        // Before the letter: where a crash comes between, both are looked at again, and each is written once.
        texts.beside(
                event,
                name,
                order,
                editions.spoken(order.shop(), order.by(), order.language()).setup(),
                link(order));
        return letters.owe(
                LetterBook.About.order(order.shop(), order.id()),
                shop,
                event,
                name,
                to,
                LetterTexts.in(editions.of(order.shop(), order.by()).document().setup(), order.language())
                        .marked(order.mode(), said));
    }
}
