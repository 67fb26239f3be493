package vestcoin.core.quote;

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
        this(at, lines, to, delivery, method, codes, group, gateways, history, null, null, null, null, null, null);
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

    /** Another order that differs in what the change says. */
    private Order changed(java.util.function.UnaryOperator<Draft> change) {
        return change.apply(new Draft(this)).order();
    }

    public Order withDelivery(String option) {
        return changed(draft -> draft.delivery(Optional.ofNullable(option)));
    }

    public Order withMethod(String id) {
        return changed(draft -> draft.method(Optional.ofNullable(id)));
    }

    public Order withCodes(String... typed) {
        return changed(draft -> draft.codes(List.of(typed)));
    }

    public Order ofGroup(String id) {
        return changed(draft -> draft.group(Optional.ofNullable(id)));
    }

    public Order after(History before) {
        return changed(draft -> draft.history(before));
    }

    public Order placed(Instant instant) {
        return changed(draft -> draft.at(instant));
    }

    public Order of(List<Line> other) {
        return changed(draft -> draft.lines(other));
    }

    public Order to(Destination place) {
        return changed(draft -> draft.to(place));
    }

    public Order by(Buyer who) {
        return changed(draft -> draft.buyer(who));
    }

    public Order in(String code) {
        return changed(draft -> draft.currency(Optional.ofNullable(code)));
    }

    public Order at(Point where) {
        return changed(draft -> draft.point(Optional.ofNullable(where)));
    }

    public Order withSlot(LocalDateTime start) {
        return changed(draft -> draft.slot(Optional.ofNullable(start)));
    }

    public Order withDeliveries(Map<String, String> chosen) {
        return changed(draft -> draft.deliveries(chosen));
    }

    /** The same with the accounts of providers as they are now. */
    public Order given(Map<String, Gateway> states) {
        return changed(draft -> {
            draft.gateways = states;
            return draft;
        });
    }

    public Order given(PricingContext what) {
        return changed(draft -> draft.outside(what));
    }

    /** An order being changed. */
    private static final class Draft {
        private Instant at;
        private List<Line> lines;
        private Destination to;
        private Optional<String> delivery;
        private Optional<String> method;
        private List<String> codes;
        private Optional<String> group;
        private Map<String, Gateway> gateways;
        private History history;
        private Map<String, String> deliveries;
        private Optional<LocalDateTime> slot;
        private Optional<String> currency;
        private Buyer buyer;
        private Optional<Point> point;
        private PricingContext outside;

        Draft(Order from) {
            at = from.at;
            lines = from.lines;
            to = from.to;
            delivery = from.delivery;
            method = from.method;
            codes = from.codes;
            group = from.group;
            gateways = from.gateways;
            history = from.history;
            deliveries = from.deliveries;
            slot = from.slot;
            currency = from.currency;
            buyer = from.buyer;
            point = from.point;
            outside = from.outside;
        }

        Order order() {
            return new Order(
                    at,
                    lines,
                    to,
                    delivery,
                    method,
                    codes,
                    group,
                    gateways,
                    history,
                    deliveries,
                    slot,
                    currency,
                    buyer,
                    point,
                    outside);
        }

        Draft at(Instant value) {
            at = value;
            return this;
        }

        Draft lines(List<Line> value) {
            lines = value;
            return this;
        }

        Draft to(Destination value) {
            to = value;
            return this;
        }

        Draft delivery(Optional<String> value) {
            delivery = value;
            return this;
        }

        Draft method(Optional<String> value) {
            method = value;
            return this;
        }

        Draft codes(List<String> value) {
            codes = value;
            return this;
        }

        Draft group(Optional<String> value) {
            group = value;
            return this;
        }

        Draft history(History value) {
            history = value;
            return this;
        }

        Draft deliveries(Map<String, String> value) {
            deliveries = value;
            return this;
        }

        Draft slot(Optional<LocalDateTime> value) {
            slot = value;
            return this;
        }

        Draft currency(Optional<String> value) {
            currency = value;
            return this;
        }

        Draft buyer(Buyer value) {
            buyer = value;
            return this;
        }

        Draft point(Optional<Point> value) {
            point = value;
            return this;
        }

        Draft outside(PricingContext value) {
            outside = value;
            return this;
        }
    }
}
