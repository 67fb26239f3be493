package vestcoin.core.money;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Sharing an amount out over parts so that the parts always add up to the whole. */
public final class Sharing {
    private Sharing() {}

    /**
     * Shares {@code whole} out in proportion to the weights: each part is rounded down in magnitude, the left-over
     * minor units go to the largest remainders, and of equal remainders to the part that comes first. Weights that are
     * all zero count as equal. 10.00 over 33.33, 33.33, 33.34 gives 3.33, 3.33, 3.34.
     *
     * @param whole an amount of either sign, a multiple of the minor unit
     * @param digits decimals of the currency's minor unit
     * @param weights in the order that breaks ties, at least one; a negative one gets a part of the other sign
     * @return one part a weight, each with {@code digits} decimals and the sign of the whole
     * @throws ArithmeticException if the whole has more decimals than {@code digits}
     */
    public static List<BigDecimal> out(BigDecimal whole, int digits, List<BigDecimal> weights) {
        BigInteger minor = whole.setScale(digits).unscaledValue();
        int scale = weights.get(0).scale();
        for (BigDecimal weight : weights) {
            scale = Math.max(scale, weight.scale());
        }
        List<BigInteger> exact = new ArrayList<>(weights.size());
        BigInteger total = BigInteger.ZERO;
        for (BigDecimal weight : weights) {
            BigInteger units = weight.setScale(Math.max(scale, 0)).unscaledValue();
            exact.add(units);
            total = total.add(units);
        }
        if (total.signum() < 0) {
            exact.replaceAll(BigInteger::negate);
            total = total.negate();
        }
        if (total.signum() == 0) {
            Collections.fill(exact, BigInteger.ONE);
            total = BigInteger.valueOf(weights.size());
        }
        return deal(minor, digits, exact, total);
    }

    private static List<BigDecimal> deal(BigInteger minor, int digits, List<BigInteger> weights, BigInteger total) {
        BigInteger magnitude = minor.abs();
        BigInteger[] parts = new BigInteger[weights.size()];
        BigInteger[] remainders = new BigInteger[weights.size()];
        BigInteger left = magnitude;
        for (int i = 0; i < parts.length; i++) {
            BigInteger[] division = floored(magnitude.multiply(weights.get(i)), total);
            parts[i] = division[0];
            remainders[i] = division[1];
            left = left.subtract(division[0]);
        }
        deal(left.intValueExact(), parts, remainders);
        List<BigDecimal> result = new ArrayList<>(parts.length);
        for (BigInteger part : parts) {
            result.add(new BigDecimal(minor.signum() < 0 ? part.negate() : part, digits));
        }
        return result;
    }

    /** One more to each of the largest remainders, of equal ones to the first. */
    private static void deal(int left, BigInteger[] parts, BigInteger[] remainders) {
        if (left == 0) {
            return;
        }
        List<Integer> order = new ArrayList<>(parts.length);
        for (int i = 0; i < parts.length; i++) {
            order.add(i);
        }
        order.sort((one, other) -> remainders[other].compareTo(remainders[one]));
        for (int k = 0; k < left; k++) {
            int i = order.get(k);
            parts[i] = parts[i].add(BigInteger.ONE);
        }
    }

    /** Quotient and remainder with a remainder that is never negative. */
    private static BigInteger[] floored(BigInteger dividend, BigInteger divisor) {
        BigInteger[] division = dividend.divideAndRemainder(divisor);
        return division[1].signum() >= 0
                ? division
                : new BigInteger[] {division[0].subtract(BigInteger.ONE), division[1].add(divisor)};
    }
}
