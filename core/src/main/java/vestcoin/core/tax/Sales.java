package vestcoin.core.tax;

import java.math.BigDecimal;

/**
 * Sales across borders within the Union to consumers, goods and digital together, net, in euro, before this order.
 *
 * @param lastYear the calendar year before
 * @param thisYear so far
 */
public record Sales(BigDecimal lastYear, BigDecimal thisYear) {
    public static final Sales NONE = new Sales(BigDecimal.ZERO, BigDecimal.ZERO);

    /** Source: Directive 2006/112/EC, Article 59c. */
    public static final BigDecimal THRESHOLD = new BigDecimal("10000");

    public Sales {
        lastYear = lastYear == null ? BigDecimal.ZERO : lastYear;
        thisYear = thisYear == null ? BigDecimal.ZERO : thisYear;
    }

    /** With more of both years. */
    public Sales plus(BigDecimal moreLastYear, BigDecimal moreThisYear) {
        return new Sales(lastYear.add(moreLastYear), thisYear.add(moreThisYear));
    }

    /** Whether both years stay within the threshold, with so much more this year. */
    public boolean within(BigDecimal more) {
        return lastYear.compareTo(THRESHOLD) <= 0 && thisYear.add(more).compareTo(THRESHOLD) <= 0;
    }
}
