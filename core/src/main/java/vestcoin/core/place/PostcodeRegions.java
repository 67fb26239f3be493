package vestcoin.core.place;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Which region a postcode lies in, for the countries whose postcodes tell: the United States and Canada. The list is
 * {@code postcode-regions.tsv} beside this class; {@code docs/decisions/places.md} says where it comes from.
 */
final class PostcodeRegions {
    private static final int LONGEST = 5;
    private static final Map<String, String> REGIONS = new HashMap<>();

    static {
        for (String line : Countries.resource("postcode-regions.tsv")) {
            String[] cells = line.split("\t");
            for (String codes : cells[1].split(" ")) {
                put(cells[0], codes);
            }
        }
    }

    private PostcodeRegions() {}

    private static void put(String region, String codes) {
        String country = region.substring(0, 2);
        int dots = codes.indexOf("..");
        if (dots < 0) {
            REGIONS.put(country + codes, region);
            return;
        }
        for (int code = Integer.parseInt(codes.substring(0, dots));
                code <= Integer.parseInt(codes.substring(dots + 2));
                code++) {
            REGIONS.put(country + String.format("%0" + dots + "d", code), region);
        }
    }

    /** @param code as rules compare it */
    static Optional<String> of(String country, String code) {
        if (!country.equals("US") && !country.equals("CA")) {
            return Optional.empty();
        }
        for (int n = Math.min(code.length(), LONGEST); n > 0; n--) {
            String region = REGIONS.get(country + code.substring(0, n));
            if (region != null) {
                return Optional.of(region);
            }
        }
        return Optional.empty();
    }
}
