package vestcoin.core.money;

import java.math.RoundingMode;

/** How an exact result becomes minor units. The setup chooses one for all its rounding points. */
public enum Rounding {
    HALF_UP(RoundingMode.HALF_UP, "half up"),
    HALF_EVEN(RoundingMode.HALF_EVEN, "half to even"),
    DOWN(RoundingMode.DOWN, "down");

    private final RoundingMode mode;
    private final String words;

    Rounding(RoundingMode mode, String words) {
        this.mode = mode;
        this.words = words;
    }

    public RoundingMode mode() {
        return mode;
    }

    public String words() {
        return words;
    }
}
