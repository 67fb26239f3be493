package vestcoin.core.calendar;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * Where the holiday library is wrong. The list is {@code holiday-corrections.tsv} beside this class, a country a line
 * with its source; {@code docs/outside-checks.md} says against what both were held.
 *
 * <p>A rule is a date ({@code 02-23}), the first weekday on or after one ({@code mon>=01-08}), days from the western
 * ({@code easter-2}) or the Orthodox Easter ({@code pascha+1}), or one of Japan's: {@code vernal} and {@code autumnal}
 * equinox, and {@code substitutes}, by which a holiday on a Sunday moves to the next day that is none, and a day
 * between two becomes one.
 */
final class HolidayCorrections {
    private record Correction(String how, List<String> rules) {}

    private static final Map<String, Correction> CORRECTIONS = read();

    private HolidayCorrections() {}

    /** A country's holidays of a year put right. @param found by the library */
    static Set<LocalDate> of(String country, int year, Set<LocalDate> found) {
        Correction correction = CORRECTIONS.get(country);
        if (correction == null) {
            return found;
        }
        Set<LocalDate> days = new HashSet<>();
        correction.rules.stream()
                .filter(rule -> !rule.equals("substitutes"))
                .forEach(rule -> days.add(day(rule, year)));
        if (correction.rules.contains("substitutes")) {
            substitutes(days);
        }
        Set<LocalDate> right = new HashSet<>(correction.how.equals("instead") ? Set.of() : found);
        if (correction.how.equals("without")) {
            right.removeAll(days);
        } else {
            right.addAll(days);
        }
        return right;
    }

    private static LocalDate day(String rule, int year) {
        if (rule.startsWith("easter")) {
            return easter(year).plusDays(Integer.parseInt(rule.substring("easter".length())));
        }
        if (rule.startsWith("pascha")) {
            return pascha(year).plusDays(Integer.parseInt(rule.substring("pascha".length())));
        }
        if (rule.equals("vernal") || rule.equals("autumnal")) {
            return equinox(year, rule.equals("vernal"));
        }
        int from = rule.indexOf(">=");
        if (from > 0) {
            String name = rule.substring(0, from).toUpperCase(java.util.Locale.ROOT);
            DayOfWeek weekday = Arrays.stream(DayOfWeek.values())
                    .filter(day -> day.name().startsWith(name))
                    .findFirst()
                    .orElseThrow();
            return MonthDay.parse("--" + rule.substring(from + 2))
                    .atYear(year)
                    .with(TemporalAdjusters.nextOrSame(weekday));
        }
        return MonthDay.parse("--" + rule).atYear(year);
    }

    /** The Gregorian computus in the form published anonymously in Nature, 1876 [from memory]. */
    private static LocalDate easter(int year) {
        int a = year % 19;
        int b = year / 100;
        int c = year % 100;
        int h = (19 * a + b - b / 4 - (b - (b + 8) / 25 + 1) / 3 + 15) % 30;
        int l = (32 + 2 * (b % 4) + 2 * (c / 4) - h - c % 4) % 7;
        int m = (a + 11 * h + 22 * l) / 451;
        int day = h + l - 7 * m + 114;
        return LocalDate.of(year, day / 31, day % 31 + 1);
    }

    /** By Meeus's Julian algorithm [from memory], thirteen days later by the Gregorian calendar until 2099. */
    private static LocalDate pascha(int year) {
        int d = (19 * (year % 19) + 15) % 30;
        int e = (2 * (year % 4) + 4 * (year % 7) - d + 34) % 7;
        int day = d + e + 114;
        return LocalDate.of(year, day / 31, day % 31 + 1).plusDays(13);
    }

    /**
     * The day in Japan, by the approximation good for 1980 to 2099 [from memory]; the observatory publishes it a year
     * ahead.
     */
    private static LocalDate equinox(int year, boolean vernal) {
        // in millionths of a day, so that no binary fraction decides a date
        long millionths =
                (vernal ? 20_843_100L : 23_248_800L) + 242_194L * (year - 1980) - 1_000_000L * ((year - 1980) / 4);
        return LocalDate.of(year, vernal ? 3 : 9, (int) (millionths / 1_000_000L));
    }

    private static void substitutes(Set<LocalDate> days) {
        Set<LocalDate> own = Set.copyOf(days);
        for (LocalDate day : own) {
            LocalDate between = day.plusDays(1);
            if (own.contains(day.plusDays(2)) && !own.contains(between) && between.getDayOfWeek() != DayOfWeek.SUNDAY) {
                days.add(between);
            }
        }
        for (LocalDate day : own) {
            if (day.getDayOfWeek() == DayOfWeek.SUNDAY) {
                LocalDate next = day;
                while (days.contains(next)) {
                    next = next.plus(1, ChronoUnit.DAYS);
                }
                days.add(next);
            }
        }
    }

    private static Map<String, Correction> read() {
        Map<String, Correction> corrections = new HashMap<>();
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(HolidayCorrections.class.getResourceAsStream("holiday-corrections.tsv")),
                StandardCharsets.UTF_8))) {
            reader.lines()
                    .map(line -> line.split("\t"))
                    .forEach(
                            cells -> corrections.put(cells[0], new Correction(cells[1], List.of(cells[2].split(" ")))));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return corrections;
    }
}
