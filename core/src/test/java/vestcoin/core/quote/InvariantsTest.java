package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/** What holds for every order of every shop, tried on shops and orders made by chance from fixed seeds. */
class InvariantsTest {
    private static final int ORDERS = 5000;

    /** Each of so many shops with an order of its own. */
    private static void each(int count, BiConsumer<CompiledSetup, Order> check) {
        Random random = new Random(20261125);
        RandomShops shops = new RandomShops(random);
        List<Setup> setups = new ArrayList<>();
        List<Order> orders = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            setups.add(shops.shop());
            orders.add(shops.order(setups.get(i)));
        }
        // Made one after the other, so that they are the same each time; looked at on all processors.
        IntStream.range(0, count).parallel().forEach(i -> {
            Order order = orders.get(i);
            try {
                check.accept(CompiledSetup.of(setups.get(i)), order);
            } catch (AssertionError e) {
                throw new AssertionError("shop " + i + ", " + order.to() + ", " + order.lines(), e);
            }
        });
    }

    private static BigDecimal sum(Stream<BigDecimal> amounts) {
        return amounts.reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static Stream<Figure> amounts(Quote quote) {
        return Stream.of(
                        Stream.of(quote.goods(), quote.weight(), quote.tax(), quote.payable(), quote.toPay()),
                        quote.lines().stream().flatMap(line -> Stream.of(line.unit(), line.amount(), line.weight())),
                        quote.lines().stream()
                                .flatMap(line -> line.perUnit().stream().map(levied -> levied.amount())),
                        Stream.of(
                                        quote.perUnit(),
                                        quote.fee(),
                                        quote.rounding(),
                                        quote.sent().price())
                                .flatMap(Optional::stream),
                        quote.vouchers().stream().map(VoucherUse::used),
                        quote.sent().distances().stream().map(Distance::more),
                        quote.sent().consignments().stream()
                                .flatMap(consignment -> Stream.concat(
                                        Stream.of(consignment.weight()),
                                        consignment.packed().parcels().stream().map(parcel -> parcel.weight()))),
                        Stream.concat(quote.discounts().stream(), quote.off().stream())
                                .flatMap(r -> Stream.concat(Stream.of(r.amount()), r.shares().values().stream())),
                        quote.offers().stream()
                                .filter(Offer.Available.class::isInstance)
                                .map(offer -> ((Offer.Available) offer).price()),
                        quote.taxes().stream()
                                .flatMap(group -> group.components().stream().map(TaxGroup.ComponentTax::tax)),
                        quote.taxes().stream().flatMap(group -> group.parts().stream()
                                .flatMap(part -> Stream.of(part.amount(), part.tax()))),
                        quote.methods().stream()
                                .flatMap(seen -> Stream.concat(seen.fee().stream(), seen.charge().stream())))
                .flatMap(stream -> stream);
    }

    /** Parts are computed when they are first read: whichever are read first, each is the same. */
    private static void readBackwards(CompiledSetup shop, Order order, Quote quote) {
        Quote other = Pricing.price(shop, order);
        assertThat(other.missing()).isEqualTo(quote.missing());
        assertThat(other.left()).isEqualTo(quote.left());
        assertThat(other.renewing()).isEqualTo(quote.renewing());
        assertThat(other.methods()).isEqualTo(quote.methods());
        assertThat(other.notApplied()).isEqualTo(quote.notApplied());
        assertThat(other.sent().slots()).isEqualTo(quote.sent().slots());
        assertThat(other.sent().distances()).isEqualTo(quote.sent().distances());
        assertThat(other.offers()).isEqualTo(quote.offers());
    }

    @Test
    void every_order_of_every_shop() {
        long began = System.nanoTime();
        AtomicIntegerArray seen = new AtomicIntegerArray(3);
        Set<String> kinds = new ConcurrentSkipListSet<>();
        each(ORDERS, (shop, order) -> {
            Quote quote = Pricing.price(shop, order);
            seen.addAndGet(0, replayed(quote));
            addsUp(quote);
            keeps(quote);
            quote.withoutTax().ifPresent(net -> {
                readNet(quote, net);
                seen.incrementAndGet(2);
            });
            nothingNegative(quote);
            Quote again = Pricing.priceUntraced(shop, order);
            assertThat(amounts(again).map(Figure::value).toList())
                    .as("the same again, traced or not")
                    .isEqualTo(amounts(quote).map(Figure::value).toList());
            assertThat(again.missing()).isEqualTo(quote.missing());
            readBackwards(shop, order, quote);
            permuted(shop, order, quote);
            oneMore(shop, order, quote);
            kinds.add(quote.currency() + " " + quote.prices());
            seen.incrementAndGet(1);
        });
        assertThat(kinds)
                .as("no, two and three digits, with tax inside and added")
                .contains(
                        "JPY WITH_TAX",
                        "JPY WITHOUT_TAX",
                        "EUR WITH_TAX",
                        "EUR WITHOUT_TAX",
                        "KWD WITH_TAX",
                        "KWD WITHOUT_TAX");
        System.out.printf(
                "invariants: %d shops and orders, %d figures replayed, %d s%n",
                seen.get(1), seen.get(0), (System.nanoTime() - began) / 1_000_000_000);
        assertThat(seen.get(1)).isEqualTo(ORDERS);
        assertThat(seen.get(2)).as("read by businesses").isGreaterThan(ORDERS / 50);
        assertThat(seen.get(0)).isGreaterThan(20 * ORDERS);
    }

    private static int replayed(Quote quote) {
        int[] count = {0};
        Set<Figure> all = Collections.newSetFromMap(new IdentityHashMap<>());
        amounts(quote).flatMap(figure -> figure.all().stream()).filter(all::add).forEach(figure -> {
            if (figure.replayed().compareTo(figure.value()) != 0) {
                throw new AssertionError(figure.rule() + " " + figure.label() + " does not replay: " + figure.replayed()
                        + " is not " + figure.value());
            }
            count[0]++;
        });
        return count[0];
    }

    private static void addsUp(Quote quote) {
        BigDecimal off =
                sum(quote.off().stream().map(reduction -> reduction.amount().value()));
        BigDecimal each = sum(quote.sent().each().values().stream()
                .flatMap(apart -> apart.chosen().stream())
                .map(offer -> offer.price().value()));
        BigDecimal delivery =
                quote.chosen().map(offer -> offer.price().value()).orElse(each).subtract(off);
        assertThat(quote.sent().price().map(Figure::value).orElse(BigDecimal.ZERO))
                .isEqualByComparingTo(delivery);
        BigDecimal goods = quote.goods()
                .value()
                .subtract(sum(quote.discounts().stream()
                        .map(reduction -> reduction.amount().value())));
        quote.discounts().forEach(reduction -> assertThat(
                        sum(reduction.shares().values().stream().map(Figure::value)))
                .isEqualByComparingTo(reduction.amount().value()));
        assertThat(sum(quote.lines().stream().map(line -> line.amount().value())))
                .isEqualByComparingTo(quote.goods().value());
        BigDecimal perUnit = quote.perUnit().map(Figure::value).orElse(BigDecimal.ZERO);
        BigDecimal fee = quote.fee().map(Figure::value).orElse(BigDecimal.ZERO);
        BigDecimal added =
                quote.prices() == Tax.Prices.WITHOUT_TAX ? quote.tax().value() : BigDecimal.ZERO;
        BigDecimal taxed = goods.add(perUnit).add(delivery).add(fee);
        assertThat(taxed.add(added)).isEqualByComparingTo(quote.payable().value());
        assertThat(sum(quote.taxes().stream().map(group -> group.amount().value())))
                .isEqualByComparingTo(taxed);
        for (TaxGroup group : quote.taxes()) {
            assertThat(sum(group.parts().stream().map(part -> part.amount().value())))
                    .isEqualByComparingTo(group.amount().value());
            assertThat(sum(group.parts().stream().map(part -> part.tax().value())))
                    .isEqualByComparingTo(sum(group.components().stream()
                            .map(component -> component.tax().value())));
        }
        assertThat(sum(quote.taxes().stream()
                        .flatMap(group -> group.components().stream())
                        .map(component -> component.tax().value())))
                .isEqualByComparingTo(quote.tax().value());
        BigDecimal vouchers =
                sum(quote.vouchers().stream().map(use -> use.used().value()));
        assertThat(quote.payable()
                        .value()
                        .subtract(vouchers)
                        .add(quote.rounding().map(Figure::value).orElse(BigDecimal.ZERO)))
                .isEqualByComparingTo(quote.toPay().value());
    }

    /** What is kept by each way to pay is what is payable by it, rounded, less everything that goes elsewhere. */
    private static void keeps(Quote quote) {
        OrderCosts costs = quote.costs();
        assertThat(costs.all())
                .isEqualByComparingTo(sum(Stream.of(costs.goods(), costs.packing(), costs.carrier(), costs.vouchers())
                        .flatMap(Optional::stream)
                        .map(Figure::value)));
        quote.methods().stream()
                .filter(method ->
                        quote.fee().equals(method.charge()) && quote.vouchers().isEmpty())
                .forEach(method -> assertThat(method.keep())
                        .isEqualByComparingTo(method.toPay()
                                .subtract(quote.tax().value())
                                .subtract(method.fee().map(Figure::value).orElse(BigDecimal.ZERO))
                                .subtract(costs.all())));
    }

    /** The rows without tax and the tax come to what is payable; none is above what it is with its tax. */
    private static void readNet(Quote quote, WithoutTax net) {
        List<BigDecimal> chosen = quote.chosen()
                .map(offer -> List.of(offer.price().value()))
                .orElse(quote.sent().each().values().stream()
                        .flatMap(apart -> apart.chosen().stream())
                        .map(offer -> offer.price().value())
                        .toList());
        BigDecimal onTop = BigDecimal.ZERO;
        for (int i = 0; i < quote.lines().size(); i++) {
            assertThat(net.lines().get(i))
                    .isLessThanOrEqualTo(quote.lines().get(i).amount().value());
            for (int p = 0; p < net.perUnit().get(i).size(); p++) {
                if (!quote.lines().get(i).perUnit().get(p).inside()) {
                    onTop = onTop.add(net.perUnit().get(i).get(p));
                }
            }
        }
        assertThat(net.discounts())
                .hasSize(quote.discounts().size() + quote.off().size());
        assertThat(net.goods()
                        .subtract(sum(net.discounts().stream()))
                        .add(onTop)
                        .add(sum(net.delivery(chosen).stream()))
                        .add(net.fee().orElse(BigDecimal.ZERO))
                        .add(quote.tax().value()))
                .isEqualByComparingTo(quote.payable().value());
    }

    /**
     * Nothing is negative but reductions, what follows from them, and the rounding of cash; amounts are whole minor
     * units.
     */
    private static void nothingNegative(Quote quote) {
        boolean reduced = quote.fee().filter(fee -> fee.value().signum() < 0).isPresent();
        quote.methods().forEach(seen -> seen.fee()
                .ifPresent(fee -> assertThat(fee.value().signum()).isNotNegative()));
        Stream.of(
                        List.of(quote.goods(), quote.weight(), quote.payable(), quote.toPay()),
                        quote.lines().stream().map(line -> line.amount()).toList(),
                        quote.vouchers().stream().map(VoucherUse::used).toList(),
                        quote.taxes().stream()
                                .map(TaxGroup::amount)
                                .filter(figure -> !reduced)
                                .toList())
                .flatMap(List::stream)
                .forEach(figure -> assertThat(figure.value().signum())
                        .as(English.of(figure.label()))
                        .isNotNegative());
        int digits = CurrencyUnit.of(quote.currency()).getDecimalPlaces();
        amounts(quote).forEach(figure -> assertThat(figure.unit().equals("kg")
                        || figure.unit().equals("km")
                        || figure.value().scale() == digits)
                .as(English.of(figure.label()))
                .isTrue());
    }

    private static void permuted(CompiledSetup shop, Order order, Quote quote) {
        List<Line> reversed = new ArrayList<>(order.lines());
        Collections.reverse(reversed);
        Quote other = Pricing.priceUntraced(shop, order.of(reversed));
        assertThat(List.of(
                        other.payable().value(),
                        other.tax().value(),
                        other.goods().value(),
                        other.toPay().value()))
                .isEqualTo(List.of(
                        quote.payable().value(),
                        quote.tax().value(),
                        quote.goods().value(),
                        quote.toPay().value()));
    }

    /** Adding a unit lowers the goods total only where a break says so. */
    private static void oneMore(CompiledSetup shop, Order order, Quote quote) {
        List<Line> more = new ArrayList<>(order.lines());
        Line first = more.get(0);
        more.set(0, first.of(first.quantity().add(BigDecimal.ONE)));
        BigDecimal goods = Pricing.priceUntraced(shop, order.of(more)).goods().value();
        boolean broken =
                !shop.shelf().find(first.product()).orElseThrow().breaks().isEmpty();
        assertThat(broken || goods.compareTo(quote.goods().value()) >= 0).isTrue();
    }

    /** A quote never changes because another edition was made from the one that gave it. */
    @Test
    void a_later_edition_changes_no_earlier_quote() {
        each(200, (shop, order) -> {
            Quote before = Pricing.price(shop, order);
            Setup setup = shop.setup();
            CompiledSetup next = CompiledSetup.of(
                    new Setup(
                            setup.shop(),
                            setup.goods(),
                            null,
                            setup.delivery(),
                            new Tax(Tax.Prices.WITHOUT_TAX, setup.tax().categories(), List.of()),
                            setup.payment(),
                            null),
                    shop);
            Pricing.price(next, order);
            assertThat(Pricing.price(shop, order)).isEqualTo(before);
        });
    }

    /** Whole prices and rates, so that the same unit price can be entered with and without its tax exactly. */
    @Test
    void with_and_without_tax_agree_to_one_minor_unit_a_group() {
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            int[] rates = {1 + random.nextInt(26), random.nextInt(10)};
            Shops.Maker with = new Shops.Maker();
            Shops.Maker without = new Shops.Maker().prices(Tax.Prices.WITHOUT_TAX);
            List<Line> lines = new ArrayList<>();
            String currency = List.of("EUR", "JPY", "KWD").get(i % 3);
            int digits = CurrencyUnit.of(currency).getDecimalPlaces();
            with.in("IE", currency);
            without.in("IE", currency);
            for (int c = 0; c < 2; c++) {
                with.taxes("IE", "c" + c, String.valueOf(rates[c]));
                without.taxes("IE", "c" + c, String.valueOf(rates[c]));
                BigDecimal net = BigDecimal.valueOf((1 + random.nextInt(300)) * (digits == 0 ? 100 : 1))
                        .setScale(digits);
                BigDecimal gross = net.multiply(BigDecimal.valueOf(100 + rates[c]))
                        .movePointLeft(2)
                        .setScale(digits);
                with.sells(Thing.of("p" + c, gross.toPlainString(), "c" + c)
                        .kind(Product.Kind.DIGITAL)
                        .product());
                without.sells(Thing.of("p" + c, net.toPlainString(), "c" + c)
                        .kind(Product.Kind.DIGITAL)
                        .product());
                lines.add(Line.of("p" + c, 1 + random.nextInt(9)));
            }
            Order order = Shops.order(Destination.of("IE"), lines.toArray(Line[]::new));
            Quote one = Pricing.priceUntraced(with.compiled(), order);
            Quote other = Pricing.priceUntraced(without.compiled(), order);
            assertThat(one.payable().value().subtract(other.payable().value()).abs())
                    .isLessThanOrEqualTo(BigDecimal.valueOf(one.taxes().size(), digits));
        }
    }

    /**
     * Against arithmetic written out by hand: tax inside = amount × rate ÷ (100 + rates), on the printed group amounts.
     */
    @Test
    void tax_agrees_with_the_printed_check() {
        each(1000, (shop, order) -> {
            Quote quote = Pricing.priceUntraced(shop, order);
            RoundingMode mode = shop.setup().shop().rounding().mode();
            for (TaxGroup group : quote.taxes()) {
                if (group.levy()
                        .flatMap(levy -> levy.row().rounding())
                        .filter(by -> by != Tax.RoundedBy.COMPONENT)
                        .isPresent()) {
                    continue;
                }
                BigDecimal rates = sum(group.components().stream()
                        .map(component -> component.rate().value()));
                BigDecimal hundred = new BigDecimal(100);
                BigDecimal divisor = quote.prices() == Tax.Prices.WITH_TAX ? hundred.add(rates) : hundred;
                group.components()
                        .forEach(component -> assertThat(component.tax().value())
                                .isEqualByComparingTo(group.amount()
                                        .value()
                                        .multiply(component.rate().value())
                                        .divide(divisor, group.amount().value().scale(), mode)));
            }
        });
    }
}
