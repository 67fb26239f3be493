package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
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

    @PutMapping("/api/shops/{shop}/orders/{number}/address")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void readdress(@PathVariable String shop, @PathVariable int number, @RequestBody Readdressing.NewAddress wanted) {
        addresses.change(orders.numbered(shop, number).id(), wanted);
    }

    /** The buyer is told what is to be paid now. */
    @PutMapping("/api/shops/{shop}/orders/{number}/lines")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rewrite(@PathVariable String shop, @PathVariable int number, @RequestBody Quantities wanted) {
        Orders.Order order = orders.numbered(shop, number);
        lines.change(order, wanted.quantities());
        messages.changed(orders.byId(order.id()));
    }
}
