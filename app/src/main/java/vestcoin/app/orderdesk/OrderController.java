package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Cancelling;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.InvoiceAddress;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.paper.Papers;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.Credit;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.Shop;

/** One order on the seller's desk, and what can be done with its payment. */
@RestController
class OrderController {
    /**
     * @param method id of the way to pay, or {@code voucher}
     * @param part code of the voucher
     * @param provider whether one stands behind it
     * @param toVoid whether it can be let go
     */
    record Paid(
            long id,
            String method,
            String part,
            boolean provider,
            String state,
            Message reason,
            BigDecimal amount,
            BigDecimal captured,
            BigDecimal refunded,
            BigDecimal toCapture,
            BigDecimal toRefund,
            boolean toVoid,
            Optional<Instant> lapsesAt,
            Optional<Instant> answerBy,
            List<Step> life) {}

    record Step(String state, BigDecimal amount, Instant at, String actor, Message note) {}

    /** A row of the order's bills that can be given back. @param amount with tax @param left of it */
    record Refundable(String item, Message name, BigDecimal amount, BigDecimal left) {}

    /** A text the buyer agreed to. @param hash of what was shown, SHA-256 */
    record AgreedTo(String kind, String hash) {}

    /** What the buyer added. @param name of the field */
    record Wish(Message name, String text) {}

    record Whole(
            int number,
            int edition,
            String mode,
            String currency,
            BigDecimal payable,
            String standing,
            String sent,
            Set<Integer> gone,
            Set<Integer> leaving,
            String name,
            String email,
            Orders.Address address,
            Instant placedAt,
            QuoteView quote,
            List<Paid> payments,
            List<Refundable> items,
            String language,
            List<AgreedTo> agreed,
            Optional<Instant> cancelledAt,
            boolean toCancel,
            boolean toRemind,
            List<Wish> wishes,
            List<Message> answered,
            List<Line> lines,
            Destination to,
            Optional<Handover> handover,
            List<Attendance> attending,
            boolean withdrawn,
            boolean lapsed,
            List<Dispatching.Left> departures,
            List<Long> subscriptions,
            List<OngoingSupply.FileOf> files,
            List<OngoingSupply.VoucherOf> vouchers,
            Optional<Instant> readyAt,
            Optional<InvoiceAddress> invoice,
            Optional<String> receiver,
            String takenBy) {}

    /**
     * @param key made once by the page, so that sending twice moves once
     * @param payment which, where an order has several
     * @param amount none for letting it go
     * @param parts what a refund is for: item to its amount, adding up to the whole; shared over what is left when
     *     empty
     */
    record Move(String key, Optional<Long> payment, BigDecimal amount, Map<String, BigDecimal> parts) {
        Move {
            parts = parts == null ? Map.of() : parts;
            payment = payment == null ? Optional.empty() : payment;
        }
    }

    private final Orders orders;
    private final PaymentBook book;
    private final Payments payments;
    private final Dispatching dispatching;
    private final Cancelling cancelling;
    private final Editions editions;
    private final Papers papers;
    private final OngoingSupply supply;

