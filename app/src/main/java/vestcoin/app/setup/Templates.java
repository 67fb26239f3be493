package vestcoin.app.setup;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import vestcoin.app.format.Json;

/**
 * Texts of our own to start from, in every language that ships, with the facts in braces. They are no legal advice.
 * What they say of withdrawal follows Directive 2011/83/EU, Articles 9 to 16 and 20, and its Annex I; the legal notice
 * bears what Directive 2000/31/EC, Article 5, names, as far as a shop has it; the wording is ours.
 */
public final class Templates {
    private static final List<String> LANGUAGES = List.of("en", "de", "fr", "es", "it", "nl");

    /** Kind of text, then language. */
    public static final Map<String, Map<String, String>> ALL = all();

    private Templates() {}

    private static Map<String, Map<String, String>> all() {
        Map<String, Map<String, String>> all = new TreeMap<>();
        for (String language : LANGUAGES) {
            read(language).forEach((kind, text) -> all.computeIfAbsent(kind, each -> new TreeMap<>())
                    .put(language, text));
        }
        return all;
    }

    private static Map<String, String> read(String language) {
        try (InputStream file = Objects.requireNonNull(
                Templates.class.getResourceAsStream("/templates/" + language + ".json"), language)) {
            Map<String, String> texts = new TreeMap<>();
            Json.tree(new String(file.readAllBytes(), StandardCharsets.UTF_8))
                    .properties()
                    .forEach(each -> texts.put(each.getKey(), each.getValue().asString()));
            return texts;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
