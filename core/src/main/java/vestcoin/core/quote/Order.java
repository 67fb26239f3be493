package vestcoin.core.quote;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.tax.Buyer;

/**
 * An order to be priced, with all that varies outside the setup.
 *
 * @param at the instant it is placed
 * @param to where it goes
 * @param delivery id of the option or pickup place the buyer chose; without one the cheapest option that sends is taken
 * @param method id of the payment method the buyer chose, if any
 * @param codes discount codes in the order typed
 * @param group id of the buyer group the buyer belongs to, if any
 * @param gateways state of each gateway at that instant
 * @param history what has been used before
 * @param deliveries dispatch place to the option chosen for what leaves there; used when no one option is chosen for
 *     all
 * @param slot start of the slot chosen, on the shop's clock
 * @param currency ISO 4217; the shop's without it
 * @param buyer who buys, for tax
 * @param point where it goes, for distances
 * @param outside what else is given
 */
@RecordBuilder
public record Order(
        Instant at,
        List<Line> lines,
        Destination to,
        Optional<String> delivery,
        Optional<String> method,
        List<String> codes,
        Optional<String> group,
        Map<String, Gateway> gateways,
        History history,
        Map<String, String> deliveries,
        Optional<LocalDateTime> slot,
        Optional<String> currency,
        Buyer buyer,
        Optional<Point> point,
        PricingContext outside) {
    public Order {
        lines = lines == null ? List.of() : List.copyOf(lines);
        delivery = delivery == null ? Optional.empty() : delivery;
        method = method == null ? Optional.empty() : method;
        codes = codes == null ? List.of() : List.copyOf(codes);
        group = group == null ? Optional.empty() : group;
        gateways = gateways == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(gateways));
        history = history == null ? History.NONE : history;
        deliveries = deliveries == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(deliveries));
        slot = slot == null ? Optional.empty() : slot;
        currency = currency == null ? Optional.empty() : currency;
        buyer = buyer == null ? Buyer.PERSON : buyer;
        point = point == null ? Optional.empty() : point;
        outside = outside == null ? PricingContext.NOTHING : outside;
    }

    public Order(
            Instant at,
            List<Line> lines,
            Destination to,
            Optional<String> delivery,
            Optional<String> method,
            List<String> codes,
            Optional<String> group,
            Map<String, Gateway> gateways,
            History history) {
        this(
                at,
                lines,
                to,
                delivery,
                method,
                codes,
                group,
                gateways,
                history,
                Map.of(),
                Optional.empty(),
                Optional.empty(),
                Buyer.PERSON,
                Optional.empty(),
                PricingContext.NOTHING);
    }

    /** An order without codes, of a buyer nothing is known of. */
    public Order(
            Instant at,
            List<Line> lines,
            Destination to,
            Optional<String> delivery,
            Optional<String> method,
            Map<String, Gateway> gateways) {
        this(at, lines, to, delivery, method, List.of(), Optional.empty(), gateways, History.NONE);
    }

    private OrderBuilder changed() {
        return OrderBuilder.builder(this);
    }

    public Order withDelivery(String option) {
        return changed().delivery(Optional.ofNullable(option)).build();
    }

    public Order withMethod(String id) {
        return changed().method(Optional.ofNullable(id)).build();
    }

    public Order withCodes(String... typed) {
        return changed().codes(List.of(typed)).build();
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
        return changed().lines(other).build();
    }

    public Order to(Destination place) {
        return changed().to(place).build();
    }

    public Order by(Buyer who) {
        return changed().buyer(who).build();
    }

    public Order in(String code) {
        return changed().currency(Optional.ofNullable(code)).build();
    }

    public Order at(Point where) {
        return changed().point(Optional.ofNullable(where)).build();
    }

    public Order withSlot(LocalDateTime start) {
        return changed().slot(Optional.ofNullable(start)).build();
    }

    public Order withDeliveries(Map<String, String> chosen) {
        return changed().deliveries(chosen).build();
    }

    /** The same with the accounts of providers as they are now. */
    public Order given(Map<String, Gateway> states) {
        return changed().gateways(states).build();
    }

    public Order given(PricingContext what) {
        return changed().outside(what).build();
    }
}
