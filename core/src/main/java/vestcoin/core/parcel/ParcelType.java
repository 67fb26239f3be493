package vestcoin.core.parcel;

import java.util.Optional;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;

/**
 * A box, tube or bag the seller packs into.
 *
 * @param inner room for things
 * @param outer what a carrier measures
 * @param weight of the empty parcel
 * @param most heaviest it may be with what is in it
 */
public record ParcelType(String id, String name, Size inner, Size outer, Weight weight, Optional<Weight> most) {
    public ParcelType {
        most = most == null ? Optional.empty() : most;
    }
}
