package vestcoin.core.basket;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;

/**
 * What is asked for, in the one form that the counter, the ticket, the order file, a link from elsewhere, an unfinished
 * basket and a rehearsal share. It holds what anybody may say of their own order; who they are, the instant, and what
 * holds around it are the order's. Nothing in it is checked: pricing refuses what cannot be had.
 *
 * @param lines goods, in the order they were put in
 * @param to where it goes; not yet said without it
 * @param codes discount codes in the order typed
 * @param delivery id of the option or pickup place chosen; without one the cheapest option that sends is taken
 * @param deliveries dispatch place to the option chosen for what leaves there; used when no one option is chosen for
 *     all
 * @param slot start of the slot chosen, on the shop's clock
 * @param method id of the payment method chosen
 * @param currency ISO 4217; the shop's without it
 */
@RecordBuilder
public record Basket(
        List<Line> lines,
        Optional<Destination> to,
        List<String> codes,
        Optional<String> delivery,
        Map<String, String> deliveries,
        Optional<LocalDateTime> slot,
        Optional<String> method,
        Optional<String> currency) {
    public static final Basket EMPTY = BasketBuilder.builder().build();

    public Basket {
        lines = lines == null ? List.of() : List.copyOf(lines);
        to = to == null ? Optional.empty() : to;
        codes = codes == null ? List.of() : List.copyOf(codes);
        delivery = delivery == null ? Optional.empty() : delivery;
        deliveries = deliveries == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(deliveries));
        slot = slot == null ? Optional.empty() : slot;
        method = method == null ? Optional.empty() : method;
        currency = currency == null ? Optional.empty() : currency;
    }

    /** These goods, going there, with nothing else chosen. */
    public static Basket of(List<Line> lines, Destination to) {
        return BasketBuilder.builder().lines(lines).to(Optional.ofNullable(to)).build();
    }

    public Basket withLines(List<Line> others) {
        return changed().lines(others).build();
    }

    public Basket withCodes(List<String> others) {
        return changed().codes(others).build();
    }

    /** The same with whatever is changed by the builder's own means. */
    public BasketBuilder changed() {
        return BasketBuilder.builder(this);
    }
}
