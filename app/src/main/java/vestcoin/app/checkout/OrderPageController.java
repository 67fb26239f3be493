package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Cancelling;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.core.message.Message;

/** What the page of a placed order asks: where it stands, and paying it. */
@RestController
class OrderPageController {
    /**
     * Another way to pay an order whose payment came to nothing. @param expected what the buyer was shown it comes to
     * that way
     */
    record OtherWay(String method, BigDecimal expected) {}

    /** @param wallet under which a wallet was asked at the basket; empty without that */
    record CardPayment(String cardToken, Optional<String> wallet) {
        CardPayment {
            cardToken = cardToken == null ? "" : cardToken;
            wallet = wallet == null ? Optional.empty() : wallet;
        }
    }

    private final PlacedOrders placed;
    private final Placing placing;
    private final Payments payments;
    private final PaymentBook book;
    private final Cancelling cancelling;

    OrderPageController(
            PlacedOrders placed, Placing placing, Payments payments, PaymentBook book, Cancelling cancelling) {
        this.placed = placed;
        this.placing = placing;
        this.payments = payments;
        this.book = book;
        this.cancelling = cancelling;
    }

    @PostMapping("/api/counter/orders/{token}/payments")
    PlacedOrder pay(@PathVariable String token, @RequestBody CardPayment paying) {
        Orders.Order order = placed.find(token);
        placing.pay(order, paying.cardToken(), paying.wallet());
        return placed.of(placed.find(token));
    }

    /** Pays an order another way than the one that came to nothing. */
    @PostMapping("/api/counter/orders/{token}/method")
    PlacedOrder otherWay(@PathVariable String token, @RequestBody OtherWay way) {
        placing.otherWay(
                placed.find(token),
                way.method() == null ? "" : way.method(),
                way.expected() == null ? BigDecimal.ZERO : way.expected());
        return placed.of(placed.find(token));
    }

    /** Calls an order off, as long as the shop lets its buyer; what was paid is given back. */
    @PostMapping("/api/counter/orders/{token}/call-off")
    PlacedOrder callOff(@PathVariable String token) {
        Orders.Order order = placed.find(token);
        if (!order.cancelled() && placed.of(order).callingOff().isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "token",
                    Message.of("checkout.cannot-be-called-off-any-more"),
                    Message.of("checkout.withdraw-or-ask-shop"));
        }
        cancelling.cancelForBuyer(order);
        return placed.of(placed.find(token));
    }

    /** Where an order stands; a payment still open is asked after first. */
    @GetMapping("/api/counter/orders/{token}")
    PlacedOrder order(@PathVariable String token) {
        Orders.Order order = placed.find(token);
        book.ofOrder(order.id()).stream().findFirst().ifPresent(payments::asked);
        return placed.of(placed.find(token));
    }
}
