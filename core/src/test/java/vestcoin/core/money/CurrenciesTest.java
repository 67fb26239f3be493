package vestcoin.core.money;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.Currency;
import com.ibm.icu.util.Currency.CurrencyUsage;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;

class CurrenciesTest {

    /** Source: ISO 4217, list one (amendments to 2025), the minor units of these currencies, from memory. */
    @Test
    void minor_units_are_those_of_iso_4217() {
        assertThat(Currencies.of("JPY").orElseThrow().getDecimalPlaces()).isZero();
        assertThat(Currencies.of("EUR").orElseThrow().getDecimalPlaces()).isEqualTo(2);
        assertThat(Currencies.of("KWD").orElseThrow().getDecimalPlaces()).isEqualTo(3);
        assertThat(Currencies.of("HUF").orElseThrow().getDecimalPlaces()).isEqualTo(2);
        assertThat(Currencies.of("XAU")).as("gold has no minor unit").isEmpty();
        assertThat(Currencies.of("ABC")).isEmpty();
    }

    /**
     * Source: CLDR through ICU4J 79, supplemental currency data. CLDR rounds some currencies for display that ISO 4217
     * gives two or three digits; those are the ones listed, and formatting has to be told ISO's digits for them.
     */
    @Test
    void digits_differ_from_cldr_only_where_cldr_rounds_for_display() {
        List<String> differing = new ArrayList<>();
        for (CurrencyUnit unit : CurrencyUnit.registeredCurrencies()) {
            if (Currencies.of(unit.getCode()).isPresent()
                    && Currency.isAvailable(unit.getCode(), null, null)
                    && Currency.getInstance(unit.getCode()).getDefaultFractionDigits() != unit.getDecimalPlaces()) {
                differing.add(unit.getCode());
            }
        }
        assertThat(differing)
                .contains("HUF", "COP", "IDR")
                .doesNotContain("EUR", "USD", "GBP", "CHF", "JPY", "KWD", "CAD", "AUD");
    }

    /** Source: CLDR through ICU4J 79, cash rounding; it has the Swiss five-centime step and none for the euro. */
    @Test
    void cldr_knows_the_swiss_cash_step_and_none_for_the_euro() {
        assertThat(Currency.getInstance("CHF").getRoundingIncrement(CurrencyUsage.CASH))
                .isEqualTo(0.05);
        assertThat(Currency.getInstance("EUR").getRoundingIncrement(CurrencyUsage.CASH))
                .isZero();
    }
}
