package vestcoin.core.goods;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.Collections;
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
 */
public record Line(
        String product,
        BigDecimal quantity,
        Map<String, String> options,
        Optional<BigDecimal> amount,
        Map<String, String> answers) {
    public Line {
        options = options == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(options));
        amount = amount == null ? Optional.empty() : amount;
        answers = answers == null || answers.isEmpty() ? Map.of() : said(answers);
    }

    public Line(String product, BigDecimal quantity, Map<String, String> options) {
        this(product, quantity, options, Optional.empty(), Map.of());
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

    /** Another number of the same. */
    public Line of(BigDecimal other) {
        return new Line(product, other, options, amount, answers);
    }

    /** The same with other choices. */
    public Line with(Map<String, String> others) {
        return new Line(product, quantity, others, amount, answers);
    }

    public static Line of(String product, int quantity) {
        return new Line(product, BigDecimal.valueOf(quantity), Map.of());
    }

    public static Line of(String product, String quantity) {
        return new Line(product, new BigDecimal(quantity), Map.of());
    }

    /** Sorts lines for ties: by product, then options, then answers. */
    public String key() {
        return product + " " + options + (answers.isEmpty() ? "" : " " + answers);
    }
}
