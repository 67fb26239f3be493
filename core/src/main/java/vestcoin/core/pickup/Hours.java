package vestcoin.core.pickup;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;

/**
 * A span of a day on which a place is open.
 *
 * @param days of the week; every day when empty
 * @param from opening, on the place's clock
 * @param to closing; midnight stands for the end of the day
 */
public record Hours(List<DayOfWeek> days, LocalTime from, LocalTime to) {
    public Hours {
        days = days == null ? List.of() : List.copyOf(days);
    }

    boolean on(LocalDate day) {
        return days.isEmpty() || days.contains(day.getDayOfWeek());
    }

    /** Minutes of the day. */
    int opens() {
        return from.toSecondOfDay() / 60;
    }

    /** Minutes of the day; the end of the day for midnight. */
    int closes() {
        return to.equals(LocalTime.MIDNIGHT) ? 24 * 60 : to.toSecondOfDay() / 60;
    }

    /** Whether it closes after it opens. */
    public boolean forwards() {
        return from != null && to != null && closes() > opens();
    }
}
