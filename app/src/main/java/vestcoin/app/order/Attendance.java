package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import vestcoin.core.goods.Product;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * A service of an order that takes place on a day: what, for how many, when, where.
 *
 * @param product its id
 * @param name as it reads in the setup's language
 * @param starts on the shop's clock
 * @param where address of the shop, whose place it is; nothing of what is done from afar
 */
public record Attendance(
        String product,
        String name,
        BigDecimal quantity,
        LocalDateTime starts,
        LocalDateTime ends,
        List<String> where) {

    /** What an order attends, the soonest first. */
    public static List<Attendance> of(Setup setup, Order order) {
        return order.lines().stream()
                .flatMap(line -> setup.goods().products().stream()
                        .filter(product -> product.id().equals(line.product()))
                        .flatMap(product -> product.appointments(line.options()).stream()
                                .map(when -> new Attendance(
                                        product.id(),
                                        product.name(),
                                        line.quantity(),
                                        when.starts(),
                                        when.ends(),
                                        product.kind() == Product.Kind.SERVICE
                                                ? address(setup.shop().address())
                                                : List.of()))))
                .sorted(Comparator.comparing(Attendance::starts))
                .toList();
    }

    private static List<String> address(Shop.Address at) {
        return Stream.concat(at.lines().stream(), Stream.of((at.postcode() + " " + at.city()).strip()))
                .filter(line -> !line.isBlank())
                .toList();
    }
}
