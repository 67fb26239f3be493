package vestcoin.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.message.Message;

class VatTerritoryTest {
    /** Source: Directive 2006/112/EC, Articles 6 and 7; the postcodes are from memory. */
    @ParameterizedTest
    @CsvSource({
        "ES, 35001, false",
        "ES, 38001, false",
        "ES, 51001, false",
        "ES, 52001, false",
        "ES, 28001, true",
        "FI, 22100, false",
        "FI, 00100, true",
        "DE, 78266, false",
        "DE, 78267, true",
        "DE, 27498, false",
        "IT, 23041, false",
        "IT, 22061, false",
        "GR, 63086, false",
        "FR, 97100, false",
        "FR, 97410, false",
        "FR, 75001, true",
        "GP, , false",
        "RE, , false",
        "MF, , false",
        "MC, 98000, true",
        "CH, 8001, false",
        "AX, 22100, false"
    })
    void the_union_for_tax_is_not_its_map(String country, String postcode, boolean inside) {
        Destination to = new Destination(country, Optional.empty(), Optional.ofNullable(postcode));
        assertThat(VatTerritory.of(to, true).eu()).isEqualTo(inside);
    }

    @Test
    void northern_ireland_is_inside_for_goods_only() {
        Destination belfast = Destination.of("GB", "BT1 5GS");
        assertThat(VatTerritory.of(belfast, true))
                .extracting(VatTerritory::eu, VatTerritory::state)
                .containsExactly(true, "XI");
        assertThat(VatTerritory.of(belfast, false).eu()).isFalse();
        assertThat(VatTerritory.of(Destination.of("GB", "B1 1AA"), true).eu()).isFalse();
        assertThat(VatTerritory.sameLand(Destination.of("GB", "M1 1AE"), belfast, true))
                .isTrue();
    }

    @Test
    void monaco_is_france_and_liechtenstein_and_busingen_are_inland_for_a_swiss_seller() {
        assertThat(VatTerritory.sameLand(Destination.of("FR", "06000"), Destination.of("MC", "98000"), true))
                .isTrue();
        assertThat(VatTerritory.sameLand(Destination.of("CH"), Destination.of("LI"), true))
                .isTrue();
        assertThat(VatTerritory.sameLand(Destination.of("CH"), Destination.of("DE", "78266"), true))
                .isTrue();
        assertThat(VatTerritory.sameLand(Destination.of("CH"), Destination.of("DE", "78267"), true))
                .isFalse();
        assertThat(VatTerritory.sameLand(Destination.of("DE"), Destination.of("DE", "78266"), true))
                .as("for a German seller Büsingen is abroad")
                .isFalse();
    }

    /**
     * Source: the documentation of GeographicLib, the geodesic from Wellington to Salamanca: 19959679.267 m [from
     * memory].
     */
    @Test
    void distances_follow_the_ellipsoid() {
        Point wellington = new Point(new BigDecimal("-41.32"), new BigDecimal("174.81"));
        Point salamanca = new Point(new BigDecimal("40.96"), new BigDecimal("-5.50"));
        assertThat(wellington.kilometresTo(salamanca)).isEqualByComparingTo("19959.679");
        assertThat(salamanca.kilometresTo(wellington)).isEqualByComparingTo("19959.679");
    }

    /**
     * One degree along the equator is a radius of 6378.137 km × π ÷ 180; along the meridian at the equator it is
     * shorter. Source: WGS 84 (NGA.STND.0036).
     */
    @Test
    void a_sphere_would_be_wrong_at_the_edge() {
        Point zero = new Point(BigDecimal.ZERO, BigDecimal.ZERO);
        assertThat(zero.kilometresTo(new Point(BigDecimal.ZERO, BigDecimal.ONE)))
                .isEqualByComparingTo("111.319");
        assertThat(zero.kilometresTo(new Point(BigDecimal.ONE, BigDecimal.ZERO)))
                .isEqualByComparingTo("110.574");
    }

    @Test
    void every_territory_of_the_list_can_be_named() {
        assertThat(Countries.resource("vat-territories.tsv"))
                .hasSizeGreaterThan(25)
                .allSatisfy(line -> {
                    Destination there = Place.samples(
                                    Place.parse(line.split("\t")[2].split(" ")[0]))
                            .get(0);
                    VatTerritory territory = VatTerritory.of(there, true);
                    assertThat(List.of(territory.name(), territory.rates()))
                            .allSatisfy(name -> assertThat(English.of(Message.of("compare.delivery", "name", name)))
                                    .as(line)
                                    .hasSizeGreaterThan("delivery, ".length() + 3)
                                    .doesNotContain("territory"));
                });
    }
}
