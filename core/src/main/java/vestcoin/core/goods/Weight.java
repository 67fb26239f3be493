package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A weight as typed, with its unit.
 *
 * @param value not negative
 * @param unit {@code kg}, {@code g}, {@code lb} or {@code oz}
 */
public record Weight(BigDecimal value, String unit) {
    private static final Pattern TEXT = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*([a-z]*)");

    /**
     * Kilograms in one unit. Source: international yard and pound agreement of 1959, 1 lb = 0.45359237 kg; 16 oz = 1
     * lb.
     */
    private static final Map<String, BigDecimal> KILOGRAMS = Map.of(
            "kg", BigDecimal.ONE,
            "g", new BigDecimal("0.001"),
            "lb", new BigDecimal("0.45359237"),
            "oz", new BigDecimal("0.028349523125"));

    public static boolean isUnit(String unit) {
        return KILOGRAMS.containsKey(unit);
    }

    /** Kilograms in one of these units, exactly. */
    public static BigDecimal kilogramsPer(String unit) {
        return KILOGRAMS.get(unit);
    }

    /**
     * Reads {@code 1.2 kg}.
     *
     * @throws InvalidInput if the number cannot be read or the unit is missing or not a weight
     */
    public static Weight parse(String path, String text) {
        Matcher matcher = TEXT.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches()) {
            throw new InvalidInput(
                    path,
                    Message.of("goods.not-weight", "text", text),
                    Message.of("goods.write-number-and-unit-1-2-kg"));
        }
        String unit = matcher.group(2);
        if (unit.isEmpty()) {
            throw new InvalidInput(
                    path,
                    Message.of("goods.weight-has-no-unit", "text", text),
                    Message.of("goods.add-kg-g-lb-or-oz-after", "text", text.strip()));
        }
        if (!isUnit(unit)) {
            throw new InvalidInput(
                    path, Message.of("goods.not-unit-of-weight", "unit", unit), Message.of("goods.use-kg-g-lb-or-oz"));
        }
        return new Weight(new BigDecimal(matcher.group(1)), unit);
    }

    /** In kilograms, without rounding. */
    public BigDecimal kilograms() {
        return value.multiply(KILOGRAMS.get(unit));
    }

    /** As it is said, with the number as the language writes it. */
    public Message said() {
        return Message.of("goods.measure", "number", value, "unit", unit);
    }

    /** As {@link #parse} reads it. */
    public String text() {
        return value.toPlainString() + " " + unit;
    }
}
