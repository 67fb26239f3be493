package vestcoin.core.goods;

import java.util.List;

/** The Goods station of a setup. */
public record Goods(List<Product> products) {
    public Goods {
        products = products == null ? List.of() : List.copyOf(products);
    }
}
