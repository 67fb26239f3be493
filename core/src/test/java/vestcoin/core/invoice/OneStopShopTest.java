package vestcoin.core.invoice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.invoice.OneStopShop.Entry;
import vestcoin.core.invoice.OneStopShop.Kind;
import vestcoin.core.invoice.OneStopShop.Scheme;
import vestcoin.core.invoice.OneStopShop.Sheet;
import vestcoin.core.invoice.OneStopShop.Supply;
import vestcoin.core.money.Exchange;

/** Directive 2006/112/EC, Articles 369f to 369h, and Regulation (EU) 282/2011, Article 60, from memory. */
class OneStopShopTest {
    private static final LocalDate Q2 = LocalDate.parse("2026-04-01");

    private static Entry paper(String day, String credits, String currency, Supply... supplies) {
        return new Entry(
                LocalDate.parse(day), Optional.ofNullable(credits).map(LocalDate::parse), currency, List.of(supplies));
    }

    private static Supply goods(String state, String rate, String net, String tax) {
        return new Supply(state, "IE", Kind.GOODS, new BigDecimal(rate), new BigDecimal(net), new BigDecimal(tax));
    }

    private static Sheet sheet(Entry... entries) {
        OneStopShop shop = new OneStopShop(Scheme.UNION, Q2.plusDays(40));
        for (Entry entry : entries) {
            shop.add(entry);
        }
        return shop.sheet(OneStopShopTest::rates);
    }

    /** Two francs a euro in the second quarter, four in the first. */
    private static Optional<Exchange> rates(String currency, LocalDate quarter) {
        return currency.equals("CHF")
                ? Optional.of(
                        new Exchange("EUR", quarter, Map.of("CHF", BigDecimal.valueOf(quarter.equals(Q2) ? 2 : 4))))
                : Optional.empty();
    }

    @Test
    void amounts_stand_by_state_kind_and_rate_to_the_cent() {
        Sheet sheet = sheet(
                paper(
                        "2026-04-01",
                        null,
                        "EUR",
                        goods("DE", "19", "100.00", "19.00"),
                        goods("DE", "7", "10.00", "0.70")),
                paper(
                        "2026-06-30",
                        null,
                        "EUR",
                        goods("DE", "19.00", "50.01", "9.50"),
                        goods("FR", "20", "5.00", "1.00")),
                paper("2026-07-01", null, "EUR", goods("DE", "19", "1000.00", "190.00")));
        assertThat(sheet.rows().stream()
                        .map(row -> row.state() + " " + row.rate().toPlainString() + " " + row.net() + " " + row.tax()))
                .containsExactly("DE 19 150.01 28.50", "DE 7 10.00 0.70", "FR 20 5.00 1.00");
        assertThat(sheet.tax()).isEqualByComparingTo("30.20");
        assertThat(sheet.due()).isEqualTo(LocalDate.parse("2026-07-31"));
    }

    @Test
    void a_credit_note_of_the_quarter_is_netted_and_one_of_an_earlier_is_a_correction_of_tax() {
        Sheet sheet = sheet(
                paper("2026-05-02", null, "EUR", goods("DE", "19", "100.00", "19.00")),
                paper("2026-05-09", "2026-05-02", "EUR", goods("DE", "19", "40.00", "7.60")),
                paper("2026-05-10", "2026-03-31", "EUR", goods("DE", "19", "10.00", "1.90")),
                paper("2026-05-11", "2026-01-02", "CHF", goods("FR", "20", "10.00", "2.00")));
        assertThat(sheet.rows()).singleElement().satisfies(row -> {
            assertThat(row.net()).isEqualByComparingTo("60.00");
            assertThat(row.tax()).isEqualByComparingTo("11.40");
        });
        assertThat(sheet.corrections().stream().map(each -> each.state() + " " + each.begins() + " " + each.tax()))
                .containsExactly("DE 2026-01-01 -1.90", "FR 2026-01-01 -0.50");
        assertThat(sheet.tax()).isEqualByComparingTo("9.00");
    }

    @Test
    void what_is_older_than_three_years_after_it_was_due_is_counted_and_not_corrected() {
        assertThat(sheet(paper("2026-05-01", "2023-02-01", "EUR", goods("DE", "19", "10.00", "1.90")))
                        .tooLate())
                .isEqualTo(1);
        assertThat(sheet(paper("2026-04-30", "2023-03-31", "EUR", goods("DE", "19", "10.00", "1.90")))
                        .corrections())
                .hasSize(1);
    }

