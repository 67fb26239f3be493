package vestcoin.core.why;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import vestcoin.core.money.Rounding;
import vestcoin.core.money.Sharing;

/**
 * Makes figures in one currency with one rounding. A keeping tracer remembers the operands of each, a plain one only
 * computes; the values are the same.
 */
public final class Tracer {
    private static final BigDecimal HUNDREDTH = new BigDecimal("0.01");

    private final CurrencyUnit currency;
    private final Rounding rounding;
    private final boolean keeping;

    private Tracer(CurrencyUnit currency, Rounding rounding, boolean keeping) {
        this.currency = currency;
        this.rounding = rounding;
        this.keeping = keeping;
    }

    public static Tracer keeping(CurrencyUnit currency, Rounding rounding) {
        return new Tracer(currency, rounding, true);
    }

    public static Tracer plain(CurrencyUnit currency, Rounding rounding) {
        return new Tracer(currency, rounding, false);
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

    /** An amount typed by the seller, brought to the currency's decimals. */
    public Figure typed(String rule, String label, BigDecimal amount) {
        return given(Op.Source.SETUP, amount.setScale(digits()), currency.getCode(), rule, label);
    }

    public Figure zero(String rule, String label) {
        return given(Op.Source.CONSTANT, BigDecimal.ZERO.setScale(digits()), currency.getCode(), rule, label);
    }

    /** A number that is not an amount: a rate, a count, a weight. */
    public Figure number(Op.Source source, BigDecimal value, String unit, String rule, String label) {
        return given(source, value, unit, rule, label);
    }

    public Figure sum(String rule, String label, List<Figure> operands) {
        return computed(new Op.Sum(), currency.getCode(), rule, label, operands, digits());
    }

    public Figure less(String rule, String label, Figure from, List<Figure> taken) {
        return computed(new Op.Less(), currency.getCode(), rule, label, join(List.of(from), taken), digits());
    }

    public Figure largest(String rule, String label, List<Figure> operands) {
        return computed(new Op.Largest(), currency.getCode(), rule, label, operands, digits());
    }

    /** {@code times} multiplied, divided by {@code over} multiplied, rounded once to the minor unit. */
    public Figure ratio(String rule, String label, List<Figure> times, List<Figure> over) {
        return computed(new Op.Ratio(times.size(), digits(), rounding), currency.getCode(), rule, label, join(times, over), -1);
    }

    /** An exact figure brought to the minor unit: one of the rounding points. */
    public Figure rounded(String rule, String label, Figure exact) {
        return computed(new Op.Rounded(digits(), rounding), currency.getCode(), rule, label, List.of(exact), -1);
    }

    /** The smallest of some amounts. */
    public Figure smallest(String rule, String label, List<Figure> operands) {
        return computed(new Op.Smallest(), currency.getCode(), rule, label, operands, -1);
    }

    /** A sum of amounts that have not been rounded yet. */
    public Figure exactSum(String rule, String label, List<Figure> operands) {
        return computed(new Op.Sum(), currency.getCode(), rule, label, operands, -1);
    }

    /** An amount × a percentage, not rounded: the product with hundredths. */
    public Figure exactPercent(String rule, String label, Figure amount, Figure percent) {
        return computed(new Op.Product(), currency.getCode(), rule, label,
                List.of(amount, percent, number(Op.Source.CONSTANT, HUNDREDTH, "", "rule/percent", "per cent")), -1);
    }

    /** A product that is an amount but has not been rounded yet. */
    public Figure exactProduct(String rule, String label, List<Figure> operands) {
        return computed(new Op.Product(), currency.getCode(), rule, label, operands, -1);
    }

    /** A product that is not an amount and is not rounded, such as a line's weight. */
    public Figure product(String unit, String rule, String label, List<Figure> operands) {
        return computed(new Op.Product(), unit, rule, label, operands, -1);
    }

    /** A sum that is not an amount, such as an order's weight. */
    public Figure count(String unit, String rule, String label, List<Figure> operands) {
        return computed(new Op.Sum(), unit, rule, label, operands, -1);
    }

    /** How many steps are started between {@code from} and {@code measure}. */
    public Figure startedSteps(String rule, String label, Figure measure, Figure from, Figure step) {
        return computed(new Op.StartedSteps(), "", rule, label, List.of(measure, from, step), -1);
    }

    /** {@code whole} shared out over the weights; the parts add up to it. */
    public List<Figure> shares(String rule, String label, Figure whole, List<Figure> weights) {
        List<Figure> operands = join(List.of(whole), weights);
        List<BigDecimal> values = Sharing.out(whole.value(), digits(), weights.stream().map(Figure::value).toList());
        List<Figure> parts = new ArrayList<>(weights.size());
        for (int i = 0; i < values.size(); i++) {
            parts.add(new Figure(values.get(i), currency.getCode(), rule, label, new Op.Share(i, digits()), kept(operands)));
        }
        return parts;
    }

    private Figure given(Op.Source source, BigDecimal value, String unit, String rule, String label) {
        return new Figure(value, unit, rule, label, new Op.Given(source, value), List.of());
    }

    private Figure computed(Op op, String unit, String rule, String label, List<Figure> operands, int digits) {
        BigDecimal value = op.apply(operands.stream().map(Figure::value).toList());
        return new Figure(digits < 0 ? value : value.setScale(digits), unit, rule, label, op, kept(operands));
    }

    private List<Figure> kept(List<Figure> operands) {
        return keeping ? List.copyOf(operands) : List.of();
    }

    private static List<Figure> join(List<Figure> first, List<Figure> second) {
        List<Figure> all = new ArrayList<>(first.size() + second.size());
        all.addAll(first);
        all.addAll(second);
        return all;
    }
}
