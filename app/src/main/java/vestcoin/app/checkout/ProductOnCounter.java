package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Product;

/**
 * A product as the counter draws it: what delivery, tax and customs need to know of it stays with the shop.
 *
 * @param price as typed; what is asked stands apart, by currency
 * @param validMonths of vouchers
 */
record ProductOnCounter(
        String id,
        String name,
        Product.Kind kind,
        BigDecimal price,
        List<Product.Option> options,
        Optional<Product.Measure> measure,
        Optional<Product.Bounds> bounds,
        List<Variation> variations,
        Optional<Integer> validMonths) {

    /** Choices that together have a price of their own. */
    record Variation(String id, Map<String, String> options, Optional<BigDecimal> price) {}

    static ProductOnCounter of(Product product) {
        return new ProductOnCounter(
                product.id(),
                product.name(),
                product.kind(),
                product.price(),
                product.options(),
                product.measure(),
                product.bounds(),
                product.variations().stream()
                        .map(each -> new Variation(each.id(), each.options(), each.price()))
                        .toList(),
                product.validMonths());
    }
}
