package vestcoin.app.voucher;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.OrderCalledOff;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.RefundBook;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.voucher.SoldVouchers.SoldVoucher;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.Credit;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Pricing;

/**
 * Takes from vouchers sold what their buyer is given back of them, in the transaction that asks for it: one that was
 * not used ends, one used in part is given back only as far as it is left. What nobody has said is for vouchers is for
 * everything else first.
 */
@Service
class VoucherRefunds {
    private final SoldVouchers book;
    private final Vouchers vouchers;
    private final Orders orders;
    private final PaymentBook payments;
    private final RefundBook refunds;
    private final Editions editions;

    VoucherRefunds(
            SoldVouchers book,
            Vouchers vouchers,
            Orders orders,
            PaymentBook payments,
            RefundBook refunds,
            Editions editions) {
        this.book = book;
        this.vouchers = vouchers;
        this.orders = orders;
        this.payments = payments;
        this.refunds = refunds;
        this.editions = editions;
    }

    /** @throws ApiProblem if vouchers hold less than is to be given back of them */
    @EventListener
    void asked(PaymentBook.RefundAsked asked) {
        if (book.ofOrder(asked.order()).isEmpty()) {
            return;
        }
        Orders.Order order = orders.locked(asked.order());
        List<SoldVoucher> sold = book.ofOrder(order.id());
        Map<Integer, Long> wanted = byLine(order);
        sold.stream()
                .map(SoldVoucher::line)
                .distinct()
                .forEach(line -> keepInStep(
                        order,
                        sold.stream().filter(each -> each.line() == line).toList(),
                        wanted.getOrDefault(line, 0L)));
    }

    /** @throws ApiProblem if a voucher of it was used: all of the order cannot be given back */
    @EventListener
    void calledOff(OrderCalledOff calledOff) {
        book.ofOrder(calledOff.order()).stream()
                .filter(SoldVoucher::used)
                .findFirst()
                .ifPresent(used -> {
                    throw new ApiProblem(
                            HttpStatus.CONFLICT,
                            "order",
                            Message.of("voucher.of-this-order-was-used", "code", used.code()),
                            Message.of("voucher.give-back-what-is-left"));
                });
    }

    /** What of each line's vouchers is given back by now, with what is under way. */
    private Map<Integer, Long> byLine(Orders.Order order) {
        Document document = editions.of(order.shop(), order.by()).document();
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        List<Bill> bills = Bill.of(
                Pricing.priceUntraced(document.compiled(), OrderFile.parse(order.document())),
                document.setup().shop().address().country());
        long refunded = payments.ofOrder(order.id()).stream()
                        .mapToLong(PaymentBook.Payment::refunded)
                        .sum()
                + refunds.underWay(order.id());
        Map<String, BigDecimal> named = new HashMap<>();
        refunds.namedOrAsked(order.id()).forEach((item, amount) -> named.put(item, BigDecimal.valueOf(amount, digits)));
        Map<String, BigDecimal> parts = Credit.parts(
                bills, Map.of(), named, BigDecimal.valueOf(refunded, digits).min(Credit.left(bills, Map.of())), digits);
        Map<Integer, Long> byLine = new HashMap<>();
        bills.stream()
                .flatMap(bill -> bill.items().stream())
                .filter(item -> item.kind() == Bill.Kind.VOUCHER)
                .forEach(item -> byLine.merge(
                        item.line().orElseThrow(),
                        parts.getOrDefault(item.key(), BigDecimal.ZERO)
                                .setScale(digits)
                                .unscaledValue()
                                .longValueExact(),
                        Long::sum));
        return byLine;
    }

    /** Takes what is not taken yet, of those that hold most first; or gives to them again. */
    private void keepInStep(Orders.Order order, List<SoldVoucher> pieces, long wanted) {
        long more = wanted - pieces.stream().mapToLong(SoldVoucher::taken).sum();
        List<SoldVoucher> fullest = pieces.stream()
                .sorted((one, other) -> Long.compare(other.balance(), one.balance()))
                .toList();
        for (SoldVoucher piece : fullest) {
            long part = more >= 0 ? Math.min(more, piece.balance()) : Math.max(more, -piece.taken());
            if (part != 0) {
                vouchers.takeBack(piece.shop(), piece.code(), part);
                book.taken(piece.id(), part);
                more -= part;
            }
        }
        if (more > 0) {
            String name = KeptQuotes.read(order.quote())
                    .lines()
                    .get(pieces.get(0).line())
                    .name();
            BigDecimal left = BigDecimal.valueOf(
                    pieces.stream().mapToLong(SoldVoucher::balance).sum(),
                    CurrencyUnit.of(order.currency()).getDecimalPlaces());
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "amount",
                    Message.of("voucher.holds-less", "product", name, "left", left, "currency", order.currency()),
                    Message.of("voucher.give-back-at-most-that"));
        }
    }
}
