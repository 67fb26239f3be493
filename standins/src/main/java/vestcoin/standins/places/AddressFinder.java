package vestcoin.standins.places;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Service;

/**
 * The simulated finder of addresses. It knows a handful of postal districts by the middle of their town, from memory,
 * and puts every postcode at an invented point within a kilometre and a half of it, always the same.
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

    public AddressFinder() {
        super("places", "Address finder");
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
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

    private static BigDecimal moved(double middle, int by) {
        return BigDecimal.valueOf(middle + REACH * ((by & 0xff) - 128) / 128).setScale(DIGITS, RoundingMode.HALF_UP);
    }

    @Override
    protected String controls() {
        return "<p>Knows: " + String.join(", ", DISTRICTS.keySet()) + ". Anything else it does not find.</p>";
    }
}