    @Test
    void each_currency_is_converted_once_a_row_and_one_without_a_rate_is_named() {
        Sheet sheet = sheet(
                paper("2026-05-02", null, "CHF", goods("DE", "19", "0.01", "0.01")),
                paper("2026-05-03", null, "CHF", goods("DE", "19", "0.01", "0.01")),
                paper("2026-05-04", null, "EUR", goods("DE", "19", "1.00", "0.19")),
                paper("2026-05-04", null, "USD", goods("DE", "19", "1.00", "0.19")));
        assertThat(sheet.rows()).singleElement().satisfies(row -> {
            assertThat(row.net()).isEqualByComparingTo("1.01");
            assertThat(row.tax()).isEqualByComparingTo("0.20");
        });
        assertThat(sheet.unconverted()).containsExactly("USD");
    }

    @Test
    void an_empty_quarter_is_a_sheet_too() {
        Sheet sheet = sheet();
        assertThat(sheet.rows()).isEmpty();
        assertThat(sheet.tax()).isEqualByComparingTo("0.00");
        assertThat(sheet.due()).isEqualTo(LocalDate.parse("2026-07-31"));
    }

    /** Article 369s: the import scheme is filed month by month, by the end of the next. */
    @Test
    void the_import_scheme_has_a_sheet_a_month() {
        OneStopShop may = new OneStopShop(Scheme.IMPORT, LocalDate.parse("2026-05-31"));
        may.add(paper("2026-05-02", null, "EUR", goods("DE", "19", "100.00", "19.00")));
        may.add(paper("2026-06-01", null, "EUR", goods("DE", "19", "10.00", "1.90")));
        may.add(paper("2026-05-20", "2026-04-30", "EUR", goods("FR", "20", "10.00", "2.00")));
        Sheet sheet = may.sheet(OneStopShopTest::rates);
        assertThat(sheet.begins()).isEqualTo(LocalDate.parse("2026-05-01"));
        assertThat(sheet.due()).isEqualTo(LocalDate.parse("2026-06-30"));
        assertThat(sheet.rows()).hasSize(1);
        assertThat(sheet.tax()).isEqualByComparingTo("17.00");
        assertThat(sheet.corrections().get(0).begins()).isEqualTo(LocalDate.parse("2026-04-01"));
    }

    /** Two years of papers by chance, with credit notes and a second currency: quarters' sums against the papers'. */
    @Test
    void the_sheets_of_two_years_add_up_to_the_papers() {
        Random random = new Random(369);
        List<Entry> papers = new ArrayList<>();
        Map<String, BigDecimal> tax = new HashMap<>();
        for (int i = 0; i < 2000; i++) {
            LocalDate day = LocalDate.parse("2025-01-01").plusDays(random.nextInt(730));
            String currency = random.nextInt(5) == 0 ? "CHF" : "EUR";
            BigDecimal net = BigDecimal.valueOf(100 + random.nextInt(20_000), 2);
            BigDecimal part = BigDecimal.valueOf(random.nextInt(4000), 2);
            Supply supply = new Supply(
                    random.nextBoolean() ? "DE" : "FR",
                    random.nextBoolean() ? "IE" : "PL",
                    random.nextInt(4) == 0 ? Kind.SERVICES : Kind.GOODS,
                    BigDecimal.valueOf(random.nextBoolean() ? 19 : 7),
                    net,
                    part);
            papers.add(new Entry(day, Optional.empty(), currency, List.of(supply)));
            tax.merge(currency, part, BigDecimal::add);
            if (random.nextInt(6) == 0) {
                LocalDate back = day.plusDays(random.nextInt(120));
                if (back.isBefore(LocalDate.parse("2027-01-01"))) {
                    papers.add(new Entry(back, Optional.of(day), currency, List.of(supply)));
                    tax.merge(currency, part.negate(), BigDecimal::add);
                }
            }
        }
        BigDecimal sum = BigDecimal.ZERO;
        int corrections = 0;
        for (LocalDate quarter = LocalDate.parse("2025-01-01");
                quarter.getYear() < 2027;
                quarter = quarter.plusMonths(3)) {
            OneStopShop shop = new OneStopShop(Scheme.UNION, quarter);
            papers.forEach(shop::add);
            // One franc a euro in every quarter, so that conversion rounds nothing.
            Sheet sheet =
                    shop.sheet((currency, day) -> Optional.of(new Exchange("EUR", day, Map.of("CHF", BigDecimal.ONE))));
            sum = sum.add(sheet.tax());
            corrections += sheet.corrections().size();
        }
        assertThat(sum).isEqualByComparingTo(tax.get("EUR").add(tax.get("CHF")));
        assertThat(corrections).isPositive();
    }
}
