package vestcoin.core.quote;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import vestcoin.core.discount.History;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;

/**
 * The next charges of a subscription in an order: each is the line alone, priced with the tax rows of its own date; a
 * code counts only if it says it counts for all charges.
 *
 * @param line index of the priced line
 * @param charges the next three
 */
public record RenewalCharges(int line, String name, List<Charge> charges) {
    static final int SHOWN = 3;

    public record Charge(ZonedDateTime at, Figure payable) {}

    static List<RenewalCharges> of(
            CompiledSetup setup, Order order, List<PricedLine> lines, Function<Order, Figure> price) {
        List<RenewalCharges> renewing = new ArrayList<>();
        for (PricedLine line : lines) {
            if (line.product().renews().isPresent()) {
                List<Charge> charges = new ArrayList<>();
                for (ZonedDateTime date :
                        line.product().renews().get().next(order.at().atZone(setup.zone()), SHOWN)) {
                    charges.add(new Charge(date, price.apply(later(setup, order, line, date))));
                }
                renewing.add(new RenewalCharges(line.index(), line.product().name(), charges));
            }
        }
        return renewing;
    }

    private static Order later(CompiledSetup setup, Order order, PricedLine line, ZonedDateTime date) {
        List<String> codes = order.codes().stream()
                .filter(typed -> setup.setup().discounts().rules().stream()
                        .anyMatch(rule -> rule.everyCharge()
                                && rule.code()
                                        .filter(code -> code.strip().equalsIgnoreCase(typed.strip()))
                                        .isPresent()))
                .toList();
        History before = new History(
                order.history().uses(),
                order.history().usesByBuyer(),
                order.history().orders() + 1);
        PricingContext outside = order.outside();
        return order.of(List.of(line.line()))
                .placed(date.toInstant())
                .withCodes(codes.toArray(String[]::new))
                .after(before)
                .withSlot(null)
                .given(new PricingContext(
                        outside.exchange(), outside.carriers(), outside.taken(), null, outside.sales(), null));
    }
}
