package vestcoin.app.setup;

import java.math.BigDecimal;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import vestcoin.app.edge.Told;
import vestcoin.app.format.Json;
import vestcoin.app.link.Circumstances;
import vestcoin.app.payment.Gateways;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.DraftView.CellText;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.History;
import vestcoin.core.finding.Known;
import vestcoin.core.goods.Line;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.Point;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Refused;
import vestcoin.core.quote.BasketMending;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Outside;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.Compiled;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.Filling;
import vestcoin.core.tax.Tax;

/** The draft at the desk: reading it, changing it, trying a change on the ticket, publishing. */
@RestController
class DraftController {
    record Edited(List<Edit> edits) {
        Edited {
            edits = asked(edits);
        }
    }

    private static List<Edit> asked(List<Edit> edits) {
        return edits == null
                ? List.of()
                : edits.stream().filter(Objects::nonNull).toList();
    }

    /** An order to try, as an order file has it. Without an instant it is placed now; the gateways are as they are. */
    record Tried(
            Optional<Instant> at,
            List<Line> lines,
            Destination to,
            Optional<String> delivery,
            Optional<String> method,
            List<String> codes,
            Optional<String> group,
            Optional<History> history,
            Map<String, String> deliveries,
            Optional<LocalDateTime> slot,
            Optional<String> currency,
            Optional<Buyer> buyer,
            Optional<Point> point,
            Optional<Outside> outside) {
        Order placed(Instant now, Map<String, Gateway> gateways) {
            return new Order(
                    at == null ? now : at.orElse(now),
                    lines,
                    named(to),
                    delivery,
                    method,
                    codes,
                    group,
                    gateways,
                    or(history),
                    deliveries,
                    slot,
                    currency,
                    or(buyer),
                    point,
                    or(outside));
        }

        /** The place, its country by any name. */
        private static Destination named(Destination to) {
            if (to == null) {
                throw new Refused(
                        "order/to", "The order goes nowhere: its place is missing.", "Name at least its country.");
            }
            return new Destination(
                    CountryNames.countryOr("order/to/country", to.country()), to.region(), to.postcode());
        }

        private static <T> T or(Optional<T> given) {
            return given == null ? null : given.orElse(null);
        }
    }

    /** @param edits not yet made, such as a cell being typed in @param beside whether the live quote is wanted too */
    record TicketAsked(List<Edit> edits, Tried order, Optional<Boolean> beside) {
        TicketAsked {
            edits = asked(edits);
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
            List<String> mended,
            List<Line> lines,
            Destination to) {}

    private final Drafts drafts;
    private final Editions editions;
    private final Gateways gateways;
    private final Circumstances circumstances;
    private final Clock clock;

