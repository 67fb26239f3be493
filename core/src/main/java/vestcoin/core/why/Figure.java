package vestcoin.core.why;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;

/**
 * A number with where it comes from. Pricing computes with figures, so the explanation of an amount is the computation
 * itself and cannot differ from it.
 *
 * @param value exact; an amount has its currency's decimals
 * @param unit  an ISO 4217 code, {@code kg}, {@code %}, or empty for a count
 * @param rule  the path of what decided it: a field of the setup ({@code delivery/zones/ireland/rates/tube}), a field
 *              of the order ({@code order/lines/0}), or a rule of the computation ({@code rule/tax-group})
 * @param label what it is, in a few words
 * @param op    how it comes from its operands
 * @param of    the operands, in the order the operation reads them; empty when given or when tracing is off
 */
public record Figure(BigDecimal value, String unit, String rule, String label, Op op, List<Figure> of) {

    /** This figure computed again from its operands, which are taken as they stand. */
    public BigDecimal replayed() {
        return op.apply(of.stream().map(Figure::value).toList());
    }

    /** This figure and everything below it, depth first. */
    public Stream<Figure> all() {
        return Stream.concat(Stream.of(this), of.stream().flatMap(Figure::all));
    }

    public boolean zero() {
        return value.signum() == 0;
    }
}
