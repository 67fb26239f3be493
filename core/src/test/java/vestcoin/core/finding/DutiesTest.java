package vestcoin.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Gateway;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.Shop;
import vestcoin.core.setup.ShopBuilder;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.TermsBuilder;

/**
 * What the law asks of a shop in the Union, one by one. Sources, from memory: Directives 2011/83/EU (with Article 11a,
 * in force since 19 June 2026), 2000/31/EC and 98/6/EC, Regulation (EU) 2016/679.
 */
class DutiesTest {
    private static final Map<String, Map<String, String>> TEXTS =
            Map.of(Terms.LEGAL_NOTICE, Map.of("en", "Test shop"), Terms.PRIVACY, Map.of("en", "We keep your address."));

    private static Terms terms(
            int days,
            boolean online,
            boolean delivery,
            Map<String, Map<String, String>> texts,
            String button,
            boolean prior,
            Map<String, Terms.Exclusion> exceptions) {
        return TermsBuilder.builder()
                .returnDays(Optional.of(30))
                .withdrawalDays(Optional.of(days))
                .onlineWithdrawal(online)
                .refundsDelivery(delivery)
                .returnAddress(List.of("7 Example Dock Road"))
                .texts(texts)
                .orderButton(Map.of("en", button))
                .prior(prior)
                .exceptions(exceptions)
                .build();
    }

    private static Terms whole() {
        return terms(14, true, true, TEXTS, "Order and pay", true, null);
    }

    private static List<String> unmet(Terms terms, Product... more) {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "1 kg")
                .terms(terms);
        for (Product product : more) {
            shop = shop.sells(product);
        }
        return unmet(shop);
    }

    private static List<String> unmet(Shops.Maker shop) {
        return Duties.of(
                        shop.compiled().setup(),
                        Check.of(shop.compiled(), new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST))))
                .stream()
                .filter(duty -> !duty.met())
                .map(Duties.Duty::path)
                .toList();
    }

    @Test
    void a_shop_that_does_all_of_it_has_all_of_it_met() {
        assertThat(unmet(whole())).isEmpty();
    }

    @Test
    void each_fault_leaves_one_duty_unmet_and_no_other() {
        assertThat(unmet(terms(13, true, true, TEXTS, "Order and pay", true, null)))
                .containsExactly("terms/withdrawalDays");
        assertThat(unmet(terms(14, false, true, TEXTS, "Order and pay", true, null)))
                .containsExactly("terms/onlineWithdrawal");
        assertThat(unmet(terms(14, true, false, TEXTS, "Order and pay", true, null)))
                .containsExactly("terms/refundsDelivery");
        assertThat(unmet(terms(14, true, true, TEXTS, "Confirm", true, null))).containsExactly("terms/orderButton");
        assertThat(unmet(terms(14, true, true, Map.of(Terms.PRIVACY, Map.of("en", "p")), "Order and pay", true, null)))
                .containsExactly("terms/texts/legal-notice");
        assertThat(unmet(terms(
                        14, true, true, Map.of(Terms.LEGAL_NOTICE, Map.of("en", "n")), "Order and pay", true, null)))
                .containsExactly("terms/texts/privacy");
        assertThat(unmet(
                        whole(),
                        Thing.of("plans", "5.00", "s")
                                .kind(Product.Kind.DIGITAL)
                                .product()))
                .containsExactly("terms/exceptions");
    }

    @Test
    void every_duty_names_its_source() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "1 kg")
                .terms(whole());
        assertThat(Duties.of(shop.compiled().setup(), List.of()))
                .hasSizeGreaterThan(7)
                .allSatisfy(duty -> {
                    assertThat(duty.source()).matches("(Directive|Regulation) .*(/EU|/EC|\\(EU\\)).*Art\\. .*");
                    assertThat(English.of(duty.how())).endsWith(".");
                });
    }

    @Test
    void where_nothing_is_known_no_list_is_made_up() {
        Shops.Maker japanese = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "1 kg")
                .terms(whole())
                .shop(s -> ShopBuilder.builder(s)
                        .address(new Shop.Address(
                                List.of("1 Example Street"), "Kyoto", Optional.empty(), "600-8001", "JP"))
                        .build());
        assertThat(Duties.of(japanese.compiled().setup(), List.of())).isEmpty();
    }

    /** The whole shop sells at 10.00 and sends at 4.00; free from 80. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Delivery costs 4.00 EUR.|true", "Delivery costs €4.|true", "Ab 80,00 € versandkostenfrei.|true",
                        "Free from EUR 80.|true", "Free from 80 euro.|true",
                "Free from 75.00 EUR.|false", "Ab 75 € versandkostenfrei.|false", "Delivery costs €4.50.|false",
                        "From €1,080.00 on.|false", "Open for 75 days, 12 USD.|true"
            })
    void an_amount_in_a_text_that_no_setting_has_is_told(String text, boolean known) {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .registered("IE")
                .sells("p", "10.00", "s", "1 kg")
                .delivers("WORLD", "post", "4.00, from 80 free")
                .terms(terms(
                        14,
                        true,
                        true,
                        Map.of(Terms.LEGAL_NOTICE, Map.of("en", "n"), "terms-of-sale", Map.of("en", text)),
                        "Order and pay",
                        true,
                        null));
        List<String> said =
                Check.of(shop.compiled(), new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST))).stream()
                        .filter(finding -> finding.id().equals("text-contradicts-setting"))
                        .map(Finding::path)
                        .toList();
        assertThat(said).isEqualTo(known ? List.of() : List.of("terms/texts/terms-of-sale/en"));
    }

    private static List<String> unmetIn(String country, String currency, Tax.Prices prices, Terms terms) {
        Shops.Maker shop = new Shops.Maker()
                .in(country, currency)
                .prices(prices)
                .taxes(country, "s", "8")
                .sells("p", "10.00", "s", "1 kg")
                .delivers(country, "post", "4.00")
                .terms(terms);
        return unmet(shop);
    }

    /**
     * Sources, from memory: for the United Kingdom SI 2013/3134, SI 2002/2013 and SI 2004/102, for Switzerland UWG, PBV
     * and DSG, for the United States 16 CFR 435, for Australia the Australian Consumer Law and section 29-70 of the GST
     * Act; see {@link NationalDuties}.
     */
    @Test
    void other_countries_ask_for_what_their_own_laws_do() {
        assertThat(unmetIn("GB", "GBP", Tax.Prices.WITH_TAX, whole())).isEmpty();
        assertThat(unmetIn("GB", "GBP", Tax.Prices.WITHOUT_TAX, Terms.NONE))
                .containsExactlyInAnyOrder(
                        "terms/withdrawalDays",
                        "terms/refundsDelivery",
                        "terms/texts/legal-notice",
                        "tax/prices",
                        "terms/texts/privacy");
        assertThat(unmetIn("CH", "CHF", Tax.Prices.WITH_TAX, whole())).isEmpty();
        assertThat(unmetIn("CH", "CHF", Tax.Prices.WITHOUT_TAX, whole())).containsExactly("tax/prices");
        assertThat(unmetIn("US", "USD", Tax.Prices.WITHOUT_TAX, whole()))
                .as("no days are promised, and nothing is said of returns")
                .containsExactly("delivery/options", "terms/texts/returns");
        assertThat(unmetIn("AU", "AUD", Tax.Prices.WITH_TAX, whole()))
                .containsExactly("shop/numbers", "terms/texts/returns");
        assertThat(unmetIn("JP", "JPY", Tax.Prices.WITH_TAX, whole()))
                .as("no list is known")
                .isEmpty();
    }
}
