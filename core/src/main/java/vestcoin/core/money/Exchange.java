package vestcoin.core.money;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Exchange rates of one day, given from outside.
 *
 * @param base ISO 4217 code of the currency the rates are quoted against
 * @param day they were published for
 * @param rates code to units of that currency for one unit of the base, above zero
 */
public record Exchange(String base, LocalDate day, Map<String, BigDecimal> rates) {
    public Exchange {
        rates = rates == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(rates));
    }

    /** Units of a currency for one unit of the base; one for the base itself. */
    public Optional<BigDecimal> of(String currency) {
        return currency.equals(base) ? Optional.of(BigDecimal.ONE) : Optional.ofNullable(rates.get(currency));
    }
}