    DraftController(Drafts drafts, Editions editions, Gateways gateways, Circumstances circumstances, Clock clock) {
        this.drafts = drafts;
        this.editions = editions;
        this.gateways = gateways;
        this.circumstances = circumstances;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/draft")
    DraftView draft(@PathVariable String shop) {
        return view(shop, drafts.of(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/edits")
    DraftView edit(@PathVariable String shop, @RequestBody Edited edited, Principal who) {
        return view(shop, drafts.edit(shop, edited.edits(), who.getName()));
    }

    /** @param left what of the block was wrong, and was left as it is */
    record Pasted(DraftView draft, List<Problem> left) {}

    /** A block of cells: those that can be read are changed, all as one change; the others stay and are named. */
    @PostMapping("/api/shops/{shop}/draft/paste")
    Pasted paste(@PathVariable String shop, @RequestBody Edited edited, Principal who) {
        Drafts.Pasted pasted = drafts.paste(shop, edited.edits(), who.getName());
        return new Pasted(view(shop, pasted.draft()), pasted.left());
    }

    /**
     * A country as the draft has it. @param zone id of the delivery zone that holds it @param tied ids of zones that
     * hold it just as well
     */
    record Held(String country, boolean sold, Optional<String> zone, List<String> tied) {}

    /** Every country: whether the draft sells there, and which zone holds it. */
    @GetMapping("/api/shops/{shop}/draft/countries")
    List<Held> countries(@PathVariable String shop) {
        Compiled compiled = drafts.of(shop).document().compiled();
        return Countries.all().stream()
                .sorted()
                .map(code -> {
                    Destination to = Destination.of(code);
                    Optional<PlaceIndex.Match<Delivery.Zone>> match =
                            compiled.board().zoneOf(to);
                    return new Held(
                            code,
                            compiled.sellsTo().find(to).isPresent(),
                            match.map(found -> found.value().id()),
                            match.map(PlaceIndex.Match::tied).orElse(List.of()));
                })
                .toList();
    }

    /** What is usual in the shop's country. */
    record Usual(String currency, String language, Tax.Prices prices) {}

    @GetMapping("/api/shops/{shop}/draft/usual")
    Usual usual(@PathVariable String shop) {
        String country = drafts.of(shop).document().setup().shop().address().country();
        return new Usual(
                FirstAnswers.currencyOf(country), FirstAnswers.languageOf(country), FirstAnswers.pricesOf(country));
    }

    /** The draft that follows from the first questions, as one change that can be undone. */
    @PostMapping("/api/shops/{shop}/draft/begin")
    DraftView begin(@PathVariable String shop, @RequestBody FirstAnswers answers, Principal who) {
        Document before = drafts.of(shop).document();
        Document after = Document.of(answers.applied(before.setup(), clock.instant()));
        List<Edit> edits = Stream.of("shop", "goods", "delivery", "tax", "rehearsal", "pickup")
                .map(part -> new Edit(part, Edits.at(before.tree(), part), Edits.at(after.tree(), part)))
                .toList();
        return view(shop, drafts.edit(shop, edits, who.getName()));
    }

    /**
     * Adds rows of the reference to the tax book, for places sold to that it has none for; marked until they are
     * confirmed.
     */
    @PostMapping("/api/shops/{shop}/draft/tax/fill")
    DraftView fill(@PathVariable String shop, Principal who) {
        Setup setup = drafts.of(shop).document().setup();
        List<Edit> edits = Filling.of(
                        setup.tax(), setup.shop().home(), setup.shop().sellsTo())
                .stream()
                .map(row -> new Edit("tax/places/" + row.id(), Optional.empty(), Optional.of(Json.tree(row))))
                .toList();
        if (edits.isEmpty()) {
            boolean wide = setup.shop().sellsTo().stream()
                    .allMatch(place -> place instanceof Place.Group group
                            && !group.name().equals("EU")
                            && !group.name().equals("EURO"));
            throw new Told(
                    HttpStatus.CONFLICT,
                    "tax/places",
                    wide
                            ? "Nothing was filled: the shop sells to a wide group of countries, which the reference "
                                    + "does not take apart, and its own place has a row already."
                            : "Nothing was filled: every place the reference knows among those sold to has a row "
                                    + "already.",
                    wide
                            ? "Add rows for the places you are registered in; what goes elsewhere is exported."
                            : "Add a place and type its rates, if one is missing.");
        }
        return view(shop, drafts.edit(shop, edits, who.getName()));
    }

    @PostMapping("/api/shops/{shop}/draft/undo")
    DraftView undo(@PathVariable String shop) {
        return view(shop, drafts.undo(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/redo")
    DraftView redo(@PathVariable String shop) {
        return view(shop, drafts.redo(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/publish")
    DraftView publish(@PathVariable String shop, Principal who) {
        editions.publish(shop, who.getName());
        return view(shop, drafts.of(shop));
    }

    @GetMapping("/api/shops/{shop}/editions")
    List<Editions.Published> editions(@PathVariable String shop) {
        return editions.list(shop);
    }

    /** One edition as a setup file. */
    @GetMapping("/api/shops/{shop}/editions/{number}")
    ResponseEntity<JsonNode> edition(@PathVariable String shop, @PathVariable int number) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + shop + "-" + number + ".setup.json\"")
                .body(editions.of(shop, number).document().tree());
    }

    @PostMapping("/api/shops/{shop}/ticket")
    Ticket ticket(@PathVariable String shop, @RequestBody TicketAsked asked) {
        if (asked.order() == null) {
            throw new Refused("order", "The ticket has no order to price.", "Choose a basket, or make one.");
        }
        Order order = asked.order().placed(clock.instant(), gateways.states(shop));
        try {
            return ticket(shop, asked, drafts.tried(shop, asked.edits()).document(), asked.edits(), order, List.of());
        } catch (Refused refused) {
            return ticket(shop, asked, drafts.of(shop).document(), List.of(), order, refused.problems());
        }
    }

    private Ticket ticket(
            String shop, TicketAsked asked, Document document, List<Edit> edits, Order wanted, List<Problem> refused) {
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
        } catch (Refused unpriced) {
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
    private Optional<Quote> live(String shop, Compiled edition, Order order, boolean whole) {
        try {
            Order known = circumstances.around(shop, edition, order);
            return Optional.of(whole ? Pricing.price(edition, known) : Pricing.priceUntraced(edition, known));
        } catch (Refused refused) {
            return Optional.empty();
        }
    }

    private DraftView view(String shop, Drafts.Draft draft) {
        return DraftView.of(
                shop,
                draft,
                drafts.history(shop),
                editions.live(shop).map(Editions.Edition::number),
                new Known(clock.instant(), gateways.states(shop)));
    }

    @ExceptionHandler(Edits.Conflict.class)
    ResponseEntity<ProblemDetail> conflict(Edits.Conflict conflict) {
        String now = Edits.shown(conflict.edit().path(), conflict.current());
        String wanted = Edits.shown(conflict.edit().path(), conflict.edit().now());
        Told told = new Told(
                HttpStatus.CONFLICT,
                List.of(new Problem(
                        conflict.edit().path(),
                        "Somebody changed this meanwhile: it is now “" + shortened(now) + "”, you wanted “"
                                + shortened(wanted) + "”.",
                        "Look at both and type the one that is right.")),
                Map.of("current", now));
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(told.detail());
    }

    private static String shortened(String text) {
        return text.length() <= 120 ? text : text.substring(0, 120) + "…";
    }
}
