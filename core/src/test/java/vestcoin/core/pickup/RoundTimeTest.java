package vestcoin.core.pickup;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.calendar.WorkSchedule;
import vestcoin.core.delivery.Arrival;

/** Minutes are promised within the hours: from the order while all of them fit, else from the next opening. */
class RoundTimeTest {
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final Pickup.Minutes MINUTES = new Pickup.Minutes(Optional.of(30), 45);
    /** Monday, Wednesday and Friday afternoons. */
    private static final List<Hours> AFTERNOONS = List.of(new Hours(
            List.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY),
            LocalTime.parse("15:00"),
            LocalTime.parse("18:00")));

    private static final WorkDays ALWAYS = WorkDays.of(
            new WorkSchedule(List.of(DayOfWeek.values()), Optional.empty(), List.of(), false), "IE", Optional.empty());

    private static Optional<Arrival> at(String instant, List<Hours> hours, Optional<LocalDate> ready) {
        return RoundTime.of(MINUTES, hours, Instant.parse(instant), DUBLIN, ready, ALWAYS);
    }

    @ParameterizedTest
    @CsvSource({
        // Wednesday, 25 November 2026.
        "2026-11-25T15:20:00Z, 2026-11-25T15:50, 2026-11-25T16:05, true",
        "2026-11-25T15:20:01Z, 2026-11-25T15:51, 2026-11-25T16:06, true",
        "2026-11-25T15:00:00Z, 2026-11-25T15:30, 2026-11-25T15:45, true",
        "2026-11-25T17:15:00Z, 2026-11-25T17:45, 2026-11-25T18:00, true",
        // One minute more and it would be after closing: Friday's opening.
        "2026-11-25T17:16:00Z, 2026-11-27T15:30, 2026-11-27T15:45, false",
        "2026-11-25T09:00:00Z, 2026-11-25T15:30, 2026-11-25T15:45, false",
        "2026-11-28T09:00:00Z, 2026-11-30T15:30, 2026-11-30T15:45, false"
    })
    void it_counts_from_the_order_or_from_the_next_opening(String order, String from, String to, boolean atOnce) {
        Arrival arrival = at(order, AFTERNOONS, Optional.empty()).orElseThrow();
        assertThat(arrival.from()).isEqualTo(from);
        assertThat(arrival.to()).isEqualTo(to);
        assertThat(arrival.atOnce()).isEqualTo(atOnce);
    }

    @Test
    void without_hours_it_is_any_time_and_goods_to_be_made_ready_wait_for_their_day() {
        assertThat(at("2026-11-25T23:50:00Z", List.of(), Optional.empty()))
                .hasValueSatisfying(arrival -> assertThat(arrival.to()).isEqualTo("2026-11-26T00:35"));
        assertThat(at("2026-11-25T15:20:00Z", AFTERNOONS, Optional.of(LocalDate.parse("2026-11-26"))))
                .hasValueSatisfying(arrival -> assertThat(arrival.from()).isEqualTo("2026-11-27T15:30"));
    }

    /** Clocks go forward at 01:00 UTC on 29 March 2026 in Ireland: 00:40 and 30 minutes are 02:10. */
    @Test
    void minutes_pass_over_a_clock_change() {
        assertThat(at("2026-03-29T00:40:00Z", List.of(), Optional.empty()))
                .hasValueSatisfying(arrival -> assertThat(arrival.from()).isEqualTo("2026-03-29T02:10"));
    }

    @Test
    void hours_that_are_never_long_enough_promise_nothing() {
        List<Hours> short_ = List.of(new Hours(List.of(), LocalTime.parse("10:00"), LocalTime.parse("10:30")));
        assertThat(at("2026-11-25T09:00:00Z", short_, Optional.empty())).isEmpty();
    }
}
