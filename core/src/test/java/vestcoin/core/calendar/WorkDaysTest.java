package vestcoin.core.calendar;

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
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Promise;

/**
 * Which days count. Holidays, each against its law: Ireland, Organisation of Working Time Act 1997, Second Schedule;
 * United States, 5 U.S.C. § 6103; Germany, Einigungsvertrag Art. 2(2); Bavaria and Basel-Stadt by their own acts [all
 * from memory]. Easter 2026 is 5 April.
 */
class WorkDaysTest {
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final WorkSchedule UNTIL_TWO =
            new WorkSchedule(null, Optional.of(LocalTime.of(14, 0)), List.of(), true);

    @ParameterizedTest
    @CsvSource({
        "IE, , 2026-02-02, false",
        "IE, , 2026-03-17, false",
        "IE, , 2026-04-03, true",
        "IE, , 2026-04-06, false",
        "IE, , 2026-05-04, false",
        "IE, , 2026-10-26, false",
        "IE, , 2026-12-25, false",
        "IE, , 2026-12-24, true",
        "US, , 2026-11-26, false",
        "DE, , 2026-10-03, false",
        "DE, , 2026-05-14, false",
        "DE, DE-BY, 2026-01-06, false",
        "DE, DE-BE, 2026-01-06, true",
        "CH, CH-BS, 2026-05-01, false",
        "IE, , 2026-11-28, false",
        "IE, , 2026-11-25, true",
        "AQ, , 2026-12-25, true"
    })
    void public_holidays_and_weekends_do_not_count(String country, String region, LocalDate day, boolean works) {
        assertThat(WorkDays.ofCarriers(country, Optional.ofNullable(region)).works(day))
                .isEqualTo(works);
    }

    /**
     * Japan: Act on National Holidays, as in force since 2022; the Emperor's birthday is 23 February. Cyprus keeps the
     * Orthodox Easter, 12 April 2026. Iceland: Good Friday and Ascension are days off, 1 March is none [all from
     * memory]. The npm set `date-holidays` 3.37.0 agrees, but for the Sundays and for the Cypriot Whit Monday, which it
     * has not.
     */
    @ParameterizedTest
    @CsvSource({
        "JP, 2026-02-23",
        "JP, 2026-03-20",
        "JP, 2026-05-06",
        "JP, 2026-09-21",
        "JP, 2026-09-22",
        "JP, 2026-09-23",
        "JP, 2026-10-12",
        "JP, 2027-02-23",
        "JP, 2027-03-22",
        "JP, 2027-09-23",
        "CY, 2026-02-23",
        "CY, 2026-04-10",
        "CY, 2026-04-13",
        "CY, 2027-05-03",
        "IS, 2026-04-03",
        "IS, 2026-05-14",
        "IS, 2026-08-03",
        "MX, 2026-11-16",
        "LT, 2026-12-24"
    })
    void holidays_the_library_has_not(String country, LocalDate day) {
        assertThat(WorkDays.ofCarriers(country, Optional.empty()).works(day)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "JP, 2026-12-23",
        "JP, 2027-12-23",
        "CY, 2026-04-06",
        "IS, 2026-12-01",
        "IS, 2026-02-18",
        "MX, 2027-12-24",
        "NL, 2026-05-05"
    })
    void days_the_library_takes_for_holidays(String country, LocalDate day) {
        assertThat(WorkDays.ofCarriers(country, Optional.empty()).works(day)).isTrue();
    }

    private static LocalDate ready(String at, WorkSchedule working, int preparation) {
        return Promise.ready(
                Instant.parse(at), DUBLIN, working, WorkDays.of(working, "IE", Optional.empty()), preparation);
    }

    @Test
    void from_the_cut_off_instant_on_an_order_is_late() {
        assertThat(ready("2026-11-25T13:59:59Z", UNTIL_TWO, 0)).isEqualTo("2026-11-25");
        assertThat(ready("2026-11-25T14:00:00Z", UNTIL_TWO, 0)).isEqualTo("2026-11-26");
        assertThat(ready("2026-07-24T13:30:00Z", UNTIL_TWO, 0))
                .as("14:30 in Dublin's summer, a Friday: counts from Monday")
                .isEqualTo("2026-07-27");
    }

    @Test
    void an_order_on_a_closed_day_counts_from_the_next_working_day() {
        assertThat(ready("2026-11-28T10:00:00Z", UNTIL_TWO, 0)).as("a Saturday").isEqualTo("2026-11-30");
        assertThat(ready("2026-12-25T16:00:00Z", UNTIL_TWO, 0))
                .as("Christmas, St Stephen's Day, a Sunday")
                .isEqualTo("2026-12-28");
        WorkSchedule fair = new WorkSchedule(
                null,
                Optional.empty(),
                List.of(new Window(
                        Optional.of(LocalDate.parse("2026-11-25")), Optional.of(LocalDate.parse("2026-11-27")))),
                true);
        assertThat(ready("2026-11-25T10:00:00Z", fair, 0))
                .as("closed for a fair")
                .isEqualTo("2026-11-30");
    }

