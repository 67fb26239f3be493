package vestcoin.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.EarlierOrders;
import vestcoin.app.order.NewOrder;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.paper.Issuing;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.sample.PlausibleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;

/**
 * Two years of orders of the demo's made-up buyers, so that what changes, the board and the report have something to
 * say. They are put in beside, so the demo starts as fast as without them; the same setup gives the same orders.
 */
@Component
class DemoPast {
    private static final Logger LOG = LoggerFactory.getLogger(DemoPast.class);
    private static final int ORDERS = 3000;
    private static final int FIRST = 1001;
    private static final int AT_ONCE = 150;
    private static final long SEED = 20;
    private static final Duration SPAN = Duration.ofDays(730);

    /** Made up, but for the routing keys they begin with. */
    private static final List<String> POSTCODES = List.of(
            "D02 X2A0", "T12 X2A1", "V94 X2A2", "D08 X2A3", "F91 X2A4", "X91 X2A5", "A96 X2A6", "H91 X2A7", "P31 X2A8");

    private final EarlierOrders earlier;
    private final PricingContexts contexts;
    private final Issuing papers;
    private final Clock clock;

    DemoPast(EarlierOrders earlier, PricingContexts contexts, Issuing papers, Clock clock) {
        this.earlier = earlier;
        this.contexts = contexts;
        this.papers = papers;
        this.clock = clock;
    }

    /** Puts in the latest of them, so that what is ordered from now on has higher numbers, and the others beside. */
    void put(Editions.Edition edition) {
        Instant to = clock.instant().minus(Duration.ofHours(1));
        PlausibleOrders drawn = new PlausibleOrders(edition.document().compiled(), SEED, to.minus(SPAN), SPAN);
        int last = FIRST + ORDERS - 1;
        Order latest = some(edition, drawn, 1).get(0).placed(to);
        List<EarlierOrders.EnteredOrder> entered =
                earlier.take(edition.shop(), edition.number(), List.of(earlier(edition, latest, last)));
        Thread beside = new Thread(() -> others(edition, drawn, entered), "earlier orders");
        beside.setDaemon(true);
        beside.start();
    }

    /** Their papers, on the day each was placed. */
    private void paper(List<EarlierOrders.EnteredOrder> entered) {
        entered.forEach(each -> papers.earlier(each.id(), each.at()));
    }

    /** @param latest the one that is there, whose papers come last */
    private void others(Editions.Edition edition, PlausibleOrders drawn, List<EarlierOrders.EnteredOrder> latest) {
        try {
            List<Order> others = some(edition, drawn, ORDERS - 1);
            others.sort(Comparator.comparing(Order::at));
            for (int from = 0; from < others.size(); from += AT_ONCE) {
                List<EarlierOrders.EarlierOrder> taken = new ArrayList<>();
                for (int at = from; at < Math.min(others.size(), from + AT_ONCE); at++) {
                    taken.add(earlier(edition, others.get(at), FIRST + at));
                }
                paper(earlier.take(edition.shop(), edition.number(), taken));
            }
            paper(latest);
        } catch (RuntimeException e) {
            // The shop was closed meanwhile: what is there is enough to look at.
            LOG.info("not all of the earlier orders were put in: {}", e.toString());
        }
    }

    /** So many orders that can be had and cost something. */
    private List<Order> some(Editions.Edition edition, PlausibleOrders drawn, int many) {
        PricingContexts.Trial trial = new PricingContexts.Trial(contexts.rates(), Sales.NONE);
        List<Order> had = new ArrayList<>();
        while (had.size() < many) {
            Order next = elsewhere(drawn.next(), edition.document().compiled().home(), had.size());
            Order order = trial.around(next);
            Quote quote = Pricing.priceUntraced(edition.document().compiled(), order);
            if (quote.missing().isEmpty() && quote.payable().value().signum() > 0) {
                had.add(sent(order, quote, edition.document().compiled(), had.size()));
            }
        }
        return had;
    }

    /** Four in five are sent, by what is cheapest; the others are collected where that is cheaper still. */
    private static Order sent(Order order, Quote quote, CompiledSetup setup, int turn) {
        return quote.offers().stream()
                .filter(offer -> turn % 5 > 0 && offer instanceof Offer.Available)
                .map(offer -> offer.option().id())
                .filter(setup.board()::carries)
                .findFirst()
                .map(order::withDelivery)
                .orElse(order);
    }

    /** Of what goes home three in four go elsewhere in the country. */
    private static Order elsewhere(Order order, Destination home, int turn) {
        return order.to().equals(home) && turn % 4 > 0
                ? order.to(Destination.of(home.country(), POSTCODES.get(turn % POSTCODES.size())))
                : order;
    }

    private static EarlierOrders.EarlierOrder earlier(Editions.Edition edition, Order order, int number) {
        QuoteView quote = edition.document().quote(order);
        long payable = Placing.minor(quote.toPay().value(), quote.currency());
        boolean leaves = quote.lines().stream()
                .flatMap(line -> edition.document().compiled().shelf().find(line.product()).stream())
                .anyMatch(Product::leaves);
        return new EarlierOrders.EarlierOrder(
                number,
                order.at(),
                new NewOrder.PricedDocument(
                        Json.write(OrderFile.of(order)),
                        Json.write(quote.kept(order.slot())),
                        quote.currency(),
                        payable,
                        order.method().orElse(""),
                        Placing.way(quote),
                        leaves),
                new NewOrder.Customer(
                        "buyer-" + number + "@buyers.example",
                        "Buyer " + number,
                        order.to().country(),
                        Json.write(new Orders.Address(
                                List.of(number % 90 + 1 + " Example Street"),
                                "Sampletown",
                                order.to().postcode().orElse(""),
                                order.to().region(),
                                order.to().country())),
                        edition.document().setup().shop().language(),
                        "{}",
                        "{}",
                        Placing.taxNumber(order),
                        ""),
                payable);
    }
}
