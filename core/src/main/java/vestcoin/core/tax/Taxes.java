package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    private final TaxBook book;
    private final Tax.Prices prices;
    private final Destination to;
    private final Tracer tracer;
    private final Map<GroupKey, Group> groups = new TreeMap<>();

    private Taxes(TaxBook book, Tax.Prices prices, Destination to, Tracer tracer) {
        this.book = book;
        this.prices = prices;
        this.to = to;
        this.tracer = tracer;
    }

    /**
     * Goods to be taxed.
     *
     * @param key      names the line
     * @param sortKey  breaks ties when shares are dealt out
     * @param category nothing for what is outside of tax, such as a donation
     * @param sent     whether the delivery carries it
     */
    public record Taxable(String key, String sortKey, Optional<String> category, boolean sent, Figure amount) {}

    private record GroupKey(String row, String category, String rate) implements Comparable<GroupKey> {
        @Override
        public int compareTo(GroupKey other) {
            return Comparator.comparing(GroupKey::row).thenComparing(GroupKey::category).thenComparing(GroupKey::rate).compare(this, other);
        }
    }

    private static final class Group {
        final Optional<TaxBook.Levy> levy;
        final String category;
        final List<Taxable> goods = new ArrayList<>();
        Optional<Figure> delivery = Optional.empty();

        Group(Optional<TaxBook.Levy> levy, String category) {
            this.levy = levy;
            this.category = category;
        }

        BigDecimal rate() {
            return levy.map(found -> found.rate().total()).orElse(BigDecimal.ZERO);
        }

        boolean carries() {
            return goods.stream().anyMatch(Taxable::sent);
        }
    }

    /**
     * The tax groups of an order, those with the larger rate first. Delivery is taxed as the place says ({@link Tax.Way}).
     *
     * <p>With tax inside: component = amount × its rate ÷ (100 + all rates). Without: component = amount × rate ÷ 100.
     * Each is rounded once for the group. The rate of a component that is levied on others is what it comes to in percent
     * of the price without tax.
     *
     * @param goods    not empty
     * @param delivery nothing when none is chosen
     */
    public static List<TaxGroup> of(TaxBook book, Tax.Prices prices, Destination to, List<Taxable> goods, Optional<Figure> delivery, Tracer tracer) {
        Taxes taxes = new Taxes(book, prices, to, tracer);
        goods.forEach(taxable -> taxes.group(taxable.category()).goods.add(taxable));
        delivery.ifPresent(taxes::deliver);
        return taxes.groups.values().stream().map(taxes::taxed)
                .sorted(Comparator.comparing((TaxGroup group) -> group.components().stream().map(c -> c.rate().value()).reduce(BigDecimal.ZERO, BigDecimal::add)).reversed())
                .toList();
    }

    private Group group(Optional<String> category) {
        Optional<TaxBook.Levy> levy = category.flatMap(id -> book.find(to, id)).map(Match::value);
        GroupKey key = new GroupKey(levy.map(found -> found.row().id()).orElse(""), category.orElse(OUTSIDE), levy.map(found -> RateCell.print(found.rate())).orElse(""));
        return groups.computeIfAbsent(key, k -> new Group(levy, category.orElse(OUTSIDE)));
    }

    private void deliver(Figure price) {
        Tax.DeliveryTax tax = book.delivery(to);
        switch (tax.way()) {
            case LIKE_GOODS -> likeGoods(price);
            case HIGHEST_RATE -> groups.values().stream().filter(Group::carries).max(Comparator.comparing(Group::rate)).ifPresent(group -> group.delivery = Optional.of(price));
            case OWN_CATEGORY -> group(tax.category()).delivery = Optional.of(price);
            case NOT_TAXED -> group(Optional.empty()).delivery = Optional.of(price);
        }
    }

    /**
     * Shares the delivery over the groups of what it carries, in proportion to their value. Source: Directive
     * 2006/112/EC, Article 78(b): incidental expenses such as transport belong to the taxable amount.
     */
    private void likeGoods(Figure price) {
        List<Group> carried = groups.values().stream().filter(Group::carries).toList();
        List<Figure> weights = carried.stream().map(group -> tracer.sum("rule/tax-group", "goods it carries",
                sorted(group.goods.stream().filter(Taxable::sent).toList()).stream().map(Taxable::amount).toList())).toList();
        List<Figure> shares = tracer.shares("rule/delivery-taxed-like-goods", "share of the delivery", price, weights);
        for (int i = 0; i < shares.size(); i++) {
            carried.get(i).delivery = Optional.of(shares.get(i));
        }
    }

    private static List<Taxable> sorted(List<Taxable> goods) {
        return goods.stream().sorted(Comparator.comparing(Taxable::sortKey)).toList();
    }

    private TaxGroup taxed(Group group) {
        List<Taxable> goods = sorted(group.goods);
        List<String> keys = new ArrayList<>(goods.stream().map(Taxable::key).toList());
        List<Figure> weights = new ArrayList<>(goods.stream().map(Taxable::amount).toList());
        Figure value = tracer.sum("rule/tax-group", "goods of the group", weights);
        Figure amount = group.delivery.map(share -> tracer.sum("rule/tax-group", "goods and delivery", List.of(value, share))).orElse(value);
        group.delivery.ifPresent(share -> {
            keys.add("delivery");
            weights.add(share);
        });
        List<TaxGroup.ComponentTax> components = group.levy.map(levy -> components(levy, amount)).orElse(List.of());
        List<List<Figure>> shares = components.stream()
                .map(component -> tracer.shares("rule/tax-shared-out", component.name(), component.tax(), weights)).toList();
        List<TaxGroup.Part> parts = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            int part = i;
            List<Figure> taxes = shares.stream().map(list -> list.get(part)).toList();
            Figure tax = taxes.size() == 1 ? taxes.get(0) : tracer.sum("rule/tax-of-part", "tax", taxes);
            parts.add(new TaxGroup.Part(keys.get(i), weights.get(i), tax));
        }
        return new TaxGroup(group.levy, group.category, amount, components, parts);
    }

    private List<TaxGroup.ComponentTax> components(TaxBook.Levy levy, Figure amount) {
        boolean inside = prices == Tax.Prices.WITH_TAX;
        String rule = inside ? "rule/tax-inside" : "rule/tax-added";
        Figure divisor = tracer.number(Source.SETUP, inside ? HUNDRED.add(levy.rate().total()) : HUNDRED, "%", rule, inside ? "100 and all rates" : "per cent");
        List<BigDecimal> effective = levy.rate().effective();
        List<TaxGroup.ComponentTax> taxes = new ArrayList<>();
        for (int i = 0; i < effective.size(); i++) {
            Tax.Component component = levy.rate().components().get(i);
            Figure rate = tracer.number(Source.SETUP, effective.get(i), "%", levy.path(), component.name());
            taxes.add(new TaxGroup.ComponentTax(component.name(), rate, tracer.ratio(levy.path(), component.name(), List.of(amount, rate), List.of(divisor))));
        }
        return taxes;
    }
}
