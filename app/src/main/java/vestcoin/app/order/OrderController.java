package vestcoin.app.order;

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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.quote.QuoteView;

/** The seller's list of orders, one order, and what can be done with its payment. */
@RestController
class OrderController {
    /** A row of the list with amounts as decimals of the currency. */
    record Listed(int number, String name, String country, String mode, String currency, BigDecimal payable, Instant placedAt, String state) {}

    record Page(List<Listed> orders, Optional<Integer> next, long count) {}

    record Address(List<String> lines, String city, String postcode, Optional<String> region, String country) {}

    /** @param state as the list shows it */
    record Paid(String state, String reason, BigDecimal amount, BigDecimal captured, BigDecimal refunded, BigDecimal toCapture, BigDecimal toRefund, List<Step> life) {}

    record Step(String state, BigDecimal amount, Instant at, String actor, String note) {}

    record Whole(int number, int edition, String mode, String currency, BigDecimal payable, String name, String email, Address address, Instant placedAt,
            QuoteView quote, List<Paid> payments) {}

    /** @param key made once by the page, so that sending twice moves once */
    record Move(String key, BigDecimal amount) {}

    private final Orders orders;
    private final PaymentBook book;
    private final Payments payments;

    OrderController(Orders orders, PaymentBook book, Payments payments) {
        this.orders = orders;
        this.book = book;
        this.payments = payments;
    }

    @GetMapping("/api/shops/{shop}/orders")
    Page list(@PathVariable String shop, @RequestParam(defaultValue = "2147483647") int below) {
        List<Orders.Row> rows = orders.page(shop, below);
        Optional<Integer> next = rows.size() == Orders.PAGE ? Optional.of(rows.get(rows.size() - 1).number()) : Optional.empty();
        return new Page(rows.stream().map(OrderController::listed).toList(), next, orders.count(shop));
    }

    @GetMapping("/api/shops/{shop}/orders/{number}")
    Whole one(@PathVariable String shop, @PathVariable int number) {
        return whole(find(shop, number));
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/capture")
    Whole capture(@PathVariable String shop, @PathVariable int number, @RequestBody Move move, Principal who) {
        return move(shop, number, "capture", move, who);
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/refund")
    Whole refund(@PathVariable String shop, @PathVariable int number, @RequestBody Move move, Principal who) {
        return move(shop, number, "refund", move, who);
    }

    private Whole move(String shop, int number, String kind, Move move, Principal who) {
        Orders.Order order = find(shop, number);
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        if (move.key() == null || !move.key().matches("[0-9a-f-]{36}")) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "key", "The request has no key.", "Load the page again.");
        }
        if (move.amount() == null || move.amount().signum() <= 0 || move.amount().stripTrailingZeros().scale() > digits) {
            throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "amount", "This is not an amount in " + order.currency() + ".", "Write one above zero, as 12.50.");
        }
        PaymentBook.Payment payment = book.ofOrder(order.id()).stream().findFirst()
                .orElseThrow(() -> new Told(HttpStatus.CONFLICT, "amount", "The order has no payment.", "Wait for the buyer to pay."));
        if (move.amount().compareTo(BigDecimal.valueOf(payment.amount(), digits)) > 0) {
            throw new Told(HttpStatus.CONFLICT, "amount", "That is more than the payment.", "Take at most what is left of it.");
        }
        payments.move(payment, kind, move.key(), move.amount().setScale(digits).unscaledValue().longValueExact(), who.getName());
        return whole(order);
    }

    private Orders.Order find(String shop, int number) {
        return orders.byNumber(shop, number).orElseThrow(() -> new Told(HttpStatus.NOT_FOUND, "number", "There is no order " + number + ".", "Choose one from the list."));
    }

    private Whole whole(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        return new Whole(order.number(), order.edition(), order.mode(), order.currency(), BigDecimal.valueOf(order.payable(), digits), order.name(), order.email(),
                Json.read(order.address(), Address.class), order.placedAt(), Json.read(order.quote(), QuoteView.class),
                book.ofOrder(order.id()).stream().map(payment -> paid(payment, digits)).toList());
    }

    private Paid paid(PaymentBook.Payment payment, int digits) {
        boolean open = List.of("authorised", "captured", "refunded").contains(payment.state());
        boolean capturable = payment.state().equals("authorised") || payment.state().equals("captured");
        return new Paid(state(payment.state(), payment.amount(), payment.captured(), payment.refunded()), payment.reason(), BigDecimal.valueOf(payment.amount(), digits),
                BigDecimal.valueOf(payment.captured(), digits), BigDecimal.valueOf(payment.refunded(), digits),
                BigDecimal.valueOf(capturable ? payment.amount() - payment.captured() : 0, digits),
                BigDecimal.valueOf(open ? payment.captured() - payment.refunded() : 0, digits),
                book.transitions(payment.id()).stream().map(step -> new Step(step.state(), BigDecimal.valueOf(step.amount(), digits), step.at(), step.actor(), step.note())).toList());
    }

    private static Listed listed(Orders.Row row) {
        return new Listed(row.number(), row.name(), row.country(), row.mode(), row.currency(),
                BigDecimal.valueOf(row.payable(), CurrencyUnit.of(row.currency()).getDecimalPlaces()), row.placedAt(),
                state(row.state(), row.amount(), row.captured(), row.refunded()));
    }

    /** A payment's state in words, parts included. */
    static String state(String state, long amount, long captured, long refunded) {
        if (refunded > 0) {
            return refunded < captured ? "refunded in part" : "refunded";
        }
        if (captured > 0) {
            return captured < amount ? "captured in part" : "captured";
        }
        return state.equals("needs-buyer") ? "needs the buyer" : state;
    }
}
