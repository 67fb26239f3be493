package vestcoin.core.quote;

import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;

/**
 * An order to be priced, with all that varies outside the setup.
 *
 * @param at       the instant it is placed
 * @param to       where it goes
 * @param delivery id of the option the buyer chose; without one the cheapest offered is taken
 * @param method   id of the payment method the buyer chose, if any
 * @param codes    discount codes in the order typed
 * @param group    id of the buyer group the buyer belongs to, if any
 * @param gateways state of each gateway at that instant
 * @param history  what has been used before
 */
public record Order(Instant at, List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method, List<String> codes,
        Optional<String> group, Map<String, Gateway> gateways, History history) {
    public Order {
        lines = lines == null ? List.of() : List.copyOf(lines);
        delivery = delivery == null ? Optional.empty() : delivery;
        method = method == null ? Optional.empty() : method;
        codes = codes == null ? List.of() : List.copyOf(codes);
        group = group == null ? Optional.empty() : group;
        gateways = gateways == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(gateways));
        history = history == null ? History.NONE : history;
    }

    /** An order without codes, of a buyer nothing is known of. */
    public Order(Instant at, List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method, Map<String, Gateway> gateways) {
        this(at, lines, to, delivery, method, List.of(), Optional.empty(), gateways, History.NONE);
    }

    public Order withDelivery(String option) {
        return new Order(at, lines, to, Optional.ofNullable(option), method, codes, group, gateways, history);
    }

    public Order withCodes(String... typed) {
        return new Order(at, lines, to, delivery, method, List.of(typed), group, gateways, history);
    }

    public Order ofGroup(String id) {
        return new Order(at, lines, to, delivery, method, codes, Optional.ofNullable(id), gateways, history);
    }

    public Order after(History before) {
        return new Order(at, lines, to, delivery, method, codes, group, gateways, before);
    }

    public Order placed(Instant instant) {
        return new Order(instant, lines, to, delivery, method, codes, group, gateways, history);
    }
}
