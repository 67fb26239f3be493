package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Accounts of countries whose banks have no IBAN. */
class AccountFormTest {
    /**
     * Sources, from memory: the American Bankers Association's routing number policy (021000021 and 011401533 are
     * printed as examples in many handbooks); BSB by AusPayNet; transit and institution by Payments Canada; bank
     * account numbers by Payments NZ; IFSC by the Reserve Bank of India.
     */
    @ParameterizedTest
    @CsvSource({
        "US, 021000021, 123456789, true",
        "US, 0110-0001-5, 1234, true",
        "US, 021000022, 123456789, false",
        "US, 000000000, 123456789, false",
        "US, 021000021, 123, false",
        "US, '', 123456789, false",
        "CA, 00011-001, 1234567, true",
        "CA, 0001100, 1234567, false",
        "AU, 062-000, 12345678, true",
        "AU, 62-000, 12345678, false",
        "NZ, '', 01-0902-0068389-00, true",
        "NZ, 01, 01-0902-0068389-00, false",
        "IN, SBIN0001234, 12345678901, true",
        "IN, SBIN1001234, 12345678901, false",
        "ZA, 250 655, 62001234567, true",
        "JP, Example Bank (0001), Branch 100 1234567, true"
    })
    void an_account_has_the_parts_of_its_country(String country, String branch, String number, boolean fits) {
        assertThat(AccountForm.of(country).fits(new Payment.BankAccount("", "Test", "", branch, number)))
                .isEqualTo(fits);
    }

    @Test
    void an_iban_is_shown_in_groups_and_goes_before_all_else() {
        assertThat(new Payment.BankAccount("IE29AIBK93115212345678", "Test", "", "1", "2").parts("US"))
                .extracting(AccountForm.Part::value)
                .containsExactly("IE29 AIBK 9311 5212 3456 78");
        assertThat(new Payment.BankAccount("", "Test", "", "021000021", "123456").parts("US"))
                .extracting(part -> part.name().code())
                .containsExactly("account.routing-number", "account.number");
        assertThat(new Payment.BankAccount("", "Test", "", "", "01-0902-0068389-00").parts("NZ"))
                .extracting(part -> part.name().code())
                .containsExactly("account.number");
    }
}
