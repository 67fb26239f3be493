package vestcoin.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The days that count at one place: of the shop, or of a carrier where a parcel arrives. */
public final class WorkDays {
    /** No place is closed for a year on end; a shop that says so opens never, and is asked no further. */
    private static final int MOST = 400;

    private final Set<DayOfWeek> days;
    private final List<Window> closed;
    private final boolean holidays;
    private final String country;
    private final Optional<String> region;

    private WorkDays(Set<DayOfWeek> days, List<Window> closed, boolean holidays, String country, Optional<String> region) {
        this.days = days;
        this.closed = closed;
        this.holidays = holidays;
        this.country = country;
        this.region = region;
    }

    public static WorkDays of(Working working, String country, Optional<String> region) {
        return new WorkDays(EnumSet.copyOf(working.days()), working.closed(), working.holidays(), country, region);
    }

    /** Monday to Friday without public holidays: what carriers work. Common practice, no source. */
    public static WorkDays ofCarriers(String country, Optional<String> region) {
        return of(Working.USUAL, country, region);
    }

    public boolean works(LocalDate day) {
        return days.contains(day.getDayOfWeek()) && closed.stream().noneMatch(window -> window.holds(day)) && !(holidays && Holidays.on(day, country, region));
    }

    /** The first working day that is not before this one. */
    public LocalDate onOrAfter(LocalDate day) {
        LocalDate next = day;
        for (int i = 0; i < MOST && !works(next); i++) {
            next = next.plusDays(1);
        }
        return next;
    }

    /** So many working days later, the day itself not counted; for none, the first working day that is not before it. */
    public LocalDate plus(LocalDate day, int count) {
        LocalDate next = count == 0 ? onOrAfter(day) : day;
        for (int i = 0; i < count; i++) {
            next = onOrAfter(next.plusDays(1));
        }
        return next;
    }
}
