package vestcoin.standins.taxrates;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Service;

/**
 * The simulated tax-rate service: for a country, a region and a postcode, the levies that stand on ordinary goods and,
 * where there is one, the reduced rate. The figures are from memory and may be out of date; a real service would be
 * asked for a real shop.
 */
public final class TaxRates extends Service {
    public static final String KEY = "tax-rates-test-9d41c7e8a2b35f60";

    private record Levy(String name, String percent) {}

    private record Place(List<Levy> standard, String reduced) {}

    /** Beginning of country, region and postcode to what holds there. */
    private static final Map<String, Place> PLACES = new TreeMap<>(Map.ofEntries(
            place("IE", "VAT", "23", "13.5"),
            place("DE", "VAT", "19", "7"),
            place("FR", "VAT", "20", "5.5"),
            place("NL", "VAT", "21", "9"),
            place("AT", "VAT", "20", "10"),
            place("ES", "VAT", "21", "10"),
            place("GB", "VAT", "20", "5"),
            place("CH", "VAT", "8.1", "2.6"),
            place("NO", "VAT", "25", "15"),
            Map.entry("US US-NC", new Place(List.of(new Levy("State", "4.75"), new Levy("County", "2.25")), "")),
            Map.entry(
                    "US US-NY 100",
                    new Place(
                            List.of(new Levy("State", "4"), new Levy("City", "4.5"), new Levy("District", "0.375")),
                            "")),
            Map.entry("US US-OR", new Place(List.of(), ""))));

    public TaxRates() {
        super("tax-rates", "Tax rates");
    }

    private static Map.Entry<String, Place> place(String country, String name, String standard, String reduced) {
        return Map.entry(country, new Place(List.of(new Levy(name, standard)), reduced));
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (!exchange.bearer().equals(KEY)) {
            throw new Refusal(401, "No account has this key.");
        }
        if (!exchange.path().equals("/v1/rates")) {
            throw new Refusal(404, "There is nothing here.");
        }
        String country = exchange.query("country").orElse("");
        String asked = country
                + exchange.query("region").map(region -> " " + region).orElse("")
                + exchange.query("postcode").map(postcode -> " " + postcode).orElse("");
        Place place = PLACES.entrySet().stream()
                .filter(each -> (asked + " ").startsWith(each.getKey()))
                .reduce((one, other) -> other)
                .map(Map.Entry::getValue)
                .orElseThrow(() -> new Refusal(404, "Nothing is known of this place."));
        exchange.answer(
                200,
                Map.of(
                        "standard",
                        place.standard().stream()
                                .map(levy -> Map.of("name", levy.name(), "percent", levy.percent()))
                                .toList(),
                        "reduced",
                        place.reduced()));
    }

    @Override
    protected String controls() {
        return "<p>Key of the test account: <code>" + KEY + "</code>. Knows: " + String.join(", ", PLACES.keySet())
                + ".</p>";
    }
}
