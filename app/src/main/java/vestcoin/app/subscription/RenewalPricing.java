package vestcoin.app.subscription;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.stereotype.Service;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Renewal;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.RenewalCharges;
import vestcoin.core.setup.RenewalSetup;

/**
 * What a date of a subscription costs: its line alone, by the edition agreed to with the taxes and ways to pay of the
 * live one, as {@link RenewalSetup} makes them one.
 */
@Service
public class RenewalPricing {
    /**
     * A date priced.
     *
     * @param order as it would be placed
     * @param obstacle why it cannot be charged, if it cannot
     */
    public record Priced(
            Editions.Agreed by, Editions.Edition edition, Order order, QuoteView quote, Optional<Message> obstacle) {}

    private final Editions editions;
    private final Gateways gateways;
    private final Orders orders;
    private final PricingContexts contexts;

    RenewalPricing(Editions editions, Gateways gateways, Orders orders, PricingContexts contexts) {
        this.editions = editions;
        this.gateways = gateways;
        this.orders = orders;
        this.contexts = contexts;
    }

    /** The product as it was agreed to. */
    public Product product(Subscription subscription) {
        return product(
                subscription,
                editions.of(subscription.shop(), subscription.edition()).document());
    }

    private static Product product(Subscription subscription, Document document) {
        String id = OrderFile.parse(subscription.document()).lines().get(0).product();
        return document.compiled().shelf().find(id).orElseThrow();
    }

    /** The rhythm agreed to. */
    Renewal rhythm(Subscription subscription) {
        return product(subscription).renews().orElseThrow();
    }

    /** How many dates of it fall on or before a day, from its next one on. */
    public long dates(Subscription subscription, LocalDate last) {
        Renewal rhythm = rhythm(subscription);
        long many = 0;
        Optional<LocalDate> date = Optional.ofNullable(subscription.dueOn());
        while (date.filter(day -> !day.isAfter(last)).isPresent()) {
            many++;
            date = rhythm.after(subscription.began(), subscription.charges() + (int) many);
        }
        return many;
    }

    public ZoneId zone(Subscription subscription) {
        return editions.of(subscription.shop(), subscription.edition())
                .document()
                .compiled()
                .zone();
    }

    /** The edition that holds for a date: the one announced, from its day, where the buyer has not said no. */
    public int edition(Subscription subscription, LocalDate date) {
        boolean holds = subscription.announced() != null
                && !date.isBefore(subscription.announcedFrom())
                && (subscription.agreed().equals("silence")
                        || subscription.agreed().equals("yes"));
        return holds ? subscription.announced() : subscription.edition();
    }

    /** What it costs at an instant, by an edition. */
    public Priced priced(Subscription subscription, int agreed, Instant at) {
        int live = editions.live(subscription.shop()).orElseThrow().number();
        Editions.Agreed by = new Editions.Agreed(agreed, Optional.of(live).filter(number -> number != agreed));
        Editions.Edition edition = editions.of(subscription.shop(), by);
        Orders.Order first = orders.byId(subscription.firstOrder());
        Order asked = OrderFile.parse(subscription.document()).given(gateways.states(subscription.shop()));
        Order again = RenewalCharges.again(
                edition.document().compiled(),
                asked,
                asked.lines().get(0),
                at,
                orders.history(subscription.shop(), first.email())
                        .with(asked.history().singleUse()));
        Order order = contexts.around(
                subscription.shop(), edition.document().compiled(), again.withMethod(way(subscription, edition)));
        QuoteView quote = edition.document().quote(order);
        Optional<Message> obstacle = RenewalSetup.obstacle(
                        product(subscription, edition.document()),
                        editions.of(subscription.shop(), live).document().setup())
                .or(() -> quote.missing().stream().findFirst());
        return new Priced(by, edition, order, quote, obstacle);
    }

    /** A card through the account that keeps the card; where that is gone, any. */
    private static String way(Subscription subscription, Editions.Edition edition) {
        var cards = edition.document().setup().payment().methods().stream()
                .filter(method -> method.on() && method.kind().chargedAgain())
                .toList();
        return cards.stream()
                .filter(method ->
                        method.gateway().filter(subscription.gateway()::equals).isPresent())
                .findFirst()
                .or(() -> cards.stream().findFirst())
                .map(Payment.Method::id)
                .orElse(null);
    }
}
