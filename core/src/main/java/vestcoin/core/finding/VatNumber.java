package vestcoin.core.finding;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * The forms of VAT numbers. Source: European Commission, VIES, structure of numbers [from memory]; XI, GB, CH and NO
 * from memory.
 */
public final class VatNumber {
    private static final Map<String, Pattern> FORMS = Map.ofEntries(
            form("AT", "U\\d{8}"),
            form("BE", "[01]\\d{9}"),
            form("BG", "\\d{9,10}"),
            form("CY", "\\d{8}[A-Z]"),
            form("CZ", "\\d{8,10}"),
            form("DE", "\\d{9}"),
            form("DK", "\\d{8}"),
            form("EE", "\\d{9}"),
            form("EL", "\\d{9}"),
            form("ES", "[A-Z0-9]\\d{7}[A-Z0-9]"),
            form("FI", "\\d{8}"),
            form("FR", "[A-Z0-9]{2}\\d{9}"),
            form("HR", "\\d{11}"),
            form("HU", "\\d{8}"),
            form("IE", "\\d{7}[A-W][A-I]?|\\d[A-Z+*]\\d{5}[A-W]"),
            form("IT", "\\d{11}"),
            form("LT", "\\d{9}|\\d{12}"),
            form("LU", "\\d{8}"),
            form("LV", "\\d{11}"),
            form("MT", "\\d{8}"),
            form("NL", "[A-Z0-9]{9}B\\d{2}"),
            form("PL", "\\d{10}"),
            form("PT", "\\d{9}"),
            form("RO", "\\d{2,10}"),
            form("SE", "\\d{12}"),
            form("SI", "\\d{8}"),
            form("SK", "\\d{10}"),
            form("XI", "\\d{9}|\\d{12}|(GD|HA)\\d{3}"),
            form("GB", "\\d{9}|\\d{12}|(GD|HA)\\d{3}"));

    private VatNumber() {}

    private static Map.Entry<String, Pattern> form(String country, String form) {
        return Map.entry(country, Pattern.compile(form));
    }

    private static String plain(String number) {
        return number.toUpperCase(Locale.ROOT)
                .replaceAll("^VAT(\\s*NO\\.?)?", "")
                .replaceAll("[\\s.-]", "");
    }

    /** Whether it begins with the letters of a country whose form is known. */
    static boolean looksLikeOne(String number) {
        String plain = plain(number);
        return plain.length() > 4 && FORMS.containsKey(plain.substring(0, 2));
    }

    /** Whether what follows the two letters has that country's form. */
    public static boolean hasForm(String number) {
        String plain = plain(number);
        return plain.length() > 2
                && FORMS.containsKey(plain.substring(0, 2))
                && FORMS.get(plain.substring(0, 2)).matcher(plain.substring(2)).matches();
    }
}
