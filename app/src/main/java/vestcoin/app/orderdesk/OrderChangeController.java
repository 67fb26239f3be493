package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.message.Messages;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Readdressing;
import vestcoin.app.order.Rewriting;

/** Changes of an order that has not left: where it goes, and how many there are of what it holds. */
@RestController
class OrderChangeController {
    /** @param quantities of the order's lines, in their order; zero takes a line out */
    record Quantities(List<BigDecimal> quantities) {}

    /** What a change does, or would do, to what an order comes to. */
    record Repriced(BigDecimal before, BigDecimal now, String currency) {
        static Repriced of(Orders.Order order, Rewriting.Repriced minor) {
            int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
            return new Repriced(
                    BigDecimal.valueOf(minor.before(), digits),
                    BigDecimal.valueOf(minor.now(), digits),
                    order.currency());
        }
    }

    private final Orders orders;
    private final Readdressing addresses;
    private final Rewriting lines;
    private final Messages messages;

    OrderChangeController(Orders orders, Readdressing addresses, Rewriting lines, Messages messages) {
        this.orders = orders;
        this.addresses = addresses;
        this.lines = lines;
        this.messages = messages;
    }

    /**
     * @param look whether it is only told what it would come to; else the buyer is told where that is another amount
     */
    @PutMapping("/api/shops/{shop}/orders/{number}/address")
    Repriced readdress(
            @PathVariable String shop,
            @PathVariable int number,
            @RequestParam(defaultValue = "false") boolean look,
            @RequestBody Readdressing.NewAddress wanted,
            Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        Rewriting.Repriced repriced = addresses.change(order.id(), wanted, who.getName(), look);
        if (!look && repriced.before() != repriced.now()) {
            messages.changed(orders.byId(order.id()));
        }
        return Repriced.of(order, repriced);
    }

    /** The buyer is told what it comes to now. @param look whether it is only told here what it would */
    @PutMapping("/api/shops/{shop}/orders/{number}/lines")
    Repriced rewrite(
            @PathVariable String shop,
            @PathVariable int number,
            @RequestParam(defaultValue = "false") boolean look,
            @RequestBody Quantities wanted,
            Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        Rewriting.Repriced repriced = lines.change(order, wanted.quantities(), who.getName(), look);
        if (!look) {
            messages.changed(orders.byId(order.id()));
        }
        return Repriced.of(order, repriced);
    }
}
