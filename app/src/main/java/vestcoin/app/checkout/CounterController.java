package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.buyer.Buyers;
import vestcoin.app.buyer.Unfinished;
import vestcoin.app.edge.Pace;
import vestcoin.app.edge.Sentences;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.link.Circumstances;
import vestcoin.app.link.TaxNumbers;
import vestcoin.app.opening.Entrance;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Accepted;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Problems;
import vestcoin.core.problem.Refused;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Asking;

/** What a buyer's page asks. Nothing here needs a sign-in; an order is found again by its unguessable token. */
@RestController
class CounterController {
    /**
     * @param language of all that is read, one of the languages
     * @param prices of products by id, in the currency asked for: a bundle's the sum of its parts, of an amount the
     *     buyer chooses the least
     * @param left how many there are of what is counted, by product, or product and variation
     * @param regions of countries whose addresses name one, by code and name
     * @param asking what is asked besides name and address
     * @param closed whether only those who run the shop can see this
     * @param orderButton what stands on the button that places an order; empty for the page's own words
     */
    record Counter(
            String shop,
            String name,
            String currency,
            String language,
            boolean withTax,
            List<Product> products,
            Set<String> countries,
            String home,
            List<String> languages,
            List<String> currencies,
            Map<String, BigDecimal> prices,
            Map<String, BigDecimal> left,
            List<Policies.PolicyText> texts,
            String orderButton,
            Map<String, Map<String, String>> regions,
            boolean closed,
            Asking asking) {}

    /**
     * @param business whether a business buys @param taxNumber of it, as typed @param slot start of the slot chosen, on
     *     the shop's clock @param currency the shop's own without it @param deliveries ways chosen apart, by the place
     *     something leaves from
     */
    record Basket(
            List<Line> lines,
            Destination to,
            Optional<String> delivery,
            Optional<String> method,
            List<String> codes,
            Optional<Boolean> business,
            Optional<String> taxNumber,
            Optional<LocalDateTime> slot,
            Optional<String> currency,
            Optional<String> language,
            Map<String, String> deliveries) {
        Basket {
            deliveries = deliveries == null ? Map.of() : Map.copyOf(deliveries);
            currency = currency == null ? Optional.empty() : currency;
            language = language == null ? Optional.empty() : language;
            slot = slot == null ? Optional.empty() : slot;
            codes = codes == null ? List.of() : codes;
            business = business == null ? Optional.empty() : business;
            taxNumber = taxNumber == null
                    ? Optional.empty()
                    : taxNumber.map(String::strip).filter(text -> !text.isEmpty());
            lines = lines == null ? List.of() : lines;
            delivery = delivery == null ? Optional.empty() : delivery;
            method = method == null ? Optional.empty() : method;
        }

        Basket with(List<String> others) {
            return new Basket(
                    lines, to, delivery, method, others, business, taxNumber, slot, currency, language, deliveries);
        }
    }

    /**
     * @param expected what the buyer was shown; another total is shown before anything is placed
     * @param key made once by the page
     * @param agreed kinds of texts agreed to, each with the hash of what was shown
     */
    record Wanted(String key, Basket basket, Placing.Contact contact, BigDecimal expected, Map<String, String> agreed) {
        Wanted {
            agreed = agreed == null ? Map.of() : Map.copyOf(agreed);
        }
    }

    /**
     * @param state of the payment of what is due beside vouchers
     * @param standing of all of it, as the seller's list has it
     * @param kind of the way to pay, if there is anything to pay
     * @param processor where the page sends the card number, and the key it names itself by
     * @param slip what a transfer is made out to, for what is still to come
     * @param handover where and when it is collected or brought
     * @param address where it goes
     * @param method id of the way to pay chosen
     * @param sent how much of it has left or was handed over: no, in part or all
     */
    record Placed(
            String token,
            int number,
            String state,
            String standing,
            Optional<Payment.Kind> kind,
            String reason,
            Optional<String> action,
            boolean test,
            BuyerQuote quote,
            String name,
            String email,
            Optional<String> processor,
            Optional<String> publicKey,
            Optional<Slips.Slip> slip,
            String language,
            boolean cancelled,
            Optional<Handover> handover,
            Orders.Address address,
            String method,
            String sent) {}

