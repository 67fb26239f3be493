package vestcoin.core.goods;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import vestcoin.core.message.Message;

class RenewalTest {
    private static Renewal monthly(Integer on, Integer away, Integer charges) {
        return new Renewal(
                1,
                Renewal.Unit.MONTHS,
                Optional.ofNullable(on),
                Optional.ofNullable(away),
                Optional.ofNullable(charges));
    }

    /**
     * Dates that repeat each month from the 31st fall back to the last day of shorter months and come back: as
     * iCalendar's BYMONTHDAY=-1 would, RFC 5545 (from memory).
     */
    @Test
    void a_short_month_moves_a_date_and_the_next_comes_back() {
        Renewal renewal = monthly(null, null, null);
        LocalDate first = LocalDate.of(2027, 1, 31);
        assertThat(IntStream.rangeClosed(1, 4)
                        .mapToObj(n -> renewal.after(first, n).orElseThrow()))
                .containsExactly(
                        LocalDate.of(2027, 2, 28),
                        LocalDate.of(2027, 3, 31),
                        LocalDate.of(2027, 4, 30),
                        LocalDate.of(2027, 5, 31));
    }

    @Test
    void a_leap_day_is_kept_for_the_years_that_have_one() {
        Renewal yearly = new Renewal(1, Renewal.Unit.YEARS, Optional.empty());
        LocalDate first = LocalDate.of(2028, 2, 29);
        assertThat(yearly.after(first, 1)).contains(LocalDate.of(2029, 2, 28));
        assertThat(yearly.after(first, 4)).contains(LocalDate.of(2032, 2, 29));
    }

    @Test
    void the_first_fixed_day_is_far_enough_away() {
        LocalDate order = LocalDate.of(2027, 3, 10);
        assertThat(monthly(15, null, null).after(order, 1)).contains(LocalDate.of(2027, 3, 15));
        assertThat(monthly(15, 5, null).after(order, 1)).as("exactly so far").contains(LocalDate.of(2027, 3, 15));
        assertThat(monthly(15, 6, null).after(order, 1)).contains(LocalDate.of(2027, 4, 15));
        assertThat(monthly(10, null, null).after(order, 1))
                .as("never the day itself")
                .contains(LocalDate.of(2027, 4, 10));
        assertThat(monthly(10, 0, null).after(order, 1)).contains(LocalDate.of(2027, 4, 10));
        assertThat(monthly(15, 6, null).after(order, 2)).contains(LocalDate.of(2027, 5, 15));
    }

    @Test
    void it_ends_after_as_many_charges_as_it_says_the_first_counted() {
        Renewal three = monthly(null, null, 3);
        LocalDate first = LocalDate.of(2027, 3, 10);
        assertThat(three.after(first, 2)).contains(LocalDate.of(2027, 5, 10));
        assertThat(three.after(first, 3)).isEmpty();
        assertThat(three.next(first.atStartOfDay(java.time.ZoneOffset.UTC), 5)).hasSize(2);
    }

    @Test
    void how_often_is_said_in_words() {
        assertThat(monthly(null, null, null).said()).isEqualTo(Message.of("renewal.every-months", "count", 1));
        assertThat(monthly(5, null, null).said())
                .isEqualTo(Message.of("renewal.every-months-on", "count", 1, "day", 5));
    }
}
