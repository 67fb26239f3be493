package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.app.format.OrderFile;
import vestcoin.core.goods.Line;
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

    /** What an order attends, the soonest first; nothing once it is called off. */
    public static List<Attendance> of(Setup setup, Orders.Order order) {
        return order.cancelled() ? List.of() : of(setup, OrderFile.parse(order.document()));
    }

    /** What an order attends, the soonest first, in bundles too. */
    static List<Attendance> of(Setup setup, Order order) {
        return order.lines().stream()
                .flatMap(line -> product(setup, line.product()).stream().flatMap(product -> parts(product, line)))
                .flatMap(line -> product(setup, line.product()).stream()
                        .flatMap(product -> product.appointments(line.options()).stream()
                                .map(when -> new Attendance(
                                        product.id(),
                                        product.name(),
                                        line.quantity(),
                                        when.starts(),
                                        when.ends(),
                                        where(setup, product)))))
                .sorted(Comparator.comparing(Attendance::starts))
                .toList();
    }

    private static Optional<Product> product(Setup setup, String id) {
        return setup.goods().products().stream()
                .filter(product -> product.id().equals(id))
                .findFirst();
    }

    /** A line as it is, or what its bundle or box holds. */
    private static Stream<Line> parts(Product product, Line line) {
        return product.assembled()
                ? (product.kind() == Product.Kind.BOX ? line.contents() : product.contents())
                        .stream().map(part -> part.of(part.quantity().multiply(line.quantity())))
                : Stream.of(line);
    }

    /** The shop's address, where a service is done; nothing of what is done from afar. */
    public static List<String> where(Setup setup, Product product) {
        Shop.Address at = setup.shop().address();
        return product.kind() == Product.Kind.SERVICE
                ? Stream.concat(at.lines().stream(), Stream.of((at.postcode() + " " + at.city()).strip()))
                        .filter(line -> !line.isBlank())
                        .toList()
                : List.of();
    }
}
