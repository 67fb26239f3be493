package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.invoice.Bill;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBuilder;
import vestcoin.core.tax.TaxGroup;

/**
 * What belongs to several lines is shared out once, alike whoever buys, and why, quote and paper hold the same shares.
 */
class SharesTest {
    private static final Buyer GERMAN_BUSINESS = BuyerBuilder.builder()
            .kind(Buyer.Kind.BUSINESS)
            .number(Optional.of(new Buyer.TaxNumber(
                    "DE", "1", Optional.of(new Buyer.Confirmed(true, Instant.parse("2026-11-25T11:00:00Z"), "R")))))
            .build();

    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "gear", "23")
                .taxes("IE", "books", "0")
                .taxes("DE", "gear", "19")
                .taxes("DE", "books", "7")
                .sells("kite", "123.00", "gear", "1 kg")
                .sells("book", "100.00", "books", "1 kg")
                .delivers("WORLD", "post", "22.30")
                .registered("IE");
    }

    /** By tax category, what the order's delivery puts into the tax bases. */
    private static Map<String, BigDecimal> delivery(Quote quote) {
        Map<String, BigDecimal> shares = new TreeMap<>();
        for (TaxGroup group : quote.taxes()) {
            group.parts().stream()
                    .filter(part -> part.key().startsWith("delivery"))
                    .forEach(
                            part -> shares.merge(group.category(), part.amount().value(), BigDecimal::add));
        }
        return shares;
    }

    /** 22.30 over 123.00 and 100.00 is 12.30 and 10.00; the first without 23 % is 10.00. */
    @Test
    void a_business_bears_the_shares_a_person_bears_stripped_of_their_tax() {
        Order order = Shops.order(Destination.of("DE"), Line.of("kite", 1), Line.of("book", 1));
        Quote person = Pricing.price(shop().compiled(), order);
        assertThat(delivery(person))
                .isEqualTo(Map.of("gear", new BigDecimal("12.30"), "books", new BigDecimal("10.00")));
        Quote business = Pricing.price(shop().compiled(), order.by(GERMAN_BUSINESS));
        assertThat(delivery(business))
                .isEqualTo(Map.of("gear", new BigDecimal("10.00"), "books", new BigDecimal("10.00")));
        assertThat(business.sent().price().orElseThrow().value()).isEqualByComparingTo("20.00");
        List<String> why = business.chosen().orElseThrow().price().all().stream()
                .filter(figure ->
                        figure.rule().equals("rule/rerated") || figure.rule().equals("rule/delivery-taxed-like-goods"))
                .map(figure -> figure.value().toPlainString())
                .toList();
        assertThat(why).as("the shares its why shows").contains("12.30", "10.00");
    }

    @Test
    void delivery_over_goods_at_nothing_is_shared_by_what_they_cost_before() {
        Shops.Maker free = shop().discounts(new Discounts.Rule(
                "all",
                "all",
                Optional.empty(),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("100")),
                Optional.empty(),
                true,
                null));
        Quote quote = Pricing.price(
                free.compiled(), Shops.order(Destination.of("IE"), Line.of("kite", 2), Line.of("book", 1)));
        // 22.30 over 246.00 and 100.00
        assertThat(delivery(quote)).isEqualTo(Map.of("gear", new BigDecimal("15.85"), "books", new BigDecimal("6.45")));
    }

    /** Of 12.30: the highest rate at home is 23 %, books bear none, and what is not taxed has nothing to strip. */
    @ParameterizedTest
    @CsvSource({"HIGHEST_RATE, , 10.00", "OWN_CATEGORY, books, 12.30", "OWN_CATEGORY, gear, 10.00", "NOT_TAXED, , 12.30"
    })
    void delivery_is_stripped_of_the_tax_it_bears_at_home_by_the_homes_own_rule(
            Tax.Way way, String category, String expected) {
        Shops.Maker shop = shop().delivers("WORLD", "post", "12.30").taxesDelivery("IE", way, category);
        Quote business = Pricing.price(
                shop.compiled(),
                Shops.order(Destination.of("DE"), Line.of("kite", 1), Line.of("book", 1))
                        .by(GERMAN_BUSINESS));
        assertThat(business.sent().price().orElseThrow().value()).isEqualByComparingTo(expected);
        papers(business);
    }

    @Test
    void for_every_order_why_quote_and_paper_hold_the_same_shares_whoever_buys() {
        Random random = new Random(505);
        RandomShops shops = new RandomShops(random);
        int compared = 0;
        for (int i = 0; i < 2500; i++) {
            Setup made = shops.shop();
            Order order = shops.order(made).to(Destination.of("DE"));
            if (made.tax().prices() == Tax.Prices.WITHOUT_TAX
                    || made.tax().smallBusiness().isPresent()
                    || order.currency().isPresent()) {
                continue;
            }
            Tax tax = made.tax();
            Setup setup = new Setup(
                    made.shop(),
                    made.goods(),
                    made.discounts(),
                    made.delivery(),
                    TaxBuilder.builder()
                            .prices(tax.prices())
                            .categories(tax.categories())
                            .places(tax.places())
                            .registrations(tax.registrations())
                            .standing(Tax.CrossBorderPricing.WHAT_THE_BUYER_PAYS)
                            .build(),
                    made.payment(),
                    null);
            CompiledSetup compiled = CompiledSetup.of(setup);
            Quote person = Pricing.price(compiled, order.by(Buyer.PERSON));
            Quote business = Pricing.price(compiled, order.by(GERMAN_BUSINESS));
            papers(person);
            papers(business);
            boolean sameWay = person.chosen()
                    .map(offer -> offer.option().id())
                    .equals(business.chosen().map(offer -> offer.option().id()));
            boolean allSentFromHome = business.sent().consignments().size() == 1
                    && business.sent().consignments().get(0).from().country().equals("IE");
            boolean likeGoods = setup.tax().places().stream().allMatch(row -> row.delivery()
                    .filter(how -> how.way() != Tax.Way.LIKE_GOODS)
                    .isEmpty());
            if (!sameWay
                    || !likeGoods
                    || !allSentFromHome
                    || person.chosen().isEmpty()
                    || !person.chosen()
                            .get()
                            .shelf()
                            .value()
                            .equals(business.chosen().get().shelf().value())
                    || !person.off().stream()
                            .map(off -> off.shelf().value())
                            .toList()
                            .equals(business.off().stream()
                                    .map(off -> off.shelf().value())
                                    .toList())) {
                continue;
            }
            Map<String, BigDecimal> stripped = new TreeMap<>();
            delivery(person)
                    .forEach((category, share) -> stripped.put(
                            category,
                            share.multiply(new BigDecimal(100))
                                    .divide(
                                            new BigDecimal(100).add(atHome(setup, category)),
                                            share.scale(),
                                            setup.shop().rounding().mode())));
            assertThat(delivery(business)).as("shop %s, %s", i, order.lines()).isEqualTo(stripped);
            compared++;
        }
        assertThat(compared).isGreaterThan(400);
    }

    private static BigDecimal atHome(Setup setup, String category) {
        return setup.tax().places().stream()
                .filter(row -> row.name().equals("IE"))
                .findFirst()
                .orElseThrow()
                .rates()
                .get(category)
                .total();
    }

    private static void papers(Quote quote) {
        Map<String, BigDecimal> onPaper = Bill.of(quote, "IE").stream()
                .flatMap(bill -> bill.items().stream())
                .filter(item -> item.kind() == Bill.Kind.DELIVERY)
                .collect(Collectors.toMap(item -> item.key(), Bill.Item::gross, BigDecimal::add));
        BigDecimal paper = onPaper.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal bases = delivery(quote).values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(paper)
                .isEqualByComparingTo(
                        quote.sent().price().map(price -> price.value()).orElse(BigDecimal.ZERO))
                .isEqualByComparingTo(bases);
    }
}
