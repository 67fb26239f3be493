package vestcoin.app.download;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalLong;
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
import vestcoin.app.order.Orders;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;
import vestcoin.core.terms.SupplyAtOnce;

/**
 * Hands files over the moment an order is paid, or, where a consumer has not agreed that supply starts at once, when
 * the days to withdraw are over.
 */
@Service
public class DownloadHandover {
    private static final List<String> PAID = List.of("paid", "authorised", "refunded in part", "disputed");

    private final Downloads book;
    private final ProductFiles files;
    private final Orders orders;
    private final Editions editions;
    private final PaymentBook payments;
    private final Outbox outbox;
    private final FollowedTransactions transactions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DownloadHandover(
            Downloads book,
            ProductFiles files,
            Orders orders,
            Editions editions,
            PaymentBook payments,
            Outbox outbox,
            FollowedTransactions transactions,
            Clock clock) {
        this.book = book;
        this.files = files;
        this.orders = orders;
        this.editions = editions;
        this.payments = payments;
        this.outbox = outbox;
        this.clock = clock;
        this.transactions = transactions;
        this.transaction = new TransactionTemplate(transactions);
    }

    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        transactions.afterwards(() -> handOver(moved.order()));
    }

    /** What was paid without being handed over, because a crash came between. */
    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT5M", initialDelayString = "PT5M")
    public void makeGood() {
        outbox.due(Outbox.Kind.FILE).forEach(this::handOver);
    }

    /** Hands over what an order holds, if it is paid and was not handed over yet. */
    public void handOver(long id) {
        transaction.executeWithoutResult(status -> {
            Orders.Order order = orders.locked(id);
            OptionalLong change = outbox.change(Outbox.Kind.FILE, id);
            if (!order.cancelled() && paid(order) && handOver(order)) {
                // The letter that names them may have been looked for before.
                payments.announce(id);
            }
            outbox.done(Outbox.Kind.FILE, id, change);
        });
    }

    /** Whether what was ordered is the buyer's: paid, or bought on account. */
    boolean paid(Orders.Order order) {
        return PAID.contains(order.standing())
                || order.standing().equals("waiting")
                        && editions.of(order.shop(), order.by()).document().setup().payment().methods().stream()
                                .anyMatch(method ->
                                        method.id().equals(order.method()) && method.kind() == Payment.Kind.ON_ACCOUNT);
    }

    /** @return whether anything was handed over that had not been */
    private boolean handOver(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        List<Product> digital = KeptQuotes.read(order.quote()).lines().stream()
                .map(QuoteView.Line::product)
                .distinct()
                .map(product -> document.compiled().shelf().find(product).orElseThrow())
                .filter(product -> product.kind() == Product.Kind.DIGITAL)
                .toList();
        Instant from = digital.isEmpty() ? null : from(order, document);
        boolean any = false;
        for (Product product : digital) {
            Product.Download how = product.download().orElse(Product.Download.USUAL);
            if (how.link().isPresent()) {
                any |= book.handOver(
                        order.id(),
                        product.id(),
                        null,
                        how.link().get(),
                        product.name(),
                        from,
                        how.lasts(),
                        how.times());
                continue;
            }
            for (ProductFiles.ProductFile file : files.of(order.shop(), product.id())) {
                any |= book.handOver(
                        order.id(), product.id(), file.id(), "", file.name(), from, how.lasts(), how.times());
            }
        }
        return any;
    }

    /** When it can be fetched first. */
    private Instant from(Orders.Order order, Document document) {
        Order asked = OrderFile.parse(order.document());
        boolean agreed = Json.tree(order.agreed()).has(SupplyAtOnce.KIND);
        if (agreed
                || SupplyAtOnce.asked(document.setup().terms(), asked.buyer(), asked.to())
                        .isEmpty()) {
            return clock.instant();
        }
        ZoneId zone = document.compiled().zone();
        Instant over = SupplyAtOnce.after(document.setup().terms(), LocalDate.ofInstant(order.placedAt(), zone))
                .atStartOfDay(zone)
                .toInstant();
        return over.isAfter(clock.instant()) ? over : clock.instant();
    }

    /** Lets a buyer fetch what an order holds as often and as long again, and tells them. */
    public void renew(Orders.Order order) {
        transaction.executeWithoutResult(status -> {
            book.renew(order.id());
            payments.announce(order.id());
        });
    }

    /** Lets the letters tell of what has become there, in its time. */
    @EventListener({ApplicationReadyEvent.class, TimePassed.class})
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    public void tell() {
        for (long order : book.untold()) {
            transaction.executeWithoutResult(status -> {
                book.told(order);
                payments.announce(order);
            });
        }
    }
}
