package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Year;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.tax.Sales;

/**
 * Distance sales of goods from the home state, and digital services, to consumers in other member states, without tax,
 * after discounts and with delivery (Directive 2006/112/EC, Art. 78(b)), against the 10,000 euro of Art. 59c: up to it,
 * this year and last, they may be taxed at home; once it is passed in a year it stays passed until the end of the next.
 */
public final class DistanceSales {
    public static final BigDecimal THRESHOLD = new BigDecimal("10000");

    /**
     * Rates of 5 December 2017, at which the threshold is another currency's: units for one euro. Source: the national
     * equivalents of 10,000 euro (BGN 19,558, CZK 256,530, DKK 74,415, RON 46,337, SEK 99,680), from memory.
     */
    public static final Map<String, BigDecimal> RATES_OF_2017 = Map.of(
            "BGN",
            new BigDecimal("1.9558"),
            "CZK",
            new BigDecimal("25.653"),
            "DKK",
            new BigDecimal("7.4415"),
            "RON",
            new BigDecimal("4.6337"),
            "SEK",
            new BigDecimal("9.9680"));

    /** From this share of it on there is a note. Common practice, no source. */
    private static final BigDecimal NEAR = new BigDecimal("8000");

    /**
     * The counter of a year, in euro.
     *
     * @param passedOn the day on which this year's sum went above it
     * @param passed whether it is passed, this year or last
     * @param near whether four fifths of it are reached and it is not passed
     */
    public record Counter(
            int year,
            BigDecimal lastYear,
            BigDecimal thisYear,
            Optional<LocalDate> passedOn,
            boolean passed,
            boolean near) {}

    private final TreeMap<LocalDate, BigDecimal> days = new TreeMap<>();

    /** @param net in euro, below zero for what was given back */
    public void add(LocalDate day, BigDecimal net) {
        days.merge(day, net, BigDecimal::add);
    }

    public Counter counter(Year year) {
        BigDecimal last = sum(year.minusYears(1));
        BigDecimal sum = BigDecimal.ZERO;
        Optional<LocalDate> passedOn = Optional.empty();
        for (var day : days.subMap(year.atDay(1), true, year.atDay(year.length()), true)
                .entrySet()) {
            sum = sum.add(day.getValue());
            if (passedOn.isEmpty() && sum.compareTo(THRESHOLD) > 0) {
                passedOn = Optional.of(day.getKey());
            }
        }
        boolean passed = passedOn.isPresent() || passedIn(year.minusYears(1));
        return new Counter(year.getValue(), last, sum, passedOn, passed, !passed && sum.compareTo(NEAR) >= 0);
    }

    /**
     * What pricing is given for an order of a year. A year that has passed the threshold counts as the most it came to,
     * whatever was given back since.
     */
    public Sales sales(Year year) {
        return new Sales(decisive(year.minusYears(1)), decisive(year));
    }

    private BigDecimal decisive(Year year) {
        BigDecimal sum = BigDecimal.ZERO;
        BigDecimal most = BigDecimal.ZERO;
        for (BigDecimal net : days.subMap(year.atDay(1), true, year.atDay(year.length()), true)
                .values()) {
            sum = sum.add(net);
            most = most.max(sum);
        }
        return most.compareTo(THRESHOLD) > 0 ? most : sum;
    }

    private boolean passedIn(Year year) {
        BigDecimal sum = BigDecimal.ZERO;
        for (BigDecimal net : days.subMap(year.atDay(1), true, year.atDay(year.length()), true)
                .values()) {
            sum = sum.add(net);
            if (sum.compareTo(THRESHOLD) > 0) {
                return true;
            }
        }
        return false;
    }

    private BigDecimal sum(Year year) {
        return days.subMap(year.atDay(1), true, year.atDay(year.length()), true).values().stream()
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
