package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import vestcoin.core.calendar.Window;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/** What is charged of a rate, and how it is rounded: by who levies it, by the calendar, on the first so much. */
class TaxRatesTest {
    private static Quote price(Shops.Maker shop, String product, Destination to, UnaryOperator<Order> change) {
        return Pricing.price(shop.compiled(), change.apply(Shops.order(to, Line.of(product, 1))));
    }

    private static Shops.Maker american() {
        Tax.Rate asheville = new Tax.Rate(List.of(
                new Tax.Component("State", new BigDecimal("4.75"), false, Optional.of("US-NC"), null),
                new Tax.Component("County", new BigDecimal("2.25"), false, Optional.of("US-NC"), null)));
        return new Shops.Maker()
                .in("US", "USD")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("US-NC", "s", "4.75")
                .taxes("US:28801", "s", "7")
                .row(
                        "US:28801",
                        row -> new Tax.PlaceRates(
                                row.id(),
                                row.name(),
                                row.places(),
                                row.except(),
                                Map.of("s", asheville),
                                row.delivery()))
                .taxes("US-TX", "s", "6.25")
                .sells(Thing.of("dial", "100.00", "s").weighs("1 lb").product())
                .delivers("US", "post", "0.00")
                .registered("US-NC");
    }

    @Test
    void a_component_is_charged_only_where_the_seller_is_registered_with_who_levies_it() {
        Quote asheville = price(
                american(), "dial", new Destination("US", Optional.of("US-NC"), Optional.of("28801")), order -> order);
        assertThat(asheville.tax().value()).isEqualByComparingTo("7.00");
        assertThat(asheville.taxes().get(0).components()).hasSize(2);
        Quote texas = price(
                american(), "dial", new Destination("US", Optional.of("US-TX"), Optional.of("78701")), order -> order);
        assertThat(texas.tax().value()).isEqualByComparingTo("0.00");
        assertThat(texas.taxes().get(0).code()).isEqualTo(TaxLiability.Code.O);
    }

    @Test
    void origin_sourcing_takes_the_rates_of_where_it_comes_from() {
        Shops.Maker shop = american()
                .sourcing(Tax.Sourcing.ORIGIN)
                .shop(s -> new Shop(
                        s.name(),
                        "",
                        new Shop.Address(List.of(), "", Optional.of("US-NC"), "28801", "US"),
                        "",
                        "",
                        "USD",
                        "en-US",
                        "America/New_York",
                        "lb",
                        s.rounding(),
                        s.sellsTo()));
        assertThat(price(
                                shop,
                                "dial",
                                new Destination("US", Optional.of("US-NC"), Optional.of("27601")),
                                order -> order)
                        .tax()
                        .value())
                .isEqualByComparingTo("7.00");
    }

    /** From memory: Florida's county surtax is on the first 5,000 dollars of an item only, state tax 6 %. */
    @Test
    void a_levy_may_be_on_the_first_so_much_of_an_item() {
        Tax.Rate florida = new Tax.Rate(List.of(
                new Tax.Component("State", new BigDecimal("6")),
                new Tax.Component("County", BigDecimal.ONE, false, null, Optional.of(new BigDecimal("5000")))));
        Shops.Maker shop = new Shops.Maker()
                .in("US", "USD")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("US-FL", "s", "6")
                .row(
                        "US-FL",
                        row -> new Tax.PlaceRates(
                                row.id(), row.name(), row.places(), row.except(), Map.of("s", florida), row.delivery()))
                .sells(Thing.of("boat", "8000.00", "s").weighs("1 lb").product())
                .delivers("US", "post", "0.00");
        Destination miami = new Destination("US", Optional.of("US-FL"), Optional.empty());
        Quote one = price(shop, "boat", miami, order -> order);
        assertThat(one.taxes().get(0).components())
                .extracting(component -> component.tax().value().toPlainString())
                .containsExactly("480.00", "50.00");
        Quote two = Pricing.price(shop.compiled(), Shops.order(miami, Line.of("boat", 2)));
        assertThat(two.taxes().get(0).components())
                .extracting(component -> component.tax().value().toPlainString())
                .containsExactly("960.00", "100.00");
    }

