package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import vestcoin.app.format.Phrases;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.ShopFacts;
import vestcoin.core.terms.Facts;
import vestcoin.core.terms.Terms;

/** What buyers read of a shop's terms, with the facts set in. */
public final class Policies {
    /**
     * A text a buyer reads. @param hash of it, SHA-256, by which an order says what was agreed to @param agreed whether
     * it is agreed to, or only shown
     */
    public record PolicyText(String kind, String text, String hash, boolean agreed) {}

    private static final Set<String> NAMED =
            Set.of("returns", "terms-of-sale", "cancellation", Terms.SHIPPING, "privacy", "legal-notice");

    private Policies() {}

    /** In the language of the setup; a text that is not written in it is shown in one it is written in. */
    public static List<PolicyText> texts(Setup setup) {
        return texts(setup, setup.shop().language());
    }

    public static List<PolicyText> texts(Setup setup, String language) {
        List<PolicyText> texts = new ArrayList<>();
        setup.terms().texts().forEach((kind, byLanguage) -> said(byLanguage, language)
                .or(() -> byLanguage.values().stream().findFirst())
                .filter(text -> !text.isBlank())
                .ifPresent(text -> {
                    String whole =
                            Facts.into(text, setup.terms(), ShopFacts.of(setup), Wording.of(setup, language)::say);
                    texts.add(new PolicyText(
                            kind,
                            whole,
                            Document.hash(whole),
                            setup.terms().agreements().contains(kind)));
                }));
        return texts;
    }

    /** What a buyer of this setup agrees to when ordering: kinds and hashes. */
    public static Map<String, String> toAgree(Setup setup) {
        Map<String, String> agreed = new TreeMap<>();
        texts(setup).stream().filter(PolicyText::agreed).forEach(text -> agreed.put(text.kind(), text.hash()));
        return agreed;
    }

    /** What a text is called. @param language BCP 47 */
    public static String name(String kind, String language) {
        return NAMED.contains(kind) ? Phrases.in(language).say("counter.texts." + kind) : kind.replace('-', ' ');
    }

    /** Of texts by language the one for a language, or for its first part. */
    public static Optional<String> said(Map<String, String> byLanguage, String language) {
        return Optional.ofNullable(byLanguage.get(language))
                .or(() -> Optional.ofNullable(
                        byLanguage.get(Locale.forLanguageTag(language).getLanguage())));
    }
}
