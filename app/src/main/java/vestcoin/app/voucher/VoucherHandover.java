package vestcoin.app.voucher;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.joda.money.CurrencyUnit;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
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
import vestcoin.app.order.Wishes;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.voucher.SoldVouchers.SoldVoucher;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Sharing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.tax.TaxBook;

/** Issues the vouchers of an order once all of it is paid, each piece once. */
@Service
public class VoucherHandover {
    /** There may be vouchers of an order to write of. */
    public record VouchersIssued(long order) {}

    /** Where all of it was paid, whatever came after. */
    private static final List<String> PAID = List.of("paid", "refunded in part", "disputed");

    private final SoldVouchers book;
    private final Vouchers vouchers;
    private final Orders orders;
    private final Editions editions;
    private final Outbox outbox;
    private final ApplicationEventPublisher events;
    private final FollowedTransactions transactions;
    private final TransactionTemplate transaction;
    private final Clock clock;

    VoucherHandover(
            SoldVouchers book,
            Vouchers vouchers,
            Orders orders,
            Editions editions,
            Outbox outbox,
            ApplicationEventPublisher events,
            FollowedTransactions transactions,
            Clock clock) {
        this.book = book;
        this.vouchers = vouchers;
        this.orders = orders;
        this.editions = editions;
        this.outbox = outbox;
        this.events = events;
        this.clock = clock;
        this.transactions = transactions;
        this.transaction = new TransactionTemplate(transactions);
    }

    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        transactions.afterwards(() -> handOver(moved.order()));
    }

    /** What was paid without being issued, because a crash came between. */
    @org.springframework.core.annotation.Order(FollowedTransactions.HANDOVER)
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT5M", initialDelayString = "PT5M")
    public void makeGood() {
        outbox.due(Outbox.Kind.VOUCHER).forEach(this::handOver);
    }

    private void handOver(long id) {
        transaction.executeWithoutResult(status -> {
            Orders.Order order = orders.locked(id);
            OptionalLong change = outbox.change(Outbox.Kind.VOUCHER, id);
            if (!order.cancelled() && PAID.contains(order.standing())) {
                issue(order);
            } else if (order.standing().equals("dispute lost")) {
                end(order);
            }
            outbox.done(Outbox.Kind.VOUCHER, id, change);
        });
        events.publishEvent(new VouchersIssued(id));
    }

    private void issue(Orders.Order order) {
        QuoteView quote = KeptQuotes.read(order.quote());
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        Document document = null;
        for (int line = 0; line < quote.lines().size(); line++) {
            QuoteView.Line sold = quote.lines().get(line);
            document = document == null ? editions.of(order.shop(), order.by()).document() : document;
            Product product = document.compiled().shelf().find(sold.product()).orElseThrow();
            if (product.kind() == Product.Kind.VOUCHER && book.pieces(order.id(), line) == 0) {
                issue(document, order, product, sold, line, receiver(order, wishes, line, today(document)));
            }
        }
    }

    /** The money is gone: what is left of its vouchers pays nothing any more. */
    private void end(Orders.Order order) {
        book.ofOrder(order.id()).stream().filter(each -> each.balance() > 0).forEach(each -> {
            vouchers.takeBack(each.shop(), each.code(), each.balance());
            book.taken(each.id(), each.balance());
        });
    }

    /** Issues every piece of a line; together they are worth what was paid for it. */
    private void issue(
            Document document,
            Orders.Order order,
            Product product,
            QuoteView.Line sold,
            int line,
            SoldVouchers.Receiver to) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        List<BigDecimal> worths = Sharing.out(
                sold.amount().value(),
                digits,
                Collections.nCopies(sold.quantity().intValueExact(), BigDecimal.ONE));
        Optional<PricingContext.Taxed> taxed = taxed(document, order, product);
        for (int piece = 0; piece < worths.size(); piece++) {
            Vouchers.Voucher issued = vouchers.issueSold(
                    order.shop(),
                    order.currency(),
                    worths.get(piece).setScale(digits).unscaledValue().longValueExact(),
                    order.mode(),
                    new Vouchers.Days(to.on(), product.validUntil(to.on())),
                    taxed);
            book.add(order.shop(), issued.code(), order.id(), line, piece, to);
        }
    }

    /** What its sale bore, where the tax was due then. */
    private static Optional<PricingContext.Taxed> taxed(Document document, Orders.Order order, Product product) {
        return Optional.of(document.compiled())
                .filter(setup -> product.taxedAtSale())
                .flatMap(setup -> setup.book()
                        .on(new TaxBook.When(OrderFile.parse(order.document()).at(), setup.zone()))
                        .find(setup.home(), product.taxCategory())
                        .map(levy -> new PricingContext.Taxed(
                                setup.home().country(), levy.rate().total())));
    }

    /** The buyer, today, where nobody else was named. */
    private static SoldVouchers.Receiver receiver(Orders.Order order, Wishes wishes, int line, LocalDate today) {
        Optional<Wishes.VoucherFor> named =
                wishes.vouchers().stream().filter(each -> each.line() == line).findFirst();
        return named.map(each -> new SoldVouchers.Receiver(
                        each.name(),
                        each.email(),
                        each.message(),
                        true,
                        each.on().filter(day -> day.isAfter(today)).orElse(today)))
                .orElse(new SoldVouchers.Receiver(order.name(), order.email(), "", false, today));
    }

    private LocalDate today(Document document) {
        return LocalDate.ofInstant(clock.instant(), document.compiled().zone());
    }

    /** Lets a voucher be written once more, to whoever is named now. */
    public void sendAgain(SoldVoucher voucher, String name, String email) {
        book.again(voucher.id(), name, email);
        events.publishEvent(new VouchersIssued(voucher.orderId()));
    }
}
