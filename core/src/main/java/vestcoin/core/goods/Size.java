package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * Length, width and height as typed, with one unit.
 *
 * @param length above zero, as are the others
 * @param height upwards, for what has to stand
 * @param unit as in {@link Length}
 */
public record Size(BigDecimal length, BigDecimal width, BigDecimal height, String unit) {
    private static final String NUMBER = "(\\d{1,9}(?:\\.\\d{1,6})?)";
    private static final Pattern TEXT =
            Pattern.compile(NUMBER + "\\s*[x×*]\\s*" + NUMBER + "\\s*[x×*]\\s*" + NUMBER + "\\s*([a-z]*)");

    /** Reads {@code 120 × 15 × 15 cm}. @throws InvalidInput if it is no size */
    public static Size parse(String path, String text) {
        Matcher matcher = TEXT.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!matcher.matches() || !Length.isUnit(matcher.group(4))) {
            throw new InvalidInput(
                    path,
                    Message.of("goods.not-size", "text", text),
                    Message.of("goods.write-length-width-height-and-unit-120"));
        }
        Size size = new Size(
                new BigDecimal(matcher.group(1)),
                new BigDecimal(matcher.group(2)),
                new BigDecimal(matcher.group(3)),
                matcher.group(4));
        if (size.length.signum() == 0 || size.width.signum() == 0 || size.height.signum() == 0) {
            throw new InvalidInput(
                    path, Message.of("goods.size-cannot-have-side-of-zero"), Message.of("goods.write-all-three-sides"));
        }
        return size;
    }

    /** The three sides in centimetres, as typed. */
    public List<BigDecimal> centimetres() {
        return Stream.of(length, width, height)
                .map(side -> side.multiply(Length.centimetresPer(unit)))
                .toList();
    }

    /** Longest side in centimetres. */
    public BigDecimal longest() {
        return centimetres().stream().max(Comparator.naturalOrder()).orElseThrow();
    }

    /** Longest side and girth, which is twice the sum of the two shorter sides; in centimetres. */
    public BigDecimal lengthAndGirth() {
        BigDecimal all = centimetres().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        return longest().add(all.subtract(longest()).multiply(BigDecimal.valueOf(2)));
    }

    /** Cubic centimetres. */
    public BigDecimal volume() {
        return centimetres().stream().reduce(BigDecimal.ONE, BigDecimal::multiply);
    }

    /** As {@link #parse} reads it. */
    public String text() {
        return length.toPlainString() + " × " + width.toPlainString() + " × " + height.toPlainString() + " " + unit;
    }
}
