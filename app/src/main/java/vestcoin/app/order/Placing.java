package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.payment.WalletApprovals;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Product;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;

/** Turns a priced order into a placed one, and begins its payment by the way chosen. */
@Service
public class Placing {
    /** Who ordered and where it goes. @param lines of the address @param wishes what was added besides */
    public record Contact(String name, String email, List<String> lines, String city, Wishes wishes) {
        public Contact {
            lines = lines == null ? List.of() : List.copyOf(lines);
            city = city == null ? "" : city;
            wishes = wishes == null ? Wishes.NONE : wishes;
        }

        public Contact(String name, String email, List<String> lines, String city) {
            this(name, email, lines, city, null);
        }
    }

    /**
     * In which language a buyer ordered, and what was agreed to. @param agreed kind of text to the hash of what was
     * shown @param takenBy who of the shop wrote the order down for them
     */
    public record Agreed(String language, Map<String, String> agreed, Optional<String> takenBy) {
        public Agreed(String language, Map<String, String> agreed) {
            this(language, agreed, Optional.empty());
        }
    }

    private static final int USUAL_HOLD_DAYS = 7;

    private final Orders orders;
    private final Payments payments;
    private final WalletApprovals approvals;
    private final Gateways gateways;
    private final Editions editions;
    private final ShopOpenings doors;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final String ownUrl;

    Placing(
            Orders orders,
            Payments payments,
            WalletApprovals approvals,
            Gateways gateways,
            Editions editions,
            ShopOpenings doors,
            PlatformTransactionManager transactions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.orders = orders;
        this.payments = payments;
        this.approvals = approvals;
        this.gateways = gateways;
        this.editions = editions;
        this.doors = doors;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    /**
     * Places an order once for a key. Where no provider stands behind the way to pay, its payment waits for the money
     * from now on.
     *
     * @param quiet whether its letters wait for the money
     * @param order with what was known around it, as it was priced
     * @throws ApiProblem if what it takes was taken by another order meanwhile
     */
    public Orders.Order place(
            Editions.Edition edition,
            String key,
            Order order,
            QuoteView quote,
            Contact contact,
            Agreed told,
            boolean quiet) {
        return place(new Placement(
                edition,
                Editions.Agreed.to(edition.number()),
                key,
                order,
                quote,
                contact,
                told,
                quiet,
                Optional.empty()));
    }

    /**
     * Places a charge of a subscription, once for a date.
     *
     * @param by what the edition is made of
     * @throws ApiProblem as {@link #place}
     */
    public Orders.Order renew(
            Editions.Edition edition,
            Editions.Agreed by,
            Orders.ChargeDate renewing,
            String key,
            Order order,
            Contact contact,
            String language) {
        return place(new Placement(
                edition,
                by,
                key,
                order,
                edition.document().quote(order),
                contact,
                new Agreed(language, Map.of()),
                false,
                Optional.of(renewing)));
    }

    private record Placement(
            Editions.Edition edition,
            Editions.Agreed by,
            String key,
            Order order,
            QuoteView quote,
            Contact contact,
            Agreed told,
            boolean quiet,
            Optional<Orders.ChargeDate> renewing) {}

    private Orders.Order place(Placement placement) {
        Editions.Edition edition = placement.edition();
        Order order = placement.order();
        QuoteView quote = placement.quote();
        Contact contact = placement.contact();
        Agreed told = placement.told();
        Optional<Payment.Method> method = method(edition, order);
        long due = minor(quote.toPay().value(), quote.currency());
        if (due > 0 && method.isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "basket/method",
                    Message.of("checkout.no-way-of-paying-chosen"),
                    Message.of("checkout.choose-one"));
        }
        // What is ordered while the shop is closed, by who runs it, is practice; but where a provider takes real money,
        // it is real.
        String mode = method.flatMap(Payment.Method::gateway)
                .flatMap(id -> gateways.of(edition.shop(), id))
                .flatMap(Gateways.GatewayView::mode)
                .orElseGet(() -> doors.of(edition.shop()).open() ? gateways.mode(edition.shop()) : "test");
        Orders.Address address = new Orders.Address(
                contact.lines(),
                contact.city(),
                order.to().postcode().orElse(""),
                order.to().region(),
                order.to().country());
        NewOrder wanted = new NewOrder(
                edition.shop(),
                placement.key(),
                placement.by(),
                mode,
                new NewOrder.PricedDocument(
                        Json.write(OrderFile.of(order)),
                        Json.write(quote.kept(order.slot())),
                        quote.currency(),
                        due,
                        method.map(Payment.Method::id).orElse(""),
                        way(quote),
                        products(quote, edition).anyMatch(Product::leaves)),
                new NewOrder.Customer(
                        contact.email().strip(),
                        contact.name().strip(),
                        order.to().country(),
                        Json.write(address),
                        told.language(),
                        Json.write(told.agreed()),
                        Json.write(contact.wishes()),
                        taxNumber(order),
                        told.takenBy().orElse("")),
                OrderReservations.of(edition, order, quote),
                placement.renewing().isPresent()
                        ? Optional.empty()
                        : method.flatMap(way -> HoldPeriod.of(clock.instant(), due > 0, way, zone(edition))),
                placement.quiet(),
                placement.renewing());
        // One transaction, so that no order stands that waits for nothing.
        return transaction.execute(status -> {
            Orders.Order placed = taken(wanted);
            method.filter(way -> due > 0 && !way.kind().throughProvider())
                    .ifPresent(way -> payments.await(begun(placed, way, edition), waiting(way.kind())));
            return orders.byId(placed.id());
        });
    }

