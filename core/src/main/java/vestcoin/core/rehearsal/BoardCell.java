package vestcoin.core.rehearsal;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.Offer;
import vestcoin.core.message.Message;
import vestcoin.core.payment.MethodAvailability;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;

/**
 * What one order comes to, in the figures of the board: {@code price(setup, order)} and nothing else.
 *
 * @param toPay after vouchers, in the order's currency
 * @param delivery less what is off it; nothing where nothing is delivered
 * @param tax all of it
 * @param option id of the way of delivery
 * @param days from the day of the order to the latest day it arrives; nothing where no day is promised
 * @param keep what is left for the seller by the way to pay asked for, or by the one that leaves least
 * @param ways ids of the ways to pay that are open
 * @param standsIn whether the price of its delivery is the one typed for when the carrier does not answer
 * @param hole why it cannot be had; nothing where it can
 */
public record BoardCell(
        Optional<BigDecimal> toPay,
        Optional<BigDecimal> delivery,
        Optional<BigDecimal> tax,
        Optional<String> option,
        Optional<Long> days,
        Optional<BigDecimal> keep,
        List<String> ways,
        boolean standsIn,
        Optional<Message> hole) {

    /** The cell of an order; one that cannot be priced is a hole with the reason. */
    public static BoardCell of(CompiledSetup setup, Order order) {
        try {
            return of(setup, order, Pricing.priceUntraced(setup, order));
        } catch (InvalidInput refused) {
            return new BoardCell(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    List.of(),
                    false,
                    Optional.of(refused.problems().get(0).sentence()));
        }
    }

    private static BoardCell of(CompiledSetup setup, Order order, Quote quote) {
        List<MethodAvailability> open = quote.methods().stream()
                .filter(method -> method.hidden().isEmpty())
                .toList();
        LocalDate placed = order.at().atZone(setup.zone()).toLocalDate();
        Optional<Message> hole = quote.missing().stream()
                .findFirst()
                .or(() -> open.isEmpty() && quote.toPay().value().signum() > 0
                        ? Optional.of(Message.of("rehearsal.no-way-to-pay"))
                        : Optional.empty());
        return new BoardCell(
                Optional.of(quote.toPay().value()),
                quote.sent().price().map(price -> price.value()),
                Optional.of(quote.tax().value()),
                quote.chosen().map(offer -> offer.option().id()),
                quote.chosen()
                        .flatMap(Offer.Available::promise)
                        .map(promise -> ChronoUnit.DAYS.between(placed, promise.latest())),
                open.stream()
                        .filter(method ->
                                order.method().map(method.method().id()::equals).orElse(true))
                        .map(MethodAvailability::keep)
                        .min(Comparator.naturalOrder()),
                open.stream().map(method -> method.method().id()).toList(),
                quote.chosen().filter(Offer.Available::standsIn).isPresent(),
                hole);
    }
}
