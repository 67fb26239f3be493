package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import vestcoin.core.message.Message;
import vestcoin.core.tax.TaxLiability.Code;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** Sorts what an order holds into tax groups, delivery and fees with it, and has each taxed. */
public final class Taxes {
    /** Stands for the category of what is outside of tax; no category can have this id. */
    private static final String OUTSIDE = "(outside)";

    private final DatedTaxBook book;
    private final TaxJurisdiction whose;
    private final Tracer tracer;
    private final GroupTax groupTax;
    private final Map<GroupKey, Group> groups = new TreeMap<>();
    private final Map<RateRequest, Group> known = new HashMap<>();

    private Taxes(DatedTaxBook book, TaxJurisdiction whose, Tax.Prices prices, Tracer tracer) {
        this.book = book;
        this.whose = whose;
        this.tracer = tracer;
        this.groupTax = new GroupTax(prices, tracer);
    }

    /**
     * Something to be taxed.
     *
     * @param key names the line
     * @param sortKey breaks ties when shares are dealt out
     * @param category nothing for what is outside of tax, such as a donation
     * @param alike what lines that are taxed alike have in common; nothing for what delivery and fees do not follow, a
     *     per-unit amount
     * @param quantity units, for levies on the first so much of an item
     * @param treatment whose tax it is
     * @param dispatch country it leaves from
     */
    public record Taxable(
            String key,
            String sortKey,
            Optional<String> category,
            Optional<String> alike,
            Figure amount,
            BigDecimal quantity,
            TaxLiability treatment,
            String dispatch) {}

    /**
     * A delivery price or a fee.
     *
     * @param shares the part of each kind of lines that are taxed alike, where it is taxed like the goods; they add up
     *     to the price
     * @param over keys of the lines it is for
     */
    public record Carried(String key, Figure price, Supplier<Map<String, Figure>> shares, Set<String> over) {}

    private record GroupKey(String dispatch, String row, String category, String rate, Code code, String place)
            implements Comparable<GroupKey> {
        private static final Comparator<GroupKey> ORDER = Comparator.comparing(GroupKey::dispatch)
                .thenComparing(GroupKey::row)
                .thenComparing(GroupKey::category)
                .thenComparing(GroupKey::rate)
                .thenComparing(GroupKey::code)
                .thenComparing(GroupKey::place);

        @Override
        public int compareTo(GroupKey other) {
            return ORDER.compare(this, other);
        }
    }

    /** What a group is asked for by. */
    private record RateRequest(Optional<String> category, TaxLiability treatment, String dispatch) {}

    /** A group being gathered. */
    static final class Group {
        final Optional<TaxBook.Levy> levy;
        final String category;
        final Code code;
        final TaxLiability treatment;
        final String dispatch;
        final List<Taxable> goods = new ArrayList<>();
        final List<Share> carried = new ArrayList<>();

        Group(Optional<TaxBook.Levy> levy, String category, Code code, TaxLiability treatment, String dispatch) {
            this.levy = levy;
            this.category = category;
            this.code = code;
            this.treatment = treatment;
            this.dispatch = dispatch;
        }

        BigDecimal rate() {
            return levy.map(found -> found.rate().total()).orElse(BigDecimal.ZERO);
        }

        boolean holds(Carried what) {
            return goods.stream()
                    .anyMatch(each -> each.alike().isPresent() && what.over().contains(each.key()));
        }

        boolean holds(String alike) {
            return goods.stream()
                    .anyMatch(each -> each.alike().filter(alike::equals).isPresent());
        }
    }

    /** A part of the delivery or of a fee. */
    record Share(String key, Figure amount) {}

    /**
     * The tax groups of an order, those with the larger rate first. Delivery and fees are taxed as the place says
     * ({@link Tax.Way}).
     *
     * @param goods not empty
     * @param carried delivery by consignment, and fees
     */
    public static List<TaxGroup> of(
            DatedTaxBook book,
            TaxJurisdiction whose,
            Tax.Prices prices,
            List<Taxable> goods,
            List<Carried> carried,
            Tracer tracer) {
        Taxes taxes = new Taxes(book, whose, prices, tracer);
        for (Taxable taxable : goods) {
            TaxLiability treatment = taxable.category().isPresent() ? taxable.treatment() : TaxLiability.OUTSIDE;
            taxes.group(taxable.category(), treatment, taxable.dispatch()).goods.add(taxable);
        }
        carried.forEach(taxes::carry);
        List<TaxGroup> result = new ArrayList<>(taxes.groups.size());
        for (Group group : taxes.groups.values()) {
            result.add(taxes.groupTax.of(group));
        }
        result.sort(Comparator.comparing(TaxGroup::rate).reversed());
        return result;
    }

