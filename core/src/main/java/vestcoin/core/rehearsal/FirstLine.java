package vestcoin.core.rehearsal;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Together;

/**
 * The plainest line of a product: the first choice of each option, the least that can be asked for, what has to be
 * answered.
 */
final class FirstLine {
    /** A day to come, for questions that ask for one. */
    private static final int DAYS_AHEAD = 14;

    private FirstLine() {}

    /** @param today the day it is asked for @param quantity how many; the least there can be without it */
    static Line of(Product product, LocalDate today, Optional<BigDecimal> quantity) {
        Map<String, String> options = new LinkedHashMap<>();
        product.options().stream()
                .filter(option -> !option.choices().isEmpty())
                .forEach(option ->
                        options.put(option.id(), option.choices().get(0).id()));
        Map<String, String> answers = new LinkedHashMap<>();
        product.questions().stream()
                .filter(Question::compulsory)
                .forEach(question -> answers.put(question.id(), answer(question, today)));
        return new Line(
                product.id(),
                quantity.or(() -> product.measure().map(Product.Measure::least)).orElse(BigDecimal.ONE),
                options,
                product.bounds().map(Product.Bounds::least),
                answers,
                contents(product));
    }

    private static String answer(Question question, LocalDate today) {
        return switch (question.kind()) {
            case TEXT -> "A";
            case NUMBER -> "1";
            case DAY -> today.plusDays(DAYS_AHEAD).toString();
            case ONE_OF -> question.answers().get(0).id();
            case TICK -> Question.YES;
        };
    }

    /** A box filled with as many of its first part as it needs. */
    private static List<Line> contents(Product product) {
        if (product.kind() != Product.Kind.BOX || product.parts().from().isEmpty()) {
            return List.of();
        }
        Together.BoxPart first = product.parts().from().get(0);
        return List.of(
                new Line(first.product(), BigDecimal.valueOf(product.parts().fewest()), first.options()));
    }

    /** How many of a product stay within a measure, and how many are above it; at least one. */
    static List<BigDecimal> around(BigDecimal edge, BigDecimal each) {
        BigDecimal within = edge.divide(each, 0, RoundingMode.FLOOR).max(BigDecimal.ONE);
        return List.of(within, within.add(BigDecimal.ONE));
    }
}
