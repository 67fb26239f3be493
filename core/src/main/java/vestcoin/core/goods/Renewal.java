package vestcoin.core.goods;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How often a subscription is charged again.
 *
 * @param every above zero
 * @param on day of the month, 1 to 31, for subscriptions charged on a fixed day; a shorter month's last day stands for
 *     it
 */
public record Renewal(int every, Unit unit, Optional<Integer> on) {
    public enum Unit {
        DAYS,
        WEEKS,
        MONTHS,
        YEARS
    }

    public Renewal {
        on = on == null ? Optional.empty() : on;
    }

    /**
     * The next charges after the first, at the same local time. Each is counted from the first day, never from a day
     * that was moved to the end of a short month: from 31 January come 28 (29) February, 31 March, 30 April.
     */
    public List<ZonedDateTime> next(ZonedDateTime first, int count) {
        List<ZonedDateTime> dates = new ArrayList<>();
        for (int i = 1; dates.size() < count; i++) {
            LocalDate day = on.isPresent() ? fixed(first.toLocalDate(), on.get(), i) : counted(first.toLocalDate(), i);
            dates.add(day.atTime(first.toLocalTime()).atZone(first.getZone()));
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

    /** The fixed day of a month: the first after the order, then as many months on as the subscription says. */
    private LocalDate fixed(LocalDate first, int day, int times) {
        YearMonth month = YearMonth.from(first);
        YearMonth start = clamped(month, day).isAfter(first) ? month : month.plusMonths(1);
        long months = (unit == Unit.YEARS ? 12L : 1L) * every * (times - 1);
        return clamped(start.plusMonths(months), day);
    }

    private static LocalDate clamped(YearMonth month, int day) {
        return month.atDay(Math.min(day, month.lengthOfMonth()));
    }
}