    private Group group(Optional<String> category, TaxLiability treatment, String dispatch) {
        return known.computeIfAbsent(
                new RateRequest(category, treatment, dispatch), asked -> find(category, treatment, dispatch));
    }

    private Group find(Optional<String> category, TaxLiability treatment, String dispatch) {
        Optional<TaxBook.Levy> found = treatment.taxed()
                ? category.flatMap(id -> book.find(treatment.place().orElseThrow(), id))
                        .map(levy -> levy.at(whose.charged(levy, treatment)))
                : Optional.empty();
        Optional<TaxBook.Levy> levy =
                found.filter(each -> !each.rate().components().isEmpty());
        Code code = code(treatment, found, levy);
        GroupKey key = new GroupKey(
                dispatch,
                levy.map(each -> each.row().id()).orElse(""),
                category.orElse(OUTSIDE),
                levy.map(each -> RateCell.print(each.rate())).orElse(""),
                code,
                treatment.place().map(place -> place.country()).orElse(""));
        return groups.computeIfAbsent(key, k -> new Group(levy, category.orElse(OUTSIDE), code, treatment, dispatch));
    }

    /** What is taxed at nothing is zero-rated; what the seller is not registered for is outside. */
    private static Code code(TaxLiability treatment, Optional<TaxBook.Levy> found, Optional<TaxBook.Levy> charged) {
        if (!treatment.taxed()) {
            return treatment.code();
        }
        return charged.map(levy -> levy.rate().total().signum() == 0 ? Code.Z : Code.S)
                .orElse(Code.O);
    }

    private void carry(Carried what) {
        List<Group> over = new ArrayList<>(groups.size());
        List<Group> taxable = new ArrayList<>(groups.size());
        for (Group group : groups.values()) {
            if (group.holds(what)) {
                over.add(group);
                if (!group.category.equals(OUTSIDE)) {
                    taxable.add(group);
                }
            }
        }
        if (taxable.isEmpty()) {
            withoutGoods(what, over);
            return;
        }
        Group largest = taxable.stream().max(Comparator.comparing(Group::rate)).orElseThrow();
        Tax.DeliveryTax tax = largest.treatment
                .place()
                .map(place -> book.delivery(place))
                .orElse(new Tax.DeliveryTax(Tax.Way.LIKE_GOODS, Optional.empty()));
        switch (tax.way()) {
            case LIKE_GOODS -> likeGoods(what, taxable);
            case HIGHEST_RATE -> largest.carried.add(new Share(what.key(), what.price()));
            case OWN_CATEGORY ->
                group(tax.category(), largest.treatment, largest.dispatch)
                        .carried
                        .add(new Share(what.key(), what.price()));
            case NOT_TAXED ->
                group(Optional.empty(), TaxLiability.OUTSIDE, largest.dispatch)
                        .carried
                        .add(new Share(what.key(), what.price()));
        }
    }

    /** A fee on an order of donations and vouchers: nothing carries it, so it stands outside as they do. */
    private void withoutGoods(Carried what, List<Group> over) {
        Group group = over.isEmpty() ? group(Optional.empty(), TaxLiability.OUTSIDE, "") : over.get(0);
        group.carried.add(new Share(what.key(), what.price()));
    }

    /** Each group bears the shares of what is in it. */
    private void likeGoods(Carried what, List<Group> over) {
        if (over.size() == 1) {
            over.get(0).carried.add(new Share(what.key(), what.price()));
            return;
        }
        Map<Group, List<Figure>> byGroup = new LinkedHashMap<>();
        what.shares().get().forEach((alike, share) -> byGroup.computeIfAbsent(
                        over.stream()
                                .filter(group -> group.holds(alike))
                                .findFirst()
                                .orElseThrow(),
                        k -> new ArrayList<>())
                .add(share));
        byGroup.forEach((group, shares) -> group.carried.add(new Share(
                what.key(),
                shares.size() == 1
                        ? shares.get(0)
                        : tracer.sum("rule/delivery-taxed-like-goods", Message.of("why.shares-of-delivery"), shares))));
    }

    static List<Taxable> sorted(List<Taxable> goods) {
        if (goods.size() < 2) {
            return goods;
        }
        List<Taxable> sorted = new ArrayList<>(goods);
        sorted.sort(Comparator.comparing(Taxable::sortKey));
        return sorted;
    }
}
