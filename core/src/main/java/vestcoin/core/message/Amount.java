package vestcoin.core.message;

import java.math.BigDecimal;
import java.util.Objects;

/**
 * An amount of money named in a message.
 *
 * @param value with the currency's decimals
 * @param currency ISO 4217
 */
public record Amount(BigDecimal value, String currency) {
    public Amount {
        Objects.requireNonNull(value);
        Objects.requireNonNull(currency);
    }
}
