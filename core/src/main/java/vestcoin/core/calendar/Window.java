package vestcoin.core.calendar;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;

/**
 * Days on which something holds: from 00:00 of the first to 00:00 after the last, in the shop's time zone.
 *
 * @param from first day; without it the window has no beginning
 * @param to last day, included; without it the window has no end
 */
public record Window(Optional<LocalDate> from, Optional<LocalDate> to) {
    public Window {
        from = from == null ? Optional.empty() : from;
        to = to == null ? Optional.empty() : to;
    }

    /** Whether an instant lies within, on the calendar of this zone. */
    public boolean covers(Instant instant, ZoneId zone) {
        return holds(LocalDate.ofInstant(instant, zone));
    }

    /** Whether a day lies within. */
    public boolean holds(LocalDate day) {
        return from.map(first -> !day.isBefore(first)).orElse(true)
                && to.map(last -> !day.isAfter(last)).orElse(true);
    }

    /** Whether it ends before it begins. */
    public boolean backwards() {
        return from.isPresent() && to.isPresent() && to.get().isBefore(from.get());
    }
}
