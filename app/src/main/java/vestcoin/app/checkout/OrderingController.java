package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.Buyers;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.message.Messages;
import vestcoin.app.order.BasketOrdered;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;

/** Takes orders from the counter: nothing is placed but what the buyer was shown. */
@RestController
class OrderingController {
    /** So many orders in a row get their letters at once. */
    private static final int FEW = 4;

    private final CounterEntrance entrance;
    private final Editions editions;
    private final BasketOrders baskets;
    private final OrderTaking taking;
    private final PlacedOrders placed;
    private final RateLimits pace;
    private final Messages messages;
    private final ApplicationEventPublisher events;

    OrderingController(
            CounterEntrance entrance,
            Editions editions,
            BasketOrders baskets,
            OrderTaking taking,
            PlacedOrders placed,
            RateLimits pace,
            Messages messages,
            ApplicationEventPublisher events) {
        this.entrance = entrance;
        this.editions = editions;
        this.baskets = baskets;
        this.taking = taking;
        this.placed = placed;
        this.pace = pace;
        this.messages = messages;
        this.events = events;
    }

    @PostMapping("/api/counter/{shop}/orders")
    PlacedOrder place(
            @PathVariable String shop,
            @RequestBody OrderTaking.OrderRequest wanted,
            @CookieValue(name = Buyers.COOKIE, required = false) String session,
            HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        OrderTaking.check(wanted, edition.document().setup().terms().asking());
        Optional<String> taker = taker(shop, wanted);
        boolean quiet = taker.isEmpty() && slowed(wanted, request.getRemoteAddr());
        Spoken.in(editions.spoken(edition, wanted.buyer().spoken()));
        String email = wanted.contact().email();
        BasketOrders.Asker who = new BasketOrders.Asker(email, baskets.known(shop, session, taker.map(by -> email)));
        Orders.Order placed = taking.take(edition, wanted, who, taker, quiet);
        wanted.visit().ifPresent(visit -> events.publishEvent(new BasketOrdered(shop, visit.toString())));
        if (taker.isPresent() && placed.due() > 0 && placed.standing().equals("unpaid")) {
            messages.remind(placed);
        }
        return this.placed.of(placed);
    }

    /** Who takes it for its buyer. @throws ApiProblem if that is nobody of the shop */
    private Optional<String> taker(String shop, OrderTaking.OrderRequest wanted) {
        if (!wanted.forBuyer().orElse(false)) {
            return Optional.empty();
        }
        return Optional.of(entrance.whoRuns(shop)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.FORBIDDEN,
                        "forBuyer",
                        Message.of("checkout.only-the-shop-orders-for-others"),
                        Message.of("checkout.sign-in-at-desk-first"))));
    }

    /** @return whether more were placed than people do without paying first @throws ApiProblem if it is far more */
    private boolean slowed(OrderTaking.OrderRequest wanted, String client) {
        Optional<Duration> left = pace.wait(RateLimits.Of.ORDERS_BY_CLIENT, client)
                .or(() -> pace.wait(
                        RateLimits.Of.ORDERS_BY_ADDRESS,
                        MailAddress.normal(wanted.contact().email())));
        left.ifPresent(wait -> {
            throw new ApiProblem(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "key",
                    Message.of("checkout.many-orders-were-placed-from-here-just"),
                    Message.of("checkout.order-again-in-seconds-basket-kept", "max", Math.max(1, wait.toSeconds())));
        });
        return pace.busy(RateLimits.Of.ORDERS_BY_CLIENT, client, FEW)
                || pace.busy(
                        RateLimits.Of.ORDERS_BY_ADDRESS,
                        MailAddress.normal(wanted.contact().email()),
                        FEW);
    }
}
