package vestcoin.app.rehearsal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.OrderList;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.CountryNames;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Capitals;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.reach.SoldPlaces;
import vestcoin.core.rehearsal.BoardCell;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.rehearsal.ZonePlaces;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** The board: sample orders down, places across, what each comes to in the draft and live. */
@RestController
class BoardController {
    static final int MOST_BASKETS = 200;
    static final int MOST_PLACES = 50;

    /** @param baskets ids of those asked for; all of them without any @param places where each goes */
    record BoardRequest(List<String> baskets, List<Destination> places) {
        BoardRequest {
            baskets = baskets == null ? List.of() : baskets;
            places = places == null ? List.of() : places;
        }
    }

    /**
     * A cell of the draft.
     *
     * @param live the same now live, where any figure of it differs
     */
    record Cell(BoardCell now, Optional<BoardCell> live) {}

    /** @param currency of its amounts */
    record Row(String basket, String currency, List<Cell> cells) {}

    /** @param at the instant of those that name none @param places as they were understood */
    record Board(Instant at, List<Destination> places, List<Row> rows) {}

    /** A pinned figure that is another in the draft. @param now what it is; nothing where it cannot be had */
    record MovedPinView(String pin, Message sentence, Optional<String> now) {}

    private final Drafts drafts;
    private final Editions editions;
    private final Gateways gateways;
    private final PricingContexts circumstances;
    private final OrderList orders;
    private final Clock clock;

    BoardController(
            Drafts drafts,
            Editions editions,
            Gateways gateways,
            PricingContexts circumstances,
            OrderList orders,
            Clock clock) {
        this.drafts = drafts;
        this.editions = editions;
        this.gateways = gateways;
        this.circumstances = circumstances;
        this.orders = orders;
        this.clock = clock;
    }

    /** What sample orders come to. It asks nobody outside: of a carrier its typed rate holds. */
    @PostMapping("/api/shops/{shop}/board")
    Board board(@PathVariable String shop, @RequestBody BoardRequest asked) {
        Document document = drafts.of(shop).document();
        CompiledSetup draft = document.compiled();
        // Where nothing was changed nothing differs.
        Optional<CompiledSetup> live = editions.live(shop)
                .filter(edition -> !edition.hash().equals(document.hash()))
                .map(edition -> edition.document().compiled());
        if (asked.places().size() > MOST_PLACES || asked.baskets().size() > MOST_BASKETS) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "places",
                    Message.of("rehearsal.board-holds-at-most", "baskets", MOST_BASKETS, "places", MOST_PLACES),
                    Message.of("rehearsal.ask-for-fewer"));
        }
        List<Destination> places = asked.places().stream()
                .map(to -> CountryNames.destination("places", to))
                .toList();
        Instant at = clock.instant();
        Map<String, Gateway> states = gateways.states(shop);
        PricingContexts.Trial trial = circumstances.trial(shop, draft, at);
        List<Row> rows = draft.setup().rehearsal().baskets().stream()
                .filter(basket -> asked.baskets().isEmpty() || asked.baskets().contains(basket.id()))
                .limit(MOST_BASKETS)
                .parallel()
                .map(basket -> row(draft, live, basket, places, new Around(at, states, trial)))
                .toList();
        return new Board(at, places, rows);
    }

    /**
     * The same as CSV.
     *
     * @param place country, region and postcode with semicolons between them, of each place
     */
    @GetMapping(path = "/api/shops/{shop}/board.csv", produces = "text/csv")
    ResponseEntity<byte[]> file(@PathVariable String shop, @RequestParam List<String> place) throws IOException {
        List<Destination> places = place.stream()
                .map(written -> written.split(";", -1))
                .map(part -> new Destination(
                        part[0],
                        Optional.ofNullable(part.length > 1 ? part[1] : null),
                        Optional.ofNullable(part.length > 2 ? part[2] : null)))
                .toList();
        Board board = board(shop, new BoardRequest(List.of(), places));
        ByteArrayOutputStream csv = new ByteArrayOutputStream();
        BoardCsv.write(
                board,
                drafts.of(shop).document().setup().rehearsal().baskets().stream()
                        .collect(Collectors.toMap(SampleOrder::id, SampleOrder::name)),
                csv);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-board.csv\"")
                .body(csv.toByteArray());
    }

    /** What is known around every order of the board. */
    private record Around(Instant at, Map<String, Gateway> states, PricingContexts.Trial trial) {
        Order order(SampleOrder basket, Destination to) {
            return trial.around(SampleOrders.at(basket, to, at, states));
        }
    }

    private static Row row(
            CompiledSetup draft,
            Optional<CompiledSetup> live,
            SampleOrder basket,
            List<Destination> places,
            Around around) {
        List<Cell> cells = new ArrayList<>(places.size());
        for (Destination to : places) {
            Order order = around.order(basket, to);
            BoardCell now = BoardCell.of(draft, order);
            cells.add(new Cell(
                    now, live.map(edition -> BoardCell.of(edition, order)).filter(was -> !was.equals(now))));
        }
        return new Row(
                basket.id(),
                basket.order().currency().orElse(draft.setup().shop().currency()),
                cells);
    }

    /**
     * Places to try: one of each zone, the capital of every country sold to, or those the latest orders went to.
     *
     * @param of {@code zones}, {@code countries} or {@code orders}
     */
    @GetMapping("/api/shops/{shop}/board/places")
    List<Destination> places(@PathVariable String shop, @RequestParam String of) {
        if (of.equals("orders")) {
            return orders.latestPlaces(shop, MOST_PLACES);
        }
        CompiledSetup draft = drafts.of(shop).document().compiled();
        if (of.equals("countries")) {
            return SoldPlaces.of(draft).stream()
                    .filter(to -> to.region().isEmpty() && to.postcode().isEmpty())
                    .map(country -> Capitals.of(country.country())
                            .filter(capital -> draft.sellsTo().find(capital).isPresent())
                            .orElse(country))
                    .limit(MOST_PLACES)
                    .toList();
        }
        return ZonePlaces.of(draft).stream().limit(MOST_PLACES).toList();
    }

    /** The pinned figures that the draft moves. */
    @GetMapping("/api/shops/{shop}/board/moved")
    List<MovedPinView> moved(@PathVariable String shop) {
        return Pins.moved(drafts.of(shop).document().compiled()).stream()
                .map(moved -> new MovedPinView(moved.pin().id(), moved.sentence(), moved.now()))
                .toList();
    }
}
