package vestcoin.core.compare;

import java.math.BigDecimal;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;

/**
 * The totals of an order under a setup, by which two setups are compared. Amounts are in the order's currency; of an
 * order that cannot be priced they are zero.
 *
 * @param way id of the way of delivery
 * @param keep what is left for the seller by the way to pay asked for
 * @param hole why it cannot be had; nothing where it can
 */
public record Outcome(
        BigDecimal payable,
        BigDecimal tax,
        BigDecimal delivery,
        Optional<String> way,
        BigDecimal keep,
        Optional<Message> hole) {

    static Outcome of(CompiledSetup setup, Order order) {
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            return new Outcome(
                    quote.payable().value(),
                    quote.tax().value(),
                    quote.sent().price().map(price -> price.value()).orElse(BigDecimal.ZERO),
                    quote.chosen().map(offer -> offer.option().id()),
                    quote.keep(),
                    quote.missing().stream().findFirst());
        } catch (InvalidInput refused) {
            return new Outcome(
                    BigDecimal.ZERO,
                    BigDecimal.ZERO,
                    BigDecimal.ZERO,
                    Optional.empty(),
                    BigDecimal.ZERO,
                    Optional.of(refused.problems().get(0).sentence()));
        }
    }

    boolean had() {
        return hole.isEmpty();
    }
}
