package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Source: Swiss Implementation Guidelines for the QR-bill, version 2.3 (SIX): its example accounts, references and
 * fields, from memory.
 */
class SwissPayloadTest {
    private static final SwissPayload.Creditor CREDITOR =
            new SwissPayload.Creditor("Blaumeise Puppenbühne", "Beispielgasse 7", "4051", "Basel", "CH");
    /** The guidelines' example of a QR-IBAN, and of an IBAN. */
    private static final String QR_IBAN = "CH44 3199 9123 0008 8901 2";

    private static final String IBAN = "CH58 0079 1123 0008 8901 2";
    private static final BigDecimal AMOUNT = new BigDecimal("1949.75");

    @Test
    void the_published_references_hold_and_wrong_ones_do_not() {
        assertThat(SwissPayload.holds("21 00000 00003 13947 14300 09017")).isTrue();
        assertThat(SwissPayload.holds("21 00000 00003 13947 14300 09018")).isFalse();
        assertThat(SwissPayload.holds("12 00000 00003 13947 14300 09017")).isFalse();
        assertThat(SwissPayload.holds("RF18539007547034")).isFalse();
    }

    @Test
    void accounts_for_references_of_their_own_are_told_by_their_institution() {
        assertThat(SwissPayload.isQrIban(QR_IBAN)).isTrue();
        assertThat(SwissPayload.isQrIban(IBAN)).isFalse();
        assertThat(SwissPayload.isQrIban("DE89 3704 0044 0532 0130 00")).isFalse();
    }

    @Test
    void an_order_gets_the_reference_its_account_takes() {
        assertThat(SwissPayload.reference(QR_IBAN, "1007"))
                .hasSize(27)
                .startsWith("0000000000000000000000")
                .contains("1007")
                .satisfies(
                        reference -> assertThat(SwissPayload.holds(reference)).isTrue());
        assertThat(SwissPayload.reference(IBAN, "1007")).isEqualTo(CreditorReference.of("1007"));
    }

    @Test
    void thirty_one_fields_stand_a_line_each() {
        List<String> lines = SwissPayload.of(CREDITOR, QR_IBAN, AMOUNT, "CHF", "210000000003139471430009017")
                .orElseThrow()
                .lines()
                .toList();
        assertThat(lines)
                .hasSize(31)
                .startsWith(
                        "SPC",
                        "0200",
                        "1",
                        "CH4431999123000889012",
                        "S",
                        "Blaumeise Puppenbühne",
                        "Beispielgasse 7",
                        "",
                        "4051",
                        "Basel",
                        "CH");
        assertThat(lines.subList(11, 18)).containsOnly("");
        assertThat(lines.subList(18, 20)).containsExactly("1949.75", "CHF");
        assertThat(lines.subList(20, 27)).containsOnly("");
        assertThat(lines.subList(27, 31)).containsExactly("QRR", "210000000003139471430009017", "", "EPD");
    }

    @Test
    void an_ordinary_account_takes_a_creditor_reference_and_no_other() {
        assertThat(SwissPayload.of(CREDITOR, IBAN, AMOUNT, "CHF", "RF18 5390 0754 7034"))
                .hasValueSatisfying(payload -> assertThat(payload).contains("\nSCOR\nRF18539007547034\n"));
        assertThat(SwissPayload.of(CREDITOR, IBAN, AMOUNT, "CHF", "210000000003139471430009017"))
                .isEmpty();
        assertThat(SwissPayload.of(CREDITOR, QR_IBAN, AMOUNT, "CHF", "RF18 5390 0754 7034"))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "0.00, CHF, false",
        "0.01, CHF, true",
        "999999999.99, EUR, true",
        "1000000000.00, CHF, false",
        "5.00, USD, false"
    })
    void amounts_and_currencies_have_bounds(BigDecimal amount, String currency, boolean fits) {
        assertThat(SwissPayload.of(CREDITOR, IBAN, amount, currency, "RF18539007547034")
                        .isPresent())
                .isEqualTo(fits);
    }

    @Test
    void accounts_elsewhere_and_addresses_that_are_not_whole_have_none() {
        assertThat(SwissPayload.of(CREDITOR, "DE89 3704 0044 0532 0130 00", AMOUNT, "CHF", "RF18539007547034"))
                .isEqualTo(Optional.empty());
        assertThat(SwissPayload.of(
                        new SwissPayload.Creditor("Blaumeise", "", "", "Basel", "CH"),
                        IBAN,
                        AMOUNT,
                        "CHF",
                        "RF18539007547034"))
                .isEmpty();
        assertThat(SwissPayload.of(
                        new SwissPayload.Creditor("x".repeat(71), "", "4051", "Basel", "CH"),
                        IBAN,
                        AMOUNT,
                        "CHF",
                        "RF18539007547034"))
                .isEmpty();
    }
}