    /**
     * Another way to pay an order whose payment came to nothing. @param expected what the buyer was shown it comes to
     * that way
     */
    record OtherWay(String method, BigDecimal expected) {}

    record Paying(String cardToken) {}

    /** Countries whose addresses name a region that tax or delivery goes by; common practice, no source. */
    private static final List<String> WITH_REGION = List.of("AU", "CA", "US");

    /** So many orders in a row get their letters at once. */
    private static final int FEW = 4;

    private final Entrance entrance;
    private final Editions editions;
    private final Gateways gateways;
    private final Orders orders;
    private final Payments payments;
    private final PaymentBook book;
    private final Placing placing;
    private final Slips slips;
    private final Buyers buyers;
    private final Unfinished unfinished;
    private final Circumstances circumstances;
    private final TaxNumbers taxNumbers;
    private final Guessing guessing;
    private final Pace pace;
    private final Clock clock;

    CounterController(
            Entrance entrance,
            Editions editions,
            Gateways gateways,
            Orders orders,
            Payments payments,
            PaymentBook book,
            Placing placing,
            Slips slips,
            Buyers buyers,
            Unfinished unfinished,
            Circumstances circumstances,
            TaxNumbers taxNumbers,
            Guessing guessing,
            Pace pace,
            Clock clock) {
        this.entrance = entrance;
        this.editions = editions;
        this.gateways = gateways;
        this.orders = orders;
        this.payments = payments;
        this.book = book;
        this.placing = placing;
        this.slips = slips;
        this.buyers = buyers;
        this.unfinished = unfinished;
        this.circumstances = circumstances;
        this.taxNumbers = taxNumbers;
        this.guessing = guessing;
        this.pace = pace;
        this.clock = clock;
    }

    /** @param language tag of one, or of one near to it @param currency one the shop takes */
    @GetMapping("/api/counter/{shop}")
    Counter counter(
            @PathVariable String shop,
            @RequestParam Optional<String> language,
            @RequestParam Optional<String> currency) {
        Editions.Edition edition = entrance.into(shop);
        return counter(edition, spoken(edition, language), currency);
    }

    /** The counter around an order: by the order's edition and in its language, and while the shop is closed too. */
    @GetMapping("/api/counter/orders/{token}/counter")
    Counter around(@PathVariable String token) {
        Orders.Order order = find(token);
        Editions.Edition edition = editions.of(order.shop(), order.edition());
        return counter(edition, editions.spoken(edition, order.language()), Optional.of(order.currency()));
    }

    private Counter counter(Editions.Edition edition, Document document, Optional<String> currency) {
        Setup setup = document.setup();
        Set<String> countries = new TreeSet<>();
        for (String country : Countries.all()) {
            if (setup.shop().sellsTo().stream().anyMatch(place -> place.reaches(country))) {
                countries.add(country);
            }
        }
        List<String> currencies = Stream.concat(
                        Stream.of(setup.shop().currency()),
                        setup.shop().currencies().stream().map(Accepted::code))
                .toList();
        String wanted =
                currency.filter(currencies::contains).orElse(setup.shop().currency());
        Optional<Exchange> rates = circumstances.rates();
        String taken = wanted.equals(setup.shop().currency()) || rates.isPresent()
                ? wanted
                : setup.shop().currency();
        return new Counter(
                edition.shop(),
                setup.shop().name(),
                taken,
                setup.shop().language(),
                setup.tax().prices() == Tax.Prices.WITH_TAX,
                setup.goods().products(),
                countries,
                setup.shop().address().country(),
                Stream.concat(
                                Stream.of(edition.document().setup().shop().language()),
                                setup.shop().languages().stream())
                        .distinct()
                        .toList(),
                currencies,
                Pricing.shelf(document.compiled(), taken, rates),
                circumstances.left(edition.shop()),
                Policies.texts(setup),
                Policies.said(setup.terms().orderButton(), setup.shop().language())
                        .orElse(""),
                regions(countries),
                entrance.closed(edition.shop()),
                setup.terms().asking());
    }

