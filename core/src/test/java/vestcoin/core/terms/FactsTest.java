package vestcoin.core.terms;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;

class FactsTest {
    private static final Terms TERMS = TermsBuilder.builder()
            .returnDays(Optional.of(30))
            .withdrawalDays(Optional.of(14))
            .onlineWithdrawal(true)
            .refundsDelivery(true)
            .returnAddress(List.of("7 Example Dock Road", "Galway"))
            .prior(false)
            .returnPayer(Optional.of(Terms.Payer.BUYER))
            .build();

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Within {return-days} days, to {return-address}. {who-pays} | Within 30 days, to 7 Example "
                        + "Dock Road, Galway. You pay for sending it back.",
                "Binnen {withdrawal-days} Tagen. {who-pays} | Binnen 14 Tagen. You pay for sending it back.",
                "Nothing {of} this kind | Nothing {of} this kind"
            })
    void facts_are_set_into_a_text(String text, String whole) {
        assertThat(Facts.into(text, TERMS, Map.of(), English::of)).isEqualTo(whole);
    }

    @Test
    void a_line_that_names_what_the_shop_has_not_is_left_out_and_nothing_else_is_touched() {
        String notice = "{shop-name}\r\nTelephone: {shop-phone}\r\nE-mail: {shop-email}\r\nNumbers: {shop-numbers}";
        assertThat(Facts.into(
                        notice, TERMS, Map.of("shop-name", "Test shop", "shop-email", "a@test.example"), English::of))
                .isEqualTo("Test shop\r\nE-mail: a@test.example\r\n");
        assertThat(Facts.into("Kept as it is.\r\n\n", TERMS, Map.of(), English::of))
                .isEqualTo("Kept as it is.\r\n\n");
        assertThat(Facts.unset(notice, TERMS, Map.of())).containsExactly("shop-email", "shop-name");
    }

    @Test
    void a_fact_that_is_not_set_stays_in_sight_and_is_named() {
        assertThat(Facts.into("Within {return-days} days. {who-pays}", Terms.NONE, Map.of(), English::of))
                .isEqualTo("Within {return-days} days. {who-pays}");
        assertThat(Facts.unset("Within {return-days} days. {who-pays} {other}", Terms.NONE, Map.of()))
                .containsExactly("return-days", "who-pays");
        assertThat(Facts.unset("Within {return-days} days. {who-pays}", TERMS, Map.of()))
                .isEmpty();
    }
}
