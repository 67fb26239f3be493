package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.link.Circumstances;
import vestcoin.app.link.TaxNumbers;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.Order;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.Tax;

/** What a buyer's page asks. Nothing here needs a sign-in; an order is found again by its unguessable token. */
@RestController
class CounterController {
    record Counter(String shop, String name, String currency, String language, boolean withTax, List<Product> products, Set<String> countries, String home) {}

    /** @param business whether a business buys @param taxNumber of it, as typed @param slot start of the slot chosen, on the shop's clock */
    record Basket(List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method, List<String> codes, Optional<Boolean> business, Optional<String> taxNumber,
            Optional<LocalDateTime> slot) {
        Basket {
            slot = slot == null ? Optional.empty() : slot;
            codes = codes == null ? List.of() : codes;
            business = business == null ? Optional.empty() : business;
            taxNumber = taxNumber == null ? Optional.empty() : taxNumber.map(String::strip).filter(text -> !text.isEmpty());
        }
    }

    /** @param expected what the buyer was shown; another total is shown before anything is placed @param key made once by the page */
    record Wanted(String key, Basket basket, Placing.Contact contact, BigDecimal expected) {}

    /**
     * @param state     of the payment of what is due beside vouchers
     * @param standing  of all of it, as the seller's list has it
     * @param kind      of the way to pay, if there is anything to pay
     * @param processor where the page sends the card number, and the key it names itself by
     * @param slip      what a transfer is made out to
     */
    record Placed(String token, int number, String state, String standing, Optional<Payment.Kind> kind, String reason, Optional<String> action, boolean test, BuyerQuote quote,
            String name, String email, Optional<String> processor, Optional<String> publicKey, Optional<Slips.Slip> slip) {}

    record Paying(String cardToken) {}

    private final Editions editions;
    private final Gateways gateways;
    private final Orders orders;
    private final Payments payments;
    private final PaymentBook book;
    private final Placing placing;
    private final Slips slips;
    private final Circumstances circumstances;
    private final TaxNumbers taxNumbers;
    private final Clock clock;

    CounterController(Editions editions, Gateways gateways, Orders orders, Payments payments, PaymentBook book, Placing placing, Slips slips, Circumstances circumstances, TaxNumbers taxNumbers, Clock clock) {
        this.editions = editions;
        this.gateways = gateways;
        this.orders = orders;
        this.payments = payments;
        this.book = book;
        this.placing = placing;
        this.slips = slips;
        this.circumstances = circumstances;
        this.taxNumbers = taxNumbers;
        this.clock = clock;
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
        Editions.Edition edition = live(shop);
        return BuyerQuote.of(edition.document().quote(order(edition, basket, "")), basket.codes(), buyer(basket).trouble());
    }

    @PostMapping("/api/counter/{shop}/orders")
    Placed place(@PathVariable String shop, @RequestBody Wanted wanted) {
        check(wanted);
        Editions.Edition edition = live(shop);
        Order order = order(edition, wanted.basket(), wanted.contact().email());
        QuoteView quote = edition.document().quote(order);
        if (quote.delivery().stream().anyMatch(option -> option.chosen() && !quote.slots().getOrDefault(option.id(), List.of()).isEmpty()) && order.slot().isEmpty()) {
            throw instead("basket/slot", "No time is chosen.", "Choose when you collect it.", quote, wanted);
        }
        if (!quote.missing().isEmpty()) {
            throw instead("basket", quote.missing().get(0), "Change the basket, the place or the choice.", quote, wanted);
        }
        if (quote.toPay().value().compareTo(wanted.expected()) != 0) {
            throw instead("expected", "The total has changed from " + wanted.expected().toPlainString() + " to " + quote.toPay().value().toPlainString() + " " + quote.currency()
                    + " since the page showed it.", "Look at the new total and order again.", quote, wanted);
        }
        return view(placing.place(edition, wanted.key(), order, quote, wanted.contact()));
    }

