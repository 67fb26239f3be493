package vestcoin.app.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.payment.Seen;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/**
 * A quote as a document: what the command line prints, the desk shows and an order keeps. Every amount is a figure with
 * its why.
 *
 * @param format   names the document and its version
 * @param delivery every option, those offered first; the chosen one is marked
 * @param missing  why the order cannot be placed as it stands; empty when it can
 */
public record QuoteView(String format, String currency, Tax.Prices prices, List<Line> lines, Figure goods, Figure weight, Optional<Zone> zone,
        List<String> undecided, List<Option> delivery, List<Group> taxes, Figure tax, Figure payable, List<Method> methods, List<String> missing) {
    public static final String FORMAT = "vest-coin/quote/1";

    /** @param choices names of the choices made @param tax the line's share of the tax */
    public record Line(String product, String name, List<String> choices, BigDecimal quantity, Figure unit, Figure amount, Figure tax) {}

    public record Zone(String id, String name) {}

    /** @param price there when offered @param reason there when not, with the path of what decided it */
    public record Option(String id, String name, String sentence, Optional<Delivery.Days> days, Optional<Figure> price, Optional<String> reason,
            Optional<String> rule, boolean chosen) {}

    /** One levy of a tax group. @param rule path of the cell in the tax book @param amount what it is levied on, in shelf-price mode */
    public record Group(String name, String category, Optional<String> rule, Optional<BigDecimal> percent, Figure amount, Figure tax) {}

    /** @param hidden why the buyer does not see it @param fee the provider's @param keep payable less tax and fee */
    public record Method(String id, String title, String sentence, Optional<String> hidden, Optional<Figure> fee, BigDecimal keep) {}

    public static QuoteView of(Quote quote) {
        return new QuoteView(FORMAT, quote.currency(), quote.prices(), quote.lines().stream().map(line -> line(line, quote)).toList(), quote.goods(), quote.weight(),
                quote.zone().map(zone -> new Zone(zone.id(), zone.name())), quote.undecided(),
                quote.offers().stream().map(offer -> option(offer, quote.chosen())).toList(),
                quote.taxes().stream().flatMap(group -> groups(group, quote).stream()).toList(), quote.tax(), quote.payable(),
                quote.methods().stream().map(seen -> method(seen, quote)).toList(), quote.missing());
    }

    private static Line line(PricedLine line, Quote quote) {
        String key = "lines/" + line.index();
        Figure tax = quote.taxes().stream().flatMap(group -> group.parts().stream()).filter(part -> part.key().equals(key)).findFirst().orElseThrow().tax();
        return new Line(line.product().id(), line.product().name(), line.chosen(), line.line().quantity(), line.unit(), line.amount(), tax);
    }

    private static Option option(Offer offer, Optional<Offer.Offered> chosen) {
        Delivery.Option option = offer.option();
        if (offer instanceof Offer.Offered offered) {
            return new Option(option.id(), option.name(), option.sentence(), option.days(), Optional.of(offered.price()), Optional.empty(), Optional.empty(),
                    chosen.filter(offered::equals).isPresent());
        }
        Offer.NotOffered not = (Offer.NotOffered) offer;
        return new Option(option.id(), option.name(), option.sentence(), option.days(), Optional.empty(), Optional.of(not.reason()), Optional.of(not.rule()), false);
    }

    private static List<Group> groups(TaxGroup group, Quote quote) {
        if (group.levy().isEmpty()) {
            Figure none = group.parts().get(0).tax();
            return List.of(new Group("No tax", group.category(), Optional.empty(), Optional.empty(), group.amount(),
                    new Figure(none.value(), quote.currency(), "tax/places", "no row of the tax book holds this place", none.op(), List.of())));
        }
        List<Group> groups = new ArrayList<>();
        for (TaxGroup.ComponentTax component : group.components()) {
            groups.add(new Group(component.name(), group.category(), group.levy().map(levy -> levy.path()), Optional.of(component.rate().value()),
                    group.amount(), component.tax()));
        }
        return groups;
    }

    private static Method method(Seen seen, Quote quote) {
        BigDecimal keep = quote.payable().value().subtract(quote.tax().value()).subtract(seen.fee().map(Figure::value).orElse(BigDecimal.ZERO));
        return new Method(seen.method().id(), seen.method().title(), seen.method().sentence(), seen.hidden(), seen.fee(), keep);
    }

    /** One short line for lists: "2 Delta kite, 1 Kites You Can Build". */
    public String summary() {
        return lines.stream().map(line -> line.quantity().toPlainString() + " " + line.name()).collect(Collectors.joining(", "));
    }
}
