package vestcoin.core.goods;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/**
 * Re-rates a typed amount that belongs to several lines, such as a delivery price or a discount of an amount: it is shared out
 * over the tax categories of the lines, and each share is re-rated and rounded as its goods are.
 */
public final class Rerating {
    private Rerating() {}

    /** @param weight what a line weighs in the sharing */
    public static Figure of(Figure typed, List<PricedLine> lines, Function<PricedLine, Figure> weight, Buying buying, Tracer tracer) {
        if (buying.rerate() == Buying.STANDS) {
            return typed;
        }
        Map<String, Optional<Rerate>> rerates = new TreeMap<>();
        Map<String, List<Figure>> weights = new TreeMap<>();
        for (PricedLine line : lines) {
            String category = line.product().taxCategory() + " " + line.product().kind();
            rerates.computeIfAbsent(category, c -> buying.rerate().apply(new Buying.PricedAs(line.product(), line.product().taxCategory())));
            weights.computeIfAbsent(category, c -> new ArrayList<>()).add(weight.apply(line));
        }
        if (rerates.values().stream().allMatch(Optional::isEmpty)) {
            return typed;
        }
        List<Figure> shares = weights.size() == 1 ? List.of(typed)
                : tracer.shares("rule/rerated", "share of the goods", typed, weights.values().stream().map(list -> tracer.sum("rule/rerated", "goods", list)).toList());
        List<Figure> parts = new ArrayList<>();
        int i = 0;
        for (Optional<Rerate> rerate : rerates.values()) {
            Figure share = shares.get(i++);
            parts.add(rerate.map(how -> tracer.ratio("rule/rerated", "at the destination's rate", List.of(share, how.to()), List.of(how.from()))).orElse(share));
        }
        return parts.size() == 1 ? parts.get(0) : tracer.sum("rule/rerated", typed.label(), parts);
    }
}
