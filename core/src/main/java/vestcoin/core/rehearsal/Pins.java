package vestcoin.core.rehearsal;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.payment.Gateway;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContextBuilder;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.Pin;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/**
 * Pinned figures of the board under a setup. A pin is asked as it was pinned: at its instant, at its place, with every
 * account of a provider taken as connected; nothing outside of the setup can move it.
 */
public final class Pins {
    private Pins() {}

    /**
     * A pinned figure that is another now.
     *
     * @param basket name of the sample order
     * @param now what it is; nothing where the order cannot be had
     * @param cell the whole cell as it is
     */
    public record MovedPin(Pin pin, String basket, Optional<String> now, BoardCell cell) {
        /** What moved, from what to what. */
        public Message sentence() {
            return Message.of(
                    "rehearsal.pin-moved",
                    "figure",
                    Message.of("rehearsal.figure-"
                            + pin.figure().name().toLowerCase(Locale.ROOT).replace('_', '-')),
                    "basket",
                    basket,
                    "place",
                    pin.to()
                            .postcode()
                            .map(code -> Message.of(
                                    "rehearsal.place",
                                    "postcode",
                                    code,
                                    "country",
                                    new Region(pin.to().country())))
                            .orElseGet(() -> Message.of(
                                    "rehearsal.country",
                                    "country",
                                    new Region(pin.to().country()))),
                    "was",
                    said(pin.value()),
                    "now",
                    said(now));
        }

        private static Message said(Optional<String> value) {
            return value.map(Message::name).orElse(Message.of("rehearsal.cannot-be-had"));
        }
    }

    /** Pinned figures that are others under a setup, in the setup's order. */
    public static List<MovedPin> moved(CompiledSetup setup) {
        Map<String, SampleOrder> baskets = setup.setup().rehearsal().baskets().stream()
                .collect(Collectors.toMap(SampleOrder::id, basket -> basket));
        List<MovedPin> moved = new ArrayList<>();
        for (Pin pin : setup.setup().rehearsal().pins()) {
            BoardCell cell = cell(setup, baskets.get(pin.basket()), pin);
            Optional<String> now = figure(cell, pin.figure());
            if (!now.equals(pin.value())) {
                moved.add(new MovedPin(pin, baskets.get(pin.basket()).name(), now, cell));
            }
        }
        return moved;
    }

    /** The cell of a pin. */
    public static BoardCell cell(CompiledSetup setup, SampleOrder basket, Pin pin) {
        Map<String, Gateway> connected = setup.setup().payment().methods().stream()
                .flatMap(method -> method.gateway().stream())
                .collect(Collectors.toMap(id -> id, id -> Gateway.LIVE, (one, other) -> one));
        Order order = SampleOrders.at(basket, pin.to(), pin.at(), connected).placed(pin.at());
        return BoardCell.of(
                setup,
                pin.outside()
                        .map(kept -> order.given(PricingContextBuilder.builder(order.outside())
                                .exchange(kept.exchange())
                                .carriers(kept.carriers())
                                .build()))
                        .orElse(order));
    }

    /** One figure of a cell as a pin keeps it; nothing where there is none, or the order cannot be had. */
    public static Optional<String> figure(BoardCell cell, Pin.Figure figure) {
        if (cell.hole().isPresent()) {
            return Optional.empty();
        }
        return switch (figure) {
            case TO_PAY -> cell.toPay().map(BigDecimal::toPlainString);
            case DELIVERY -> cell.delivery().map(BigDecimal::toPlainString);
            case TAX -> cell.tax().map(BigDecimal::toPlainString);
            case WAY -> cell.option();
            case ARRIVAL -> cell.days().map(String::valueOf);
        };
    }
}
