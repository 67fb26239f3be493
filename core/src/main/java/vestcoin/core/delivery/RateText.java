package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.StringJoiner;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A price rule as the seller types it into a cell of the rate sheet, and back.
 *
 * <pre>
 *   5.90
 *   free
 *   6.50, from 80 free
 *   to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg
 *   4.00 + 1.20/kg
 *   4.00 + 2.5 %
 *   to 2 items 3.00, to 10 items 5.00
 *   to 50 EUR 4.90, to 100 EUR 2.90
 *   to 5 km 3.00, to 20 km 6.50
 *   6.50/parcel, from 80 2.00
 *   by product
 *   quote parcel-day, else 9.90
 * </pre>
 */
public final class RateText {
    private static final String NUMBER = "(\\d+(?:\\.\\d+)?)";
    private static final Pattern AMOUNT = Pattern.compile(NUMBER);
    private static final Pattern NEGATIVE = Pattern.compile(".*(?<![\\w.])-\\s*\\d.*");
    private static final Pattern DECIMAL_COMMA = Pattern.compile(".*\\d,\\d{1,2}(?!\\d).*");
    private static final Pattern BAND = Pattern.compile("to\\s+" + NUMBER + "\\s*([a-z]*)\\s+" + NUMBER);
    private static final Pattern NO_UNIT = Pattern.compile("to\\s+" + NUMBER + "\\s+" + NUMBER + "|to\\s+" + NUMBER);
    private static final Pattern THEN =
            Pattern.compile("then\\s*\\+?\\s*" + NUMBER + "\\s*(?:/|per|each)\\s*(?:" + NUMBER + "\\s*)?([a-z]+)");
    private static final Pattern PLUS =
            Pattern.compile(NUMBER + "\\s*\\+\\s*" + NUMBER + "\\s*(?:(%)|(?:/|per|each)\\s*([a-z]+))");
    private static final Pattern PER_PARCEL = Pattern.compile(NUMBER + "\\s*(?:/|per|each)\\s*parcel");
    private static final Pattern QUOTE = Pattern.compile("quote ([a-z0-9]+(?:-[a-z0-9]+)*)");
    private static final Pattern OTHERWISE = Pattern.compile("else " + NUMBER);
    private static final Pattern REDUCED = Pattern.compile("from\\s+" + NUMBER + "\\s+" + NUMBER);
    private static final Pattern FREE_FROM =
            Pattern.compile("(?:free\\s+from\\s+" + NUMBER + "|from\\s+" + NUMBER + "\\s+free)");
    private static final Message EXAMPLE = Message.of("delivery.example-of-a-rule");

    private RateText() {}

    /**
     * Reads a rule; an empty text, a dash or {@code not offered} is no rule.
     *
     * @throws InvalidInput with the path of the cell, what cannot be read and how to write it
     */
    public static Optional<PriceRule> parse(String path, String typed, CurrencyUnit currency) {
        String text = typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        if (text.isEmpty() || text.equals("-") || text.equals("–") || text.equals("not offered")) {
            return Optional.empty();
        }
        if (NEGATIVE.matcher(text).matches()) {
            throw new InvalidInput(
                    path,
                    Message.of("delivery.delivery-price-cannot-below-zero"),
                    Message.of("delivery.write-without-minus-sign-0-00-or"));
        }
        if (DECIMAL_COMMA.matcher(text).matches()) {
            throw new InvalidInput(
                    path,
                    Message.of("delivery.comma-separates-parts-of-rule"),
                    Message.of("delivery.write-decimals-with-point-4-90"));
        }
        Reader reader = new Reader(path, currency);
        for (String part : text.split("\\s*,\\s*")) {
            reader.read(part);
        }
        return Optional.of(reader.rule());
    }

