package vestcoin.core.discount;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * What has been used before, given from outside.
 *
 * @param uses discount id to how often it was used in all
 * @param usesByBuyer discount id to how often this buyer used it
 * @param orders how many orders this buyer has placed
 */
public record History(Map<String, Integer> uses, Map<String, Integer> usesByBuyer, int orders) {
    public static final History NONE = new History(Map.of(), Map.of(), 0);

    public History {
        uses = uses == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(uses));
        usesByBuyer = usesByBuyer == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(usesByBuyer));
    }
}
