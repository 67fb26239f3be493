package vestcoin.app.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.app.quote.Figures.Amount;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.payment.Seen;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/**
 * A quote as a document: what the command line prints, the desk shows and an order keeps. Every amount points to its why.
 *
 * @param format     names the document and its version
 * @param needsDelivery whether anything has to be sent
 * @param delivery   every option, those offered first; the chosen one is marked
 * @param notApplied discounts that take nothing off, with the reason
 * @param missing    why the order cannot be placed as it stands; empty when it can
 * @param figures    the whys, operands before what is made of them
 */
public record QuoteView(String format, String currency, Tax.Prices prices, List<Line> lines, Amount goods, List<Discount> discounts, Amount weight,
        Optional<Zone> zone, List<String> undecided, boolean needsDelivery, List<Option> delivery, List<Discount> deliveryDiscounts, List<NotApplied> notApplied, List<Group> taxes,
        Amount tax, Amount payable, List<Method> methods, List<String> missing, List<Figures.Node> figures) {
    public static final String FORMAT = "vest-coin/quote/1";

    /** @param choices names of the choices made @param tax the line's share of the tax */
    public record Line(String product, String name, List<String> choices, BigDecimal quantity, Amount unit, Amount amount, Amount tax) {}

    /** What a discount takes off. @param amount not negative */
    public record Discount(String id, String name, Optional<String> code, Amount amount) {}

    /** A discount that does not apply, and why. */
    public record NotApplied(String id, String name, Optional<String> code, String reason) {}

    public record Zone(String id, String name) {}

    /** @param price there when offered @param reason there when not, with the path of what decided it */
    public record Option(String id, String name, String sentence, Optional<Delivery.Days> days, Optional<Amount> price, Optional<String> reason,
            Optional<String> rule, boolean chosen) {}

    /** One levy of a tax group. @param rule path of the cell in the tax book @param amount what it is levied on, in shelf-price mode */
    public record Group(String name, String category, Optional<String> rule, Optional<BigDecimal> percent, Amount amount, Amount tax) {}

    /** @param hidden why the buyer does not see it @param fee the provider's @param keep payable less tax and fee */
    public record Method(String id, String title, String sentence, Optional<String> hidden, Optional<Amount> fee, BigDecimal keep) {}

    public static QuoteView of(Quote quote) {
        return new Writing(quote).view();
    }

    /** Writes one quote, gathering its figures on the way. */
    private static final class Writing {
        private final Quote quote;
        private final Figures figures = new Figures();

        Writing(Quote quote) {
            this.quote = quote;
        }

        QuoteView view() {
            List<Line> lines = quote.lines().stream().map(this::line).toList();
            Amount goods = figures.amount(quote.goods());
            List<Discount> discounts = quote.discounts().stream().map(this::discount).toList();
            Amount weight = figures.amount(quote.weight());
            List<Option> delivery = quote.offers().stream().map(this::option).toList();
            List<Discount> off = quote.off().stream().map(this::discount).toList();
            List<NotApplied> not = quote.notApplied().stream().map(each -> new NotApplied(each.rule().id(), each.rule().name(), each.rule().code(), each.reason())).toList();
            List<Group> taxes = quote.taxes().stream().flatMap(group -> groups(group).stream()).toList();
            Amount tax = figures.amount(quote.tax());
            Amount payable = figures.amount(quote.payable());
            List<Method> methods = quote.methods().stream().map(this::method).toList();
            return new QuoteView(FORMAT, quote.currency(), quote.prices(), lines, goods, discounts, weight, quote.zone().map(zone -> new Zone(zone.id(), zone.name())),
                    quote.undecided(), quote.needsDelivery(), delivery, off, not, taxes, tax, payable, methods, quote.missing(), figures.nodes());
        }

        private Line line(PricedLine line) {
            String key = "lines/" + line.index();
            Figure tax = quote.taxes().stream().flatMap(group -> group.parts().stream()).filter(part -> part.key().equals(key)).findFirst().orElseThrow().tax();
            return new Line(line.product().id(), line.product().name(), line.chosen(), line.line().quantity(), figures.amount(line.unit()), figures.amount(line.amount()),
                    figures.amount(tax));
        }

        private Discount discount(Reduction reduction) {
            return new Discount(reduction.rule().id(), reduction.rule().name(), reduction.rule().code(), figures.amount(reduction.amount()));
        }

        private Option option(Offer offer) {
            Delivery.Option option = offer.option();
            if (offer instanceof Offer.Offered offered) {
                return new Option(option.id(), option.name(), option.sentence(), option.days(), Optional.of(figures.amount(offered.price())), Optional.empty(),
                        Optional.empty(), quote.chosen().filter(offered::equals).isPresent());
            }
            Offer.NotOffered not = (Offer.NotOffered) offer;
            return new Option(option.id(), option.name(), option.sentence(), option.days(), Optional.empty(), Optional.of(not.reason()), Optional.of(not.rule()), false);
        }

        private List<Group> groups(TaxGroup group) {
            if (group.levy().isEmpty()) {
                Figure none = group.parts().get(0).tax();
                return List.of(new Group("No tax", group.category(), Optional.empty(), Optional.empty(), figures.amount(group.amount()),
                        figures.amount(new Figure(none.value(), quote.currency(), "tax/places", "no row of the tax book holds this place", none.op(), List.of()))));
            }
            List<Group> groups = new ArrayList<>();
            for (TaxGroup.ComponentTax component : group.components()) {
                groups.add(new Group(component.name(), group.category(), group.levy().map(levy -> levy.path()), Optional.of(component.rate().value()),
                        figures.amount(group.amount()), figures.amount(component.tax())));
            }
            return groups;
        }

        private Method method(Seen seen) {
            BigDecimal keep = quote.payable().value().subtract(quote.tax().value()).subtract(seen.fee().map(Figure::value).orElse(BigDecimal.ZERO));
            return new Method(seen.method().id(), seen.method().title(), seen.method().sentence(), seen.hidden(), seen.fee().map(figures::amount), keep);
        }
    }
}
