package vestcoin.core.quote;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import vestcoin.core.basket.Basket;
import vestcoin.core.calendar.Window;
import vestcoin.core.delivery.ChargeableWeight;
import vestcoin.core.delivery.Charges;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Together;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Ending;
import vestcoin.core.money.Exchange;
import vestcoin.core.money.Rounding;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.payment.PaymentBuilder;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;
import vestcoin.core.tax.Tax;

/** Shops and orders by chance that use every part of pricing now and then. */
public final class RandomShops {
    /**
     * No tax is lower anywhere. Below it BR-CO-17 of the published rules for EN 16931 (release 1.3.16) rounds the rate
     * to nothing and wants no tax at all.
     */
    private static final BigDecimal LOWEST_RATE = new BigDecimal("0.5");

    private final Random random;
    private String currency = "EUR";

    public RandomShops(Random random) {
        this.random = random;
    }

    private boolean chance(int oneIn) {
        return random.nextInt(oneIn) == 0;
    }

    /** An amount below so many hundredths of a euro, in the like of it. */
    private String amount(int below) {
        return money(BigDecimal.valueOf(random.nextInt(below), 2).toPlainString());
    }

    /** An amount of euro in the size and digits of the shop's currency: 4.90, 490, 4.900. */
    private String money(String euro) {
        BigDecimal amount = new BigDecimal(euro);
        return switch (currency) {
            case "JPY" -> amount.movePointRight(2).setScale(0).toPlainString();
            case "KWD" ->
                amount.add(BigDecimal.valueOf(amount.unscaledValue().intValue() % 7, 3))
                        .setScale(3)
                        .toPlainString();
            default -> amount.setScale(2).toPlainString();
        };
    }

    /** A rate with its amounts, written in braces, in the shop's currency. */
    private String rate(String text) {
        return Pattern.compile("\\{(.*?)}")
                .matcher(text)
                .replaceAll(found -> money(found.group(1)))
                .replace("EUR", currency);
    }

    private BigDecimal percent(int below) {
        return BigDecimal.valueOf(random.nextInt(below), 2);
    }

    @SafeVarargs
    private <T> T any(T... of) {
        return of[random.nextInt(of.length)];
    }

    public Setup shop() {
        currency = any("EUR", "EUR", "JPY", "KWD");
        Tax.Prices prices = any(Tax.Prices.values());
        Shops.Maker maker = new Shops.Maker()
                .in("IE", currency)
                .prices(prices)
                .rounding(any(Rounding.values()))
                .standing(any(Tax.CrossBorderPricing.values()));
        int categories = 1 + random.nextInt(3);
        taxes(maker, categories, prices);
        delivery(maker);
        for (int p = 0; p < 8; p++) {
            maker.sells(asking(thing(p, categories), p).product());
        }
        maker.sells(Thing.of("gift", money("0.00"), null)
                .kind(Product.Kind.DONATION)
                .bounds(money("1.00"), money("500.00"))
                .product());
        maker.sells(Thing.of("set", money("0.00"), null)
                .holds(
                        new Line("p0", BigDecimal.ONE, Map.of("size", "s")),
                        new Line("p1", BigDecimal.valueOf(2), Map.of("size", "l")))
                .together(
                        chance(2)
                                ? Together.SUM
                                : new Together(Together.Priced.SUM, Optional.of(percent(3000)), null, null, null))
                .product());
        maker.sells(Thing.of("box", money("80.00"), null)
                .kind(Product.Kind.BOX)
                .together(new Together(
                        chance(2) ? Together.Priced.OWN : Together.Priced.SUM,
                        Optional.empty(),
                        Optional.of(2),
                        Optional.of(6),
                        List.of(
                                new Together.BoxPart("a", "p1", Map.of("size", "s"), Optional.empty()),
                                new Together.BoxPart(
                                        "b", "p2", Map.of("size", "l"), Optional.of(new BigDecimal(amount(300)))),
                                new Together.BoxPart("c", "p5", Map.of("size", "s"), Optional.empty()))))
                .product());
        for (int d = random.nextInt(4); d > 0; d--) {
            boolean percent = random.nextBoolean();
            Discounts.Conditions when = new Discounts.Conditions(
                    chance(3) ? Optional.of(new BigDecimal(amount(9000))) : null,
                    null,
                    chance(4) ? List.of("c0") : null,
                    null,
                    null,
                    false,
                    null,
                    null,
                    null);
            maker.discounts(new Discounts.Rule(
                    "d" + d,
                    "d" + d,
                    Optional.empty(),
                    chance(3) ? Discounts.Off.DELIVERY : Discounts.Off.GOODS,
                    percent ? Optional.of(percent(10_001)) : Optional.empty(),
                    percent ? Optional.empty() : Optional.of(new BigDecimal(amount(9000))),
                    random.nextInt(3) > 0,
                    when));
        }
        if (chance(3)) {
            maker.takes("CHF", chance(2) ? "1.5" : null, chance(2) ? any(Ending.values()) : null);
        }
        maker.pays(new Payment.Method(
                "door",
                Payment.Kind.CASH_ON_DELIVERY,
                true,
                "Cash",
                "",
                null,
                null,
                chance(2) ? Optional.of(new Payment.Charge(percent(500), new BigDecimal(amount(400)))) : null,
                null,
                null));
        maker.pays(new Payment.Method(
                "bank",
                Payment.Kind.TRANSFER,
                true,
                "Bank",
                "",
                null,
                null,
                chance(2) ? Optional.of(new Payment.Charge(percent(300).negate(), null)) : null,
                null,
                null));
        maker.payment(p -> PaymentBuilder.builder()
                .methods(p.methods())
                .cashSteps(Map.of(currency, new BigDecimal(money("0.05"))))
                .build());
        return maker.setup();
    }

