package vestcoin.core.parcel;

import java.math.BigDecimal;
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
 * @param price what one costs the seller, without the tax that is deducted, in the shop's currency
 */
public record ParcelType(
        String id,
        String name,
        Size inner,
        Size outer,
        Weight weight,
        Optional<Weight> most,
        Optional<BigDecimal> price) {
    public ParcelType {
        price = price == null ? Optional.empty() : price;
        most = most == null ? Optional.empty() : most;
    }

    /** Without what it costs. */
    public ParcelType(String id, String name, Size inner, Size outer, Weight weight, Optional<Weight> most) {
        this(id, name, inner, outer, weight, most, Optional.empty());
    }
}
