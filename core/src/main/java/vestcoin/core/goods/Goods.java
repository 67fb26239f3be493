package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The Goods station of a setup.
 *
 * @param groups what products have in common
 * @param lowStock from how many left of something counted the seller is told, not at all without it
 * @param defaultGroup id of the group of products that name none
 */
public record Goods(
        List<Product> products,
        List<BuyerGroup> buyerGroups,
        List<ProductGroup> groups,
        Optional<String> defaultGroup,
        Optional<Integer> lowStock) {
    public Goods {
        products = products == null ? List.of() : List.copyOf(products);
        buyerGroups = buyerGroups == null ? List.of() : List.copyOf(buyerGroups);
        groups = groups == null ? List.of() : List.copyOf(groups);
        defaultGroup = defaultGroup == null ? Optional.empty() : defaultGroup;
        lowStock = lowStock == null ? Optional.empty() : lowStock;
    }

    public Goods(List<Product> products) {
        this(products, List.of(), List.of(), Optional.empty(), Optional.empty());
    }

    public Set<String> buyerGroupIds() {
        return buyerGroups.stream().map(BuyerGroup::id).collect(Collectors.toSet());
    }

    /** The same with other products. */
    public Goods with(List<Product> others) {
        return new Goods(others, buyerGroups, groups, defaultGroup, lowStock);
    }

    /**
     * Buyers with prices of their own. Who belongs to it is kept beside the setup, by e-mail address.
     *
     * @param percentOff taken off the list price where a product names no price for the group
     * @param code that lets whoever is signed in belong to it
     * @param onRequest whether buyers can ask to belong to it
     */
    public record BuyerGroup(
            String id, String name, Optional<BigDecimal> percentOff, Optional<String> code, boolean onRequest) {
        /** What a code looks like: not so short that it is guessed by chance. */
        public static final String CODE = "[A-Za-z0-9][A-Za-z0-9-]{4,38}[A-Za-z0-9]";

        public BuyerGroup {
            percentOff = percentOff == null ? Optional.empty() : percentOff;
            code = code == null ? Optional.empty() : code;
        }

        /** Whether a buyer can come to belong to it without being put in by the seller. */
        public boolean joinable() {
            return code.isPresent() || onRequest;
        }
    }

    /** What a product of the group is unless it says otherwise. @param category id of a tax category */
    public record ProductGroup(
            String id, String name, Optional<String> category, Optional<Weight> weight, ShippingTraits sending) {
        public ProductGroup {
            category = category == null ? Optional.empty() : category;
            weight = weight == null ? Optional.empty() : weight;
            sending = sending == null ? ShippingTraits.NOTHING : sending;
        }
    }
}
