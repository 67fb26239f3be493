package vestcoin.core.place;

import com.ibm.icu.util.ULocale;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/**
 * The countries of ISO 3166-1 (the JDK's list), the subdivisions of ISO 3166-2 and the forms of postcodes (both from
 * data files beside this class; {@code docs/decisions/places.md} says where they come from).
 */
public final class Countries {
    private static final Set<String> COUNTRIES = Locale.getISOCountries(Locale.IsoCountryCode.PART1_ALPHA2);
    private static final Map<String, String> NAMES = new ConcurrentHashMap<>();
    private static final Map<String, String> PARENTS = new HashMap<>();
    private static final Map<String, String> DIVISION_NAMES = new HashMap<>();
    private static final Map<String, Map<String, String>> DIVISIONS = new HashMap<>();
    private static final Map<String, Pattern> POSTCODES = new HashMap<>();

    static {
        resource("subdivisions.csv").stream().skip(1).forEach(line -> {
            String[] cells = line.split(",", 3);
            PARENTS.put(cells[0], cells[1]);
            DIVISION_NAMES.put(cells[0], cells[2].replace("\"", ""));
            if (cells[1].isEmpty()) {
                DIVISIONS
                        .computeIfAbsent(cells[0].substring(0, 2), country -> new TreeMap<>())
                        .put(cells[0], cells[2].replace("\"", ""));
            }
        });
        resource("postcode-forms.tsv").forEach(line -> {
            String[] cells = line.split("\t", 2);
            POSTCODES.put(cells[0], Pattern.compile(cells[1], Pattern.CASE_INSENSITIVE));
        });
    }

    private Countries() {}

    public static boolean isCountry(String code) {
        return COUNTRIES.contains(code);
    }

    public static Set<String> all() {
        return COUNTRIES;
    }

    /** The English name of a country as CLDR has it, or that of a subdivision as ISO 3166-2 has it. */
    public static String name(String place) {
        if (place.length() > 2) {
            return DIVISION_NAMES.getOrDefault(place, place);
        }
        return NAMES.computeIfAbsent(place, code -> ULocale.getDisplayCountry("und-" + code, ULocale.ENGLISH));
    }

    /** Names of a country's subdivisions that no other one holds, by code. */
    public static Map<String, String> divisions(String country) {
        return Collections.unmodifiableMap(DIVISIONS.getOrDefault(country, Map.of()));
    }

    public static boolean isSubdivision(String code) {
        return PARENTS.containsKey(code);
    }

    /** The subdivision that holds this one, or nothing when the country does. */
    public static Optional<String> parentOf(String subdivision) {
        return Optional.ofNullable(PARENTS.get(subdivision)).filter(parent -> !parent.isEmpty());
    }

    /** Whether a postcode has a form its country uses; a country whose form is not known accepts any. */
    public static boolean fits(String country, String postcode) {
        Pattern form = POSTCODES.get(country);
        String typed = postcode.strip().toUpperCase(Locale.ROOT);
        return form == null
                || form.matcher(typed).matches()
                || form.matcher(PostcodeRule.normal(country, typed)).matches();
    }

    /** The lines of a data file beside this class. */
    static List<String> resource(String name) {
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(Countries.class.getResourceAsStream(name)), StandardCharsets.UTF_8))) {
            return reader.lines().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
