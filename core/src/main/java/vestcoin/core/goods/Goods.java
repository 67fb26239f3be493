package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/** The Goods station of a setup. */
public record Goods(List<Product> products, List<BuyerGroup> buyerGroups) {
    public Goods {
        products = products == null ? List.of() : List.copyOf(products);
        buyerGroups = buyerGroups == null ? List.of() : List.copyOf(buyerGroups);
    }

    public Goods(List<Product> products) {
        this(products, List.of());
    }

    /** Buyers with prices of their own. @param percentOff taken off the list price where a product names no price for the group */
    public record BuyerGroup(String id, String name, Optional<BigDecimal> percentOff) {
        public BuyerGroup {
            percentOff = percentOff == null ? Optional.empty() : percentOff;
        }
    }
}
