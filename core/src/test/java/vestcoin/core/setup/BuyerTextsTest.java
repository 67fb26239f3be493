package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Gateway;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Shops;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.Terms.Letter;
import vestcoin.core.terms.TermsBuilder;

/** Which texts another language needs, which are lacking, and what cannot be said to a buyer. */
class BuyerTextsTest {
    private static Shops.Maker shop() {
        Product.Option size =
                new Product.Option("size", "Size", List.of(new Product.Choice("large", "Large", null, null)));
        return new Shops.Maker()
                .sells("kite", "10.00", "s", "1 kg", size)
                .delivers("IE", "post", "5.00")
                .taxes("IE", "s", "23");
    }

    private static Terms terms(
            Map<String, Map<String, Letter>> letters,
            Map<String, Map<String, String>> words,
            Map<String, Map<String, String>> texts) {
        return TermsBuilder.builder()
                .returnDays(Optional.of(30))
                .withdrawalDays(Optional.of(14))
                .onlineWithdrawal(true)
                .refundsDelivery(true)
                .returnAddress(List.of("7 Example Dock Road"))
                .texts(texts)
                .orderButton(Map.of("en", "Order and pay", "de", "Zahlungspflichtig bestellen"))
                .prior(true)
                .letters(letters)
                .words(words)
                .build();
    }

    @Test
    void every_name_and_sentence_a_buyer_reads_is_there_once_by_its_place() {
        assertThat(BuyerTexts.of(shop().setup()))
                .containsEntry("goods.products.kite.name", "kite")
                .containsEntry("goods.products.kite.options.size.name", "Size")
                .containsEntry("goods.products.kite.options.size.choices.large.name", "Large")
                .containsKey("delivery.options.post.name")
                .containsEntry("payment.methods.card.title", "Card")
                .doesNotContainKey("payment.methods.card.sentence");
    }

    @Test
    void what_another_language_lacks_is_counted() {
        Shops.Maker bilingual = shop().change(setup -> new Setup(
                ShopBuilder.builder(setup.shop())
                        .legalName("")
                        .email("a@shop.example")
                        .phone("1")
                        .currency("EUR")
                        .language("en")
                        .timeZone("Europe/Dublin")
                        .weightUnit("kg")
                        .languages(List.of("de"))
                        .build(),
                setup.goods(),
                setup.discounts(),
                setup.delivery(),
                setup.tax(),
                setup.payment(),
                setup.rehearsal(),
                setup.pickup(),
                terms(null, Map.of("de", Map.of("goods.products.kite.name", "Drachen")), null)));
        List<String> said =
                Check.of(bilingual.compiled(), new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST))).stream()
                        .filter(finding -> finding.id().equals("words-lacking"))
                        .map(Finding::sentence)
                        .map(English::of)
                        .toList();
        int all = BuyerTexts.of(bilingual.setup()).size();
        assertThat(said).containsExactly(all - 1 + " of " + all + " names and sentences are not written in de yet.");
    }

    private static void refused(Terms terms, String path, String sentence) {
        assertThatThrownBy(() -> shop().terms(terms).compiled())
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.problems())
                        .anySatisfy(problem -> {
                            assertThat(problem.path()).isEqualTo(path);
                            assertThat(English.of(problem.sentence())).contains(sentence);
                        }));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "receipt | '' | Hello {name} | subject | has no subject",
                "receipt | Order {number} | Hello | subject | “{number}” stands for nothing",
                "receipt | Order | Hello {nome} | opening | “{nome}” stands for nothing"
            })
    void a_letter_needs_a_subject_and_names_that_mean_something(
            String occasion, String subject, String opening, String part, String sentence) {
        refused(
                terms(Map.of(occasion, Map.of("en", new Letter(subject, opening))), null, null),
                "terms/letters/" + occasion + "/en/" + part,
                sentence);
    }

    @Test
    void letters_of_no_occasion_long_words_and_unknown_facts_are_refused() {
        refused(
                terms(Map.of("birthday", Map.of("en", new Letter("A", "B"))), null, null),
                "terms/letters/birthday",
                "There is no letter “birthday”");
        refused(
                terms(null, Map.of("de", Map.of("goods.products.kite.name", "x".repeat(501))), null),
                "terms/words/de/goods.products.kite.name",
                "longer than 500");
        refused(
                terms(null, null, Map.of("returns", Map.of("en", "Within {some-days} days."))),
                "terms/texts/returns/en",
                "stands for no fact");
    }

    @Test
    void a_text_is_told_which_fact_it_wants_and_where_it_contradicts_one() {
        Terms wanting = new Terms(
                Optional.empty(),
                Optional.of(14),
                true,
                true,
                List.of("A"),
                Map.of(Terms.LEGAL_NOTICE, Map.of("en", "X"), "returns", Map.of("en", "Within {return-days} days.")),
                Map.of("en", "Order and pay"),
                true);
        assertThat(found(wanting)).contains("The text wants {return-days}, which is not set.");
        Terms payer = TermsBuilder.builder()
                .returnDays(Optional.of(30))
                .withdrawalDays(Optional.of(14))
                .onlineWithdrawal(true)
                .refundsDelivery(true)
                .returnAddress(List.of("7 Example Dock Road", "Galway"))
                .texts(Map.of(
                        Terms.LEGAL_NOTICE,
                        Map.of("en", "X"),
                        "returns",
                        Map.of("en", "We pay for the return, to 7 Example Dock Road, Dublin.")))
                .orderButton(Map.of("en", "Order and pay"))
                .prior(true)
                .returnPayer(Optional.of(Terms.Payer.BUYER))
                .build();
        assertThat(found(payer))
                .contains(
                        "The text says that the shop pays for sending goods back, the setting says the other.",
                        "The text has a part of the return address, but not “Galway”.");
    }

    private static List<String> found(Terms terms) {
        return Check.of(shop().terms(terms).compiled(), new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST)))
                .stream()
                .map(Finding::sentence)
                .map(English::of)
                .toList();
    }
}
