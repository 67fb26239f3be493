package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.place.Place;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.tax.Tax;

/** A setup that differs from a sound one is checked and compiled in parts: with the same outcome as anew. */
class ChangedSetupTest {
    private final Random random = new Random(20261125);

    private static <T> List<T> with(List<T> list, int place, T other) {
        List<T> changed = new ArrayList<>(list);
        changed.set(place, other);
        return changed;
    }

    private static <T> List<T> without(List<T> list, int place) {
        List<T> changed = new ArrayList<>(list);
        changed.remove(place);
        return changed;
    }

    private <T> int any(List<T> list) {
        return random.nextInt(list.size());
    }

    private static Setup goods(Setup s, Goods goods) {
        return new Setup(
                s.shop(),
                goods,
                s.discounts(),
                s.delivery(),
                s.tax(),
                s.payment(),
                s.rehearsal(),
                s.pickup(),
                s.terms());
    }

    private static Setup tax(Setup s, Tax tax) {
        return new Setup(
                s.shop(),
                s.goods(),
                s.discounts(),
                s.delivery(),
                tax,
                s.payment(),
                s.rehearsal(),
                s.pickup(),
                s.terms());
    }

    private static Setup delivery(Setup s, Delivery delivery) {
        return new Setup(
                s.shop(),
                s.goods(),
                s.discounts(),
                delivery,
                s.tax(),
                s.payment(),
                s.rehearsal(),
                s.pickup(),
                s.terms());
    }

    private static Setup shop(Setup s, String currency, List<AcceptedCurrency> currencies) {
        Shop was = s.shop();
        Shop shop = ShopBuilder.builder(was)
                .currency(currency)
                .currencies(currencies)
                .build();
        return new Setup(
                shop,
                s.goods(),
                s.discounts(),
                s.delivery(),
                s.tax(),
                s.payment(),
                s.rehearsal(),
                s.pickup(),
                s.terms());
    }

    private static Product priced(Product p, String price, String category) {
        return Product.of(p.id(), p.name(), p.kind(), new BigDecimal(price), category, p.weight(), p.options());
    }

    /** One change by chance, every other one of them impossible. */
    private Setup changed(Setup s) {
        boolean broken = random.nextBoolean();
        List<Product> products = s.goods().products();
        return switch (random.nextInt(9)) {
            case 0 ->
                goods(
                        s,
                        new Goods(with(
                                products, any(products), priced(products.get(0), broken ? "-1.00" : "7.00", "c0"))));
            case 1 ->
                goods(s, new Goods(with(products, 1, priced(products.get(1), "5.00", broken ? "unknown" : "c0"))));
            case 2 ->
                tax(
                        s,
                        new Tax(
                                s.tax().prices(),
                                broken
                                        ? without(s.tax().categories(), 0)
                                        : s.tax().categories(),
                                s.tax().places()));
            case 3 ->
                tax(
                        s,
                        new Tax(
                                s.tax().prices(),
                                s.tax().categories(),
                                with(s.tax().places(), 0, row(s.tax().places().get(0), broken ? "140" : "12"))));
            case 4 ->
                delivery(
                        s,
                        new Delivery(
                                s.delivery().zones(),
                                broken
                                        ? without(s.delivery().options(), 0)
                                        : s.delivery().options()));
            case 5 ->
                delivery(
                        s,
                        new Delivery(
                                with(
                                        s.delivery().zones(),
                                        0,
                                        zone(s.delivery().zones().get(0), broken ? "XX" : "IE")),
                                s.delivery().options()));
            // Another currency has other decimals, so every amount is looked at again.
            case 6 -> shop(s, broken ? "JPY" : "EUR", List.of());
            case 7 ->
                shop(
                        s,
                        "EUR",
                        List.of(new AcceptedCurrency(broken ? "FRANC" : "CHF", Optional.empty(), Optional.empty())));
            default ->
                new Setup(
                        s.shop(),
                        s.goods(),
                        new Discounts(List.of(new Discounts.Rule(
                                "d",
                                "d",
                                Optional.empty(),
                                Discounts.Off.GOODS,
                                Optional.of(new BigDecimal(broken ? "120" : "12")),
                                Optional.empty(),
                                true,
                                null))),
                        s.delivery(),
                        s.tax(),
                        s.payment(),
                        s.rehearsal(),
                        s.pickup(),
                        s.terms());
        };
    }

    private static Tax.PlaceRates row(Tax.PlaceRates row, String percent) {
        return new Tax.PlaceRates(
                row.id(),
                row.name(),
                row.places(),
                row.except(),
                Map.of("c0", Tax.Rate.of("VAT", percent)),
                row.delivery());
    }

    private static Delivery.Zone zone(Delivery.Zone zone, String country) {
        return new Delivery.Zone(zone.id(), zone.name(), List.of(new Place.Country(country)), List.of(), zone.rates());
    }

    @Test
    void a_check_of_what_changed_finds_what_a_check_of_all_finds() {
        int impossible = 0;
        for (int i = 0; i < 600; i++) {
            Setup sound = Shops.random(random);
            Setup changed = changed(sound);
            assertThat(SetupCheck.problems(sound).list()).isEmpty();
            assertThat(SetupCheck.problems(changed, sound).list())
                    .as("change " + i)
                    .isEqualTo(SetupCheck.problems(changed).list());
            impossible += SetupCheck.problems(changed).list().isEmpty() ? 0 : 1;
        }
        assertThat(impossible).as("the changes are of both kinds").isBetween(150, 450);
    }

    @Test
    void a_zone_that_goods_have_a_price_for_is_missed_when_it_goes() {
        Setup sound = new Shops.Maker()
                .taxes("IE", "s", "23")
                .delivers("IE", "post", "by product")
                .delivers("DE", "post", "by product")
                .sells(Thing.of("vase", "30.00", "s")
                        .weighs("1 kg")
                        .own("6.00", "1.50")
                        .own("de", "3.00", "2.00")
                        .product())
                .setup();
        Setup changed = delivery(
                sound,
                new Delivery(
                        without(sound.delivery().zones(), 1), sound.delivery().options()));
        assertThat(SetupCheck.problems(changed, sound).list())
                .isEqualTo(SetupCheck.problems(changed).list())
                .extracting(Problem::path)
                .containsExactly("goods/products/vase/sending/own/zones");
    }

    @Test
    void a_setup_compiled_on_an_earlier_one_prices_as_one_compiled_anew() {
        int priced = 0;
        for (int i = 0; i < 300; i++) {
            Setup sound = Shops.random(random);
            Setup changed = changed(sound);
            if (!SetupCheck.problems(changed).list().isEmpty()) {
                assertThatThrownBy(() -> CompiledSetup.of(changed, CompiledSetup.of(sound)))
                        .isInstanceOf(InvalidInput.class);
                continue;
            }
            Order order = Shops.randomOrder(changed, random);
            assertThat(outcome(CompiledSetup.of(changed, CompiledSetup.of(sound)), order))
                    .isEqualTo(outcome(CompiledSetup.of(changed), order));
            priced++;
        }
        assertThat(priced).isGreaterThan(100);
    }

    private static Object outcome(CompiledSetup setup, Order order) {
        try {
            return Pricing.price(setup, order);
        } catch (InvalidInput refused) {
            return refused.problems();
        }
    }
}
