package vestcoin.core.money;

import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;

/** The currencies of ISO 4217 with that standard's minor units: JPY 0, EUR 2, KWD 3. */
public final class Currencies {
    private Currencies() {}

    /**
     * The currency with this three-letter code, or nothing when ISO 4217 has none or gives it no minor unit (gold, the
     * testing code).
     */
    public static Optional<CurrencyUnit> of(String code) {
        try {
            CurrencyUnit unit = CurrencyUnit.of(code);
            return unit.isPseudoCurrency() ? Optional.empty() : Optional.of(unit);
        } catch (IllegalCurrencyException e) {
            return Optional.empty();
        }
    }
}
