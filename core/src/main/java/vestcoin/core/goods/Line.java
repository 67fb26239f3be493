package vestcoin.core.goods;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One line of an order as the buyer put it together.
 *
 * @param product id of the product
 * @param quantity whole and above zero, or a number of steps of the product's measure
 * @param options option id to choice id, one for each option of the product
 * @param amount what the buyer gives; for donations
 * @param answers question id to what was answered, in Unicode's normal form C and without blanks around it: a text, a
 *     number with a point, a day by ISO 8601, the id of an answer, or {@link Question#YES}; what is blank is no answer
 * @param contents what the buyer has put into a box, for one of it; sorted by what they are
 */
public record Line(
        String product,
        BigDecimal quantity,
        Map<String, String> options,
        Optional<BigDecimal> amount,
        Map<String, String> answers,
        List<Line> contents) {
    public Line {
        options = options == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(options));
        amount = amount == null ? Optional.empty() : amount;
        answers = answers == null || answers.isEmpty() ? Map.of() : said(answers);
        contents = contents == null || contents.isEmpty()
                ? List.of()
                : contents.stream().sorted(Comparator.comparing(Line::key)).toList();
    }

    public Line(String product, BigDecimal quantity, Map<String, String> options) {
        this(product, quantity, options, Optional.empty(), Map.of(), List.of());
    }

    private static Map<String, String> said(Map<String, String> answers) {
        Map<String, String> said = new TreeMap<>();
        answers.forEach((question, answer) -> {
            if (answer != null && !answer.isBlank()) {
                said.put(question, Normalizer.normalize(answer.strip(), Normalizer.Form.NFC));
            }
        });
        return Collections.unmodifiableMap(said);
    }

    /** With answers to what is asked. */
    public Line answering(Map<String, String> others) {
        return new Line(product, quantity, options, amount, others, contents);
    }

    /** A box with this in it. */
    public Line holding(List<Line> others) {
        return new Line(product, quantity, options, amount, answers, others);
    }

    /** Another number of the same. */
    public Line of(BigDecimal other) {
        return new Line(product, other, options, amount, answers, contents);
    }

    /** The same with other choices. */
    public Line with(Map<String, String> others) {
        return new Line(product, quantity, others, amount, answers, contents);
    }

    public static Line of(String product, int quantity) {
        return new Line(product, BigDecimal.valueOf(quantity), Map.of());
    }

    public static Line of(String product, String quantity) {
        return new Line(product, new BigDecimal(quantity), Map.of());
    }

    /** Sorts lines for ties: by product, then options, then answers. */
    public String key() {
        return product + " " + options
                + (answers.isEmpty() ? "" : " " + answers)
                + (contents.isEmpty()
                        ? ""
                        : " "
                                + contents.stream()
                                        .map(each -> each.quantity + " " + each.key())
                                        .toList());
    }
}
