package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.Order;
import vestcoin.core.tax.Tax;

/** What a buyer's page asks. Nothing here needs a sign-in; an order is found again by its unguessable token. */
@RestController
class CounterController {
    record Counter(String shop, String name, String currency, String language, boolean withTax, List<Product> products, Set<String> countries, String home) {}

    record Basket(List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method, List<String> codes) {
        Basket {
            codes = codes == null ? List.of() : codes;
        }
    }

    record Contact(String name, String email, List<String> lines, String city) {
        Contact {
            lines = lines == null ? List.of() : lines;
        }
    }

    /** @param expected what the buyer was shown; another total is shown before anything is placed @param key made once by the page */
    record Placing(String key, Basket basket, Contact contact, BigDecimal expected) {}

    record Address(List<String> lines, String city, String postcode, Optional<String> region, String country) {}

    /** @param processor where the page sends the card number, and the key it names itself by */
    record Placed(String token, int number, String state, String reason, Optional<String> action, boolean test, BuyerQuote quote, String name, String email,
            String processor, String publicKey) {}

    record Paying(String cardToken) {}

    private final Editions editions;
    private final Gateways gateways;
    private final Orders orders;
    private final Payments payments;
    private final PaymentBook book;
    private final Clock clock;
    private final String ownUrl;

    CounterController(Editions editions, Gateways gateways, Orders orders, Payments payments, PaymentBook book, Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.editions = editions;
        this.gateways = gateways;
        this.orders = orders;
        this.payments = payments;
        this.book = book;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    @GetMapping("/api/counter/{shop}")
    Counter counter(@PathVariable String shop) {
        Editions.Edition edition = live(shop);
        var setup = edition.document().setup();
        Set<String> countries = new TreeSet<>();
        for (String country : Countries.all()) {
            if (setup.shop().sellsTo().stream().anyMatch(place -> place.reaches(country))) {
                countries.add(country);
            }
        }
        return new Counter(shop, setup.shop().name(), setup.shop().currency(), setup.shop().language(), setup.tax().prices() == Tax.Prices.WITH_TAX,
                setup.goods().products(), countries, setup.shop().address().country());
    }

    @PostMapping("/api/counter/{shop}/quote")
    BuyerQuote quote(@PathVariable String shop, @RequestBody Basket basket) {
        return BuyerQuote.of(priced(live(shop), order(shop, basket, "")), basket.codes());
    }

    @PostMapping("/api/counter/{shop}/orders")
    Placed place(@PathVariable String shop, @RequestBody Placing placing) {
        check(placing);
        Editions.Edition edition = live(shop);
        Order order = order(shop, placing.basket(), placing.contact().email());
        QuoteView quote = priced(edition, order);
        if (!quote.missing().isEmpty()) {
            throw new Told(HttpStatus.CONFLICT, List.of(new Problem("basket", quote.missing().get(0), "Change the basket, the place or the choice.")), Map.of("quote", BuyerQuote.of(quote, placing.basket().codes())));
        }
        if (quote.toPay().value().compareTo(placing.expected()) != 0) {
            throw new Told(HttpStatus.CONFLICT, List.of(new Problem("expected", "The total has changed from " + placing.expected().toPlainString() + " to "
                    + quote.toPay().value().toPlainString() + " " + quote.currency() + " since the page showed it.", "Look at the new total and order again.")),
                    Map.of("quote", BuyerQuote.of(quote, placing.basket().codes())));
        }
        Payment.Method method = method(edition, order);
        String mode = gateways.of(shop, account(method)).flatMap(Gateways.GatewayView::mode).orElse("test");
        Destination to = order.to();
        Address address = new Address(placing.contact().lines(), placing.contact().city(), to.postcode().orElse(""), to.region(), to.country());
        Orders.Order placed = placed(new Orders.New(shop, placing.key(), edition.number(), mode, Json.write(OrderFile.of(order)), Json.write(quote), quote.currency(),
                minor(quote), placing.contact().email().strip(), placing.contact().name().strip(), to.country(), Json.write(address), uses(edition, quote)));
        return view(placed);
    }

    private Orders.Order placed(Orders.New order) {
        try {
            return orders.place(order);
        } catch (Orders.UsedUp e) {
            throw new Told(HttpStatus.CONFLICT, "basket/codes", "A discount was used up by another order just now.", "Look at the new total and order again.");
        }
    }

    /** The discounts an order takes, with their limits. */
    private static List<Orders.Use> uses(Editions.Edition edition, QuoteView quote) {
        List<String> taken = Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream()).map(QuoteView.Discount::id).toList();
        return edition.document().setup().discounts().rules().stream().filter(rule -> taken.contains(rule.id()))
                .map(rule -> new Orders.Use(rule.id(), rule.conditions().uses(), rule.conditions().usesPerBuyer())).toList();
    }

