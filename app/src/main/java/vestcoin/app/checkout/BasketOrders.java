package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import vestcoin.app.access.Buyers;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.access.Memberships;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.order.Credits;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.payment.Gateways;
import vestcoin.app.service.TaxNumbers;
import vestcoin.app.setup.Editions;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Goods;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Credit;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;

/** Makes an order of a buyer's basket, with what it is priced with around it. */
@Service
public class BasketOrders {
    /**
     * Who asks.
     *
     * @param email as typed, empty until it is
     * @param signedIn the address that is known to be theirs, see {@link #known}
     */
    public record Asker(String email, Optional<String> signedIn) {
        /** That address, unless the order is to be another's. */
        Optional<String> known() {
            return signedIn.filter(
                    address -> email.isEmpty() || MailAddress.normal(address).equals(MailAddress.normal(email)));
        }
    }

    private final Gateways gateways;
    private final Orders orders;
    private final PricingContexts circumstances;
    private final TaxNumbers taxNumbers;
    private final Credits credits;
    private final Buyers buyers;
    private final Memberships memberships;
    private final CounterEntrance entrance;
    private final Clock clock;

    BasketOrders(
            Gateways gateways,
            Orders orders,
            PricingContexts circumstances,
            TaxNumbers taxNumbers,
            Credits credits,
            Buyers buyers,
            Memberships memberships,
            CounterEntrance entrance,
            Clock clock) {
        this.gateways = gateways;
        this.orders = orders;
        this.credits = credits;
        this.buyers = buyers;
        this.memberships = memberships;
        this.entrance = entrance;
        this.circumstances = circumstances;
        this.taxNumbers = taxNumbers;
        this.clock = clock;
    }

    /**
     * The order as asked, for nowhere in particular while nobody has said where it goes, with what is known around it:
     * how often discounts were used, by the buyer of this address too, and what is given from outside. A group's prices
     * hold for whoever is signed in; credit is only given to whom the order is for.
     */
    public Order order(Editions.Edition edition, Basket basket, BuyerDetails by, Asker who) {
        Order asked = Order.of(clock.instant(), basket, gateways.states(edition.shop()));
        Order order = (basket.to().map(Destination::country).isPresent()
                        ? asked
                        : asked.unplaced(edition.document().compiled().home()))
                .after(orders.history(edition.shop(), who.email(), basket.codes()))
                .ofGroup(
                        group(edition, who.signedIn()).map(Goods.BuyerGroup::id).orElse(null))
                .by(located(buyer(by).buyer(), by, basket));
        Optional<String> known = who.known();
        String currency =
                basket.currency().orElse(edition.document().setup().shop().currency());
        List<String> onAccount = edition.document().setup().payment().methods().stream()
                .filter(method -> method.kind() == Payment.Kind.ON_ACCOUNT)
                .map(Payment.Method::id)
                .toList();
        long owed = credits.owed(edition.shop(), Placing.taxNumber(order), known.orElse(""), currency, onAccount);
        order = order.given(order.outside()
                .trusting(onAccount.isEmpty() ? Optional.empty() : credit(edition, known))
                .owing(BigDecimal.valueOf(
                        owed,
                        Currencies.of(currency)
                                .map(CurrencyUnit::getDecimalPlaces)
                                .orElse(0))));
        return circumstances.around(edition.shop(), edition.document().compiled(), order);
    }

    /**
     * The address of who asks, where that is known: whom somebody of the shop orders for, or who is signed in.
     *
     * @param session key of a buyer's session, null for none
     * @param forBuyer whom somebody says to order for
     */
    Optional<String> known(String shop, String session, Optional<String> forBuyer) {
        return forBuyer.filter(email -> entrance.whoRuns(shop).isPresent()).or(() -> buyers.in(shop, session));
    }

    /** The group of buyers who asks belongs to, where that is known and the shop still has it. */
    Optional<Goods.BuyerGroup> group(Editions.Edition edition, Optional<String> known) {
        List<Goods.BuyerGroup> groups = edition.document().setup().goods().buyerGroups();
        return groups.isEmpty()
                ? Optional.empty()
                : known.flatMap(address -> memberships.of(edition.shop(), address))
                        .filter(Memberships.Member::belongs)
                        .flatMap(member -> groups.stream()
                                .filter(group -> group.id().equals(member.buyerGroup()))
                                .findFirst());
    }

    private Optional<Credit> credit(Editions.Edition edition, Optional<String> known) {
        return known.flatMap(address -> credits.of(
                edition.shop(), address, edition.document().setup().shop().currency()));
    }

    /**
     * The buyer with what the browser's clock says of where they are, where that agrees: a second piece of evidence for
     * what is supplied as a file. Source: Regulation (EU) 282/2011, Articles 24b and 24f.
     */
    private static Buyer located(Buyer buyer, BuyerDetails details, Basket basket) {
        Optional<String> country = details.country().filter(seen -> basket.to()
                .map(Destination::country)
                .filter(seen::equals)
                .isPresent());
        return country.isEmpty()
                ? buyer
                : BuyerBuilder.builder(buyer).evidence(country).build();
    }

    /** Who buys, as far as is known. */
    TaxNumbers.NumberCheck buyer(BuyerDetails details) {
        return details.business().orElse(false)
                ? taxNumbers.business(details.taxNumber())
                : new TaxNumbers.NumberCheck(Buyer.PERSON, Optional.empty());
    }
}
