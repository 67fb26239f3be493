package vestcoin.app.message;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.order.Orders;

/** The letters of an order at the desk. */
@RestController
class LetterController {
    private final Messages messages;
    private final Orders orders;

    LetterController(Messages messages, Orders orders) {
        this.messages = messages;
        this.orders = orders;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/letters")
    List<Messages.Sent> letters(@PathVariable String shop, @PathVariable int number) {
        return messages.ofOrder(orders.byNumber(shop, number)
                .orElseThrow(() -> new Told(HttpStatus.NOT_FOUND, "number", "There is no order " + number + ".", "Choose one from the list.")).id());
    }
}
