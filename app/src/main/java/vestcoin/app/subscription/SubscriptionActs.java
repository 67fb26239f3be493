package vestcoin.app.subscription;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Editions;
import vestcoin.app.subscription.Subscriptions.Kind;
import vestcoin.app.subscription.Subscriptions.State;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;

/** What buyer and seller do with a subscription. Each act is written down with what it does. */
@Service
public class SubscriptionActs {
    /** Days between the letter and the first charge a dearer price holds for; common practice, no source. */
    public static final int DAYS_OF_NOTICE = 30;

    private final Subscriptions book;
    private final RenewalPricing pricing;
    private final Renewals renewals;
    private final Gateways gateways;
    private final Provider provider;
    private final Editions editions;
    private final Clock clock;

    SubscriptionActs(
            Subscriptions book,
            RenewalPricing pricing,
            Renewals renewals,
            Gateways gateways,
            Provider provider,
            Editions editions,
            Clock clock) {
        this.book = book;
        this.pricing = pricing;
        this.renewals = renewals;
        this.gateways = gateways;
        this.provider = provider;
        this.editions = editions;
        this.clock = clock;
    }

    /** Ends it: it holds for the next charge, at once. Done twice it is done. */
    @Transactional
    public void stop(Subscription subscription) {
        Subscription now = book.locked(subscription.id());
        if (!now.stateNow().over()) {
            book.state(now.id(), State.STOPPED);
            book.happened(now.id(), Kind.STOPPED, "");
        }
    }

    @Transactional
    public void pause(Subscription subscription) {
        Subscription now = running(subscription);
        if (now.stateNow() == State.ACTIVE) {
            book.state(now.id(), State.PAUSED);
            book.happened(now.id(), Kind.PAUSED, "");
        }
    }

    /** Goes on: what was due meanwhile is left out. */
    @Transactional
    public void resume(Subscription subscription) {
        Subscription now = running(subscription);
        if (now.stateNow() != State.PAUSED) {
            return;
        }
        book.state(now.id(), State.ACTIVE);
        book.happened(now.id(), Kind.RESUMED, "");
        LocalDate today = renewals.today(now);
        while (now.dueOn() != null && now.dueOn().isBefore(today)) {
            leaveOut(now);
            now = book.of(now.id());
        }
    }

