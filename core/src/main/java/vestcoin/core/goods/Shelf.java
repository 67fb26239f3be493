package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import vestcoin.core.problem.Problems;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** The goods, ready to price lines. */
public final class Shelf {
    /** The largest quantity of one line: far above any shop's, far below what could overflow a money column. */
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

    private final Map<String, Product> products = new HashMap<>();
    private final Map<String, Goods.BuyerGroup> groups = new HashMap<>();

    private Shelf() {}

    public static Shelf of(Goods goods) {
        Shelf shelf = new Shelf();
        for (Product product : goods.products()) {
            shelf.products.put(product.id(), product);
        }
        goods.buyerGroups().forEach(group -> shelf.groups.put(group.id(), group));
        return shelf;
    }

    /** Adds what is wrong with the lines of an order: unknown products, choices not made, quantities that cannot be. */
    public void check(List<Line> lines, int digits, Problems problems) {
        for (int i = 0; i < lines.size(); i++) {
            check(lines.get(i), "order/lines/" + i, digits, problems);
        }
    }

    private void check(Line line, String path, int digits, Problems problems) {
        Product product = line.product() == null ? null : products.get(line.product());
        if (problems.when(product == null, path + "/product", "The shop has no product “" + line.product() + "”.",
                "Take the line out, or choose a product the shop has.")) {
            return;
        }
        checkQuantity(line, product, path, problems);
        product.bounds().filter(bounds -> product.donation()).ifPresent(bounds -> problems.when(line.amount().isEmpty()
                        || line.amount().get().compareTo(bounds.least()) < 0 || line.amount().get().compareTo(bounds.most()) > 0, path + "/amount",
                product.name() + " takes an amount from " + bounds.least().toPlainString() + " to " + bounds.most().toPlainString() + ".", "Choose one within."));
        line.amount().ifPresent(amount -> problems.when(amount.stripTrailingZeros().scale() > digits, path + "/amount",
                "The amount has more decimals than the currency.", "Write at most " + digits + "."));
        for (Product.Option option : product.options()) {
            String chosen = line.options().get(option.id());
            problems.when(option.choices().stream().noneMatch(choice -> choice.id().equals(chosen)), path + "/options/" + option.id(),
                    chosen == null ? product.name() + " needs a choice of " + option.name() + "."
                            : product.name() + " has no " + option.name() + " “" + chosen + "”.",
                    "Choose one of: " + String.join(", ", option.choices().stream().map(Product.Choice::name).toList()) + ".");
        }
        for (String id : line.options().keySet()) {
            problems.when(product.options().stream().noneMatch(option -> option.id().equals(id)), path + "/options/" + id,
                    product.name() + " has no option “" + id + "”.", "Leave it out.");
        }
    }

    private static void checkQuantity(Line line, Product product, String path, Problems problems) {
        BigDecimal quantity = line.quantity();
        if (problems.when(quantity == null || quantity.signum() <= 0 || quantity.compareTo(MOST) > 0, path + "/quantity",
                "The quantity of " + product.name() + " has to be above zero and at most 1,000,000.", "Change it, or take the line out.")) {
            return;
        }
        if (product.measure().isEmpty()) {
            problems.when(quantity.stripTrailingZeros().scale() > 0, path + "/quantity",
                    "The quantity of " + product.name() + " has to be a whole number.", "Change it, or take the line out.");
            return;
        }
        Product.Measure measure = product.measure().get();
        problems.when(quantity.remainder(measure.step()).signum() != 0, path + "/quantity",
                product.name() + " is sold in steps of " + measure.step().toPlainString() + " " + measure.unit() + ".", "Change the quantity to a whole number of steps.");
        problems.when(quantity.compareTo(measure.least()) < 0 || quantity.compareTo(measure.most()) > 0, path + "/quantity",
                product.name() + " is sold from " + measure.least().toPlainString() + " to " + measure.most().toPlainString() + " " + measure.unit() + ".", "Choose a quantity within.");
    }

    /**
     * Prices the lines of an order that {@link #check} found nothing wrong with: {@link UnitPrice}, then unit price × quantity,
     * rounded once where the goods are measured.
     */
    public List<PricedLine> price(List<Line> lines, Buying buying, Tracer tracer) {
        List<PricedLine> priced = new ArrayList<>(lines.size());
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            Product product = products.get(line.product());
            Figure quantity = tracer.number(Source.ORDER, line.quantity(), "", "order/lines/" + i + "/quantity", "quantity");
            Figure unit = UnitPrice.of(product, line, buying, groups, tracer);
            Figure amount = tracer.ratio("rule/line", product.name(), List.of(unit, quantity), List.of());
            priced.add(new PricedLine(i, line, product, chosen(product, line), unit, amount, weight(product, quantity, tracer)));
        }
        return priced;
    }

    private static Figure weight(Product product, Figure quantity, Tracer tracer) {
        String path = "goods/products/" + product.id() + "/weight";
        BigDecimal kilograms = product.physical() ? product.weight().map(Weight::kilograms).orElse(BigDecimal.ZERO) : BigDecimal.ZERO;
        return tracer.product("kg", "rule/line-weight", product.name(),
                List.of(tracer.number(Source.SETUP, kilograms, "kg", path, "weight of one"), quantity));
    }

    private static List<String> chosen(Product product, Line line) {
        return product.options().stream().map(option -> choice(option, line).name()).toList();
    }

    static Product.Choice choice(Product.Option option, Line line) {
        String chosen = line.options().get(option.id());
        return option.choices().stream().filter(choice -> choice.id().equals(chosen)).findFirst().orElseThrow();
    }
}
