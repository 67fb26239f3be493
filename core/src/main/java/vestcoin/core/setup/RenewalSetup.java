package vestcoin.core.setup;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.tax.Tax;

/**
 * The setup a renewal is priced by: goods, delivery and discounts as they were agreed to, the tax book, registrations,
 * numbers and ways to pay as they are when it is charged. What a price means, with tax inside or added, belongs to the
 * price and stays as agreed.
 */
public final class RenewalSetup {
    private RenewalSetup() {}

    public static Setup of(Setup agreed, Setup live) {
        Tax book = live.tax();
        List<Tax.Category> categories = Stream.concat(
                        book.categories().stream(),
                        agreed.tax().categories().stream().filter(category -> book.categories().stream()
                                .noneMatch(each -> each.id().equals(category.id()))))
                .toList();
        return new Setup(
                ShopBuilder.builder(agreed.shop())
                        .numbers(live.shop().numbers())
                        .build(),
                agreed.goods(),
                agreed.discounts(),
                agreed.delivery(),
                new Tax(
                        agreed.tax().prices(),
                        categories,
                        book.places(),
                        book.registrations(),
                        agreed.tax().standing(),
                        book.sourcing(),
                        book.smallBusiness(),
                        book.netForBusinesses(),
                        book.salesElsewhere()),
                live.payment(),
                agreed.rehearsal(),
                agreed.pickup(),
                agreed.terms());
    }

    /**
     * Why a product agreed to cannot be charged by a setup: its tax category is in no tax book any more, so nobody
     * knows its rate; or no way to pay can be charged again.
     */
    public static Optional<Message> obstacle(Product product, Setup live) {
        boolean known = product.category().isEmpty()
                || live.tax().categories().stream()
                        .anyMatch(category ->
                                product.category().filter(category.id()::equals).isPresent());
        if (!known) {
            return Optional.of(Message.of(
                    "renewal.tax-category-is-gone",
                    "product",
                    product.name(),
                    "category",
                    product.category().orElse("")));
        }
        return live.payment().methods().stream()
                        .anyMatch(method -> method.on() && method.kind().chargedAgain())
                ? Optional.empty()
                : Optional.of(Message.of("renewal.no-way-to-pay-can-be-charged-again", "product", product.name()));
    }
}
