package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.app.InEnglish;
import vestcoin.core.terms.Facts;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.TermsBuilder;

/** Texts to start from, and the law's model form. */
class TemplatesTest {
    private static final Terms TERMS = TermsBuilder.builder()
            .returnDays(Optional.of(30))
            .withdrawalDays(Optional.of(14))
            .onlineWithdrawal(true)
            .refundsDelivery(true)
            .returnAddress(List.of("7 Example Dock Road", "Galway"))
            .prior(false)
            .returnPayer(Optional.of(Terms.Payer.BUYER))
            .build();

    /**
     * Source: Directive 2011/83/EU, Articles 9, 13, 14 and 20: the 14 days, the delivery refunded, when goods are sent
     * back; from memory.
     */
    @Test
    void the_templates_say_the_same_in_both_languages_and_leave_the_facts_to_the_settings() {
        assertThat(Templates.ALL.keySet())
                .containsExactly("cancellation", "privacy", "returns", "shipping", "terms-of-sale");
        Templates.ALL.forEach((kind, byLanguage) -> {
            assertThat(byLanguage.keySet()).containsExactlyInAnyOrder("en", "de");
            assertThat(Facts.unset(byLanguage.get("en"), Terms.NONE))
                    .isEqualTo(Facts.unset(byLanguage.get("de"), Terms.NONE));
            assertThat(byLanguage.values()).allSatisfy(text -> assertThat(Facts.into(text, TERMS, InEnglish::of))
                    .doesNotContain("{"));
        });
        assertThat(Templates.ALL.get("returns").get("en"))
                .contains("within 14 days")
                .contains("cheapest delivery");
    }

    /** Annex I(B): to whom, what, when, who, where, signed, dated. */
    @Test
    void the_model_form_has_the_lines_of_the_annex_in_both_languages() {
        assertThat(ModelForm.lines("Test Shop, 1 Example Street", "en-IE"))
                .hasSize(8)
                .first()
                .isEqualTo("To Test Shop, 1 Example Street:");
        assertThat(ModelForm.lines("Test Shop", "de"))
                .hasSize(8)
                .element(1)
                .asString()
                .startsWith("Hiermit widerrufe(n) ich/wir (*)");
    }
}
