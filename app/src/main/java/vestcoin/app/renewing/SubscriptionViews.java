package vestcoin.app.renewing;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.subscription.RenewalPricing;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.subscription.Subscriptions.Renewal;
import vestcoin.app.subscription.Subscriptions.State;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;

/** What pages show of subscriptions. Dates are days by the shop's clock, amounts have their currency's decimals. */
@Service
class SubscriptionViews {
    private static final int MOST_FORECAST = 500;
    private static final int DAYS_AHEAD = 30;

    /**
     * A subscription as its buyer and its seller see it.
     *
     * @param order token of the first order, and its number
     * @param each what the next charge comes to; nothing where none can be priced
     * @param trouble why the next date is not charged yet
     * @param nextTry when it is tried again
     * @param announced another price that is to hold
     * @param dates what became of those so far, the latest first
     */
    record SubscriptionPage(
            long id,
            String shop,
            String token,
            OrderLink order,
            Subject subject,
            State state,
            Optional<LocalDate> next,
            Optional<BigDecimal> each,
            String currency,
            Optional<Message> trouble,
            Optional<LocalDate> nextTry,
            Optional<Announced> announced,
            Orders.Address address,
            Optional<CardAccount> cards,
            List<PastDate> dates,
            List<Happening> happened) {}

    record OrderLink(String token, int number, boolean test) {}

    /** What is subscribed to and by whom. @param every how often */
    record Subject(
            String product,
            List<String> choices,
            BigDecimal quantity,
            String unit,
            Message every,
            String name,
            String email) {}

    /** @param asked whether it holds only after a yes @param answer that was given, if one was */
    record Announced(LocalDate from, BigDecimal each, boolean asked, Optional<Boolean> answer) {}

    /** Where the page sends a card number. @param kept whether a card is kept */
    record CardAccount(String url, String publicKey, boolean kept) {}

    /** @param order number of the order of that date, if one was placed */
    record PastDate(LocalDate day, String state, Optional<Integer> order, Optional<BigDecimal> amount) {}

    record Happening(String kind, String about, Instant at) {}

    /** A row of the seller's list. */
    record SubscriberRow(
            long id,
            int order,
            String name,
            String product,
            State state,
            Optional<LocalDate> next,
            Optional<BigDecimal> each,
            String currency,
            Optional<Message> trouble) {}

    /**
     * The seller's list.
     *
     * @param counts how many are in each state
     * @param ahead what the next 30 days bring, by currency, if nothing changes
     */
    record SubscriberList(List<SubscriberRow> rows, Map<String, Long> counts, Map<String, BigDecimal> ahead) {}

    private final Subscriptions book;
    private final RenewalPricing pricing;
    private final Orders orders;
    private final Editions editions;
    private final Gateways gateways;
    private final Clock clock;

    SubscriptionViews(
            Subscriptions book,
            RenewalPricing pricing,
            Orders orders,
            Editions editions,
            Gateways gateways,
            Clock clock) {
        this.book = book;
        this.pricing = pricing;
        this.orders = orders;
        this.editions = editions;
        this.gateways = gateways;
        this.clock = clock;
    }

    SubscriptionPage page(Subscription subscription) {
        Orders.Order first = orders.byId(subscription.firstOrder());
        Document spoken =
                editions.spoken(subscription.shop(), Editions.Agreed.to(subscription.edition()), first.language());
        List<Renewal> dates = book.renewals(subscription.id());
        Optional<Renewal> open = dates.stream().filter(Renewal::open).findFirst();
        Optional<QuoteView> next = next(subscription);
        return new SubscriptionPage(
                subscription.id(),
                subscription.shop(),
                subscription.token(),
                new OrderLink(first.token(), first.number(), first.mode().equals("test")),
                subject(subscription, first, spoken),
                subscription.stateNow(),
                running(subscription),
                next.map(quote -> quote.payable().value()),
                first.currency(),
                open.filter(renewal -> !renewal.reason().isEmpty()).map(renewal -> PaymentReasons.of(renewal.reason())),
                open.map(Renewal::nextTry),
                announced(subscription),
                Json.read(subscription.address(), Orders.Address.class),
                cards(subscription),
                dates.stream().map(this::past).toList(),
                book.events(subscription.id()).stream()
                        .map(event -> new Happening(event.kind(), event.about(), event.at()))
                        .toList());
    }

