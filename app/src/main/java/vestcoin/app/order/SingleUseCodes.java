package vestcoin.app.order;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.discount.History;

/** Codes made at random for a discount, each good for one order; one that is called off gives it back. */
@Repository
public class SingleUseCodes {
    /** Letters and digits that are not taken for one another. */
    private static final String ALPHABET = "ACDEFGHJKLMNPQRTUVWXY34679";

    // Twelve of 26 signs are 56 random bits; and guessing is slowed.
    private static final int GROUPS = 3;
    private static final int GROUP = 4;

    /** @param orderNumber of the order that used it, null for none */
    public record DiscountCode(String code, Integer orderNumber) {}

    /** How many there are of a discount. */
    public record Made(int all, int used) {}

    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    SingleUseCodes(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Makes so many more for a discount. */
    @Transactional
    public void make(String shop, String discount, int count) {
        for (int i = 0; i < count; i++) {
            make(shop, discount, (Instant) null);
        }
    }

    /** Makes one more. @param ends when it holds no more; null for never */
    @Transactional
    public String make(String shop, String discount, Instant ends) {
        String code = fresh();
        sql.sql("insert into discount_code(shop, code, discount, at, ends) values (:shop, :code, :discount, :at, "
                        + ":ends)")
                .param("shop", shop)
                .param("code", code)
                .param("discount", discount)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("ends", ends == null ? null : ends.atOffset(ZoneOffset.UTC))
                .update();
        return code;
    }

    public Made made(String shop, String discount) {
        return sql.sql("select count(*) as \"all\", count(order_id) as used from discount_code where shop = :shop and "
                        + "discount = :discount")
                .param("shop", shop)
                .param("discount", discount)
                .query((row, index) -> new Made(row.getInt(1), row.getInt(2)))
                .single();
    }

    /** Those of a discount after one of them. */
    public List<DiscountCode> page(String shop, String discount, String after, int most) {
        return sql.sql("""
                        select c.code, o.number as order_number from discount_code c
                            left join orders o on o.id = c.order_id
                        where c.shop = :shop and c.discount = :discount and c.code > :after
                        order by c.code limit :most""")
                .param("shop", shop)
                .param("discount", discount)
                .param("after", after)
                .param("most", most)
                .query(DiscountCode.class)
                .list();
    }

    /** Whether an order has used it, and whether it has ended. */
    public record CodeState(boolean used, boolean ended) {}

    /** How one of the shop's stands; nothing where it is none. */
    public Optional<CodeState> state(String shop, String code) {
        return sql.sql("select order_id is not null as used, coalesce(ends <= :now, false) as ended from discount_code "
                        + "where shop = :shop and code = :code")
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .param("shop", shop)
                .param("code", History.normal(code))
                .query(CodeState.class)
                .optional();
    }

    /** The discounts of codes typed that no order has used and that have not ended, by code. */
    public Map<String, String> among(String shop, List<String> typed) {
        List<String> codes = typed.stream()
                .map(History::normal)
                .filter(code -> code.length() == GROUPS * GROUP + GROUPS - 1)
                .distinct()
                .toList();
        Map<String, String> free = new HashMap<>();
        if (!codes.isEmpty()) {
            sql.sql("select code, discount from discount_code where shop = :shop and code in (:codes) and order_id is "
                            + "null and (ends is null or ends > :now)")
                    .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                    .param("shop", shop)
                    .param("codes", codes)
                    .query(row -> {
                        free.put(row.getString("code"), row.getString("discount"));
                    });
        }
        return free;
    }

    /** Takes one for an order, in the transaction that places it. @return whether it was free */
    @Transactional(propagation = Propagation.MANDATORY)
    boolean take(String shop, String code, long order) {
        return sql.sql("update discount_code set order_id = :order where shop = :shop and code = :code and order_id is "
                                + "null")
                        .param("order", order)
                        .param("shop", shop)
                        .param("code", code)
                        .update()
                == 1;
    }

    /** Gives back what an order used. */
    @Transactional(propagation = Propagation.MANDATORY)
    void release(String shop, long order) {
        sql.sql("update discount_code set order_id = null where shop = :shop and order_id = :order")
                .param("shop", shop)
                .param("order", order)
                .update();
    }

    private String fresh() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < GROUPS * GROUP; i++) {
            code.append(i > 0 && i % GROUP == 0 ? "-" : "").append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
        }
        return code.toString();
    }
}
