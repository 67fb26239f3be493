package vestcoin.app.stock;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.goods.Stock;

/** How many are left of what is counted, by product, or product and variation as {@code delta-kite/large-red}. */
@Repository
public class StockBook {
    /** Nothing was changed, because meanwhile it is not what the seller had seen. */
    static final class StockChanged extends RuntimeException {
        private final transient Optional<BigDecimal> now;

        StockChanged(Optional<BigDecimal> now) {
            this.now = now;
        }

        /** What is left now; nothing where it is not counted any more. */
        Optional<BigDecimal> now() {
            return now;
        }
    }

    private record Row(String item, BigDecimal remaining) {}

    private final JdbcClient sql;

    StockBook(JdbcClient sql) {
        this.sql = sql;
    }

    /** What is left of some products and their variations. */
    public Stock of(String shop, List<String> products) {
        Map<String, BigDecimal> left = new TreeMap<>();
        for (String product : products) {
            // Up to "0", the character after "/": the product's variations, found by the primary key.
            sql.sql("select item, remaining from stock where shop = :shop and (item = :product or item >= "
                            + ":from and item < :to)")
                    .param("shop", shop)
                    .param("product", product)
                    .param("from", product + "/")
                    .param("to", product + "0")
                    .query(Row.class)
                    .list()
                    .forEach(row -> left.put(row.item(), row.remaining().stripTrailingZeros()));
        }
        return new Stock(left);
    }

    /** What is left of everything that is counted, by item. */
    public Map<String, BigDecimal> all(String shop) {
        Map<String, BigDecimal> left = new TreeMap<>();
        sql.sql("select item, remaining from stock where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .list()
                .forEach(row -> left.put(row.item(), row.remaining().stripTrailingZeros()));
        return left;
    }

    /** What is left of some of what is counted, by item. */
    public Map<String, BigDecimal> all(String shop, Collection<String> items) {
        Map<String, BigDecimal> left = new TreeMap<>();
        if (!items.isEmpty()) {
            sql.sql("select item, remaining from stock where shop = :shop and item in (:items)")
                    .param("shop", shop)
                    .param("items", items)
                    .query(Row.class)
                    .list()
                    .forEach(row -> left.put(row.item(), row.remaining().stripTrailingZeros()));
        }
        return left;
    }

    /** Counts many things at once, whatever was left of them. */
    @Transactional
    public void recount(String shop, Map<String, BigDecimal> counts) {
        locked(shop);
        counts.forEach((item, count) -> put(shop, item, count));
    }

    private void locked(String shop) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .single();
    }

    private void put(String shop, String item, BigDecimal remaining) {
        sql.sql("merge into stock(shop, item, remaining, told) key (shop, item) "
                        + "values (:shop, :item, :remaining, false)")
                .param("shop", shop)
                .param("item", item)
                .param("remaining", remaining)
                .update();
    }

    /**
     * Counts an item anew, or stops counting it.
     *
     * @param seen what the seller saw before counting
     * @param remaining nothing to count it no more
     * @throws StockChanged if something was sold or given back since
     */
    @Transactional
    public void count(String shop, String item, Optional<BigDecimal> seen, Optional<BigDecimal> remaining) {
        locked(shop);
        Optional<BigDecimal> now = sql.sql("select remaining from stock where shop = :shop and item = :item")
                .param("shop", shop)
                .param("item", item)
                .query(BigDecimal.class)
                .optional();
        if (now.isPresent() != seen.isPresent() || now.isPresent() && now.get().compareTo(seen.get()) != 0) {
            throw new StockChanged(now.map(BigDecimal::stripTrailingZeros));
        }
        if (remaining.isEmpty()) {
            sql.sql("delete from stock where shop = :shop and item = :item")
                    .param("shop", shop)
                    .param("item", item)
                    .update();
        } else {
            put(shop, item, remaining.get());
        }
    }

    /**
     * What has fallen to a bound or below since it was told last; it counts as told from now on. What has risen above
     * the bound is told again the next time.
     */
    @Transactional
    public Map<String, BigDecimal> fallen(String shop, int bound) {
        sql.sql("update stock set told = false where shop = :shop and told and remaining > :bound")
                .param("shop", shop)
                .param("bound", bound)
                .update();
        Map<String, BigDecimal> low = new TreeMap<>();
        sql.sql("select item, remaining from stock where shop = :shop and not told and remaining <= :bound for update")
                .param("shop", shop)
                .param("bound", bound)
                .query(Row.class)
                .list()
                .forEach(row -> low.put(row.item(), row.remaining().stripTrailingZeros()));
        if (!low.isEmpty()) {
            sql.sql("update stock set told = true where shop = :shop and item in (:items)")
                    .param("shop", shop)
                    .param("items", low.keySet())
                    .update();
        }
        return low;
    }

    /** Takes what an order wants, in the order's transaction. @return whether there was enough */
    public boolean take(String shop, String item, BigDecimal quantity) {
        return sql.sql("update stock set remaining = remaining - :quantity where shop = :shop and item = "
                                + ":item and remaining >= :quantity")
                        .param("quantity", quantity)
                        .param("shop", shop)
                        .param("item", item)
                        .update()
                == 1;
    }

    /** Gives back what an order had taken; what is counted no more stays so. */
    public void giveBack(String shop, String item, BigDecimal quantity) {
        sql.sql("update stock set remaining = remaining + :quantity where shop = :shop and item = :item")
                .param("quantity", quantity)
                .param("shop", shop)
                .param("item", item)
                .update();
    }
}
