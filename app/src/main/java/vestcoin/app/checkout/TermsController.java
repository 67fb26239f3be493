package vestcoin.app.checkout;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.format.Phrases;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Policies;
import vestcoin.app.setup.Templates;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Duties;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.setup.BuyerTexts;
import vestcoin.core.setup.Setup;

/**
 * What the seller needs to write the terms: templates, what a buyer would read of the draft, and what other languages
 * need.
 */
@RestController
class TermsController {
    /** A name or sentence buyers read. @param place in the setup, dots between its steps */
    record BuyerText(String place, String text) {}

    private final Drafts drafts;
    private final Clock clock;

    TermsController(Drafts drafts, Clock clock) {
        this.drafts = drafts;
        this.clock = clock;
    }

    /** Texts to start from, by kind and language. */
    @GetMapping("/api/shops/{shop}/terms/templates")
    Map<String, Map<String, String>> templates(@PathVariable String shop) {
        return Templates.ALL;
    }

    /** The draft's texts as a buyer would read them, with their facts set in. */
    @GetMapping("/api/shops/{shop}/terms/read")
    List<Policies.PolicyText> read(@PathVariable String shop, @RequestParam String language) {
        Document document = drafts.of(shop).document();
        return Policies.texts(document.setup(), document.language(language));
    }

    /** What the law of the shop's place asks, one by one; nothing where no list is known. */
    @GetMapping("/api/shops/{shop}/terms/duties")
    List<Duties.Duty> duties(@PathVariable String shop) {
        Document document = drafts.of(shop).document();
        return Duties.of(
                document.setup(), Check.of(document.compiled(), new FindingContext(clock.instant(), Map.of())));
    }

    /** Names and sentences of the draft that another language needs too. */
    @GetMapping("/api/shops/{shop}/terms/words")
    List<BuyerText> words(@PathVariable String shop) {
        return BuyerTexts.of(drafts.of(shop).document().setup()).entrySet().stream()
                .map(text -> new BuyerText(text.getKey(), text.getValue()))
                .toList();
    }

    /**
     * What counter, letters and papers say themselves.
     *
     * @param text in the shop's own language as it ships, in English where none ships
     * @param shipped by language of the shop, where one ships
     */
    record PhraseText(String code, String text, Map<String, String> shipped) {}

    /** Phrases the seller can word in each of the shop's languages; {@code terms/words} keeps them. */
    @GetMapping("/api/shops/{shop}/terms/phrases")
    List<PhraseText> phrases(@PathVariable String shop) {
        Setup setup = drafts.of(shop).document().setup();
        List<String> languages = Stream.concat(Stream.of(setup.shop().language()), setup.shop().languages().stream())
                .distinct()
                .toList();
        Map<String, String> english = Phrases.catalogue("en");
        return Phrases.forBuyers().stream()
                .sorted()
                .map(code -> {
                    Map<String, String> shipped = new TreeMap<>();
                    languages.forEach(tag ->
                            Optional.ofNullable(shippedIn(tag).get(code)).ifPresent(text -> shipped.put(tag, text)));
                    return new PhraseText(
                            code, shipped.getOrDefault(setup.shop().language(), english.get(code)), shipped);
                })
                .toList();
    }

    private static Map<String, String> shippedIn(String tag) {
        return Phrases.catalogue(Locale.forLanguageTag(tag).getLanguage());
    }
}
