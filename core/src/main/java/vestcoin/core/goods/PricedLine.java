package vestcoin.core.goods;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;

/**
 * A line with its price.
 *
 * @param selection what it is
 * @param unit price of one, after options
 * @param amount unit price × quantity
 * @param shelf the amount by the shelf-price figures: another one only where this buyer's are re-rated
 * @param weight of the whole line in kg
 * @param perUnit what stands on top of its units, or is shown inside
 */
public record PricedLine(
        Selection selection, Figure unit, Figure amount, Figure shelf, Figure weight, List<Levied> perUnit) {

    /**
     * A line of an order with the product it names.
     *
     * @param index place among the priced lines, from 0
     * @param ordered place in the order of the line it comes from; several share one where it is a bundle
     * @param product what it is, with what its group says filled in
     * @param variation id of the variation chosen, if any
     * @param chosen names of the choices made, in the product's order of options
     * @param bundle name of the bundle it came in
     */
    public record Selection(
            int index,
            int ordered,
            Line line,
            Product product,
            Optional<String> variation,
            List<String> chosen,
            Optional<String> bundle) {}

    /**
     * A per-unit amount of the line. @param category id of its tax category; nothing outside of tax @param amount of
     * the whole line
     */
    public record Levied(String id, String name, Optional<String> category, boolean inside, Figure amount) {}

    public int index() {
        return selection.index();
    }

    public int ordered() {
        return selection.ordered();
    }

    public Line line() {
        return selection.line();
    }

    public Product product() {
        return selection.product();
    }

    public Optional<String> variation() {
        return selection.variation();
    }

    public List<String> chosen() {
        return selection.chosen();
    }

    /** What the buyer was asked and answered. */
    public List<Message> answered() {
        return product().answered(line());
    }

    public Optional<String> bundle() {
        return selection.bundle();
    }

    private record Keyed(String key, PricedLine line) {}

    /** By what they are, so that the order they were put into the basket in changes nothing. */
    public static List<PricedLine> sorted(List<PricedLine> lines) {
        if (lines.size() < 2) {
            return lines;
        }
        List<Keyed> keyed = new ArrayList<>(lines.size());
        lines.forEach(line -> keyed.add(new Keyed(line.line().key(), line)));
        keyed.sort(Comparator.comparing(Keyed::key)
                .thenComparingInt(each -> each.line().index()));
        List<PricedLine> sorted = new ArrayList<>(lines.size());
        keyed.forEach(each -> sorted.add(each.line()));
        return sorted;
    }

    /**
     * What lines of one order that are taxed alike have in common, whoever buys: where from, which category, which
     * kind.
     */
    public String taxedAlike() {
        return product().sending().from().orElse("") + " " + product().taxCategory() + " "
                + product().kind();
    }

    /** What counts as the value of goods in discounts and thresholds. */
    public boolean counted() {
        return !product().outside();
    }

    /** The key its stock is kept under: the product, or the product and the variation. */
    public String stockKey() {
        return stockKey(product().id(), variation());
    }

    static String stockKey(String product, Optional<String> variation) {
        return variation.map(id -> product + "/" + id).orElse(product);
    }
}
