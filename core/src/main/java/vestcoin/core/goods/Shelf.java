package vestcoin.core.goods;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import vestcoin.core.goods.PricedLine.Levied;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problems;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** The goods, ready to price lines. */
public final class Shelf {
    /** A product with what its group says filled in, and the path its weight stands at. */
    private record Stood(Product product, String weightPath) {}

    /** A line to price: one of the order's, or a part of a bundle. */
    private record Part(int ordered, Line line, Optional<String> bundle) {}

    private final Map<String, Stood> products = new HashMap<>();
    private final Map<String, Goods.BuyerGroup> groups = new HashMap<>();

    private Shelf() {}

    public static Shelf of(Goods goods) {
        Shelf shelf = new Shelf();
        Map<String, Goods.ProductGroup> kinds = new HashMap<>();
        goods.groups().forEach(group -> kinds.put(group.id(), group));
        for (Product product : goods.products()) {
            Goods.ProductGroup group =
                    product.group().or(goods::defaultGroup).map(kinds::get).orElse(null);
            boolean fromGroup = product.weight().isEmpty()
                    && group != null
                    && group.weight().isPresent();
            shelf.products.put(
                    product.id(),
                    new Stood(
                            group == null ? product : product.in(group),
                            fromGroup
                                    ? "goods/groups/" + group.id() + "/weight"
                                    : "goods/products/" + product.id() + "/weight"));
        }
        goods.buyerGroups().forEach(group -> shelf.groups.put(group.id(), group));
        return shelf;
    }

    /** A product with what its group says filled in. */
    public Optional<Product> find(String id) {
        return Optional.ofNullable(products.get(id)).map(Stood::product);
    }

    /**
     * What one of each product costs off the shelf in the tracer's currency, without choices and sales, by id: a bundle
     * the sum of its parts, of an amount the buyer chooses the least.
     *
     * @param ids of the products asked for
     * @param group id of the buyer group who looks belongs to, if any
     */
    public Map<String, BigDecimal> prices(Collection<String> ids, Optional<String> group, Tracer tracer) {
        Map<String, BigDecimal> prices = new HashMap<>();
        ids.forEach(id -> prices.put(id, price(products.get(id).product(), group, tracer)));
        return prices;
    }

    private BigDecimal price(Product product, Optional<String> group, Tracer tracer) {
        if (product.assembled()) {
            return sum(product, group, tracer);
        }
        return product.amountChosen()
                ? tracer.threshold(product.bounds().orElseThrow().least())
                : UnitPrice.offTheShelf(product, group.map(groups::get), tracer);
    }

    private BigDecimal sum(Product bundle, Optional<String> group, Tracer tracer) {
        return priceOfOne(least(bundle), new BuyerPricing(Instant.EPOCH, ZoneOffset.UTC, group), tracer);
    }

    /** One of a bundle; of a box, with as few pieces of its first goods as it takes. */
    private static Line least(Product product) {
        Together parts = product.parts();
        return Line.of(product.id(), 1)
                .holding(
                        product.kind() == Product.Kind.BOX
                                ? List.of(parts.from().get(0).pieces(parts.fewest()))
                                : List.of());
    }

