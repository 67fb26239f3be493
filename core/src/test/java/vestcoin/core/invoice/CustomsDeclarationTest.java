package vestcoin.core.invoice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.place.Destination;

/** Which parcels are declared to customs. */
class CustomsDeclarationTest {
    /**
     * Sources: Directive 2006/112/EC, Articles 5 to 8 (which territories the Union's VAT on goods leaves out); the
     * Windsor Framework for goods of Northern Ireland; the customs treaty of Switzerland and Liechtenstein of 1923. All
     * from memory.
     */
    @ParameterizedTest
    @CsvSource({
        "IE, , DE, 10115, false",
        "IE, , FR, 75001, false",
        "IE, , CH, 8001, true",
        "IE, , GB, SW1A 1AA, true",
        "IE, , GB, BT1 1AA, false",
        "DE, 10115, ES, 35001, true",
        "ES, 28001, ES, 35001, true",
        "CH, 8001, LI, 9490, false",
        "US, 97201, US, 10001, false",
        "US, 97201, DE, 10115, true",
        "DE, 10115, NO, 0150, true"
    })
    void goods_are_declared_where_they_leave_a_customs_or_tax_land(
            String from, String fromPostcode, String to, String postcode, boolean needed) {
        assertThat(CustomsDeclaration.needed(place(from, fromPostcode), place(to, postcode)))
                .isEqualTo(needed);
    }

    private static Destination place(String country, String postcode) {
        return new Destination(country, Optional.empty(), Optional.ofNullable(postcode));
    }
}
