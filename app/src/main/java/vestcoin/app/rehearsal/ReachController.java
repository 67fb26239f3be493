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
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.reach.Reach;
import vestcoin.core.reach.SoldPlaces;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Where a sample order can be had, and what it costs there: every place sold to. */
@RestController
class ReachController {
    private static final int MOST_PLACES = 400;

    /**
     * @param basket id of the sample order; the first one without it
     * @param places those asked for; every place sold to without any
     */
    record ReachRequest(Optional<String> basket, List<Destination> places) {
        ReachRequest {
            basket = basket == null ? Optional.empty() : basket;
            places = places == null ? List.of() : places;
        }
    }

    /** @param currency of its amounts */
    record ReachView(String basket, String currency, List<Reach.Stop> stops) {}

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
        SampleOrder basket = draft.setup().rehearsal().baskets().stream()
                .filter(each -> asked.basket().map(each.id()::equals).orElse(true))
                .findFirst()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "basket",
                        Message.of("rehearsal.no-such-sample-order"),
                        Message.of("rehearsal.make-one-on-the-ticket")));
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
                        .map(to -> new Destination(
                                CountryNames.countryOr("places", to.country()), to.region(), to.postcode()))
                        .toList();
        Instant at = clock.instant();
        Map<String, Gateway> states = gateways.states(shop);
        Optional<Exchange> rates = contexts.rates();
        List<Order> orders = places.stream()
                .map(to -> SampleOrders.at(basket, to, at, states))
                .map(order -> rates.map(known -> order.given(order.outside().with(known)))
                        .orElse(order))
                .toList();
        return new ReachView(
                basket.id(),
                basket.order().currency().orElse(draft.setup().shop().currency()),
                Reach.stops(draft, orders));
    }
}
