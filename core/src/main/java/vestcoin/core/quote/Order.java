package vestcoin.core.quote;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import vestcoin.core.basket.Basket;
import vestcoin.core.basket.BasketBuilder;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.tax.Buyer;

/**
 * An order to be priced: what is asked for, who asks, and all that varies outside the setup.
 *
 * @param at the instant it is placed
 * @param basket what is asked for
 * @param buyer who buys, for tax
 * @param group id of the buyer group the buyer belongs to, if any
 * @param gateways state of each gateway at that instant
 * @param history what has been used before
 * @param point where it goes, for distances
 * @param outside what else is given
 * @param unplaced whether nobody has said where it goes: then goods and discounts are those of the shop's own place,
 *     and delivery, and tax that is added, are left out
 */
@RecordBuilder
public record Order(
        Instant at,
        Basket basket,
        Buyer buyer,
        Optional<String> group,
        Map<String, Gateway> gateways,
        History history,
        Optional<Point> point,
        PricingContext outside,
        boolean unplaced) {
    public Order {
        basket = basket == null ? Basket.EMPTY : basket;
        buyer = buyer == null ? Buyer.PERSON : buyer;
        group = group == null ? Optional.empty() : group;
        gateways = gateways == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(gateways));
        history = history == null ? History.NONE : history;
        point = point == null ? Optional.empty() : point;
        outside = outside == null ? PricingContext.NOTHING : outside;
    }

    /** A basket asked for at an instant, by a person nothing else is told of. */
    public static Order of(Instant at, Basket basket, Map<String, Gateway> gateways) {
        return OrderBuilder.builder().at(at).basket(basket).gateways(gateways).build();
    }

    public List<Line> lines() {
        return basket.lines();
    }

    /** Where it goes, null where that was not said: {@link OrderCheck} refuses such an order. */
    public Destination to() {
        return basket.to().orElse(null);
    }

    public Optional<String> delivery() {
        return basket.delivery();
    }

    public Map<String, String> deliveries() {
        return basket.deliveries();
    }

    public Optional<String> method() {
        return basket.method();
    }

    public List<String> codes() {
        return basket.codes();
    }

    public Optional<LocalDateTime> slot() {
        return basket.slot();
    }

    public Optional<String> currency() {
        return basket.currency();
    }

    private OrderBuilder changed() {
        return OrderBuilder.builder(this);
    }

    private Order asking(UnaryOperator<BasketBuilder> change) {
        return changed().basket(change.apply(basket.changed()).build()).build();
    }

    public Order withDelivery(String option) {
        return asking(basket -> basket.delivery(Optional.ofNullable(option)));
    }

    public Order withMethod(String id) {
        return asking(basket -> basket.method(Optional.ofNullable(id)));
    }

    public Order withCodes(String... typed) {
        return asking(basket -> basket.codes(List.of(typed)));
    }

    public Order ofGroup(String id) {
        return changed().group(Optional.ofNullable(id)).build();
    }

    public Order after(History before) {
        return changed().history(before).build();
    }

    public Order placed(Instant instant) {
        return changed().at(instant).build();
    }

    public Order of(List<Line> other) {
        return asking(basket -> basket.lines(other));
    }

    public Order to(Destination place) {
        return asking(basket -> basket.to(Optional.of(place)));
    }

    /** The same while nobody has said where it goes. @param home the shop's own place */
    public Order unplaced(Destination home) {
        return OrderBuilder.builder(to(home)).unplaced(true).build();
    }

    public Order by(Buyer who) {
        return changed().buyer(who).build();
    }

    public Order in(String code) {
        return asking(basket -> basket.currency(Optional.ofNullable(code)));
    }

    public Order at(Point where) {
        return changed().point(Optional.ofNullable(where)).build();
    }

    public Order withSlot(LocalDateTime start) {
        return asking(basket -> basket.slot(Optional.ofNullable(start)));
    }

    public Order withDeliveries(Map<String, String> chosen) {
        return asking(basket -> basket.deliveries(chosen));
    }

    /** The same with the accounts of providers as they are now. */
    public Order given(Map<String, Gateway> states) {
        return changed().gateways(states).build();
    }

    public Order given(PricingContext what) {
        return changed().outside(what).build();
    }
}
