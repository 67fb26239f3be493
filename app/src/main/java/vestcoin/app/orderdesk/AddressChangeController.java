package vestcoin.app.orderdesk;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Readdressing;

/** Another address for an order that has not left. */
@RestController
class AddressChangeController {
    private final Orders orders;
    private final Readdressing addresses;

    AddressChangeController(Orders orders, Readdressing addresses) {
        this.orders = orders;
        this.addresses = addresses;
    }

    @PutMapping("/api/shops/{shop}/orders/{number}/address")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable String shop, @PathVariable int number, @RequestBody Readdressing.NewAddress wanted) {
        addresses.change(orders.numbered(shop, number).id(), wanted);
    }
}
