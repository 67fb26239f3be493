package vestcoin.core.why;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.money.Ending;
import vestcoin.core.money.Rounding;
import vestcoin.core.money.Sharing;

/**
 * Makes figures in one currency with one rounding. A keeping tracer remembers the operands of each, a plain one only
 * computes; the values are the same.
 */
public final class Tracer {
    private static final BigDecimal HUNDREDTH = new BigDecimal("0.01");

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private static final Message PER_CENT = Message.of("why.per-cent");

    private final CurrencyUnit currency;
    private final Rounding rounding;
    private final boolean keeping;
    private final Optional<Conversion> conversion;

    /**
     * How typed amounts become amounts of the order's currency: × to ÷ from × (100 + percent) ÷ 100.
     *
     * @param shop the currency amounts are typed in
     * @param from units of the shop's currency for one of the rates' base
     * @param to units of the order's currency for one of the rates' base
     * @param percent added
     * @param ending what unit prices are brought to
     */
    public record Conversion(
            CurrencyUnit shop, BigDecimal from, BigDecimal to, BigDecimal percent, Optional<Ending> ending) {}

    private Tracer(CurrencyUnit currency, Rounding rounding, boolean keeping, Optional<Conversion> conversion) {
        this.currency = currency;
        this.rounding = rounding;
        this.keeping = keeping;
        this.conversion = conversion;
    }

    public static Tracer keeping(CurrencyUnit currency, Rounding rounding) {
        return new Tracer(currency, rounding, true, Optional.empty());
    }

    public static Tracer plain(CurrencyUnit currency, Rounding rounding) {
        return new Tracer(currency, rounding, false, Optional.empty());
    }

    /** This tracer for orders in another currency than the shop's. */
    public Tracer in(CurrencyUnit other, Conversion how) {
        return new Tracer(other, rounding, keeping, Optional.of(how));
    }

    /** This tracer without memory: for figures that only decide something. */
    public Tracer forgetful() {
        return new Tracer(currency, rounding, false, conversion);
    }

    /** This tracer in the shop's own currency. */
    public Tracer shops() {
        return conversion
                .map(how -> new Tracer(how.shop(), rounding, keeping, Optional.empty()))
                .orElse(this);
    }

    /** What unit prices are brought to after conversion. */
    public Optional<Ending> ending() {
        return conversion.flatMap(Conversion::ending);
    }

    public CurrencyUnit currency() {
        return currency;
    }

    public int digits() {
        return currency.getDecimalPlaces();
    }

    public Rounding rounding() {
        return rounding;
    }

    /**
     * An amount typed by the seller in the shop's currency. In an order of another currency it is converted and rounded
     * half up to that currency's minor unit.
     */
    public Figure typed(String rule, Message label, BigDecimal amount) {
        if (conversion.isEmpty()) {
            return given(Op.Source.SETUP, amount.setScale(digits()), currency.getCode(), rule, label);
        }
        CurrencyUnit shop = conversion.get().shop();
        Figure shops = given(Op.Source.SETUP, amount.setScale(shop.getDecimalPlaces()), shop.getCode(), rule, label);
        List<Figure> operands = join(join(List.of(shops), times(conversion.get())), over(conversion.get()));
        return computed(new Op.Ratio(3, digits(), Rounding.HALF_UP), currency.getCode(), rule, label, operands, -1);
    }

    private List<Figure> times(Conversion how) {
        return List.of(
                given(
                        Op.Source.ORDER,
                        how.to(),
                        "",
                        "order/exchange",
                        Message.of("why.units-for-one-of-the-base", "currency", currency.getCode())),
                given(
                        Op.Source.SETUP,
                        HUNDRED.add(how.percent()),
                        "%",
                        "shop/currencies/" + currency.getCode(),
                        Message.of("why.100-and-the-shops-percent")));
    }

    private List<Figure> over(Conversion how) {
        return List.of(
                given(
                        Op.Source.ORDER,
                        how.from(),
                        "",
                        "order/exchange",
                        Message.of(
                                "why.units-for-one-of-the-base",
                                "currency",
                                how.shop().getCode())),
                given(Op.Source.CONSTANT, HUNDRED, "%", "rule/percent", PER_CENT));
    }

