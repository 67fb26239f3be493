package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What carriers ask for the parcels of an order, given from outside.
 *
 * @param amounts id of a carrier's service, or that and a dispatch place as {@code parcel-day shop}, to its price in
 *     the shop's currency
 */
public record CarrierAnswers(Map<String, BigDecimal> amounts) {
    public static final CarrierAnswers NONE = new CarrierAnswers(Map.of());

    public CarrierAnswers {
        amounts = amounts == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(amounts));
    }

    /** The answer of a service for what leaves one place; nothing when it did not answer. */
    public Optional<BigDecimal> of(String service, String dispatch) {
        return Optional.ofNullable(amounts.get(service + " " + dispatch))
                .or(() -> Optional.ofNullable(amounts.get(service)));
    }
}
