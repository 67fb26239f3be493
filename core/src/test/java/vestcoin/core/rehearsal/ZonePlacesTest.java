package vestcoin.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Shops;

class ZonePlacesTest {
    private static Destination in(String region, String postcode) {
        return new Destination(region.substring(0, 2), Optional.of(region), Optional.of(postcode));
    }

    @Test
    void a_country_whose_taxes_go_by_region_is_met_in_one() {
        Shops.Maker shop = new Shops.Maker()
                .in("US", "USD")
                .taxes("US", "s", "0")
                .sells("dial", "10.00", "s", "1 lb")
                .delivers("US-NC", "post", "4")
                .delivers("US", "post", "6")
                .delivers("CA", "post", "9")
                .delivers("IE", "post", "12");
        assertThat(ZonePlaces.of(shop.compiled()))
                .contains(in("US-DC", "20001"), in("CA-ON", "K1A 0A9"), Destination.of("IE"))
                .anySatisfy(to -> assertThat(to.region()).hasValue("US-NC"))
                .doesNotContain(Destination.of("CA"));
    }
}