    /**
     * An amount of the shop's currency out of one rate and into another, and into the currency of the order, in one
     * step: × to ÷ from, converted, rounded once.
     */
    public Figure rerated(String rule, Message label, Figure shops, Figure to, Figure from) {
        List<Figure> times =
                join(List.of(shops, to), conversion.map(this::times).orElse(List.of()));
        return ratio(
                rule,
                label,
                times,
                join(List.of(from), conversion.map(this::over).orElse(List.of())));
    }

    /**
     * This tracer with amounts converted at the rates alone: what the seller bears, without what is added for buyers.
     */
    public Tracer atRates() {
        return conversion
                .map(how -> new Tracer(
                        currency,
                        rounding,
                        keeping,
                        Optional.of(
                                new Conversion(how.shop(), how.from(), how.to(), BigDecimal.ZERO, Optional.empty()))))
                .orElse(this);
    }

    /** An amount typed by the seller in the order's own currency. */
    public Figure typedInOwn(String rule, Message label, BigDecimal amount) {
        return given(Op.Source.SETUP, amount.setScale(digits()), currency.getCode(), rule, label);
    }

    /** An amount that came with the order, in the order's currency. */
    public Figure brought(String rule, Message label, BigDecimal amount) {
        return given(Op.Source.ORDER, amount.setScale(digits()), currency.getCode(), rule, label);
    }

    /** A typed amount as this order compares with it: converted where need be. */
    public BigDecimal threshold(BigDecimal amount) {
        return conversion.isEmpty()
                ? amount
                : typed("rule/converted", Message.of("why.threshold"), amount).value();
    }

    /** A typed amount as a message names it: converted where need be. */
    public Amount amount(BigDecimal typed) {
        return new Amount(threshold(typed).setScale(digits()), currency.getCode());
    }

    /** A unit price brought to the ending of its currency. */
    public Figure ended(String rule, Message label, Figure amount, Ending ending) {
        return computed(new Op.Ended(ending), currency.getCode(), rule, label, List.of(amount), digits());
    }

    /** An amount brought to the nearest multiple of a step. */
    public Figure nearest(String rule, Message label, Figure amount, Figure step) {
        return computed(new Op.Nearest(digits()), currency.getCode(), rule, label, List.of(amount, step), -1);
    }

    /** A number raised to the next multiple of a step. */
    public Figure raised(String unit, String rule, Message label, Figure number, Figure step) {
        return computed(new Op.RaisedToStep(), unit, rule, label, List.of(number, step), -1);
    }

    /** An exact amount rounded up to the minor unit. */
    public Figure raisedAmount(String rule, Message label, Figure exact) {
        return computed(
                new Op.RaisedToStep(),
                currency.getCode(),
                rule,
                label,
                List.of(
                        exact,
                        given(
                                Op.Source.CONSTANT,
                                BigDecimal.ONE.movePointLeft(digits()),
                                currency.getCode(),
                                rule,
                                Message.of("why.minor-unit"))),
                digits());
    }

    /** A number divided by another, to twelve decimals. */
    public Figure quotient(String unit, String rule, Message label, Figure number, Figure divisor) {
        return computed(new Op.Quotient(), unit, rule, label, List.of(number, divisor), -1);
    }

    /** The larger of some numbers that are no amounts. */
    public Figure greatest(String unit, String rule, Message label, List<Figure> operands) {
        return computed(new Op.Largest(), unit, rule, label, operands, -1);
    }

    public Figure zero(String rule, Message label) {
        return given(Op.Source.CONSTANT, BigDecimal.ZERO.setScale(digits()), currency.getCode(), rule, label);
    }

    /** A number that is not an amount: a rate, a count, a weight. */
    public Figure number(Op.Source source, BigDecimal value, String unit, String rule, Message label) {
        return given(source, value, unit, rule, label);
    }