    private static Map<String, Map<String, String>> regions(Set<String> countries) {
        Map<String, Map<String, String>> regions = new TreeMap<>();
        WITH_REGION.stream()
                .filter(countries::contains)
                .forEach(country -> regions.put(country, Countries.divisions(country)));
        return regions;
    }

    private Document spoken(Editions.Edition edition, Optional<String> language) {
        return editions.spoken(
                edition, language.filter(tag -> tag.length() <= 35).orElse(""));
    }

    @PostMapping("/api/counter/{shop}/quote")
    BuyerQuote quote(@PathVariable String shop, @RequestBody Basket basket, HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        Document document = spoken(edition, basket.language());
        Basket tried = guessing.without(basket, request.getRemoteAddr());
        BuyerQuote quote = BuyerQuote.of(
                document.quote(order(edition, tried, "")),
                basket.codes(),
                buyer(basket).trouble());
        return guessing.counted(quote, tried, request.getRemoteAddr())
                .in(document.setup().shop().language());
    }

    @PostMapping("/api/counter/{shop}/orders")
    Placed place(
            @PathVariable String shop,
            @RequestBody Wanted wanted,
            @CookieValue(name = Buyers.COOKIE, required = false) String session,
            HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        check(wanted, edition.document().setup().terms().asking());
        boolean quiet = slowed(wanted, request.getRemoteAddr());
        Document document = spoken(edition, wanted.basket().language());
        signedIn(edition, wanted.contact(), session);
        Order order = order(edition, wanted.basket(), wanted.contact().email());
        QuoteView quote = document.quote(order);
        if (quote.delivery().stream()
                        .anyMatch(option -> option.chosen()
                                && !quote.slots()
                                        .getOrDefault(option.id(), List.of())
                                        .isEmpty())
                && order.slot().isEmpty()) {
            throw instead("basket/slot", "No time is chosen.", "Choose when you collect it.", quote, wanted);
        }
        if (!quote.missing().isEmpty()) {
            throw instead(
                    "basket", quote.missing().get(0), "Change the basket, the place or the choice.", quote, wanted);
        }
        if (quote.toPay().value().compareTo(wanted.expected()) != 0) {
            throw repriced(wanted, quote);
        }
        agreed(Policies.texts(document.setup()), wanted, quote);
        Orders.Order placed = placing.place(
                edition,
                wanted.key(),
                order,
                edition.document().quote(order),
                wanted.contact(),
                new Placing.Agreed(document.setup().shop().language(), wanted.agreed()),
                quiet);
        unfinished.forget(shop, wanted.contact().email());
        return view(placed);
    }

    /** @return whether more were placed than people do without paying first @throws Told if it is far more */
    private boolean slowed(Wanted wanted, String client) {
        Optional<Duration> left = pace.wait(Pace.Of.ORDERS_BY_CLIENT, client)
                .or(() -> pace.wait(
                        Pace.Of.ORDERS_BY_ADDRESS,
                        Orders.normal(wanted.contact().email())));
        left.ifPresent(wait -> {
            throw new Told(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "key",
                    "Many orders were placed from here just now.",
                    "Order again in " + Math.max(1, wait.toSeconds()) + " seconds; the basket is kept.");
        });
        return pace.busy(Pace.Of.ORDERS_BY_CLIENT, client, FEW)
                || pace.busy(
                        Pace.Of.ORDERS_BY_ADDRESS,
                        Orders.normal(wanted.contact().email()),
                        FEW);
    }

    /** @throws Told if this shop takes orders only from buyers who have signed in, and this one has not */
    private void signedIn(Editions.Edition edition, Placing.Contact contact, String session) {
        if (edition.document().setup().terms().asking().signIn()
                && buyers.in(edition.shop(), session)
                        .filter(Orders.normal(contact.email())::equals)
                        .isEmpty()) {
            throw new Told(
                    HttpStatus.UNAUTHORIZED,
                    "contact/email",
                    "This shop takes orders from buyers who have signed in with this address.",
                    "Ask for a link under “My orders”; the basket is kept.");
        }
    }

