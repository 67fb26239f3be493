package vestcoin.core.quote;

import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Renewal;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;

/**
 * The next charges of a subscription in an order: each is the line alone, priced with the tax rows of its own date; a
 * code counts only if it says it counts for all charges.
 *
 * @param line index of the priced line
 * @param rhythm how often it is charged
 * @param charges the next three, or as many as there are
 */
public record RenewalCharges(int line, String name, Renewal rhythm, List<Charge> charges) {
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
                    History before = new History(
                            order.history().uses(),
                            order.history().usesByBuyer(),
                            order.history().orders() + 1,
                            order.history().singleUse());
                    Order later = again(setup, order, line.line(), date.toInstant(), before);
                    charges.add(new Charge(date, price.apply(later)));
                }
                renewing.add(new RenewalCharges(
                        line.index(),
                        line.product().name(),
                        line.product().renews().get(),
                        charges));
            }
        }
        return renewing;
    }

    /**
     * What a buyer agrees to: what is charged now and what each time, how often, when next, until when, and how to
     * stop.
     *
     * @param now what the whole order comes to
     */
    public Message terms(Amount now) {
        Charge next = charges.get(0);
        return Message.of(
                rhythm.charges().isPresent() ? "renewal.terms-that-end" : "renewal.terms",
                "product",
                name,
                "now",
                now,
                "each",
                new Amount(next.payable().value(), now.currency()),
                "every",
                rhythm.said(),
                "next",
                next.at().toLocalDate(),
                "charges",
                rhythm.charges().orElse(0));
    }

    /**
     * The order of a later charge: of what was ordered, the line alone.
     *
     * @param order the first one, or a later one, at which what was known then stood around it
     * @param before what the buyer had used before that charge
     */
    public static Order again(CompiledSetup setup, Order order, Line line, Instant at, History before) {
        List<String> codes = order.codes().stream()
                .filter(typed -> setup.setup().discounts().rules().stream()
                        .anyMatch(rule -> rule.everyCharge()
                                && rule.code()
                                        .filter(code -> code.strip().equalsIgnoreCase(typed.strip()))
                                        .isPresent()))
                .toList();
        PricingContext outside = order.outside();
        return order.of(List.of(line))
                .placed(at)
                .withCodes(codes.toArray(String[]::new))
                .after(before)
                .withSlot(null)
                .given(new PricingContext(
                        outside.exchange(), outside.carriers(), outside.taken(), null, outside.sales(), null));
    }
}
