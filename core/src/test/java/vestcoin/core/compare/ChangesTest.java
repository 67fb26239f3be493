package vestcoin.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.DeliveryBuilder;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.ProductBuilder;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.SetupBuilder;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBuilder;

class ChangesTest {
    private static final Order TO_IRELAND = Shops.order(Destination.of("IE"), Line.of("p", 1));

    private static Shops.Maker shop(String price, String rate) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", price, "s", "1 kg")
                .sells("q", "5.00", "s", "1 kg")
                .delivers("IE", "post", rate);
    }

    private static Changes changes(Shops.Maker before, Shops.Maker after, Order... orders) {
        Changes changes = Changes.between(CompiledSetup.of(before.setup()), CompiledSetup.of(after.setup()));
        for (int i = 0; i < orders.length; i++) {
            changes.add("order " + i, orders[i]);
        }
        return changes;
    }

    private static List<String> causes(Changes changes) {
        return changes.groups().stream()
                .map(group -> group.kind() + " " + group.cause().path() + " "
                        + group.cause().names() + " " + group.orders() + " "
                        + group.by().payable())
                .toList();
    }

    @Test
    void orders_are_grouped_by_the_field_that_moved_them() {
        Order other = Shops.order(Destination.of("IE"), Line.of("q", 1));
        assertThat(causes(changes(shop("10.00", "4.00"), shop("10.00", "4.40"), TO_IRELAND, other)))
                .containsExactly("DIFFERS delivery/zones/ie/rates/post [IE, post] 2 0.80");
        assertThat(causes(changes(shop("10.00", "4.00"), shop("11.00", "4.00"), TO_IRELAND, other)))
                .containsExactly("DIFFERS goods/products/p/price [p] 1 1.00");
    }

    /** Directive 2006/112/EC, Art. 59c: over 10,000 euro the tax is that of where it goes. The rates are made up. */
    @Test
    void with_the_threshold_passed_orders_to_other_states_bear_their_rates_and_no_others() {
        Setup setup = new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("DE", "s", "19")
                .registered("IE")
                .sells("p", "123.00", "s", "1 kg")
                .delivers("IE", "home", "0")
                .delivers("DE", "post", "0")
                .setup();
        Changes changes = Changes.between(
                CompiledSetup.of(setup), CompiledSetup.of(ThresholdPassed.of(setup), CompiledSetup.of(setup)));
        changes.add("home", TO_IRELAND);
        changes.add("abroad", Shops.order(Destination.of("DE"), Line.of("p", 1)));
        assertThat(changes.sums()).singleElement().satisfies(sum -> {
            assertThat(sum.compared()).isEqualTo(2);
            // 123 × 23/123 = 23.00, and 123 × 19/119 = 19.64: what the buyer pays stands.
            assertThat(sum.by().payable()).isEqualByComparingTo("0");
            assertThat(sum.by().tax()).isEqualByComparingTo("-3.36");
            assertThat(sum.by().keep()).isEqualByComparingTo("3.36");
        });
        assertThat(changes.changed()).extracting(Changes.Changed::name).containsExactly("abroad");
        assertThat(changes.groups()).singleElement().satisfies(group -> assertThat(
                        group.cause().path())
                .as("named by the rate it bears now")
                .isEqualTo("tax/places/de/rates/s"));
    }

    @Test
    void an_order_has_the_cause_that_comes_first_and_says_how_many_more() {
        Changes changes = changes(shop("10.00", "4.00"), shop("11.00", "4.40"), TO_IRELAND);
        assertThat(causes(changes)).containsExactly("DIFFERS goods/products/p/price [p] 1 1.40");
        assertThat(changes.changed()).singleElement().satisfies(each -> {
            assertThat(each.others()).isEqualTo(1);
            assertThat(each.before()).isEqualByComparingTo("14.00");
            assertThat(each.after()).isEqualByComparingTo("15.40");
        });
    }

    @Test
    void the_option_whose_rate_moved_is_the_cause_though_another_is_chosen_now() {
        Shops.Maker before = shop("10.00", "4.00").delivers("IE", "van", "5.00");
        Shops.Maker after = shop("10.00", "7.00").delivers("IE", "van", "5.00");
        assertThat(causes(changes(before, after, TO_IRELAND)))
                .containsExactly("DIFFERS delivery/zones/ie/rates/post [IE, post] 1 1.00");
    }

    @Test
    void tax_and_discounts_are_causes_of_their_own() {
        Shops.Maker taxed = new Shops.Maker()
                .taxes("IE", "s", "21")
                .sells("p", "10.00", "s", "1 kg")
                .sells("q", "5.00", "s", "1 kg")
                .delivers("IE", "post", "4.00");
        Changes tax = changes(shop("10.00", "4.00"), taxed, TO_IRELAND);
        assertThat(causes(tax)).containsExactly("DIFFERS tax/places/ie/rates/s [IE, s] 1 0.00");
        assertThat(tax.groups().get(0).by().tax()).isEqualByComparingTo("-0.19");
        assertThat(tax.groups().get(0).by().keep()).isEqualByComparingTo("0.19");
        Shops.Maker off = shop("10.00", "4.00")
                .discounts(new Discounts.Rule(
                        "ten",
                        "Ten off",
                        Optional.empty(),
                        Discounts.Off.GOODS,
                        Optional.of(BigDecimal.TEN),
                        null,
                        true,
                        null));
        assertThat(causes(changes(shop("10.00", "4.00"), off, TO_IRELAND)))
                .singleElement()
                .asString()
                .contains("discounts/")
                .contains("ten")
                .endsWith("1 -1.00");
    }

    @Test
    void what_can_no_longer_be_had_and_what_now_can_is_apart_from_the_sums() {
        Order abroad = Shops.order(Destination.of("DE"), Line.of("p", 1));
        Shops.Maker wider = shop("10.00", "4.00").taxes("DE", "s", "19").delivers("DE", "post", "9.00");
        Changes won = changes(shop("10.00", "4.00"), wider, abroad, TO_IRELAND);
        assertThat(won.groups()).singleElement().satisfies(group -> {
            assertThat(group.kind()).isEqualTo(Changes.Kind.WON);
            assertThat(group.by().payable()).isEqualByComparingTo("19.00");
        });
        assertThat(won.sums()).singleElement().satisfies(sum -> {
            assertThat(sum.asked()).isEqualTo(2);
            assertThat(sum.compared()).isEqualTo(1);
            assertThat(sum.changed()).isZero();
        });
        Changes lost = changes(wider, shop("10.00", "4.00"), abroad);
        assertThat(lost.groups()).singleElement().satisfies(group -> {
            assertThat(group.kind()).isEqualTo(Changes.Kind.LOST);
            assertThat(group.by().payable()).isEqualByComparingTo("-19.00");
            assertThat(English.of(group.cause().label())).isNotEmpty();
        });
    }

    /** Every order priced on its own under both setups, and added up here, against the groups and the sums. */
    @Test
    void groups_add_up_to_the_orders_own_differences() {
        Random random = new Random(17);
        int met = 0;
        for (int i = 0; i < 120; i++) {
            Setup before = Shops.random(random);
            CompiledSetup one = CompiledSetup.of(before);
            CompiledSetup two = CompiledSetup.of(dearer(before, random));
            Changes changes = Changes.between(one, two);
            Changes half = changes.fresh();
            Map<String, BigDecimal> differences = new HashMap<>();
            for (int n = 0; n < 12; n++) {
                Order order = Shops.randomOrder(before, random);
                (n % 2 == 0 ? changes : half).add("order " + n, order);
                String currency = order.currency().orElse(before.shop().currency());
                differences.merge(currency, difference(one, two, order), BigDecimal::add);
            }
            changes.add(half);
            assertThat(changes.asked()).isEqualTo(12);
            differences.forEach((currency, by) -> {
                assertThat(changes.groups().stream()
                                .filter(group -> group.kind() == Changes.Kind.DIFFERS
                                        && group.currency().equals(currency))
                                .map(group -> group.by().payable())
                                .reduce(BigDecimal.ZERO, BigDecimal::add))
                        .isEqualByComparingTo(by);
                assertThat(changes.sums().stream()
                                .filter(sum -> sum.currency().equals(currency))
                                .map(sum -> sum.after()
                                        .payable()
                                        .subtract(sum.before().payable()))
                                .reduce(BigDecimal.ZERO, BigDecimal::add))
                        .isEqualByComparingTo(by);
            });
            met += changes.groups().size();
            assertThat(changes.groups().stream().mapToInt(Changes.Group::orders).sum())
                    .isEqualTo(changes.changed().size());
        }
        assertThat(met).isGreaterThan(100);
    }

    private static BigDecimal difference(CompiledSetup one, CompiledSetup two, Order order) {
        try {
            Quote was = Pricing.price(one, order);
            Quote is = Pricing.price(two, order);
            return was.missing().isEmpty() && is.missing().isEmpty()
                    ? is.payable().value().subtract(was.payable().value())
                    : BigDecimal.ZERO;
        } catch (InvalidInput refused) {
            return BigDecimal.ZERO;
        }
    }

    /** The same shop with some price or some tax moved. */
    private static Setup dearer(Setup setup, Random random) {
        return switch (random.nextInt(3)) {
            case 0 ->
                SetupBuilder.builder(setup)
                        .goods(new Goods(
                                setup.goods().products().stream()
                                        .map(product -> ProductBuilder.builder(product)
                                                .price(product.price().add(new BigDecimal("0.37")))
                                                .build())
                                        .toList(),
                                setup.goods().buyerGroups(),
                                setup.goods().groups(),
                                setup.goods().defaultGroup(),
                                setup.goods().lowStock()))
                        .build();
            case 1 ->
                SetupBuilder.builder(setup)
                        .delivery(DeliveryBuilder.builder(setup.delivery())
                                .zones(setup.delivery().zones().stream()
                                        .map(ChangesTest::dearer)
                                        .toList())
                                .build())
                        .build();
            default ->
                SetupBuilder.builder(setup)
                        .tax(TaxBuilder.builder(setup.tax())
                                .prices(
                                        setup.tax().prices() == Tax.Prices.WITH_TAX
                                                ? Tax.Prices.WITHOUT_TAX
                                                : Tax.Prices.WITH_TAX)
                                .build())
                        .build();
        };
    }

    private static Delivery.Zone dearer(Delivery.Zone zone) {
        Map<String, PriceRule> rates = new HashMap<>();
        zone.rates().keySet().forEach(option -> rates.put(option, PriceRule.fixed("7.77")));
        return new Delivery.Zone(zone.id(), zone.name(), zone.places(), zone.except(), rates);
    }
}
