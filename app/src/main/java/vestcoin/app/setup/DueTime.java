package vestcoin.app.setup;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** When something is done that waits for a time of a shop's clock. */
public final class DueTime {
    private DueTime() {}

    /**
     * The instant of a time. Of one there is twice, when clocks go back, the first is meant.
     *
     * @param now which the time has to be after
     * @throws InvalidInput if there is no such time, or it is over
     */
    public static Instant of(LocalDateTime at, ZoneId zone, Instant now) {
        List<ZoneOffset> offsets = zone.getRules().getValidOffsets(at);
        if (offsets.isEmpty()) {
            throw new InvalidInput(
                    "at",
                    Message.of("setup.no-such-time-clocks-go-forward", "at", written(at)),
                    Message.of("setup.choose-a-time-an-hour-later"));
        }
        Instant due = at.atOffset(offsets.get(0)).toInstant();
        if (!due.isAfter(now)) {
            throw new InvalidInput(
                    "at",
                    Message.of("setup.time-is-over", "at", written(at)),
                    Message.of("setup.choose-a-time-to-come-or-do-it-now"));
        }
        return due;
    }

    /** A time as it is written in a sentence. */
    public static String written(LocalDateTime at) {
        return at.toString().replace('T', ' ');
    }
}
