package vestcoin.core.discount;

import java.util.Collections;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * What has been used before, given from outside.
 *
 * @param uses discount id to how often it was used in all
 * @param usesByBuyer discount id to how often this buyer used it
 * @param orders how many orders this buyer has placed
 * @param singleUse codes among those typed that are good for one order and were not used, in capitals, to the id of the
 *     discount each is for
 */
public record History(
        Map<String, Integer> uses, Map<String, Integer> usesByBuyer, int orders, Map<String, String> singleUse) {
    public static final History NONE = new History(Map.of(), Map.of(), 0);

    public History(Map<String, Integer> uses, Map<String, Integer> usesByBuyer, int orders) {
        this(uses, usesByBuyer, orders, Map.of());
    }

    public History {
        uses = uses == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(uses));
        usesByBuyer = usesByBuyer == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(usesByBuyer));
        singleUse = singleUse == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(singleUse));
    }

    /** The same with codes that are good for one order. */
    public History with(Map<String, String> codes) {
        return new History(uses, usesByBuyer, orders, codes);
    }

    /** A code as codes are compared. */
    public static String normal(String code) {
        return code.strip().toUpperCase(Locale.ROOT);
    }
}
