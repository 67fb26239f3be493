package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import vestcoin.core.money.Rounding;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * The sums of EN 16931 on what a quote says, as an invoice would state it: its rules BR-CO-10, 13, 14, 15 and 17, and
 * the sums by VAT category (BR-S-08 and its like). Source: EN 16931-1:2017, 6.4; the rules' texts from memory. Exact,
 * where the official rules allow differences under 1.00.
 */
class InvoiceArithmeticTest {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final BigDecimal CENT = new BigDecimal("0.01");

    /** Lines, allowances and charges of one category, as an invoice would list them, without tax. */
    private record Breakdown(
            List<BigDecimal> lines, BigDecimal charges, BigDecimal taxable, BigDecimal rate, BigDecimal tax) {}

    private static Breakdown breakdown(TaxGroup group, boolean inside) {
        List<BigDecimal> lines = new ArrayList<>();
        BigDecimal charges = BigDecimal.ZERO;
        for (TaxGroup.Part part : group.parts()) {
            BigDecimal net = inside
                    ? part.amount().value().subtract(part.tax().value())
                    : part.amount().value();
            if (part.key().startsWith("lines/")) {
                lines.add(net);
            } else {
                charges = charges.add(net);
            }
        }
        BigDecimal tax = group.components().stream()
                .map(component -> component.tax().value())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal rate = group.components().stream()
                .map(component -> component.rate().value())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal taxable =
                inside ? group.amount().value().subtract(tax) : group.amount().value();
        return new Breakdown(lines, charges, taxable, rate, tax);
    }

    @Test
    void lines_categories_and_totals_of_an_invoice_add_up() {
        Random random = new Random(16931);
        RandomShops shops = new RandomShops(random);
        int checked = 0;
        int moved = 0;
        int taxed = 0;
        Set<Code> codes = new HashSet<>();
        for (int i = 0; i < 3000; i++) {
            Setup setup = shops.shop();
            Order order = shops.order(setup);
            // EN 16931 is written for two decimals
            if (CurrencyUnit.of(order.currency().orElse(setup.shop().currency()))
                                    .getDecimalPlaces()
                            != 2
                    || setup.shop().rounding() != Rounding.HALF_UP
                    || setup.tax().places().stream()
                            .anyMatch(row -> row.rounding()
                                            .filter(by -> by == Tax.RoundedBy.LINE)
                                            .isPresent()
                                    || row.rates().values().stream()
                                            .anyMatch(rate -> rate.components().size() > 1))) {
                continue;
            }
            Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), order);
            boolean inside = quote.prices() == Tax.Prices.WITH_TAX;
            BigDecimal lines = BigDecimal.ZERO;
            BigDecimal charges = BigDecimal.ZERO;
            BigDecimal tax = BigDecimal.ZERO;
            for (TaxGroup group : quote.taxes()) {
                Breakdown each = breakdown(group, inside);
                BigDecimal ofLines = each.lines().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
                assertThat(ofLines.add(each.charges()))
                        .as("BR-%s-08", group.code())
                        .isEqualByComparingTo(each.taxable());
                BigDecimal computed = each.taxable().multiply(each.rate()).divide(HUNDRED, 2, RoundingMode.HALF_UP);
                if (inside) {
                    assertThat(computed.subtract(each.tax()).abs())
                            .as("BR-CO-17, prices with tax")
                            .isLessThanOrEqualTo(CENT);
                    moved += computed.compareTo(each.tax()) == 0 ? 0 : 1;
                } else {
                    assertThat(computed).as("BR-CO-17").isEqualByComparingTo(each.tax());
                }
                assertThat(each.tax().signum() == 0 || group.code() == Code.S)
                        .as("BR-E-09, BR-K-09, BR-G-09, BR-AE-09, BR-O-09, BR-Z-09")
                        .isTrue();
                codes.add(group.code());
                lines = lines.add(ofLines);
                charges = charges.add(each.charges());
                tax = tax.add(each.tax());
                taxed++;
            }
            BigDecimal withoutTax = lines.add(charges);
            assertThat(tax).as("BR-CO-14").isEqualByComparingTo(quote.tax().value());
            assertThat(withoutTax.add(tax))
                    .as("BR-CO-10, 13, 15")
                    .isEqualByComparingTo(quote.payable().value());
            checked++;
        }
        System.out.println("invoices: " + checked + " orders, " + taxed + " groups of " + codes
                + "; with tax inside, net × rate is one cent off in " + moved);
        assertThat(checked).isGreaterThan(300);
        assertThat(codes).contains(Code.S, Code.E, Code.K, Code.G, Code.O);
    }
}
