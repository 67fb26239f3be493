package vestcoin.app.order;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.app.format.QuoteView;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Promise;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.pickup.SlotOccupancy;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContext;

/** What an order takes of what is scarce: discounts, vouchers, stock, a time. */
final class OrderReservations {
    private OrderReservations() {}

    static NewOrder.Reservations of(Editions.Edition edition, Order order, QuoteView quote) {
        return new NewOrder.Reservations(
                uses(edition, order, quote),
                paying(quote),
                given(order, quote),
                stock(quote),
                slot(edition, order, quote),
                Attendance.of(edition.document().setup(), order));
    }

    /** Vouchers it is paid with. */
    private static List<Orders.Voucher> paying(QuoteView quote) {
        return quote.vouchers().stream()
                .filter(used -> used.used().value().signum() > 0)
                .map(used -> new Orders.Voucher(
                        used.code(), Placing.minor(used.used().value(), quote.currency())))
                .toList();
    }

    /** The discounts an order takes, with their limits. */
    private static List<Orders.Use> uses(Editions.Edition edition, Order order, QuoteView quote) {
        Map<String, Optional<String>> taken = new HashMap<>();
        Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream())
                .forEach(discount -> taken.put(discount.id(), discount.code()));
        return edition.document().setup().discounts().rules().stream()
                .filter(rule -> taken.containsKey(rule.id()))
                .map(rule -> new Orders.Use(
                        rule.id(),
                        rule.conditions().uses(),
                        rule.conditions().usesPerBuyer(),
                        taken.get(rule.id()).filter(order.history().singleUse()::containsKey)))
                .toList();
    }

    /**
     * The slot an order takes, and how many it holds: what was left of it and what had been taken, as it was quoted.
     * What is promised to the minute takes its time, which any number of orders may have.
     */
    private static Optional<Orders.Slot> slot(Editions.Edition edition, Order order, QuoteView quote) {
        Optional<QuoteView.Option> chosen =
                quote.delivery().stream().filter(QuoteView.Option::chosen).findFirst();
        return order.slot()
                .flatMap(starts -> chosen.flatMap(option -> quote.slots().getOrDefault(option.id(), List.of()).stream()
                        .filter(slot -> slot.start().equals(starts))
                        .findFirst()
                        .map(slot -> {
                            String place = edition.document().setup().pickup().places().stream()
                                    .filter(spot -> spot.option().equals(option.id()))
                                    .findFirst()
                                    .map(Pickup.Spot::id)
                                    .orElse(option.id());
                            return new Orders.Slot(
                                    place,
                                    starts,
                                    slot.end(),
                                    slot.left()
                                            .map(left -> left
                                                    + order.outside()
                                                            .taken()
                                                            .counts()
                                                            .getOrDefault(SlotOccupancy.key(place, starts), 0)));
                        })))
                .or(() -> chosen.flatMap(option -> option.promise()
                        .flatMap(Promise::arrival)
                        .map(arrival -> new Orders.Slot(option.id(), arrival.from(), arrival.to(), Optional.empty()))));
    }

    /** What vouchers that are no means of payment take off, as the buyer reads it; never more than they hold. */
    private static List<Orders.Voucher> given(Order order, QuoteView quote) {
        Map<String, BigDecimal> taken = new HashMap<>();
        Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream())
                .filter(QuoteView.Discount::ofVoucher)
                .forEach(discount -> taken.merge(
                        discount.code().orElseThrow(), discount.amount().value(), BigDecimal::add));
        return order.outside().vouchers().stream()
                .filter(PricingContext.Voucher::takenOff)
                .filter(voucher ->
                        taken.getOrDefault(voucher.code(), BigDecimal.ZERO).signum() > 0)
                .map(voucher -> new Orders.Voucher(
                        voucher.code(),
                        Placing.minor(taken.get(voucher.code()).min(voucher.balance()), quote.currency())))
                .toList();
    }

    /** What an order takes of what is counted: of the variation where that is, else of the product. */
    static Map<String, BigDecimal> stock(QuoteView quote) {
        Map<String, BigDecimal> taken = new HashMap<>();
        quote.lines()
                .forEach(line -> line.counted().ifPresent(key -> taken.merge(key, line.quantity(), BigDecimal::add)));
        return taken;
    }
}
