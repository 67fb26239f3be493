package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.app.quote.QuoteView;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.tax.Tax;

/** A quote as the buyer sees it: amounts without their inner workings, only the ways that are open. */
public record BuyerQuote(String currency, Tax.Prices prices, List<Line> lines, BigDecimal goods, List<Option> delivery, boolean needsDelivery,
        List<Levy> taxes, BigDecimal tax, BigDecimal payable, List<Method> methods, List<String> missing) {

    public record Line(String product, String name, List<String> choices, BigDecimal quantity, BigDecimal unit, BigDecimal amount) {}

    public record Option(String id, String name, String sentence, Optional<Delivery.Days> days, BigDecimal price, boolean chosen) {}

    public record Levy(String name, BigDecimal percent, BigDecimal tax) {}

    public record Method(String id, String title, String sentence) {}

    static BuyerQuote of(QuoteView quote) {
        return new BuyerQuote(quote.currency(), quote.prices(),
                quote.lines().stream().map(line -> new Line(line.product(), line.name(), line.choices(), line.quantity(), line.unit().value(), line.amount().value())).toList(),
                quote.goods().value(),
                quote.delivery().stream().filter(option -> option.price().isPresent())
                        .map(option -> new Option(option.id(), option.name(), option.sentence(), option.days(), option.price().get().value(), option.chosen())).toList(),
                !quote.delivery().isEmpty(),
                quote.taxes().stream().filter(group -> group.percent().isPresent()).map(group -> new Levy(group.name(), group.percent().get(), group.tax().value())).toList(),
                quote.tax().value(), quote.payable().value(),
                quote.methods().stream().filter(method -> method.hidden().isEmpty()).map(method -> new Method(method.id(), method.title(), method.sentence())).toList(),
                quote.missing());
    }
}
