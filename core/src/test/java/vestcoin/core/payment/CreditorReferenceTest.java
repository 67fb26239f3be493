package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigInteger;
import org.apache.commons.validator.routines.checkdigit.IBANCheckDigit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CreditorReferenceTest {
    /**
     * Source: ISO 11649 and the European Payments Council's guidance give RF18 5390 0754 7034 as their example [from
     * memory].
     */
    @Test
    void the_published_example() {
        assertThat(CreditorReference.of("539007547034")).isEqualTo("RF18539007547034");
        assertThat(CreditorReference.holds("RF18 5390 0754 7034")).isTrue();
        assertThat(CreditorReference.holds("RF19 5390 0754 7034")).isFalse();
        assertThat(CreditorReference.holds("RF18 5390 0754 7043"))
                .as("two digits changed places")
                .isFalse();
    }

    /**
     * ISO 7064 MOD 97-10, by hand: 794 has the check digits 44, since 79444 mod 97 is 1. Source: ISO 7064, worked
     * example [from memory].
     */
    @Test
    void the_check_is_modulo_97() {
        assertThat(new BigInteger("79444").mod(BigInteger.valueOf(97))).isEqualTo(BigInteger.ONE);
    }

    /** The same algorithm as an IBAN's (ISO 13616), so that another library's check agrees: commons-validator. */
    @ParameterizedTest
    @ValueSource(strings = {"1", "1001", "A7", "2026000117", "TT20261125X"})
    void another_library_computes_the_same_digits(String text) throws Exception {
        String reference = CreditorReference.of(text);
        assertThat(IBANCheckDigit.IBAN_CHECK_DIGIT.calculate("RF00" + text)).isEqualTo(reference.substring(2, 4));
        assertThat(CreditorReference.holds(reference)).isTrue();
    }

    @Test
    void what_is_no_reference_text_is_refused() {
        assertThatThrownBy(() -> CreditorReference.of("order 7")).isInstanceOf(IllegalArgumentException.class);
        assertThat(CreditorReference.holds("nonsense")).isFalse();
    }
}
