package vestcoin.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The days that count at one place: of the shop, or of a carrier where a parcel arrives. */
public final class WorkDays {
    private static final Map<String, WorkDays> CARRIERS = new ConcurrentHashMap<>();

    private final Set<DayOfWeek> days;
    private final List<Window> closed;
    private final List<Window> openAllTheSame;
    private final boolean holidays;
    private final String country;
    private final Optional<String> region;
    /** The days that count, a year at a time: bit 1 is 1 January. */
    private final Map<Integer, BitSet> years = new ConcurrentHashMap<>();

    private WorkDays(WorkSchedule working, String country, Optional<String> region) {
        this.days = EnumSet.copyOf(working.days());
        this.closed = working.closed();
        this.openAllTheSame = working.open();
        this.holidays = working.holidays();
        this.country = country;
        this.region = region;
    }

    public static WorkDays of(WorkSchedule working, String country, Optional<String> region) {
        return new WorkDays(working, country, region);
    }

    /** Monday to Friday without public holidays: what carriers work. Common practice, no source. */
    public static WorkDays ofCarriers(String country, Optional<String> region) {
        return CARRIERS.computeIfAbsent(region.orElse(country), place -> of(WorkSchedule.USUAL, country, region));
    }

    public boolean works(LocalDate day) {
        return open(day.getYear()).get(day.getDayOfYear());
    }

    private BitSet open(int year) {
        BitSet known = years.get(year);
        return known != null ? known : years.computeIfAbsent(year, this::year);
    }

    private BitSet year(int year) {
        BitSet open = new BitSet();
        Set<LocalDate> off = holidays ? Holidays.of(year, country, region) : Set.of();
        LocalDate first = LocalDate.ofYearDay(year, 1);
        for (LocalDate day = first; day.getYear() == year; day = day.plusDays(1)) {
            LocalDate each = day;
            boolean usual = days.contains(day.getDayOfWeek())
                    && closed.stream().noneMatch(window -> window.holds(each))
                    && !off.contains(day);
            open.set(day.getDayOfYear(), usual || openAllTheSame.stream().anyMatch(window -> window.holds(each)));
        }
        return open;
    }

    /** The first working day that is not before this one, this year or the next; the day itself where none is. */
    public LocalDate onOrAfter(LocalDate day) {
        return from(day.getYear(), day.getDayOfYear(), day);
    }

    private LocalDate from(int year, int dayOfYear, LocalDate otherwise) {
        for (int i = 0, first = dayOfYear; i < 2; i++, first = 1) {
            int open = open(year + i).nextSetBit(first);
            if (open > 0) {
                return LocalDate.ofYearDay(year + i, open);
            }
        }
        return otherwise;
    }

    /**
     * So many working days later, the day itself not counted; for none, the first working day that is not before it.
     */
    public LocalDate plus(LocalDate day, int count) {
        LocalDate next = count == 0 ? onOrAfter(day) : day;
        for (int i = 0; i < count; i++) {
            next = from(next.getYear(), next.getDayOfYear() + 1, next.plusDays(1));
        }
        return next;
    }
}
