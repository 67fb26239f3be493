package vestcoin.core.terms;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The facts of the terms as words in a text: {@code {return-days}}, {@code {withdrawal-days}}, {@code {return-address}}
 * and {@code {who-pays}}. A text with its facts set in cannot say anything else than the settings do.
 */
public final class Facts {
    public static final Set<String> NAMES = Set.of("return-days", "withdrawal-days", "return-address", "who-pays");
    private static final Pattern BRACES = Pattern.compile("\\{([a-z-]+)}");

    private Facts() {}

    /**
     * The text with its facts set in; a fact that is not set stays in its braces. @param language BCP 47, English where
     * it is not known
     */
    public static String into(String text, Terms terms, String language) {
        return BRACES.matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(
                        fact(found.group(1), terms, language).orElse(found.group())));
    }

    /** Names in braces whose fact is not set. */
    public static Set<String> unset(String text, Terms terms) {
        return BRACES.matcher(text)
                .results()
                .map(found -> found.group(1))
                .filter(name -> NAMES.contains(name) && fact(name, terms, "en").isEmpty())
                .collect(java.util.stream.Collectors.toCollection(java.util.TreeSet::new));
    }

    private static Optional<String> fact(String name, Terms terms, String language) {
        boolean german = language.startsWith("de");
        return switch (name) {
            case "return-days" -> terms.returnDays().map(String::valueOf);
            case "withdrawal-days" -> terms.withdrawalDays().map(String::valueOf);
            case "return-address" ->
                Optional.of(String.join(", ", terms.returnAddress())).filter(address -> !address.isEmpty());
            case "who-pays" ->
                terms.returnPayer().map(payer -> Map.of(
                                Terms.Payer.BUYER,
                                german ? "Die Rücksendung bezahlen Sie." : "You pay for sending it back.",
                                Terms.Payer.SHOP,
                                german ? "Die Rücksendung bezahlen wir." : "We pay for sending it back.")
                        .get(payer));
            default -> Optional.empty();
        };
    }
}
