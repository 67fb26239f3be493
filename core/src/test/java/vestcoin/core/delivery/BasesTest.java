package vestcoin.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.core.English;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Ending;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;

/** Every basis of a delivery price, what comes on top of it, and consignments from several places. */
class BasesTest {
    private static final Destination IE = Destination.of("IE");

    private static BigDecimal of(String figure) {
        return new BigDecimal(figure);
    }

    private static Shops.Maker shop(String rule) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "glass", "23")
                .delivers("IE", "post", rule)
                .sells(Thing.of("kilo", "40.00", "s")
                        .weighs("1 kg")
                        .own("6.00", "1.50")
                        .product())
                .sells(Thing.of("b", "10.00", "s")
                        .weighs("0.5 kg")
                        .own("4.00", "1.00")
                        .product())
                .sells(Thing.of("jar", "20.00", "glass")
                        .weighs("2 kg")
                        .own("6.00", "1.00")
                        .handled("fragile")
                        .product())
                .handling(new Delivery.Handling("fragile", "Fragile", BigDecimal.ZERO, Delivery.Handling.Per.ORDER));
    }

    private static Quote price(Shops.Maker shop, Line... lines) {
        return Pricing.price(shop.compiled(), Shops.order(IE, lines));
    }

    private static String post(Quote quote) {
        Offer offer = quote.offers().get(0);
        return offer instanceof Offer.Available offered
                ? offered.price().value().toPlainString()
                : English.of(((Offer.Unavailable) offer).reason());
    }

    @Test
    void by_product_one_travels_alone_and_the_rest_with_it() {
        // A (6.00 / 1.50) × 3 and B (4.00 / 1.00) × 1: 6.00 + 2 × 1.50 + 1.00
        assertThat(post(price(shop("by product"), Line.of("kilo", 3), Line.of("b", 1))))
                .isEqualTo("10.00");
        assertThat(post(price(shop("by product"), Line.of("b", 1)))).isEqualTo("4.00");
        // kilo and jar are as dear alone; kilo saves more by paying it: 6.00 + 1.00, not 6.00 + 1.50
        assertThat(post(price(shop("by product"), Line.of("jar", 1), Line.of("kilo", 1))))
                .isEqualTo("7.00");
        assertThat(post(price(shop("by product").sells("plain", "1.00", "s", "1 kg"), Line.of("plain", 1))))
                .isEqualTo("plain has no delivery price of its own.");
    }

    @Test
    void a_pair_of_its_own_differs_by_zone() {
        Shops.Maker shop = shop("by product")
                .taxes("DE", "s", "19")
                .delivers("DE", "post", "by product")
                .sells(Thing.of("vase", "30.00", "s")
                        .weighs("1 kg")
                        .own("6.00", "1.50")
                        .own("de", "3.00", "2.00")
                        .product());
        assertThat(post(price(shop, Line.of("vase", 2), Line.of("b", 1))))
                .as("at home the vase pays alone: 6.00 + 1.50 + 1.00")
                .isEqualTo("8.50");
        Order there = Shops.order(Destination.of("DE"), Line.of("vase", 2), Line.of("b", 1));
        assertThat(post(Pricing.price(shop.compiled(), there)))
                .as("in that zone b is the dearer alone: 4.00 + 2 × 2.00")
                .isEqualTo("8.00");
    }

    @Test
    void by_distance_along_the_geodesic() {
        Point galway = new Point(of("53.2707"), of("-9.0568"));
        Shops.Maker shop =
                shop("to 10 km 3.00, to 200 km 9.00, then +1.00/50 km").stands(galway);
        Order order = Shops.order(IE, Line.of("kilo", 1));
        assertThat(post(Pricing.price(shop.compiled(), order))).isEqualTo("The distance to this place is not known.");
        assertThat(post(Pricing.price(shop.compiled(), order.at(new Point(of("53.28"), of("-9.05"))))))
                .isEqualTo("3.00");
        assertThat(post(Pricing.price(shop.compiled(), order.at(new Point(of("53.3498"), of("-6.2603"))))))
                .as("Dublin, 186 km")
                .isEqualTo("9.00");
        assertThat(post(Pricing.price(shop.compiled(), order.at(new Point(of("54.5973"), of("-5.9301"))))))
                .as("Belfast, 254 km: two steps started")
                .isEqualTo("11.00");
        assertThat(post(Pricing.price(
                        shop("to 6 mi 3.00, to 7 mi 4.00")
                                .stands(new Point(BigDecimal.ZERO, BigDecimal.ZERO))
                                .compiled(),
                        order.at(new Point(BigDecimal.ZERO, of("0.09"))))))
                .as("10.019 km are 6.225 miles")
                .isEqualTo("4.00");
    }

    @Test
    void what_a_carrier_asks_and_a_fallback_that_says_it_is_one() {
        Shops.Maker shop = shop("quote parcel-day, else 9.90");
        Order order = Shops.order(IE, Line.of("kilo", 1));
        Quote answered = Pricing.price(
                shop.compiled(),
                order.given(PricingContext.NOTHING.with(new CarrierAnswers(Map.of("parcel-day", of("7.35"))))));
        assertThat(post(answered)).isEqualTo("7.35");
        assertThat(answered.chosen().orElseThrow().note().map(English::of)).isEmpty();
        Quote silent = Pricing.price(shop.compiled(), order);
        assertThat(post(silent)).isEqualTo("9.90");
        assertThat(silent.chosen().orElseThrow().note().map(English::of))
                .contains("The carrier did not answer; this is the fallback price.");
    }

    @Test
    void free_or_reduced_from_a_value_that_some_goods_do_not_count_to() {
        assertThat(post(price(shop("6.50, from 80 2.00"), Line.of("kilo", 2)))).isEqualTo("2.00");
        PriceRule rule = new PriceRule(
                new PriceRule.Fixed(of("6.50"), false),
                Optional.of(of("80")),
                Optional.empty(),
                List.of("glass"),
                List.of());
        assertThat(post(price(withRule(rule), Line.of("kilo", 1), Line.of("jar", 2))))
                .as("the jars do not count")
                .isEqualTo("6.50");
        assertThat(post(price(withRule(rule), Line.of("kilo", 2), Line.of("jar", 2))))
                .isEqualTo("0.00");
        PriceRule never = new PriceRule(rule.basis(), rule.freeFrom(), Optional.empty(), List.of(), List.of("fragile"));
        assertThat(post(price(withRule(never), Line.of("kilo", 2), Line.of("jar", 1))))
                .as("not with anything fragile")
                .isEqualTo("6.50");
    }

    private static Shops.Maker withRule(PriceRule rule) {
        return shop("1.00")
                .handling(new Delivery.Handling("fragile", "Fragile", BigDecimal.ZERO, Delivery.Handling.Per.ORDER))
                .delivery(d -> new Delivery(
                        List.of(new Delivery.Zone(
                                "z", "Z", d.zones().get(0).places(), List.of(), Map.of("post", rule))),
                        d.options(),
                        d.parcels(),
                        d.handling(),
                        d.dispatch(),
                        false));
    }

    private static final Delivery.Handling FRAGILE =
            new Delivery.Handling("fragile", "Fragile", of("2.50"), Delivery.Handling.Per.UNIT);

    @Test
    void what_comes_on_top_comes_in_its_order() {
        Charges charges = new Charges(
                Optional.of(of("10")),
                Optional.of(of("0.40")),
                false,
                List.of(),
                Optional.of(of("5")),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        // 6.00 + 10 % 0.60 + 0.40 = 7.00, fuel 0.35
        assertThat(post(price(shop("6.00").charges("post", charges).handling(FRAGILE), Line.of("kilo", 1))))
                .isEqualTo("7.35");
        // 7.00 + 2 × 2.50 = 12.00, fuel 0.60
        assertThat(post(price(shop("6.00").charges("post", charges).handling(FRAGILE), Line.of("jar", 2))))
                .isEqualTo("12.60");
        Charges bounds = ChargesBuilder.builder()
                .least(Optional.of(of("8.00")))
                .most(Optional.of(of("9.00")))
                .build();
        assertThat(post(price(shop("6.00").charges("post", bounds).handling(FRAGILE), Line.of("kilo", 1))))
                .isEqualTo("8.00");
        assertThat(post(price(shop("6.00").charges("post", bounds).handling(FRAGILE), Line.of("jar", 2))))
                .isEqualTo("9.00");
        Charges ending = ChargesBuilder.builder()
                .percent(Optional.of(of("3")))
                .ending(Optional.of(Ending.NINETY_FIVE))
                .build();
        assertThat(post(price(shop("6.00").charges("post", ending).handling(FRAGILE), Line.of("kilo", 1))))
                .as("6.18 raised to the ending")
                .isEqualTo("6.95");
    }

    @Test
    void handling_groups_cost_by_order_unit_kilogram_or_percent_each_or_only_the_dearest() {
        Shops.Maker shop = shop("5.00")
                .sells(Thing.of("acid", "30.00", "s")
                        .weighs("1.5 kg")
                        .handled("danger")
                        .product());
        Delivery.Handling danger = new Delivery.Handling("danger", "Danger", of("2.00"), Delivery.Handling.Per.KG);
        assertThat(post(price(shop.handling(FRAGILE, danger), Line.of("acid", 2), Line.of("jar", 1))))
                .as("5.00 + 3 kg × 2.00 + 2.50")
                .isEqualTo("13.50");
        Charges dearest = ChargesBuilder.builder().dearestOnly(true).build();
        assertThat(post(price(shop.charges("post", dearest), Line.of("acid", 2), Line.of("jar", 1))))
                .isEqualTo("11.00");
        assertThat(post(price(
                        shop("5.00")
                                .handling(new Delivery.Handling(
                                        "fragile", "Fragile", of("3.00"), Delivery.Handling.Per.ORDER)),
                        Line.of("jar", 4))))
                .isEqualTo("8.00");
        assertThat(post(price(
                        shop("5.00")
                                .handling(new Delivery.Handling(
                                        "fragile", "Fragile", of("2.5"), Delivery.Handling.Per.PERCENT)),
                        Line.of("jar", 3))))
                .as("2.5 % of 60.00")
                .isEqualTo("6.50");
    }

    @Test
    void a_surcharge_that_is_always_charged_survives_free_delivery() {
        ParcelType tube = new ParcelType(
                "tube",
                "Tube",
                Size.parse("i", "130 × 15 × 15 cm"),
                Size.parse("o", "130 × 15 × 15 cm"),
                Weight.parse("w", "0.5 kg"),
                Optional.empty());
        Charges.Oversize always = new Charges.Oversize(
                "long", "Long parcel", Optional.of(Length.parse("l", "120 cm")), null, null, of("4.00"), true);
        Charges.Oversize heavy = new Charges.Oversize(
                "heavy", "Heavy parcel", null, null, Optional.of(Weight.parse("w", "1 kg")), of("1.00"), false);
        Charges charges =
                ChargesBuilder.builder().oversize(List.of(always, heavy)).build();
        Shops.Maker shop = shop("5.00, from 80 free")
                .charges("post", charges)
                .handling(FRAGILE)
                .parcels(tube)
                .sells(Thing.of("mast", "40.00", "s")
                        .weighs("1 kg")
                        .size("125 × 10 × 10 cm")
                        .alone()
                        .product());
        assertThat(post(price(shop, Line.of("mast", 1)))).isEqualTo("10.00");
        assertThat(post(price(shop, Line.of("mast", 2))))
                .as("two long parcels, the rest is free")
                .isEqualTo("8.00");
    }

    @Test
    void a_handling_charge_that_is_always_charged_survives_free_delivery() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells(Thing.of("vase", "50.00", "s")
                        .weighs("1 kg")
                        .handled("fragile")
                        .product())
                .delivers("IE", "post", "6.00, from 40 free");
        Delivery.Handling fragile =
                new Delivery.Handling("fragile", "Fragile", new BigDecimal("2.50"), Delivery.Handling.Per.UNIT, true);
        Order two = Shops.order(Destination.of("IE"), Line.of("vase", 2));
        assertThat(Pricing.price(shop.handling(fragile).compiled(), two)
                        .chosen()
                        .orElseThrow()
                        .price()
                        .value())
                .isEqualByComparingTo("5.00");
        Delivery.Handling not =
                new Delivery.Handling("fragile", "Fragile", new BigDecimal("2.50"), Delivery.Handling.Per.UNIT);
        assertThat(Pricing.price(shop.handling(not).compiled(), two)
                        .chosen()
                        .orElseThrow()
                        .price()
                        .zero())
                .isTrue();
    }

    @Test
    void a_price_for_each_parcel() {
        ParcelType box = new ParcelType(
                "box",
                "Box",
                Size.parse("i", "20 × 20 × 20 cm"),
                Size.parse("o", "20 × 20 × 20 cm"),
                Weight.parse("w", "0 kg"),
                Optional.empty());
        Shops.Maker shop = shop("6.50/parcel")
                .handling(FRAGILE)
                .parcels(box)
                .sells(Thing.of("cube", "5.00", "s")
                        .weighs("1 kg")
                        .size("20 × 20 × 11 cm")
                        .product());
        assertThat(post(price(shop, Line.of("cube", 3)))).isEqualTo("19.50");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "by product",
                "quote parcel-day, else 9.90",
                "6.50/parcel",
                "6.50/parcel, from 80 2.00",
                "to 5 km 3.00, to 20 km 6.50",
                "to 5 mi 3.00, then +1.00/2 mi"
            })
    void the_texts_of_cells_are_read_as_they_are_written(String text) {
        assertThat(RateText.print(RateText.parse("c", text, Currencies.of("EUR").orElseThrow())
                        .orElseThrow()))
                .isEqualTo(text);
    }

    @Test
    void an_option_may_carry_only_some_goods_on_some_days_with_some_ways_to_pay() {
        assertThat(limited(DeliveryLimitsBuilder.builder().only(List.of("s")).build(), Line.of("jar", 1)))
                .isEqualTo("Carries only s.");
        assertThat(limited(
                        DeliveryLimitsBuilder.builder()
                                .except(List.of("fragile"))
                                .build(),
                        Line.of("jar", 1)))
                .isEqualTo("Does not carry fragile.");
        assertThat(limited(
                        DeliveryLimitsBuilder.builder()
                                .weekdays(List.of(DayOfWeek.MONDAY))
                                .build(),
                        Line.of("kilo", 1)))
                .as("a Wednesday")
                .isEqualTo("Not for orders placed on this day of the week.");
        assertThat(limited(
                        DeliveryLimitsBuilder.builder()
                                .longestTo(Optional.of(Length.parse("l", "1 m")))
                                .build(),
                        Line.of("mast", 1)))
                .isEqualTo("A parcel is longer than 1 m.");
        // girth of 250 × 5 × 5 is 20; 270 in all
        assertThat(limited(
                        DeliveryLimitsBuilder.builder()
                                .girthTo(Optional.of(Length.parse("l", "269 cm")))
                                .build(),
                        Line.of("mast", 1)))
                .isEqualTo("Length and girth of a parcel are over 269 cm.");
        assertThat(limited(
                        DeliveryLimitsBuilder.builder()
                                .girthTo(Optional.of(Length.parse("l", "270 cm")))
                                .build(),
                        Line.of("mast", 1)))
                .isEqualTo("5.00");
    }

    private static String limited(Delivery.Limits limits, Line line) {
        return post(price(
                shop("5.00")
                        .handling(FRAGILE)
                        .sells(Thing.of("mast", "40.00", "s")
                                .weighs("1 kg")
                                .size("250 × 5 × 5 cm")
                                .product())
                        .limits("post", limits)
                        .option("post", o -> new Delivery.Option(o.id(), o.name(), o.sentence(), o.days(), o.limits()))
                        .handling(new Delivery.Handling(
                                "fragile", "Fragile", BigDecimal.ZERO, Delivery.Handling.Per.ORDER)),
                line));
    }

    private static Shops.Maker twoPlaces() {
        Delivery.Dispatch barn = new Delivery.Dispatch(
                "barn", "Barn", Destination.of("DE"), null, Optional.of(2), List.of("post", "van"), null);
        return shop("5.00")
                .delivers("IE", "van", "2.00 + 1.00/kg")
                .delivers("IE", "bike", "3.00")
                .dispatch(barn)
                .handling(FRAGILE)
                .days("post", 2, 3)
                .sells(Thing.of("tent", "100.00", "s")
                        .weighs("4 kg")
                        .from("barn")
                        .product());
    }

    @Test
    void an_order_splits_into_consignments_and_one_option_that_covers_all_has_one_price() {
        Quote quote = price(twoPlaces(), Line.of("kilo", 1), Line.of("tent", 1));
        assertThat(quote.sent().consignments())
                .extracting(consignment ->
                        consignment.dispatch() + " " + consignment.weight().value())
                .containsExactly("shop 1", "barn 4");
        assertThat(quote.offers())
                .extracting(offer -> offer.option().id() + " "
                        + (offer instanceof Offer.Available offered
                                ? offered.price().value()
                                : English.of(((Offer.Unavailable) offer).reason())))
                .containsExactly("post 5.00", "van 7.00", "bike Not offered from Barn.");
        assertThat(quote.payable().value()).isEqualByComparingTo("145.00");
        assertThat(quote.chosen().orElseThrow().promise().orElseThrow().ready())
                .as("the barn needs two days")
                .isEqualTo("2026-11-27");
        assertThat(quote.taxes())
                .extracting(group -> group.dispatch() + " " + group.amount().value())
                .as("each is taxed on its own")
                .containsExactly("DE 103.57", "IE 41.43");
    }

    @Test
    void the_buyer_may_choose_for_each_consignment() {
        Order order = Shops.order(IE, Line.of("kilo", 1), Line.of("tent", 1))
                .withDeliveries(Map.of("shop", "bike", "barn", "van"));
        Quote quote = Pricing.price(twoPlaces().compiled(), order);
        assertThat(quote.chosen()).isEmpty();
        assertThat(quote.sent().price().orElseThrow().value())
                .as("3.00 + 2.00 + 4 kg")
                .isEqualByComparingTo("9.00");
        assertThat(quote.taxes())
                .extracting(group -> group.dispatch() + " " + group.amount().value())
                .containsExactly("DE 106.00", "IE 43.00");
        assertThat(English.of(quote.missing())).isEmpty();
        Discounts.Rule free = new Discounts.Rule(
                "free",
                "Free",
                Optional.empty(),
                Discounts.Off.DELIVERY,
                Optional.empty(),
                Optional.of(of("6.00")),
                true,
                null);
        Quote less = Pricing.price(twoPlaces().discounts(free).compiled(), order);
        assertThat(less.sent().price().orElseThrow().value()).isEqualByComparingTo("3.00");
        assertThat(less.payable().value()).isEqualByComparingTo("143.00");
    }

    @Test
    void options_are_listed_cheapest_first_then_fastest_unless_ordered_by_hand() {
        Shops.Maker shop = shop("5.00")
                .delivers("IE", "express", "5.00")
                .delivers("IE", "snail", "1.00")
                .days("post", 3, 5)
                .days("express", 1, 1);
        assertThat(price(shop, Line.of("kilo", 1)).offers())
                .extracting(offer -> offer.option().id())
                .containsExactly("snail", "express", "post");
        assertThat(price(
                                shop.delivery(d -> new Delivery(
                                        d.zones(), d.options(), d.parcels(), d.handling(), d.dispatch(), true)),
                                Line.of("kilo", 1))
                        .offers())
                .extracting(offer -> offer.option().id())
                .containsExactly("post", "express", "snail");
    }
}
