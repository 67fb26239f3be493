package vestcoin.core.goods;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import vestcoin.core.message.Message;
import vestcoin.core.money.Ending;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * The price of one: the lowest base price that holds, with what the choices add, rounded once.
 *
 * <p>The base is the lower of the sale price, in its days, and the buyer group's price; otherwise the shelf price. Of
 * the quantity breaks reached, the one that gives the lowest unit price replaces the base; none raises it. Choices and
 * answers add amounts, and percents of whichever base it is; the sum stops at zero. A buyer for whom the typed amounts
 * do not stand still gets the sum re-rated at the same rounding. A converted price is then brought to its currency's
 * ending, one set by hand is not.
 */
final class UnitPrice {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Product product;
    private final Optional<Product.Variation> variation;
    private final Line line;
    private final String path;
    private final String orderPath;
    private final Optional<Rerate> rerate;
    private final BuyerPricing buying;
    /**
     * Computes in the currency amounts are typed in where they are re-rated and converted in one step, else in the
     * order's.
     */
    private final Tracer tracer;

    private final Tracer result;

    private UnitPrice(
            Product product,
            Optional<Product.Variation> variation,
            Line line,
            String orderPath,
            BuyerPricing buying,
            Tracer tracer) {
        this.product = product;
        this.orderPath = orderPath;
        this.variation = variation;
        this.line = line;
        this.path = "goods/products/" + product.id();
        this.buying = buying;
        this.rerate = buying.rates().of(product, product.taxCategory());
        boolean byHand = product.prices().containsKey(tracer.currency().getCode());
        this.tracer = rerate.isPresent() && !byHand ? tracer.shops() : tracer;
        this.result = tracer;
    }

    static Figure of(
            Product product,
            Optional<Product.Variation> variation,
            Line line,
            String orderPath,
            BuyerPricing buying,
            Map<String, Goods.BuyerGroup> groups,
            Tracer tracer) {
        if (product.amountChosen()) {
            return tracer.brought(
                    orderPath + "/amount",
                    Message.of("why.given"),
                    line.amount().orElseThrow());
        }
        return new UnitPrice(product, variation, line, orderPath, buying, tracer).best(groups);
    }

    /**
     * What one costs off the shelf, without choices: what a list of goods says. A group's percent is brought to whole
     * minor units, half up.
     */
    static BigDecimal offTheShelf(Product product, Optional<Goods.BuyerGroup> group, Tracer tracer) {
        BigDecimal shelf = offTheShelf(product, tracer);
        return group.flatMap(of -> ofGroup(product, of, shelf, tracer))
                .map(shelf::min)
                .orElse(shelf);
    }

    private static Optional<BigDecimal> ofGroup(
            Product product, Goods.BuyerGroup group, BigDecimal shelf, Tracer tracer) {
        BigDecimal own = product.groupPrices().get(group.id());
        UnaryOperator<BigDecimal> ended =
                price -> tracer.ending().map(ending -> ending.of(price)).orElse(price);
        if (own != null) {
            return Optional.of(ended.apply(tracer.typed(
                            "goods/products/" + product.id() + "/groupPrices/" + group.id(),
                            Message.of("why.price", "group", group.name()),
                            own)
                    .value()));
        }
        return group.percentOff()
                .map(percent -> ended.apply(shelf.multiply(HUNDRED.subtract(percent))
                        .divide(HUNDRED, tracer.digits(), RoundingMode.HALF_UP)));
    }

    private static BigDecimal offTheShelf(Product product, Tracer tracer) {
        BigDecimal hand = product.prices().get(tracer.currency().getCode());
        BigDecimal price = hand != null
                ? hand
                : tracer.typed(
                                "goods/products/" + product.id() + "/price",
                                Message.of("why.shelf-price"),
                                product.price())
                        .value();
        return hand != null
                ? price
                : tracer.ending().map(ending -> ending.of(price)).orElse(price);
    }

    private Figure best(Map<String, Goods.BuyerGroup> groups) {
        Figure base = base(groups);
        Figure best = withChoices(base);
        for (int i = 0; i < product.breaks().size(); i++) {
            Product.Break step = product.breaks().get(i);
            if (line.quantity().compareTo(step.from()) >= 0) {
                Figure broken = withChoices(broken(step, base, i));
                best = broken.value().compareTo(best.value()) < 0 ? broken : best;
            }
        }
        Optional<Ending> ending = result.ending();
        if (ending.isEmpty()
                || base.rule().equals(byHand())
                || best.value().equals(ending.get().of(best.value()))) {
            return best;
        }
        return result.ended(
                "shop/currencies/" + result.currency().getCode() + "/ending",
                Message.of("why.brought-to-ending"),
                best,
                ending.get());
    }

    private String byHand() {
        return path + "/prices/" + result.currency().getCode();
    }

    private Figure shelf() {
        if (variation.isPresent() && variation.get().price().isPresent()) {
            return tracer.typed(
                    path + "/variations/" + variation.get().id() + "/price",
                    Message.of("why.price-of-this-variation"),
                    variation.get().price().get());
        }
        BigDecimal hand = product.prices().isEmpty()
                ? null
                : product.prices().get(tracer.currency().getCode());
        return hand != null
                ? tracer.typedInOwn(byHand(), Message.of("why.price-set-by-hand"), hand)
                : tracer.typed(path + "/price", Message.of("why.shelf-price"), product.price());
    }