    /**
     * Adds what is wrong with the lines of an order: unknown products, choices not made, quantities that cannot
     * be. @param typed brings a typed amount into the order's currency
     */
    public void check(List<Line> lines, int digits, UnaryOperator<BigDecimal> typed, Problems problems) {
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            String path = "order/lines/" + i;
            Stood stood = line.product() == null ? null : products.get(line.product());
            if (stood == null) {
                problems.add(
                        path + "/product",
                        Message.of("goods.shop-has-no-product", "product", line.product()),
                        Message.of("goods.take-line-out-or-choose-product-shop"));
            } else {
                new LineCheck(line, stood.product(), path, problems).check(digits, typed);
                contents(line, stood.product(), path, digits, typed, problems);
            }
        }
    }

    /** What a buyer has put into a box, each as a line of its own. */
    private void contents(
            Line line, Product product, String path, int digits, UnaryOperator<BigDecimal> typed, Problems problems) {
        if (product.kind() != Product.Kind.BOX) {
            problems.when(
                    !line.contents().isEmpty(),
                    path + "/contents",
                    Message.of("goods.is-no-box", "product", product.name()),
                    Message.of("goods.leave-out"));
            return;
        }
        Together box = product.parts();
        BigDecimal pieces = BigDecimal.ZERO;
        for (int i = 0; i < line.contents().size(); i++) {
            Line part = line.contents().get(i);
            String at = path + "/contents/" + i;
            if (box.filling(part).isEmpty()) {
                problems.add(
                        at,
                        Message.of("goods.does-not-go-into", "product", product.name(), "part", part.product()),
                        Message.of("goods.choose-what-goes-into-it"));
            } else {
                new LineCheck(part, products.get(part.product()).product(), at, problems).check(digits, typed);
                pieces = pieces.add(part.quantity() == null ? BigDecimal.ZERO : part.quantity());
            }
        }
        problems.when(
                pieces.compareTo(BigDecimal.valueOf(box.fewest())) < 0
                        || pieces.compareTo(BigDecimal.valueOf(box.fullest())) > 0,
                path + "/contents",
                Message.of(
                        "goods.takes-so-many-pieces",
                        "product",
                        product.name(),
                        "least",
                        box.fewest(),
                        "most",
                        box.fullest(),
                        "pieces",
                        pieces.stripTrailingZeros().toPlainString()),
                Message.of("goods.put-in-or-take-out"));
    }

    /**
     * Prices the lines of an order that {@link #check} found nothing wrong with: {@link UnitPrice}, then unit price ×
     * quantity, rounded once where the goods are measured. A bundle or box becomes the lines of what it holds; where
     * they cost something else together, that is shared over them ({@link PartShares}).
     */
    public List<PricedLine> price(List<Line> lines, BuyerPricing buying, Tracer tracer) {
        List<Part> parts = parts(lines);
        List<PricedLine> priced = new ArrayList<>(parts.size());
        for (int i = 0; i < parts.size(); i++) {
            priced.add(price(i, parts.get(i), buying, tracer));
        }
        for (int i = 0; i < lines.size(); i++) {
            Product product = products.get(lines.get(i).product()).product();
            if (product.assembled() && product.parts().reprices()) {
                new PartShares(product, lines.get(i), i, buying, groups, tracer).share(priced);
            }
        }
        return priced;
    }

    /** What one of a line costs: of a bundle or box all its parts. @param line nothing is wrong with */
    public BigDecimal priceOfOne(Line line, BuyerPricing buying, Tracer tracer) {
        List<PricedLine> parts = price(List.of(line), buying, tracer);
        return products.get(line.product()).product().assembled()
                ? parts.stream().map(part -> part.amount().value()).reduce(BigDecimal.ZERO, BigDecimal::add)
                : parts.get(0).unit().value();
    }

    private List<Part> parts(List<Line> lines) {
        List<Part> parts = new ArrayList<>(lines.size());
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            Product product = products.get(line.product()).product();
            if (!product.assembled()) {
                parts.add(new Part(i, line, Optional.empty()));
            }
            for (Line content : product.kind() == Product.Kind.BOX ? line.contents() : product.contents()) {
                parts.add(new Part(
                        i, content.of(content.quantity().multiply(line.quantity())), Optional.of(product.name())));
            }
        }
        return parts;
    }

    private PricedLine price(int index, Part part, BuyerPricing buying, Tracer tracer) {
        Line line = part.line();
        Stood stood = products.get(line.product());
        Product product = stood.product();
        String path = "order/lines/" + part.ordered();
        Optional<Product.Variation> variation = variation(product, line);
        Figure quantity =
                tracer.number(Source.ORDER, line.quantity(), "", path + "/quantity", Message.of("why.quantity"));
        Figure unit = UnitPrice.of(product, variation, line, path, buying, groups, tracer);
        Figure amount = tracer.ratio("rule/line", Message.name(product.name()), List.of(unit, quantity), List.of());
        Figure shelf = amount;
        if (!buying.stands()) {
            Figure shelfUnit = UnitPrice.of(product, variation, line, path, buying.atShelf(), groups, tracer);
            shelf = tracer.ratio("rule/line", Message.name(product.name()), List.of(shelfUnit, quantity), List.of());
        }
        return new PricedLine(
                new PricedLine.Selection(
                        index,
                        part.ordered(),
                        line,
                        product,
                        variation.map(Product.Variation::id),
                        chosen(product, line),
                        part.bundle()),
                unit,
                amount,
                shelf,
                weight(stood, variation, quantity, tracer),
                perUnit(product, quantity, buying, tracer));
    }

    /** Of the variations that fit the choices made the one that names most of them; of equal ones the first. */
    private static Optional<Product.Variation> variation(Product product, Line line) {
        Product.Variation found = null;
        for (Product.Variation variation : product.variations()) {
            boolean fits =
                    line.options().entrySet().containsAll(variation.options().entrySet());
            found = fits
                            && (found == null
                                    || variation.options().size()
                                            > found.options().size())
                    ? variation
                    : found;
        }
        return Optional.ofNullable(found);
    }

    private static Figure weight(Stood stood, Optional<Product.Variation> variation, Figure quantity, Tracer tracer) {
        Product product = stood.product();
        Optional<Weight> own = variation.flatMap(Product.Variation::weight);
        String path = own.isPresent()
                ? "goods/products/" + product.id() + "/variations/"
                        + variation.get().id() + "/weight"
                : stood.weightPath();
        BigDecimal kilograms = product.physical()
                ? own.or(product::weight).map(Weight::kilograms).orElse(BigDecimal.ZERO)
                : BigDecimal.ZERO;
        return tracer.product(
                "kg",
                "rule/line-weight",
                Message.name(product.name()),
                List.of(tracer.number(Source.SETUP, kilograms, "kg", path, Message.of("why.weight-of-one")), quantity));
    }

    private static List<Levied> perUnit(Product product, Figure quantity, BuyerPricing buying, Tracer tracer) {
        if (product.perUnit().isEmpty()) {
            return List.of();
        }
        List<Levied> levied = new ArrayList<>();
        for (Product.PerUnit each : product.perUnit()) {
            Optional<String> category = each.category(product.taxCategory());
            String path = "goods/products/" + product.id() + "/perUnit/" + each.id();
            Figure one = category.flatMap(taxed -> buying.rates().of(product, taxed))
                    .map(rerate -> rerate.converted(
                            tracer.shops().typed(path, Message.name(each.name()), each.amount()), tracer))
                    .orElseGet(() -> tracer.typed(path, Message.name(each.name()), each.amount()));
            levied.add(new Levied(
                    each.id(),
                    each.name(),
                    category,
                    each.inside(),
                    tracer.ratio("rule/per-unit", Message.name(each.name()), List.of(one, quantity), List.of())));
        }
        return levied;
    }

    private static List<String> chosen(Product product, Line line) {
        if (product.options().isEmpty()) {
            return List.of();
        }
        return product.options().stream()
                .map(option -> choice(option, line).name())
                .toList();
    }

    static Product.Choice choice(Product.Option option, Line line) {
        String chosen = line.options().get(option.id());
        for (Product.Choice choice : option.choices()) {
            if (choice.id().equals(chosen)) {
                return choice;
            }
        }
        throw new IllegalStateException("a choice that the check let through: " + option.id());
    }
}
