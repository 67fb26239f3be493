package vestcoin.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.ProductBuilder;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Ending;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.SetupBuilder;

/**
 * A setup with every price of its goods raised by a percentage: shelf, sale, group, variation, break and hand-set
 * prices, each rounded half up to its currency's minor unit, and then brought to the ending of its currency. What
 * options add, discounts and thresholds stay.
 */
public final class PriceRise {
    private final Setup setup;
    private final BigDecimal factor;

    private PriceRise(Setup setup, BigDecimal percent) {
        this.setup = setup;
        this.factor = BigDecimal.ONE.add(percent.movePointLeft(2));
    }

    /** @param percent zero or more; at zero the same setup */
    public static Setup of(Setup setup, BigDecimal percent) {
        return percent.signum() == 0 ? setup : new PriceRise(setup, percent).raised();
    }

    private Setup raised() {
        Goods goods = setup.goods();
        return SetupBuilder.builder(setup)
                .goods(new Goods(
                        goods.products().stream().map(this::raised).toList(),
                        goods.buyerGroups(),
                        goods.groups(),
                        goods.defaultGroup(),
                        goods.lowStock()))
                .build();
    }

    private Product raised(Product product) {
        if (product.kind() == Product.Kind.DONATION || product.kind() == Product.Kind.VOUCHER) {
            return product;
        }
        return ProductBuilder.builder(product)
                .price(own(product.price()))
                .sale(product.sale().map(this::raised))
                .groupPrices(each(product.groupPrices()))
                .variations(product.variations().stream().map(this::raised).toList())
                .breaks(product.breaks().stream()
                        .map(step -> new Product.Break(step.from(), step.price().map(this::own), step.percent()))
                        .toList())
                .prices(byHand(product.prices()))
                .build();
    }

    private Product.Sale raised(Product.Sale sale) {
        return new Product.Sale(own(sale.price()), sale.window());
    }

    private Product.Variation raised(Product.Variation variation) {
        return new Product.Variation(
                variation.id(),
                variation.options(),
                variation.price().map(this::own),
                variation.sale().map(this::raised),
                variation.weight());
    }

    private Map<String, BigDecimal> each(Map<String, BigDecimal> prices) {
        Map<String, BigDecimal> raised = new LinkedHashMap<>();
        prices.forEach((group, price) -> raised.put(group, own(price)));
        return raised;
    }

    private Map<String, BigDecimal> byHand(Map<String, BigDecimal> prices) {
        Map<String, BigDecimal> raised = new LinkedHashMap<>();
        prices.forEach((currency, price) -> raised.put(currency, in(currency, price)));
        return raised;
    }

    private BigDecimal own(BigDecimal price) {
        return in(setup.shop().currency(), price);
    }

    private BigDecimal in(String currency, BigDecimal price) {
        int digits = Currencies.of(currency).orElseThrow().getDecimalPlaces();
        BigDecimal raised = price.multiply(factor).setScale(digits, RoundingMode.HALF_UP);
        return ending(currency).map(ending -> ending.of(raised)).orElse(raised);
    }

    private Optional<Ending> ending(String currency) {
        List<AcceptedCurrency> taken = setup.shop().currencies();
        return taken.stream()
                .filter(each -> each.code().equals(currency))
                .findFirst()
                .flatMap(AcceptedCurrency::ending);
    }
}