    private static final class Reader {
        private final String path;
        private final CurrencyUnit currency;
        private final List<PriceRule.Band> bands = new ArrayList<>();
        private BigDecimal fixed;
        private boolean perParcel;
        private boolean byProduct;
        private String service;
        private BigDecimal otherwise;
        private BigDecimal reducedTo;
        private String unit;
        private PriceRule.Then then;
        private PriceRule.BasePlus basePlus;
        private BigDecimal freeFrom;

        Reader(String path, CurrencyUnit currency) {
            this.path = path;
            this.currency = currency;
        }

        void read(String part) {
            Matcher matcher;
            if (part.equals("free") && fixed == null) {
                fixed = BigDecimal.ZERO.setScale(currency.getDecimalPlaces());
            } else if (AMOUNT.matcher(part).matches() && fixed == null) {
                fixed = amount(part);
            } else if ((matcher = PER_PARCEL.matcher(part)).matches() && fixed == null) {
                fixed = amount(matcher.group(1));
                perParcel = true;
            } else if (part.equals("by product")) {
                byProduct = true;
            } else if ((matcher = QUOTE.matcher(part)).matches()) {
                service = matcher.group(1);
            } else if ((matcher = OTHERWISE.matcher(part)).matches()) {
                otherwise = amount(matcher.group(1));
            } else if ((matcher = REDUCED.matcher(part)).matches()) {
                freeFrom = amount(matcher.group(1));
                reducedTo = amount(matcher.group(2));
            } else if ((matcher = PLUS.matcher(part)).matches() && basePlus == null) {
                basePlus(matcher);
            } else if ((matcher = BAND.matcher(part)).matches()
                    && !matcher.group(2).isEmpty()) {
                band(new BigDecimal(matcher.group(1)), unitOf(matcher.group(2)), amount(matcher.group(3)));
            } else if (NO_UNIT.matcher(part).matches()) {
                String first = part.split(" ")[1];
                throw new InvalidInput(
                        path,
                        Message.of("delivery.does-not-say-what-counted", "part", part),
                        Message.of(
                                "delivery.write-kg-items-or-after-to-kg", "code", currency.getCode(), "first", first));
            } else if ((matcher = THEN.matcher(part)).matches()) {
                step(matcher);
            } else if ((matcher = FREE_FROM.matcher(part)).matches()) {
                freeFrom = amount(matcher.group(1) == null ? matcher.group(2) : matcher.group(1));
            } else {
                throw new InvalidInput(path, Message.of("delivery.cannot-read-delivery-price", "part", part), EXAMPLE);
            }
        }

