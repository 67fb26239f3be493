package vestcoin.app.order;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.app.outside.MailAddress;
import vestcoin.core.discount.History;

/** What orders hold of slots and of discounts with a limit; taken in the transaction that places the order. */
@Repository
class ReservationBook {
    private final JdbcClient sql;
    private final SingleUseCodes codes;

    ReservationBook(JdbcClient sql, SingleUseCodes codes) {
        this.sql = sql;
        this.codes = codes;
    }

    /** The discounts of codes typed that are good for one order and are free. */
    Map<String, String> singleUse(String shop, List<String> typed) {
        return codes.among(shop, typed);
    }

    /** @throws Orders.SlotGone if it is full */
    void take(Orders.Order order, Orders.Slot slot) {
        int taken = sql.sql(
                        "select count(*) from slot_taken where shop = :shop and place = :place and starts = :starts")
                .param("shop", order.shop())
                .param("place", slot.place())
                .param("starts", slot.starts())
                .query(Integer.class)
                .single();
        if (slot.capacity().filter(capacity -> taken >= capacity).isPresent()) {
            throw new Orders.SlotGone(slot);
        }
        sql.sql("insert into slot_taken(shop, place, starts, ends, order_id) values (:shop, :place, "
                        + ":starts, :ends, :order)")
                .param("shop", order.shop())
                .param("place", slot.place())
                .param("starts", slot.starts())
                .param("ends", slot.ends())
                .param("order", order.id())
                .update();
    }

    /** Books what takes place on a day. Two lines of the same are one. */
    void take(Orders.Order order, List<Attendance> attending) {
        attending.stream()
                .collect(Collectors.groupingBy(
                        each -> List.of(each.product(), each.starts()), LinkedHashMap::new, Collectors.toList()))
                .values()
                .forEach(same -> sql.sql("insert into attendance(shop, order_id, product, starts, ends, quantity) "
                                + "values (:shop, :order, :product, :starts, :ends, :quantity)")
                        .param("shop", order.shop())
                        .param("order", order.id())
                        .param("product", same.get(0).product())
                        .param("starts", same.get(0).starts())
                        .param("ends", same.get(0).ends())
                        .param(
                                "quantity",
                                same.stream().map(Attendance::quantity).reduce(BigDecimal.ZERO, BigDecimal::add))
                        .update());
    }

    /** Slots, days and uses of discounts are free again. */
    void release(Orders.Order order) {
        sql.sql("delete from slot_taken where order_id = :id")
                .param("id", order.id())
                .update();
        sql.sql("delete from attendance where order_id = :id")
                .param("id", order.id())
                .update();
        sql.sql("update discount_count c set used = used - 1 where c.shop = :shop and c.discount in "
                        + "(select discount from discount_use where order_id = :id)")
                .param("shop", order.shop())
                .param("id", order.id())
                .update();
        sql.sql("delete from discount_use where order_id = :id")
                .param("id", order.id())
                .update();
        codes.release(order.shop(), order.id());
    }

    /** @param now how often it was used so far @throws Orders.DiscountExhausted if that is all it may be */
    void take(Orders.Order order, Orders.Use use, History now) {
        if (use.limit()
                        .filter(limit -> now.uses().getOrDefault(use.discount(), 0) >= limit)
                        .isPresent()
                || use.limitPerBuyer()
                        .filter(limit -> now.usesByBuyer().getOrDefault(use.discount(), 0) >= limit)
                        .isPresent()) {
            throw new Orders.DiscountExhausted(use.discount());
        }
        if (use.singleUse()
                .filter(code -> !codes.take(order.shop(), code, order.id()))
                .isPresent()) {
            throw new Orders.DiscountExhausted(use.discount());
        }
        sql.sql("insert into discount_use(shop, discount, order_id, buyer) values (:shop, :discount, :order, :buyer)")
                .param("shop", order.shop())
                .param("discount", use.discount())
                .param("order", order.id())
                .param("buyer", MailAddress.normal(order.email()))
                .update();
        sql.sql("""
                merge into discount_count(shop, discount, used) key (shop, discount) values (:shop, :discount,
                    1 + coalesce((select used from discount_count where shop = :shop and discount = :discount), 0))""")
                .param("shop", order.shop())
                .param("discount", use.discount())
                .update();
    }
}