    private Figure base(Map<String, Goods.BuyerGroup> groups) {
        Figure shelf = shelf();
        List<Figure> lower = new ArrayList<>(2);
        Optional<Product.Sale> own = variation.flatMap(Product.Variation::sale);
        own.or(product::sale)
                .filter(sale -> sale.window().covers(buying.at(), buying.zone()))
                .ifPresent(sale -> lower.add(tracer.typed(
                        own.isPresent()
                                ? path + "/variations/" + variation.get().id() + "/sale"
                                : path + "/sale",
                        Message.of("why.sale-price"),
                        sale.price())));
        buying.group()
                .map(groups::get)
                .flatMap(group -> groupPrice(group, shelf))
                .ifPresent(lower::add);
        Figure base = shelf;
        for (Figure candidate : lower) {
            base = candidate.value().compareTo(base.value()) < 0 ? candidate : base;
        }
        return base;
    }

    private Optional<Figure> groupPrice(Goods.BuyerGroup group, Figure shelf) {
        BigDecimal own = product.groupPrices().get(group.id());
        if (own != null) {
            return Optional.of(tracer.typed(
                    path + "/groupPrices/" + group.id(), Message.of("why.price", "group", group.name()), own));
        }
        return group.percentOff()
                .map(percent -> tracer.exactPercent(
                        "goods/buyerGroups/" + group.id() + "/percentOff",
                        Message.of("why.price", "group", group.name()),
                        shelf,
                        tracer.number(
                                Source.SETUP,
                                HUNDRED.subtract(percent),
                                "%",
                                "goods/buyerGroups/" + group.id() + "/percentOff",
                                Message.of("why.100-less-groups-percent"))));
    }

    private Figure broken(Product.Break step, Figure base, int index) {
        String at = path + "/breaks/" + index;
        Message label = Message.of("why.from-quantity", "quantity", step.from());
        return step.price()
                .map(price -> tracer.typed(at, label, price))
                .orElseGet(() -> tracer.exactPercent(
                        at,
                        label,
                        base,
                        tracer.number(
                                Source.SETUP,
                                HUNDRED.subtract(step.percent().orElse(BigDecimal.ZERO)),
                                "%",
                                at,
                                Message.of("why.100-less-breaks-percent"))));
    }

    private Figure withChoices(Figure base) {
        Figure sum = base;
        if (!product.options().isEmpty() || !line.answers().isEmpty()) {
            List<Figure> parts = parts(base);
            sum = parts.size() == 1 ? base : tracer.exactSum("rule/unit-price", Message.of("why.with-choices"), parts);
        }
        Figure kept = sum.value().signum() >= 0
                ? sum
                : tracer.largest(
                        "rule/not-below-zero",
                        Message.of("why.not-below-zero"),
                        List.of(sum, tracer.zero("rule/not-below-zero", Message.of("why.zero"))));
        if (rerate.isPresent()) {
            return tracer == result
                    ? rerate.get().of(kept, tracer)
                    : rerate.get().converted(kept, result);
        }
        return kept.value().scale() == tracer.digits()
                ? kept
                : tracer.rounded("rule/unit-price", Message.of("why.unit-price"), kept);
    }

    private List<Figure> parts(Figure base) {
        List<Figure> parts = new ArrayList<>(4);
        parts.add(base);
        for (Product.Option option : product.options()) {
            Product.Choice choice = Shelf.choice(option, line);
            if (choice.extra().isPresent() || choice.percent().isPresent()) {
                String at = path + "/options/" + option.id() + "/choices/" + choice.id();
                choice.extra()
                        .ifPresent(extra -> parts.add(tracer.typed(at + "/extra", Message.name(choice.name()), extra)));
                choice.percent()
                        .ifPresent(percent -> parts.add(tracer.exactPercent(
                                at + "/percent",
                                Message.name(choice.name()),
                                base,
                                tracer.number(
                                        Source.SETUP, percent, "%", at + "/percent", Message.name(choice.name())))));
            }
        }
        for (Question question : product.questions()) {
            String answer = line.answers().get(question.id());
            if (answer != null && question.priced()) {
                answered(question, answer, base, parts);
            }
        }
        return parts;
    }

    private void answered(Question question, String answer, Figure base, List<Figure> parts) {
        String at = path + "/questions/" + question.id();
        Message label = Message.name(question.name());
        question.extra().ifPresent(extra -> parts.add(tracer.typed(at + "/extra", label, extra)));
        question.percent()
                .ifPresent(percent -> parts.add(tracer.exactPercent(
                        at + "/percent",
                        label,
                        base,
                        tracer.number(Source.SETUP, percent, "%", at + "/percent", label))));
        question.perCharacter()
                .ifPresent(each -> parts.add(tracer.exactProduct(
                        at + "/perCharacter",
                        label,
                        List.of(
                                tracer.typed(at + "/perCharacter", Message.of("why.each-character"), each),
                                tracer.number(
                                        Source.ORDER,
                                        BigDecimal.valueOf(Question.charged(answer)),
                                        "",
                                        orderPath + "/answers/" + question.id(),
                                        Message.of("why.characters"))))));
    }
}
