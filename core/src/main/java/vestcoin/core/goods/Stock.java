package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What is left, given from outside.
 *
 * @param left product, or product and variation as {@code delta-kite/large-red}, to how many are left; a key that is
 *     not there is not counted
 */
public record Stock(Map<String, BigDecimal> left) {
    public static final Stock NONE = new Stock(Map.of());

    public Stock {
        left = left == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(left));
    }

    /** How many are left of what a line asks for, if that is counted: of its variation, else of its product. */
    public Optional<BigDecimal> of(PricedLine line) {
        return Optional.ofNullable(left.get(line.stockKey()))
                .or(() -> Optional.ofNullable(left.get(line.product().id())));
    }

    /** The key a line's stock is counted under. */
    public String key(PricedLine line) {
        return left.containsKey(line.stockKey())
                ? line.stockKey()
                : line.product().id();
    }
}
