package vestcoin.core.compare;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.discount.Reduction;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.TaxGroup;

/** {@code compare(a, b, orders)}: pure; the same orders priced under two setups. */
public final class Comparison {
    private Comparison() {}

    /**
     * One figure that differs.
     *
     * @param what what it is: {@code to pay}, {@code delivery}, {@code tax 23 % gear}
     * @param before nothing where the figure was not there
     */
    public record Row(Message what, Optional<BigDecimal> before, Optional<BigDecimal> after) {}

    /**
     * One order under both setups.
     *
     * @param rows every figure that differs, the amount to pay first; empty when nothing changes
     * @param before why it could not be priced or placed before; empty when it could
     * @param after the same under the second setup
     */
    public record Difference(String order, String currency, List<Row> rows, List<Message> before, List<Message> after) {
        public boolean none() {
            return rows.isEmpty() && before.equals(after);
        }
    }

    private record Priced(String currency, Map<Message, BigDecimal> figures, List<Message> missing) {}

    /** Prices each order under both setups, in the orders' own order; those that do not change are left out. */
    public static List<Difference> of(CompiledSetup before, CompiledSetup after, Map<String, Order> orders) {
        List<Difference> differences = new ArrayList<>();
        orders.forEach((name, order) -> {
            Priced was = priced(before, order);
            Priced is = priced(after, order);
            Difference difference =
                    new Difference(name, is.currency(), rows(was.figures(), is.figures()), was.missing(), is.missing());
            if (!difference.none()) {
                differences.add(difference);
            }
        });
        return differences;
    }

    /** One order under both setups with every figure, whether it differs or not. */
    public static Difference whole(CompiledSetup before, CompiledSetup after, String name, Order order) {
        Priced was = priced(before, order);
        Priced is = priced(after, order);
        Set<Message> names = new LinkedHashSet<>(was.figures().keySet());
        names.addAll(is.figures().keySet());
        return new Difference(
                name,
                is.currency(),
                names.stream()
                        .map(each -> new Row(
                                each,
                                Optional.ofNullable(was.figures().get(each)),
                                Optional.ofNullable(is.figures().get(each))))
                        .toList(),
                was.missing(),
                is.missing());
    }

    private static List<Row> rows(Map<Message, BigDecimal> was, Map<Message, BigDecimal> is) {
        Set<Message> names = new LinkedHashSet<>(was.keySet());
        names.addAll(is.keySet());
        List<Row> rows = new ArrayList<>();
        for (Message name : names) {
            BigDecimal before = was.get(name);
            BigDecimal after = is.get(name);
            if (before == null || after == null || before.compareTo(after) != 0) {
                rows.add(new Row(name, Optional.ofNullable(before), Optional.ofNullable(after)));
            }
        }
        return rows;
    }

    private static Priced priced(CompiledSetup setup, Order order) {
        String currency = order.currency().orElse(setup.currency().getCode());
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            return new Priced(currency, figures(quote), quote.missing());
        } catch (InvalidInput refused) {
            return new Priced(
                    currency,
                    Map.of(),
                    refused.problems().stream().map(Problem::sentence).toList());
        }
    }

    private static Map<Message, BigDecimal> figures(Quote quote) {
        Map<Message, BigDecimal> figures = new LinkedHashMap<>();
        figures.put(Message.of("compare.to-pay"), quote.payable().value());
        figures.put(Message.of("compare.you-keep"), quote.keep());
        quote.lines()
                .forEach(line -> figures.put(
                        Message.of(
                                "compare.line",
                                "number",
                                line.index() + 1,
                                "product",
                                line.product().name()),
                        line.amount().value()));
        for (Reduction reduction : quote.discounts()) {
            figures.put(
                    Message.of("compare.discount", "name", reduction.rule().name()),
                    reduction.amount().value().negate());
        }
        quote.chosen()
                .ifPresent(offer -> figures.put(
                        Message.of("compare.delivery", "name", offer.option().name()),
                        offer.price().value()));
        for (Reduction reduction : quote.off()) {
            figures.put(
                    Message.of(
                            "compare.discount-on-delivery",
                            "name",
                            reduction.rule().name()),
                    reduction.amount().value().negate());
        }
        for (TaxGroup group : quote.taxes()) {
            group.components()
                    .forEach(component -> figures.merge(
                            Message.of(
                                    "compare.tax",
                                    "name",
                                    component.name(),
                                    "rate",
                                    component.rate().value(),
                                    "category",
                                    group.category()),
                            component.tax().value(),
                            BigDecimal::add));
        }
        return figures;
    }
}
