package vestcoin.app.payment;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.TimePassed;
import vestcoin.core.payment.Gateway;

/**
 * What providers have paid out to the shop's bank, matched to payments by the provider's own references. A payout is
 * taken once, whole; an entry of no payment of the shop stays, unmatched.
 */
@Service
class Payouts {
    static final int PAGE = 50;

    /**
     * Amounts are what the provider says.
     *
     * @param gross what was taken, less what was given back
     * @param unmatched entries of no payment this shop knows
     */
    record PayoutRow(
            long id,
            String gateway,
            String mode,
            String ref,
            Instant at,
            String currency,
            BigDecimal gross,
            BigDecimal fees,
            BigDecimal amount,
            int entries,
            int unmatched) {}

    /**
     * @param seq place within its payout @param order number of the order it is of @param amount below zero where it
     *     was given back
     */
    record Entry(int seq, Optional<Integer> order, String ref, String kind, BigDecimal amount, BigDecimal fee) {}

    /** Taken through providers and in no payout yet. */
    record OnTheWay(String currency, BigDecimal amount) {}

    private record Summed(
            long id,
            String gateway,
            String mode,
            String ref,
            Instant at,
            String currency,
            long gross,
            long fees,
            long amount,
            int entries,
            int unmatched) {}

    private record EntryRow(int seq, Integer number, String ref, String kind, long amount, long fee, String currency) {}

    private record Sum(String currency, long amount) {}

    private record Connected(String shop, String id) {}

    private static final Logger LOG = LoggerFactory.getLogger(Payouts.class);

    private final JdbcClient sql;
    private final Gateways gateways;
    private final Provider provider;
    private final TransactionTemplate transactions;

