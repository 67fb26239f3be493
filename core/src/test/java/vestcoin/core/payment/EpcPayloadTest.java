package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Source: European Payments Council, EPC069-12 version 002: its fields, in their order, and its bounds, from memory.
 */
class EpcPayloadTest {
    /** The example IBAN of the registry for Germany, and the example of ISO 11649. */
    private static final String IBAN = "DE89 3704 0044 0532 0130 00";

    private static final String REFERENCE = "RF18539007547034";

    @Test
    void twelve_fields_stand_a_line_each_the_last_two_left_out() {
        assertThat(EpcPayload.of("Tern and Tether Kites Ltd", IBAN, new BigDecimal("12.5"), REFERENCE))
                .hasValue("BCD\n002\n1\nSCT\n\nTern and Tether Kites "
                        + "Ltd\nDE89370400440532013000\nEUR12.50\n\nRF18539007547034");
    }

    @ParameterizedTest
    @CsvSource({"0.00, false", "0.01, true", "999999999.99, true", "1000000000.00, false"})
    void amounts_are_from_a_cent_to_a_milliard(BigDecimal amount, boolean fits) {
        assertThat(EpcPayload.of("Kites", IBAN, amount, REFERENCE).isPresent()).isEqualTo(fits);
    }

    @ParameterizedTest
    @CsvSource({"70, true", "71, false"})
    void a_name_has_at_most_seventy_letters(int letters, boolean fits) {
        assertThat(EpcPayload.of("é".repeat(letters), IBAN, BigDecimal.ONE, REFERENCE)
                        .isPresent())
                .isEqualTo(fits);
    }

    @Test
    void the_longest_there_is_keeps_within_its_bytes() {
        String payload = EpcPayload.of("漢".repeat(70), IBAN, new BigDecimal("999999999.99"), REFERENCE)
                .orElseThrow();
        assertThat(payload.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(331);
    }

    @Test
    void what_a_bank_would_misread_is_not_written() {
        assertThat(EpcPayload.of("Kites", IBAN, BigDecimal.ONE, "RF18539007547035"))
                .as("check digits")
                .isEmpty();
        assertThat(EpcPayload.of("Kites\nEUR9999", IBAN, BigDecimal.ONE, REFERENCE))
                .as("a name of two lines")
                .isEmpty();
        assertThat(EpcPayload.of(" ", IBAN, BigDecimal.ONE, REFERENCE)).isEmpty();
        assertThat(EpcPayload.of("Kites", "", BigDecimal.ONE, REFERENCE)).isEmpty();
    }
}