    private static Optional<LocalDate> running(Subscription subscription) {
        return subscription.stateNow().over() ? Optional.empty() : Optional.ofNullable(subscription.dueOn());
    }

    private Optional<QuoteView> next(Subscription subscription) {
        return running(subscription)
                .map(day -> pricing.priced(subscription, pricing.edition(subscription, day), clock.instant()))
                .filter(priced -> priced.obstacle().isEmpty())
                .map(RenewalPricing.Priced::quote);
    }

    private static Subject subject(Subscription subscription, Orders.Order first, Document document) {
        Line line = OrderFile.parse(subscription.document()).lines().get(0);
        Product product = document.compiled().shelf().find(line.product()).orElseThrow();
        return new Subject(
                product.name(),
                product.options().stream()
                        .flatMap(option -> option.choices().stream().filter(choice -> choice.id()
                                .equals(line.options().get(option.id()))))
                        .map(Product.Choice::name)
                        .toList(),
                line.quantity(),
                product.measure().map(Product.Measure::unit).orElse(""),
                product.renews().orElseThrow().said(),
                first.name(),
                first.email());
    }

    private Optional<Announced> announced(Subscription subscription) {
        if (subscription.announced() == null || subscription.stateNow().over()) {
            return Optional.empty();
        }
        BigDecimal each = pricing.priced(subscription, subscription.announced(), clock.instant())
                .quote()
                .payable()
                .value();
        String agreed = subscription.agreed();
        return Optional.of(new Announced(
                subscription.announcedFrom(),
                each,
                agreed.equals("asked"),
                agreed.equals("yes")
                        ? Optional.of(true)
                        : agreed.equals("no") ? Optional.of(false) : Optional.empty()));
    }

    private Optional<CardAccount> cards(Subscription subscription) {
        return subscription.stateNow().over()
                ? Optional.empty()
                : gateways.of(subscription.shop(), subscription.gateway())
                        .filter(account -> account.state() != Gateway.NOT_CONNECTED)
                        .map(account -> new CardAccount(
                                account.url(),
                                account.publicKey(),
                                !subscription.card().isEmpty()));
    }

    private PastDate past(Renewal renewal) {
        Optional<Orders.Order> order = Optional.ofNullable(renewal.orderId()).map(orders::byId);
        return new PastDate(
                renewal.dueOn(),
                renewal.state(),
                order.map(Orders.Order::number),
                order.map(each -> BigDecimal.valueOf(
                        each.payable(), CurrencyUnit.of(each.currency()).getDecimalPlaces())));
    }

    SubscriberList list(String shop, Optional<State> state, long before, int most) {
        Map<String, Long> counts = new TreeMap<>();
        for (State each : State.values()) {
            long many = book.count(shop, each);
            if (many > 0 && each != State.WAITING) {
                counts.put(Json.named(each), many);
            }
        }
        Map<String, BigDecimal> ahead = new TreeMap<>();
        for (Subscription subscription : book.running(shop, MOST_FORECAST)) {
            if (subscription.stateNow() == State.ACTIVE) {
                ahead(subscription, ahead);
            }
        }
        return new SubscriberList(
                book.list(shop, state, before, most).stream().map(this::row).toList(), counts, ahead);
    }

    private SubscriberRow row(Subscription subscription) {
        Orders.Order first = orders.byId(subscription.firstOrder());
        Optional<Message> trouble = running(subscription)
                .flatMap(day -> book.renewals(subscription.id()).stream()
                        .filter(renewal -> renewal.open() && !renewal.reason().isEmpty())
                        .findFirst())
                .map(renewal -> PaymentReasons.of(renewal.reason()));
        return new SubscriberRow(
                subscription.id(),
                first.number(),
                first.name(),
                pricing.product(subscription).name(),
                subscription.stateNow(),
                running(subscription),
                next(subscription).map(quote -> quote.payable().value()),
                first.currency(),
                trouble);
    }

    /** Adds what a subscription brings in the days ahead: each of its dates at what the next one comes to. */
    private void ahead(Subscription subscription, Map<String, BigDecimal> sums) {
        LocalDate last =
                LocalDate.ofInstant(clock.instant(), pricing.zone(subscription)).plusDays(DAYS_AHEAD);
        long times = pricing.dates(subscription, last);
        if (times > 0) {
            next(subscription)
                    .ifPresent(quote -> sums.merge(
                            quote.currency(),
                            quote.payable().value().multiply(BigDecimal.valueOf(times)),
                            BigDecimal::add));
        }
    }
}
