package vestcoin.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;

/** First baseline: everything looked up beforehand, only the arithmetic is left. */
final class ByHand {
    private final Arithmetic.Item[] items;
    private final Arithmetic.Bands[] options;
    private final Arithmetic.Fee[] fees;
    private final BigDecimal[] rates = {BigDecimal.valueOf(19), BigDecimal.valueOf(7)};
    private final Discounts.Rule discount;
    private final int chosen;

    ByHand(Setup setup, Order order) {
        List<Arithmetic.Item> found = new ArrayList<>();
        for (Line line : order.lines()) {
            Product product = setup.goods().products().stream()
                    .filter(each -> each.id().equals(line.product()))
                    .findFirst()
                    .orElseThrow();
            found.add(item(product, line));
        }
        items = found.toArray(new Arithmetic.Item[0]);
        options = options(setup.delivery().zones().get(0));
        fees = fees(setup.payment());
        discount = setup.discounts().rules().get(0);
        chosen = Integer.parseInt(order.delivery().orElseThrow().substring(1));
    }

    Arithmetic.Result price() {
        return Arithmetic.order(
                items,
                discount.percent().orElseThrow(),
                discount.conditions().leastValue().orElseThrow(),
                options,
                chosen,
                rates,
                fees);
    }

    static Arithmetic.Item item(Product product, Line line) {
        BigDecimal extra = BigDecimal.ZERO;
        for (Product.Option option : product.options()) {
            for (Product.Choice choice : option.choices()) {
                if (choice.id().equals(line.options().get(option.id()))) {
                    extra = extra.add(choice.extra().orElse(BigDecimal.ZERO));
                }
            }
        }
        return new Arithmetic.Item(
                product.price(),
                extra,
                line.quantity(),
                product.weight().orElseThrow().kilograms(),
                product.category().equals(Optional.of("full")) ? 0 : 1);
    }

    static Arithmetic.Bands[] options(Delivery.Zone zone) {
        return zone.rates().values().stream().map(ByHand::bands).toArray(Arithmetic.Bands[]::new);
    }

    private static Arithmetic.Bands bands(PriceRule rule) {
        PriceRule.Bands bands = (PriceRule.Bands) rule.basis();
        return new Arithmetic.Bands(
                bands.bands().stream().map(PriceRule.Band::upTo).toArray(BigDecimal[]::new),
                bands.bands().stream().map(PriceRule.Band::price).toArray(BigDecimal[]::new),
                bands.then().orElseThrow().price());
    }

    static Arithmetic.Fee[] fees(Payment payment) {
        return payment.methods().stream()
                .map(method -> new Arithmetic.Fee(
                        method.fee().orElseThrow().percent(),
                        method.fee().orElseThrow().fixed()))
                .toArray(Arithmetic.Fee[]::new);
    }
}
