package vestcoin.core.parcel;

import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.Size;
import vestcoin.core.why.Figure;

/**
 * One packed parcel.
 *
 * @param type nothing where the seller has no parcel types: things then travel as they are
 * @param outer size a carrier measures, if it is known
 * @param weight in kg, with the parcel's own
 * @param things what is in it
 */
public record Parcel(Optional<ParcelType> type, Optional<Size> outer, Figure weight, List<Placed> things) {
    public Parcel {
        things = List.copyOf(things);
    }

    /**
     * One thing in the parcel. All in millimetres from one inner corner; all zero where it was packed by volume or
     * weight.
     *
     * @param line index of the priced line
     */
    public record Placed(int line, int x, int y, int z, int dx, int dy, int dz) {}
}