    private void taxes(Shops.Maker maker, int categories, Tax.Prices prices) {
        for (int c = 0; c < categories; c++) {
            maker.taxes(
                    "IE",
                    "c" + c,
                    chance(5)
                            ? any("GST 5 + QST 9.975", "GST 5 + Levy on top 7.5")
                            : percent(2600).add(LOWEST_RATE).toPlainString());
            maker.taxes("DE", "c" + c, String.valueOf(random.nextInt(27) + 1));
            if (chance(2)) {
                maker.taxes("EU", "c" + c, String.valueOf(random.nextInt(27) + 1));
            }
        }
        if (chance(3)) {
            maker.taxesDelivery("IE", any(Tax.Way.values()), "c0");
        }
        if (chance(3)) {
            Tax.RoundedBy by = any(Tax.RoundedBy.values());
            maker.row(
                    "IE",
                    row -> new Tax.PlaceRates(
                            row.id(),
                            row.name(),
                            row.places(),
                            row.except(),
                            row.rates(),
                            row.delivery(),
                            null,
                            null,
                            Optional.of(by),
                            null));
        }
        if (chance(2)) {
            maker.registered("IE");
            if (chance(2)) {
                maker.oneStopShop();
            }
        }
        maker.netForBusinesses();
        if (chance(12)) {
            maker.smallBusiness("No tax.");
        }
    }

