package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Surpluses;
import vestcoin.core.message.Message;

/** Money that came beyond what an order costs, at the desk. */
@RestController
class SurplusController {
    /** @param key made once by the page @param amount all that came */
    record MoneyCame(String key, long payment, BigDecimal amount) {}

    /** @param returnedAt when it was given back */
    record SurplusView(long id, BigDecimal amount, Instant at, Optional<Instant> returnedAt) {}

    private final Orders orders;
    private final PaymentBook book;
    private final Surpluses surpluses;

    SurplusController(Orders orders, PaymentBook book, Surpluses surpluses) {
        this.orders = orders;
        this.book = book;
        this.surpluses = surpluses;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/surplus")
    List<SurplusView> all(@PathVariable String shop, @PathVariable int number) {
        return viewed(orders.numbered(shop, number));
    }

    /** More came than is owed: the order gets its own, the rest is kept apart. */
    @PostMapping("/api/shops/{shop}/orders/{number}/surplus")
    List<SurplusView> came(
            @PathVariable String shop, @PathVariable int number, @RequestBody MoneyCame came, Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        int digits = digits(order);
        PaymentBook.Payment payment = book.ofOrder(order.id()).stream()
                .filter(each -> each.id() == came.payment()
                        && !each.throughProvider()
                        && !each.byVoucher()
                        && each.stateNow().alive())
                .findFirst()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "amount",
                        Message.of("orderdesk.order-has-no-payment"),
                        Message.of("orderdesk.wait-for-buyer-to-pay")));
        if (came.key() == null
                || !came.key().matches("[0-9a-f-]{36}")
                || came.amount() == null
                || came.amount().signum() <= 0
                || came.amount().stripTrailingZeros().scale() > digits
                || came.amount().precision() - came.amount().scale() > 12) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "amount",
                    Message.of("orderdesk.this-not-amount-in", "currency", order.currency()),
                    Message.of("orderdesk.write-one-above-zero-12-50"));
        }
        surpluses.came(
                payment,
                came.key(),
                came.amount().setScale(digits).unscaledValue().longValueExact(),
                who.getName());
        return viewed(order);
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/surplus/{id}/returned")
    List<SurplusView> returned(
            @PathVariable String shop, @PathVariable int number, @PathVariable long id, Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        surpluses.returned(order.id(), id, who.getName());
        return viewed(order);
    }

    private List<SurplusView> viewed(Orders.Order order) {
        return surpluses.of(order.id()).stream()
                .map(each -> new SurplusView(
                        each.id(),
                        BigDecimal.valueOf(each.amount(), digits(order)),
                        each.at(),
                        Optional.ofNullable(each.returnedAt())))
                .toList();
    }

    private static int digits(Orders.Order order) {
        return CurrencyUnit.of(order.currency()).getDecimalPlaces();
    }
}
