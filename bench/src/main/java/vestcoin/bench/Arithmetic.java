package vestcoin.bench;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.Comparator;

/**
 * The decimal arithmetic of one order, written out without rules, names or explanations: what no program that gives the
 * same amounts can do without. All three baselines use it; they differ in how they find what goes in.
 */
final class Arithmetic {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** A line. @param tax place of its rate in the rates */
    record Item(BigDecimal price, BigDecimal extra, BigDecimal quantity, BigDecimal kilograms, int tax) {}

    /** One option's bands, the last with a price for each started unit above. */
    record Bands(BigDecimal[] upTo, BigDecimal[] price, BigDecimal then) {
        BigDecimal of(BigDecimal weight) {
            for (int i = 0; i < upTo.length; i++) {
                if (weight.compareTo(upTo[i]) <= 0) {
                    return price[i];
                }
            }
            int last = upTo.length - 1;
            return price[last].add(
                    weight.subtract(upTo[last]).setScale(0, RoundingMode.UP).multiply(then));
        }
    }

    record Fee(BigDecimal percent, BigDecimal fixed) {}

    record Result(
            BigDecimal goods,
            BigDecimal delivery,
            BigDecimal[] taxes,
            BigDecimal[] lineTaxes,
            BigDecimal payable,
            BigDecimal[] fees) {}

    private Arithmetic() {}

    static Result order(
            Item[] items,
            BigDecimal percentOff,
            BigDecimal leastValue,
            Bands[] options,
            int chosen,
            BigDecimal[] rates,
            Fee[] methods) {
        int n = items.length;
        BigDecimal[] amounts = new BigDecimal[n];
        BigDecimal goods = BigDecimal.ZERO;
        BigDecimal weight = BigDecimal.ZERO;
        for (int i = 0; i < n; i++) {
            amounts[i] = items[i].price
                    .add(items[i].extra)
                    .multiply(items[i].quantity)
                    .setScale(2, RoundingMode.HALF_UP);
            goods = goods.add(amounts[i]);
            weight = weight.add(items[i].kilograms.multiply(items[i].quantity));
        }
        BigDecimal left = goods;
        if (goods.compareTo(leastValue) >= 0) {
            BigDecimal off = goods.multiply(percentOff).divide(HUNDRED, 2, RoundingMode.HALF_UP);
            BigDecimal[] parts = share(off, amounts);
            for (int i = 0; i < n; i++) {
                amounts[i] = amounts[i].subtract(parts[i]);
            }
            left = goods.subtract(off);
        }
        BigDecimal[] prices = new BigDecimal[options.length];
        Integer[] order = new Integer[options.length];
        for (int o = 0; o < options.length; o++) {
            prices[o] = options[o].of(weight).setScale(2, RoundingMode.HALF_UP);
            order[o] = o;
        }
        Arrays.sort(order, Comparator.comparing(o -> prices[o]));
        BigDecimal delivery = prices[chosen];
        BigDecimal[] groups = new BigDecimal[rates.length];
        Arrays.fill(groups, BigDecimal.ZERO);
        for (int i = 0; i < n; i++) {
            groups[items[i].tax] = groups[items[i].tax].add(amounts[i]);
        }
        BigDecimal[] deliveries = share(delivery, groups);
        BigDecimal[] taxes = new BigDecimal[rates.length];
        BigDecimal[] lineTaxes = new BigDecimal[n];
        for (int g = 0; g < rates.length; g++) {
            BigDecimal gross = groups[g].add(deliveries[g]);
            taxes[g] = gross.multiply(rates[g]).divide(HUNDRED.add(rates[g]), 2, RoundingMode.HALF_UP);
            BigDecimal[] weights = new BigDecimal[n + 1];
            for (int i = 0; i < n; i++) {
                weights[i] = items[i].tax == g ? amounts[i] : BigDecimal.ZERO;
            }
            weights[n] = deliveries[g];
            BigDecimal[] parts = share(taxes[g], weights);
            for (int i = 0; i < n; i++) {
                if (items[i].tax == g) {
                    lineTaxes[i] = parts[i];
                }
            }
        }
        BigDecimal payable = left.add(delivery);
        BigDecimal[] fees = new BigDecimal[methods.length];
        for (int m = 0; m < methods.length; m++) {
            fees[m] = payable.multiply(methods[m].percent)
                    .divide(HUNDRED, 2, RoundingMode.HALF_UP)
                    .add(methods[m].fixed);
        }
        return new Result(goods, delivery, taxes, lineTaxes, payable, fees);
    }

    /** Proportional parts in minor units, the left-over ones to the largest remainders. */
    static BigDecimal[] share(BigDecimal whole, BigDecimal[] weights) {
        int n = weights.length;
        BigDecimal sum = BigDecimal.ZERO;
        for (BigDecimal weight : weights) {
            sum = sum.add(weight);
        }
        BigDecimal[] parts = new BigDecimal[n];
        BigDecimal[] remainders = new BigDecimal[n];
        BigDecimal left = whole;
        for (int i = 0; i < n; i++) {
            BigDecimal exact = whole.multiply(weights[i]);
            parts[i] = exact.divide(sum, 2, RoundingMode.DOWN);
            remainders[i] = exact.subtract(parts[i].multiply(sum));
            left = left.subtract(parts[i]);
        }
        BigDecimal cent = new BigDecimal("0.01");
        while (left.signum() > 0) {
            int most = 0;
            for (int i = 1; i < n; i++) {
                if (remainders[i].compareTo(remainders[most]) > 0) {
                    most = i;
                }
            }
            parts[most] = parts[most].add(cent);
            remainders[most] = BigDecimal.valueOf(-1);
            left = left.subtract(cent);
        }
        return parts;
    }
}
