package vestcoin.app.link;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Vouchers;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Stock;
import vestcoin.core.money.Exchange;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Outside;
import vestcoin.core.setup.Compiled;

/** What pricing is given besides the order: rates of the day, where it goes, stock, slots taken, vouchers among the codes typed, carriers' answers. What an order brings itself stays. */
@Service
public class Circumstances {
    private record Counted(String item, BigDecimal remaining) {}

    private final JdbcClient sql;
    private final Orders orders;
    private final Vouchers vouchers;
    private final ExchangeRates exchange;
    private final Carriers carriers;
    private final Whereabouts whereabouts;

    Circumstances(JdbcClient sql, Orders orders, Vouchers vouchers, ExchangeRates exchange, Carriers carriers, Whereabouts whereabouts) {
        this.sql = sql;
        this.orders = orders;
        this.vouchers = vouchers;
        this.exchange = exchange;
        this.carriers = carriers;
        this.whereabouts = whereabouts;
    }

    /** Exchange rates of the latest day known. */
    public Optional<Exchange> rates() {
        return exchange.latest();
    }

    /** The order with what is known around it now. */
    public Order around(String shop, Compiled setup, Order asked) {
        Order order = whereabouts.located(setup, asked);
        Outside own = order.outside();
        String base = setup.setup().shop().currency();
        String currency = order.currency().orElse(base);
        Optional<Exchange> rates = own.exchange().isPresent() || currency.equals(base) && setup.setup().tax().registrations().isEmpty() ? own.exchange() : exchange.latest();
        List<Outside.Voucher> used = own.vouchers().isEmpty() ? vouchers.among(shop, order.codes(), currency) : own.vouchers();
        Stock stock = own.stock().left().isEmpty() ? stock(shop, order.lines()) : own.stock();
        Order known = order.given(new Outside(rates, own.carriers(), own.taken().counts().isEmpty() ? orders.taken(shop, order.at().atZone(setup.zone()).toLocalDate().atStartOfDay()) : own.taken(), stock, own.sales(), used, own.owed()));
        return known.given(known.outside().with(carriers.answers(shop, setup, known)));
    }

    private Stock stock(String shop, List<Line> lines) {
        if (lines.isEmpty()) {
            return Stock.NONE;
        }
        Map<String, BigDecimal> left = new TreeMap<>();
        for (String product : lines.stream().map(Line::product).distinct().toList()) {
            sql.sql("select item, remaining from stock where shop = :shop and (item = :product or item >= :from and item < :to)")
                    .param("shop", shop).param("product", product).param("from", product + "/").param("to", product + "0").query(Counted.class).list()
                    .forEach(each -> left.put(each.item(), each.remaining().stripTrailingZeros()));
        }
        return new Stock(left);
    }
}
