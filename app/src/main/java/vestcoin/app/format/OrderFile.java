package vestcoin.app.format;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.basket.Basket;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.tax.Buyer;

/** An order as a file. */
public record OrderFile(
        String format,
        Instant at,
        List<Line> lines,
        Destination to,
        Optional<String> delivery,
        Optional<String> method,
        List<String> codes,
        Optional<String> group,
        Map<String, Gateway> gateways,
        Optional<History> history,
        Map<String, String> deliveries,
        Optional<LocalDateTime> slot,
        Optional<String> currency,
        Optional<Buyer> buyer,
        Optional<Point> point,
        Optional<PricingContext> outside) {
    public static final String FORMAT = "vest-coin/order/1";

    public OrderFile {
        lines = lines == null ? List.of() : lines;
        codes = codes == null ? List.of() : codes;
        gateways = gateways == null ? Map.of() : gateways;
        deliveries = deliveries == null ? Map.of() : deliveries;
    }

    /** Reads an order. @throws InvalidInput with the place, what is wrong there and how to mend it */
    public static Order parse(String json) {
        OrderFile file = Json.read(json, OrderFile.class);
        if (file == null || !FORMAT.equals(file.format())) {
            throw new InvalidInput(
                    "format",
                    Message.of("format.this-not-order-this-version-reads"),
                    Message.of("format.begins-with-format", "format", FORMAT));
        }
        return file.placed(file.at(), file.gateways());
    }

    /** What is asked for, without who asks. */
    public Basket basket() {
        return new Basket(lines, Optional.ofNullable(to), codes, delivery, deliveries, slot, method, currency);
    }

    /** The order at an instant, with the accounts of providers as they are then. */
    public Order placed(Instant instant, Map<String, Gateway> states) {
        return new Order(instant, basket(), or(buyer), group, states, or(history), point, or(outside), false);
    }

    public static OrderFile of(Order order) {
        return new OrderFile(
                FORMAT,
                order.at(),
                order.lines(),
                order.to(),
                order.delivery(),
                order.method(),
                order.codes(),
                order.group(),
                order.gateways(),
                Optional.of(order.history()).filter(history -> !history.equals(History.NONE)),
                order.deliveries(),
                order.slot(),
                order.currency(),
                Optional.of(order.buyer()).filter(buyer -> !buyer.equals(Buyer.PERSON)),
                order.point(),
                Optional.of(order.outside()).filter(outside -> !outside.equals(PricingContext.NOTHING)));
    }

    private static <T> T or(Optional<T> given) {
        return given == null ? null : given.orElse(null);
    }
}
