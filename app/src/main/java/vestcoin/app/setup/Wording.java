package vestcoin.app.setup;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import vestcoin.app.format.Phrases;
import vestcoin.core.setup.Setup;

/** What a shop says to its buyers in a language: the catalogue, and before it the seller's own wording. */
public final class Wording {
    private Wording() {}

    /** @param language BCP 47; words for {@code de} hold for {@code de-CH} too, unless that has its own */
    public static Phrases of(Setup setup, String language) {
        Map<String, Map<String, String>> words = setup.terms().words();
        Map<String, String> own =
                new HashMap<>(words.getOrDefault(Locale.forLanguageTag(language).getLanguage(), Map.of()));
        own.putAll(words.getOrDefault(language, Map.of()));
        return Phrases.in(language).worded(own, setup.shop().language());
    }
}
