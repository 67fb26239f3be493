package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How several goods are sold as one: a bundle, of which the shop says what it holds, or a box that its buyer fills.
 * Each part keeps its weight, stock and tax.
 *
 * @param priced by what the parts come to, or by a price of its own, which is the product's
 * @param percentOff of what the parts come to
 * @param least how many pieces a buyer puts into a box
 * @param most how many pieces fit into a box
 * @param from what a box is filled from
 */
public record Together(
        Priced priced,
        Optional<BigDecimal> percentOff,
        Optional<Integer> least,
        Optional<Integer> most,
        List<BoxPart> from) {
    /** More pieces are no box. */
    public static final int MOST_PIECES = 200;

    /** The parts' prices, added up: what holds where nothing is said. */
    public static final Together SUM = new Together(Priced.SUM, null, null, null, null);

    /** Where its price comes from. A price of its own is shared over the parts by what each would cost. */
    public enum Priced {
        SUM,
        OWN
    }

    /**
     * One of the goods a box is filled from, with all its choices made.
     *
     * @param extra what a piece adds to the box's price, in the shop's currency; it belongs to that part
     */
    public record BoxPart(String id, String product, Map<String, String> options, Optional<BigDecimal> extra) {
        public BoxPart {
            options = options == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(options));
            extra = extra == null ? Optional.empty() : extra;
        }

        /** Whether a part of a box is of it. */
        boolean is(Line part) {
            return part.product() != null
                    && part.product().equals(product)
                    && part.options().equals(options);
        }

        /** So many pieces of it. */
        Line pieces(int count) {
            return new Line(product, BigDecimal.valueOf(count), options);
        }
    }

    public Together {
        priced = priced == null ? Priced.SUM : priced;
        percentOff = percentOff == null ? Optional.empty() : percentOff;
        least = least == null ? Optional.empty() : least;
        most = most == null ? Optional.empty() : most;
        from = from == null ? List.of() : List.copyOf(from);
    }

    /**
     * Whether something is set at a bundle or box that only its parts have: a weight, a way of sending, a measure, what
     * stands on each unit, a renewal; and where it costs what they come to, prices.
     */
    public static boolean withoutEffect(Product whole) {
        boolean priced = whole.sale().isPresent()
                || !whole.breaks().isEmpty()
                || !whole.prices().isEmpty()
                || !whole.groupPrices().isEmpty();
        return whole.weight().isPresent()
                || !whole.sending().equals(ShippingTraits.NOTHING)
                || whole.measure().isPresent()
                || whole.renews().isPresent()
                || !whole.perUnit().isEmpty()
                || !whole.options().isEmpty()
                || whole.parts().priced() == Priced.SUM && priced;
    }

    public int fewest() {
        return least.orElse(1);
    }

    public int fullest() {
        return most.orElse(MOST_PIECES);
    }

    /** Whether the parts cost something else together than one by one. */
    boolean reprices() {
        return priced == Priced.OWN
                || percentOff.isPresent()
                || from.stream().anyMatch(each -> each.extra().isPresent());
    }

    /** What a box can hold of these parts, filled up with its first goods where that is too little. */
    public List<Line> kept(List<Line> parts) {
        List<Line> kept = new ArrayList<>();
        int pieces = 0;
        for (Line part : parts) {
            int wanted = part.quantity() == null ? 0 : part.quantity().intValue();
            int fitting = Math.min(wanted, fullest() - pieces);
            if (fitting > 0 && filling(part).isPresent()) {
                kept.add(part.of(BigDecimal.valueOf(fitting)));
                pieces += fitting;
            }
        }
        if (pieces < fewest() && !from.isEmpty()) {
            BoxPart first = from.get(0);
            int more = fewest() - pieces;
            int there = kept.stream()
                    .filter(first::is)
                    .mapToInt(part -> part.quantity().intValue())
                    .sum();
            kept.removeIf(first::is);
            kept.add(first.pieces(there + more));
        }
        return kept;
    }

    /** What a part of a box is of. */
    Optional<BoxPart> filling(Line part) {
        return from.stream().filter(each -> each.is(part)).findFirst();
    }
}
