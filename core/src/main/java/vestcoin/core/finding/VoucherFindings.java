package vestcoin.core.finding;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.DatedTaxBook;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBook;

/** What a seller should know about the vouchers on sale. */
final class VoucherFindings {
    /** Months a voucher sold there has to be valid. Source: from memory. */
    private static final Map<String, Integer> LEAST_MONTHS = new TreeMap<>(Map.of("DE", 36, "IE", 60, "US", 60));
    /** Where a voucher that buys one thing only is taxed when it is sold, beside the Union. Source: from memory. */
    private static final String UNITED_KINGDOM = "GB";

    private final CompiledSetup compiled;
    private final Setup setup;
    private final DatedTaxBook book;
    private final List<Product> vouchers;
    private final Findings.At at;

    VoucherFindings(CompiledSetup compiled, FindingContext context, Findings.At at) {
        this.compiled = compiled;
        this.setup = compiled.setup();
        this.book = compiled.book().on(new TaxBook.When(context.at(), compiled.zone()));
        this.vouchers = setup.goods().products().stream()
                .filter(product -> product.kind() == Product.Kind.VOUCHER)
                .toList();
        this.at = at;
    }

    void add() {
        vouchers.forEach(this::validity);
        boolean one = !vouchers.isEmpty() && inOneCountry() && rates().size() == 1;
        for (Product voucher : vouchers) {
            String path = "goods/products/" + voucher.id() + "/taxedAtSale";
            if (one && !voucher.taxedAtSale()) {
                at.blocks(
                        "voucher-taxed-at-use",
                        path,
                        Message.of("finding.everything-here-bears-one-rate-in-one", "voucher", voucher.name()),
                        Message.of("finding.tax-the-voucher-when-it-is-sold"));
            } else if (!one && voucher.taxedAtSale()) {
                at.blocks(
                        "voucher-taxed-at-sale",
                        path,
                        Message.of("finding.voucher-buys-what-is-taxed-otherwise", "voucher", voucher.name()),
                        Message.of("finding.tax-the-voucher-when-it-is-used"));
            } else if (voucher.taxedAtSale() && setup.tax().prices() == Tax.Prices.WITHOUT_TAX) {
                at.blocks(
                        "voucher-taxed-on-top",
                        path,
                        Message.of("finding.voucher-taxed-at-sale-needs-prices-with-tax", "voucher", voucher.name()),
                        Message.of("finding.type-prices-with-tax-or-sell-no-voucher"));
            }
        }
    }

    /** Whether all that is sold is taxed in the shop's own country, by a law that taxes such vouchers at their sale. */
    private boolean inOneCountry() {
        String home = setup.shop().address().country();
        return (Groups.EU.contains(home) || home.equals(UNITED_KINGDOM))
                && SalesArea.countries(setup).equals(Set.of(home))
                && setup.tax().smallBusiness().isEmpty();
    }

    /** The rates of what is taxed when it is sold. */
    private Set<String> rates() {
        Set<String> rates = new HashSet<>();
        for (Product typed : setup.goods().products()) {
            if (!typed.untaxed() && !typed.assembled()) {
                compiled.shelf()
                        .find(typed.id())
                        .flatMap(product -> book.find(compiled.home(), product.taxCategory()))
                        .map(levy -> levy.rate().total().stripTrailingZeros().toPlainString())
                        .ifPresent(rates::add);
            }
        }
        return rates;
    }

    /** One that ends sooner than where it is sold allows. Source: from memory. */
    private void validity(Product product) {
        Set<String> sold = SalesArea.countries(setup);
        int months = product.validMonths().orElse(Product.USUAL_VALID_MONTHS);
        LEAST_MONTHS.forEach((country, least) -> {
            if (months < least && sold.contains(country)) {
                at.look(
                        "voucher-ends-early",
                        "goods/products/" + product.id() + "/validMonths",
                        Message.of(
                                "finding.voucher-ends-early",
                                "product",
                                product.name(),
                                "months",
                                months,
                                "least",
                                least,
                                "country",
                                new Region(country)),
                        Message.of("finding.make-it-valid-longer"));
            }
        });
    }
}
