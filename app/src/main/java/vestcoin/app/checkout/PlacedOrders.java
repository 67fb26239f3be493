package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.order.Wishes;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.payment.Surpluses;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;

/** Orders as their buyers see them, found by their unguessable tokens. */
@Service
class PlacedOrders {
    private final Editions editions;
    private final Gateways gateways;
    private final Orders orders;
    private final PaymentBook book;
    private final TransferSlips slips;
    private final OrderProgress progress;
    private final Surpluses surpluses;

    PlacedOrders(
            Editions editions,
            Gateways gateways,
            Orders orders,
            PaymentBook book,
            TransferSlips slips,
            OrderProgress progress,
            Surpluses surpluses) {
        this.editions = editions;
        this.gateways = gateways;
        this.orders = orders;
        this.book = book;
        this.slips = slips;
        this.progress = progress;
        this.surpluses = surpluses;
    }

    /** @throws ApiProblem if no order has this token */
    Orders.Order find(String token) {
        return orders.byToken(token)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("checkout.there-no-such-order"),
                        Message.of("checkout.open-link-from-receipt-again")));
    }

    /** What the buyer's page of an order shows. */
    PlacedOrder of(Orders.Order order) {
        Document document = Spoken.in(editions.spoken(order.shop(), order.by(), order.language()));
        Order asked = OrderFile.parse(order.document());
        Optional<Payment.Method> method = Placing.method(editions.of(order.shop(), order.by()), asked);
        Optional<Payment.Method> waited = waited(order, editions.of(order.shop(), order.by()));
        Optional<Gateways.GatewayView> gateway = method.filter(way -> way.kind().throughProvider())
                .flatMap(Payment.Method::gateway)
                .flatMap(id -> gateways.of(order.shop(), id));
        Optional<PaymentBook.Payment> payment = book.ofOrder(order.id()).stream()
                .filter(each -> !each.byVoucher())
                .findFirst();
        String state = order.due() == 0
                ? "captured"
                : payment.map(PaymentBook.Payment::state).orElse("unpaid");
        QuoteView quote = document.quote(asked);
        String language = document.setup().shop().language();
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        return new PlacedOrder(
                order.token(),
                order.number(),
                state,
                order.standing(),
                waited.or(() -> method).map(Payment.Method::kind),
                PaymentReasons.of(payment.map(PaymentBook.Payment::reason).orElse("")),
                payment.map(PaymentBook.Payment::action).filter(action -> !action.isEmpty()),
                order.mode().equals("test"),
                BuyerQuote.of(quote, false, List.of(), Optional.empty()),
                order.name(),
                order.email(),
                gateway.map(Gateways.GatewayView::url),
                gateway.map(Gateways.GatewayView::publicKey),
                slips.of(order),
                language,
                order.cancelled(),
                Handover.of(document.setup(), asked, quote),
                Attendance.of(document.setup(), order),
                Json.read(order.address(), Orders.Address.class),
                order.method(),
                order.sent(),
                progress.parcels(order, quote),
                progress.toCome(order, document, quote),
                order.readyAt() != null,
                Optional.ofNullable(order.lapsesAt())
                        .map(at -> HoldPeriod.lastDay(at, document.compiled().zone())),
                progress.subscriptions(order, quote),
                progress.files(order, document),
                progress.vouchers(order),
                progress.callingOff(order, document),
                order.byBuyer(),
                order.lapsed(),
                payment.filter(each -> order.standing().equals("paid in part")).map(each -> inPart(order)),
                Optional.of(surpluses.owed(order.id()))
                        .filter(owed -> owed > 0)
                        .map(owed -> BigDecimal.valueOf(
                                owed, CurrencyUnit.of(order.currency()).getDecimalPlaces())),
                wishes.reference(),
                wishes.gift().map(Wishes.Gift::name),
                wishes.invoice(),
                document.setup().terms().asking().answered(wishes.extras()),
                // What is listed no more is led to no more.
                Optional.of(wishes.site()).filter(document.setup().shop()::lists));
    }

    /** The way by which what an order came to more is waited for. */
    private Optional<Payment.Method> waited(Orders.Order order, Editions.Edition edition) {
        return book.ofOrder(order.id()).stream()
                .filter(payment -> payment.ofChange() && payment.stateNow().open())
                .findFirst()
                .flatMap(payment -> edition.document().setup().payment().methods().stream()
                        .filter(way -> way.id().equals(payment.method()))
                        .findFirst());
    }

    private PlacedOrder.PaidInPart inPart(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        long came = book.ofOrder(order.id()).stream()
                        .filter(payment ->
                                !payment.byVoucher() && payment.stateNow().alive())
                        .mapToLong(PaymentBook.Payment::captured)
                        .sum()
                - order.carried();
        return new PlacedOrder.PaidInPart(
                BigDecimal.valueOf(came, digits), BigDecimal.valueOf(order.due() - came, digits));
    }
}
