package vestcoin.app.orderdesk;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Answers;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Orders;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/** What is done with several orders at once: each by itself, so that one that cannot holds up no other. */
@RestController
class SeveralOrdersController {
    private static final int MOST = 200;

    /** @param tracking what the carrier calls the parcel, empty where nobody says */
    record ToSend(int number, String tracking) {}

    /** @param key made once by the page, so that sending twice sends once */
    record SendSeveral(String key, List<ToSend> orders) {
        SendSeveral {
            if (key == null || key.isBlank()) {
                throw new InvalidInput(
                        "key", Message.of("orderdesk.request-has-no-key"), Message.of("orderdesk.load-page-again"));
            }
            orders = orders == null ? List.of() : List.copyOf(orders);
        }
    }

    /** @param trouble why it was not sent, and what to do; nothing where it was */
    record SendOutcome(int number, Optional<String> trouble) {}

    private final Orders orders;
    private final Dispatching dispatching;

    SeveralOrdersController(Orders orders, Dispatching dispatching) {
        this.orders = orders;
        this.dispatching = dispatching;
    }

    /** Everything of these orders that is still here leaves; what is authorised for it is taken. */
    @PostMapping("/api/shops/{shop}/orders/dispatch")
    List<SendOutcome> send(@PathVariable String shop, @RequestBody SendSeveral asked, Principal who) {
        if (asked.orders().isEmpty() || asked.orders().size() > MOST) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "orders",
                    Message.of("orderdesk.one-order-to-so-many", "most", MOST),
                    Message.of("orderdesk.choose-fewer-and-send-the-rest-after"));
        }
        List<SendOutcome> outcomes = new ArrayList<>();
        for (ToSend one : asked.orders()) {
            outcomes.add(new SendOutcome(one.number(), trouble(shop, asked.key(), one, who.getName())));
        }
        return outcomes;
    }

    private Optional<String> trouble(String shop, String key, ToSend one, String actor) {
        Optional<Orders.Order> order = orders.byNumber(shop, one.number());
        if (order.isEmpty()) {
            return Optional.of(said(List.of(new Problem(
                    "number",
                    Message.of("orderdesk.there-no-order", "number", String.valueOf(one.number())),
                    Message.of("orderdesk.choose-one-from-list")))));
        }
        try {
            String own = UUID.nameUUIDFromBytes((key + "/" + one.number()).getBytes(StandardCharsets.UTF_8))
                    .toString();
            dispatching.send(order.get(), new Dispatching.Departure(own, Set.of(), one.tracking(), false), actor);
            return Optional.empty();
        } catch (ApiProblem e) {
            return Optional.of(said(e.problems()));
        } catch (InvalidInput e) {
            return Optional.of(said(e.problems()));
        }
    }

    private static String said(List<Problem> problems) {
        Problem first = problems.get(0);
        return Answers.phrases().say(first.sentence()) + " " + Answers.phrases().say(first.remedy());
    }
}
