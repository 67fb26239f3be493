package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.function.UnaryOperator;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problems;

/** What is wrong with a line of an order: choices not made, quantities that cannot be, amounts out of bounds. */
final class LineCheck {
    /** The largest quantity of one line: far above any shop's, far below what could overflow a money column. */
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);
    /** Each is a code of its own. */
    private static final BigDecimal MOST_VOUCHERS = BigDecimal.valueOf(100);

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
                    Message.of("goods.takes-amount-from-to", "product", product.name(), "least", least, "most", most),
                    Message.of("goods.choose-one-within"));
        });
        line.amount()
                .ifPresent(amount -> problems.when(
                        amount.stripTrailingZeros().scale() > digits,
                        path + "/amount",
                        Message.of("goods.amount-has-more-decimals-than-currency"),
                        Message.of("goods.write-at-most", "digits", digits)));
        for (Product.Option option : product.options()) {
            String chosen = line.options().get(option.id());
            if (option.choices().stream().noneMatch(choice -> choice.id().equals(chosen))) {
                problems.add(
                        path + "/options/" + option.id(),
                        chosen == null
                                ? Message.of(
                                        "goods.needs-choice-of", "product", product.name(), "option", option.name())
                                : Message.of(
                                        "goods.has-no",
                                        "product",
                                        product.name(),
                                        "option",
                                        option.name(),
                                        "chosen",
                                        chosen),
                        Message.of(
                                "goods.choose-one-of",
                                "names",
                                String.join(
                                        ", ",
                                        option.choices().stream()
                                                .map(Product.Choice::name)
                                                .toList())));
            }
        }
        questions();
        for (String id : line.options().keySet()) {
            problems.when(
                    product.options().stream().noneMatch(option -> option.id().equals(id)),
                    path + "/options/" + id,
                    Message.of("goods.has-no-option", "product", product.name(), "id", id),
                    Message.of("goods.leave-out"));
        }
    }

    private void questions() {
        for (Question question : product.questions()) {
            String at = path + "/answers/" + question.id();
            String answer = line.answers().get(question.id());
            if (answer != null) {
                question.wrong(answer)
                        .ifPresent(wrong -> problems.add(at, wrong, Message.of("goods.answer-otherwise")));
            } else {
                problems.when(
                        question.compulsory(),
                        at,
                        Message.of("goods.needs-answer", "product", product.name(), "question", question.name()),
                        Message.of("goods.answer-it"));
            }
        }
        for (String id : line.answers().keySet()) {
            problems.when(
                    product.questions().stream()
                            .noneMatch(question -> question.id().equals(id)),
                    path + "/answers/" + id,
                    Message.of("goods.asks-no-question", "product", product.name(), "id", id),
                    Message.of("goods.leave-out"));
        }
    }

    private void quantity() {
        BigDecimal quantity = line.quantity();
        if (quantity == null || quantity.signum() <= 0 || quantity.compareTo(MOST) > 0) {
            problems.add(
                    path + "/quantity",
                    Message.of("goods.quantity-of-has-to-above-zero-and", "product", product.name()),
                    Message.of("goods.change-or-take-line-out"));
            return;
        }
        problems.when(
                product.kind() == Product.Kind.VOUCHER && quantity.compareTo(MOST_VOUCHERS) > 0,
                path + "/quantity",
                Message.of("goods.so-many-vouchers-at-once", "product", product.name(), "most", MOST_VOUCHERS),
                Message.of("goods.change-or-take-line-out"));
        if (product.measure().isEmpty()) {
            if (quantity.scale() > 0 && quantity.stripTrailingZeros().scale() > 0) {
                problems.add(
                        path + "/quantity",
                        Message.of("goods.quantity-of-has-to-whole-number", "product", product.name()),
                        Message.of("goods.change-or-take-line-out"));
            }
            return;
        }
        Product.Measure measure = product.measure().get();
        if (quantity.remainder(measure.step()).signum() != 0) {
            problems.add(
                    path + "/quantity",
                    Message.of(
                            "goods.sold-in-steps-of",
                            "product",
                            product.name(),
                            "step",
                            measure.step(),
                            "measure",
                            measure.unit()),
                    Message.of("goods.change-quantity-to-whole-number-of-steps"));
        }
        if (quantity.compareTo(measure.least()) < 0 || quantity.compareTo(measure.most()) > 0) {
            problems.add(
                    path + "/quantity",
                    Message.of(
                            "goods.sold-from-to",
                            "product",
                            product.name(),
                            "least",
                            measure.least(),
                            "most",
                            measure.most(),
                            "measure",
                            measure.unit()),
                    Message.of("goods.choose-quantity-within"));
        }
    }
}