    /** Leaves the next date out. @throws ApiProblem if that one is being charged already */
    @Transactional
    public void skip(Subscription subscription, LocalDate date) {
        Subscription now = running(subscription);
        if (!date.equals(now.dueOn()) || book.renewal(now.id(), date).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "date",
                    Message.of("renewal.date-is-over-or-being-charged", "date", date),
                    Message.of("renewal.load-page-again-to-see-next-date"));
        }
        leaveOut(now);
        book.happened(now.id(), Kind.SKIPPED, date.toString());
    }

    private void leaveOut(Subscription subscription) {
        if (book.renewal(subscription.id(), subscription.dueOn()).isEmpty()) {
            book.date(subscription.id(), subscription.dueOn(), "skipped");
        }
        renewals.goOn(subscription, null);
    }

    /**
     * Keeps another card, for the dates to come and for one that is tried again.
     *
     * @throws ApiProblem if the processor does not take it
     */
    public void card(Subscription subscription, String token) {
        Subscription now = book.of(subscription.id());
        refuseOver(now);
        String gateway = now.gateway().isEmpty() ? cardAccount(now) : now.gateway();
        try {
            String card = provider.keep(gateways.access(now.shop(), gateway), token);
            keep(now, gateway, card);
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "cardToken",
                    Message.of("renewal.card-was-not-taken", "reason", PaymentReasons.of(e.getMessage())),
                    Message.of("renewal.type-another-card"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "cardToken",
                    Message.of("payment.provider-not-answering"),
                    Message.of("renewal.card-stays-as-it-was-try-later"));
        }
    }

    private String cardAccount(Subscription subscription) {
        return editions.live(subscription.shop()).orElseThrow().document().setup().payment().methods().stream()
                .filter(method -> method.on() && method.kind().chargedAgain())
                .findFirst()
                .flatMap(method -> method.gateway())
                .orElse("");
    }

    @Transactional
    void keep(Subscription subscription, String gateway, String card) {
        book.card(subscription.id(), gateway, card);
        book.happened(subscription.id(), Kind.CARD, "");
    }

    /** Tries an open date again at once, as after another card was given. */
    public void tryAgain(Subscription subscription) {
        Subscription now = book.of(subscription.id());
        if (now.dueOn() != null
                && book.renewal(now.id(), now.dueOn())
                        .filter(renewal -> renewal.open() && renewal.tries() > 0)
                        .isPresent()) {
            renewals.chargeNow(now);
        }
    }

    /**
     * What each charge would come to at another address.
     *
     * @throws ApiProblem if it cannot go there
     */
    public RenewalPricing.Priced elsewhere(Subscription subscription, Destination to) {
        RenewalPricing.Priced priced = pricing.priced(moved(subscription, to), subscription.edition(), clock.instant());
        if (priced.obstacle().isPresent()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "address",
                    priced.obstacle().get(),
                    Message.of("renewal.name-another-address-or-stop"));
        }
        return priced;
    }

    private static Subscription moved(Subscription subscription, Destination to) {
        var document = OrderFile.parse(subscription.document()).to(to);
        return new Subscription(
                subscription.id(),
                subscription.shop(),
                subscription.firstOrder(),
                subscription.line(),
                subscription.token(),
                subscription.edition(),
                subscription.state(),
                subscription.began(),
                subscription.charges(),
                subscription.dueOn(),
                subscription.chargedOn(),
                subscription.gateway(),
                subscription.card(),
                Json.write(OrderFile.of(document)),
                subscription.address(),
                subscription.announced(),
                subscription.announcedFrom(),
                subscription.agreed());
    }

    /**
     * Sends it elsewhere from the next date on.
     *
     * @param expected what each charge comes to there, as the buyer was shown
     * @throws ApiProblem if it comes to something else by now
     */
    @Transactional
    public void address(Subscription subscription, Orders.Address address, BigDecimal expected) {
        Subscription now = running(subscription);
        Destination to = new Destination(
                address.country(),
                address.region(),
                Optional.of(address.postcode()).filter(postcode -> !postcode.isBlank()));
        RenewalPricing.Priced priced = elsewhere(now, to);
        BigDecimal each = priced.quote().payable().value();
        if (each.compareTo(expected) != 0) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "expected",
                    Message.of(
                            "renewal.there-each-charge-comes-to",
                            "each",
                            new vestcoin.core.message.Amount(
                                    each, priced.quote().currency())),
                    Message.of("renewal.look-at-it-and-agree-again"));
        }
        book.address(now.id(), moved(now, to).document(), Json.write(address));
        book.happened(now.id(), Kind.ADDRESS, address.city());
    }

    /** The buyer says yes or no to what was announced. */
    @Transactional
    public void answer(Subscription subscription, boolean yes) {
        Subscription now = running(subscription);
        if (now.announced() == null) {
            return;
        }
        book.announce(now.id(), now.announced(), now.announcedFrom(), yes ? "yes" : "no");
        book.happened(now.id(), yes ? Kind.AGREED : Kind.REFUSED, "");
    }

    /** How many subscribers would pay how much more or less by another edition. */
    public record Difference(Subscription subscription, BigDecimal now, BigDecimal then, String currency) {
        public boolean dearer() {
            return then.compareTo(now) > 0;
        }
    }

    /** What the live edition changes for those who agreed to another. */
    public List<Difference> differences(String shop, int most) {
        int live = editions.live(shop).map(Editions.Edition::number).orElse(0);
        return book.running(shop, most).stream()
                .filter(subscription -> subscription.edition() != live && offered(subscription, live))
                .map(subscription -> {
                    var now = pricing.priced(subscription, subscription.edition(), clock.instant());
                    var then = pricing.priced(subscription, live, clock.instant());
                    return new Difference(
                            subscription,
                            now.quote().payable().value(),
                            then.quote().payable().value(),
                            now.quote().currency());
                })
                .filter(difference -> difference.now().compareTo(difference.then()) != 0)
                .toList();
    }

    /** Whether an edition still has what is subscribed to, charged again in the same rhythm. */
    private boolean offered(Subscription subscription, int edition) {
        String id = pricing.product(subscription).id();
        return editions.of(subscription.shop(), edition)
                .document()
                .compiled()
                .shelf()
                .find(id)
                .filter(product ->
                        product.renews().equals(pricing.product(subscription).renews()))
                .isPresent();
    }

    /**
     * Announces the live edition's price to those who agreed to another: dearer from the first charge after the days of
     * notice, cheaper from the next.
     *
     * @param expressYes whether silence is not enough
     * @return how many are told
     */
    @Transactional
    public int announce(String shop, boolean expressYes, int most) {
        List<Difference> differences = differences(shop, most);
        int live = editions.live(shop).orElseThrow().number();
        for (Difference each : differences) {
            Subscription subscription = book.locked(each.subscription().id());
            LocalDate today = renewals.today(subscription);
            LocalDate from = each.dearer() ? today.plusDays(DAYS_OF_NOTICE) : today;
            book.announce(subscription.id(), live, from, each.dearer() && expressYes ? "asked" : "silence");
            book.happened(subscription.id(), Kind.ANNOUNCED, each.then().toPlainString());
        }
        return differences.size();
    }

    private Subscription running(Subscription subscription) {
        Subscription now = book.locked(subscription.id());
        refuseOver(now);
        return now;
    }

    private static void refuseOver(Subscription subscription) {
        if (subscription.stateNow().over()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "subscription",
                    Message.of("renewal.subscription-is-over"),
                    Message.of("renewal.order-again-to-begin-another"));
        }
    }
}
