package vestcoin.app.wording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import vestcoin.app.format.Phrases;
import vestcoin.core.setup.BuyerTexts;
import vestcoin.core.setup.Setup;

/**
 * Every text buyers read, with what the seller has said of it in each language.
 *
 * @param source the shop's own language, BCP 47
 * @param languages those a text can be said in: the shop's others, and for phrases its own too
 * @param rows in their order
 */
record WordSheet(String source, List<String> languages, List<Row> rows) {
    /** Begins the keys of phrases that counter, letters and papers say themselves. */
    static final String PHRASE = "phrases.";

    /**
     * @param key the place in the setup, or {@link #PHRASE} and the code of a phrase
     * @param text in the shop's own language; of a phrase as it ships, in English where none ships
     * @param said by language
     * @param ships languages in which it reads well without
     */
    record Row(String key, String text, Map<String, String> said, List<String> ships) {
        boolean phrase() {
            return key.startsWith(PHRASE);
        }
    }

    static WordSheet of(Setup setup) {
        String own = setup.shop().language();
        List<String> languages = Stream.concat(Stream.of(own), setup.shop().languages().stream())
                .distinct()
                .toList();
        Map<String, Map<String, String>> words = setup.terms().words();
        List<Row> rows = new ArrayList<>();
        BuyerTexts.of(setup)
                .forEach((place, text) -> rows.add(new Row(place, text, said(place, languages, words), List.of(own))));
        Map<String, Map<String, String>> shipped = new LinkedHashMap<>();
        languages.forEach(tag ->
                shipped.put(tag, Phrases.catalogue(Locale.forLanguageTag(tag).getLanguage())));
        Map<String, String> english = Phrases.catalogue("en");
        Phrases.forBuyers().stream()
                .sorted()
                .forEach(code -> rows.add(new Row(
                        PHRASE + code,
                        shipped.get(own).getOrDefault(code, english.get(code)),
                        said(PHRASE + code, languages, words),
                        languages.stream()
                                .filter(tag -> shipped.get(tag).containsKey(code))
                                .toList())));
        return new WordSheet(own, languages, List.copyOf(rows));
    }

    private static Map<String, String> said(
            String key, List<String> languages, Map<String, Map<String, String>> words) {
        Map<String, String> said = new LinkedHashMap<>();
        languages.forEach(tag -> {
            String text = words.getOrDefault(tag, Map.of()).get(key);
            if (text != null) {
                said.put(tag, text);
            }
        });
        return said;
    }
}
