package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.sample.PlausibleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;

/** Two years of orders as each shop of the examples would take them. */
class PlausibleOrdersTest {
    private static final Instant FROM = Instant.parse("2025-01-01T00:00:00Z");
    private static final Duration SPAN = Duration.ofDays(730);
    private static final int MANY = 600;

    private static CompiledSetup shop(String name) throws IOException {
        return Document.parse(Files.readString(Path.of("..", "docs", "formats", "examples", name + ".setup.json")))
                .compiled();
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern-and-tether", "ninth-street-sundials", "blaumeise-puppenbuehne"})
    void the_same_seed_gives_the_same_orders_and_most_can_be_had(String name) throws IOException {
        CompiledSetup shop = shop(name);
        List<Order> orders = new PlausibleOrders(shop, 7, FROM, SPAN).take(MANY);
        assertThat(orders)
                .hasSize(MANY)
                .isEqualTo(new PlausibleOrders(shop, 7, FROM, SPAN).take(MANY))
                .isNotEqualTo(new PlausibleOrders(shop, 8, FROM, SPAN).take(MANY));
        assertThat(orders).allSatisfy(order -> {
            assertThat(order.at()).isBetween(FROM, FROM.plus(SPAN).plus(Duration.ofDays(1)));
            assertThat(order.lines()).isNotEmpty();
        });
        int had = 0;
        for (Order order : orders) {
            try {
                Quote quote = Pricing.priceUntraced(shop, order);
                had += quote.missing().isEmpty() ? 1 : 0;
                adds(quote);
            } catch (InvalidInput refused) {
                assertThat(refused.problems()).as("%s", order).isEmpty();
            }
        }
        Set<String> countries =
                orders.stream().map(order -> order.to().country()).collect(Collectors.toSet());
        System.out.println(name + ": " + had + " of " + MANY + " can be had, to " + countries.size() + " countries");
        assertThat(had).as("most can be had").isGreaterThan(MANY / 2);
    }

    /** Lines, less discounts, delivery, charges and tax on top are what is payable. */
    private static void adds(Quote quote) {
        BigDecimal tax =
                quote.taxes().stream().map(group -> group.amount().value()).reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(quote.payable().value()).isGreaterThanOrEqualTo(BigDecimal.ZERO);
        assertThat(tax).isLessThanOrEqualTo(quote.payable().value().max(BigDecimal.ZERO));
        assertThat(quote.lines().stream()
                        .map(line -> line.amount())
                        .map(Figure::value)
                        .reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(quote.goods().value());
    }
}
