package vestcoin.app.checkout;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Policies;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Duties;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.setup.BuyerTexts;
import vestcoin.core.terms.Templates;

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
}
