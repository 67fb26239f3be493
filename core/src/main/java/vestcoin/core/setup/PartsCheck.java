package vestcoin.core.setup;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Together;
import vestcoin.core.message.Message;

/** What is wrong with what bundles and boxes hold, and with what is asked about products. */
final class PartsCheck {
    private final Checks checks;
    private final Map<String, Product> products = new HashMap<>();

    PartsCheck(Goods goods, Checks checks) {
        this.checks = checks;
        goods.products().forEach(product -> products.put(product.id(), product));
    }

    void check(Product product, String path) {
        boolean bundle = product.kind() == Product.Kind.BUNDLE;
        checks.problems.when(
                bundle != !product.contents().isEmpty(),
                path + "/contents",
                bundle ? Message.of("setup.bundle-empty") : Message.of("setup.only-bundle-has-contents"),
                bundle ? Message.of("setup.add-what-holds") : Message.of("setup.make-bundle-or-take-them-out"));
        for (int i = 0; bundle && i < product.contents().size(); i++) {
            content(product.contents().get(i), path + "/contents/" + i);
        }
        checks.problems.when(
                product.together().isPresent() && !product.assembled(),
                path + "/together",
                Message.of("setup.only-bundle-or-box-has-parts"),
                Message.of("setup.make-bundle-or-take-them-out"));
        product.together().ifPresent(together -> together(product, together, path + "/together"));
        checks.problems.when(
                product.kind() == Product.Kind.BOX && product.parts().from().isEmpty(),
                path + "/together/from",
                Message.of("setup.box-is-filled-from-nothing", "product", product.name()),
                Message.of("setup.name-what-it-is-filled-from"));
    }

    private void together(Product product, Together together, String path) {
        boolean box = product.kind() == Product.Kind.BOX;
        together.percentOff().ifPresent(percent -> checks.percent(percent, path + "/percentOff"));
        checks.problems.when(
                together.percentOff().isPresent() && together.priced() == Together.Priced.OWN,
                path + "/percentOff",
                Message.of("setup.percent-is-off-what-parts-come-to"),
                Message.of("setup.write-one-of-two"));
        checks.problems.when(
                !box
                        && !(together.from().isEmpty()
                                && together.least().isEmpty()
                                && together.most().isEmpty()),
                path + "/from",
                Message.of("setup.only-a-box-is-filled", "product", product.name()),
                Message.of("setup.make-it-a-box-or-leave-that-out"));
        together.least()
                .ifPresent(least -> checks.whole(
                        least, 1, Together.MOST_PIECES, path + "/least", Message.of("setup.pieces-of-box")));
        together.most()
                .ifPresent(most -> checks.whole(
                        most,
                        Math.max(1, together.fewest()),
                        Together.MOST_PIECES,
                        path + "/most",
                        Message.of("setup.pieces-of-box")));
        checks.ids(together.from(), Together.BoxPart::id, path + "/from");
        for (Together.BoxPart filling : together.from()) {
            String at = path + "/from/" + filling.id();
            content(new Line(filling.product(), BigDecimal.ONE, filling.options()), at);
            Product part = filling.product() == null ? null : products.get(filling.product());
            checks.problems.when(
                    part != null && part.measure().isPresent(),
                    at + "/product",
                    Message.of("setup.box-holds-pieces", "part", filling.product()),
                    Message.of("setup.name-goods-sold-by-the-piece"));
            filling.extra().ifPresent(extra -> checks.amount(extra, at + "/extra", false));
        }
    }

