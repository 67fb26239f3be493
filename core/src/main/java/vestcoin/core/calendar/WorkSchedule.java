package vestcoin.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;

/**
 * When the shop works, as a seller sets it.
 *
 * @param days of the week; Monday to Friday unless said otherwise
 * @param cutOff from this time on an order counts from the next working day; without it none is late
 * @param closed days on which the shop is closed besides
 * @param holidays whether the public holidays of the shop's place are closed days
 * @param open days on which it works all the same, whatever weekday or holiday they are
 */
public record WorkSchedule(
        List<DayOfWeek> days, Optional<LocalTime> cutOff, List<Window> closed, boolean holidays, List<Window> open) {
    private static final List<DayOfWeek> WEEK =
            List.of(DayOfWeek.MONDAY, DayOfWeek.TUESDAY, DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY, DayOfWeek.FRIDAY);

    /** A working week with public holidays, and no order late. */
    public static final WorkSchedule USUAL = new WorkSchedule(WEEK, Optional.empty(), List.of(), true, List.of());

    public WorkSchedule {
        days = days == null || days.isEmpty() ? WEEK : List.copyOf(days);
        cutOff = cutOff == null ? Optional.empty() : cutOff;
        closed = closed == null ? List.of() : List.copyOf(closed);
        open = open == null ? List.of() : List.copyOf(open);
    }

    public WorkSchedule(List<DayOfWeek> days, Optional<LocalTime> cutOff, List<Window> closed, boolean holidays) {
        this(days, cutOff, closed, holidays, List.of());
    }
}