    OrderController(
            Orders orders,
            PaymentBook book,
            Payments payments,
            Dispatching dispatching,
            Cancelling cancelling,
            Editions editions,
            Papers papers,
            OngoingSupply supply) {
        this.orders = orders;
        this.book = book;
        this.payments = payments;
        this.dispatching = dispatching;
        this.cancelling = cancelling;
        this.editions = editions;
        this.papers = papers;
        this.supply = supply;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}")
    Whole one(@PathVariable String shop, @PathVariable int number) {
        return whole(orders.numbered(shop, number));
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/capture")
    Whole capture(@PathVariable String shop, @PathVariable int number, @RequestBody Move move, Principal who) {
        return move(shop, number, Provider.Kind.CAPTURE, move, who);
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/refund")
    Whole refund(@PathVariable String shop, @PathVariable int number, @RequestBody Move move, Principal who) {
        return move(shop, number, Provider.Kind.REFUND, move, who);
    }

    /** Lets a payment go: the provider no longer holds the money, or nobody waits for it. */
    @PostMapping("/api/shops/{shop}/orders/{number}/void")
    Whole letGo(@PathVariable String shop, @PathVariable int number, @RequestBody Move move, Principal who) {
        return move(shop, number, Provider.Kind.VOID, move, who);
    }

    /** Goods leave; what is authorised for them is taken. */
    @PostMapping("/api/shops/{shop}/orders/{number}/dispatch")
    Whole send(
            @PathVariable String shop,
            @PathVariable int number,
            @RequestBody Dispatching.Departure departure,
            Principal who) {
        dispatching.send(orders.numbered(shop, number), departure, who.getName());
        return whole(orders.numbered(shop, number));
    }

    /** What is collected is ready: the buyer is written to. */
    @PostMapping("/api/shops/{shop}/orders/{number}/ready")
    Whole ready(@PathVariable String shop, @PathVariable int number) {
        Orders.Order order = orders.numbered(shop, number);
        dispatching.ready(
                order, whole(order).handover().filter(Handover::collected).isPresent());
        return whole(orders.numbered(shop, number));
    }

    /** Calls the order off. */
    @PostMapping("/api/shops/{shop}/orders/{number}/cancel")
    Whole cancel(@PathVariable String shop, @PathVariable int number, Principal who) {
        cancelling.cancel(orders.numbered(shop, number), who.getName());
        return whole(orders.numbered(shop, number));
    }

    private Whole move(String shop, int number, Provider.Kind kind, Move move, Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        if (move.key() == null || !move.key().matches("[0-9a-f-]{36}")) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "key",
                    Message.of("orderdesk.request-has-no-key"),
                    Message.of("orderdesk.load-page-again"));
        }
        PaymentBook.Payment payment = book.ofOrder(order.id()).stream()
                .filter(each -> move.payment().map(id -> each.id() == id).orElse(true))
                .findFirst()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "amount",
                        Message.of("orderdesk.order-has-no-payment"),
                        Message.of("orderdesk.wait-for-buyer-to-pay")));
        if (kind == Provider.Kind.VOID) {
            payments.move(payment, kind, move.key(), payment.amount(), who.getName());
            return whole(orders.numbered(shop, number));
        }
        if (move.amount() == null
                || move.amount().signum() <= 0
                || move.amount().stripTrailingZeros().scale() > digits) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "amount",
                    Message.of("orderdesk.this-not-amount-in", "currency", order.currency()),
                    Message.of("orderdesk.write-one-above-zero-12-50"));
        }
        if (move.amount().compareTo(BigDecimal.valueOf(payment.amount(), digits)) > 0) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "amount",
                    Message.of("orderdesk.that-more-than-payment"),
                    Message.of("orderdesk.take-at-most-what-left-of"));
        }
        long amount = move.amount().setScale(digits).unscaledValue().longValueExact();
        if (kind == Provider.Kind.REFUND) {
            Map<String, Long> parts = move.parts().isEmpty() ? Map.of() : parts(move, items(order), digits);
            payments.refund(payment, move.key(), amount, parts, who.getName());
        } else {
            payments.move(payment, kind, move.key(), amount, who.getName());
        }
        return whole(orders.numbered(shop, number));
    }

    /**
     * What a refund is said to be for, in minor units. @throws ApiProblem if it does not add up, or is more than is
     * left of an item
     */
    private static Map<String, Long> parts(Move move, List<Refundable> items, int digits) {
        Map<String, Long> parts = new TreeMap<>();
        for (Map.Entry<String, BigDecimal> part : move.parts().entrySet()) {
            Refundable item = items.stream()
                    .filter(each -> each.item().equals(part.getKey()))
                    .findFirst()
                    .orElseThrow(() -> new ApiProblem(
                            HttpStatus.UNPROCESSABLE_CONTENT,
                            "parts",
                            Message.of("orderdesk.order-has-no-item", "key", part.getKey()),
                            Message.of("orderdesk.load-order-again")));
            BigDecimal amount = part.getValue();
            if (amount == null
                    || amount.signum() <= 0
                    || amount.stripTrailingZeros().scale() > digits
                    || amount.compareTo(item.left()) > 0) {
                throw new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "parts/" + item.item(),
                        Message.of("orderdesk.of-can-given-back", "item", item.name(), "left", item.left()),
                        Message.of("orderdesk.take-at-most-that"));
            }
            parts.put(item.item(), amount.setScale(digits).unscaledValue().longValueExact());
        }
        if (parts.values().stream().mapToLong(Long::longValue).sum()
                != move.amount().setScale(digits).unscaledValue().longValueExact()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "amount",
                    Message.of("orderdesk.what-given-back-of-items-does-not"),
                    Message.of("orderdesk.leave-amount-to-items"));
        }
        return parts;
    }

    /** The rows of the order's bills, and what is left of each to give back. */
    private List<Refundable> items(Orders.Order order) {
        Document document = editions.of(order.shop(), order.by()).document();
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        Map<String, Credit.CreditedShare> given = papers.given(order.id());
        return Bill.of(
                        Pricing.priceUntraced(document.compiled(), OrderFile.parse(order.document())),
                        document.setup().shop().address().country())
                .stream()
                .flatMap(bill -> bill.items().stream())
                .filter(item -> item.gross().signum() > 0)
                .map(item -> new Refundable(
                        item.key(),
                        item.name(),
                        item.gross().setScale(digits),
                        item.gross()
                                .subtract(
                                        given.containsKey(item.key())
                                                ? given.get(item.key()).gross()
                                                : BigDecimal.ZERO)
                                .setScale(digits)))
                .toList();
    }

    private Whole whole(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        List<PaymentBook.Payment> tries = book.ofOrder(order.id());
        boolean waits = !order.cancelled() && PaymentStanding.open().contains(order.standing());
        Order asked = OrderFile.parse(order.document());
        Document document = editions.of(order.shop(), order.by()).document();
        QuoteView quote = KeptQuotes.read(order.quote());
        List<AgreedTo> agreed = new ArrayList<>();
        Json.tree(order.agreed())
                .properties()
                .forEach(each ->
                        agreed.add(new AgreedTo(each.getKey(), each.getValue().asString())));
        return new Whole(
                order.number(),
                order.edition(),
                order.mode(),
                order.currency(),
                BigDecimal.valueOf(order.payable(), digits),
                order.standing(),
                order.sent(),
                dispatching.gone(order.id()),
                Dispatching.leaving(document, quote),
                order.name(),
                order.email(),
                Json.read(order.address(), Orders.Address.class),
                order.placedAt(),
                quote,
                tries.stream().map(payment -> paid(payment, digits)).toList(),
                items(order),
                order.language(),
                agreed,
                Optional.ofNullable(order.cancelledAt()),
                !order.cancelled() && order.nothingHasLeft(),
                waits,
                wishes(order),
                document.setup()
                        .terms()
                        .asking()
                        .answered(Json.read(order.wishes(), Wishes.class).extras()),
                asked.lines(),
                asked.to(),
                Handover.of(document.setup(), asked, quote),
                Attendance.of(document.setup(), order),
                orders.withdrawn(order.id()),
                order.lapsed(),
                dispatching.departures(order.id()),
                supply.subscriptions(order.id()),
                supply.files(order.id()),
                supply.vouchers(order.id()),
                Optional.ofNullable(order.readyAt()),
                Json.read(order.wishes(), Wishes.class).invoice(),
                Json.read(order.wishes(), Wishes.class).gift().map(Wishes.Gift::name),
                order.takenBy());
    }

    /** What the buyer added, in the words of the edition that asked for it. */
    private List<Wish> wishes(Orders.Order order) {
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        List<Wish> told = new ArrayList<>();
        wishes.gift().ifPresent(gift -> {
            told.add(new Wish(Message.of("order.gift-for"), gift.name()));
            told.add(new Wish(Message.of("order.gift-message"), gift.message()));
        });
        told.add(new Wish(Message.of("order.company"), wishes.company()));
        told.add(new Wish(Message.of("order.phone"), wishes.phone()));
        Shop by = editions.of(order.shop(), order.by()).document().setup().shop();
        // What a buyer's page says of itself counts where the shop knows that site.
        told.add(new Wish(Message.of("order.ordered-on"), by.lists(wishes.site()) ? wishes.site() : ""));
        BigDecimal due = BigDecimal.valueOf(
                order.due(), CurrencyUnit.of(order.currency()).getDecimalPlaces());
        told.add(new Wish(
                Message.of("order.pays-with"),
                wishes.change(
                                editions.of(order.shop(), order.by())
                                        .document()
                                        .setup()
                                        .payment(),
                                order.method(),
                                due)
                        .map(cash -> cash.with() + " " + order.currency() + " (" + cash.back() + ")")
                        .orElse("")));
        told.add(new Wish(Message.of("order.number-of-buyer"), wishes.reference()));
        told.add(new Wish(Message.of("order.note"), wishes.note()));
        return told.stream().filter(wish -> !wish.text().isBlank()).toList();
    }

    private Paid paid(PaymentBook.Payment payment, int digits) {
        PaymentState state = payment.stateNow();
        boolean takes = payment.throughProvider()
                ? state == PaymentState.AUTHORISED || state == PaymentState.CAPTURED
                : state == PaymentState.PENDING || state == PaymentState.CAPTURED;
        boolean letGo = payment.captured() == 0
                && !payment.ofChange()
                && (payment.throughProvider() ? state == PaymentState.AUTHORISED : state == PaymentState.PENDING);
        return new Paid(
                payment.id(),
                payment.method(),
                payment.byVoucher() ? payment.part() : "",
                payment.throughProvider(),
                words(payment),
                PaymentReasons.of(payment.reason()),
                BigDecimal.valueOf(payment.amount(), digits),
                BigDecimal.valueOf(payment.captured(), digits),
                BigDecimal.valueOf(payment.refunded(), digits),
                BigDecimal.valueOf(takes ? payment.amount() - payment.captured() : 0, digits),
                BigDecimal.valueOf(state.refundable() ? payment.captured() - payment.refunded() : 0, digits),
                letGo,
                Optional.ofNullable(payment.lapsesAt()),
                Optional.ofNullable(payment.answerBy()).filter(at -> state == PaymentState.DISPUTED),
                book.transitions(payment.id()).stream()
                        .map(step -> new Step(
                                step.state(),
                                BigDecimal.valueOf(step.amount(), digits),
                                step.at(),
                                step.actor(),
                                PaymentReasons.of(step.note())))
                        .toList());
    }

    /** A payment's state in words, parts included. */
    private static String words(PaymentBook.Payment payment) {
        PaymentState state = payment.stateNow();
        if (state == PaymentState.CAPTURED && payment.captured() < payment.amount()) {
            return "captured in part";
        }
        if (state == PaymentState.REFUNDED && payment.refunded() < payment.captured()) {
            return "refunded in part";
        }
        return state == PaymentState.NEEDS_BUYER
                ? "needs the buyer"
                : state == PaymentState.DISPUTE_LOST ? "dispute lost" : state.text();
    }
}
