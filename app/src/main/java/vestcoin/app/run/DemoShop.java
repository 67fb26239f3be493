package vestcoin.app.run;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import vestcoin.app.access.People;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.service.ServiceConnections;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.Wallet;

/** The demo: Tern & Tether, a made-up kite maker in Galway, with its owner, one edition and a few earlier orders. */
@Component
public class DemoShop {
    public static final String SHOP = "tern-and-tether";
    public static final String EMAIL = "owner@tern-and-tether.example";
    public static final String PASSWORD = "kites over the bay";

    private static final long REFUNDED_CENTS = 2000;

    private final People people;
    private final Drafts drafts;
    private final Editions editions;
    private final ShopOpenings doors;
    private final Gateways gateways;
    private final ServiceConnections links;
    private final DemoGoods goods;
    private final DemoOrders orders;

    DemoShop(
            People people,
            Drafts drafts,
            Editions editions,
            ShopOpenings doors,
            Gateways gateways,
            ServiceConnections links,
            DemoGoods goods,
            DemoOrders orders) {
        this.people = people;
        this.drafts = drafts;
        this.editions = editions;
        this.doors = doors;
        this.gateways = gateways;
        this.links = links;
        this.goods = goods;
        this.orders = orders;
    }

    static String welcome(int port) {
        String at = "http://127.0.0.1:" + port;
        return """

                Vest Coin, with the demo shop Tern & Tether
                  the desk            %s/desk
                  the counter         %s/counter/%s
                  simulated services  http://127.0.0.1:%d   (cards, wallet, carrier, bank, post …, and the test cards)
                  sign in with        %s   %s
                Ends with Ctrl+C.""".formatted(at, at, SHOP, port + 1, EMAIL, PASSWORD);
    }

    /** The setup file the demo begins with, the one in docs/formats/examples. */
    public static String setupFile() {
        try (var in = Objects.requireNonNull(DemoShop.class.getResourceAsStream("/demo/tern-and-tether.setup.json"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Loads the demo into an installation that has nobody yet. */
    public void loadIfEmpty() throws IOException {
        loadIfEmpty(edition -> {});
    }

    /** The same with two years of earlier orders, put in beside. */
    void loadWithPastIfEmpty() throws IOException {
        loadIfEmpty(orders::putEarlier);
    }

    private void loadIfEmpty(Consumer<Editions.Edition> earlier) throws IOException {
        if (!people.none()) {
            return;
        }
        drafts.create(SHOP, goods.setup());
        people.letIn(people.add(EMAIL, PASSWORD), SHOP);
        String url = gateways.connect(
                        SHOP,
                        "cards",
                        new Gateways.Keys(
                                Gateways.With.CARDS,
                                Optional.of("test"),
                                CardProcessor.TEST_PUBLIC,
                                CardProcessor.TEST_SECRET,
                                "TERN & TETHER"))
                .url();
        gateways.connect(
                SHOP,
                "purse",
                new Gateways.Keys(
                        Gateways.With.WALLET, Optional.of("test"), Wallet.TEST_PUBLIC, Wallet.TEST_SECRET, ""));
        links.connect(
                SHOP, ServiceConnections.Kind.CARRIER, links.candidate(ServiceConnections.Kind.CARRIER, Carrier.KEY));
        goods.put();
        Editions.Edition edition = editions.publish(SHOP, EMAIL);
        // In test mode, which no seller could open; every order says so.
        doors.open(SHOP);
        earlier.accept(edition);
        orders.letPayLater("rowan@buyers.example", new BigDecimal("200.00"));
        PaymentBook.Payment first = orders.buy(
                edition,
                url,
                "Aoife Ní Mháille",
                "aoife@buyers.example",
                "12 Example Quay",
                "Cork",
                Destination.of("IE", "T12 X2A0"),
                List.of(
                        new Line("delta-kite", BigDecimal.ONE, Map.of("size", "large")),
                        Line.of("kites-you-can-build", 1)),
                "tube");
        PaymentBook.Payment second = orders.buy(
                edition,
                url,
                "Jonas Beispiel",
                "jonas@buyers.example",
                "Musterweg 4",
                "Berlin",
                Destination.of("DE", "10115"),
                List.of(Line.of("box-kite", 1)),
                "tube");
        orders.buy(
                edition,
                url,
                "Rowan Placeholder",
                "rowan@buyers.example",
                "1 Sample Street",
                "Belfast",
                Destination.of("GB", "BT1 5GS"),
                List.of(Line.of("kites-you-can-build", 2)),
                "letter");
        orders.buy(
                edition,
                url,
                "Sam Specimen",
                "sam@buyers.example",
                "99 Example Avenue",
                "Asheville",
                new Destination("US", Optional.of("US-NC"), Optional.of("28801")),
                List.of(Line.of("printed-plans", 1), Line.of("parafoil", 1)),
                "tube");
        orders.capture(first);
        PaymentBook.Payment captured = orders.capture(second);
        orders.refund(captured, REFUNDED_CENTS);
    }
}
