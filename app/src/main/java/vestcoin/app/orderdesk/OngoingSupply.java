package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import vestcoin.app.download.Downloads;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.voucher.SoldVouchers;
import vestcoin.app.voucher.VoucherHandover;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** What goes on after an order: what is charged again, files that are fetched, vouchers that are used. */
@Service
class OngoingSupply {
    /** A file handed over. @param used how often it was fetched, of {@code most} @param from when first */
    record FileOf(String name, int used, int most, Instant from, Instant until) {}

    /**
     * A voucher issued.
     *
     * @param name of who gets it
     * @param told whether it was written to whoever gets it
     * @param ended whether all that was left was given back
     */
    record VoucherOf(
            long id,
            String code,
            BigDecimal worth,
            BigDecimal left,
            String name,
            String email,
            LocalDate sendOn,
            LocalDate validUntil,
            boolean told,
            boolean ended) {}

    private final Subscriptions subscriptions;
    private final Downloads downloads;
    private final SoldVouchers vouchers;
    private final VoucherHandover handover;

    OngoingSupply(Subscriptions subscriptions, Downloads downloads, SoldVouchers vouchers, VoucherHandover handover) {
        this.subscriptions = subscriptions;
        this.downloads = downloads;
        this.vouchers = vouchers;
        this.handover = handover;
    }

    List<VoucherOf> vouchers(long order) {
        return vouchers.ofOrder(order).stream()
                .map(each -> new VoucherOf(
                        each.id(),
                        each.code(),
                        amount(each.issued(), each.currency()),
                        amount(each.balance(), each.currency()),
                        each.name(),
                        each.email(),
                        each.sendOn(),
                        each.validUntil(),
                        each.told(),
                        each.ended()))
                .toList();
    }

    /** Lets a voucher be written once more, on its day. @throws ApiProblem if the order has no such voucher */
    void sendAgain(Orders.Order order, long id, String name, String email) {
        SoldVouchers.SoldVoucher voucher = vouchers.ofOrder(order.id()).stream()
                .filter(each -> each.id() == id && !each.ended())
                .findFirst()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "voucher",
                        Message.of("orderdesk.order-has-no-such-voucher"),
                        Message.of("orderdesk.load-order-again")));
        if (name == null || name.isBlank() || name.length() > 200) {
            throw new InvalidInput(
                    "name", Message.of("order.nobody-named-who-receives-voucher"), Message.of("order.type-name"));
        }
        if (!MailAddress.isOne(email)) {
            throw new InvalidInput(
                    "email",
                    Message.of("order.voucher-has-no-e-mail-address-to-go-to"),
                    Message.of("order.type-e-mail-address-of-who-gets-it"));
        }
        handover.sendAgain(voucher, name.strip(), email.strip());
    }

    private static BigDecimal amount(long minor, String currency) {
        return BigDecimal.valueOf(minor, CurrencyUnit.of(currency).getDecimalPlaces());
    }

    /** Ids of the subscriptions an order began, or of the one it is a charge of. */
    List<Long> subscriptions(long order) {
        return subscriptions.ofOrder(order).stream()
                .map(Subscriptions.Subscription::id)
                .toList();
    }

    List<FileOf> files(long order) {
        return downloads.ofOrder(order).stream()
                .map(each -> new FileOf(each.name(), each.used(), each.most(), each.fromAt(), each.until()))
                .toList();
    }
}
