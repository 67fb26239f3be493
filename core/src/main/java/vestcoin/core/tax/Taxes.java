package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/** Computes the tax of an order: once a group, then shared out over what the group holds. */
public final class Taxes {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    /** Stands for the category of what is outside of tax; no category can have this id. */
    private static final String OUTSIDE = "(outside)";

    private Taxes() {}

    /**
     * Goods to be taxed.
     *
     * @param key      names the line
     * @param sortKey  breaks ties when shares are dealt out
     * @param category nothing for what is outside of tax, such as a donation
     */
    public record Taxable(String key, String sortKey, Optional<String> category, Figure amount) {}

    private record GroupKey(String row, String category, String rate) implements Comparable<GroupKey> {
        @Override
        public int compareTo(GroupKey other) {
            return Comparator.comparing(GroupKey::row).thenComparing(GroupKey::category).thenComparing(GroupKey::rate).compare(this, other);
        }
    }

    /**
     * The tax groups of an order, those with the larger rate first.
     *
     * <p>Delivery is taxed like the goods: its price is shared over the groups in proportion to their goods. Source:
     * Directive 2006/112/EC, Article 78(b), incidental expenses such as transport belong to the taxable amount.
     *
     * <p>With tax inside: component = amount × its rate ÷ (100 + all rates). Without: component = amount × rate ÷ 100.
     * Each is rounded once for the group.
     *
     * @param goods    not empty
     * @param delivery nothing when none is chosen
     */
    public static List<TaxGroup> of(TaxBook book, Tax.Prices prices, Destination to, List<Taxable> goods, Optional<Figure> delivery, Tracer tracer) {
        Map<GroupKey, List<Taxable>> groups = new TreeMap<>();
        Map<GroupKey, Optional<TaxBook.Levy>> levies = new TreeMap<>();
        for (Taxable taxable : goods) {
            Optional<TaxBook.Levy> levy = taxable.category().flatMap(category -> book.find(to, category)).map(Match::value);
            GroupKey key = new GroupKey(levy.map(l -> l.row().id()).orElse(""), taxable.category().orElse(OUTSIDE),
                    levy.map(l -> RateCell.print(l.rate())).orElse(""));
            groups.computeIfAbsent(key, k -> new ArrayList<>()).add(taxable);
            levies.put(key, levy);
        }
        List<List<Taxable>> members = new ArrayList<>(groups.values());
        List<Figure> values = new ArrayList<>();
        for (List<Taxable> list : members) {
            list.sort(Comparator.comparing(Taxable::sortKey));
            values.add(tracer.sum("rule/tax-group", "goods of the group", list.stream().map(Taxable::amount).toList()));
        }
        List<Figure> deliveries = delivery.map(price -> deliveries(price, groups.keySet(), values, tracer)).orElse(List.of());
        List<TaxGroup> result = new ArrayList<>();
        int i = 0;
        for (GroupKey key : groups.keySet()) {
            result.add(group(levies.get(key), key.category(), prices, members.get(i), values.get(i),
                    deliveries.isEmpty() ? Optional.empty() : Optional.of(deliveries.get(i)), tracer));
            i++;
        }
        result.sort(Comparator.comparing((TaxGroup g) -> g.components().stream().map(c -> c.rate().value()).reduce(BigDecimal.ZERO, BigDecimal::add)).reversed());
        return result;
    }

    /** The delivery's share of each group; what is outside of tax carries none. */
    private static List<Figure> deliveries(Figure price, Set<GroupKey> keys, List<Figure> values, Tracer tracer) {
        List<Figure> weights = new ArrayList<>();
        int i = 0;
        for (GroupKey key : keys) {
            weights.add(key.category().equals(OUTSIDE) ? tracer.zero("rule/outside-tax", "outside of tax") : values.get(i));
            i++;
        }
        return tracer.shares("rule/delivery-taxed-like-goods", "share of the delivery", price, weights);
    }

    private static TaxGroup group(Optional<TaxBook.Levy> levy, String category, Tax.Prices prices, List<Taxable> goods, Figure value,
            Optional<Figure> delivery, Tracer tracer) {
        Figure amount = delivery.map(share -> tracer.sum("rule/tax-group", "goods and delivery", List.of(value, share))).orElse(value);
        List<TaxGroup.ComponentTax> components = levy.map(l -> components(l, prices, amount, tracer)).orElse(List.of());
        List<String> keys = new ArrayList<>(goods.stream().map(Taxable::key).toList());
        List<Figure> weights = new ArrayList<>(goods.stream().map(Taxable::amount).toList());
        delivery.ifPresent(share -> {
            keys.add("delivery");
            weights.add(share);
        });
        List<List<Figure>> shares = components.stream()
                .map(component -> tracer.shares("rule/tax-shared-out", component.name(), component.tax(), weights)).toList();
        List<TaxGroup.Part> parts = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            int part = i;
            List<Figure> taxes = shares.stream().map(list -> list.get(part)).toList();
            Figure tax = taxes.size() == 1 ? taxes.get(0) : tracer.sum("rule/tax-of-part", "tax", taxes);
            parts.add(new TaxGroup.Part(keys.get(i), weights.get(i), tax));
        }
        return new TaxGroup(levy, category, amount, components, parts);
    }

    private static List<TaxGroup.ComponentTax> components(TaxBook.Levy levy, Tax.Prices prices, Figure amount, Tracer tracer) {
        BigDecimal all = levy.rate().components().stream().map(Tax.Component::percent).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal base = prices == Tax.Prices.WITH_TAX ? HUNDRED.add(all) : HUNDRED;
        String rule = prices == Tax.Prices.WITH_TAX ? "rule/tax-inside" : "rule/tax-added";
        List<TaxGroup.ComponentTax> taxes = new ArrayList<>();
        for (Tax.Component component : levy.rate().components()) {
            Figure rate = tracer.number(Source.SETUP, component.percent(), "%", levy.path(), component.name());
            Figure divisor = tracer.number(Source.SETUP, base, "%", rule, prices == Tax.Prices.WITH_TAX ? "100 and all rates" : "per cent");
            taxes.add(new TaxGroup.ComponentTax(component.name(), rate,
                    tracer.ratio(levy.path(), component.name(), List.of(amount, rate), List.of(divisor))));
        }
        return taxes;
    }
}
