package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.core.English;

class RateCellTest {
    @ParameterizedTest
    @CsvSource({
        "23, 23",
        "13.5 %, 13.5",
        "'2,1', 2.1",
        "0, 0",
        "GST 5 + QST 9.975, GST 5 + QST 9.975",
        "GST 5 + PST on top 10, GST 5 + PST on top 10"
    })
    void a_rate_is_read_and_printed(String typed, String printed) {
        assertThat(RateCell.print(RateCell.parse("cell", typed, "VAT").orElseThrow()))
                .isEqualTo(printed);
    }

    @Test
    void an_empty_cell_is_no_rate() {
        assertThat(RateCell.parse("cell", " ", "VAT")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"abc", "-3", "123", "5 5"})
    void what_is_no_rate_is_refused(String typed) {
        assertThatThrownBy(() -> RateCell.parse("cell", typed, "VAT")).hasMessageStartingWith("cell: ");
    }

    @Test
    void a_share_of_one_is_asked_about() {
        assertThatThrownBy(() -> RateCell.parse("cell", "0.07", "VAT"))
                .extracting(English::told, as(STRING))
                .contains("0.07 % or as 7 %");
    }
}
