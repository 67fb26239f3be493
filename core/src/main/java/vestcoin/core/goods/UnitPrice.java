package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * The price of one: the lowest base price that holds, with what the choices add, rounded once.
 *
 * <p>The base is the lower of the sale price, in its days, and the buyer group's price; otherwise the shelf price. Of the
 * quantity breaks reached, the one that gives the lowest unit price replaces the base; none raises it. Choices add amounts,
 * and percents of whichever base it is; the sum stops at zero.
 */
final class UnitPrice {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Product product;
    private final Line line;
    private final String path;
    private final Tracer tracer;

    private UnitPrice(Product product, Line line, Tracer tracer) {
        this.product = product;
        this.line = line;
        this.path = "goods/products/" + product.id();
        this.tracer = tracer;
    }

    static Figure of(Product product, Line line, Buying buying, Map<String, Goods.BuyerGroup> groups, Tracer tracer) {
        UnitPrice price = new UnitPrice(product, line, tracer);
        if (product.donation()) {
            return tracer.number(Source.ORDER, line.amount().orElseThrow().setScale(tracer.digits()), tracer.currency().getCode(), "order/lines/amount", "given");
        }
        Figure base = price.base(buying, groups);
        Figure best = price.withChoices(base);
        for (int i = 0; i < product.breaks().size(); i++) {
            Product.Break step = product.breaks().get(i);
            if (line.quantity().compareTo(step.from()) >= 0) {
                Figure broken = price.withChoices(price.broken(step, base, i));
                best = broken.value().compareTo(best.value()) < 0 ? broken : best;
            }
        }
        return best;
    }

    private Figure base(Buying buying, Map<String, Goods.BuyerGroup> groups) {
        Figure shelf = tracer.typed(path + "/price", "shelf price", product.price());
        List<Figure> lower = new ArrayList<>();
        product.sale().filter(sale -> sale.window().covers(buying.at(), buying.zone()))
                .ifPresent(sale -> lower.add(tracer.typed(path + "/sale", "sale price", sale.price())));
        buying.group().map(groups::get).flatMap(group -> groupPrice(group, shelf)).ifPresent(lower::add);
        Figure base = shelf;
        for (Figure candidate : lower) {
            base = candidate.value().compareTo(base.value()) < 0 ? candidate : base;
        }
        return base;
    }

    private Optional<Figure> groupPrice(Goods.BuyerGroup group, Figure shelf) {
        BigDecimal own = product.groupPrices().get(group.id());
        if (own != null) {
            return Optional.of(tracer.typed(path + "/groupPrices/" + group.id(), group.name() + " price", own));
        }
        return group.percentOff().map(percent -> tracer.exactPercent("goods/buyerGroups/" + group.id() + "/percentOff", group.name() + " price", shelf,
                tracer.number(Source.SETUP, HUNDRED.subtract(percent), "%", "goods/buyerGroups/" + group.id() + "/percentOff", "100 less the group's percent")));
    }

    private Figure broken(Product.Break step, Figure base, int index) {
        String at = path + "/breaks/" + index;
        String label = "from " + step.from().toPlainString();
        return step.price().map(price -> tracer.typed(at, label, price)).orElseGet(() -> tracer.exactPercent(at, label, base,
                tracer.number(Source.SETUP, HUNDRED.subtract(step.percent().orElse(BigDecimal.ZERO)), "%", at, "100 less the break's percent")));
    }

    private Figure withChoices(Figure base) {
        List<Figure> parts = new ArrayList<>();
        parts.add(base);
        for (Product.Option option : product.options()) {
            Product.Choice choice = Shelf.choice(option, line);
            String at = path + "/options/" + option.id() + "/choices/" + choice.id();
            choice.extra().ifPresent(extra -> parts.add(tracer.typed(at + "/extra", choice.name(), extra)));
            choice.percent().ifPresent(percent -> parts.add(tracer.exactPercent(at + "/percent", choice.name(), base,
                    tracer.number(Source.SETUP, percent, "%", at + "/percent", choice.name()))));
        }
        if (parts.size() == 1 && base.value().scale() == tracer.digits()) {
            return base;
        }
        Figure sum = parts.size() == 1 ? base : tracer.exactSum("rule/unit-price", "with choices", parts);
        Figure kept = sum.value().signum() >= 0 ? sum
                : tracer.largest("rule/not-below-zero", "not below zero", List.of(sum, tracer.zero("rule/not-below-zero", "zero")));
        return kept.value().scale() == tracer.digits() ? kept : tracer.rounded("rule/unit-price", "unit price", kept);
    }
}
