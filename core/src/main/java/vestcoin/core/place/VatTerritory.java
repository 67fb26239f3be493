package vestcoin.core.place;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import vestcoin.core.place.PlaceIndex.Match;

/**
 * Where a destination stands for value added tax, which is not always its country (Directive 2006/112/EC, Articles 6 and 7).
 * The list with its sources is {@code vat-territories.tsv} beside this class. Of the bases of the United Kingdom on Cyprus,
 * treated as Cyprus, no country code or postcode is in use; of the Italian waters of Lake Lugano there is no address.
 *
 * @param state whose tax territory it is: a country code, or the id of a territory that stands outside of its country's
 * @param eu    whether it belongs to the Union's territory for the thing supplied
 * @param name  as a sentence names it
 */
public record VatTerritory(String state, boolean eu, String name) {
    private record Row(String id, String name, String standing) {}

    private static final PlaceIndex<Row> ROWS = rows();

    /** @param goods whether goods are supplied: Northern Ireland belongs to the Union's territory for goods only */
    public static VatTerritory of(Destination to, boolean goods) {
        Row row = ROWS.find(to).map(Match::value).orElse(null);
        String country = to.country();
        if (row == null) {
            return new VatTerritory(country, Groups.EU.contains(country), Countries.name(country));
        }
        if (row.standing.equals("goods")) {
            return new VatTerritory(goods ? "XI" : country, goods, row.name);
        }
        if (row.standing.startsWith("as ")) {
            String as = row.standing.substring(3);
            return new VatTerritory(as, Groups.EU.contains(as), row.name);
        }
        return new VatTerritory(row.id, false, row.name);
    }

    /** The country that levies the tax of a country: France's in Monaco, the United Kingdom's on the Isle of Man. */
    public static String authorityOf(String country) {
        return country.equals("MC") ? "FR" : country.equals("IM") ? "GB" : country;
    }

    /**
     * Whether a sale from one place to another stays within one tax territory. For a seller in Switzerland Liechtenstein and
     * Büsingen are inland (MWSTG Art. 3 [from memory]); goods between Great Britain and Northern Ireland are too.
     */
    public static boolean sameLand(Destination from, Destination to, boolean goods) {
        String one = of(from, goods).state;
        String other = of(to, goods).state;
        return one.equals(other) || swiss(one) && swiss(other) || british(one) && british(other);
    }

    private static boolean swiss(String state) {
        return state.equals("CH") || state.equals("LI") || state.equals("busingen");
    }

    private static boolean british(String state) {
        return state.equals("GB") || state.equals("XI");
    }

    private static PlaceIndex<Row> rows() {
        List<PlaceIndex.Entry<Row>> entries = new ArrayList<>();
        for (String line : Countries.resource("vat-territories.tsv")) {
            String[] cells = line.split("\t");
            entries.add(new PlaceIndex.Entry<>(cells[0], new Row(cells[0], cells[1], cells[3]), Arrays.stream(cells[2].split(" ")).map(Place::parse).toList(), List.of()));
        }
        return PlaceIndex.of(entries);
    }
}
