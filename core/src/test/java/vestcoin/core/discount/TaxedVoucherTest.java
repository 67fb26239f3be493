package vestcoin.core.discount;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.Credit;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.tax.Tax;

/**
 * A voucher for a shop where everything bears one rate in one country. Source: Directive 2006/112/EC, Article 30a(2)
 * and 30b(1): its sale is the supply, what is handed over for it is none; and Annex III for a book's rate beside it.
 */
class TaxedVoucherTest {
    private static final Destination IE = Destination.of("IE");

    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "b", "9")
                .delivers("IE", "post", "12.30")
                .sells("kite", "123.00", "s", "1 kg")
                .sells("book", "10.90", "b", "1 kg")
                .sells(Thing.of("gift", "61.50", "s")
                        .kind(Product.Kind.VOUCHER)
                        .taxedAtSale()
                        .product());
    }

    private static PricingContext.Voucher taxed(String balance, String country, String rate) {
        return new PricingContext.Voucher(
                "GIFT",
                new BigDecimal(balance),
                false,
                Optional.of(new PricingContext.Taxed(country, new BigDecimal(rate))));
    }

    private static Quote quote(Shops.Maker shop, List<PricingContext.Voucher> vouchers, Line... lines) {
        return Pricing.price(
                shop.compiled(),
                Shops.order(IE, lines)
                        .given(PricingContext.NOTHING.with(vouchers.toArray(PricingContext.Voucher[]::new))));
    }

    private static BigDecimal taken(Quote quote) {
        return Stream.concat(quote.discounts().stream(), quote.off().stream())
                .map(reduction -> reduction.amount().value())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @Test
    void its_sale_bears_the_tax_and_is_invoiced() {
        Quote sale = quote(shop(), List.of(), Line.of("gift", 1));
        assertThat(sale.payable().value()).isEqualByComparingTo("61.50");
        assertThat(sale.tax().value()).as("61.50 hold 11.50").isEqualByComparingTo("11.50");
        assertThat(Bill.of(sale, "IE")).singleElement().satisfies(bill -> {
            assertThat(bill.vouchers()).as("no receipt, an invoice").isFalse();
            assertThat(bill.country()).contains("IE");
            assertThat(bill.tax()).isEqualByComparingTo("11.50");
        });
    }

    /** The tax of a supply is charged once, however it is paid: 135.30 hold 25.30. */
    @Test
    void the_tax_of_its_sale_is_taken_from_the_tax_of_what_it_buys() {
        Quote without = quote(shop(), List.of(), Line.of("kite", 1));
        Quote with = quote(shop(), List.of(taxed("61.50", "IE", "23")), Line.of("kite", 1));
        assertThat(with.payable().value()).isEqualByComparingTo("73.80");
        assertThat(with.vouchers()).as("nothing is paid by it").isEmpty();
        assertThat(without.tax().value()).isEqualByComparingTo("25.30");
        assertThat(with.tax().value()).as("25.30 less 11.50").isEqualByComparingTo("13.80");
        assertThat(Bill.of(with, "IE")).singleElement().satisfies(bill -> assertThat(bill.gross())
                .isEqualByComparingTo("73.80"));
    }

    @Test
    void it_reaches_the_delivery_and_keeps_its_rest() {
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "IE", "23")), Line.of("kite", 1))))
                .isEqualByComparingTo("135.30");
    }

    @Test
    void it_buys_nothing_else() {
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "IE", "23")), Line.of("kite", 1), Line.of("book", 1))))
                .as("the kite, not the book, and not what brings both")
                .isEqualByComparingTo("123.00");
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "IE", "23")), Line.of("book", 1))))
                .isEqualByComparingTo("0");
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "IE", "21")), Line.of("kite", 1))))
                .as("another rate than was paid")
                .isEqualByComparingTo("0");
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "DE", "23")), Line.of("kite", 1))))
                .as("another country's")
                .isEqualByComparingTo("0");
        assertThat(taken(quote(
                        shop().prices(Tax.Prices.WITHOUT_TAX),
                        List.of(taxed("200.00", "IE", "23")),
                        Line.of("kite", 1))))
                .as("of prices without tax it would take another amount")
                .isEqualByComparingTo("0");
        assertThat(taken(quote(shop(), List.of(taxed("200.00", "IE", "23")), Line.of("gift", 1))))
                .as("no voucher by a voucher")
                .isEqualByComparingTo("0");
    }

    @Test
    void it_is_given_back_last_as_any_voucher_sold() {
        Quote quote = quote(shop(), List.of(), Line.of("kite", 1), Line.of("gift", 1));
        List<Bill> bills = Bill.of(quote, "IE");
        Map<String, BigDecimal> parts = Credit.parts(bills, Map.of(), Map.of(), new BigDecimal("140.00"), 2);
        assertThat(bills.stream().flatMap(bill -> bill.items().stream()))
                .filteredOn(item -> item.kind() == Bill.Kind.VOUCHER)
                .singleElement()
                .satisfies(item -> assertThat(parts.get(item.key()))
                        .as("140.00 less the kite and what brings it")
                        .isEqualByComparingTo("4.70"));
    }
}
