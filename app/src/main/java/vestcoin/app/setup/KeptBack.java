package vestcoin.app.setup;

import java.time.Instant;
import java.util.List;
import vestcoin.core.problem.Problem;

/**
 * Something that was to happen at a time did not.
 *
 * @param what was to happen
 * @param at the time it was due
 * @param problems what kept it back
 */
public record KeptBack(String shop, Due what, Instant at, List<Problem> problems) {
    public enum Due {
        EDITION,
        OPENING
    }
}
