package vestcoin.app.sales;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Papers of a time with the orders they are of, read one after the other. */
@Repository
class SalesPapers {
    /**
     * @param kind of the paper
     * @param content the paper as it was issued
     * @param captured of its order, by whatever way, in minor units
     * @param tracking carriers and numbers of its parcels
     * @param slot the time chosen, by the shop's clock
     * @param quote as it was placed
     * @param edition whose ways to pay it was charged by
     * @param cardCountry where the card that paid was issued, empty where that is not known
     * @param feeTold what the provider has kept as its payouts say, in minor units; null until one says it
     */
    record PaperOfOrder(
            String shop,
            long orderId,
            int number,
            String kind,
            Instant at,
            String content,
            Instant placedAt,
            String name,
            String email,
            String country,
            String address,
            String method,
            String way,
            String sent,
            long captured,
            long refunded,
            long byVoucher,
            String tracking,
            String slot,
            String quote,
            int edition,
            String cardCountry,
            Long feeTold) {}

    /** What was ordered and has no paper. @param payable in minor units */
    record Without(String currency, int orders, long payable) {}

    private final JdbcClient sql;

    SalesPapers(JdbcClient sql) {
        this.sql = sql;
    }

    /** Each paper issued from an instant to before another, in the order they were issued. */
    @Transactional(readOnly = true)
    void each(String shop, String mode, Instant from, Instant to, Consumer<PaperOfOrder> take) {
        try (Stream<PaperOfOrder> papers = sql
                .sql("""
                        select o.shop, o.id as order_id, o.number, p.kind, p.at, p.content, o.placed_at, o.name,
                            o.email,
                            o.country, o.address, o.method, o.way, o.sent,
                            (select coalesce(sum(captured), 0) from payment where order_id = o.id) as captured,
                            (select coalesce(sum(refunded), 0) from payment where order_id = o.id) as refunded,
                            (select coalesce(sum(captured - refunded), 0) from payment
                                where order_id = o.id and part <> '') as by_voucher,
                            (select coalesce(listagg(trim(carrier || ' ' || tracking), ', ')
                                within group (order by seq), '') from dispatch
                                where order_id = o.id and tracking <> '') as tracking,
                            coalesce((select cast(min(starts) as varchar) from slot_taken
                                where shop = o.shop and order_id = o.id), (select cast(min(starts) as varchar)
                                from attendance where order_id = o.id), '') as slot,
                            (select quote from order_quote where order_id = o.id) as quote,
                            coalesce(o.tax_edition, o.edition) as edition,
                            (select coalesce(max(card_country), '') from payment where order_id = o.id
                                and captured > 0) as card_country,
                            (select cast(sum(e.fee) as bigint) from payout_entry e join payment m on m.id = e.payment
                                where m.order_id = o.id) as fee_told
                        from paper p join orders o on o.id = p.order_id
                        where p.shop = :shop and p.mode = :mode and p.at >= :from and p.at < :to
                        order by p.at, p.id""")
                .param("shop", shop)
                .param("mode", mode)
                .param("from", from.atOffset(ZoneOffset.UTC))
                .param("to", to.atOffset(ZoneOffset.UTC))
                .query(PaperOfOrder.class)
                .stream()) {
            papers.forEach(take);
        }
    }

    /** Orders placed in a time that stand and have no paper yet, by currency. */
    List<Without> without(String shop, String mode, Instant from, Instant to) {
        return sql.sql("""
                select currency, count(*) as orders, sum(payable) as payable from orders o
                where shop = :shop and mode = :mode and placed_at >= :from and placed_at < :to
                    and cancelled_at is null and not exists (select 1 from paper p where p.order_id = o.id)
                group by currency order by currency""")
                .param("shop", shop)
                .param("mode", mode)
                .param("from", from.atOffset(ZoneOffset.UTC))
                .param("to", to.atOffset(ZoneOffset.UTC))
                .query(Without.class)
                .list();
    }
}
