package vestcoin.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Shops;

/**
 * Distances and postcodes of the United States against an open data set: 224 postcodes with their coordinates, every
 * 40th of North Carolina and every 250th of the other states, of the npm package {@code zipcodes} 8.0.0 (BSD).
 */
class DistancesTest {
    /** Mean radius of the earth in km, for the sphere that is compared with. Source: IUGG. */
    private static final double RADIUS = 6371.0088;

    private static final Point ASHEVILLE = new Point(new BigDecimal("35.5971"), new BigDecimal("-82.5565"));

    private record Zip(String code, String state, Point at) {}

    private static List<Zip> zips() {
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(DistancesTest.class.getResourceAsStream("zipcodes-8.0.0-sample.csv")),
                StandardCharsets.UTF_8))) {
            return reader.lines()
                    .skip(1)
                    .map(line -> line.split(","))
                    .map(cells ->
                            new Zip(cells[0], cells[1], new Point(new BigDecimal(cells[2]), new BigDecimal(cells[3]))))
                    .toList();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** Haversine, for comparison only. */
    private static double onSphere(Point a, Point b) {
        double lat1 = Math.toRadians(a.latitude().doubleValue());
        double lat2 = Math.toRadians(b.latitude().doubleValue());
        double h = Math.pow(Math.sin((lat2 - lat1) / 2), 2)
                + Math.cos(lat1)
                        * Math.cos(lat2)
                        * Math.pow(
                                Math.sin(Math.toRadians(b.longitude().doubleValue()
                                                - a.longitude().doubleValue())
                                        / 2),
                                2);
        return 2 * RADIUS * Math.asin(Math.sqrt(h));
    }

    @Test
    void the_geodesic_is_near_the_sphere_but_not_on_it() {
        double largest = 0;
        for (Zip zip : zips()) {
            double exact = ASHEVILLE.kilometresTo(zip.at()).doubleValue();
            double sphere = onSphere(ASHEVILLE, zip.at());
            assertThat(sphere).as(zip.code()).isBetween(exact * 0.994, exact * 1.006);
            largest = Math.max(largest, Math.abs(sphere - exact));
        }
        assertThat(largest).as("kilometres a sphere would be wrong by").isGreaterThan(5);
    }

    @Test
    void every_postcode_of_the_set_has_the_form_of_one_and_is_found_by_its_first_digits() {
        for (Zip zip : zips()) {
            assertThat(Countries.fits("US", zip.code())).as(zip.code()).isTrue();
            assertThat(Place.parse("US:" + zip.code().substring(0, 3))
                            .contains(Destination.of("US", zip.code() + "-1234")))
                    .as("nine digits")
                    .isTrue();
        }
    }

    /** Where the geodesic and the sphere fall on two sides of a band, the geodesic decides. */
    @Test
    void bands_of_distance_are_read_on_the_geodesic() {
        Zip far = zips().stream()
                .max(java.util.Comparator.comparing(zip -> Math.abs(onSphere(ASHEVILLE, zip.at())
                        - ASHEVILLE.kilometresTo(zip.at()).doubleValue())))
                .orElseThrow();
        BigDecimal exact = ASHEVILLE.kilometresTo(far.at());
        Shops.Maker shop = new Shops.Maker()
                .in("US", "USD")
                .taxes("US", "s", "0")
                .sells("dial", "10.00", "s", "1 lb")
                .stands(ASHEVILLE)
                .delivers("US", "van", "to " + exact.toPlainString() + " km 1.00, to 20000 km 2.00");
        Offer edge = Pricing.price(
                        shop.compiled(),
                        Shops.order(Destination.of("US", far.code()), Line.of("dial", 1))
                                .at(far.at()))
                .offers()
                .get(0);
        assertThat(((Offer.Available) edge).price().value())
                .as("the edge belongs to the band")
                .isEqualByComparingTo("1.00");
    }
}
