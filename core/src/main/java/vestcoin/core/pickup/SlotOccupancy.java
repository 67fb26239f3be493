package vestcoin.core.pickup;

import java.time.LocalDateTime;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * How many orders have taken which slot, given from outside.
 *
 * @param counts place and local start, as {@code workshop 2026-11-28T10:00}, to orders
 */
public record SlotOccupancy(Map<String, Integer> counts) {
    public static final SlotOccupancy NONE = new SlotOccupancy(Map.of());

    public SlotOccupancy {
        counts = counts == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(counts));
    }

    int of(String place, LocalDateTime start) {
        return counts.getOrDefault(key(place, start), 0);
    }

    public static String key(String place, LocalDateTime start) {
        return place + " " + start;
    }
}
