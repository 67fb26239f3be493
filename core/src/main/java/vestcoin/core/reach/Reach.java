package vestcoin.core.reach;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.rehearsal.BoardCell;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.TaxLiability;

/** {@code reach(setup, basket)}: pure; what a basket costs at every place, and where it cannot be had. */
public final class Reach {
    private Reach() {}

    /**
     * A basket at one place.
     *
     * @param zone id of the delivery zone that holds it
     * @param undecided ids of zones that hold it just as well
     * @param option id of the cheapest delivery
     * @param delivery what that costs, less what is off it
     * @param payable in the basket's currency
     * @param missing why it cannot be ordered there; empty when it can
     */
    public record Place(
            Destination to,
            Optional<String> zone,
            List<String> undecided,
            Optional<String> option,
            Optional<BigDecimal> delivery,
            Optional<BigDecimal> payable,
            List<Message> missing) {
        public boolean reached() {
            return missing.isEmpty();
        }
    }

    /**
     * A place in all that a seller asks of it.
     *
     * @param zone name of the delivery zone that holds it
     * @param by the place of the zone that it is held by, the most specific: {@code IE}, {@code EU}, {@code GB:BT}
     * @param undecided ids of zones that hold it just as well
     * @param option name of the cheapest delivery
     * @param whose whose tax it bears, and why
     * @param cell what it comes to there
     */
    public record Stop(
            Destination to,
            Optional<String> zone,
            Optional<String> by,
            List<String> undecided,
            Optional<String> option,
            List<Message> whose,
            BoardCell cell) {}

    /** The basket at each place with all that is asked of it, in the places' order. */
    public static List<Stop> stops(CompiledSetup setup, List<Order> orders) {
        return orders.stream().map(order -> stop(setup, order)).toList();
    }

    /**
     * Several sample orders at one place, as one: what they come to together, the latest day, the ways to pay that all
     * of them can use. A hole where any of them cannot be had, with how many cannot and why the first does not.
     *
     * @param each of the same place and in the same currency, at least one
     */
    public static Stop together(List<Stop> each) {
        Stop first = each.get(0);
        if (each.size() == 1) {
            return first;
        }
        List<BoardCell> cells = each.stream().map(Stop::cell).toList();
        List<Message> holes =
                cells.stream().flatMap(cell -> cell.hole().stream()).toList();
        List<String> ways = new ArrayList<>(cells.get(0).ways());
        cells.forEach(cell -> ways.retainAll(cell.ways()));
        List<Optional<String>> options =
                each.stream().map(Stop::option).distinct().toList();
        return new Stop(
                first.to(),
                first.zone(),
                first.by(),
                first.undecided(),
                options.size() == 1 ? options.get(0) : Optional.empty(),
                each.stream().flatMap(stop -> stop.whose().stream()).distinct().toList(),
                new BoardCell(
                        sum(cells, BoardCell::toPay),
                        sum(cells, BoardCell::delivery),
                        sum(cells, BoardCell::tax),
                        Optional.empty(),
                        cells.stream().flatMap(cell -> cell.days().stream()).max(Comparator.naturalOrder()),
                        sum(cells, BoardCell::keep),
                        ways,
                        cells.stream().anyMatch(BoardCell::standsIn),
                        holes.stream()
                                .findFirst()
                                .map(why -> Message.of(
                                        "rehearsal.some-cannot-be-had",
                                        "holes",
                                        holes.size(),
                                        "orders",
                                        each.size(),
                                        "why",
                                        why))));
    }

    private static Optional<BigDecimal> sum(List<BoardCell> cells, Function<BoardCell, Optional<BigDecimal>> figure) {
        return cells.stream().flatMap(cell -> figure.apply(cell).stream()).reduce(BigDecimal::add);
    }

    private static Stop stop(CompiledSetup setup, Order order) {
        Optional<Match<Delivery.Zone>> match = setup.board().zoneOf(order.to());
        Optional<Quote> quote = quote(setup, order);
        return new Stop(
                order.to(),
                match.map(found -> found.value().name()),
                match.map(found -> found.by().text()),
                match.map(Match::tied).orElse(List.of()),
                quote.flatMap(Quote::chosen).map(offer -> offer.option().name()),
                quote.map(priced -> priced.treatments().stream()
                                .map(TaxLiability::sentence)
                                .toList())
                        .orElse(List.of()),
                BoardCell.of(setup, order));
    }

    private static Optional<Quote> quote(CompiledSetup setup, Order order) {
        try {
            return Optional.of(Pricing.priceUntraced(setup, order));
        } catch (InvalidInput refused) {
            return Optional.empty();
        }
    }

    /** The basket at each place, in the places' order. Places where it cannot be priced say why. */
    public static List<Place> of(CompiledSetup setup, Order basket, List<Destination> places) {
        List<Place> reached = new ArrayList<>(places.size());
        for (Destination to : places) {
            reached.add(at(setup, basket.to(to)));
        }
        return reached;
    }

    private static Place at(CompiledSetup setup, Order order) {
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            return new Place(
                    order.to(),
                    quote.zone().map(zone -> zone.id()),
                    quote.undecided(),
                    quote.chosen().map(offer -> offer.option().id()),
                    quote.sent().price().map(price -> price.value()),
                    Optional.of(quote.payable().value()),
                    quote.missing());
        } catch (InvalidInput refused) {
            return new Place(
                    order.to(),
                    Optional.empty(),
                    List.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    refused.problems().stream().map(Problem::sentence).toList());
        }
    }
}