    private void content(Line line, String path) {
        Product part = line.product() == null ? null : products.get(line.product());
        if (checks.problems.when(
                part == null || part.kind() == null || part.assembled() || part.amountChosen(),
                path + "/product",
                Message.of("setup.cannot-part-of-bundle", "product", line.product()),
                Message.of("setup.name-product-that-has-price-of-own"))) {
            return;
        }
        checks.problems.when(
                line.quantity() == null
                        || line.quantity().signum() <= 0
                        || line.quantity().compareTo(BigDecimal.valueOf(1000)) > 0
                        || part.measure().isEmpty()
                                && line.quantity().stripTrailingZeros().scale() > 0,
                path + "/quantity",
                Message.of("setup.quantity-has-to-whole-number-above-zero"),
                Message.of("setup.write-how-many-of-bundle-holds"));
        checks.problems.when(
                !line.contents().isEmpty(),
                path + "/contents",
                Message.of("goods.is-no-box", "product", part.name()),
                Message.of("goods.leave-out"));
        part.questions().forEach(question -> {
            String answer = line.answers().get(question.id());
            checks.problems.when(
                    answer == null && question.compulsory(),
                    path + "/answers",
                    Message.of("setup.part-asks", "part", part.name(), "question", question.name()),
                    Message.of("setup.make-question-free-or-leave-part-out"));
            if (answer != null && question.kind() != null) {
                question.wrong(answer)
                        .ifPresent(wrong -> checks.problems.add(
                                path + "/answers/" + question.id(), wrong, Message.of("goods.answer-otherwise")));
            }
        });
        checks.problems.when(
                line.answers().keySet().stream()
                        .anyMatch(id -> part.questions().stream().noneMatch(question -> id.equals(question.id()))),
                path + "/answers",
                Message.of("setup.answers-what-is-not-asked", "part", part.name()),
                Message.of("goods.leave-out"));
        List<Product.Option> open = part.options().stream()
                .filter(option ->
                        !GoodsCheck.offers(part, option.id(), line.options().get(option.id())))
                .toList();
        checks.problems.when(
                !open.isEmpty() || line.options().size() != part.options().size(),
                path + "/options",
                Message.of("setup.not-all-choices-of-made", "part", part.name()),
                Message.of("setup.name-one-choice-for-each-of-options"));
    }

    void question(Product product, Question question, String path) {
        checks.named(question.name(), path);
        if (!checks.required(question.kind(), path + "/kind")) {
            return;
        }
        checks.problems.when(
                product.assembled(),
                path,
                Message.of("setup.bundle-asks-nothing", "product", product.name()),
                Message.of("setup.ask-at-what-bundle-holds"));
        asked(checks, question, path);
        question.extra().ifPresent(extra -> checks.amount(extra, path + "/extra", true));
        question.percent().ifPresent(percent -> checks.anyPercent(percent, path + "/percent"));
        question.perCharacter().ifPresent(each -> checks.amount(each, path + "/perCharacter", false));
        checks.problems.when(
                question.priced() && product.kind() != null && product.amountChosen(),
                path,
                Message.of("setup.amount-chosen-adds-nothing", "product", product.name()),
                Message.of("setup.ask-without-price"));
    }

    /** What of a question can be answered at all, whatever it is asked about. */
    static void asked(Checks checks, Question question, String path) {
        boolean text = question.kind() == Question.Kind.TEXT;
        question.most()
                .ifPresent(most ->
                        checks.whole(most, 1, Question.LONGEST, path + "/most", Message.of("setup.most-characters")));
        checks.problems.when(
                !text && (question.most().isPresent() || question.perCharacter().isPresent()),
                path + (question.most().isPresent() ? "/most" : "/perCharacter"),
                Message.of("setup.only-text-has-characters", "question", question.name()),
                Message.of("setup.make-text-or-leave-characters-out"));
        checks.problems.when(
                (question.kind() == Question.Kind.ONE_OF) == question.answers().isEmpty(),
                path + "/answers",
                question.answers().isEmpty()
                        ? Message.of("setup.question-has-no-answers", "question", question.name())
                        : Message.of("setup.question-chooses-nothing", "question", question.name()),
                Message.of("setup.name-answers-of-one-of-several"));
        checks.ids(question.answers(), Question.Answer::id, path + "/answers");
        question.answers().forEach(answer -> checks.named(answer.name(), path + "/answers/" + answer.id()));
    }
}
