package vestcoin.core.money;

import com.ibm.icu.util.Currency;
import java.math.BigDecimal;
import java.util.Map;
import java.util.Optional;

/** The smallest amounts that can be paid in coins. */
public final class CashSteps {
    /**
     * What shops of a country usually round cash to where CLDR says nothing of its currency. Common practice, no
     * source; from memory.
     */
    private static final Map<String, BigDecimal> USUAL = Map.ofEntries(
            Map.entry("IE", new BigDecimal("0.05")),
            Map.entry("NL", new BigDecimal("0.05")),
            Map.entry("BE", new BigDecimal("0.05")),
            Map.entry("FI", new BigDecimal("0.05")),
            Map.entry("IT", new BigDecimal("0.05")),
            Map.entry("SK", new BigDecimal("0.05")),
            Map.entry("EE", new BigDecimal("0.05")),
            Map.entry("LT", new BigDecimal("0.05")),
            Map.entry("AU", new BigDecimal("0.05")),
            Map.entry("NZ", new BigDecimal("0.10")));

    private CashSteps() {}

    /**
     * The step CLDR gives for cash in this currency, if it is coarser than the minor unit: 0.05 for CHF, nothing for
     * EUR.
     */
    public static Optional<BigDecimal> published(String currency) {
        Currency unit = Currency.getInstance(currency);
        BigDecimal step = BigDecimal.valueOf(unit.getRoundingIncrement(Currency.CurrencyUsage.CASH));
        if (step.signum() == 0) {
            int cash = unit.getDefaultFractionDigits(Currency.CurrencyUsage.CASH);
            int digits = Currencies.of(currency)
                    .map(found -> found.getDecimalPlaces())
                    .orElse(cash);
            return cash < digits ? Optional.of(BigDecimal.ONE.movePointLeft(cash)) : Optional.empty();
        }
        return Optional.of(step);
    }

    /** The step usual in a country, to be offered to a seller there; nothing is rounded because of it. */
    public static Optional<BigDecimal> usual(String country) {
        return Optional.ofNullable(USUAL.get(country));
    }
}
