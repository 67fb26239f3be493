package vestcoin.core.place;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.PlaceIndex.Match;

/**
 * Where a destination stands for value added tax, which is not always its country (Directive 2006/112/EC, Articles 6
 * and 7). The list with its sources is {@code vat-territories.tsv} beside this class. Of the bases of the United
 * Kingdom on Cyprus, treated as Cyprus, no country code or postcode is in use; of the Italian waters of Lake Lugano
 * there is no address.
 *
 * @param state whose tax territory it is: a country code, or the id of a territory that stands outside of its country's
 * @param eu whether it belongs to the Union's territory for the thing supplied
 * @param name what a message names it by: a {@link Region}, or a message of its own where no country code is
 * @param rates the land whose rates hold there, named alike
 */
public record VatTerritory(String state, boolean eu, Object name, Object rates) {
    private record Row(String id, String name, List<Place> places, String standing) {
        /** A place that has a country code of its own is named by it, in every language. */
        Object said() {
            List<Place> countries =
                    places.stream().filter(Place.Country.class::isInstance).toList();
            return countries.size() == 1 ? new Region(countries.get(0).text()) : territory(id);
        }
    }

    /** A part of the territory that has rates of its own (Directive 2006/112/EC, Articles 104 and 105). */
    public record OwnRates(String id, String name, String country, List<Place> places) {
        /** As a message names it. */
        public Message said() {
            return territory(id);
        }
    }

    private static final String AS = "as ";
    private static final String OWN = "own rates";
    private static final List<Row> ALL = Countries.resource("vat-territories.tsv").stream()
            .map(VatTerritory::row)
            .toList();

    private static final PlaceIndex<Row> ROWS = rows();

    /** @param goods whether goods are supplied: Northern Ireland belongs to the Union's territory for goods only */
    public static VatTerritory of(Destination to, boolean goods) {
        Row row = ROWS.find(to).map(Match::value).orElse(null);
        String country = to.country();
        if (row == null) {
            return new VatTerritory(country, Groups.EU.contains(country), new Region(country), new Region(country));
        }
        if (row.standing.equals("goods")) {
            return new VatTerritory(goods ? "XI" : country, goods, row.said(), new Region(country));
        }
        if (row.standing.startsWith(AS)) {
            String as = as(row).country();
            return new VatTerritory(
                    as,
                    Groups.EU.contains(as),
                    row.said(),
                    as(row).postcode().isPresent() ? row.said() : new Region(as));
        }
        return row.standing.equals(OWN)
                ? new VatTerritory(country, Groups.EU.contains(country), row.said(), row.said())
                : new VatTerritory(row.id, false, row.said(), row.said());
    }

    /**
     * Where the rates of a place are looked up: a place treated as another's territory bears that one's, whatever the
     * tax book has for the place itself. France's hold in Monaco, the United Kingdom's on the Isle of Man, Austria's by
     * Jungholz's German postcode.
     */
    public static Destination ratesOf(Destination to) {
        return ROWS.find(to)
                .map(Match::value)
                .filter(row -> row.standing.startsWith(AS))
                .map(VatTerritory::as)
                .orElse(to);
    }

    /** Every place that has rates of its own within its country. */
    public static List<OwnRates> withOwnRates() {
        return ALL.stream()
                .filter(row -> row.standing.equals(OWN))
                .map(row -> new OwnRates(
                        row.id,
                        row.name,
                        Place.samples(row.places.get(0)).get(0).country(),
                        row.places))
                .toList();
    }

    /** The place a rule is about, where it is treated as another's territory. */
    public static Optional<Region> treatedAs(Place place) {
        return ALL.stream()
                .filter(row -> row.standing.startsWith(AS) && row.places.contains(place))
                .map(row -> new Region(as(row).country()))
                .findFirst();
    }

    private static Destination as(Row row) {
        String[] as = row.standing.substring(AS.length()).split(":");
        return as.length == 1 ? Destination.of(as[0]) : Destination.of(as[0], as[1]);
    }

    /**
     * Whether a sale from one place to another stays within one tax territory. For a seller in Switzerland
     * Liechtenstein and Büsingen are inland (MWSTG Art. 3 [from memory]); goods between Great Britain and Northern
     * Ireland are too.
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

    private static Message territory(String id) {
        return Message.of("territory." + id);
    }

    private static Row row(String line) {
        String[] cells = line.split("\t");
        return new Row(
                cells[0],
                cells[1],
                Arrays.stream(cells[2].split(" ")).map(Place::parse).toList(),
                cells[3]);
    }

    private static PlaceIndex<Row> rows() {
        List<PlaceIndex.Entry<Row>> entries = new ArrayList<>();
        ALL.forEach(row -> entries.add(new PlaceIndex.Entry<>(row.id, row, row.places, List.of())));
        return PlaceIndex.of(entries);
    }
}
