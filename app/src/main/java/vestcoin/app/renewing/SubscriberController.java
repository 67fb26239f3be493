package vestcoin.app.renewing;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.subscription.Renewals;
import vestcoin.app.subscription.SubscriptionActs;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.subscription.Subscriptions.State;
import vestcoin.app.subscription.Subscriptions.Subscription;
import vestcoin.core.message.Message;

/** The subscribers of a shop at the desk. */
@RestController
class SubscriberController {
    private static final int PAGE = 50;
    private static final int MOST_ANNOUNCED = 10_000;
    private static final int MOST_COMPARED = 500;

    /** @param expressYes whether silence is not enough for a dearer price */
    record Announcing(boolean expressYes) {}

    /** @param told how many were written to */
    record Announcement(int told) {}

    /** What the live edition would change. @param dearer how many pay more @param cheaper how many pay less */
    record PriceChange(int dearer, int cheaper, Optional<BigDecimal> most, String currency, int daysOfNotice) {}

    private final Subscriptions book;
    private final SubscriptionActs acts;
    private final Renewals renewals;
    private final SubscriptionViews views;

    SubscriberController(Subscriptions book, SubscriptionActs acts, Renewals renewals, SubscriptionViews views) {
        this.book = book;
        this.acts = acts;
        this.renewals = renewals;
        this.views = views;
    }

    /** @param state one of the states, or all @param before id of the last one read */
    @GetMapping("/api/shops/{shop}/subscriptions")
    SubscriptionViews.SubscriberList list(
            @PathVariable String shop, @RequestParam Optional<String> state, @RequestParam Optional<Long> before) {
        Optional<State> wanted = state.filter(text -> !text.isBlank()).map(text -> {
            try {
                return State.of(text);
            } catch (IllegalArgumentException e) {
                throw new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "state",
                        Message.of("renewal.there-no-such-state", "state", text),
                        Message.of("renewal.leave-state-out"));
            }
        });
        return views.list(shop, wanted, before.orElse(Long.MAX_VALUE), PAGE);
    }

    @GetMapping("/api/shops/{shop}/subscriptions/{id}")
    SubscriptionViews.SubscriptionPage one(@PathVariable String shop, @PathVariable long id) {
        return views.page(find(shop, id));
    }

    @PostMapping("/api/shops/{shop}/subscriptions/{id}/pause")
    SubscriptionViews.SubscriptionPage pause(@PathVariable String shop, @PathVariable long id) {
        acts.pause(find(shop, id));
        return one(shop, id);
    }

    @PostMapping("/api/shops/{shop}/subscriptions/{id}/resume")
    SubscriptionViews.SubscriptionPage resume(@PathVariable String shop, @PathVariable long id) {
        acts.resume(find(shop, id));
        return one(shop, id);
    }

    @PostMapping("/api/shops/{shop}/subscriptions/{id}/stop")
    SubscriptionViews.SubscriptionPage stop(@PathVariable String shop, @PathVariable long id) {
        acts.stop(find(shop, id));
        return one(shop, id);
    }

    /** Charges the next date at once, before it is due or before its next try. */
    @PostMapping("/api/shops/{shop}/subscriptions/{id}/charge")
    SubscriptionViews.SubscriptionPage charge(@PathVariable String shop, @PathVariable long id) {
        if (!renewals.chargeNow(find(shop, id))) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "subscription",
                    Message.of("renewal.nothing-of-it-can-be-charged-now"),
                    Message.of("renewal.look-how-it-stands-pause-ends-first"));
        }
        return one(shop, id);
    }

    /** What the live edition's prices would change for subscribers. */
    @GetMapping("/api/shops/{shop}/subscriptions/price-change")
    PriceChange change(@PathVariable String shop) {
        List<SubscriptionActs.Difference> differences = acts.differences(shop, MOST_COMPARED);
        return new PriceChange(
                (int) differences.stream()
                        .filter(SubscriptionActs.Difference::dearer)
                        .count(),
                (int) differences.stream().filter(each -> !each.dearer()).count(),
                differences.stream()
                        .map(each -> each.then().subtract(each.now()))
                        .max(BigDecimal::compareTo)
                        .filter(most -> most.signum() > 0),
                differences.stream()
                        .findFirst()
                        .map(SubscriptionActs.Difference::currency)
                        .orElse(""),
                SubscriptionActs.DAYS_OF_NOTICE);
    }

    /** Writes to those whose price changes with the live edition. */
    @PostMapping("/api/shops/{shop}/subscriptions/announcement")
    Announcement announce(@PathVariable String shop, @RequestBody Announcing asked) {
        return new Announcement(acts.announce(shop, asked.expressYes(), MOST_ANNOUNCED));
    }

    private Subscription find(String shop, long id) {
        return book.ofShop(shop, id)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "id",
                        Message.of("renewal.there-no-such-subscription"),
                        Message.of("renewal.choose-one-from-list")));
    }
}
