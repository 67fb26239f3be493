package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CardRegionTest {
    /** That the EEA is the Union's members, Iceland, Liechtenstein and Norway: Agreement on the EEA, from memory. */
    @ParameterizedTest
    @CsvSource({
        "IE, '', HOME",
        "IE, IE, HOME",
        "IE, NO, EEA",
        "NO, IE, EEA",
        "IE, GB, ELSEWHERE",
        "IE, CH, ELSEWHERE",
        "GB, IE, ELSEWHERE",
        "US, US, HOME",
        "US, CA, ELSEWHERE"
    })
    void a_card_is_of_home_of_the_area_or_of_elsewhere(String home, String issued, CardRegion region) {
        assertThat(CardRegion.of(home, issued)).isEqualTo(region);
    }

    @Test
    void a_row_holds_until_another_is_given() {
        Payment.FeeRow area = new Payment.FeeRow(new BigDecimal("2"), new BigDecimal("0.25"));
        Payment.Fee one = new Payment.Fee(new BigDecimal("1.5"), new BigDecimal("0.20"));
        Payment.Fee two =
                new Payment.Fee(new BigDecimal("1.5"), new BigDecimal("0.20"), Optional.of(area), Optional.empty());
        BigDecimal paid = new BigDecimal("10.00");
        assertThat(one.taken(paid, CardRegion.ELSEWHERE, 2)).isEqualByComparingTo("0.35");
        assertThat(two.taken(paid, CardRegion.HOME, 2)).isEqualByComparingTo("0.35");
        assertThat(two.taken(paid, CardRegion.ELSEWHERE, 2)).isEqualByComparingTo("0.45");
        assertThat(two.taken(new BigDecimal("0.00"), CardRegion.EEA, 2)).isEqualByComparingTo("0");
        assertThat(one.taken(new BigDecimal("9.67"), CardRegion.HOME, 2))
                .as("0.34505 is rounded half up")
                .isEqualByComparingTo("0.35");
    }
}
