package vestcoin.app.buyer;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;

/** Baskets that were left, as the seller sees them. */
@RestController
class UnfinishedListController {
    private static final int PAGE = 50;

    /**
     * @param things with their numbers and choices, of what is still sold
     * @param worth what the goods would cost today, in the shop's currency; empty where one of them is gone
     * @param buyer whom a reminder may be sent to
     * @param remindAt when it leaves by itself, while it has not
     * @param code the reminder carried
     */
    record BasketSeen(
            long id,
            Instant at,
            List<String> things,
            Optional<BigDecimal> worth,
            Optional<String> buyer,
            Optional<Instant> remindAt,
            Optional<Instant> remindedAt,
            Optional<String> code) {}

    /** @param next id where the next page goes on, if there is one */
    record BasketsSeen(String currency, List<BasketSeen> baskets, Optional<Long> next) {}

    private final Unfinished unfinished;
    private final Editions editions;
    private final Clock clock;

    UnfinishedListController(Unfinished unfinished, Editions editions, Clock clock) {
        this.unfinished = unfinished;
        this.editions = editions;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/unfinished")
    BasketsSeen baskets(@PathVariable String shop, @RequestParam Optional<Long> below) {
        Optional<Document> live = editions.live(shop).map(Editions.Edition::document);
        if (live.isEmpty()) {
            return new BasketsSeen("", List.of(), Optional.empty());
        }
        List<Unfinished.SeenBasket> page = unfinished.page(shop, below, PAGE + 1);
        List<Unfinished.SeenBasket> shown = page.subList(0, Math.min(page.size(), PAGE));
        return new BasketsSeen(
                live.get().setup().shop().currency(),
                shown.stream().map(each -> seen(each, live.get())).toList(),
                page.size() > PAGE ? Optional.of(shown.get(PAGE - 1).id()) : Optional.empty());
    }

    /** Writes the reminder now instead of when it is due. */
    @PostMapping("/api/shops/{shop}/unfinished/{basket}/remind")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remind(@PathVariable String shop, @PathVariable long basket) {
        if (!unfinished.remindNow(shop, basket)) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "basket",
                    Message.of("buyer.no-reminder-may-be-sent"),
                    Message.of("buyer.load-list-again"));
        }
    }

    private BasketSeen seen(Unfinished.SeenBasket basket, Document live) {
        Optional<Instant> due = live.setup()
                .terms()
                .asking()
                .remindAfter()
                .filter(hours -> basket.buyer() != null && basket.remindedAt() == null)
                .map(hours -> basket.at().plus(Duration.ofHours(hours)));
        return new BasketSeen(
                basket.id(),
                basket.at(),
                basket.left().things(live.compiled().shelf()),
                worth(basket, live),
                Optional.ofNullable(basket.buyer()),
                due,
                Optional.ofNullable(basket.remindedAt()),
                Optional.ofNullable(basket.code()));
    }

    private Optional<BigDecimal> worth(Unfinished.SeenBasket basket, Document live) {
        try {
            Order order = Order.of(clock.instant(), basket.left().basket().withCodes(List.of()), Map.of())
                    .unplaced(live.compiled().home());
            return Optional.of(
                    Pricing.priceUntraced(live.compiled(), order).goods().value());
        } catch (InvalidInput e) {
            return Optional.empty();
        }
    }
}
