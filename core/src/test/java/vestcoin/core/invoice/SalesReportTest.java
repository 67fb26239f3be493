package vestcoin.core.invoice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.money.Currencies;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.RandomShops;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

/** A report's sums are its papers' sums, whatever it is added up by. */
class SalesReportTest {
    private static final int ORDERS = 2000;

    private static BigDecimal sum(List<BigDecimal> amounts) {
        return amounts.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @Test
    void periods_begin_where_calendars_say() {
        LocalDate day = LocalDate.of(2026, 11, 28);
        assertThat(SalesReport.Period.DAY.first(day)).isEqualTo(day);
        // ISO 8601: a Saturday's week began on Monday the 23rd.
        assertThat(SalesReport.Period.WEEK.first(day)).isEqualTo(LocalDate.of(2026, 11, 23));
        assertThat(SalesReport.Period.MONTH.first(day)).isEqualTo(LocalDate.of(2026, 11, 1));
        assertThat(SalesReport.Period.QUARTER.first(day)).isEqualTo(LocalDate.of(2026, 10, 1));
    }

    @Test
    void sums_equal_the_papers_over_two_thousand_orders_in_two_currencies_with_refunds() {
        Random random = new Random(20_261_128);
        RandomShops shops = new RandomShops(random);
        Map<SalesReport.Period, SalesReport> reports = new HashMap<>();
        for (SalesReport.Period by : SalesReport.Period.values()) {
            reports.put(by, new SalesReport(by));
        }
        Map<String, BigDecimal> gross = new HashMap<>();
        Map<String, BigDecimal> tax = new HashMap<>();
        int refunds = 0;
        for (int i = 0; i < ORDERS; i++) {
            Setup setup = shops.shop();
            Order order = shops.order(setup);
            Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), order);
            String currency = i % 2 == 0 ? "EUR" : "CHF";
            LocalDate day = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365));
            List<Bill> bills = Bill.of(quote, setup.shop().address().country());
            int digits = Currencies.of(quote.currency()).orElseThrow().getDecimalPlaces();
            for (Bill bill : bills) {
                enter(
                        reports,
                        new SalesReport.Entry(
                                day,
                                "o" + i,
                                false,
                                bill,
                                BigDecimal.ZERO,
                                currency,
                                "m" + i % 3,
                                "w" + i % 2,
                                Optional.of("X")));
                gross.merge(currency, bill.gross(), BigDecimal::add);
                tax.merge(currency, bill.tax(), BigDecimal::add);
            }
            if (random.nextInt(4) == 0 && Credit.left(bills, Map.of()).signum() > 0) {
                BigDecimal back = Credit.left(bills, Map.of())
                        .multiply(BigDecimal.valueOf(random.nextDouble()))
                        .setScale(digits, java.math.RoundingMode.DOWN);
                for (Credit.Credited each : Credit.of(bills, Map.of(), Credit.shared(bills, Map.of(), back, digits))) {
                    Bill credit = each.credit();
                    enter(
                            reports,
                            new SalesReport.Entry(
                                    day.plusDays(9),
                                    "o" + i,
                                    true,
                                    credit,
                                    BigDecimal.ZERO,
                                    currency,
                                    "m" + i % 3,
                                    "w" + i % 2,
                                    Optional.of("X")));
                    gross.merge(currency, credit.gross().negate(), BigDecimal::add);
                    tax.merge(currency, credit.tax().negate(), BigDecimal::add);
                    refunds++;
                }
            }
        }
        assertThat(refunds).isGreaterThan(200);
        for (String currency : List.of("EUR", "CHF")) {
            reports.forEach((by, report) -> {
                assertThat(sum(report.rows().stream()
                                .filter(row -> row.currency().equals(currency))
                                .map(SalesReport.Row::total)
                                .toList()))
                        .as("%s by %s", currency, by)
                        .isEqualByComparingTo(gross.get(currency));
                report.rows().forEach(row -> assertThat(row.goods()
                                .subtract(row.discounts())
                                .add(row.delivery())
                                .add(row.charges())
                                .add(row.tax())
                                .add(row.vouchers())
                                .add(row.rounding())
                                .subtract(row.refunds()))
                        .as("a row adds up")
                        .isEqualByComparingTo(row.total()));
            });
            SalesReport report = reports.get(SalesReport.Period.MONTH);
            assertThat(sum(report.taxes().stream()
                            .filter(row -> row.currency().equals(currency))
                            .map(SalesReport.TaxRow::tax)
                            .toList()))
                    .isEqualByComparingTo(tax.get(currency));
            for (List<SalesReport.KeyRow> keyed : List.of(report.methods(), report.ways())) {
                assertThat(sum(keyed.stream()
                                .filter(row -> row.currency().equals(currency))
                                .map(SalesReport.KeyRow::total)
                                .toList()))
                        .isEqualByComparingTo(gross.get(currency));
            }
        }
    }

    private static void enter(Map<SalesReport.Period, SalesReport> reports, SalesReport.Entry entry) {
        reports.values().forEach(report -> report.add(entry));
    }
}
