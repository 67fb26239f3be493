package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One line of an order as the buyer put it together.
 *
 * @param product id of the product
 * @param quantity whole and above zero, or a number of steps of the product's measure
 * @param options option id to choice id, one for each option of the product
 * @param amount what the buyer gives; for donations
 */
public record Line(String product, BigDecimal quantity, Map<String, String> options, Optional<BigDecimal> amount) {
    public Line {
        options = options == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(options));
        amount = amount == null ? Optional.empty() : amount;
    }

    public Line(String product, BigDecimal quantity, Map<String, String> options) {
        this(product, quantity, options, Optional.empty());
    }

    public static Line of(String product, int quantity) {
        return new Line(product, BigDecimal.valueOf(quantity), Map.of());
    }

    public static Line of(String product, String quantity) {
        return new Line(product, new BigDecimal(quantity), Map.of());
    }

    /** Sorts lines for ties: by product, then options. */
    public String key() {
        return product + " " + options;
    }
}
