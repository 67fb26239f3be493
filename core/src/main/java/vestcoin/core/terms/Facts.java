package vestcoin.core.terms;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.core.message.Message;

/**
 * Facts as words in a text: of the terms {@code {return-days}}, {@code {withdrawal-days}}, {@code {return-address}} and
 * {@code {who-pays}}, of the shop what begins with {@code shop-}. A text with its facts set in cannot say anything else
 * than the settings do.
 */
public final class Facts {
    public static final Set<String> NAMES = Set.of(
            "return-days",
            "withdrawal-days",
            "return-address",
            "who-pays",
            "shop-name",
            "shop-address",
            "shop-email",
            "shop-phone",
            "shop-numbers");

    /** What not every shop has: a line that names it is left out where it is not there. */
    private static final Set<String> OPTIONAL = Set.of("shop-phone", "shop-numbers");

    /** Begins the names of what is known of the shop. */
    private static final String SHOP = "shop-";

    private static final Pattern BRACES = Pattern.compile("\\{([a-z-]+)}");

    private Facts() {}

    /** Whether a fact is one of the shop rather than of its terms. */
    public static boolean ofShop(String name) {
        return name.startsWith(SHOP);
    }

    /**
     * The text with its facts set in; a fact that is not set stays in its braces, a line that names what the shop has
     * not is left out.
     *
     * @param shop what is known of the shop, by names of facts
     * @param said how a fact that is a sentence is phrased in the language of the text
     */
    public static String into(String text, Terms terms, Map<String, String> shop, Function<Message, String> said) {
        String there = text;
        for (String name : OPTIONAL) {
            if (!shop.containsKey(name)) {
                there = there.replaceAll("(?m)^.*\\{" + name + "}.*(\\R|\\z)", "");
            }
        }
        return BRACES.matcher(there)
                .replaceAll(found -> Matcher.quoteReplacement(
                        fact(found.group(1), terms, shop, said).orElse(found.group())));
    }

    /** Names in braces whose fact is not set. */
    public static Set<String> unset(String text, Terms terms, Map<String, String> shop) {
        return BRACES.matcher(text)
                .results()
                .map(found -> found.group(1))
                .filter(name -> !OPTIONAL.contains(name))
                .filter(name -> NAMES.contains(name)
                        && fact(name, terms, shop, Message::code).isEmpty())
                .collect(java.util.stream.Collectors.toCollection(java.util.TreeSet::new));
    }

    private static Optional<String> fact(
            String name, Terms terms, Map<String, String> shop, Function<Message, String> said) {
        if (ofShop(name)) {
            return Optional.ofNullable(shop.get(name));
        }
        return switch (name) {
            case "return-days" -> terms.returnDays().map(String::valueOf);
            case "withdrawal-days" -> terms.withdrawalDays().map(String::valueOf);
            case "return-address" ->
                Optional.of(String.join(", ", terms.returnAddress())).filter(address -> !address.isEmpty());
            case "who-pays" ->
                terms.returnPayer()
                        .map(payer -> payer == Terms.Payer.BUYER
                                ? Message.of("terms.buyer-pays-for-sending-back")
                                : Message.of("terms.shop-pays-for-sending-back"))
                        .map(said);
            default -> Optional.empty();
        };
    }
}
