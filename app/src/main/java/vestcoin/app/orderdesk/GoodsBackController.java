package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.GoodsBack;
import vestcoin.app.order.Orders;
import vestcoin.core.message.Message;

/** Goods that came back, at the desk. */
@RestController
class GoodsBackController {
    /**
     * @param key made once by the page, so that sending twice takes back once
     * @param lines how many, by the places of the order's lines
     * @param restock whether they go into stock again
     */
    record CameBack(String key, Map<Integer, BigDecimal> lines, boolean restock) {
        CameBack {
            lines = lines == null ? Map.of() : Map.copyOf(lines);
        }
    }

    private final Orders orders;
    private final GoodsBack back;

    GoodsBackController(Orders orders, GoodsBack back) {
        this.orders = orders;
        this.back = back;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/back")
    List<GoodsBack.Returned> back(@PathVariable String shop, @PathVariable int number) {
        return back.of(orders.numbered(shop, number).id());
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/back")
    List<GoodsBack.Returned> take(
            @PathVariable String shop, @PathVariable int number, @RequestBody CameBack came, Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        if (came.key() == null || !came.key().matches("[0-9A-Za-z-]{8,60}")) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "key",
                    Message.of("checkout.order-has-no-key-of-own"),
                    Message.of("checkout.load-page-again"));
        }
        back.take(order.id(), came.key(), came.lines(), came.restock(), who.getName());
        return back.of(order.id());
    }
}
