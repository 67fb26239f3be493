package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.GivenVouchers;
import vestcoin.core.message.Message;

/** Vouchers that lowered what an order costs, at the desk: what they lost can be given back to them. */
@RestController
class TakenVoucherController {
    /** @param amount what it took off @param back what of that was given back */
    record TakenVoucher(String code, BigDecimal amount, BigDecimal back) {}

    /** @param was what had been given back when it was looked at, so that the same is not given twice */
    record BackToVoucher(String code, BigDecimal was, BigDecimal amount) {}

    private final Orders orders;
    private final GivenVouchers given;

    TakenVoucherController(Orders orders, GivenVouchers given) {
        this.orders = orders;
        this.given = given;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/taken-vouchers")
    List<TakenVoucher> all(@PathVariable String shop, @PathVariable int number) {
        return viewed(orders.numbered(shop, number));
    }

    /** Gives a part of what was taken back to the voucher. */
    @PostMapping("/api/shops/{shop}/orders/{number}/taken-vouchers")
    List<TakenVoucher> giveBack(@PathVariable String shop, @PathVariable int number, @RequestBody BackToVoucher asked) {
        Orders.Order order = orders.numbered(shop, number);
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        BigDecimal left = viewed(order).stream()
                .filter(each -> each.code().equals(asked.code()))
                .findFirst()
                .map(each -> each.amount().subtract(each.back()))
                .orElse(BigDecimal.ZERO);
        if (asked.amount() == null
                || asked.amount().signum() <= 0
                || asked.amount().stripTrailingZeros().scale() > digits
                || asked.amount().compareTo(left) > 0) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "amount",
                    Message.of("orderdesk.voucher-lost-less-here", "left", left, "currency", order.currency()),
                    Message.of("orderdesk.write-at-most-that"));
        }
        if (asked.was() == null
                || asked.was().stripTrailingZeros().scale() > digits
                || !given.giveBack(
                        order.id(), asked.code(), minor(asked.was(), digits), minor(asked.amount(), digits))) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "amount",
                    Message.of("orderdesk.voucher-was-given-back-to-meanwhile"),
                    Message.of("orderdesk.look-at-order-again"));
        }
        return viewed(order);
    }

    private List<TakenVoucher> viewed(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        return given.ofOrder(order.id()).stream()
                .map(each -> new TakenVoucher(
                        each.code(),
                        BigDecimal.valueOf(each.amount(), digits),
                        BigDecimal.valueOf(each.back(), digits)))
                .toList();
    }

    private static long minor(BigDecimal amount, int digits) {
        return amount.setScale(digits).unscaledValue().longValueExact();
    }
}
