package vestcoin.app.message;

import java.util.List;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.message.Message;
import vestcoin.core.terms.Terms;

/** The letters of an order at the desk. */
@RestController
class LetterController {
    private static final int MOST_SLIPS = 200;

    private final Messages messages;
    private final ParcelSlips slips;
    private final Orders orders;

    LetterController(Messages messages, ParcelSlips slips, Orders orders) {
        this.messages = messages;
        this.slips = slips;
        this.orders = orders;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/letters")
    List<LetterBook.LetterRecord> letters(@PathVariable String shop, @PathVariable int number) {
        return messages.ofOrder(orders.numbered(shop, number).id());
    }

    /** Reminds the buyer of what is still to be paid. */
    @PostMapping("/api/shops/{shop}/orders/{number}/reminder")
    List<LetterBook.LetterRecord> remind(@PathVariable String shop, @PathVariable int number) {
        Orders.Order order = orders.numbered(shop, number);
        if (order.cancelled() || !PaymentStanding.open().contains(order.standing())) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "number",
                    Message.of("message.nothing-of-this-order-waits-for-buyer"),
                    Message.of("message.load-again-to-see-where-stands"));
        }
        if (!messages.remind(order)) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "number",
                    Message.of("message.buyer-was-reminded-today-already"),
                    Message.of("message.wait-until-tomorrow"));
        }
        return messages.ofOrder(order.id());
    }

    /** The slip that goes into the parcel, without prices. */
    @GetMapping("/api/shops/{shop}/orders/{number}/slip.pdf")
    ResponseEntity<byte[]> slip(@PathVariable String shop, @PathVariable int number) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"slip-" + number + ".pdf\"")
                .body(slips.pdf(List.of(orders.numbered(shop, number))));
    }

    /** The slips of several orders, one page each, in the order they are asked for. */
    @GetMapping("/api/shops/{shop}/slips.pdf")
    ResponseEntity<byte[]> slips(@PathVariable String shop, @RequestParam List<Integer> order) {
        if (order.isEmpty() || order.size() > MOST_SLIPS) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "order",
                    Message.of("message.slips-of-one-order-to", "most", MOST_SLIPS),
                    Message.of("message.choose-fewer-and-print-the-rest-after"));
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"slips.pdf\"")
                .body(slips.pdf(order.stream()
                        .map(number -> orders.numbered(shop, number))
                        .toList()));
    }

    /** How the letters that ship begin, by occasion and language. */
    @GetMapping("/api/shops/{shop}/letter-texts")
    Map<String, Map<String, Terms.Letter>> shipped(@PathVariable String shop) {
        return LetterWording.SHIPPED;
    }
}
