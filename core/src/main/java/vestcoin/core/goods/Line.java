package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Map;
import java.util.TreeMap;

/**
 * One line of an order as the buyer put it together.
 *
 * @param product  id of the product
 * @param quantity whole and above zero
 * @param options  option id to choice id, one for each option of the product
 */
public record Line(String product, BigDecimal quantity, Map<String, String> options) {
    public Line {
        options = options == null ? Map.of() : java.util.Collections.unmodifiableMap(new TreeMap<>(options));
    }

    public static Line of(String product, int quantity) {
        return new Line(product, BigDecimal.valueOf(quantity), Map.of());
    }

    /** Sorts lines for ties: by product, then options. */
    public String key() {
        return product + " " + options;
    }
}
