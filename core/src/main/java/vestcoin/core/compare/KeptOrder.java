package vestcoin.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;

/**
 * An order with what it comes to and leaves its seller today.
 *
 * @param weight how many such orders it stands for
 * @param zone id of the delivery zone it goes to, nothing where none holds it or nothing is sent
 * @param today what it comes to now
 */
public record KeptOrder(String name, Order order, BigDecimal weight, Optional<String> zone, Kept today) {
    /** Digits of an amount of another currency brought to the shop's. */
    private static final int DIGITS = 10;

    /**
     * What an order comes to, in the shop's currency: of another currency at the order's own rates. Of an order that
     * cannot be had it is nothing.
     *
     * @param delivery what the buyer pays for it
     */
    public record Kept(BigDecimal payable, BigDecimal delivery, BigDecimal keep, boolean had) {
        static final Kept NOTHING = new Kept(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, false);
    }

    /** An order as it is today; nothing for one that cannot be had. */
    public static Optional<KeptOrder> of(CompiledSetup setup, String name, Order order, BigDecimal weight) {
        Kept today = kept(setup, order);
        return today.had()
                ? Optional.of(new KeptOrder(
                        name,
                        order,
                        weight,
                        setup.board()
                                .zoneOf(order.to())
                                .filter(zone -> sent(setup, order))
                                .map(match -> match.value().id()),
                        today))
                : Optional.empty();
    }

    private static boolean sent(CompiledSetup setup, Order order) {
        return Pricing.priceUntraced(setup, order)
                .chosen()
                .filter(offer -> setup.board().carries(offer.option().id()))
                .isPresent();
    }

    /**
     * The same with more of the cheapest thing in it that is not given or charged again; nothing where there is none.
     *
     * @param setup by which the things are priced
     */
    public Optional<KeptOrder> withMore(CompiledSetup setup, int units) {
        return Pricing.priceUntraced(setup, order).lines().stream()
                .filter(line -> line.bundle().isEmpty()
                        && line.unit().value().signum() > 0
                        && line.product().renews().isEmpty()
                        && line.product().kind() != Product.Kind.DONATION
                        && line.product().kind() != Product.Kind.VOUCHER)
                .min(Comparator.comparing(line -> line.unit().value()))
                .map(cheapest -> {
                    List<Line> lines = new ArrayList<>(order.lines());
                    Line line = lines.get(cheapest.ordered());
                    lines.set(cheapest.ordered(), line.of(line.quantity().add(BigDecimal.valueOf(units))));
                    return new KeptOrder(name, order.of(lines), weight, zone, today);
                });
    }

    /** What it comes to under another setup. */
    public Kept under(CompiledSetup setup) {
        return kept(setup, order);
    }

    private static Kept kept(CompiledSetup setup, Order order) {
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            if (!quote.missing().isEmpty()) {
                return Kept.NOTHING;
            }
            return new Kept(
                    own(setup, order, quote.payable().value()),
                    own(
                            setup,
                            order,
                            quote.sent().price().map(price -> price.value()).orElse(BigDecimal.ZERO)),
                    own(setup, order, quote.keep()),
                    true);
        } catch (InvalidInput refused) {
            return Kept.NOTHING;
        }
    }

    private static BigDecimal own(CompiledSetup setup, Order order, BigDecimal amount) {
        String own = setup.currency().getCode();
        String currency = order.currency().orElse(own);
        if (currency.equals(own)) {
            return amount;
        }
        Exchange rates = order.outside().exchange().orElseThrow();
        return amount.multiply(rates.of(own).orElseThrow())
                .divide(rates.of(currency).orElseThrow(), DIGITS, RoundingMode.HALF_UP);
    }

    /** Times how many such orders there are. */
    public BigDecimal weighed(BigDecimal amount) {
        return amount.multiply(weight);
    }
}