        private void band(BigDecimal upTo, String of, BigDecimal price) {
            if (unit != null && !unit.equals(of)) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.one-rule-counts-in-and-in", "unit", unit, "other", of),
                        Message.of("delivery.use-one-unit-for-all-bands-of"));
            }
            if (!bands.isEmpty() && bands.get(bands.size() - 1).upTo().compareTo(upTo) >= 0) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.band-to-not-above-one-before", "upTo", upTo, "unit", of),
                        Message.of("delivery.list-bands-from-smallest-to-largest"));
            }
            unit = of;
            bands.add(new PriceRule.Band(upTo, price));
        }

        private void basePlus(Matcher matcher) {
            if (matcher.group(3) != null) {
                basePlus = new PriceRule.BasePlus(
                        amount(matcher.group(1)), new BigDecimal(matcher.group(2)), PriceRule.BasePlus.PERCENT);
                return;
            }
            String of = unitOf(matcher.group(4));
            if (of.equals(currency.getCode())) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.price-for-each-of-value-percent", "unit", of),
                        Message.of("delivery.write-4-00-2-5"));
            }
            basePlus = new PriceRule.BasePlus(amount(matcher.group(1)), amount(matcher.group(2)), of);
        }

        private void step(Matcher matcher) {
            BigDecimal size = matcher.group(2) == null ? BigDecimal.ONE : new BigDecimal(matcher.group(2));
            String of = unitOf(matcher.group(3));
            if (bands.isEmpty() || then != null || size.signum() == 0) {
                throw new InvalidInput(path, Message.of("delivery.then-has-to-follow-last-band-once"), EXAMPLE);
            }
            if (!of.equals(unit)) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.bands-count-in-then-counts-in", "unit", unit, "other", of),
                        Message.of("delivery.use-one-unit-for-all-of-cell"));
            }
            then = new PriceRule.Then(size, amount(matcher.group(1)));
        }

        private String unitOf(String word) {
            if (Weight.isUnit(word) || Distance.isUnit(word)) {
                return word;
            }
            if (word.equals("item") || word.equals("items")) {
                return PriceRule.Bands.ITEMS;
            }
            if (word.equals(currency.getCode().toLowerCase(Locale.ROOT))) {
                return currency.getCode();
            }
            throw new InvalidInput(
                    path,
                    Message.of("delivery.not-unit-here", "word", word),
                    Message.of("delivery.use-kg-g-lb-or-oz-items", "code", currency.getCode()));
        }

        private BigDecimal amount(String text) {
            BigDecimal amount = new BigDecimal(text);
            if (amount.stripTrailingZeros().scale() > currency.getDecimalPlaces()) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.has-more-decimals-than-has", "text", text, "code", currency.getCode()),
                        currency.getDecimalPlaces() == 0
                                ? Message.of("delivery.write-whole", "code", currency.getCode())
                                : Message.of(
                                        "delivery.write-at-most-decimals",
                                        "decimalPlaces",
                                        currency.getDecimalPlaces()));
            }
            return amount.setScale(currency.getDecimalPlaces());
        }

        PriceRule rule() {
            int found = (fixed == null ? 0 : 1)
                    + (bands.isEmpty() ? 0 : 1)
                    + (basePlus == null ? 0 : 1)
                    + (byProduct ? 1 : 0)
                    + (service == null ? 0 : 1);
            if ((service == null) != (otherwise == null)) {
                throw new InvalidInput(
                        path,
                        Message.of("delivery.carriers-quote-needs-price-for-when-does"),
                        Message.of("delivery.write-quote-parcel-day-else-9-90"));
            }
            if (found != 1) {
                throw new InvalidInput(
                        path,
                        found == 0
                                ? Message.of("delivery.rule-has-no-price")
                                : Message.of("delivery.rule-has-fixed-price-and-bands-or"),
                        EXAMPLE);
            }
            return new PriceRule(
                    basis(), Optional.ofNullable(freeFrom), Optional.ofNullable(reducedTo), List.of(), List.of());
        }

        private PriceRule.Basis basis() {
            if (service != null) {
                return new PriceRule.CarrierQuote(service, otherwise);
            }
            if (byProduct) {
                return new PriceRule.ByProduct();
            }
            return fixed != null
                    ? new PriceRule.Fixed(fixed, perParcel)
                    : basePlus != null ? basePlus : new PriceRule.Bands(unit, bands, Optional.ofNullable(then));
        }
    }

    /** The rule as {@link #parse} reads it. */
    public static String print(PriceRule rule) {
        StringJoiner text = new StringJoiner(", ");
        if (rule.basis() instanceof PriceRule.Fixed fixed) {
            text.add(
                    fixed.price().signum() == 0
                            ? "free"
                            : fixed.price().toPlainString() + (fixed.perParcel() ? "/parcel" : ""));
        } else if (rule.basis() instanceof PriceRule.ByProduct) {
            text.add("by product");
        } else if (rule.basis() instanceof PriceRule.CarrierQuote quote) {
            text.add("quote " + quote.service());
            text.add("else " + quote.otherwise().toPlainString());
        } else if (rule.basis() instanceof PriceRule.BasePlus plus) {
            text.add(plus.base().toPlainString() + " + " + plus.plus().toPlainString()
                    + (plus.per().equals(PriceRule.BasePlus.PERCENT) ? " %" : "/" + singular(plus.per())));
        } else if (rule.basis() instanceof PriceRule.Bands bands) {
            for (PriceRule.Band band : bands.bands()) {
                text.add("to " + band.upTo().toPlainString() + " " + bands.unit() + " "
                        + band.price().toPlainString());
            }
            bands.then()
                    .ifPresent(then ->
                            text.add("then +" + then.price().toPlainString() + "/" + step(then) + bands.unit()));
        }
        rule.freeFrom()
                .ifPresent(from -> text.add("from " + plain(from) + " "
                        + rule.reducedTo().map(BigDecimal::toPlainString).orElse("free")));
        return text.toString();
    }

    private static String step(PriceRule.Then then) {
        return then.step().compareTo(BigDecimal.ONE) == 0 ? "" : then.step().toPlainString() + " ";
    }

    /** The rule in sentences, for reading back what was understood. */
    public static List<Message> inWords(PriceRule rule) {
        List<Message> said = new ArrayList<>();
        if (rule.basis() instanceof PriceRule.Fixed fixed) {
            said.add(
                    fixed.price().signum() == 0
                            ? Message.of("delivery.nothing-charged")
                            : (fixed.perParcel()
                                    ? Message.of("delivery.parcel", "price", fixed.price())
                                    : Message.of("delivery.order", "price", fixed.price())));
        } else if (rule.basis() instanceof PriceRule.ByProduct) {
            said.add(Message.of("delivery.each-products-own-price-one-travels-alone"));
        } else if (rule.basis() instanceof PriceRule.CarrierQuote quote) {
            said.add(Message.of(
                    "delivery.what-carrier-asks-for-if-does-not",
                    "service",
                    quote.service(),
                    "otherwise",
                    quote.otherwise()));
        } else if (rule.basis() instanceof PriceRule.BasePlus plus) {
            said.add(
                    plus.per().equals(PriceRule.BasePlus.PERCENT)
                            ? Message.of(
                                    "delivery.order-and-of-value-of-what-sent",
                                    "base",
                                    plus.base(),
                                    "plus",
                                    plus.plus())
                            : Message.of(
                                    "delivery.order-and-for-each",
                                    "base",
                                    plus.base(),
                                    "plus",
                                    plus.plus(),
                                    "unit",
                                    plus.per()));
        } else if (rule.basis() instanceof PriceRule.Bands bands) {
            for (int i = 0; i < bands.bands().size(); i++) {
                PriceRule.Band band = bands.bands().get(i);
                said.add(
                        i == 0
                                ? Message.of(
                                        "delivery.up-to-and-including",
                                        "upTo",
                                        band.upTo(),
                                        "unit",
                                        bands.unit(),
                                        "price",
                                        band.price())
                                : Message.of(
                                        "delivery.up-to",
                                        "upTo",
                                        band.upTo(),
                                        "unit",
                                        bands.unit(),
                                        "price",
                                        band.price()));
            }
            said.add(bands.then()
                    .map(then -> then.step().compareTo(BigDecimal.ONE) == 0
                            ? Message.of(
                                    "delivery.above-that-more-for-each-started-one",
                                    "price",
                                    then.price(),
                                    "unit",
                                    bands.unit())
                            : Message.of(
                                    "delivery.above-that-more-for-each-started",
                                    "price",
                                    then.price(),
                                    "step",
                                    then.step(),
                                    "unit",
                                    bands.unit()))
                    .orElse(Message.of("delivery.above-that-it-is-not-offered")));
        }
        rule.freeFrom()
                .ifPresent(from -> said.add(rule.reducedTo()
                        .map(to -> Message.of("delivery.reduced-from-goods-of", "price", to, "from", from))
                        .orElse(Message.of("delivery.free-from-goods-of", "from", from))));
        return said;
    }

    private static String plain(BigDecimal amount) {
        BigDecimal stripped = amount.stripTrailingZeros();
        return stripped.scale() <= 0 ? stripped.toPlainString() : amount.toPlainString();
    }

    private static String singular(String unit) {
        return unit.equals(PriceRule.Bands.ITEMS) ? "item" : unit;
    }
}
