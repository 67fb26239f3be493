package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.Map;

/** Units of distance. */
final class Distance {
    /** Kilometres in one unit. Source: international yard and pound agreement of 1959, 1 mi = 1760 yd = 1.609344 km. */
    private static final Map<String, BigDecimal> KILOMETRES =
            Map.of("km", BigDecimal.ONE, "mi", new BigDecimal("1.609344"));

    private Distance() {}

    static boolean isUnit(String unit) {
        return KILOMETRES.containsKey(unit);
    }

    static BigDecimal kilometresPer(String unit) {
        return KILOMETRES.get(unit);
    }
}
