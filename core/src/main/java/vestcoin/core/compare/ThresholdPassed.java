package vestcoin.core.compare;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.IntStream;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.SetupBuilder;
import vestcoin.core.tax.Sales;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBuilder;

/**
 * A setup as it prices once sales to consumers in other member states have passed what may be taxed at home. Source:
 * Directive 2006/112/EC, Article 59c.
 */
public final class ThresholdPassed {
    private static final BigDecimal CENT = new BigDecimal("0.01");

    private ThresholdPassed() {}

    /** In whichever year. */
    public static Setup of(Setup setup) {
        List<Tax.SalesElsewhere> passed = IntStream.rangeClosed(
                        Tax.SalesElsewhere.FIRST_YEAR, Tax.SalesElsewhere.LAST_YEAR)
                .mapToObj(year -> new Tax.SalesElsewhere("passed-" + year, year, Sales.THRESHOLD.add(CENT)))
                .toList();
        return SetupBuilder.builder(setup)
                .tax(TaxBuilder.builder(setup.tax()).salesElsewhere(passed).build())
                .build();
    }
}
