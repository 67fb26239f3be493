package vestcoin.core.why;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import vestcoin.core.message.Message;

/**
 * A number with where it comes from. Pricing computes with figures, so the explanation of an amount is the computation
 * itself and cannot differ from it.
 *
 * @param value exact; an amount has its currency's decimals
 * @param unit an ISO 4217 code, {@code kg}, {@code %}, or empty for a count
 * @param rule the path of what decided it: a field of the setup ({@code delivery/zones/ireland/rates/tube}), a field of
 *     the order ({@code order/lines/0}), or a rule of the computation ({@code rule/tax-group})
 * @param label what it is, in a few words
 * @param op how it comes from its operands
 * @param of the operands, in the order the operation reads them; empty when given or when tracing is off
 */
public record Figure(BigDecimal value, String unit, String rule, Message label, Op op, List<Figure> of) {

    /** This figure computed again from its operands, which are taken as they stand. */
    public BigDecimal replayed() {
        return op.apply(of.stream().map(Figure::value).toList());
    }

    /**
     * This figure and everything below it, each once however often it is used, operands before what is made of them.
     */
    public List<Figure> all() {
        Set<Figure> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        List<Figure> all = new ArrayList<>();
        gather(seen, all);
        return all;
    }

    private void gather(Set<Figure> seen, List<Figure> all) {
        if (seen.add(this)) {
            of.forEach(operand -> operand.gather(seen, all));
            all.add(this);
        }
    }

    public boolean zero() {
        return value.signum() == 0;
    }
}