    /** The number of a business the register has confirmed, or nothing. */
    public static String taxNumber(Order order) {
        return order.buyer().confirmedBusiness()
                ? order.buyer()
                        .number()
                        .map(number -> number.country() + number.number())
                        .orElse("")
                : "";
    }

    private Orders.Order taken(NewOrder order) {
        try {
            return orders.place(order);
        } catch (Orders.DiscountExhausted e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "basket/codes",
                    Message.of("checkout.discount-was-used-up-by-another-order"),
                    Message.of("checkout.look-at-new-total-and-order-again"));
        } catch (Orders.SlotGone e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "basket/slot",
                    Message.of("checkout.time-chosen-was-taken-by-another-order"),
                    Message.of("checkout.choose-another-time"));
        } catch (Orders.SoldOut e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "basket/lines",
                    Message.of("checkout.something-in-basket-was-sold-to-another"),
                    Message.of("checkout.look-at-what-left-and-order-again"));
        } catch (Vouchers.Spent e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "basket/codes",
                    Message.of("checkout.voucher-was-used-by-another-order-just"),
                    Message.of("checkout.look-at-new-total-and-order-again"));
        }
    }

    /**
     * Changes the way an order is paid, after a payment that came to nothing: priced again with what that way adds, by
     * the order's own edition.
     *
     * @throws ApiProblem if a payment is under way, the way is not open to this order, or it comes to another amount
     *     than the buyer was shown
     */
    public void otherWay(Orders.Order order, String method, BigDecimal expected) {
        Editions.Edition edition = editions.of(order.shop(), order.by());
        Order other = OrderFile.parse(order.document()).withMethod(method).given(gateways.states(order.shop()));
        QuoteView quote = edition.document().quote(other);
        Payment.Method way = method(edition, other)
                .filter(found -> quote.methods().stream()
                        .anyMatch(seen ->
                                seen.id().equals(found.id()) && seen.hidden().isEmpty()))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "method",
                        Message.of("checkout.this-way-of-paying-not-open-to"),
                        Message.of("checkout.choose-another")));
        if (quote.toPay().value().compareTo(expected) != 0) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "expected",
                    Message.of(
                            "checkout.paid-this-way-order-comes-to",
                            "toPay",
                            quote.toPay().value(),
                            "currency",
                            quote.currency()),
                    Message.of("checkout.look-at-new-total-and-choose-again"));
        }
        long due = minor(quote.toPay().value(), quote.currency());
        transaction.executeWithoutResult(status -> {
            if (!orders.payBy(
                    order.id(),
                    new Orders.Way(
                            method,
                            Json.write(OrderFile.of(other)),
                            Json.write(quote.kept(other.slot())),
                            due,
                            HoldPeriod.of(clock.instant(), true, way, zone(edition))))) {
                throw new ApiProblem(
                        HttpStatus.CONFLICT,
                        "method",
                        Message.of("checkout.payment-of-this-order-under-way"),
                        Message.of("checkout.wait-until-decided-this-page-follows"));
            }
            if (due > 0 && !way.kind().throughProvider()) {
                payments.await(begun(orders.byId(order.id()), way, edition), waiting(way.kind()));
            }
        });
    }

    /**
     * Pays what is due of an order through its provider. The card is kept where something of the order is charged
     * again.
     *
     * @param cardToken empty where the buyer is sent to a page
     * @param wallet under which a wallet was asked at the basket, which is not asked again then
     */
    public PaymentBook.Payment pay(Orders.Order order, String cardToken, Optional<String> wallet) {
        Editions.Edition edition = editions.of(order.shop(), order.by());
        Payment.Method method = method(edition, OrderFile.parse(order.document()))
                .filter(way -> way.kind().throughProvider())
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "method",
                        Message.of("checkout.this-order-not-paid-here"),
                        Message.of("checkout.follow-what-page-of-order-says")));
        if (method.kind() == Payment.Kind.CARD && cardToken.isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "cardToken",
                    Message.of("checkout.card-missing"),
                    Message.of("checkout.type-number"));
        }
        boolean keep =
                KeptQuotes.read(order.quote()).renewing().stream().findAny().isPresent();
        try {
            return payments.pay(
                    begun(order, method, edition),
                    reference(order),
                    wallet.filter(asked -> method.kind() == Payment.Kind.WALLET)
                            .map(asked -> approvals.means(
                                    order.shop(), method.gateway().orElse(""), asked))
                            .orElse(Provider.Means.card(cardToken, keep)));
        } catch (PaymentBook.CalledOff e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "token",
                    Message.of("checkout.shop-has-called-this-order-off"),
                    Message.of("checkout.nothing-to-paid-ask-shop-why"));
        }
    }

    /**
     * Charges what is due of an order to a card a provider keeps, once for a key.
     *
     * @throws PaymentBook.CalledOff if the order was called off
     */
    public PaymentBook.Payment chargeAgain(Orders.Order order, String keptCard, String key) {
        Editions.Edition edition = editions.of(order.shop(), order.by());
        Payment.Method method =
                method(edition, OrderFile.parse(order.document())).orElseThrow();
        return payments.pay(begun(order, method, edition).once(key), reference(order), Provider.Means.kept(keptCard));
    }

    private Payments.Reference reference(Orders.Order order) {
        return new Payments.Reference(
                order.currency(),
                String.valueOf(order.number()),
                ownUrl + "/counter/" + order.shop() + "/order/" + order.token());
    }

    private static ZoneId zone(Editions.Edition edition) {
        return edition.document().compiled().zone();
    }

    private static PaymentBook.Begun begun(Orders.Order order, Payment.Method method, Editions.Edition edition) {
        int days = method.gateway()
                .flatMap(id -> edition.document().setup().payment().accounts().stream()
                        .filter(account -> account.id().equals(id))
                        .findFirst())
                .flatMap(Payment.Account::authorisationDays)
                .orElse(USUAL_HOLD_DAYS);
        return new PaymentBook.Begun(
                order.id(),
                order.shop(),
                method.kind().throughProvider() ? method.gateway().orElse("") : "",
                method.id(),
                "",
                order.due(),
                method.capture() == Payment.Capture.AT_ONCE || nothingLeaves(order) || voucher(order, edition),
                days);
    }

    /** Whether nothing of it is sent or handed over, so that the money is taken at once. */
    private static boolean nothingLeaves(Orders.Order order) {
        return !KeptQuotes.read(order.quote()).needsDelivery();
    }

    /** Whether a voucher is among it, which is handed over only for money that was taken. */
    private static boolean voucher(Orders.Order order, Editions.Edition edition) {
        return products(KeptQuotes.read(order.quote()), edition)
                .anyMatch(product -> product.kind() == Product.Kind.VOUCHER);
    }

    private static Stream<Product> products(QuoteView quote, Editions.Edition edition) {
        return quote.lines().stream()
                .map(line -> edition.document().compiled().shelf().find(line.product()))
                .flatMap(Optional::stream);
    }

    /** What a payment without a provider waits for. */
    private static String waiting(Payment.Kind kind) {
        return switch (kind) {
            case TRANSFER -> "waits for the transfer";
            case CASH_ON_DELIVERY -> "paid at the door";
            case CASH_AT_PICKUP -> "paid when it is collected";
            case CHEQUE -> "waits for the cheque to clear";
            case ON_ACCOUNT -> "on account";
            case CARD, WALLET -> "";
        };
    }

    public static Optional<Payment.Method> method(Editions.Edition edition, Order order) {
        return edition.document().setup().payment().methods().stream()
                .filter(method -> order.method().filter(method.id()::equals).isPresent())
                .findFirst();
    }

    /** How it gets there, where all of it goes one way. */
    /** Id of the way of delivery a quote has chosen, empty where nothing is delivered. */
    public static String way(QuoteView quote) {
        return quote.delivery().stream()
                .filter(QuoteView.Option::chosen)
                .map(QuoteView.Option::id)
                .findFirst()
                .orElse("");
    }

    public static long minor(BigDecimal amount, String currency) {
        return amount.setScale(CurrencyUnit.of(currency).getDecimalPlaces())
                .unscaledValue()
                .longValueExact();
    }
}
