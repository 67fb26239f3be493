package vestcoin.app.paper;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.Year;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.payment.Gateways;
import vestcoin.app.service.ExchangeRates;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.DistanceSales;
import vestcoin.core.money.Exchange;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;

/**
 * Sales to consumers in other member states as the papers have them, in euro, day by day. Another currency is taken at
 * its rate of 5 December 2017 where that is known, else at the latest.
 */
@Repository
public class UnionSales {
    private static final Logger LOG = LoggerFactory.getLogger(UnionSales.class);
    private static final String EURO = "EUR";
    private static final int AT_A_TIME = 500;
    private static final int CENTS = 2;

    /** @param net in euro @param currency of the papers */
    public record DaySum(LocalDate day, String currency, BigDecimal net) {}

    private record Row(long id, String content, String country, String quote, int edition) {}

    private record CentRow(LocalDate soldOn, String currency, long net) {}

    private record ShopMode(String shop, String mode) {}

    private final JdbcClient sql;
    private final Editions editions;
    private final ExchangeRates rates;
    private final Gateways gateways;
    private final TransactionTemplate transaction;

    UnionSales(
            JdbcClient sql,
            Editions editions,
            ExchangeRates rates,
            Gateways gateways,
            TransactionTemplate transaction) {
        this.sql = sql;
        this.editions = editions;
        this.rates = rates;
        this.gateways = gateways;
        this.transaction = transaction;
    }

    /** The days of a year and the one before. @param mode of the papers */
    public List<DaySum> days(String shop, String mode, Year year) {
        return sql
                .sql("select sold_on, currency, net from union_sale where shop = :shop and mode = :mode "
                        + "and sold_on >= :from and sold_on < :to order by sold_on")
                .param("shop", shop)
                .param("mode", mode)
                .param("from", year.minusYears(1).atDay(1))
                .param("to", year.plusYears(1).atDay(1))
                .query(CentRow.class)
                .list()
                .stream()
                .map(row -> new DaySum(row.soldOn(), row.currency(), BigDecimal.valueOf(row.net(), CENTS)))
                .toList();
    }

    /** What pricing is given for an order of a year: of practice until money is real. */
    public Sales of(String shop, Year year) {
        DistanceSales sales = new DistanceSales();
        days(shop, gateways.mode(shop), year).forEach(day -> sales.add(day.day(), day.net()));
        return sales.sales(year);
    }

    /** Lets a rehearsal of a shop, which is practice, stand where the shop does. */
    public void lend(String shop, String rehearsal) {
        sql.sql("insert into union_sale(shop, mode, sold_on, currency, net) "
                        + "select :rehearsal, 'test', sold_on, currency, net from union_sale "
                        + "where shop = :shop and mode = :mode")
                .param("shop", shop)
                .param("rehearsal", rehearsal)
                .param("mode", gateways.mode(shop))
                .update();
    }

    /** What was issued before these sums were kept, or while nobody was here to sum it up. */
    @EventListener(ApplicationReadyEvent.class)
    void makeGood() {
        sql.sql("select distinct shop, mode from paper")
                .query(ShopMode.class)
                .list()
                .forEach(each -> sumUp(each.shop(), each.mode()));
    }

    /** Sums up what was issued since the last time. */
    void sumUp(String shop, String mode) {
        while (Integer.valueOf(AT_A_TIME).equals(transaction.execute(status -> page(shop, mode)))) {
            // Until no more is left.
        }
    }

    /** @return how many papers were looked at */
    private int page(String shop, String mode) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .optional();
        long until = sql.sql("select paper from union_sale_until where shop = :shop and mode = :mode")
                .param("shop", shop)
                .param("mode", mode)
                .query(Long.class)
                .optional()
                .orElse(0L);
        List<Row> papers = sql.sql("""
                        select p.id, p.content, o.country, o.quote, coalesce(o.tax_edition, o.edition) as edition
                        from paper p join orders o on o.id = p.order_id
                        where p.shop = :shop and p.mode = :mode and p.id > :until order by p.id limit :most""")
                .param("shop", shop)
                .param("mode", mode)
                .param("until", until)
                .param("most", AT_A_TIME)
                .query(Row.class)
                .list();
        papers.forEach(paper -> {
            try {
                add(shop, mode, paper);
            } catch (RuntimeException e) {
                // One that cannot be read holds up no other.
                LOG.error("paper {} is in no sum of sales across borders", paper.id(), e);
            }
        });
        if (!papers.isEmpty()) {
            sql.sql("merge into union_sale_until(shop, mode, paper) key (shop, mode) values (:shop, :mode, :paper)")
                    .param("shop", shop)
                    .param("mode", mode)
                    .param("paper", papers.get(papers.size() - 1).id())
                    .update();
        }
        return papers.size();
    }

    private void add(String shop, String mode, Row row) {
        CompiledSetup setup = editions.of(shop, row.edition()).document().compiled();
        Paper paper = Json.read(row.content(), Paper.class);
        String home = setup.home().country();
        BigDecimal net = UnionSupply.counted(
                UnionSupply.of(paper, row.country(), home, KeptQuotes.read(row.quote()), setup.shelf()), home);
        euro(net, paper.currency()).filter(euro -> euro.signum() != 0).ifPresent(euro -> sql.sql("""
                        merge into union_sale t using (values (:shop, :mode, :day, :currency, :net))
                            as s(shop, mode, sold_on, currency, net)
                        on t.shop = s.shop and t.mode = s.mode and t.sold_on = s.sold_on and t.currency = s.currency
                        when matched then update set net = t.net + s.net
                        when not matched then insert (shop, mode, sold_on, currency, net)
                            values (s.shop, s.mode, s.sold_on, s.currency, s.net)""")
                .param("shop", shop)
                .param("mode", mode)
                .param("day", paper.issued())
                .param("currency", paper.currency())
                .param(
                        "net",
                        (paper.credits().isPresent() ? euro.negate() : euro)
                                .movePointRight(CENTS)
                                .longValueExact())
                .update());
    }

    private Optional<BigDecimal> euro(BigDecimal amount, String currency) {
        if (currency.equals(EURO)) {
            return Optional.of(amount);
        }
        BigDecimal then = DistanceSales.RATES_OF_2017.get(currency);
        if (then != null) {
            return Optional.of(amount.divide(then, CENTS, RoundingMode.HALF_UP));
        }
        Optional<Exchange> latest = rates.latest();
        return latest.flatMap(known -> known.of(currency).flatMap(each -> known.of(EURO)
                .map(euro -> amount.multiply(euro).divide(each, CENTS, RoundingMode.HALF_UP))));
    }
}
