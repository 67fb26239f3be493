package vestcoin.app.paper;

import jakarta.annotation.PreDestroy;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.OrderChanging;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Outbox;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.RefundBook;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.Credit;
import vestcoin.core.life.PaperDue;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.Setup;

/**
 * Issues what is owed on paper: an invoice for each bill, of vouchers a receipt, when an order is paid in full, for
 * goods to a business in another member state when they leave, for an order on account when it leaves; a credit note
 * for what was given back. It looks at how things stand, so being called twice, or only after a crash, comes to the
 * same.
 */
@Service
public class Issuing {
    private static final Logger LOG = LoggerFactory.getLogger(Issuing.class);

    private final Papers papers;
    private final PaymentBook book;
    private final RefundBook refunds;
    private final Editions editions;
    private final Orders orders;
    private final UnionSales sales;
    private final Outbox outbox;
    private final Clock clock;
    private final TransactionTemplate fresh;
    private final ExecutorService queue = Executors.newSingleThreadExecutor(task -> new Thread(task, "papers"));

    Issuing(
            Papers papers,
            PaymentBook book,
            RefundBook refunds,
            Editions editions,
            Orders orders,
            UnionSales sales,
            Outbox outbox,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.papers = papers;
        this.book = book;
        this.refunds = refunds;
        this.editions = editions;
        this.orders = orders;
        this.sales = sales;
        this.outbox = outbox;
        this.clock = clock;
        this.fresh = new TransactionTemplate(transactions);
        this.fresh.setPropagationBehavior(TransactionTemplate.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * After money moved and that was committed, one order after the other: a failure here can undo no payment, and is
     * made good later.
     */
    @TransactionalEventListener(fallbackExecution = true)
    public void moved(PaymentBook.PaymentChanged moved) {
        if (!queue.isShutdown()) {
            queue.execute(() -> {
                try {
                    keepUp(moved.order());
                } catch (RuntimeException e) {
                    LOG.warn("papers of order {} are owed: {}", moved.order(), e.toString());
                }
            });
        }
    }

    /** Waits until what was told so far is done. */
    void settled() throws Exception {
        queue.submit(() -> {}).get(1, TimeUnit.MINUTES);
    }

    @PreDestroy
    void close() throws InterruptedException {
        queue.shutdown();
        if (!queue.awaitTermination(5, TimeUnit.SECONDS)) {
            queue.shutdownNow();
        }
    }

    /** What was paid, sent or given back without its paper, because a crash came between. */
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT1H")
    public void makeGood() {
        outbox.due(Outbox.Kind.PAPER).forEach(order -> moved(new PaymentBook.PaymentChanged(order)));
    }

    /** Credits what was invoiced of an order, in the transaction that changes it, while it still is as it was. */
    @EventListener
    void changing(OrderChanging changing) {
        Orders.Order order = orders.locked(changing.order());
        new Owed(order, book.ofOrder(order.id())).replaced();
    }

    /** Issues what is owed of an order and is not there yet. */
    public void keepUp(long id) {
        fresh.executeWithoutResult(status -> {
            Orders.Order order = orders.locked(id);
            OptionalLong change = outbox.change(Outbox.Kind.PAPER, id);
            Owed owed = new Owed(order, book.ofOrder(id));
            if (owed.payable() > 0) {
                owed.issue();
            }
            outbox.done(Outbox.Kind.PAPER, id, change);
        });
    }

    /**
     * Issues the papers of an order that was paid in full and has left before anybody was here to see it.
     *
     * @param at the day they bear
     */
    public void earlier(long id, Instant at) {
        fresh.executeWithoutResult(status -> {
            Orders.Order order = orders.locked(id);
            new Owed(order, List.of(), at).issue(order.payable(), 0);
        });
    }

    /** What one order is owed. */
    private final class Owed {
        private final Orders.Order order;
        private final List<PaymentBook.Payment> payments;
        private final Setup setup;
        private final Quote quote;
        private final Drawing drawing;
        private final List<Bill> bills;
        private final int digits;
        private final Instant at;

        Owed(Orders.Order order, List<PaymentBook.Payment> tries) {
            this(order, tries, clock.instant());
        }

        Owed(Orders.Order order, List<PaymentBook.Payment> tries, Instant at) {
            this.at = at;
            this.order = order;
            this.payments =
                    tries.stream().filter(payment -> payment.stateNow().alive()).toList();
            var document = editions.spoken(order.shop(), order.by(), order.language());
            this.setup = document.setup();
            Order asked = OrderFile.parse(order.document());
            this.quote = Pricing.priceUntraced(document.compiled(), asked);
            this.drawing = new Drawing(
                    setup,
                    asked,
                    String.valueOf(order.number()),
                    BuyerParties.of(order),
                    order.method(),
                    order.mode().equals("test"),
                    order.sent().equals("all"),
                    order.language(),
                    period());
            this.bills = Bill.of(quote, setup.shop().address().country());
            this.digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        }

        /** Of a renewal: from its date until the day before the next would be. */
        private Optional<Paper.Period> period() {
            return orders.chargedFor(order.id()).flatMap(from -> quote.lines().stream()
                    .flatMap(line -> setup.goods().products().stream()
                            .filter(product -> product.id().equals(line.product())))
                    .flatMap(product -> product.renews().stream())
                    .findFirst()
                    .map(renewal -> new Paper.Period(from, renewal.next(from).minusDays(1))));
        }

        long payable() {
            return order.payable();
        }

        void issue() {
            long captured =
                    payments.stream().mapToLong(PaymentBook.Payment::captured).sum() - order.carried();
            // What is still to be given back of a change is no refund of what the order is now.
            long refunded = Math.max(
                    0,
                    payments.stream().mapToLong(PaymentBook.Payment::refunded).sum() - order.carried());
            issue(captured, refunded);
        }

        /** @param captured and refunded in minor units */
        void issue(long captured, long refunded) {
            BigDecimal rounding = quote.rounding().map(figure -> figure.value()).orElse(BigDecimal.ZERO);
            BigDecimal whole = bills.stream()
                    .map(Bill::gross)
                    .reduce(BigDecimal.ZERO, BigDecimal::add)
                    .add(rounding);
            if (whole.compareTo(amount(order.payable())) != 0) {
                throw new IllegalStateException("bills of " + whole + " for an order of " + amount(order.payable()));
            }
            boolean paid = captured == order.payable();
            boolean gone = order.allHasLeft();
            Map<Integer, Paper> invoices = papers.invoices(order.id());
            BigDecimal spread = amount(captured);
            for (int b = 0; b < bills.size(); b++) {
                Bill bill = bills.get(b);
                BigDecimal own = b == 0 ? rounding : BigDecimal.ZERO;
                BigDecimal of = spread.min(bill.gross().add(own)).max(BigDecimal.ZERO);
                spread = spread.subtract(of);
                boolean due = PaperDue.invoice(bill.intraCommunity(), drawing.onAccount(), paid, gone);
                if (due && !invoices.containsKey(b) && !bill.items().isEmpty()) {
                    invoices.put(b, invoice(b, bill, of, own));
                }
            }
            if (paid && invoices.size() == bills.size()) {
                credit(amount(refunded), rounding, invoices);
            }
        }

        private Paper invoice(int place, Bill bill, BigDecimal paid, BigDecimal rounding) {
            return issue(
                    bill.vouchers() ? Paper.Kind.RECEIPT : Paper.Kind.INVOICE,
                    place,
                    numbered -> drawing.invoice(numbered, bill, paid, rounding));
        }

        private Paper issue(Paper.Kind kind, int place, Function<Papers.Numbered, Paper> drawn) {
            Paper paper = papers.issue(order.shop(), order.mode(), zone(), kind, order.id(), place, at, drawn);
            sales.add(order, paper);
            return paper;
        }

        /** Credits whole what was invoiced of an order that is about to be another. */
        void replaced() {
            if (payable() > 0) {
                issue();
            }
            Map<Integer, Paper> invoices = papers.invoices(order.id());
            if (invoices.isEmpty()) {
                return;
            }
            BigDecimal rounding = quote.rounding().map(figure -> figure.value()).orElse(BigDecimal.ZERO);
            credit(amount(order.payable()), rounding, invoices);
            papers.replaced(order.id(), bills.size());
        }

        /** Credits what was given back and is not credited yet. What was rounded in cash goes with the first. */
        private void credit(BigDecimal refunded, BigDecimal rounding, Map<Integer, Paper> invoices) {
            Map<String, Credit.CreditedShare> before = papers.given(order.id());
            BigDecimal credited =
                    before.values().stream().map(Credit.CreditedShare::gross).reduce(BigDecimal.ZERO, BigDecimal::add);
            BigDecimal left = Credit.left(bills, before);
            // All of what was paid given back credits all of the goods, whatever cash rounding made of it.
            BigDecimal back = refunded.compareTo(amount(order.payable())) == 0
                    ? left
                    : refunded.subtract(credited).min(left);
            if (back.signum() <= 0) {
                return;
            }
            BigDecimal off = refunded.compareTo(amount(order.payable())) == 0
                    ? refunded.subtract(credited).subtract(back)
                    : BigDecimal.ZERO;
            List<Credit.Credited> credits =
                    Credit.of(bills, before, Credit.parts(bills, before, named(), back, digits));
            for (int i = 0; i < credits.size(); i++) {
                Credit.Credited each = credits.get(i);
                Paper invoice = invoices.get(each.bill());
                BigDecimal own = i == 0 ? off : BigDecimal.ZERO;
                issue(
                        invoice.bill().vouchers() ? Paper.Kind.RECEIPT_BACK : Paper.Kind.CREDIT,
                        each.bill(),
                        numbered -> Drawing.credit(numbered, invoice, each.credit(), own));
            }
        }

        /** What the seller has said that refunds which went through were for. */
        private Map<String, BigDecimal> named() {
            Map<String, BigDecimal> named = new TreeMap<>();
            refunds.named(order.id()).forEach((item, amount) -> named.put(item, amount(amount)));
            return named;
        }

        private BigDecimal amount(long minor) {
            return BigDecimal.valueOf(minor, digits);
        }

        private ZoneId zone() {
            return ZoneId.of(setup.shop().timeZone());
        }
    }
}
