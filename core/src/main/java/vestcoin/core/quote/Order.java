package vestcoin.core.quote;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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
 * @param gateways state of each gateway at that instant
 */
public record Order(Instant at, List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method,
        Map<String, Gateway> gateways) {
    public Order {
        lines = lines == null ? List.of() : List.copyOf(lines);
        delivery = delivery == null ? Optional.empty() : delivery;
        method = method == null ? Optional.empty() : method;
        gateways = gateways == null ? Map.of() : java.util.Collections.unmodifiableMap(new TreeMap<>(gateways));
    }

    public Order withDelivery(String option) {
        return new Order(at, lines, to, Optional.ofNullable(option), method, gateways);
    }
}
