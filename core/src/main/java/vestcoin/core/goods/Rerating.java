package vestcoin.core.goods;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/**
 * Shares out a price that belongs to several lines, such as a delivery's, and re-rates each share. It is shared once,
 * by the shelf-price figures after discounts, over what is taxed alike; if those are all nothing, by the figures before
 * discounts. So the same basket is shared alike whoever buys. Source: Directive 2006/112/EC, Article 78(b): incidental
 * expenses such as transport belong to the taxable amount.
 */
public final class Rerating {
    private static final String RULE = "rule/delivery-taxed-like-goods";

    private Rerating() {}

    /** What a price at shelf-price figures comes to for this buyer: the sum of its shares. */
    public static Figure of(
            Figure shelf, List<PricedLine> lines, RemainingAmounts remaining, BuyerPricing buying, Tracer tracer) {
        if (buying.stands() || lines.isEmpty()) {
            return shelf;
        }
        List<Optional<Rerate>> rerates =
                lines.stream().map(line -> buying.rates().carrying(line, lines)).toList();
        if (rerates.stream().allMatch(Optional::isEmpty)) {
            return shelf;
        }
        Collection<Figure> shares =
                shares(shelf, lines, remaining, buying, tracer).values();
        return shares.size() == 1
                ? shares.iterator().next()
                : tracer.sum("rule/rerated", shelf.label(), List.copyOf(shares));
    }

    /**
     * The share of each kind of lines that are taxed alike, for this buyer, by {@link PricedLine#taxedAlike}. @param
     * lines at least one
     */
    public static Map<String, Figure> shares(
            Figure shelf, List<PricedLine> lines, RemainingAmounts remaining, BuyerPricing buying, Tracer tracer) {
        Map<String, List<PricedLine>> alike = new TreeMap<>();
        for (PricedLine line : lines) {
            alike.computeIfAbsent(line.taxedAlike(), k -> new ArrayList<>()).add(line);
        }
        List<Figure> parts = List.of(shelf);
        if (alike.size() > 1) {
            boolean nothingLeft =
                    lines.stream().allMatch(line -> remaining.shelf(line).zero());
            parts = tracer.shares(
                    RULE,
                    Message.of("why.share-of-delivery"),
                    shelf,
                    alike.values().stream()
                            .map(each -> weight(each, nothingLeft, remaining, tracer))
                            .toList());
        }
        Map<String, Figure> shares = new LinkedHashMap<>();
        int i = 0;
        for (Map.Entry<String, List<PricedLine>> each : alike.entrySet()) {
            Figure part = parts.get(i++);
            shares.put(
                    each.getKey(),
                    buying.rates()
                            .carrying(each.getValue().get(0), lines)
                            .map(rerate -> rerate.of(part, tracer))
                            .orElse(part));
        }
        return shares;
    }

    private static Figure weight(
            List<PricedLine> lines, boolean nothingLeft, RemainingAmounts remaining, Tracer tracer) {
        List<Figure> amounts = new ArrayList<>(lines.size());
        for (PricedLine line : PricedLine.sorted(lines)) {
            amounts.add(nothingLeft ? line.shelf() : remaining.shelf(line));
        }
        return amounts.size() == 1
                ? amounts.get(0)
                : tracer.sum("rule/tax-group", Message.of("why.goods-carries"), amounts);
    }
}
