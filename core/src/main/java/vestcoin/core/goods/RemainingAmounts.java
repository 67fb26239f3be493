package vestcoin.core.goods;

import java.util.Map;
import vestcoin.core.why.Figure;

/**
 * What is left of lines after discounts, by line index.
 *
 * @param left as this buyer sees it: what thresholds and bands read
 * @param shelf by the shelf-price figures: what everything is shared out by, so that it is shared alike whoever buys
 */
public record RemainingAmounts(Map<Integer, Figure> left, Map<Integer, Figure> shelf) {
    public Figure of(PricedLine line) {
        return left.get(line.index());
    }

    public Figure shelf(PricedLine line) {
        return shelf.get(line.index());
    }
}
