package vestcoin.core.goods;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vestcoin.core.message.Message;

/**
 * How often a subscription is charged again.
 *
 * @param every above zero
 * @param on day of the month, 1 to 31, for subscriptions charged on a fixed day; a shorter month's last day stands for
 *     it
 * @param away least calendar days between the order and the first fixed day; one nearer is left out
 * @param charges after how many charges it ends, the first counted; never without it
 */
public record Renewal(int every, Unit unit, Optional<Integer> on, Optional<Integer> away, Optional<Integer> charges) {
    public enum Unit {
        DAYS,
        WEEKS,
        MONTHS,
        YEARS
    }

    public Renewal {
        on = on == null ? Optional.empty() : on;
        away = away == null ? Optional.empty() : away;
        charges = charges == null ? Optional.empty() : charges;
    }

    public Renewal(int every, Unit unit, Optional<Integer> on) {
        this(every, unit, on, Optional.empty(), Optional.empty());
    }

    /** How often, as words: every month, every two weeks, every month on a day. */
    public Message said() {
        String code = "renewal.every-" + unit.name().toLowerCase(Locale.ROOT);
        return on.map(day -> Message.of(code + "-on", "count", every, "day", day))
                .orElseGet(() -> Message.of(code, "count", every));
    }

    /**
     * The day of the charge this many after the first; nothing after the last. Each is counted from the first day,
     * never from a day that was moved to the end of a short month: from 31 January come 28 (29) February, 31 March, 30
     * April.
     *
     * @param times from 1
     */
    public Optional<LocalDate> after(LocalDate first, int times) {
        return charges.filter(most -> times >= most).isPresent()
                ? Optional.empty()
                : Optional.of(on.isPresent() ? fixed(first, on.get(), times) : counted(first, times));
    }

    /** The day of the charge after one of its charges, were there no last. */
    public LocalDate next(LocalDate charge) {
        return on.isPresent()
                ? clamped(YearMonth.from(charge).plusMonths((unit == Unit.YEARS ? 12L : 1L) * every), on.get())
                : counted(charge, 1);
    }

    /** The next charges after the first, at the same local time: as many as are asked for, or as there are. */
    public List<ZonedDateTime> next(ZonedDateTime first, int count) {
        List<ZonedDateTime> dates = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            after(first.toLocalDate(), i)
                    .ifPresent(day -> dates.add(day.atTime(first.toLocalTime()).atZone(first.getZone())));
        }
        return dates;
    }

    private LocalDate counted(LocalDate first, int times) {
        long steps = (long) every * times;
        return switch (unit) {
            case DAYS -> first.plusDays(steps);
            case WEEKS -> first.plusWeeks(steps);
            case MONTHS -> first.plusMonths(steps);
            case YEARS -> first.plusYears(steps);
        };
    }

    /**
     * The fixed day of a month: the first after the order that is far enough away, then as many months on as the
     * subscription says.
     */
    private LocalDate fixed(LocalDate first, int day, int times) {
        LocalDate earliest = first.plusDays(Math.max(1, away.orElse(1)));
        YearMonth month = YearMonth.from(earliest);
        YearMonth start = clamped(month, day).isBefore(earliest) ? month.plusMonths(1) : month;
        long months = (unit == Unit.YEARS ? 12L : 1L) * every * (times - 1);
        return clamped(start.plusMonths(months), day);
    }

    private static LocalDate clamped(YearMonth month, int day) {
        return month.atDay(Math.min(day, month.lengthOfMonth()));
    }
}
