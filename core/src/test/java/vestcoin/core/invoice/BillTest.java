package vestcoin.core.invoice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Currencies;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.RandomShops;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.TaxLiability.Code;

/** Bills add up to what is payable, credits to what is given back, and the last credit leaves nothing. */
class BillTest {
    private static final int ORDERS = 800;

    private static BigDecimal sum(List<Bill> bills, Function<Bill, BigDecimal> of) {
        return bills.stream().map(of).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static void addsUp(Bill bill) {
        assertThat(bill.categories().stream().map(Bill.Category::net).reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(bill.net());
        assertThat(bill.categories().stream().map(Bill.Category::tax).reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(bill.tax());
        assertThat(bill.net().add(bill.tax())).isEqualByComparingTo(bill.gross());
    }

    @Test
    void bills_of_any_order_add_up_to_it_and_credits_in_any_parts_leave_nothing() {
        Random random = new Random(220_226);
        RandomShops shops = new RandomShops(random);
        int several = 0;
        for (int i = 0; i < ORDERS; i++) {
            Setup setup = shops.shop();
            Order order = shops.order(setup);
            Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), order);
            List<Bill> bills = Bill.of(quote, setup.shop().address().country());
            bills.forEach(BillTest::addsUp);
            assertThat(sum(bills, Bill::gross))
                    .as("order %s", i)
                    .isEqualByComparingTo(quote.payable().value());
            assertThat(sum(bills, Bill::tax)).isEqualByComparingTo(quote.tax().value());
            assertThat(bills.stream()
                            .filter(bill -> bill.country().isEmpty() && !bill.vouchers())
                            .count())
                    .as("one for what is outside of tax")
                    .isLessThanOrEqualTo(1);
            assertThat(bills.stream().filter(Bill::vouchers).mapToDouble(bill -> bill.tax()
                            .doubleValue()))
                    .as("one of vouchers, without tax")
                    .hasSizeLessThanOrEqualTo(1)
                    .allMatch(tax -> tax == 0);
            assertThat(bills.stream()
                            .filter(bill -> bill.country().isPresent())
                            .flatMap(bill -> bill.items().stream())
                            .noneMatch(item -> item.code() == Code.O))
                    .isTrue();
            several += bills.size() > 1 ? 1 : 0;
            creditedInParts(bills, Currencies.of(quote.currency()).orElseThrow().getDecimalPlaces(), random);
        }
        assertThat(several).as("orders with several bills").isGreaterThan(25);
    }

    /** What a refund is said to be for is credited of that, never more than is left of it, and the rest is shared. */
    @Test
    void a_refund_that_is_named_credits_what_is_named_first() {
        Random random = new Random(7);
        RandomShops shops = new RandomShops(random);
        int named = 0;
        for (int i = 0; i < 200; i++) {
            Setup setup = shops.shop();
            Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), shops.order(setup));
            List<Bill> bills = Bill.of(quote, setup.shop().address().country());
            int digits = Currencies.of(quote.currency()).orElseThrow().getDecimalPlaces();
            Bill.Item item = bills.stream()
                    .flatMap(bill -> bill.items().stream())
                    .filter(each -> each.gross().signum() > 0)
                    .findFirst()
                    .orElse(null);
            BigDecimal whole = Credit.left(bills, Map.of());
            if (item == null || whole.compareTo(item.gross()) < 0) {
                continue;
            }
            BigDecimal back = random.nextBoolean() ? item.gross() : whole;
            Map<String, BigDecimal> parts = Credit.parts(
                    bills, Map.of(), Map.of(item.key(), item.gross().add(BigDecimal.ONE)), back, digits);
            assertThat(parts.get(item.key())).isEqualByComparingTo(item.gross());
            assertThat(parts.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                    .isEqualByComparingTo(back);
            Map<String, Credit.CreditedShare> before =
                    Map.of(item.key(), new Credit.CreditedShare(item.gross(), item.tax()));
            assertThat(Credit.parts(
                                    bills,
                                    before,
                                    Map.of(item.key(), item.gross()),
                                    BigDecimal.ZERO.setScale(digits),
                                    digits)
                            .getOrDefault(item.key(), BigDecimal.ZERO))
                    .as("nothing twice")
                    .isEqualByComparingTo(BigDecimal.ZERO);
            named++;
        }
        assertThat(named).isGreaterThan(100);
    }

    /** Directive 2006/112/EC, Article 30b: no tax at the sale of a voucher, so it is no line of an invoice. */
    @Test
    void a_voucher_sold_stands_apart_and_is_given_back_last() {
        Quote quote = Pricing.priceUntraced(
                new Shops.Maker()
                        .taxes("IE", "s", "23")
                        .delivers("IE", "post", "5.00")
                        .sells(Thing.of("kite", "40.00", "s").weighs("1 kg").product())
                        .sells(Thing.of("gift", "25.00", null)
                                .kind(Product.Kind.VOUCHER)
                                .product())
                        .compiled(),
                Shops.order(Destination.of("IE"), Line.of("kite", 1), Line.of("gift", 2)));
        List<Bill> bills = Bill.of(quote, "IE");
        Bill last = bills.get(bills.size() - 1);
        assertThat(last.vouchers()).isTrue();
        assertThat(last.gross()).isEqualByComparingTo("50.00");
        assertThat(last.tax()).isEqualByComparingTo("0");
        assertThat(bills.subList(0, bills.size() - 1)).noneMatch(Bill::vouchers);
        BigDecimal others = quote.payable().value().subtract(last.gross());
        Map<String, BigDecimal> parts = Credit.parts(bills, Map.of(), Map.of(), others.add(new BigDecimal("10.00")), 2);
        assertThat(last.items())
                .extracting(item -> parts.get(item.key()))
                .singleElement()
                .satisfies(part -> assertThat(part).isEqualByComparingTo("10.00"));
        assertThat(Credit.parts(bills, Map.of(), Map.of(), others, 2))
                .doesNotContainKey(last.items().get(0).key());
    }

    private static void creditedInParts(List<Bill> bills, int digits, Random random) {
        Map<String, Credit.CreditedShare> before = new TreeMap<>();
        List<Bill> credits = new ArrayList<>();
        BigDecimal whole = Credit.left(bills, before);
        while (Credit.left(bills, before).signum() > 0) {
            BigDecimal left = Credit.left(bills, before);
            BigDecimal back = credits.size() > 4
                    ? left
                    : BigDecimal.valueOf(
                            1
                                    + random.nextInt(left.setScale(digits)
                                            .unscaledValue()
                                            .intValueExact()),
                            digits);
            List<Credit.Credited> made = Credit.of(bills, before, Credit.shared(bills, before, back, digits));
            assertThat(made.stream().map(each -> each.credit().gross()).reduce(BigDecimal.ZERO, BigDecimal::add))
                    .isEqualByComparingTo(back);
            for (Credit.Credited each : made) {
                addsUp(each.credit());
                credits.add(each.credit());
                each.credit()
                        .items()
                        .forEach(item -> before.merge(
                                item.key(),
                                new Credit.CreditedShare(item.gross(), item.tax()),
                                Credit.CreditedShare::and));
            }
        }
        if (whole.signum() > 0) {
            assertThat(sum(credits, Bill::gross)).isEqualByComparingTo(whole);
            assertThat(sum(credits, Bill::tax))
                    .as("the last one leaves no tax")
                    .isEqualByComparingTo(sum(bills, Bill::tax));
            assertThatThrownBy(() -> Credit.shared(bills, before, BigDecimal.ONE, digits))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
