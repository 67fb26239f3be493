package vestcoin.core.delivery;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.calendar.WorkSchedule;

/**
 * When an order arrives.
 *
 * @param ready day it leaves
 * @param earliest day it may arrive
 * @param latest day it arrives at the latest
 * @param arrival the time, where minutes are promised
 */
public record Promise(LocalDate ready, LocalDate earliest, LocalDate latest, Optional<Arrival> arrival) {
    public Promise {
        arrival = arrival == null ? Optional.empty() : arrival;
    }

    public Promise(LocalDate ready, LocalDate earliest, LocalDate latest) {
        this(ready, earliest, latest, Optional.empty());
    }

    /** On the day, at the time. */
    public static Promise of(Arrival arrival) {
        return new Promise(
                arrival.from().toLocalDate(),
                arrival.from().toLocalDate(),
                arrival.to().toLocalDate(),
                Optional.of(arrival));
    }

    /**
     * The day goods are ready: an order from the cut-off on, or on a day the shop is closed, counts from the next
     * working day; then the preparation in working days. All on the shop's calendar.
     */
    public static LocalDate ready(Instant at, ZoneId zone, WorkSchedule working, WorkDays shop, int preparation) {
        ZonedDateTime local = at.atZone(zone);
        LocalDate day = local.toLocalDate();
        Optional<java.time.LocalTime> cutOff = working.cutOff();
        boolean late =
                shop.works(day) && cutOff.isPresent() && !local.toLocalTime().isBefore(cutOff.get());
        LocalDate counted = shop.onOrAfter(late ? day.plusDays(1) : day);
        return preparation == 0 ? counted : shop.plus(counted, preparation);
    }

    /** Arrival so many working days of the carrier after the ready day, which does not count. */
    public static Promise of(LocalDate ready, Delivery.Days transit, WorkDays carrier) {
        return new Promise(ready, carrier.plus(ready, transit.from()), carrier.plus(ready, transit.to()));
    }
}
