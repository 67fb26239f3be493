package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.PriorPrice;
import vestcoin.core.quote.Quote;

/**
 * Prices that are lower for some days, as the counter's list shows them: the price now, the one it is lower than, and,
 * where the shop shows it, the lowest of the thirty days before. Source: Directive 98/6/EC, Article 6a.
 */
@Service
class Reductions {
    /**
     * A price that is lower now.
     *
     * @param now of one, in the currency asked for
     * @param prior the lowest of the thirty days before the reduction, in the shop's own currency
     */
    record Reduction(BigDecimal now, Optional<BigDecimal> prior) {}

    private final Editions editions;
    private final Clock clock;

    Reductions(Editions editions, Clock clock) {
        this.editions = editions;
        this.clock = clock;
    }

    /** Of those of the products that have no choices, by id. */
    Map<String, Reduction> of(
            Editions.Edition edition, Document document, List<Product> products, GoodsOnCounter.Reader reader) {
        Map<String, Reduction> reductions = new TreeMap<>();
        Instant now = clock.instant();
        LocalDate today = LocalDate.ofInstant(now, document.compiled().zone());
        for (Product product : products) {
            Optional<Product.Sale> sale = product.options().isEmpty()
                    ? product.sale().filter(each -> each.window().holds(today))
                    : Optional.empty();
            if (sale.isEmpty()) {
                continue;
            }
            Line one = new Line(
                    product.id(),
                    product.measure().map(Product.Measure::least).orElse(BigDecimal.ONE),
                    Map.of(),
                    Optional.empty(),
                    product.madeUpAnswers(),
                    product.kind() == Product.Kind.BOX ? product.parts().kept(List.of()) : List.of());
            Order asked = Order.of(
                            now, Basket.of(List.of(one), document.compiled().home()), Map.of())
                    .in(reader.currency())
                    .ofGroup(reader.group().orElse(null))
                    .given(reader.rates().map(PricingContext.NOTHING::with).orElse(PricingContext.NOTHING));
            Quote quote = Pricing.priceUntraced(document.compiled(), asked);
            BigDecimal price = product.assembled()
                    ? quote.goods().value()
                    : quote.lines().get(0).unit().value();
            boolean shown = document.setup().terms().prior()
                    && reader.currency().equals(document.setup().shop().currency());
            Instant reduced = sale.get()
                    .window()
                    .from()
                    .map(day -> day.atStartOfDay(document.compiled().zone()).toInstant())
                    .orElse(now);
            reductions.put(
                    product.id(),
                    new Reduction(
                            price,
                            shown
                                    ? PriorPrice.before(reduced, one, editions.inForce(edition.shop()))
                                    : Optional.empty()));
        }
        return reductions;
    }
}
