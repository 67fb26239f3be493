package vestcoin.app.orderdesk;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.core.message.Message;

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
        Orders.Order order = orders.byNumber(shop, number)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "number",
                        Message.of("orderdesk.there-no-order", "number", String.valueOf(number)),
                        Message.of("orderdesk.choose-one-from-list")));
        supply.sendAgain(order, voucher, to.name(), to.email());
    }
}
