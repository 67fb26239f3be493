package vestcoin.app.ticket;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.CountryNames;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.DraftView;
import vestcoin.app.setup.DraftView.CellText;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Edit;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.BasketMending;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;

/** Prices an order under the draft, with edits that are not made yet, and under the live edition. */
@RestController
class TicketController {
    /**
     * An order file to try. Without an instant it is placed now; its country is taken by any name, the accounts of
     * providers are as they are.
     *
     * @param edits not yet made, such as a cell being typed in
     * @param beside whether the live quote is wanted too
     * @param edition number of an edition it is priced as of, instead of the draft
     */
    record TicketRequest(List<Edit> edits, OrderFile order, Optional<Boolean> beside, Optional<Integer> edition) {
        TicketRequest {
            edition = edition == null ? Optional.empty() : edition;
            edits = Edit.given(edits);
            beside = beside == null ? Optional.empty() : beside;
        }
    }

    /**
     * The ticket.
     *
     * @param live what the same order costs under the live edition, if there is one that can price it
     * @param liveQuote that quote, if it was asked for
     * @param readings cells of the edits tried, read back
     * @param problems why there is no quote
     * @param refused why the edits tried cannot be made; the quote is then that of the draft as it stands
     * @param mended what the basket had to be changed in to be priced at all
     * @param lines the basket as it was priced
     * @param to where it goes, by its country's code
     */
    record Ticket(
            Optional<QuoteView> quote,
            Optional<BigDecimal> live,
            Optional<QuoteView> liveQuote,
            Map<String, CellText> readings,
            List<Problem> problems,
            List<Problem> refused,
            List<Message> mended,
            List<Line> lines,
            Destination to) {}

    private final Drafts drafts;
    private final Editions editions;
    private final Gateways gateways;
    private final PricingContexts circumstances;
    private final Clock clock;

    TicketController(Drafts drafts, Editions editions, Gateways gateways, PricingContexts circumstances, Clock clock) {
        this.drafts = drafts;
        this.editions = editions;
        this.gateways = gateways;
        this.circumstances = circumstances;
        this.clock = clock;
    }

    @PostMapping("/api/shops/{shop}/ticket")
    Ticket ticket(@PathVariable String shop, @RequestBody TicketRequest asked) {
        if (asked.order() == null) {
            throw new InvalidInput(
                    "order",
                    Message.of("ticket.ticket-has-no-order-to-price"),
                    Message.of("ticket.choose-basket-or-make-one"));
        }
        Order order = placed(shop, asked.order());
        if (asked.edition().isPresent()) {
            Document of = editions.of(shop, asked.edition().get()).document();
            return ticket(shop, asked, of, List.of(), order, List.of());
        }
        try {
            return ticket(shop, asked, drafts.tried(shop, asked.edits()).document(), asked.edits(), order, List.of());
        } catch (InvalidInput refused) {
            return ticket(shop, asked, drafts.of(shop).document(), List.of(), order, refused.problems());
        }
    }

    private Order placed(String shop, OrderFile asked) {
        if (asked.to() == null) {
            throw new InvalidInput(
                    "order/to",
                    Message.of("ticket.order-goes-nowhere-place-missing"),
                    Message.of("ticket.name-at-least-country"));
        }
        Destination to = new Destination(
                CountryNames.countryOr("order/to/country", asked.to().country()),
                asked.to().region(),
                asked.to().postcode());
        Instant at = asked.at() == null ? clock.instant() : asked.at();
        return asked.placed(at, gateways.states(shop)).to(to);
    }

    private Ticket ticket(
            String shop,
            TicketRequest asked,
            Document document,
            List<Edit> edits,
            Order wanted,
            List<Problem> refused) {
        BasketMending basket = BasketMending.of(document.compiled(), wanted.lines());
        Order order = basket.notes().isEmpty() ? wanted : wanted.of(basket.lines());
        boolean whole = asked.beside().orElse(false);
        Optional<Quote> liveQuote = editions.live(shop)
                .flatMap(edition -> live(shop, edition.document().compiled(), order, whole));
        Optional<BigDecimal> live = liveQuote.map(quote -> quote.payable().value());
        Optional<QuoteView> beside = liveQuote.filter(quote -> whole).map(QuoteView::of);
        Map<String, CellText> readings = DraftView.texts(document.setup(), edits);
        try {
            Quote quote = Pricing.price(document.compiled(), circumstances.around(shop, document.compiled(), order));
            return new Ticket(
                    Optional.of(QuoteView.of(quote)),
                    live,
                    beside,
                    readings,
                    List.of(),
                    refused,
                    basket.notes(),
                    basket.lines(),
                    order.to());
        } catch (InvalidInput unpriced) {
            return new Ticket(
                    Optional.empty(),
                    live,
                    beside,
                    readings,
                    unpriced.problems(),
                    refused,
                    basket.notes(),
                    basket.lines(),
                    order.to());
        }
    }

    /** What buyers pay now. @param whole with operands, or the amounts alone */
    private Optional<Quote> live(String shop, CompiledSetup edition, Order order, boolean whole) {
        try {
            Order known = circumstances.around(shop, edition, order);
            return Optional.of(whole ? Pricing.price(edition, known) : Pricing.priceUntraced(edition, known));
        } catch (InvalidInput refused) {
            return Optional.empty();
        }
    }
}
