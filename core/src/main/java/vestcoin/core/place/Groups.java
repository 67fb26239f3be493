package vestcoin.core.place;

import com.ibm.icu.util.Region;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Named groups of countries. */
public final class Groups {
    /** Member states of the European Union since 2020-02-01. Source: Treaty on European Union, Article 52. */
    public static final Set<String> EU = Set.of(
            "AT", "BE", "BG", "CY", "CZ", "DE", "DK", "EE", "ES", "FI", "FR", "GR", "HR", "HU", "IE", "IT", "LT", "LU",
            "LV", "MT", "NL", "PL", "PT", "RO", "SE", "SI", "SK");

    /**
     * Member states whose currency is the euro, Bulgaria since 2026-01-01. Source: Council Decision (EU) 2025/1407
     * [from memory].
     */
    public static final Set<String> EURO = Set.of(
            "AT", "BE", "BG", "CY", "DE", "EE", "ES", "FI", "FR", "GR", "HR", "IE", "IT", "LT", "LU", "LV", "MT", "NL",
            "PT", "SI", "SK");

    private static final Map<String, Set<String>> ALL = new LinkedHashMap<>();

    static {
        ALL.put("EU", EU);
        ALL.put("EURO", EURO);
        ALL.put("AFRICA", continent("002"));
        ALL.put("AMERICAS", continent("019"));
        ALL.put("ASIA", continent("142"));
        ALL.put("EUROPE", continent("150"));
        ALL.put("OCEANIA", continent("009"));
        ALL.put("WORLD", new TreeSet<>(Countries.all()));
    }

    private Groups() {}

    public static boolean isGroup(String name) {
        return ALL.containsKey(name);
    }

    public static Set<String> names() {
        return ALL.keySet();
    }

    /** The countries of a group, empty for a name that is none. */
    public static Set<String> countriesOf(String name) {
        return ALL.getOrDefault(name, Set.of());
    }

    /** A continent by its UN M.49 number, as CLDR holds it. */
    private static Set<String> continent(String m49) {
        Set<String> codes = new TreeSet<>();
        for (Region territory : Region.getInstance(m49).getContainedRegions(Region.RegionType.TERRITORY)) {
            if (Countries.isCountry(territory.toString())) {
                codes.add(territory.toString());
            }
        }
        return codes;
    }
}
