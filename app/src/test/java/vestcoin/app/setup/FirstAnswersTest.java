package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.StringNode;
import vestcoin.app.format.Json;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.app.setup.FirstAnswers.Reach;
import vestcoin.app.setup.FirstAnswers.Sells;
import vestcoin.app.setup.FirstAnswers.SendingPrice;
import vestcoin.app.setup.FirstAnswers.Way;
import vestcoin.core.delivery.RateText;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

class FirstAnswersTest {
    private static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");

    private static Setup answered(String country, String region, List<Sells> sells, List<Way> ways, Reach to) {
        FirstAnswers answers = new FirstAnswers(
                null, Optional.ofNullable(region), sells, ways, null, Optional.ofNullable(to), null, null, null, null);
        return answers.applied(FirstDraft.of("A shop", country, "").setup(), NOON);
    }

    private static Quote sample(Setup setup) {
        var basket = setup.rehearsal().baskets().get(0);
        return Pricing.price(CompiledSetup.of(setup), Order.of(NOON, basket.order(), Map.of()));
    }

    /** The currencies and languages are CLDR's through ICU4J; with or without tax is common practice, no source. */
    @ParameterizedTest
    @Witness(value = "shop.weightUnit", felt = Felt.DESK)
    @CsvSource({
        "IE, , EUR, en-IE, Europe/Dublin, kg, WITH_TAX, 25.00",
        "US, US-NC, USD, en-US, , lb, WITHOUT_TAX, 26.19",
        "JP, , JPY, ja-JP, Asia/Tokyo, kg, WITH_TAX, 2500",
        "CH, , CHF, de-CH, Europe/Zurich, kg, WITH_TAX, 25.00"
    })
    void the_place_gives_money_language_time_and_units_and_the_sample_basket_is_priced(
            String country,
            String region,
            String currency,
            String language,
            String zone,
            String unit,
            Tax.Prices prices,
            String payable) {
        Setup setup = answered(country, region, List.of(Sells.THINGS), List.of(Way.SENT), null);
        assertThat(setup.shop().currency()).isEqualTo(currency);
        assertThat(setup.shop().language()).isEqualTo(language);
        assertThat(setup.shop().weightUnit()).isEqualTo(unit);
        assertThat(setup.tax().prices()).isEqualTo(prices);
        if (zone != null) {
            assertThat(setup.shop().timeZone()).isEqualTo(zone);
        }
        // What a first basket weighs and how far is brought are in the shop's own units.
        assertThat(setup.goods().products().get(0).weight().orElseThrow().text())
                .isEqualTo("1 " + unit);
        Quote quote = sample(setup);
        assertThat(quote.missing()).isEmpty();
        // 20.00 and 5.00; in North Carolina 4.75 % on both is 1.1875
        assertThat(quote.payable().value()).isEqualTo(payable);
    }

    @Test
    void what_is_not_answered_is_not_switched_on() {
        Setup setup = answered("IE", null, List.of(), List.of(), null);
        assertThat(setup.goods().products()).isEmpty();
        assertThat(setup.delivery().zones()).isEmpty();
        assertThat(setup.pickup().places()).isEmpty();
        assertThat(setup.pickup().local()).isEmpty();
        assertThat(setup.payment().methods()).isEmpty();
        assertThat(setup.tax().places()).as("the rates of home").hasSize(1);
    }

    @Test
    void the_whole_union_gets_its_rates_and_a_zone() {
        Setup setup = answered("IE", null, List.of(Sells.values()), List.of(Way.values()), Reach.UNION);
        assertThat(setup.tax().places())
                .as("and three places with rates of their own")
                .hasSize(27 + 3)
                .allMatch(row -> row.toConfirm().isPresent());
        assertThat(setup.delivery().zones()).extracting(zone -> zone.id()).containsExactly("home", "union");
        assertThat(setup.pickup().places()).hasSize(1);
        assertThat(setup.pickup().local()).isPresent();
        assertThat(setup.goods().products()).hasSize(3);
    }

    private static Setup again(Setup setup, SendingPrice sending, Reach to) {
        return new FirstAnswers(
                        null,
                        null,
                        List.of(Sells.THINGS),
                        List.of(Way.SENT),
                        Optional.of(sending),
                        Optional.of(to),
                        null,
                        null,
                        null,
                        null)
                .applied(setup, NOON);
    }

    @Test
    void how_things_are_sent_decides_what_the_first_sheet_has() {
        Setup begun = answered("IE", null, List.of(Sells.THINGS), List.of(Way.SENT), Reach.COUNTRY);
        Map<SendingPrice, String> rates = new java.util.EnumMap<>(SendingPrice.class);
        for (SendingPrice sending : SendingPrice.values()) {
            rates.put(
                    sending,
                    RateText.print(again(begun, sending, Reach.COUNTRY)
                            .delivery()
                            .zones()
                            .get(0)
                            .rates()
                            .get("standard")));
        }
        assertThat(rates)
                .containsEntry(SendingPrice.ONE_PRICE, "5.00")
                .containsEntry(SendingPrice.BY_WEIGHT, "to 1 kg 5.00, to 5 kg 10.00, then +1.00/kg")
                .containsEntry(SendingPrice.BY_CARRIER, "quote parcel, else 5.00")
                .containsEntry(SendingPrice.FREE, "free");
    }

