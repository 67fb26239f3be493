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
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
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

    private record Backlog(long paper, long last) {}

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

    /** Sums up a paper, in the transaction that issues it. */
    void add(Orders.Order order, Paper paper) {
        add(
                new ShopMode(order.shop(), order.mode()),
                paper,
                order.country(),
                KeptQuotes.read(order.quote()),
                editions.of(order.shop(), order.by()).document().compiled());
    }

    private void add(ShopMode of, Paper paper, String country, QuoteView quote, CompiledSetup setup) {
        String home = setup.home().country();
        BigDecimal net = UnionSupply.counted(UnionSupply.of(paper, country, home, quote, setup.shelf()), home);
        euro(paper.credits().isPresent() ? net.negate() : net, paper.currency())
                .filter(euro -> euro.signum() != 0)
                .ifPresent(euro -> add(of, paper, euro.movePointRight(CENTS).longValueExact()));
    }

    private void add(ShopMode of, Paper paper, long cents) {
        if (more(of, paper, cents)) {
            return;
        }
        try {
            sql.sql("insert into union_sale(shop, mode, sold_on, currency, net) values (:shop, :mode, :day, :currency, "
                            + ":net)")
                    .param("shop", of.shop())
                    .param("mode", of.mode())
                    .param("day", paper.issued())
                    .param("currency", paper.currency())
                    .param("net", cents)
                    .update();
        } catch (DuplicateKeyException e) {
            // Another paper was the first of the day meanwhile.
            more(of, paper, cents);
        }
    }

    /** @return whether the day had a sum already */
    private boolean more(ShopMode of, Paper paper, long cents) {
        return sql.sql("update union_sale set net = net + :net where shop = :shop and mode = :mode and sold_on = :day "
                                + "and currency = :currency")
                        .param("shop", of.shop())
                        .param("mode", of.mode())
                        .param("day", paper.issued())
                        .param("currency", paper.currency())
                        .param("net", cents)
                        .update()
                == 1;
    }

    /** Sums up what was issued before these sums were kept. */
    @EventListener(ApplicationReadyEvent.class)
    void makeGood() {
        for (ShopMode of : sql.sql("select shop, mode from union_sale_backlog")
                .query(ShopMode.class)
                .list()) {
            while (Boolean.TRUE.equals(transaction.execute(status -> page(of)))) {
                // Until no more is left.
            }
        }
    }

    /** @return whether more are left */
    private boolean page(ShopMode of) {
        Optional<Backlog> backlog = sql.sql("select paper, last from union_sale_backlog where shop = :shop and "
                        + "mode = :mode for update")
                .param("shop", of.shop())
                .param("mode", of.mode())
                .query(Backlog.class)
                .optional();
        if (backlog.isEmpty()) {
            return false;
        }
        List<Row> papers = sql.sql("""
                        select p.id, p.content, o.country,
                            (select quote from order_quote where order_id = o.id) as quote,
                            coalesce(o.tax_edition, o.edition) as edition
                        from paper p join orders o on o.id = p.order_id
                        where p.shop = :shop and p.mode = :mode and p.id > :paper and p.id <= :last
                        order by p.id limit :most""")
                .param("shop", of.shop())
                .param("mode", of.mode())
                .param("paper", backlog.get().paper())
                .param("last", backlog.get().last())
                .param("most", AT_A_TIME)
                .query(Row.class)
                .list();
        for (Row row : papers) {
            try {
                add(
                        of,
                        Json.read(row.content(), Paper.class),
                        row.country(),
                        KeptQuotes.read(row.quote()),
                        editions.of(of.shop(), row.edition()).document().compiled());
            } catch (RuntimeException e) {
                // One that cannot be read holds up no other.
                LOG.error("paper {} is in no sum of sales across borders", row.id(), e);
            }
        }
        boolean more = papers.size() == AT_A_TIME;
        sql.sql(
                        more
                                ? "update union_sale_backlog set paper = :paper where shop = :shop and mode = :mode"
                                : "delete from union_sale_backlog where shop = :shop and mode = :mode "
                                        + "and paper <= :paper")
                .param("shop", of.shop())
                .param("mode", of.mode())
                .param("paper", more ? papers.get(papers.size() - 1).id() : Long.MAX_VALUE)
                .update();
        return more;
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