    private void delivery(Shops.Maker maker) {
        maker.delivers(
                "IE",
                "post",
                rate(any(
                        "to 1 kg {4.90}, to 5 kg {7.90}, then +{0.80}/kg, from {180} free",
                        "by product",
                        "to 10 km {3.00}, then +{1.00}/5 km",
                        "quote day, else {9.90}",
                        "{4.40}/parcel, from {90} {1.00}")));
        maker.delivers("IE", "van", rate("to 5 lb {6.10}, to 20 lb {12.35}, then +{1.15}/2 lb"));
        maker.delivers("EU", "post", rate("to 3 items {9.95}, then +{3.33}/2 items"));
        maker.delivers(
                "EU",
                "van",
                rate(any("{2.00} + {1.37}/lb", "{2.00} + {0.35}/item", "{3.33} + 2.5 %", "{1.10} + {0.99}/kg")));
        maker.delivers("WORLD", "post", rate("to {50} EUR {25.00}, to {50000} EUR {15.05}"));
        maker.days("post", 2, 4).stands(new Point(new BigDecimal("53.2707"), new BigDecimal("-9.0568")));
        Delivery.Handling.Per per = any(Delivery.Handling.Per.values());
        maker.handling(new Delivery.Handling(
                "fragile",
                "Fragile",
                new BigDecimal(per == Delivery.Handling.Per.PERCENT ? "1.35" : money("1.35")),
                per,
                chance(3)));
        if (chance(2)) {
            maker.parcels(new ParcelType(
                    "box",
                    "Box",
                    Size.parse("i", "40 × 30 × 20 cm"),
                    Size.parse("o", "41 × 31 × 21 cm"),
                    Weight.parse("w", "0.3 kg"),
                    Optional.of(Weight.parse("m", "15 kg")),
                    Optional.of(new BigDecimal(money("0.85")))));
            maker.costs("IE", "post", rate("to 1 kg {3.20}, to 5 kg {5.05}, then +{0.61}/kg"));
            maker.costs("EU", "van", rate("{1.15}/parcel"));
        }
        if (chance(2)) {
            maker.charges(
                    "van",
                    new Charges(
                            Optional.of(percent(900)),
                            Optional.of(new BigDecimal(amount(300))),
                            random.nextBoolean(),
                            List.of(new Charges.Oversize(
                                    "long",
                                    "Long",
                                    Optional.of(Length.parse("l", "40 cm")),
                                    null,
                                    null,
                                    new BigDecimal(money("2.22")),
                                    random.nextBoolean())),
                            Optional.of(percent(1200)),
                            Optional.of(new BigDecimal(money("3.00"))),
                            Optional.of(new BigDecimal(money("60.00"))),
                            chance(3) && currency.equals("EUR") ? Optional.of(Ending.NINETY_FIVE) : null));
            maker.chargeable(
                    "van",
                    new ChargeableWeight(new BigDecimal("5000"), null, Optional.of(Weight.parse("s", "0.5 kg"))));
        }
        maker.dispatch(new Delivery.Dispatch(
                "barn", "Barn", Destination.of(any("IE", "DE")), null, Optional.of(1), null, null));
    }

    private Thing thing(int p, int categories) {
        Thing thing = Thing.of("p" + p, amount(20_000), "c" + random.nextInt(categories))
                .option(
                        "size",
                        "s",
                        "l " + (chance(2) ? percent(5000).subtract(new BigDecimal("15")) + "%" : amount(600)));
        if (p % 3 > 0) {
            thing.costs(money("3.15"));
        }
        if (p > 1 && chance(6)) {
            return thing.kind(any(Product.Kind.DIGITAL, Product.Kind.SERVICE, Product.Kind.REMOTE_SERVICE));
        }
        thing.weighs(BigDecimal.valueOf(random.nextInt(9000), 3).toPlainString() + any(" kg", " lb"))
                .own(amount(900), amount(300));
        if (chance(2)) {
            thing.size((3 + random.nextInt(50)) + " × " + (3 + random.nextInt(25)) + " × " + (2 + random.nextInt(15))
                    + " cm");
        }
        if (chance(4)) {
            thing.handled("fragile");
        }
        if (chance(5)) {
            thing.from("barn");
        }
        if (chance(5)) {
            thing.perUnit("deposit", amount(50), null, chance(3));
        }
        if (chance(5)) {
            thing.breaks(
                    List.of(new Product.Break(BigDecimal.valueOf(3), Optional.empty(), Optional.of(percent(3000)))));
        }
        if (chance(5)) {
            thing.sale(new Product.Sale(
                    new BigDecimal(amount(9000)),
                    new Window(Optional.of(LocalDate.parse("2026-11-01")), Optional.empty())));
        }
        return chance(6) ? thing.variation("big", "size=l", amount(20_000), null) : thing;
    }

    /** Two pieces of the first goods, and perhaps others. */
    private List<Line> filled() {
        List<Line> parts = new ArrayList<>();
        parts.add(new Line("p1", BigDecimal.valueOf(2), Map.of("size", "s")));
        if (chance(2)) {
            parts.add(new Line("p2", BigDecimal.ONE, Map.of("size", "l")));
        }
        if (chance(2)) {
            parts.add(new Line("p5", BigDecimal.valueOf(3), Map.of("size", "s")));
        }
        return parts;
    }

