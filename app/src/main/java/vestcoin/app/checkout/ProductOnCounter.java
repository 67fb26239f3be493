package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Selling;
import vestcoin.core.goods.Together;

/**
 * A product as the counter draws it: what delivery, tax and customs need to know of it stays with the shop.
 *
 * @param price as typed; what is asked stands apart, by currency
 * @param validMonths of vouchers
 * @param heading id of the group it is listed under; empty for none
 * @param sentence what it is
 * @param picture name of its picture, as of {@link Product.Shown}
 * @param soldOut whether the seller says that it is
 * @param from the day it can be had from, where that is to come
 * @param box of a box, what it is filled from and how full
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
        Optional<Integer> validMonths,
        String heading,
        Optional<String> sentence,
        Optional<String> picture,
        List<Question> questions,
        boolean soldOut,
        Optional<LocalDate> from,
        Optional<Box> box) {

    /** @param least how many pieces at least @param most how many at most */
    record Box(int least, int most, Together.Priced priced, List<Together.BoxPart> from) {}

    /** Choices that together have a price of their own. */
    record Variation(String id, Map<String, String> options, Optional<BigDecimal> price) {}

    static ProductOnCounter of(Product product, String heading, LocalDate today) {
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
                product.validMonths(),
                heading,
                product.shown().flatMap(Product.Shown::sentence),
                product.shown().flatMap(Product.Shown::picture),
                product.questions(),
                product.sold().state() == Selling.State.SOLD_OUT,
                product.sold().notBefore(today),
                Optional.of(product.parts())
                        .filter(parts -> product.kind() == Product.Kind.BOX)
                        .map(parts -> new Box(parts.fewest(), parts.fullest(), parts.priced(), parts.from())));
    }
}