    Payouts(JdbcClient sql, Gateways gateways, Provider provider, TransactionTemplate transactions) {
        this.sql = sql;
        this.gateways = gateways;
        this.provider = provider;
        this.transactions = transactions;
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT2M")
    void askEveryProvider() {
        sql.sql("select distinct shop from gateway where secret_cipher is not null")
                .query(String.class)
                .list()
                .forEach(shop -> {
                    try {
                        ask(shop);
                    } catch (RuntimeException e) {
                        LOG.info("payouts of {} were not read: {}", shop, e.getMessage());
                    }
                });
    }

    @EventListener
    void timePassed(TimePassed passed) {
        askEveryProvider();
    }

    /**
     * Asks the providers of a shop for payouts that are not known yet.
     *
     * @throws ProviderTimeout if one does not answer; what others said stays
     */
    void ask(String shop) {
        for (Gateways.GatewayView gateway : gateways.list(shop)) {
            if (gateway.state() == Gateway.TEST || gateway.state() == Gateway.LIVE) {
                long news;
                do {
                    news = provider.payouts(gateways.access(shop, gateway.id()), last(shop, gateway.id())).stream()
                            .filter(payout -> take(shop, gateway, payout))
                            .count();
                } while (news > 0);
            }
        }
    }

    private String last(String shop, String gateway) {
        return sql.sql("select ref from payout where shop = :shop and gateway = :gateway order by id desc limit 1")
                .param("shop", shop)
                .param("gateway", gateway)
                .query(String.class)
                .optional()
                .orElse("");
    }

    /** @return whether it was not known before */
    private boolean take(String shop, Gateways.GatewayView gateway, Provider.Payout payout) {
        return Boolean.TRUE.equals(transactions.execute(status -> {
            sql.sql("select id from shop where id = :shop for update")
                    .param("shop", shop)
                    .query(String.class)
                    .single();
            if (sql.sql("select count(*) from payout where shop = :shop and gateway = :gateway and ref = :ref")
                            .param("shop", shop)
                            .param("gateway", gateway.id())
                            .param("ref", payout.ref())
                            .query(Integer.class)
                            .single()
                    > 0) {
                return false;
            }
            sql.sql("""
                    insert into payout(shop, gateway, mode, ref, currency, amount, at)
                    values (:shop, :gateway, :mode, :ref, :currency, :amount, :at)""")
                    .param("shop", shop)
                    .param("gateway", gateway.id())
                    .param("mode", gateway.mode().orElse("test"))
                    .param("ref", payout.ref())
                    .param("currency", payout.currency())
                    .param("amount", payout.amount())
                    .param("at", payout.at().atOffset(ZoneOffset.UTC))
                    .update();
            int seq = 0;
            for (Provider.PayoutEntry entry : payout.entries()) {
                sql.sql("""
                        insert into payout_entry(payout, seq, provider_ref, payment, kind, amount, fee)
                        values ((select id from payout where shop = :shop and gateway = :gateway and ref = :payout),
                            :seq, :ref, (select id from payment where provider_ref = :ref and shop = :shop), :kind,
                            :amount, :fee)""")
                        .param("shop", shop)
                        .param("gateway", gateway.id())
                        .param("payout", payout.ref())
                        .param("seq", ++seq)
                        .param("ref", entry.payment())
                        .param("kind", entry.kind().text())
                        .param("amount", entry.amount())
                        .param("fee", entry.fee())
                        .update();
                sql.sql("update payment set paid_out = paid_out + :amount where provider_ref = :ref and shop = :shop")
                        .param("amount", entry.kind() == Provider.Kind.REFUND ? -entry.amount() : entry.amount())
                        .param("ref", entry.payment())
                        .param("shop", shop)
                        .update();
            }
            return true;
        }));
    }

    /** The latest payouts of a shop. @param below id of the last one on the page before */
    List<PayoutRow> page(String shop, Optional<Long> below, int most) {
        return sql
                .sql("""
                        select p.id, p.gateway, p.mode, p.ref, p.at, p.currency, p.amount,
                            sum(case when e.kind = 'refund' then -e.amount else e.amount end) as gross,
                            sum(e.fee) as fees, count(*) as entries, count(*) - count(e.payment) as unmatched
                        from (select * from payout where shop = :shop and id < :below order by id desc limit :most) p
                        join payout_entry e on e.payout = p.id
                        group by p.id, p.gateway, p.mode, p.ref, p.at, p.currency, p.amount order by p.id desc""")
                .param("shop", shop)
                .param("below", below.orElse(Long.MAX_VALUE))
                .param("most", most)
                .query(Summed.class)
                .list()
                .stream()
                .map(row -> new PayoutRow(
                        row.id(),
                        row.gateway(),
                        row.mode(),
                        row.ref(),
                        row.at(),
                        row.currency(),
                        major(row.gross(), row.currency()),
                        major(row.fees(), row.currency()),
                        major(row.amount(), row.currency()),
                        row.entries(),
                        row.unmatched()))
                .toList();
    }

    /** So many entries of a payout. @param behind the place of the last one on the page before */
    List<Entry> entries(String shop, long payout, int behind, int most) {
        List<EntryRow> rows = sql.sql("""
                        select e.seq, o.number, e.provider_ref as ref, e.kind, e.amount, e.fee, p.currency
                        from payout p join payout_entry e on e.payout = p.id
                        left join payment m on m.id = e.payment left join orders o on o.id = m.order_id
                        where p.shop = :shop and p.id = :payout and e.seq > :behind order by e.seq limit :most""")
                .param("shop", shop)
                .param("payout", payout)
                .param("behind", behind)
                .param("most", most)
                .query(EntryRow.class)
                .list();
        return rows.stream()
                .map(row -> new Entry(
                        row.seq(),
                        Optional.ofNullable(row.number()),
                        row.ref(),
                        row.kind(),
                        major(row.kind().equals("refund") ? -row.amount() : row.amount(), row.currency()),
                        major(row.fee(), row.currency())))
                .toList();
    }

    /** What providers have taken for a shop and not paid out yet, what they gave back taken off. */
    List<OnTheWay> onTheWay(String shop) {
        return sql.sql("""
                        select o.currency, sum(m.captured - m.refunded - m.paid_out) as amount
                        from payment m join orders o on o.id = m.order_id where m.awaits_payout = :shop
                        group by o.currency order by o.currency""").param("shop", shop).query(Sum.class).list().stream()
                .filter(sum -> sum.amount() != 0)
                .map(sum -> new OnTheWay(sum.currency(), major(sum.amount(), sum.currency())))
                .toList();
    }

    private static BigDecimal major(long minor, String currency) {
        return BigDecimal.valueOf(minor, CurrencyUnit.of(currency).getDecimalPlaces());
    }
}