    @Test
    void a_seller_adds_days_off_and_takes_others_out() {
        Window fair =
                new Window(Optional.of(LocalDate.parse("2026-11-26")), Optional.of(LocalDate.parse("2026-11-26")));
        Window patrick =
                new Window(Optional.of(LocalDate.parse("2026-03-17")), Optional.of(LocalDate.parse("2026-03-17")));
        WorkDays days = WorkDays.of(
                new WorkSchedule(null, Optional.empty(), List.of(fair), true, List.of(patrick)),
                "IE",
                Optional.empty());
        assertThat(days.works(LocalDate.parse("2026-11-26"))).isFalse();
        assertThat(days.works(LocalDate.parse("2026-03-17")))
                .as("Saint Patrick's Day, worked all the same")
                .isTrue();
    }

    @Test
    void preparation_counts_working_days_and_the_ready_day_does_not_count_for_the_carrier() {
        LocalDate ready = ready("2026-11-25T10:00:00Z", UNTIL_TWO, 3);
        assertThat(ready).as("Wednesday and three working days").isEqualTo("2026-11-30");
        Promise promise = Promise.of(ready, new Delivery.Days(1, 2), WorkDays.ofCarriers("IE", Optional.empty()));
        assertThat(promise).isEqualTo(new Promise(ready, LocalDate.parse("2026-12-01"), LocalDate.parse("2026-12-02")));
        Promise thanksgiving = Promise.of(
                LocalDate.parse("2026-11-25"), new Delivery.Days(1, 1), WorkDays.ofCarriers("US", Optional.empty()));
        assertThat(thanksgiving.latest()).isEqualTo("2026-11-27");
    }

    @Test
    void a_shop_that_works_on_saturdays_sends_on_saturdays() {
        WorkSchedule six =
                new WorkSchedule(List.of(DayOfWeek.values()).subList(0, 6), Optional.empty(), List.of(), true);
        assertThat(ready("2026-11-28T10:00:00Z", six, 0)).isEqualTo("2026-11-28");
        assertThat(ready("2026-11-28T10:00:00Z", six, 1)).isEqualTo("2026-11-30");
    }

    @Test
    void days_are_counted_across_the_turn_of_the_year_and_a_shop_that_never_works_is_asked_no_further() {
        WorkDays irish = WorkDays.of(WorkSchedule.USUAL, "IE", Optional.empty());
        // 31 December 2026 is a Thursday; 1 January is a holiday, then comes a weekend.
        assertThat(irish.plus(LocalDate.of(2026, 12, 31), 1)).isEqualTo(LocalDate.of(2027, 1, 4));
        assertThat(irish.plus(LocalDate.of(2026, 12, 23), 5)).isEqualTo(stepped(irish, LocalDate.of(2026, 12, 23), 5));
        assertThat(irish.onOrAfter(LocalDate.of(2027, 1, 1))).isEqualTo(LocalDate.of(2027, 1, 4));
        Window always = new Window(Optional.empty(), Optional.empty());
        WorkDays never = WorkDays.of(
                new WorkSchedule(WorkSchedule.USUAL.days(), Optional.empty(), List.of(always), true),
                "IE",
                Optional.empty());
        assertThat(never.onOrAfter(LocalDate.of(2026, 11, 25))).isEqualTo(LocalDate.of(2026, 11, 25));
        assertThat(never.works(LocalDate.of(2026, 11, 25))).isFalse();
    }

    /** The same, a day at a time. */
    private static LocalDate stepped(WorkDays days, LocalDate from, int count) {
        LocalDate day = from;
        for (int left = count; left > 0; ) {
            day = day.plusDays(1);
            left -= days.works(day) ? 1 : 0;
        }
        return day;
    }

    @Test
    void counting_by_the_year_agrees_with_counting_by_the_day() {
        for (String country : List.of("IE", "US", "DE", "JP", "CH")) {
            WorkDays days = WorkDays.of(WorkSchedule.USUAL, country, Optional.empty());
            for (LocalDate day = LocalDate.of(2026, 1, 1); day.getYear() == 2026; day = day.plusDays(3)) {
                for (int count : new int[] {1, 3, 9}) {
                    assertThat(days.plus(day, count))
                            .as(country + " " + day + " + " + count)
                            .isEqualTo(stepped(days, day, count));
                }
            }
        }
    }
}
