package vestcoin.core.discount;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;

/**
 * A voucher that nobody paid for is no means of payment but a price reduction. Source: Directive 2006/112/EC, Article
 * 73a (only one that was paid for is consideration) and 79(b) (reductions are no part of the taxable amount).
 */
class GivenVoucherTest {
    private static final Destination IE = Destination.of("IE");

    /** 123.00 with 23 % inside, and 12.30 for delivery. */
    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "123.00", "s", "1 kg")
                .delivers("IE", "post", "12.30");
    }

    private static Quote quote(Shops.Maker shop, PricingContext.Voucher... vouchers) {
        Order order = Shops.order(IE, Line.of("kite", 1)).given(PricingContext.NOTHING.with(vouchers));
        return Pricing.price(shop.compiled(), order);
    }

    private static PricingContext.Voucher given(String code, String balance) {
        return new PricingContext.Voucher(code, new BigDecimal(balance), true);
    }

    private static List<BigDecimal> taken(Quote quote) {
        return quote.discounts().stream()
                .map(reduction -> reduction.amount().value())
                .toList();
    }

    @Test
    void it_lowers_what_is_taxed_where_one_that_was_paid_for_does_not() {
        Quote without = quote(shop());
        assertThat(without.tax().value()).isEqualByComparingTo("25.30");
        Quote paid = quote(shop(), new PricingContext.Voucher("PAID", new BigDecimal("24.60")));
        assertThat(paid.tax().value()).isEqualByComparingTo("25.30");
        assertThat(paid.toPay().value()).isEqualByComparingTo("110.70");
        Quote given = quote(shop(), given("GIVEN", "24.60"));
        assertThat(given.toPay().value()).as("the same to pay").isEqualByComparingTo("110.70");
        assertThat(given.payable().value()).isEqualByComparingTo("110.70");
        assertThat(given.tax().value()).as("24.60 less hold 4.60 less").isEqualByComparingTo("20.70");
        assertThat(given.vouchers()).as("nothing is paid by it").isEmpty();
        assertThat(taken(given)).containsExactly(new BigDecimal("24.60"));
    }

    @Test
    void it_goes_off_goods_then_off_delivery_and_keeps_its_rest() {
        Quote most = quote(shop(), given("GIVEN", "130.00"));
        assertThat(taken(most)).containsExactly(new BigDecimal("123.00"));
        assertThat(most.off())
                .singleElement()
                .satisfies(off -> assertThat(off.amount().value()).isEqualByComparingTo("7.00"));
        assertThat(most.toPay().value()).isEqualByComparingTo("5.30");
        assertThat(most.tax().value()).isEqualByComparingTo("0.99");
        Quote all = quote(shop(), given("ONE", "100.00"), given("TWO", "100.00"));
        assertThat(all.toPay().zero()).isTrue();
        assertThat(taken(all)).containsExactly(new BigDecimal("100.00"), new BigDecimal("23.00"));
        assertThat(all.off())
                .singleElement()
                .satisfies(off -> assertThat(off.amount().value()).isEqualByComparingTo("12.30"));
    }

    @Test
    void it_lowers_no_threshold() {
        Shops.Maker free = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "123.00", "s", "1 kg")
                .delivers("IE", "post", "12.30, free from 100.00");
        assertThat(quote(free).payable().value()).isEqualByComparingTo("123.00");
        assertThat(quote(free, given("GIVEN", "60.00")).payable().value())
                .as("still free of delivery")
                .isEqualByComparingTo("63.00");
    }
}