    @Test
    void answered_again_what_is_as_it_was_laid_is_laid_anew_and_what_was_typed_stays() {
        Setup begun = answered("IE", null, List.of(Sells.THINGS), List.of(Way.SENT, Way.FETCHED), Reach.COUNTRY);
        Setup wider = again(begun, SendingPrice.BY_WEIGHT, Reach.UNION);
        assertThat(wider.delivery().zones()).extracting(zone -> zone.id()).containsExactly("home", "union");
        assertThat(wider.goods().products()).hasSize(1);
        assertThat(wider.pickup().places()).as("no longer fetched").isEmpty();
        assertThat(wider.tax().places()).hasSize(27 + 3);
        Document laid = Document.of(wider);
        Document typed = laid.with(List.of(
                typed(laid, "goods/products/thing/name", "Oar"),
                typed(laid, "delivery/zones/home/rates/standard", "7.77")));
        Setup after = again(typed.setup(), SendingPrice.FREE, Reach.COUNTRY);
        assertThat(after.goods().products())
                .extracting(product -> product.name())
                .containsExactly("Oar");
        assertThat(RateText.print(after.delivery().zones().get(0).rates().get("standard")))
                .isEqualTo("7.77");
    }

    private static Edit typed(Document document, String path, String text) {
        return Edits.understood(
                new Edit(path, Edits.at(document.tree(), path), Optional.of(StringNode.valueOf(text))),
                document.tree());
    }

    /** South Korea's money, language and clock are CLDR's through ICU4J. */
    @Test
    void another_country_brings_its_money_language_and_clock_and_names_are_in_its_language_where_it_ships() {
        Setup begun = answered("IE", null, List.of(Sells.THINGS), List.of(Way.SENT), Reach.COUNTRY);
        Setup moved = Json.read(
                        "{\"country\": \"Südkorea\", \"sells\": [\"things\"], \"ways\": [\"sent\"]}",
                        FirstAnswers.class)
                .applied(begun, NOON);
        assertThat(moved.shop().currency()).isEqualTo("KRW");
        assertThat(moved.shop().timeZone()).isEqualTo("Asia/Seoul");
        assertThat(moved.goods().products())
                .extracting(product -> product.price().toPlainString())
                .containsExactly("2000");
        Setup german = answered("AT", null, List.of(Sells.THINGS), List.of(Way.SENT), Reach.COUNTRY);
        assertThat(german.goods().products().get(0).name()).isEqualTo("Erste Ware");
        assertThat(german.rehearsal().baskets().get(0).name()).isEqualTo("Einmal Erste Ware");
    }

    @Test
    void figures_typed_before_another_country_is_answered_keep_their_numbers_and_its_postcode_goes() {
        Setup begun = answered("IE", null, List.of(Sells.THINGS), List.of(Way.SENT), Reach.COUNTRY);
        Document laid = Document.of(begun);
        Document typed = laid.with(List.of(
                typed(laid, "goods/products/thing/price", "24.50"),
                typed(laid, "delivery/zones/home/rates/standard", "to 1 kg 4.90"),
                typed(laid, "shop/address/postcode", "H91 X2A0"),
                typed(laid, "shop/smallest", "10.00")));
        Setup moved = Json.read(
                        "{\"country\": \"Südkorea\", \"sells\": [\"things\"], \"ways\": [\"sent\"]}",
                        FirstAnswers.class)
                .applied(typed.setup(), NOON);
        assertThat(Document.of(moved).setup().shop().currency())
                .as("and the setup stands")
                .isEqualTo("KRW");
        assertThat(moved.goods().products().get(0).price().toPlainString()).isEqualTo("25");
        assertThat(RateText.print(moved.delivery().zones().get(0).rates().get("standard")))
                .isEqualTo("to 1 kg 5");
        assertThat(moved.shop().address().postcode()).isEmpty();
        assertThat(moved.shop().smallest().orElseThrow().toPlainString()).isEqualTo("10");
    }

    @Test
    void a_country_with_several_clocks_is_asked_for_one_and_a_clock_nobody_knows_is_refused() {
        FirstAnswers given =
                Json.read("{\"timeZone\": \"America/Denver\", \"sells\": [], \"ways\": []}", FirstAnswers.class);
        assertThat(given.applied(FirstDraft.of("A shop", "US", "").setup(), NOON)
                        .shop()
                        .timeZone())
                .isEqualTo("America/Denver");
        assertThatThrownBy(() -> new FirstAnswers(
                        null, null, null, null, null, null, null, null, null, Optional.of("Nowhere/Town")))
                .isInstanceOf(InvalidInput.class);
    }
}
