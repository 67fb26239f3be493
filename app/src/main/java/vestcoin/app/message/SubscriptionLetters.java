package vestcoin.app.message;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.setup.Editions;
import vestcoin.app.subscription.RenewalPricing;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.subscription.Subscriptions.Event;
import vestcoin.app.subscription.Subscriptions.Kind;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.message.Amount;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice;

/**
 * What buyer and seller are told of a subscription: once for each thing that happened to it. That it was charged is
 * told with the order of that charge.
 */
@Service
class SubscriptionLetters {
    private static final Logger LOG = LoggerFactory.getLogger(SubscriptionLetters.class);
    private static final int AT_A_TIME = 200;

    /** Which letter the buyer gets of what. */
    private static final Map<Kind, String> TO_BUYER = Map.of(
            Kind.DECLINED, "renewal-failed",
            Kind.LAPSED, "renewal-lapsed",
            Kind.STOPPED, "renewal-stopped",
            Kind.ENDED, "renewal-ended",
            Kind.SOLD_OUT, "renewal-missed",
            Kind.ANNOUNCED, "renewal-announced");

    /** Of what the seller gets one. */
    private static final List<Kind> TO_SELLER = List.of(Kind.LAPSED, Kind.STOPPED, Kind.SOLD_OUT, Kind.HELD);

    private final LetterBook letters;
    private final SellerLetters sellers;
    private final Subscriptions subscriptions;
    private final RenewalPricing pricing;
    private final Orders orders;
    private final Editions editions;
    private final Clock clock;
    private final String ownUrl;

    SubscriptionLetters(
            LetterBook letters,
            SellerLetters sellers,
            Subscriptions subscriptions,
            RenewalPricing pricing,
            Orders orders,
            Editions editions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.sellers = sellers;
        this.subscriptions = subscriptions;
        this.pricing = pricing;
        this.orders = orders;
        this.editions = editions;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    @TransactionalEventListener(fallbackExecution = true)
    void changed(Subscriptions.SubscriptionChanged changed) {
        letters.later(this::keepUp, 0);
    }

    /** What was not told, because a crash came between. */
    @EventListener({ApplicationReadyEvent.class, TimePassed.class})
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    void makeGood() {
        letters.later(this::keepUp, 0);
    }

    private void keepUp() {
        for (Event event : subscriptions.untold(AT_A_TIME)) {
            try {
                tell(event);
                subscriptions.told(event);
            } catch (RuntimeException e) {
                LOG.warn("of subscription {} is told later: {}", event.subscription(), e.toString());
            }
        }
        letters.deliver();
    }

    private void tell(Event event) {
        Subscription subscription = subscriptions.of(event.subscription());
        Orders.Order first = orders.byId(subscription.firstOrder());
        Setup own = editions.of(first.shop(), subscription.edition()).document().setup();
        String occasion = TO_BUYER.get(event.kindNow());
        if (occasion != null) {
            boolean asked =
                    event.kindNow() == Kind.ANNOUNCED && subscription.agreed().equals("asked");
            toBuyer(asked ? "renewal-asked" : occasion, event, subscription, first);
        }
        if (TO_SELLER.contains(event.kindNow())) {
            sellers.owe(
                    new LetterBook.About(first.shop(), first.id(), subscription.id()),
                    own,
                    SellerNotice.Event.RENEWALS,
                    "renewal",
                    name(subscription, event) + ".copy",
                    new SellerTexts(own)
                            .subscription(
                                    event.kind(),
                                    pricing.product(subscription).name(),
                                    first.name(),
                                    event.kindNow() == Kind.HELD ? event.about() : "",
                                    ownUrl + "/desk/" + first.shop() + "/subscriptions/" + subscription.id()));
        }
    }

    private void toBuyer(String occasion, Event event, Subscription subscription, Orders.Order first) {
        Setup setup = editions.spoken(
                        first.shop(), new Editions.Agreed(subscription.edition(), Optional.empty()), first.language())
                .setup();
        LetterTexts words = LetterTexts.in(setup, first.language());
        letters.owe(
                new LetterBook.About(first.shop(), first.id(), subscription.id()),
                setup.shop(),
                occasion,
                name(subscription, event),
                first.email(),
                words.marked(
                        first.mode(),
                        words.subscription(
                                occasion,
                                Map.of(
                                        "name",
                                        first.name(),
                                        "shop",
                                        setup.shop().name(),
                                        "product",
                                        spokenName(setup, subscription),
                                        "order",
                                        String.valueOf(first.number()),
                                        "date",
                                        words.day(date(event, subscription)),
                                        "amount",
                                        words.money(amount(event, subscription, first))),
                                orders.known(first.shop(), first.email()),
                                link(ownUrl, subscription))));
    }

    static String link(String ownUrl, Subscription subscription) {
        return ownUrl + "/counter/" + subscription.shop() + "/subscription/" + subscription.token();
    }

    private String spokenName(Setup setup, Subscription subscription) {
        String id = pricing.product(subscription).id();
        return setup.goods().products().stream()
                .filter(product -> product.id().equals(id))
                .findFirst()
                .map(product -> product.name())
                .orElse(id);
    }

    private static String name(Subscription subscription, Event event) {
        return subscription.token() + "." + event.kind() + "." + event.seq();
    }

    /** The date a letter names: of the next try, of what was left out, from which a price holds. */
    private LocalDate date(Event event, Subscription subscription) {
        Optional<LocalDate> date =
                switch (event.kindNow()) {
                    case DECLINED ->
                        subscriptions.renewals(subscription.id()).stream()
                                .filter(Subscriptions.Renewal::open)
                                .map(Subscriptions.Renewal::nextTry)
                                .findFirst();
                    case SOLD_OUT -> Optional.of(LocalDate.parse(event.about()));
                    case ANNOUNCED -> Optional.ofNullable(subscription.announcedFrom());
                    default -> Optional.empty();
                };
        return date.orElseGet(() -> LocalDate.ofInstant(event.at(), pricing.zone(subscription)));
    }

    /** What a charge comes to: of the one that failed, or of those to come. */
    private Amount amount(Event event, Subscription subscription, Orders.Order first) {
        Optional<Orders.Order> failed = subscriptions.renewals(subscription.id()).stream()
                .filter(renewal -> renewal.orderId() != null && !renewal.state().equals("paid"))
                .findFirst()
                .map(renewal -> orders.byId(renewal.orderId()));
        if (failed.isPresent() && (event.kindNow() == Kind.DECLINED || event.kindNow() == Kind.LAPSED)) {
            return OwedLetters.amount(failed.get().payable(), first.currency());
        }
        int edition = event.kindNow() == Kind.ANNOUNCED && subscription.announced() != null
                ? subscription.announced()
                : subscription.edition();
        var quote = pricing.priced(subscription, edition, clock.instant()).quote();
        return new Amount(quote.payable().value(), quote.currency());
    }
}
