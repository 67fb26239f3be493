package vestcoin.app.renewing;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Answers;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.app.subscription.SubscriptionActs;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;

/** A subscription's own page: whoever holds its link may see it, stop it, leave a date out, give another card. */
@RestController
class SubscriptionController {
    private static final int LONGEST = 500;

    record Skipping(LocalDate date) {}

    record AnotherCard(String cardToken) {}

    /** @param expected what each charge comes to there; without it nothing is changed, and it is only said */
    record AnotherAddress(Orders.Address address, Optional<BigDecimal> expected) {
        AnotherAddress {
            expected = expected == null ? Optional.empty() : expected;
        }
    }

    /** What each charge comes to at another address. */
    record EachThere(BigDecimal each, String currency) {}

    record Answered(boolean yes) {}

    private final Subscriptions book;
    private final SubscriptionActs acts;
    private final SubscriptionViews views;
    private final Orders orders;
    private final Editions editions;

    SubscriptionController(
            Subscriptions book, SubscriptionActs acts, SubscriptionViews views, Orders orders, Editions editions) {
        this.book = book;
        this.acts = acts;
        this.views = views;
        this.orders = orders;
        this.editions = editions;
    }

    @GetMapping("/api/counter/subscriptions/{token}")
    SubscriptionViews.SubscriptionPage page(@PathVariable String token) {
        return views.page(find(token));
    }

    @PostMapping("/api/counter/subscriptions/{token}/stop")
    SubscriptionViews.SubscriptionPage stop(@PathVariable String token) {
        acts.stop(find(token));
        return views.page(find(token));
    }

    @PostMapping("/api/counter/subscriptions/{token}/skip")
    SubscriptionViews.SubscriptionPage skip(@PathVariable String token, @RequestBody Skipping asked) {
        Subscription subscription = find(token);
        if (asked.date() == null) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "date",
                    Message.of("renewal.no-date-named"),
                    Message.of("renewal.load-page-again-to-see-next-date"));
        }
        acts.skip(subscription, asked.date());
        return views.page(find(token));
    }

    @PostMapping("/api/counter/subscriptions/{token}/card")
    SubscriptionViews.SubscriptionPage card(@PathVariable String token, @RequestBody AnotherCard asked) {
        Subscription subscription = find(token);
        if (asked.cardToken() == null || asked.cardToken().isBlank()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "cardToken",
                    Message.of("checkout.card-missing"),
                    Message.of("checkout.type-number"));
        }
        acts.card(subscription, asked.cardToken());
        acts.tryAgain(subscription);
        return views.page(find(token));
    }

    /** Says what each charge would come to at another address. */
    @PostMapping("/api/counter/subscriptions/{token}/address/price")
    EachThere there(@PathVariable String token, @RequestBody AnotherAddress asked) {
        Subscription subscription = find(token);
        check(asked.address());
        Orders.Address to = asked.address();
        var quote = acts.elsewhere(
                        subscription,
                        new Destination(
                                to.country(),
                                to.region(),
                                Optional.of(to.postcode()).filter(code -> !code.isBlank())))
                .quote();
        return new EachThere(quote.payable().value(), quote.currency());
    }

    @PostMapping("/api/counter/subscriptions/{token}/address")
    SubscriptionViews.SubscriptionPage address(@PathVariable String token, @RequestBody AnotherAddress asked) {
        Subscription subscription = find(token);
        check(asked.address());
        acts.address(
                subscription,
                asked.address(),
                asked.expected()
                        .orElseThrow(() -> new ApiProblem(
                                HttpStatus.UNPROCESSABLE_CONTENT,
                                "expected",
                                Message.of("checkout.order-does-not-say-total-was-shown"),
                                Message.of("checkout.load-page-again"))));
        return views.page(find(token));
    }

    /** Says yes or no to a price that was announced. */
    @PostMapping("/api/counter/subscriptions/{token}/answer")
    SubscriptionViews.SubscriptionPage answer(@PathVariable String token, @RequestBody Answered answer) {
        acts.answer(find(token), answer.yes());
        return views.page(find(token));
    }

    private static void check(Orders.Address address) {
        boolean whole = address != null
                && address.lines() != null
                && !address.lines().isEmpty()
                && !address.lines().get(0).isBlank()
                && address.city() != null
                && !address.city().isBlank()
                && address.country() != null
                && address.postcode() != null;
        if (!whole || String.join("", address.lines()).length() + address.city().length() > LONGEST) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "address",
                    Message.of("checkout.street-missing"),
                    Message.of("checkout.type-street-and-number"));
        }
    }

    /** From here on the answer is in the buyer's language. */
    private Subscription find(String token) {
        Subscription subscription = book.byToken(token)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("renewal.there-no-such-subscription"),
                        Message.of("renewal.open-link-from-letter-again")));
        String language = orders.byId(subscription.firstOrder()).language();
        Answers.phrase(Wording.of(
                editions.of(subscription.shop(), subscription.edition())
                        .document()
                        .setup(),
                language));
        return subscription;
    }
}