    /** @throws Told if a text is not agreed to, or was changed since the page showed it */
    private static void agreed(List<Policies.PolicyText> texts, Wanted wanted, QuoteView quote) {
        for (Policies.PolicyText text : texts) {
            String shown = wanted.agreed().get(text.kind());
            if (text.agreed() && shown == null) {
                throw instead(
                        "agreed/" + text.kind(),
                        "The terms of the shop are not agreed to.",
                        "Read them and tick the box.",
                        quote,
                        wanted);
            }
            if (shown != null && !shown.equals(text.hash())) {
                throw instead(
                        "agreed/" + text.kind(),
                        "The shop has changed its text “" + text.kind().replace('-', ' ')
                                + "” since the page showed it.",
                        "Read it again and tick the box again.",
                        quote,
                        wanted);
            }
        }
    }

    /** The total is another one than the buyer was shown; a code that takes nothing off any more is named as well. */
    private static Told repriced(Wanted wanted, QuoteView quote) {
        BuyerQuote now = BuyerQuote.of(quote, wanted.basket().codes(), Optional.empty());
        List<Problem> problems = new ArrayList<>(List.of(new Problem(
                "expected",
                "The total has changed from " + wanted.expected().toPlainString() + " to "
                        + now.toPay().toPlainString() + " " + now.currency() + " since the page showed it.",
                "Look at the new total and order again.")));
        now.refusedCodes()
                .forEach(code -> problems.add(new Problem(
                        "basket/codes",
                        "“" + code.code() + "” takes nothing off: " + code.reason(),
                        "Take it off, or use another.")));
        return new Told(
                HttpStatus.CONFLICT,
                problems,
                Map.of("quote", now.in(wanted.basket().language().orElse(""))));
    }

    /** Nothing is placed; the buyer is shown what holds now. */
    private static Told instead(String path, String sentence, String remedy, QuoteView quote, Wanted wanted) {
        return new Told(
                HttpStatus.CONFLICT,
                List.of(new Problem(path, sentence, remedy)),
                Map.of(
                        "quote",
                        BuyerQuote.of(quote, wanted.basket().codes(), Optional.empty())
                                .in(wanted.basket().language().orElse(""))));
    }

    @PostMapping("/api/counter/orders/{token}/payments")
    Placed pay(@PathVariable String token, @RequestBody Paying paying) {
        Orders.Order order = find(token);
        placing.pay(order, paying.cardToken() == null ? "" : paying.cardToken());
        return view(find(token));
    }

    /** Pays an order another way than the one that came to nothing. */
    @PostMapping("/api/counter/orders/{token}/method")
    Placed otherWay(@PathVariable String token, @RequestBody OtherWay way) {
        placing.otherWay(
                find(token),
                way.method() == null ? "" : way.method(),
                way.expected() == null ? BigDecimal.ZERO : way.expected());
        return view(find(token));
    }

    /** Where an order stands; a payment still open is asked after first. */
    @GetMapping("/api/counter/orders/{token}")
    Placed order(@PathVariable String token) {
        Orders.Order order = find(token);
        book.ofOrder(order.id()).stream().findFirst().ifPresent(payments::asked);
        return view(find(token));
    }

    /**
     * The order as asked, with what is known around it: how often discounts were used, by the buyer of this address
     * too, and what is given from outside.
     */
    private Order order(Editions.Edition edition, Basket basket, String email) {
        if (basket.to() == null || basket.to().country() == null) {
            throw new Refused("basket/to", "The basket has no place to go to.", "Add at least a country.");
        }
        if (basket.lines().stream().anyMatch(java.util.Objects::isNull)) {
            throw new Refused("basket/lines", "A line of the basket is empty.", "Take it out.");
        }
        Order order = new Order(
                        clock.instant(),
                        basket.lines(),
                        basket.to(),
                        basket.delivery(),
                        basket.method(),
                        basket.codes(),
                        Optional.empty(),
                        gateways.states(edition.shop()),
                        orders.history(edition.shop(), email))
                .by(buyer(basket).buyer());
        String currency =
                basket.currency().orElse(edition.document().setup().shop().currency());
        order = order.in(basket.currency().orElse(null)).withDeliveries(basket.deliveries());
        List<String> onAccount = edition.document().setup().payment().methods().stream()
                .filter(method -> method.kind() == Payment.Kind.ON_ACCOUNT)
                .map(Payment.Method::id)
                .toList();
        long owed = orders.owed(edition.shop(), Placing.taxNumber(order), currency, onAccount);
        order = order.given(order.outside()
                .owing(BigDecimal.valueOf(
                        owed,
                        Currencies.of(currency)
                                .map(CurrencyUnit::getDecimalPlaces)
                                .orElse(0))));
        return circumstances.around(
                edition.shop(),
                edition.document().compiled(),
                basket.slot().isPresent() ? order.withSlot(basket.slot().get()) : order);
    }

