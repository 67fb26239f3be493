package vestcoin.app.message;

import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.core.message.Message;

/** The receipt as a page to print, for the buyer who holds the order's link. */
@RestController
class ReceiptController {
    private final Messages messages;
    private final Orders orders;

    ReceiptController(Messages messages, Orders orders) {
        this.messages = messages;
        this.orders = orders;
    }

    @GetMapping("/api/counter/orders/{token}/receipt.pdf")
    ResponseEntity<byte[]> receipt(@PathVariable String token) {
        Orders.Order order = orders.byToken(token)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("message.there-no-such-order"),
                        Message.of("message.open-link-from-receipt-again")));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"receipt-" + order.number() + ".pdf\"")
                .body(messages.receipt(order));
    }
}
