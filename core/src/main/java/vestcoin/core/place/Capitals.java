package vestcoin.core.place;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A postcode of each country's capital, and the region it lies in where taxes or rates commonly differ by region: a
 * place that stands for its country where a rule goes by either. The list is {@code capitals.tsv} beside this class,
 * from memory; {@code CapitalsTest} checks forms and regions.
 */
public final class Capitals {
    private static final Map<String, Destination> ALL = new HashMap<>();

    static {
        for (String line : Countries.resource("capitals.tsv")) {
            String[] cells = line.split("\t", -1);
            ALL.put(cells[0], new Destination(cells[0], Optional.of(cells[1]), Optional.of(cells[2])));
        }
    }

    private Capitals() {}

    /** The capital of a country; nothing where it is not known. @param country ISO 3166-1 alpha-2 */
    public static Optional<Destination> of(String country) {
        return Optional.ofNullable(ALL.get(country));
    }
}
