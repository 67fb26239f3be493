package vestcoin.app.rehearsal;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.CountryNames;
import vestcoin.app.setup.Drafts;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.OutsideAnswers;
import vestcoin.core.setup.Rehearsal.Pin;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Makes pins: a figure as it is in the draft now, with the instant and all that came from outside. */
@RestController
class PinController {
    /** @param basket id of a sample order of the draft */
    record PinRequest(String basket, Destination to, Pin.Figure figure) {}

    /** What a pin keeps. @param value nothing for an order that cannot be had */
    record PinKept(Instant at, Destination to, Optional<String> value, Optional<OutsideAnswers> outside) {}

    private final Drafts drafts;
    private final Gateways gateways;
    private final PricingContexts contexts;
    private final Clock clock;

    PinController(Drafts drafts, Gateways gateways, PricingContexts contexts, Clock clock) {
        this.drafts = drafts;
        this.gateways = gateways;
        this.contexts = contexts;
        this.clock = clock;
    }

    /** What a pin of a figure would keep; nothing is changed. Carriers are asked. */
    @PostMapping("/api/shops/{shop}/board/pin")
    PinKept kept(@PathVariable String shop, @RequestBody PinRequest asked) {
        CompiledSetup draft = drafts.of(shop).document().compiled();
        SampleOrder basket = draft.setup().rehearsal().baskets().stream()
                .filter(each -> each.id().equals(asked.basket()))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(
                        "basket",
                        Message.of("rehearsal.no-such-basket", "basket", String.valueOf(asked.basket())),
                        Message.of("checkout.load-page-again")));
        Destination to = CountryNames.destination("to", asked.to());
        Instant at = basket.at().orElse(clock.instant());
        Order around = contexts.around(shop, draft, SampleOrders.at(basket, to, at, gateways.states(shop)));
        Optional<OutsideAnswers> outside = Optional.of(new OutsideAnswers(
                        around.outside().exchange(), around.outside().carriers()))
                .filter(known -> known.exchange().isPresent()
                        || !known.carriers().amounts().isEmpty());
        Pin.Figure figure = asked.figure() == null ? Pin.Figure.TO_PAY : asked.figure();
        Pin pin = new Pin("", basket.id(), to, at, figure, Optional.empty(), "", outside);
        return new PinKept(at, to, Pins.figure(Pins.cell(draft, basket, pin), figure), outside);
    }
}
