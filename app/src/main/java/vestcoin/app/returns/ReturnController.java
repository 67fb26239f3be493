package vestcoin.app.returns;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.core.message.Message;
import vestcoin.core.terms.ReturnRight;
import vestcoin.core.terms.Terms;

/** Withdrawing on the order's own page (Directive 2011/83/EU, Article 11a), and what the seller sees of it. */
@RestController
class ReturnController {
    /**
     * @param open what can be declared now @param until last day for it @param declared before @param excluded lines
     *     that do not come back, and why
     */
    record MayReturn(
            Optional<ReturnRight.Kind> open,
            Optional<LocalDate> until,
            List<Returns.Declared> declared,
            Map<Integer, Terms.Exclusion> excluded) {}

    /** @param lines places in the quote; all when empty */
    record Declaring(Set<Integer> lines, String note) {
        Declaring {
            lines = lines == null ? Set.of() : lines;
            note = note == null ? "" : note;
        }
    }

    /** @param owed item of the order's bills to what is to be given back of it */
    record Wished(Returns.Declared declared, Map<String, BigDecimal> owed) {}

    private final Returns withdrawals;
    private final Orders orders;

    ReturnController(Returns withdrawals, Orders orders) {
        this.withdrawals = withdrawals;
        this.orders = orders;
    }

    @GetMapping("/api/counter/orders/{token}/withdrawal")
    MayReturn may(@PathVariable String token) {
        Orders.Order order = find(token);
        Optional<ReturnRight> open = withdrawals.open(order);
        return new MayReturn(
                open.map(ReturnRight::kind),
                open.flatMap(ReturnRight::until),
                withdrawals.ofOrder(order.id()),
                withdrawals.excluded(order));
    }

    @PostMapping("/api/counter/orders/{token}/withdrawal")
    MayReturn declare(@PathVariable String token, @RequestBody Declaring declaring) {
        withdrawals.declare(find(token), declaring.lines(), declaring.note());
        return may(token);
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/withdrawals")
    List<Wished> list(@PathVariable String shop, @PathVariable int number) {
        Orders.Order order = orders.numbered(shop, number);
        return withdrawals.ofOrder(order.id()).stream()
                .map(declared -> new Wished(
                        declared, declared.settledAt().isPresent() ? Map.of() : withdrawals.owed(order, declared)))
                .toList();
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/withdrawals/{id}/settled")
    List<Wished> settled(@PathVariable String shop, @PathVariable int number, @PathVariable long id) {
        withdrawals.settle(orders.numbered(shop, number), id);
        return list(shop, number);
    }

    private Orders.Order find(String token) {
        return orders.byToken(token)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("returns.there-no-such-order"),
                        Message.of("returns.open-link-from-receipt-again")));
    }
}
