package vestcoin.core.pickup;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Arrival;

/**
 * When something is brought round that is promised in minutes: counted from the order if all of it fits before closing,
 * else from the next opening. Elapsed minutes, so that a clock change takes none away; begun minutes count in full.
 */
public final class RoundTime {
    /** How many days are looked ahead for an opening. */
    static final int DAYS_AHEAD = 7;

    private RoundTime() {}

    /**
     * @param hours in which it is brought; all day where there are none
     * @param ready first day the goods can be had, if they have to be made ready
     * @param works days on which the shop brings anything
     * @return nothing where no opening within a week is long enough
     */
    public static Optional<Arrival> of(
            Pickup.Minutes minutes,
            List<Hours> hours,
            Instant at,
            ZoneId zone,
            Optional<LocalDate> ready,
            WorkDays works) {
        Instant now = at.truncatedTo(ChronoUnit.MINUTES);
        ZonedDateTime asked = (now.equals(at) ? now : now.plus(Duration.ofMinutes(1))).atZone(zone);
        for (int ahead = 0; ahead <= DAYS_AHEAD; ahead++) {
            LocalDate day = asked.toLocalDate().plusDays(ahead);
            if (!works.works(day) || ready.filter(day::isBefore).isPresent()) {
                continue;
            }
            List<Hours> open = hours.isEmpty()
                    ? List.of(new Hours(List.of(), java.time.LocalTime.MIDNIGHT, java.time.LocalTime.MIDNIGHT))
                    : hours.stream()
                            .filter(span -> span.on(day))
                            .sorted(Comparator.comparing(Hours::from))
                            .toList();
            for (Hours span : open) {
                ZonedDateTime opens =
                        day.atStartOfDay().plusMinutes(span.opens()).atZone(zone);
                ZonedDateTime closes =
                        day.atStartOfDay().plusMinutes(span.closes()).atZone(zone);
                ZonedDateTime begins = asked.isAfter(opens) ? asked : opens;
                boolean fits =
                        hours.isEmpty() || !begins.plusMinutes(minutes.to()).isAfter(closes);
                if (fits && begins.isBefore(closes)) {
                    return Optional.of(new Arrival(
                            begins.plusMinutes(minutes.soonest()).toLocalDateTime(),
                            begins.plusMinutes(minutes.to()).toLocalDateTime(),
                            begins.equals(asked),
                            minutes.soonest(),
                            minutes.to()));
                }
            }
        }
        return Optional.empty();
    }
}
