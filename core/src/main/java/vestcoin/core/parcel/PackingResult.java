package vestcoin.core.parcel;

import java.util.List;

/**
 * How things were packed.
 *
 * @param way how it was found
 */
public record PackingResult(List<Parcel> parcels, Way way) {
    public PackingResult {
        parcels = List.copyOf(parcels);
    }

    /** What the packing went by. */
    public enum Way {
        /** Nothing to pack into: all travels as one. */
        AS_IT_IS("not packed"),
        /** In three dimensions. */
        PLACED("placed in three dimensions"),
        /** By volume: too many things to place, or no place found within the count. */
        BY_VOLUME("packed by volume"),
        /** By weight only: something has no size. */
        BY_WEIGHT("packed by weight, for want of a size");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
