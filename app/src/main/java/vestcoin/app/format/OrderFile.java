package vestcoin.app.format;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Refused;
import vestcoin.core.quote.Order;

/** An order as a file. */
public record OrderFile(String format, Instant at, List<Line> lines, Destination to, Optional<String> delivery, Optional<String> method, List<String> codes,
        Optional<String> group, Map<String, Gateway> gateways, Optional<History> history) {
    public static final String FORMAT = "vest-coin/order/1";

    /** Reads an order. @throws Refused with the place, what is wrong there and how to mend it */
    public static Order parse(String json) {
        OrderFile file = Json.read(json, OrderFile.class);
        if (file == null || !FORMAT.equals(file.format())) {
            throw new Refused("format", "This is not an order this version reads.", "It begins with \"format\": \"" + FORMAT + "\".");
        }
        return new Order(file.at(), file.lines(), file.to(), file.delivery(), file.method(), file.codes(), file.group(), file.gateways(),
                file.history() == null ? null : file.history().orElse(null));
    }

    public static OrderFile of(Order order) {
        return new OrderFile(FORMAT, order.at(), order.lines(), order.to(), order.delivery(), order.method(), order.codes(), order.group(), order.gateways(),
                Optional.of(order.history()).filter(history -> !history.equals(History.NONE)));
    }
}
