package vestcoin.core.setup;

import java.util.List;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;

/** The Rehearsal station of a setup: baskets the seller tries it with. They decide no price. */
public record Rehearsal(List<Basket> baskets) {
    public Rehearsal {
        baskets = baskets == null ? List.of() : List.copyOf(baskets);
    }

    /** A sample order. @param to where it goes unless another place is tried */
    public record Basket(String id, String name, List<Line> lines, Destination to) {
        public Basket {
            lines = lines == null ? List.of() : List.copyOf(lines);
        }
    }
}
