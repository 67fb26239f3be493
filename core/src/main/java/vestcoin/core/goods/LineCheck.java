package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.function.UnaryOperator;
import vestcoin.core.problem.Problems;

/** What is wrong with a line of an order: choices not made, quantities that cannot be, amounts out of bounds. */
final class LineCheck {
    /** The largest quantity of one line: far above any shop's, far below what could overflow a money column. */
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

    private final Line line;
    private final Product product;
    private final String path;
    private final Problems problems;

    LineCheck(Line line, Product product, String path, Problems problems) {
        this.line = line;
        this.product = product;
        this.path = path;
        this.problems = problems;
    }

    /** @param typed brings a typed amount into the order's currency */
    void check(int digits, UnaryOperator<BigDecimal> typed) {
        quantity();
        product.bounds().filter(bounds -> product.amountChosen()).ifPresent(bounds -> {
            BigDecimal least = typed.apply(bounds.least());
            BigDecimal most = typed.apply(bounds.most());
            problems.when(
                    line.amount().isEmpty()
                            || line.amount().get().compareTo(least) < 0
                            || line.amount().get().compareTo(most) > 0,
                    path + "/amount",
                    product.name() + " takes an amount from " + least.toPlainString() + " to " + most.toPlainString()
                            + ".",
                    "Choose one within.");
        });
        line.amount()
                .ifPresent(amount -> problems.when(
                        amount.stripTrailingZeros().scale() > digits,
                        path + "/amount",
                        "The amount has more decimals than the currency.",
                        "Write at most " + digits + "."));
        for (Product.Option option : product.options()) {
            String chosen = line.options().get(option.id());
            if (option.choices().stream().noneMatch(choice -> choice.id().equals(chosen))) {
                problems.add(
                        path + "/options/" + option.id(),
                        chosen == null
                                ? product.name() + " needs a choice of " + option.name() + "."
                                : product.name() + " has no " + option.name() + " “" + chosen + "”.",
                        "Choose one of: "
                                + String.join(
                                        ", ",
                                        option.choices().stream()
                                                .map(Product.Choice::name)
                                                .toList()) + ".");
            }
        }
        for (String id : line.options().keySet()) {
            problems.when(
                    product.options().stream().noneMatch(option -> option.id().equals(id)),
                    path + "/options/" + id,
                    product.name() + " has no option “" + id + "”.",
                    "Leave it out.");
        }
    }

    private void quantity() {
        BigDecimal quantity = line.quantity();
        if (quantity == null || quantity.signum() <= 0 || quantity.compareTo(MOST) > 0) {
            problems.add(
                    path + "/quantity",
                    "The quantity of " + product.name() + " has to be above zero and at most 1,000,000.",
                    "Change it, or take the line out.");
            return;
        }
        if (product.measure().isEmpty()) {
            if (quantity.scale() > 0 && quantity.stripTrailingZeros().scale() > 0) {
                problems.add(
                        path + "/quantity",
                        "The quantity of " + product.name() + " has to be a whole number.",
                        "Change it, or take the line out.");
            }
            return;
        }
        Product.Measure measure = product.measure().get();
        problems.when(
                quantity.remainder(measure.step()).signum() != 0,
                path + "/quantity",
                product.name() + " is sold in steps of " + measure.step().toPlainString() + " " + measure.unit() + ".",
                "Change the quantity to a whole number of steps.");
        problems.when(
                quantity.compareTo(measure.least()) < 0 || quantity.compareTo(measure.most()) > 0,
                path + "/quantity",
                product.name() + " is sold from " + measure.least().toPlainString() + " to "
                        + measure.most().toPlainString() + " " + measure.unit() + ".",
                "Choose a quantity within.");
    }
}