    private TaxNumbers.Known buyer(Basket basket) {
        return basket.business().orElse(false)
                ? taxNumbers.business(basket.taxNumber())
                : new TaxNumbers.Known(Buyer.PERSON, Optional.empty());
    }

    private static void check(Wanted placing, Asking asking) {
        Problems problems = new Problems();
        problems.when(
                placing.key() == null || !placing.key().matches("[0-9A-Za-z-]{8,60}"),
                "key",
                "The order has no key of its own.",
                "Load the page again.");
        problems.when(
                placing.expected() == null,
                "expected",
                "The order does not say which total was shown.",
                "Load the page again.");
        problems.when(placing.basket() == null, "basket", "The basket is missing.", "Put something in.");
        Placing.Contact contact = placing.contact();
        if (!problems.when(contact == null, "contact", "Name and address are missing.", "Fill them in.")) {
            problems.when(
                    contact.name() == null
                            || contact.name().isBlank()
                            || contact.name().length() > 200,
                    "contact/name",
                    "The name is missing.",
                    "Type who the order is for.");
            problems.when(
                    !MailAddress.isOne(contact.email()),
                    "contact/email",
                    "The e-mail address cannot be right.",
                    "Write it as name@example.com; the receipt goes there.");
            problems.when(
                    contact.lines().isEmpty()
                            || contact.lines().get(0).isBlank()
                            || String.join("", contact.lines()).length() > 500,
                    "contact/lines",
                    "The street is missing.",
                    "Type street and number.");
            contact.wishes().check(asking, "contact/wishes", problems);
            problems.when(
                    contact.city() == null
                            || contact.city().isBlank()
                            || contact.city().length() > 200,
                    "contact/city",
                    "The town is missing.",
                    "Type the town.");
        }
        asking.leastAge()
                .ifPresent(age -> problems.when(
                        !String.valueOf(age).equals(placing.agreed().get(Asking.AGE)),
                        "agreed/age",
                        "It is not confirmed that you are " + age + " or older.",
                        "Tick the box if you are."));
        problems.refuseIfAny();
    }

    private Orders.Order find(String token) {
        return orders.byToken(token)
                .orElseThrow(() -> new Told(
                        HttpStatus.NOT_FOUND,
                        "token",
                        "There is no such order.",
                        "Open the link from the receipt again."));
    }

    private Placed view(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.edition(), order.language());
        Order asked = OrderFile.parse(order.document());
        Optional<Payment.Method> method = Placing.method(editions.of(order.shop(), order.edition()), asked);
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
        return new Placed(
                order.token(),
                order.number(),
                state,
                order.standing(),
                method.map(Payment.Method::kind),
                Sentences.in(language, payment.map(PaymentBook.Payment::reason).orElse("")),
                payment.map(PaymentBook.Payment::action).filter(action -> !action.isEmpty()),
                order.mode().equals("test"),
                BuyerQuote.of(quote, List.of(), Optional.empty()).in(language),
                order.name(),
                order.email(),
                gateway.map(Gateways.GatewayView::url),
                gateway.map(Gateways.GatewayView::publicKey),
                slips.of(order, method),
                language,
                order.cancelled(),
                Handover.of(document.setup(), asked, quote),
                Json.read(order.address(), Orders.Address.class),
                order.method(),
                order.sent());
    }
}