    @PostMapping("/api/counter/orders/{token}/payments")
    Placed pay(@PathVariable String token, @RequestBody Paying paying) {
        Orders.Order order = find(token);
        Payment.Method method = method(editions.of(order.shop(), order.edition()), OrderFile.parse(order.document()));
        payments.pay(new Payments.Due(order.id(), order.shop(), account(method), method.id(), order.payable(), order.currency(), String.valueOf(order.number()),
                ownUrl + "/counter/" + order.shop() + "/order/" + order.token()), paying.cardToken() == null ? "" : paying.cardToken());
        return view(order);
    }

    /** Where an order stands; a payment still open is asked after first. */
    @GetMapping("/api/counter/orders/{token}")
    Placed order(@PathVariable String token) {
        Orders.Order order = find(token);
        book.ofOrder(order.id()).stream().findFirst().ifPresent(payments::asked);
        return view(order);
    }

    private Editions.Edition live(String shop) {
        return editions.live(shop).orElseThrow(() -> new Told(HttpStatus.NOT_FOUND, "shop", "This shop is not open.", "Come back later."));
    }

    /** The order as asked, with how often each discount was used, in all and by the buyer of this address. */
    private Order order(String shop, Basket basket, String email) {
        Map<String, Gateway> states = gateways.states(shop);
        return new Order(clock.instant(), basket.lines(), basket.to(), basket.delivery(), basket.method(), basket.codes(), Optional.empty(), states, orders.history(shop, email));
    }

    private static QuoteView priced(Editions.Edition edition, Order order) {
        return edition.document().quote(order);
    }

    private static Payment.Method method(Editions.Edition edition, Order order) {
        return edition.document().setup().payment().methods().stream().filter(method -> order.method().filter(method.id()::equals).isPresent()).findFirst()
                .orElseThrow(() -> new Told(HttpStatus.UNPROCESSABLE_CONTENT, "basket/method", "No way of paying is chosen.", "Choose one."));
    }

    /** The account a method pays through; the counter takes no other methods yet. */
    private static String account(Payment.Method method) {
        return method.gateway().orElseThrow(() -> new Told(HttpStatus.UNPROCESSABLE_CONTENT, "basket/method", "This way of paying cannot be used here yet.", "Choose another one."));
    }

    private static long minor(QuoteView quote) {
        int digits = Currencies.of(quote.currency()).orElseThrow().getDecimalPlaces();
        return quote.toPay().value().setScale(digits).unscaledValue().longValueExact();
    }

    private static void check(Placing placing) {
        Problems problems = new Problems();
        problems.when(placing.key() == null || !placing.key().matches("[0-9A-Za-z-]{8,60}"), "key", "The order has no key of its own.", "Load the page again.");
        problems.when(placing.expected() == null, "expected", "The order does not say which total was shown.", "Load the page again.");
        problems.when(placing.basket() == null, "basket", "The basket is missing.", "Put something in.");
        Contact contact = placing.contact();
        if (!problems.when(contact == null, "contact", "Name and address are missing.", "Fill them in.")) {
            problems.when(contact.name() == null || contact.name().isBlank() || contact.name().length() > 200, "contact/name", "The name is missing.", "Type who the order is for.");
            problems.when(contact.email() == null || !contact.email().strip().matches("[^@\\s]+@[^@\\s]+\\.[^@\\s]+") || contact.email().length() > 254, "contact/email",
                    "The e-mail address cannot be right.", "Write it as name@example.com; the receipt goes there.");
            problems.when(contact.lines().isEmpty() || contact.lines().get(0).isBlank() || String.join("", contact.lines()).length() > 500, "contact/lines",
                    "The street is missing.", "Type street and number.");
            problems.when(contact.city() == null || contact.city().isBlank() || contact.city().length() > 200, "contact/city", "The town is missing.", "Type the town.");
        }
        problems.refuseIfAny();
    }

    private Orders.Order find(String token) {
        return orders.byToken(token).orElseThrow(() -> new Told(HttpStatus.NOT_FOUND, "token", "There is no such order.", "Open the link from the receipt again."));
    }

    private Placed view(Orders.Order order) {
        QuoteView quote = Json.read(order.quote(), QuoteView.class);
        Payment.Method method = method(editions.of(order.shop(), order.edition()), OrderFile.parse(order.document()));
        Gateways.GatewayView gateway = gateways.of(order.shop(), account(method)).orElseThrow();
        Optional<PaymentBook.Payment> payment = book.ofOrder(order.id()).stream().findFirst();
        return new Placed(order.token(), order.number(), payment.map(PaymentBook.Payment::state).orElse("unpaid"), payment.map(PaymentBook.Payment::reason).orElse(""),
                payment.map(PaymentBook.Payment::action).filter(action -> !action.isEmpty()), order.mode().equals("test"), BuyerQuote.of(quote, List.of()), order.name(), order.email(),
                gateway.url(), gateway.publicKey());
    }
}
