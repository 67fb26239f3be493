package vestcoin.app.orderdesk;

import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.order.Orders;

/** Vouchers of an order, at the desk. */
@RestController
class OrderVoucherController {
    /** Whom it is for now. */
    record Receiver(String name, String email) {}

    private final Orders orders;
    private final OngoingSupply supply;

    OrderVoucherController(Orders orders, OngoingSupply supply) {
        this.orders = orders;
        this.supply = supply;
    }

    /** Sends a voucher once more, as when its address was mistyped. */
    @PostMapping("/api/shops/{shop}/orders/{number}/vouchers/{voucher}")
    void sendAgain(
            @PathVariable String shop, @PathVariable int number, @PathVariable long voucher, @RequestBody Receiver to) {
        Orders.Order order = orders.numbered(shop, number);
        supply.sendAgain(order, voucher, to.name(), to.email());
    }
}
