package vestcoin.core.invoice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Year;
import org.junit.jupiter.api.Test;

/** Directive 2006/112/EC, Article 59c. */
class DistanceSalesTest {
    private static DistanceSales of(String... daysAndAmounts) {
        DistanceSales sales = new DistanceSales();
        for (int i = 0; i < daysAndAmounts.length; i += 2) {
            sales.add(LocalDate.parse(daysAndAmounts[i]), new BigDecimal(daysAndAmounts[i + 1]));
        }
        return sales;
    }

    @Test
    void ten_thousand_is_within_and_a_cent_more_is_not() {
        DistanceSales.Counter at =
                of("2026-03-01", "9000.00", "2026-04-01", "1000.00").counter(Year.of(2026));
        assertThat(at.passed()).isFalse();
        assertThat(at.near()).isTrue();
        DistanceSales.Counter above =
                of("2026-03-01", "9000.00", "2026-04-01", "1000.01").counter(Year.of(2026));
        assertThat(above.passed()).isTrue();
        assertThat(above.near()).isFalse();
        assertThat(above.passedOn()).contains(LocalDate.parse("2026-04-01"));
    }

    @Test
    void once_passed_it_stays_passed_until_the_end_of_the_next_year_also_when_goods_come_back() {
        DistanceSales sales = of("2025-06-01", "10000.01", "2025-07-01", "-5000.00", "2026-02-01", "10.00");
        assertThat(sales.counter(Year.of(2025)).passed()).isTrue();
        assertThat(sales.counter(Year.of(2026)).passed()).isTrue();
        assertThat(sales.counter(Year.of(2026)).lastYear()).isEqualByComparingTo("5000.01");
        assertThat(sales.counter(Year.of(2027)).passed()).isFalse();
    }

    @Test
    void below_four_fifths_nothing_is_noted() {
        assertThat(of("2026-03-01", "7999.99").counter(Year.of(2026)).near()).isFalse();
        assertThat(of("2026-03-01", "8000.00").counter(Year.of(2026)).near()).isTrue();
        assertThat(of().counter(Year.of(2026)).thisYear()).isEqualByComparingTo("0");
    }
}