    /** Two of the products ask something that is paid for, and need no answer. */
    private Thing asking(Thing thing, int product) {
        return switch (product) {
            case 3 ->
                thing.asks(new Question(
                        "name",
                        "Name",
                        Question.Kind.TEXT,
                        false,
                        null,
                        null,
                        Optional.of(new BigDecimal(amount(300))),
                        null,
                        Optional.of(new BigDecimal(amount(90)))));
            case 4 ->
                thing.asks(new Question(
                        "wrapped",
                        "Wrapped",
                        Question.Kind.TICK,
                        false,
                        null,
                        null,
                        null,
                        Optional.of(percent(2000)),
                        null));
            default -> thing;
        };
    }

    private Map<String, String> answers(int product) {
        return switch (product) {
            case 3 -> chance(2) ? Map.of("name", any("Ann", "J\u00fcrgen M.", "\ud83d\ude00")) : Map.of();
            case 4 -> chance(2) ? Map.of("wrapped", Question.YES) : Map.of();
            default -> Map.of();
        };
    }

    public Order order(Setup shop) {
        currency = shop.shop().currency();
        boolean foreign = !shop.shop().currencies().isEmpty() && random.nextBoolean();
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            int product = random.nextInt(8);
            lines.add(new Line(
                    "p" + product,
                    BigDecimal.valueOf(1 + random.nextInt(7)),
                    Map.of("size", any("s", "l")),
                    Optional.empty(),
                    answers(product),
                    List.of()));
        }
        if (chance(8)) {
            lines.add(new Line(
                    "gift",
                    BigDecimal.ONE,
                    Map.of(),
                    Optional.of(new BigDecimal(foreign ? "15.00" : money("15.00"))),
                    Map.of(),
                    List.of()));
        }
        if (chance(8)) {
            lines.add(Line.of("set", 1 + random.nextInt(2)));
        }
        if (chance(5)) {
            lines.add(Line.of("box", 1 + random.nextInt(2)).holding(filled()));
        }
        Destination to = any(
                Destination.of("IE"),
                Destination.of("DE"),
                Destination.of("FR"),
                Destination.of("US"),
                Destination.of("GB", "BT1 5GS"),
                Destination.of("ES", "35001"));
        Order order = Order.of(Shops.NOON, Basket.of(lines, to), Map.of("cards", Gateway.TEST))
                .withMethod(any("card", "door", "bank", null))
                .at(new Point(new BigDecimal("53.30"), new BigDecimal("-9.00")));
        if (chance(4)) {
            Buyer.Confirmed yes = new Buyer.Confirmed(true, Instant.parse("2026-11-25T11:00:00Z"), "R");
            order = order.by(any(
                    BuyerBuilder.builder()
                            .kind(Buyer.Kind.BUSINESS)
                            .number(Optional.of(new Buyer.TaxNumber("DE", "1", Optional.of(yes))))
                            .build(),
                    BuyerBuilder.builder().exempt(Optional.of("certificate")).build()));
        }
        PricingContext outside = PricingContext.NOTHING.with(new Exchange(
                "EUR",
                LocalDate.parse("2026-11-24"),
                Map.of(
                        "CHF",
                        new BigDecimal("0.9312"),
                        "JPY",
                        new BigDecimal("163.21"),
                        "KWD",
                        new BigDecimal("0.3377"))));
        return (foreign ? order.in("CHF") : order)
                .given(
                        chance(4)
                                ? outside.with(voucher(
                                        foreign
                                                ? BigDecimal.valueOf(random.nextInt(9000), 2)
                                                : new BigDecimal(amount(9000))))
                                : outside);
    }

    /** Every other one was paid for, and of these every other one is taxed already. */
    private static PricingContext.Voucher voucher(BigDecimal balance) {
        BigInteger units = balance.unscaledValue();
        boolean taxed = !units.testBit(0) && units.testBit(1);
        return new PricingContext.Voucher(
                "V",
                balance,
                units.testBit(0),
                taxed
                        ? Optional.of(new PricingContext.Taxed("DE", BigDecimal.valueOf(units.intValue() % 27 + 1)))
                        : null);
    }
}
