package vestcoin.app.rehearsal;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.CountryNames;
import vestcoin.app.setup.Drafts;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.reach.Reach;
import vestcoin.core.reach.SoldPlaces;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Where a sample order can be had, and what it costs there: every place sold to. */
@RestController
class ReachController {
    private static final int MOST_PLACES = 400;

    /** So many orders are priced for one answer: a few seconds at most. */
    private static final int MOST_ORDERS = 20_000;

    /**
     * @param basket id of the sample order; the first one without it
     * @param all whether all sample orders in the shop's currency are asked as one
     * @param places those asked for; every place sold to without any
     */
    record ReachRequest(Optional<String> basket, Optional<Boolean> all, List<Destination> places) {
        ReachRequest {
            all = all == null ? Optional.empty() : all;
            basket = basket == null ? Optional.empty() : basket;
            places = places == null ? List.of() : places;
        }
    }

    /**
     * @param basket id of the sample order; nothing of all as one
     * @param orders how many sample orders it is of
     * @param currency of its amounts
     */
    record ReachView(Optional<String> basket, int orders, String currency, List<Reach.Stop> stops) {}

    private final Drafts drafts;
    private final Gateways gateways;
    private final PricingContexts contexts;
    private final Clock clock;

    ReachController(Drafts drafts, Gateways gateways, PricingContexts contexts, Clock clock) {
        this.drafts = drafts;
        this.gateways = gateways;
        this.contexts = contexts;
        this.clock = clock;
    }

    @PostMapping("/api/shops/{shop}/reach")
    ReachView reach(@PathVariable String shop, @RequestBody ReachRequest asked) {
        CompiledSetup draft = drafts.of(shop).document().compiled();
        boolean all = asked.all().orElse(false);
        String own = draft.setup().shop().currency();
        List<SampleOrder> baskets = draft.setup().rehearsal().baskets().stream()
                .filter(each -> all
                        ? each.order().currency().orElse(own).equals(own)
                        : asked.basket().map(each.id()::equals).orElse(true))
                .limit(all ? Long.MAX_VALUE : 1)
                .toList();
        if (baskets.isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.NOT_FOUND,
                    "basket",
                    Message.of("rehearsal.no-such-sample-order"),
                    Message.of("rehearsal.make-one-on-the-ticket"));
        }
        if (asked.places().size() > MOST_PLACES) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "places",
                    Message.of("rehearsal.too-many-places", "most", MOST_PLACES),
                    Message.of("rehearsal.ask-for-fewer"));
        }
        List<Destination> places = asked.places().isEmpty()
                ? SoldPlaces.of(draft)
                : asked.places().stream()
                        .map(to -> CountryNames.destination("places", to))
                        .toList();
        Instant at = clock.instant();
        Map<String, Gateway> states = gateways.states(shop);
        PricingContexts.Trial trial = contexts.trial(shop, draft, at);
        if (places.size() * baskets.size() > MOST_ORDERS) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "all",
                    Message.of("rehearsal.too-many-orders-at-once", "most", MOST_ORDERS),
                    Message.of("rehearsal.choose-one-sample-order"));
        }
        List<Reach.Stop> stops = places.parallelStream()
                .map(to -> Reach.together(Reach.stops(
                        draft,
                        baskets.stream()
                                .map(basket -> SampleOrders.at(basket, to, at, states))
                                .map(trial::around)
                                .toList())))
                .toList();
        return all
                ? new ReachView(Optional.empty(), baskets.size(), own, stops)
                : new ReachView(
                        Optional.of(baskets.get(0).id()),
                        1,
                        baskets.get(0).order().currency().orElse(own),
                        stops);
    }
}
