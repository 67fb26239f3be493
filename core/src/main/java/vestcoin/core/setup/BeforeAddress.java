package vestcoin.core.setup;

import java.util.Optional;
import vestcoin.core.place.Destination;

/**
 * What a basket is priced for until its buyer says where it goes.
 *
 * @param by how the place is found
 * @param at the place, of {@link By#ANOTHER} only
 */
public record BeforeAddress(By by, Optional<Destination> at) {
    public enum By {
        /** Where the shop is, with its region and postcode. */
        SHOP,
        /** A place the seller names. */
        ANOTHER,
        /** The country that the buyer's browser suggests by its clock, else its language; else where the shop is. */
        BROWSER,
        /** Nowhere: delivery, and tax that is added, come with the address. */
        NONE
    }

    public static final BeforeAddress SHOP = new BeforeAddress(By.SHOP, Optional.empty());

    public BeforeAddress {
        by = by == null ? By.SHOP : by;
        at = at == null ? Optional.empty() : at;
    }
}
