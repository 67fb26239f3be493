package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A rate as the seller types it into a cell of the tax book: {@code 23}, {@code 13.5 %}, {@code GST 5 + QST 9.975};
 * {@code PST on top 7} is also levied on what stands before it.
 */
public final class RateCell {
    private static final Pattern PART = Pattern.compile("(?:(\\p{L}[\\p{L} .]*?)\\s+)?(\\d+(?:[.,]\\d+)?)\\s*%?");
    private static final String ON_TOP = "on top";
    private static final BigDecimal MOST = BigDecimal.valueOf(100);

    private RateCell() {}

    /**
     * Reads a cell; an empty text is no rate. A component without a name takes {@code usualName}.
     *
     * @throws InvalidInput with the path of the cell, what cannot be read and how to write it
     */
    public static Optional<Tax.Rate> parse(String path, String typed, String usualName) {
        String text = typed.strip();
        if (text.isEmpty() || text.equals("-") || text.equals("–")) {
            return Optional.empty();
        }
        List<Tax.Component> components = new ArrayList<>();
        for (String part : text.split("\\+")) {
            Matcher matcher = PART.matcher(part.strip());
            if (!matcher.matches()) {
                throw new InvalidInput(
                        path,
                        Message.of("tax.not-tax-rate", "text", part.strip()),
                        Message.of("tax.write-percentage-23-or-13-5-or"));
            }
            BigDecimal percent = new BigDecimal(matcher.group(2).replace(',', '.'));
            if (percent.compareTo(MOST) > 0) {
                throw new InvalidInput(
                        path,
                        Message.of("tax.more-than-price-itself", "percent", percent),
                        Message.of("tax.write-rate-from-0-to-100"));
            }
            if (percent.signum() > 0 && percent.compareTo(new BigDecimal("0.3")) < 0) {
                throw new InvalidInput(
                        path,
                        Message.of(
                                "tax.meant-or",
                                "percent",
                                percent,
                                "percentage",
                                percent.multiply(MOST).stripTrailingZeros()),
                        Message.of(
                                "tax.write-if-share-of-one",
                                "percentage",
                                percent.multiply(MOST).stripTrailingZeros()));
            }
            components.add(new Tax.Component(
                    named(matcher.group(1), usualName),
                    percent,
                    matcher.group(1) != null && matcher.group(1).strip().endsWith(ON_TOP)));
        }
        return Optional.of(new Tax.Rate(components));
    }

    private static String named(String typed, String usualName) {
        String name = typed == null ? "" : typed.strip();
        name = name.endsWith(ON_TOP)
                ? name.substring(0, name.length() - ON_TOP.length()).strip()
                : name;
        return name.isEmpty() ? usualName : name;
    }

    /** The cell as {@link #parse} reads it; a single component by its figure alone. */
    public static String print(Tax.Rate rate) {
        if (rate.components().size() == 1) {
            return rate.components().get(0).percent().toPlainString();
        }
        return rate.components().stream()
                .map(c -> c.name() + (c.onOthers() ? " " + ON_TOP : "") + " "
                        + c.percent().toPlainString())
                .collect(Collectors.joining(" + "));
    }
}
