package vestcoin.app.rehearsal;

import java.time.Instant;
import java.util.Optional;
import vestcoin.app.format.OrderFile;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Stock;
import vestcoin.core.pickup.SlotOccupancy;
import vestcoin.core.quote.Order;

/** Orders that were taken, to be asked again: what was left, taken and used up then is left aside. */
final class OrdersAgain {
    private OrdersAgain() {}

    /** @param asOf an instant it is placed at instead of its own */
    static Order of(String document, Optional<Instant> asOf) {
        Order order = OrderFile.parse(document);
        Order alone =
                order.after(History.NONE).given(order.outside().with(Stock.NONE).with(SlotOccupancy.NONE));
        return asOf.map(alone::placed).orElse(alone);
    }
}
