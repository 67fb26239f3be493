package vestcoin.standins.places;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Service;

/**
 * The simulated finder of addresses. It knows a handful of postal districts by the middle of their town, from memory,
 * and puts every postcode at an invented point within a kilometre and a half of it, always the same. Its streets are
 * invented, too: every house of each can be found.
 */
public final class AddressFinder extends Service {
    private static final double REACH = 0.013;
    private static final int DIGITS = 6;

    /** Country and beginning of the postcode to latitude and longitude. */
    private static final Map<String, double[]> DISTRICTS = new TreeMap<>(Map.of(
            "IE H91",
            new double[] {53.274, -9.049},
            "IE D02",
            new double[] {53.338, -6.252},
            "IE T12",
            new double[] {51.897, -8.470},
            "IE F92",
            new double[] {54.955, -7.734},
            "GB BT1",
            new double[] {54.600, -5.928},
            "DE 101",
            new double[] {52.531, 13.384},
            "CH 800",
            new double[] {47.373, 8.541},
            "ES 35",
            new double[] {28.124, -15.430},
            "US 288",
            new double[] {35.595, -82.551},
            "US 100",
            new double[] {40.750, -73.994}));

    /** Districts to their town, with a region where addresses name one, and the end of a postcode there. */
    private static final Map<String, Town> TOWNS = new TreeMap<>(Map.of(
            "IE H91", new Town("Galway", "", " X2A0"),
            "IE D02", new Town("Dublin 2", "", " X2A0"),
            "IE T12", new Town("Cork", "", " X2A0"),
            "GB BT1", new Town("Belfast", "", " 1AA"),
            "DE 101", new Town("Berlin", "", "15"),
            "CH 800", new Town("Zürich", "", "1"),
            "ES 35", new Town("Las Palmas de Gran Canaria", "", "001"),
            "US 288", new Town("Asheville", "US-NC", "01"),
            "US 100", new Town("New York", "US-NY", "01")));

    private static final Map<String, List<String>> STREETS = Map.of(
            "DE", List.of("Musterstraße", "Drachenweg", "Am Beispielhafen"),
            "CH", List.of("Musterstrasse", "Drachenweg", "Beispielgasse"),
            "ES", List.of("Calle del Ejemplo", "Paseo de la Cometa"));

    private static final List<String> ENGLISH = List.of("Example Street", "Harbour Row", "Kite Lane");
    /** Where the house's number stands before the street. */
    private static final Set<String> NUMBER_FIRST = Set.of("IE", "GB", "US");

    private static final Pattern HOUSE =
            Pattern.compile("(?:^|\\s)(\\d{1,4}[a-z]?)(?=\\s|$)", Pattern.CASE_INSENSITIVE);
    private static final int MOST = 5;

    private record Town(String name, String region, String postcodeEnd) {}

    public AddressFinder() {
        super("places", "Address finder");
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (exchange.path().equals("/v1/addresses")) {
            exchange.answer(
                    200,
                    addresses(
                            exchange.query("country").orElse(""),
                            exchange.query("text").orElse("").strip()));
            return;
        }
        if (!exchange.path().equals("/v1/point")) {
            throw new Refusal(404, "There is nothing here.");
        }
        String postcode =
                exchange.query("postcode").orElse("").toUpperCase(Locale.ROOT).replaceAll("[^0-9A-Z]", "");
        String asked = exchange.query("country").orElse("") + " " + postcode;
        double[] middle = DISTRICTS.entrySet().stream()
                .filter(district -> asked.startsWith(district.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> new Refusal(404, "This place is not known."));
        int hash = asked.hashCode();
        exchange.answer(200, Map.of("latitude", moved(middle[0], hash), "longitude", moved(middle[1], hash >>> 16)));
    }

    /** Houses whose street begins with what was typed, its number aside; the number is taken as it is. */
    private static List<Map<String, String>> addresses(String country, String text) {
        Matcher house = HOUSE.matcher(text);
        String number = house.find() ? house.group(1) : "1";
        String street =
                HOUSE.matcher(text).replaceAll(" ").replace(",", " ").strip().toLowerCase(Locale.ROOT);
        if (street.length() < 2) {
            return List.of();
        }
        return STREETS.getOrDefault(country, ENGLISH).stream()
                .filter(name -> name.toLowerCase(Locale.ROOT).startsWith(street))
                .flatMap(name -> TOWNS.entrySet().stream()
                        .filter(town -> town.getKey().startsWith(country + " "))
                        .map(town -> Map.of(
                                "street",
                                NUMBER_FIRST.contains(country) ? number + " " + name : name + " " + number,
                                "city",
                                town.getValue().name(),
                                "postcode",
                                town.getKey().substring(country.length() + 1)
                                        + town.getValue().postcodeEnd(),
                                "region",
                                town.getValue().region())))
                .limit(MOST)
                .toList();
    }

    private static BigDecimal moved(double middle, int by) {
        return BigDecimal.valueOf(middle + REACH * ((by & 0xff) - 128) / 128).setScale(DIGITS, RoundingMode.HALF_UP);
    }

    @Override
    protected String controls() {
        return "<p>Knows: " + String.join(", ", DISTRICTS.keySet()) + ". Anything else it does not find. "
                + "Proposes: " + String.join(", ", ENGLISH) + " and others.</p>";
    }
}
