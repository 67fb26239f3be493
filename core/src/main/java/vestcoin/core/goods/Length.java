package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A length as typed, with its unit.
 *
 * @param value not negative
 * @param unit {@code mm}, {@code cm}, {@code m}, {@code in} or {@code ft}
 */
public record Length(BigDecimal value, String unit) {
    private static final Pattern TEXT = Pattern.compile("(\\d{1,9}(?:\\.\\d{1,6})?)\\s*([a-z]*)");

    /**
     * Centimetres in one unit. Source: international yard and pound agreement of 1959, 1 in = 2.54 cm, 1 ft = 12 in.
     */
    private static final Map<String, BigDecimal> CENTIMETRES = Map.of(
            "mm",
            new BigDecimal("0.1"),
            "cm",
            BigDecimal.ONE,
            "m",
            new BigDecimal("100"),
            "in",
            new BigDecimal("2.54"),
            "ft",
            new BigDecimal("30.48"));

    public static boolean isUnit(String unit) {
        return CENTIMETRES.containsKey(unit);
    }

    static BigDecimal centimetresPer(String unit) {
        return CENTIMETRES.get(unit);
    }

    /** Reads {@code 120 cm}. @throws InvalidInput if the number cannot be read or the unit is no length */
    public static Length parse(String path, String text) {
        Matcher matcher = TEXT.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches() || !isUnit(matcher.group(2))) {
            throw new InvalidInput(
                    path,
                    Message.of("goods.not-length", "text", text),
                    Message.of("goods.write-number-and-mm-cm-m-in"));
        }
        return new Length(new BigDecimal(matcher.group(1)), matcher.group(2));
    }

    /** In centimetres, without rounding. */
    public BigDecimal centimetres() {
        return value.multiply(CENTIMETRES.get(unit));
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
