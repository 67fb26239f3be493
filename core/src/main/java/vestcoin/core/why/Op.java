package vestcoin.core.why;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Collections;
import java.util.List;
import vestcoin.core.money.Ending;
import vestcoin.core.money.Rounding;
import vestcoin.core.money.Sharing;
import vestcoin.core.money.Steps;

/** How a figure comes from its operands. Applying it again to the same operands gives the same figure. */
public sealed interface Op {

    /** The figure that these operands give, in the operands' order. */
    BigDecimal apply(List<BigDecimal> operands);

    /** Where a figure without operands comes from. */
    enum Source {
        SETUP,
        ORDER,
        CONSTANT
    }

    /** A figure that was given, not computed. */
    record Given(Source source, BigDecimal value) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return value;
        }
    }

    /** All operands added. */
    record Sum() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            BigDecimal sum = BigDecimal.ZERO;
            for (BigDecimal operand : operands) {
                sum = sum.add(operand);
            }
            return sum;
        }
    }

    /** The first operand less all others. */
    record Less() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            BigDecimal left = operands.get(0);
            for (int i = 1; i < operands.size(); i++) {
                left = left.subtract(operands.get(i));
            }
            return left;
        }
    }

    /** The smallest operand. */
    record Smallest() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return Collections.min(operands);
        }
    }

    /** The largest operand. */
    record Largest() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return Collections.max(operands);
        }
    }

    /** All operands multiplied, exactly. */
    record Product() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return multiplied(operands, 0, operands.size());
        }

        static BigDecimal multiplied(List<BigDecimal> factors, int from, int until) {
            BigDecimal product = BigDecimal.ONE;
            for (int i = from; i < until; i++) {
                product = product.multiply(factors.get(i));
            }
            return product;
        }
    }

    /**
     * The first {@code times} operands multiplied, divided by the product of the rest, rounded once.
     *
     * @param times how many operands are factors; the rest are divisors
     * @param digits decimals of the result
     * @param rounding how the exact quotient becomes the result
     */
    record Ratio(int times, int digits, Rounding rounding) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            BigDecimal above = Product.multiplied(operands, 0, times);
            return times == operands.size()
                    ? above.setScale(digits, rounding.mode())
                    : above.divide(Product.multiplied(operands, times, operands.size()), digits, rounding.mode());
        }
    }

    /** The one operand, rounded. @param digits decimals of the result */
    record Rounded(int digits, Rounding rounding) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return operands.get(0).setScale(digits, rounding.mode());
        }
    }

    /** The operand brought to an ending, or left at zero. */
    record Ended(Ending ending) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return ending.of(operands.get(0));
        }
    }

    /**
     * The first operand brought to the nearest multiple of the second, half up. @param digits decimals of the result
     */
    record Nearest(int digits) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return Steps.nearest(operands.get(0), operands.get(1)).setScale(digits);
        }
    }

    /** The first operand raised to the next multiple of the second. */
    record RaisedToStep() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return Steps.up(operands.get(0), operands.get(1));
        }
    }

    /** The first operand divided by the second, to twelve decimals, half up: for numbers that are no amounts. */
    record Quotient() implements Op {
        private static final int DIGITS = 12;

        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return operands.get(0)
                    .divide(operands.get(1), DIGITS, RoundingMode.HALF_UP)
                    .stripTrailingZeros();
        }
    }

    /** How many steps of the third operand are started between the second and the first: (23.2 − 20) ÷ 1 starts 4. */
    record StartedSteps() implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return operands.get(0).subtract(operands.get(1)).divide(operands.get(2), 0, RoundingMode.CEILING);
        }
    }

    /**
     * One part of the first operand shared out over the others ({@link Sharing#out}).
     *
     * @param part which of the parts, from 0
     * @param digits decimals of the currency's minor unit
     */
    record Share(int part, int digits) implements Op {
        @Override
        public BigDecimal apply(List<BigDecimal> operands) {
            return Sharing.out(operands.get(0), digits, operands.subList(1, operands.size()))
                    .get(part);
        }
    }
}
