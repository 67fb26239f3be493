package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.app.InEnglish;
import vestcoin.app.run.DemoShop;
import vestcoin.core.setup.ShopFacts;
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

    private static final Map<String, String> SHOP =
            ShopFacts.of(Document.parse(DemoShop.setupFile()).setup());

    /**
     * Source: Directive 2011/83/EU, Articles 9, 13, 14 and 20: the 14 days, the delivery refunded, when goods are sent
     * back; from memory.
     */
    @Test
    void the_templates_say_the_same_in_every_language_and_leave_the_facts_to_the_settings() {
        assertThat(Templates.ALL.keySet())
                .containsExactly("cancellation", "legal-notice", "privacy", "returns", "shipping", "terms-of-sale");
        Templates.ALL.forEach((kind, byLanguage) -> {
            assertThat(byLanguage.keySet()).containsExactlyInAnyOrder("en", "de", "fr", "es", "it", "nl");
            assertThat(byLanguage.values()).allSatisfy(text -> assertThat(Facts.unset(text, Terms.NONE, Map.of()))
                    .isEqualTo(Facts.unset(byLanguage.get("en"), Terms.NONE, Map.of())));
            assertThat(byLanguage.values()).allSatisfy(text -> assertThat(Facts.into(text, TERMS, SHOP, InEnglish::of))
                    .doesNotContain("{"));
        });
        assertThat(Templates.ALL.get("returns").get("en"))
                .contains("within 14 days")
                .contains("cheapest delivery");
    }

    /** Annex I(B): to whom, what, when, who, where, signed, dated. How it begins is the law's, from memory. */
    @ParameterizedTest
    @CsvSource({
        "en-IE, To Test Shop, I/We (*) hereby give notice",
        "de, An Test Shop, Hiermit widerrufe(n) ich/wir (*)",
        "fr-BE, À l’attention de Test Shop, Je/nous (*) vous notifie/notifions",
        "nl, Aan Test Shop, Ik/Wij (*) deel/delen",
        "es, A la atención de Test Shop, Por la presente le comunico",
        "it, Destinatario: Test Shop, Con la presente io/noi"
    })
    void the_model_form_has_the_lines_of_the_annex_in_every_language_buyers_read(
            String language, String first, String second) {
        assertThat(ModelForm.lines("Test Shop", language)).hasSize(8).allSatisfy(line -> assertThat(line)
                .isNotBlank());
        assertThat(ModelForm.lines("Test Shop", language).get(0)).startsWith(first);
        assertThat(ModelForm.lines("Test Shop", language).get(1)).startsWith(second);
    }
}
