package vestcoin.core.quote;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.message.Message;
import vestcoin.core.setup.CompiledSetup;

/**
 * Brings a sample basket back to something the shop sells, when its goods have changed under it: what is gone is left
 * out, a choice that is not made is made by the first there is. A basket nothing is left of gives way to the first
 * thing sold.
 *
 * @param lines what can be priced; empty only where the shop sells nothing
 * @param notes what was changed, in sentences; empty when nothing was
 */
public record BasketMending(List<Line> lines, List<Message> notes) {
    public BasketMending {
        lines = List.copyOf(lines);
        notes = List.copyOf(notes);
    }

    public static BasketMending of(CompiledSetup setup, List<Line> basket) {
        List<Line> lines = new ArrayList<>();
        List<Message> notes = new ArrayList<>();
        for (Line line : basket) {
            Optional<Product> product =
                    line.product() == null ? Optional.empty() : setup.shelf().find(line.product());
            if (product.isEmpty()) {
                notes.add(Message.of("quote.not-sold-any-more-so-left-out", "product", line.product()));
            } else {
                lines.add(chosen(line, product.get(), notes));
            }
        }
        List<Product> sold = setup.setup().goods().products();
        if (lines.isEmpty() && !sold.isEmpty()) {
            Product first = sold.stream()
                    .filter(product -> !product.amountChosen())
                    .findFirst()
                    .orElse(sold.get(0));
            notes.add(Message.of("quote.nothing-of-this-basket-sold-any-more", "first", first.name()));
            Line one = new Line(
                    first.id(),
                    first.measure().map(Product.Measure::least).orElse(java.math.BigDecimal.ONE),
                    Map.of(),
                    first.bounds().map(Product.Bounds::least).filter(least -> first.amountChosen()),
                    Map.of(),
                    List.of());
            lines.add(chosen(one, first, new ArrayList<>()));
        }
        return new BasketMending(lines, notes);
    }

    private static Line chosen(Line line, Product product, List<Message> notes) {
        Map<String, String> choices = new LinkedHashMap<>();
        for (Product.Option option : product.options()) {
            String wanted = line.options().get(option.id());
            boolean there =
                    option.choices().stream().anyMatch(choice -> choice.id().equals(wanted));
            if (there || option.choices().isEmpty()) {
                Optional.ofNullable(wanted).ifPresent(choice -> choices.put(option.id(), choice));
                continue;
            }
            Product.Choice first = option.choices().get(0);
            choices.put(option.id(), first.id());
            notes.add(Message.of(
                    "quote.needs-choice-of-ticket-takes",
                    "product",
                    product.name(),
                    "option",
                    option.name(),
                    "first",
                    first.name()));
        }
        Map<String, String> answers = answers(line, product, notes);
        List<Line> contents = contents(line, product, notes);
        return choices.equals(line.options()) && answers.equals(line.answers()) && contents.equals(line.contents())
                ? line
                : new Line(line.product(), line.quantity(), choices, line.amount(), answers, contents);
    }

    /** A box as it was filled, as far as it still can be so; too empty a one is filled up with its first goods. */
    private static List<Line> contents(Line line, Product product, List<Message> notes) {
        if (product.kind() != Product.Kind.BOX) {
            return List.of();
        }
        List<Line> kept = product.parts().kept(line.contents());
        if (!kept.equals(line.contents())) {
            notes.add(Message.of("quote.box-is-filled-otherwise", "product", product.name()));
        }
        return kept;
    }

    /** Answers to what is asked still; what has to be answered and is not is taken to be anything. */
    private static Map<String, String> answers(Line line, Product product, List<Message> notes) {
        Map<String, String> answers = new TreeMap<>();
        for (Question question : product.questions()) {
            String given = line.answers().get(question.id());
            boolean fits = given != null && question.wrong(given).isEmpty();
            if (fits || question.compulsory()) {
                answers.put(question.id(), fits ? given : question.sample());
            }
            if (!fits && question.compulsory()) {
                notes.add(Message.of(
                        "quote.needs-answer-ticket-takes", "product", product.name(), "question", question.name()));
            }
        }
        return answers;
    }
}
