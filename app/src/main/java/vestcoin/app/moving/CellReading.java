package vestcoin.app.moving;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers, days and weights as people write them; what sign stands before decimals goes by the whole column. */
final class CellReading {
    private static final Pattern DAY = Pattern.compile("(\\d{1,4})[./-](\\d{1,2})[./-](\\d{1,4}).*");
    private static final Pattern UNIT = Pattern.compile("\\b(kg|g|lb|lbs|oz)\\b");
    private static final int FIRST_YEAR = 1900;

    private CellReading() {}

    /** The sign before decimals in a column of numbers: a point unless a comma shows to be it. */
    static char decimal(List<String> cells) {
        int comma = 0;
        int point = 0;
        for (String cell : cells) {
            String digits = cell.replaceAll("[^0-9.,]", "");
            int lastComma = digits.lastIndexOf(',');
            int lastPoint = digits.lastIndexOf('.');
            if (lastComma >= 0 && lastPoint >= 0) {
                comma += lastComma > lastPoint ? 1 : 0;
                point += lastPoint > lastComma ? 1 : 0;
            } else if (lastComma >= 0) {
                // One comma with three digits after it parts thousands.
                comma += digits.indexOf(',') == lastComma && digits.length() - lastComma != 4 ? 1 : 0;
            } else if (lastPoint >= 0) {
                point += digits.indexOf('.') == lastPoint && digits.length() - lastPoint != 4 ? 1 : 0;
            }
        }
        return comma > point ? ',' : '.';
    }

    /** @param decimal the sign before decimals */
    static Optional<BigDecimal> number(String cell, char decimal) {
        String plain = cell.replaceAll("[^0-9.,-]", "");
        plain = decimal == ',' ? plain.replace(".", "").replace(',', '.') : plain.replace(",", "");
        return plain.matches("-?\\d{1,12}(\\.\\d{1,6})?") ? Optional.of(new BigDecimal(plain)) : Optional.empty();
    }

    /** Whether a column of days has the month first, as in America: no first number is above twelve, a second is. */
    static boolean monthFirst(List<String> cells) {
        boolean second = false;
        for (String cell : cells) {
            Matcher day = DAY.matcher(cell);
            if (day.matches() && day.group(1).length() < 3 && cell.contains("/")) {
                if (Integer.parseInt(day.group(1)) > 12) {
                    return false;
                }
                second |= Integer.parseInt(day.group(2)) > 12;
            }
        }
        return second;
    }

    /** By ISO 8601 where the year stands first, else day, month, year. */
    static Optional<LocalDate> day(String cell, boolean monthFirst) {
        Matcher day = DAY.matcher(cell);
        if (!day.matches()) {
            return Optional.empty();
        }
        int first = Integer.parseInt(day.group(1));
        int second = Integer.parseInt(day.group(2));
        int third = Integer.parseInt(day.group(3));
        try {
            if (day.group(1).length() == 4) {
                return Optional.of(LocalDate.of(first, second, third));
            }
            int year = third < 100 ? 2000 + third : third;
            return Optional.of(monthFirst ? LocalDate.of(year, first, second) : LocalDate.of(year, second, first))
                    .filter(read -> read.getYear() >= FIRST_YEAR);
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** The unit of weight that a cell or a heading names. */
    static Optional<String> unit(String text) {
        Matcher unit = UNIT.matcher(text.toLowerCase(Locale.ROOT).replaceAll("(\\d)([a-z])", "$1 $2"));
        return unit.find() ? Optional.of(unit.group(1).replace("lbs", "lb")) : Optional.empty();
    }
}