    /** Nothing is placed; the buyer is shown what holds now. */
    private static Told instead(String path, String sentence, String remedy, QuoteView quote, Wanted wanted) {
        return new Told(HttpStatus.CONFLICT, List.of(new Problem(path, sentence, remedy)), Map.of("quote", BuyerQuote.of(quote, wanted.basket().codes(), Optional.empty())));
    }

    @PostMapping("/api/counter/orders/{token}/payments")
    Placed pay(@PathVariable String token, @RequestBody Paying paying) {
        Orders.Order order = find(token);
        placing.pay(order, paying.cardToken() == null ? "" : paying.cardToken());
        return view(find(token));
    }

    /** Where an order stands; a payment still open is asked after first. */
    @GetMapping("/api/counter/orders/{token}")
    Placed order(@PathVariable String token) {
        Orders.Order order = find(token);
        book.ofOrder(order.id()).stream().findFirst().ifPresent(payments::asked);
        return view(find(token));
    }

    private Editions.Edition live(String shop) {
        return editions.live(shop).orElseThrow(() -> new Told(HttpStatus.NOT_FOUND, "shop", "This shop is not open.", "Come back later."));
    }

    /** The order as asked, with what is known around it: how often discounts were used, by the buyer of this address too, and what is given from outside. */
    private Order order(Editions.Edition edition, Basket basket, String email) {
        Order order = new Order(clock.instant(), basket.lines(), basket.to(), basket.delivery(), basket.method(),
                basket.codes(), Optional.empty(), gateways.states(edition.shop()), orders.history(edition.shop(), email)).by(buyer(basket).buyer());
        String currency = edition.document().setup().shop().currency();
        List<String> onAccount = edition.document().setup().payment().methods().stream().filter(method -> method.kind() == Payment.Kind.ON_ACCOUNT).map(Payment.Method::id).toList();
        long owed = orders.owed(edition.shop(), email, currency, onAccount);
        order = order.given(order.outside().owing(BigDecimal.valueOf(owed, CurrencyUnit.of(currency).getDecimalPlaces())));
        return circumstances.around(edition.shop(), edition.document().compiled(), basket.slot().isPresent() ? order.withSlot(basket.slot().get()) : order);
    }

    private TaxNumbers.Known buyer(Basket basket) {
        return basket.business().orElse(false) ? taxNumbers.business(basket.taxNumber()) : new TaxNumbers.Known(Buyer.PERSON, Optional.empty());
    }

    private static void check(Wanted placing) {
        Problems problems = new Problems();
        problems.when(placing.key() == null || !placing.key().matches("[0-9A-Za-z-]{8,60}"), "key", "The order has no key of its own.", "Load the page again.");
        problems.when(placing.expected() == null, "expected", "The order does not say which total was shown.", "Load the page again.");
        problems.when(placing.basket() == null, "basket", "The basket is missing.", "Put something in.");
        Placing.Contact contact = placing.contact();
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
        Optional<Payment.Method> method = Placing.method(editions.of(order.shop(), order.edition()), OrderFile.parse(order.document()));
        Optional<Gateways.GatewayView> gateway = method.filter(way -> way.kind().throughProvider()).flatMap(Payment.Method::gateway).flatMap(id -> gateways.of(order.shop(), id));
        Optional<PaymentBook.Payment> payment = book.ofOrder(order.id()).stream().filter(each -> !each.byVoucher()).findFirst();
        String state = order.due() == 0 ? "captured" : payment.map(PaymentBook.Payment::state).orElse("unpaid");
        return new Placed(order.token(), order.number(), state, order.standing(), method.map(Payment.Method::kind), payment.map(PaymentBook.Payment::reason).orElse(""),
                payment.map(PaymentBook.Payment::action).filter(action -> !action.isEmpty()), order.mode().equals("test"), BuyerQuote.of(Json.read(order.quote(), QuoteView.class), List.of(), Optional.empty()),
                order.name(), order.email(), gateway.map(Gateways.GatewayView::url), gateway.map(Gateways.GatewayView::publicKey), slips.of(order, method));
    }
}
