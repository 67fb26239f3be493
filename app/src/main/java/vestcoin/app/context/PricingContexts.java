package vestcoin.app.context;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Year;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import vestcoin.app.order.Orders;
import vestcoin.app.paper.UnionSales;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.service.Carriers;
import vestcoin.app.service.DestinationPoints;
import vestcoin.app.service.ExchangeRates;
import vestcoin.app.stock.StockBook;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Stock;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Groups;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;

/**
 * What pricing is given besides the order: rates of the day, where it goes, stock, slots taken, vouchers among the
 * codes typed, carriers' answers. What an order brings itself stays.
 */
@Service
public class PricingContexts {
    private final StockBook counted;
    private final Orders orders;
    private final Vouchers vouchers;
    private final ExchangeRates exchange;
    private final Carriers carriers;
    private final DestinationPoints whereabouts;
    private final UnionSales sales;

    PricingContexts(
            StockBook counted,
            Orders orders,
            Vouchers vouchers,
            ExchangeRates exchange,
            Carriers carriers,
            DestinationPoints whereabouts,
            UnionSales sales) {
        this.counted = counted;
        this.orders = orders;
        this.vouchers = vouchers;
        this.exchange = exchange;
        this.carriers = carriers;
        this.whereabouts = whereabouts;
        this.sales = sales;
    }

    /**
     * What is the same around many orders that are only tried: nobody outside is asked and nothing is counted.
     *
     * @param rates of exchange
     * @param sales across borders so far
     */
    public record Trial(Optional<Exchange> rates, Sales sales) {
        public Order around(Order order) {
            PricingContext known = order.outside().with(sales);
            return order.given(rates.map(known::with).orElse(known));
        }
    }

    /** @param at when the orders are tried */
    public Trial trial(String shop, CompiledSetup setup, Instant at) {
        return new Trial(rates(), sales(shop, setup, at));
    }

    /** Exchange rates of the latest day known. */
    public Optional<Exchange> rates() {
        return exchange.latest();
    }

    /** Sales across borders within the Union before an order, where its tax may hang on them. */
    public Sales sales(String shop, CompiledSetup setup, Instant at) {
        return Groups.EU.contains(setup.home().country())
                        && !setup.setup().tax().registrations().isEmpty()
                ? sales.of(shop, Year.of(at.atZone(setup.zone()).getYear()))
                : Sales.NONE;
    }

    private static boolean crosses(CompiledSetup setup, Order order) {
        String to = order.to().country();
        return Groups.EU.contains(to) && !to.equals(setup.home().country());
    }

    /** How many there are of those of some items that are counted. */
    public Map<String, BigDecimal> left(String shop, Collection<String> items) {
        return counted.all(shop, items);
    }

    /** The order with what is known around it now. */
    public Order around(String shop, CompiledSetup setup, Order asked) {
        Order order = asked.unplaced() ? asked : whereabouts.located(setup, asked);
        PricingContext own = order.outside();
        String base = setup.setup().shop().currency();
        String currency = order.currency().orElse(base);
        Optional<Exchange> rates = own.exchange().isPresent()
                        || currency.equals(base)
                                && setup.setup().tax().registrations().isEmpty()
                ? own.exchange()
                : exchange.latest();
        List<PricingContext.Voucher> used = own.vouchers().isEmpty()
                ? vouchers.among(shop, order.codes(), currency, LocalDate.ofInstant(order.at(), setup.zone()))
                : own.vouchers();
        Stock stock = own.stock().left().isEmpty()
                ? counted.of(
                        shop,
                        order.lines().stream().map(Line::product).distinct().toList())
                : own.stock();
        Order known = order.given(new PricingContext(
                rates,
                own.carriers(),
                own.taken().counts().isEmpty()
                        ? orders.taken(
                                shop,
                                order.at().atZone(setup.zone()).toLocalDate().atStartOfDay())
                        : own.taken(),
                stock,
                own.sales().equals(Sales.NONE) && crosses(setup, order) ? sales(shop, setup, order.at()) : own.sales(),
                used,
                own.owed(),
                own.credit(),
                own.card()));
        return known.unplaced() ? known : known.given(known.outside().with(carriers.answers(shop, setup, known)));
    }
}
