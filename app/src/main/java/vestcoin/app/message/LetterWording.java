package vestcoin.app.message;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.app.format.Phrases;
import vestcoin.core.terms.Terms;

/**
 * How letters begin, by occasion and language: as the shop has worded them, else as the catalogue does, in English
 * where it has no words of the language.
 */
final class LetterWording {
    /** What ships, by occasion and language. */
    static final Map<String, Map<String, Terms.Letter>> SHIPPED = shipped();

    private static final Pattern NAMES = Pattern.compile("\\{([a-z]+)}");

    private final Terms terms;
    private final Locale locale;
    private final Phrases phrases;

    LetterWording(Terms terms, String language, Phrases phrases) {
        this.terms = terms;
        this.locale = Locale.forLanguageTag(language);
        this.phrases = phrases;
    }

    /** A subject and the paragraphs a letter begins with, all filled in. */
    record Said(String subject, List<String> paragraphs) {}

    /**
     * The beginning of a letter.
     *
     * @param values what stands in braces
     * @param named whether its reader is greeted by name
     */
    Said said(String occasion, Map<String, String> values, boolean named) {
        Terms.Letter letter = worded(occasion);
        return new Said(
                filled(named ? letter.subject() : unnamed(letter.subject()), values),
                paragraphs(filled(named ? letter.opening() : unnamed(letter.opening()), values)));
    }

    /** Whether the shop has worded the letters of an occasion itself, in whichever language. */
    boolean isOwn(String occasion) {
        return !terms.letters().getOrDefault(occasion, Map.of()).isEmpty();
    }

    private static Map<String, Map<String, Terms.Letter>> shipped() {
        Map<String, Map<String, Terms.Letter>> all = new TreeMap<>();
        for (String occasion : Terms.Letter.OCCASIONS) {
            Map<String, Terms.Letter> byLanguage = new TreeMap<>();
            Phrases.FOR_BUYERS.forEach(language -> byLanguage.put(language, shipped(occasion, language)));
            all.put(occasion, byLanguage);
        }
        return all;
    }

    /** The wording of the catalogue, its places still open. */
    private static Terms.Letter shipped(String occasion, String language) {
        Map<String, String> patterns = Phrases.catalogue(language);
        Map<String, String> known =
                patterns.containsKey("letter." + occasion + ".subject") ? patterns : Phrases.catalogue("en");
        return new Terms.Letter(
                known.get("letter." + occasion + ".subject"), known.get("letter." + occasion + ".opening"));
    }

    private Terms.Letter worded(String occasion) {
        Map<String, Terms.Letter> own = terms.letters().getOrDefault(occasion, Map.of());
        return Optional.ofNullable(own.get(locale.toLanguageTag()))
                .or(() -> Optional.ofNullable(own.get(locale.getLanguage())))
                .orElseGet(() -> shippedHere(occasion));
    }

    private Terms.Letter shippedHere(String occasion) {
        Terms.Letter letter = shipped(occasion, locale.getLanguage());
        Map<String, String> worded = phrases.own();
        letter = new Terms.Letter(
                worded.getOrDefault("letter." + occasion + ".subject", letter.subject()),
                worded.getOrDefault("letter." + occasion + ".opening", letter.opening()));
        return phrases.language().equals(Phrases.BRACKETED)
                ? new Terms.Letter("[" + letter.subject() + "]", "[" + letter.opening() + "]")
                : letter;
    }

    private static String unnamed(String text) {
        return text.replaceAll(",?\\s*\\{name}", "");
    }

    private static List<String> paragraphs(String text) {
        return Arrays.stream(text.split("\\R\\s*\\R"))
                .map(String::strip)
                .filter(paragraph -> !paragraph.isEmpty())
                .toList();
    }

    private static String filled(String text, Map<String, String> values) {
        return NAMES.matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(values.getOrDefault(found.group(1), found.group())));
    }
}
