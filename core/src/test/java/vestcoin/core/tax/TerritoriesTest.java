package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.discount.Discounts;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;

/**
 * Places that are taxed as another's, places with rates of their own, and regions of one country. Source: Directive
 * 2006/112/EC, Articles 6, 7, 104, 105.
 */
class TerritoriesTest {
    private static Shops.Maker irish() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("FR", "s", "20")
                .taxes("DE", "s", "19")
                .taxes("AT", "s", "20")
                .taxes("PT", "s", "23")
                .sells("kite", "123.00", "s", "1 kg")
                .delivers("WORLD", "post", "0.00")
                .registered("IE")
                .oneStopShop();
    }

    private static Quote price(Shops.Maker shop, Destination to) {
        return Pricing.price(shop.compiled(), Shops.order(to, Line.of("kite", 1)));
    }

    private static String rate(Quote quote) {
        return quote.taxes().get(0).code() + " "
                + quote.taxes().get(0).rate().stripTrailingZeros().toPlainString();
    }

    private static List<String> sentences(Quote quote) {
        return quote.treatments().stream()
                .map(TaxLiability::sentence)
                .map(English::of)
                .toList();
    }

    private static List<String> findings(Shops.Maker shop) {
        return Check.of(shop.compiled(), new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST))).stream()
                .filter(finding -> finding.station() == Finding.Station.TAX)
                .map(Finding::id)
                .toList();
    }

    @Test
    void monaco_bears_frances_rate_without_a_row_of_its_own_and_the_sentence_says_so() {
        Quote quote = price(irish(), Destination.of("MC", "98000"));
        assertThat(rate(quote)).isEqualTo("S 20");
        assertThat(quote.tax().value()).isEqualByComparingTo("20.50");
        assertThat(sentences(quote)).containsExactly("Person in Monaco, one-stop shop on: the rates of France.");
    }

    @Test
    void the_isle_of_man_bears_the_united_kingdoms_rate_for_a_british_seller() {
        Shops.Maker british = new Shops.Maker()
                .in("GB", "GBP")
                .taxes("GB", "s", "20")
                .sells("kite", "120.00", "s", "1 kg")
                .delivers("WORLD", "post", "0.00")
                .registered("GB");
        assertThat(rate(price(british, Destination.of("IM", "IM1 1AA")))).isEqualTo("S 20");
    }

    @Test
    void a_row_typed_for_such_a_place_does_not_win_and_a_finding_says_so() {
        Shops.Maker shop = irish().taxes("MC", "s", "5");
        assertThat(rate(price(shop, Destination.of("MC", "98000")))).isEqualTo("S 20");
        assertThat(findings(shop)).contains("row-of-another-territory");
    }

    /** Jungholz and Mittelberg 19 %, Madeira 22, the Azores 16 [from memory]; by their German postcodes too. */
    @ParameterizedTest
    @CsvSource({
        "AT, 6691, 19",
        "AT, 6992, 19",
        "AT, 6900, 20",
        "DE, 87491, 19",
        "DE, 87569, 19",
        "DE, 87000, 19",
        "PT, 9000-001, 22",
        "PT, 9400-123, 23",
        "PT, 9500-321, 16",
        "PT, 1000-001, 23"
    })
    void places_with_rates_of_their_own_bear_them_once_the_book_is_filled(
            String country, String postcode, String expected) {
        Shops.Maker shop = irish();
        Tax tax = shop.setup().tax();
        List<Tax.PlaceRates> filled = TaxBookFilling.of(tax, Destination.of("IE"), List.of(Place.parse("EU")));
        List<Tax.PlaceRates> rows = new java.util.ArrayList<>(tax.places());
        rows.addAll(filled);
        shop.change(s -> new vestcoin.core.setup.Setup(
                s.shop(),
                s.goods(),
                s.discounts(),
                s.delivery(),
                TaxBuilder.builder()
                        .prices(s.tax().prices())
                        .categories(s.tax().categories())
                        .places(rows)
                        .registrations(s.tax().registrations())
                        .build(),
                s.payment(),
                s.rehearsal()));
        assertThat(rate(price(shop, Destination.of(country, postcode)))).isEqualTo("S " + expected);
    }

    @Test
    void jungholz_by_its_german_postcode_is_austria() {
        assertThat(rate(price(irish(), Destination.of("DE", "87491"))))
                .as("Austria's, as long as the book has no row for it")
                .isEqualTo("S 20");
    }

    @Test
    void a_book_that_has_only_the_countrys_rate_for_such_a_place_is_told() {
        assertThat(findings(irish())).contains("own-rates-missing");
    }

    /** A bound shorter than a country's codes stands for all codes that begin with it. */
    @ParameterizedTest
    @CsvSource({
        "PT, 9000..9399, 9000-001, true",
        "PT, 9000..9399, 9399-999, true",
        "PT, 9000..9399, 9400-000, false",
        "PT, 9000..9399, 8999-999, false",
        "JP, 100..102, 102-0083, true",
        "JP, 100..102, 103-0001, false",
        "US, 28801..28805, 28805-1234, true",
        "DE, 10..12, 12999, true",
        "DE, 10..12, 13000, false"
    })
    void a_range_typed_short_covers_the_codes_that_begin_with_it(
            String country, String range, String code, boolean covered) {
        assertThat(Place.parse(country + ":" + range).contains(Destination.of(country, code)))
                .isEqualTo(covered);
    }

    private static Buyer business(String country) {
        return BuyerBuilder.builder()
                .kind(Buyer.Kind.BUSINESS)
                .number(Optional.of(new Buyer.TaxNumber(
                        country,
                        "1",
                        Optional.of(new Buyer.Confirmed(true, Instant.parse("2026-11-25T11:00:00Z"), "R")))))
                .build();
    }

    /** Art. 33 with 14(4): no distance sale to a business of the dispatch state, wherever in the Union its goods go. */
    @Test
    void a_business_with_the_dispatch_states_number_bears_the_dispatch_states_tax() {
        Order order = Shops.order(Destination.of("DE"), Line.of("kite", 1)).by(business("IE"));
        Quote quote = Pricing.price(irish().compiled(), order);
        assertThat(rate(quote)).isEqualTo("S 23");
        assertThat(sentences(quote))
                .containsExactly("A business with a confirmed number of Ireland: the rates of Ireland.");
    }

    /**
     * Art. 59c with 78(b): net after discounts, delivery included. 123.00 less 50 % and 36.90 of delivery is 98.40,
     * 80.00 without 23 %.
     */
    @ParameterizedTest
    @CsvSource({"9920.00, S 23", "9920.01, S 19"})
    void the_order_that_passes_the_threshold_counts_after_discounts_and_with_its_delivery(
            String before, String expected) {
        Discounts.Rule half = new Discounts.Rule(
                "half",
                "half",
                Optional.empty(),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("50")),
                Optional.empty(),
                true,
                null);
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("DE", "s", "19")
                .sells("kite", "123.00", "s", "1 kg")
                .delivers("WORLD", "post", "36.90")
                .registered("IE")
                .discounts(half);
        Order order = Shops.order(Destination.of("DE"), Line.of("kite", 1))
                .given(PricingContext.NOTHING.with(new Sales(BigDecimal.ZERO, new BigDecimal(before))));
        assertThat(rate(Pricing.price(shop.compiled(), order))).isEqualTo(expected);
    }

    @Test
    void the_why_of_a_stripped_price_says_whose_tax_is_taken_out() {
        Quote quote = Pricing.price(
                irish().compiled(),
                Shops.order(Destination.of("DE"), Line.of("kite", 1)).by(business("DE")));
        assertThat(English.of(quote.lines().get(0).unit().label())).isEqualTo("without the tax of Ireland");
        Shops.Maker earns = irish().standing(Tax.CrossBorderPricing.WHAT_THE_SELLER_EARNS);
        assertThat(English.of(
                        price(earns, Destination.of("FR")).lines().get(0).unit().label()))
                .isEqualTo("at the rate of France");
    }

    private static Shops.Maker american() {
        return new Shops.Maker()
                .in("US", "USD")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("US-NC", "s", "State 4.75 + County 2.25")
                .taxes("US-TX", "s", "6.25")
                .sells("kite", "0.50", "s", "1 lb")
                .delivers("US", "post", "0.00")
                .registered("US-NC");
    }

    private static Destination us(String region, String postcode) {
        return new Destination("US", Optional.ofNullable(region), Optional.ofNullable(postcode));
    }

    @Test
    void a_region_the_seller_is_not_registered_in_is_untaxed_and_both_quote_and_check_say_so() {
        Quote texas = price(american(), us("US-TX", "78701"));
        assertThat(rate(texas)).isEqualTo("O 0");
        assertThat(sentences(texas)).containsExactly("Not registered in Texas: no tax is charged there.");
        assertThat(findings(american())).contains("not-registered-there");
    }

    @Test
    void origin_sourcing_ends_at_the_sellers_own_state() {
        Shops.Maker shop = american()
                .sourcing(Tax.Sourcing.ORIGIN)
                .registered("US-TX")
                .shop(s -> new vestcoin.core.setup.Shop(
                        s.name(),
                        "",
                        new vestcoin.core.setup.Shop.Address(List.of(), "", Optional.of("US-NC"), "28801", "US"),
                        "",
                        "",
                        "USD",
                        "en-US",
                        "America/New_York",
                        "lb",
                        s.rounding(),
                        s.sellsTo()));
        assertThat(rate(price(shop, us("US-NC", "27601")))).isEqualTo("S 7");
        assertThat(rate(price(shop, us("US-TX", "78701")))).isEqualTo("S 6.25");
        assertThat(rate(price(american().sourcing(Tax.Sourcing.ORIGIN), us("US-TX", "78701"))))
                .isEqualTo("O 0");
    }

    /**
     * 0.50 × 4.75 % is 0.02375 and × 2.25 % 0.01125: one by one 0.02 and 0.01, their sum 0.035 rounds to 0.04.
     * Streamlined Sales and Use Tax Agreement, § 324 [from memory].
     */
    @Test
    void state_and_county_are_rounded_once_for_their_sum() {
        Quote quote = price(american(), us("US-NC", "28801"));
        assertThat(quote.tax().value()).isEqualByComparingTo("0.04");
        assertThat(quote.taxes().get(0).components())
                .extracting(component -> component.tax().value().toPlainString())
                .containsExactly("0.03", "0.01");
    }

    @Test
    void a_postcode_under_the_name_of_another_state_is_asked_about() {
        assertThat(org.assertj.core.api.Assertions.catchThrowableOfType(
                                InvalidInput.class, () -> price(american(), us("US-TX", "28801")))
                        .problems())
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.path()).isEqualTo("order/to/postcode");
                    assertThat(English.of(problem.sentence()))
                            .isEqualTo("“28801” is a postcode of North Carolina, " + "not of Texas.");
                });
        assertThat(rate(price(american(), us(null, "28801"))))
                .as("the postcode tells the state where none is named")
                .isEqualTo("S 7");
    }
}
