package vestcoin.app.message;

import jakarta.annotation.PreDestroy;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.order.Wishes;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.core.life.PaymentState;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * Letters owed for an order, by how it stands: a receipt once it stands, news when it has left, a note of each refund;
 * the shop gets a copy of the receipt. Each is written down once and sent until the post room takes it.
 */
@Service
public class Messages {
    private static final Logger LOG = LoggerFactory.getLogger(Messages.class);
    private static final int AT_A_TIME = 50;
    private static final int MOST_TRIES = 50;
    private static final int MOST_TRIES_AT_ONCE = 5;
    private static final int SECONDS_BETWEEN = 2;

    /** One letter of an order. */
    public record LetterRecord(String event, String recipient, String subject, Instant at, boolean sent) {}

    private record Due(long id, String mime) {}

    private final JdbcClient sql;
    private final Orders orders;
    private final PaymentBook book;
    private final Editions editions;
    private final PostService post;
    private final TransferSlips slips;
    private final Outbox outbox;
    private final Clock clock;
    private final String ownUrl;
    private final ScheduledExecutorService queue =
            Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "letters"));

    Messages(
            JdbcClient sql,
            Orders orders,
            PaymentBook book,
            Editions editions,
            PostService post,
            TransferSlips slips,
            Outbox outbox,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.sql = sql;
        this.orders = orders;
        this.book = book;
        this.editions = editions;
        this.post = post;
        this.slips = slips;
        this.outbox = outbox;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    public List<LetterRecord> ofOrder(long order) {
        return sql.sql("select event, recipient, subject, at, sent_at is not null as sent from letter where "
                        + "order_id = :order order by id")
                .param("order", order)
                .query(LetterRecord.class)
                .list();
    }

    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        keepUpLater(moved.order(), 0, MOST_TRIES_AT_ONCE);
    }

    /** Writes and sends what is owed of an order. What fails is tried again after a while; at the next start anyway. */
    private void keepUpLater(long order, long seconds, int tries) {
        if (queue.isShutdown() || tries == 0) {
            return;
        }
        queue.schedule(
                () -> {
                    try {
                        OptionalLong change = outbox.change(Outbox.Kind.LETTER, order);
                        keepUp(orders.byId(order));
                        outbox.done(Outbox.Kind.LETTER, order, change);
                        deliver();
                    } catch (RuntimeException e) {
                        LOG.warn("letters of order {} are owed: {}", order, e.toString());
                        keepUpLater(order, seconds + SECONDS_BETWEEN, tries - 1);
                    }
                },
                seconds,
                TimeUnit.SECONDS);
    }

    /** What was placed, sent or given back lately without its letter, because a crash came between. */
    @EventListener(ApplicationReadyEvent.class)
    void makeGood() {
        outbox.due(Outbox.Kind.LETTER).forEach(order -> moved(new PaymentBook.PaymentChanged(order)));
    }

    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT30S", initialDelayString = "PT30S")
    public void deliverWhatIsDue() {
        if (!queue.isShutdown()) {
            queue.execute(this::deliver);
        }
    }

    /** Waits until what was told so far is done. */
    public void settled() throws Exception {
        queue.submit(() -> {}).get(1, TimeUnit.MINUTES);
    }

    /** Sends what has not been taken yet, the oldest first; stops at the first silence. */
    private void deliver() {
        for (Due due : sql.sql(
                        "select id, mime from letter where sent_at is null and tries < :tries order by id limit :most")
                .param("tries", MOST_TRIES)
                .param("most", AT_A_TIME)
                .query(Due.class)
                .list()) {
            try {
                post.send(due.mime());
                sql.sql("update letter set sent_at = :at, mime = case when event = 'sign-in' then '' else "
                                + "mime end where id = :id")
                        .param("at", now())
                        .param("id", due.id())
                        .update();
            } catch (ProviderRejection e) {
                LOG.warn("letter {} was refused: {}", due.id(), e.getMessage());
                sql.sql("update letter set tries = tries + 1 where id = :id")
                        .param("id", due.id())
                        .update();
            } catch (ProviderTimeout e) {
                LOG.info("letters wait: {}", e.getMessage());
                return;
            }
        }
    }

    /** Writes down what is owed of an order and is not there yet. */
    private void keepUp(Orders.Order order) {
        List<PaymentBook.Payment> payments = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        boolean begun = order.due() == 0 || payments.stream().anyMatch(payment -> !payment.byVoucher());
        boolean stands = begun
                && !payments.isEmpty()
                && payments.stream().allMatch(payment -> !payment.throughProvider() || !open(payment));
        if (!stands && !order.cancelled()) {
            return;
        }
        Document document = editions.spoken(order.shop(), order.edition(), order.language());
        Setup setup = document.setup();
        LetterTexts words = LetterTexts.in(setup, order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts.Besides besides = besides(order, document, quote);
        if (stands && !quiet(order)) {
            owe(
                    order,
                    setup.shop(),
                    "receipt",
                    "",
                    order.email(),
                    words.told("receipt", order, quote, besides, link(order)));
        }
        if (stands && !setup.shop().email().isBlank()) {
            LetterTexts own = LetterTexts.in(
                    editions.of(order.shop(), order.edition()).document().setup(), "");
            owe(
                    order,
                    setup.shop(),
                    "copy",
                    "",
                    setup.shop().email(),
                    own.told(
                            "copy",
                            order,
                            Json.read(order.quote(), QuoteView.class),
                            besides,
                            ownUrl + "/desk/" + order.shop() + "/orders/" + order.number()));
        }
        if (order.sent().equals("all")) {
            owe(
                    order,
                    setup.shop(),
                    "sent",
                    "",
                    order.email(),
                    words.told("sent", order, BigDecimal.ZERO, besides, link(order)));
        }
        if (order.cancelled() && !order.lapsed()) {
            owe(
                    order,
                    setup.shop(),
                    "cancelled",
                    "",
                    order.email(),
                    words.told("cancelled", order, BigDecimal.ZERO, besides, link(order)));
        }
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

    /**
     * Confirms to the buyer, and tells the shop, what was declared and when: withdrawing is confirmed on something that
     * lasts.
     */
    public void declared(Orders.Order order, Instant at, List<String> things) {
        Setup setup =
                editions.spoken(order.shop(), order.edition(), order.language()).setup();
        String about = String.valueOf(at.toEpochMilli());
        owe(
                order,
                setup.shop(),
                "return",
                about,
                order.email(),
                LetterTexts.in(setup, order.language())
                        .declared(order, at.atZone(ZoneId.of(setup.shop().timeZone())), things, link(order)));
        if (!setup.shop().email().isBlank()) {
            owe(
                    order,
                    setup.shop(),
                    "return",
                    about + ".copy",
                    setup.shop().email(),
                    LetterTexts.in(
                                    editions.of(order.shop(), order.edition())
                                            .document()
                                            .setup(),
                                    "")
                            .declared(
                                    order,
                                    at.atZone(ZoneId.of(setup.shop().timeZone())),
                                    things,
                                    ownUrl + "/desk/" + order.shop() + "/orders/" + order.number()));
        }
        // Sent when what was declared is committed.
        book.announce(order.id());
    }

    private LetterTexts.Besides besides(Orders.Order order, Document document, QuoteView quote) {
        Optional<Payment.Method> method = document.setup().payment().methods().stream()
                .filter(way -> way.id().equals(order.method()))
                .findFirst();
        return new LetterTexts.Besides(
                orders.known(order.shop(), order.email()),
                Handover.of(document.setup(), OrderFile.parse(order.document()), quote),
                slips.of(order, method),
                orders.parcels(order.id()));
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
        return BigDecimal.valueOf(minor, CurrencyUnit.of(order.currency()).getDecimalPlaces());
    }

    /**
     * Reminds a buyer of what is still to be paid, once a day.
     *
     * @return whether one was written; not where it was already, today
     */
    public boolean remind(Orders.Order order) {
        Setup setup =
                editions.spoken(order.shop(), order.edition(), order.language()).setup();
        List<PaymentBook.Payment> alive = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        long open = order.payable()
                - alive.stream().mapToLong(PaymentBook.Payment::captured).sum();
        boolean written = owe(
                order,
                setup.shop(),
                "reminder",
                String.valueOf(LocalDate.ofInstant(
                        clock.instant(), ZoneId.of(setup.shop().timeZone()))),
                order.email(),
                LetterTexts.in(setup, order.language())
                        .told(
                                "reminder",
                                order,
                                amount(open, order),
                                besides(
                                        order,
                                        editions.spoken(order.shop(), order.edition(), order.language()),
                                        editions.spoken(order.shop(), order.edition(), order.language())
                                                .quote(OrderFile.parse(order.document()))),
                                link(order)));
        deliverWhatIsDue();
        return written;
    }

    /** The receipt of an order as a PDF, in the order's language. */
    byte[] receipt(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.edition(), order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts words = LetterTexts.in(document.setup(), order.language());
        LetterTexts.Besides besides = besides(order, document, quote);
        return ReceiptPdf.of(List.of(new ReceiptPdf.Page(
                document.setup().shop().name(),
                words.told("receipt", order, quote, besides, link(order)),
                words.facts(besides),
                order.mode().equals("test") ? Phrases.in(order.language()).say("letter.test-mark") : "")));
    }

    /**
     * What goes into the parcels, one page an order: what is in it, and the message of a gift. No price stands on it.
     */
    byte[] slips(List<Orders.Order> several) {
        return ReceiptPdf.of(several.stream().map(this::slip).toList());
    }

    private ReceiptPdf.Page slip(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.edition(), order.language());
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterContent slip = LetterTexts.in(document.setup(), order.language())
                .slip(order, wishes, quote, Handover.of(document.setup(), OrderFile.parse(order.document()), quote));
        return new ReceiptPdf.Page(
                document.setup().shop().name(),
                slip,
                slip.body().paragraphs(),
                order.mode().equals("test") ? Phrases.in(order.language()).say("letter.test-mark") : "");
    }

    private static boolean open(PaymentBook.Payment payment) {
        return payment.stateNow() == PaymentState.CREATED
                || payment.stateNow() == PaymentState.NEEDS_BUYER
                || payment.stateNow() == PaymentState.PENDING;
    }

    private String link(Orders.Order order) {
        return ownUrl + "/counter/" + order.shop() + "/order/" + order.token();
    }

    /** What a letter says. */
    record LetterContent(String subject, Letter.Body body) {}

    /** Lets a buyer in by a link. Nothing of it is kept once it is sent. */
    public void letIn(String shop, Setup setup, String email, String link) {
        owe(
                shop,
                null,
                setup.shop(),
                "sign-in",
                "sign-in." + UUID.randomUUID(),
                email,
                LetterTexts.in(setup, "").letIn(link));
        deliverWhatIsDue();
    }

    /**
     * Writes the one letter about a basket; it is sent once it is committed and {@link #deliverWhatIsDue} is
     * called. @param name of the buyer, as far as it was typed @param never a link that ends such letters
     */
    public void unfinished(
            String shop,
            Setup setup,
            String email,
            String token,
            String name,
            List<String> things,
            String link,
            String never) {
        owe(
                shop,
                null,
                setup.shop(),
                "unfinished",
                token + ".unfinished",
                email,
                LetterTexts.in(setup, "").unfinished(name, things, link, never));
    }

    private boolean owe(Orders.Order order, Shop shop, String event, String about, String to, LetterContent said) {
        return owe(
                order.shop(),
                order.id(),
                shop,
                event,
                order.token() + "." + event + (about.isEmpty() ? "" : "." + about),
                to,
                new LetterContent(
                        order.mode().equals("test")
                                ? Wording.of(
                                                editions.of(order.shop(), order.edition())
                                                        .document()
                                                        .setup(),
                                                order.language())
                                        .say("letter.test", "subject", said.subject())
                                : said.subject(),
                        said.body()));
    }

    /**
     * @param order its id, or null for a letter of none @param name the same for the same letter, which is written once
     */
    private boolean owe(String shop, Long order, Shop from, String event, String name, String to, LetterContent said) {
        String sender =
                Optional.of(from.email()).filter(email -> !email.isBlank()).orElse("shop@" + shop + ".invalid");
        try {
            String mime = new Letter(name, from.name(), sender, to, said.subject(), said.body()).mime();
            sql.sql("insert into letter(shop, order_id, event, name, recipient, subject, mime, at) values "
                            + "(:shop, :order, :event, :name, :to, :subject, :mime, :at)")
                    .param("shop", shop)
                    .param("order", order)
                    .param("event", event)
                    .param("name", name)
                    .param("to", to)
                    .param("subject", said.subject())
                    .param("mime", mime)
                    .param("at", now())
                    .update();
            return true;
        } catch (DuplicateKeyException e) {
            LOG.debug("{} is written already", name);
            return false;
        } catch (IllegalArgumentException e) {
            // Another letter of the same order, such as the seller's copy, does not hang on this one.
            LOG.warn("{} cannot be written: {}", name, e.getMessage());
            return false;
        }
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    @PreDestroy
    void close() throws InterruptedException {
        queue.shutdown();
        if (!queue.awaitTermination(5, TimeUnit.SECONDS)) {
            queue.shutdownNow();
        }
    }
}
