package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.app.quote.QuoteView;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.tax.Tax;

/** A quote as the buyer sees it: amounts without their inner workings, only the ways that are open. Collecting waits for its page. */
public record BuyerQuote(String currency, Tax.Prices prices, List<Line> lines, BigDecimal goods, List<Discount> discounts, List<Option> delivery, boolean needsDelivery,
        List<Levy> taxes, BigDecimal tax, BigDecimal payable, List<Method> methods, List<RefusedCode> refusedCodes,
        List<String> missing) {

    public record Line(String product, String name, List<String> choices, BigDecimal quantity, BigDecimal unit, BigDecimal amount) {}

    /** @param amount taken off, not negative */
    public record Discount(String name, BigDecimal amount) {}

    public record Option(String id, String name, String sentence, Optional<Delivery.Days> days, BigDecimal price, boolean chosen) {}

    public record Levy(String name, BigDecimal percent, BigDecimal tax) {}

    /** A code typed that takes nothing off, and why. */
    public record RefusedCode(String code, String reason) {}

    public record Method(String id, String title, String sentence) {}

    static BuyerQuote of(QuoteView quote, List<String> codes) {
        return new BuyerQuote(quote.currency(), quote.prices(),
                quote.lines().stream().map(line -> new Line(line.product(), line.name(), line.choices(), line.quantity(), line.unit().value(), line.amount().value())).toList(),
                quote.goods().value(),
                Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream()).map(discount -> new Discount(discount.name(), discount.amount().value())).toList(),
                quote.delivery().stream().filter(option -> option.price().isPresent() && quote.slots().get(option.id()) == null && !option.id().equals(Pickup.Local.OPTION))
                        .map(option -> new Option(option.id(), option.name(), option.sentence(), option.days(), option.price().get().value(), option.chosen())).toList(),
                quote.needsDelivery(),
                quote.taxes().stream().filter(group -> group.percent().isPresent()).map(group -> new Levy(group.name(), group.percent().get(), group.tax().value())).toList(),
                quote.tax().value(), quote.payable().value(),
                quote.methods().stream().filter(method -> method.hidden().isEmpty() && method.kind().throughProvider()).map(method -> new Method(method.id(), method.title(), method.sentence())).toList(),
                refused(quote, codes), quote.missing());
    }

    private static List<RefusedCode> refused(QuoteView quote, List<String> codes) {
        List<RefusedCode> refused = new ArrayList<>();
        for (String code : codes) {
            boolean used = Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream())
                    .anyMatch(discount -> discount.code().filter(own -> own.equalsIgnoreCase(code.strip())).isPresent());
            if (!used) {
                refused.add(new RefusedCode(code, quote.notApplied().stream().filter(not -> not.code().filter(own -> own.equalsIgnoreCase(code.strip())).isPresent())
                        .map(QuoteView.NotApplied::reason).findFirst().orElse("The shop has no such code.")));
            }
        }
        return refused;
    }
}