    public Figure sum(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Sum(), currency.getCode(), rule, label, operands, digits());
    }

    public Figure less(String rule, Message label, Figure from, List<Figure> taken) {
        return computed(new Op.Less(), currency.getCode(), rule, label, join(List.of(from), taken), digits());
    }

    public Figure largest(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Largest(), currency.getCode(), rule, label, operands, digits());
    }

    /** {@code times} multiplied, divided by {@code over} multiplied, rounded once to the minor unit. */
    public Figure ratio(String rule, Message label, List<Figure> times, List<Figure> over) {
        return computed(
                new Op.Ratio(times.size(), digits(), rounding), currency.getCode(), rule, label, join(times, over), -1);
    }

    /** An exact figure brought to the minor unit: one of the rounding points. */
    public Figure rounded(String rule, Message label, Figure exact) {
        return computed(new Op.Rounded(digits(), rounding), currency.getCode(), rule, label, List.of(exact), -1);
    }

    /** An exact figure brought to the minor unit half up, whatever the shop's rounding: what others reckon. */
    public Figure roundedHalfUp(String rule, Message label, Figure exact) {
        return computed(
                new Op.Rounded(digits(), Rounding.HALF_UP), currency.getCode(), rule, label, List.of(exact), -1);
    }

    /** The smallest of some amounts. */
    public Figure smallest(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Smallest(), currency.getCode(), rule, label, operands, -1);
    }

    /** The largest of some amounts that have not been rounded yet. */
    public Figure exactLargest(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Largest(), currency.getCode(), rule, label, operands, -1);
    }

    /** A sum of amounts that have not been rounded yet. */
    public Figure exactSum(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Sum(), currency.getCode(), rule, label, operands, -1);
    }

    /** An amount × a percentage, not rounded: the product with hundredths. */
    public Figure exactPercent(String rule, Message label, Figure amount, Figure percent) {
        return computed(
                new Op.Product(),
                currency.getCode(),
                rule,
                label,
                List.of(amount, percent, number(Op.Source.CONSTANT, HUNDREDTH, "", "rule/percent", PER_CENT)),
                -1);
    }

    /** A product that is an amount but has not been rounded yet. */
    public Figure exactProduct(String rule, Message label, List<Figure> operands) {
        return computed(new Op.Product(), currency.getCode(), rule, label, operands, -1);
    }

    /** A product that is not an amount and is not rounded, such as a line's weight. */
    public Figure product(String unit, String rule, Message label, List<Figure> operands) {
        return computed(new Op.Product(), unit, rule, label, operands, -1);
    }

    /** A sum that is not an amount, such as an order's weight. */
    public Figure count(String unit, String rule, Message label, List<Figure> operands) {
        return computed(new Op.Sum(), unit, rule, label, operands, -1);
    }

    /** How many steps are started between {@code from} and {@code measure}. */
    public Figure startedSteps(String rule, Message label, Figure measure, Figure from, Figure step) {
        return computed(new Op.StartedSteps(), "", rule, label, List.of(measure, from, step), -1);
    }

    /** {@code whole} shared out over the weights; the parts add up to it. */
    public List<Figure> shares(String rule, Message label, Figure whole, List<Figure> weights) {
        List<BigDecimal> weighed = new ArrayList<>(weights.size());
        weights.forEach(weight -> weighed.add(weight.value()));
        List<BigDecimal> values = Sharing.out(whole.value(), digits(), weighed);
        List<Figure> operands = keeping ? List.copyOf(join(List.of(whole), weights)) : List.of();
        List<Figure> parts = new ArrayList<>(weights.size());
        for (int i = 0; i < values.size(); i++) {
            parts.add(new Figure(values.get(i), currency.getCode(), rule, label, new Op.Share(i, digits()), operands));
        }
        return parts;
    }

    private Figure given(Op.Source source, BigDecimal value, String unit, String rule, Message label) {
        return new Figure(value, unit, rule, label, new Op.Given(source, value), List.of());
    }

    private Figure computed(Op op, String unit, String rule, Message label, List<Figure> operands, int digits) {
        BigDecimal[] values = new BigDecimal[operands.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = operands.get(i).value();
        }
        BigDecimal value = op.apply(Arrays.asList(values));
        return new Figure(digits < 0 ? value : value.setScale(digits), unit, rule, label, op, kept(operands));
    }

    private List<Figure> kept(List<Figure> operands) {
        return keeping ? List.copyOf(operands) : List.of();
    }

    private static List<Figure> join(List<Figure> first, List<Figure> second) {
        if (second.isEmpty()) {
            return first;
        }
        List<Figure> all = new ArrayList<>(first.size() + second.size());
        all.addAll(first);
        all.addAll(second);
        return all;
    }
}