    private static Shops.Maker dated() {
        return new Shops.Maker()
                .taxes("DE", "s", "19")
                .taxes("DE DE-BE", "s", "19")
                .in("DE", "EUR")
                .sells(Thing.of("kite", "119.00", "s").weighs("1 kg").product())
                .delivers("DE", "post", "0.00")
                .change(s -> new Setup(
                        s.shop(),
                        s.goods(),
                        s.discounts(),
                        s.delivery(),
                        new Tax(
                                Tax.Prices.WITH_TAX,
                                s.tax().categories(),
                                List.of(row("until", "19", null, "2026-12-31"), row("from", "16", "2027-01-01", null))),
                        s.payment(),
                        s.rehearsal()));
    }

    private static Tax.PlaceRates row(String id, String rate, String from, String to) {
        return new Tax.PlaceRates(
                id,
                id,
                List.of(new Place.Country("DE")),
                List.of(),
                Map.of("s", Tax.Rate.of("VAT", rate)),
                null,
                Optional.of(new Window(
                        Optional.ofNullable(from).map(LocalDate::parse),
                        Optional.ofNullable(to).map(LocalDate::parse))),
                null,
                null,
                null);
    }

    @Test
    void a_rate_holds_by_the_calendar_of_the_place() {
        assertThat(rate("2026-12-31T22:59:59Z")).isEqualTo("19");
        assertThat(rate("2026-12-31T23:00:00Z"))
                .as("midnight in Berlin, an hour before midnight in the shop's Dublin")
                .isEqualTo("16");
    }

    private static String rate(String at) {
        return price(dated(), "kite", Destination.of("DE"), order -> order.placed(Instant.parse(at)))
                .taxes()
                .get(0)
                .components()
                .get(0)
                .rate()
                .value()
                .toPlainString();
    }

    private static Quote rounded(Tax.RoundedBy by) {
        Shops.Maker shop = new Shops.Maker()
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("IE", "s", "A 5 + B 9.975")
                .sells(Thing.of("a", "0.50", "s").weighs("1 kg").product())
                .sells(Thing.of("b", "0.50", "s").weighs("1 kg").product())
                .delivers("IE", "post", "0.00")
                .row(
                        "IE",
                        row -> new Tax.PlaceRates(
                                row.id(),
                                row.name(),
                                row.places(),
                                row.except(),
                                row.rates(),
                                null,
                                null,
                                null,
                                Optional.of(by),
                                null));
        return Pricing.price(shop.compiled(), Shops.order(Destination.of("IE"), Line.of("a", 1), Line.of("b", 1)));
    }

    @Test
    void tax_is_rounded_by_component_for_the_sum_or_by_line() {
        // on 1.00: 0.05 and 0.09975
        assertThat(rounded(Tax.RoundedBy.COMPONENT).taxes().get(0).components())
                .extracting(c -> c.tax().value().toPlainString())
                .containsExactly("0.05", "0.10");
        assertThat(rounded(Tax.RoundedBy.SUM).tax().value())
                .as("0.14975 rounded once")
                .isEqualByComparingTo("0.15");
        // on 0.50 twice: 0.025 → 0.03 and 0.049875 → 0.05
        assertThat(rounded(Tax.RoundedBy.LINE).taxes().get(0).components())
                .extracting(c -> c.tax().value().toPlainString())
                .containsExactly("0.06", "0.10");
    }

    /** From memory: Japan rounds once a rate an invoice. */
    @Test
    void once_a_group_is_once_a_rate_of_an_order() {
        Shops.Maker shop = new Shops.Maker()
                .in("JP", "JPY")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("JP", "s", "10")
                .sells(Thing.of("a", "105", "s").weighs("1 kg").product())
                .delivers("JP", "post", "0")
                .payment(p -> new Payment(List.of()));
        assertThat(Pricing.price(
                                shop.compiled(),
                                Shops.order(Destination.of("JP"), Line.of("a", 1), Line.of("a", 1), Line.of("a", 1)))
                        .tax()
                        .value())
                .as("31.5, not 3 × 11")
                .isEqualByComparingTo("32");
    }
}
