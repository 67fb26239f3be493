package vestcoin.app.run;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import vestcoin.app.access.People;
import vestcoin.app.checkout.Placing;
import vestcoin.app.checkout.Policies;
import vestcoin.app.elsewhere.Snippets;
import vestcoin.app.format.Json;
import vestcoin.app.link.Circumstances;
import vestcoin.app.link.Links;
import vestcoin.app.opening.Doors;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.pay.Wallet;

/** The demo: Tern & Tether, a made-up kite maker in Galway, with its owner, one edition and a few earlier orders. */
@Component
public class DemoShop {
    public static final String SHOP = "tern-and-tether";
    public static final String EMAIL = "owner@tern-and-tether.example";
    public static final String PASSWORD = "kites over the bay";

    private static final long VOUCHER_CENTS = 5000;

    private final People people;
    private final Drafts drafts;
    private final Editions editions;
    private final Doors doors;
    private final Gateways gateways;
    private final Links links;
    private final Circumstances circumstances;
    private final Vouchers vouchers;
    private final Placing placing;
    private final Payments payments;
    private final Snippets snippets;
    private final Clock clock;

    DemoShop(
            People people,
            Drafts drafts,
            Editions editions,
            Doors doors,
            Gateways gateways,
            Links links,
            Circumstances circumstances,
            Vouchers vouchers,
            Placing placing,
            Payments payments,
            Snippets snippets,
            Clock clock) {
        this.people = people;
        this.drafts = drafts;
        this.editions = editions;
        this.doors = doors;
        this.gateways = gateways;
        this.links = links;
        this.circumstances = circumstances;
        this.vouchers = vouchers;
        this.placing = placing;
        this.payments = payments;
        this.snippets = snippets;
        this.clock = clock;
    }

    static String welcome(int port) {
        String at = "http://127.0.0.1:" + port;
        return """

                Vest Coin, with the demo shop Tern & Tether
                  the desk            %s/desk
                  the counter         %s/counter/%s
                  simulated services  http://127.0.0.1:%d   (cards, wallet, carrier, bank, post room …; the test cards are\
                   listed there)
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
        if (!people.none()) {
            return;
        }
        drafts.create(SHOP, Document.parse(setupFile()));
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
        links.connect(SHOP, Links.Kind.CARRIER, links.candidate(Links.Kind.CARRIER, Carrier.KEY));
        vouchers.issue(SHOP, "GIFT-KITE-2026", "EUR", VOUCHER_CENTS, "test");
        Editions.Edition edition = editions.publish(SHOP, EMAIL);
        // In test mode, which no seller could open; every order says so.
        doors.open(SHOP);
        PaymentBook.Payment first = buy(
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
        PaymentBook.Payment second = buy(
                edition,
                url,
                "Jonas Beispiel",
                "jonas@buyers.example",
                "Musterweg 4",
                "Berlin",
                Destination.of("DE", "10115"),
                List.of(Line.of("box-kite", 1)),
                "tube");
        buy(
                edition,
                url,
                "Rowan Placeholder",
                "rowan@buyers.example",
                "1 Sample Street",
                "Belfast",
                Destination.of("GB", "BT1 5GS"),
                List.of(Line.of("kites-you-can-build", 2)),
                "letter");
        buy(
                edition,
                url,
                "Sam Specimen",
                "sam@buyers.example",
                "99 Example Avenue",
                "Asheville",
                new Destination("US", Optional.of("US-NC"), Optional.of("28801")),
                List.of(Line.of("printed-plans", 1), Line.of("parafoil", 1)),
                "tube");
        payments.move(first, Provider.Kind.CAPTURE, UUID.randomUUID().toString(), first.amount(), EMAIL);
        PaymentBook.Payment captured =
                payments.move(second, Provider.Kind.CAPTURE, UUID.randomUUID().toString(), second.amount(), EMAIL);
        payments.move(captured, Provider.Kind.REFUND, UUID.randomUUID().toString(), 2000, EMAIL);
    }

    /**
     * What somebody who writes about kites would paste into a page of their own: a product to choose from, an amount to
     * choose, a bundle.
     */
    public Optional<String> elsewhere() {
        return editions.live(SHOP).map(edition -> {
            Document document = edition.document();
            String forms = document.setup().goods().products().stream()
                    .filter(product -> product.id().equals("delta-kite") || product.kind() == Product.Kind.DONATION)
                    .map(product ->
                            snippets.form(SHOP, document, product, List.of()).html())
                    .collect(Collectors.joining("\n"));
            String bundles = document.setup().rehearsal().baskets().stream()
                    .limit(1)
                    .map(basket -> "<p>"
                            + snippets.bundle(SHOP, document, basket.name(), basket.lines(), List.of())
                                    .html() + "</p>")
                    .collect(Collectors.joining("\n"));
            return forms + "\n" + bundles;
        });
    }

    private PaymentBook.Payment buy(
            Editions.Edition edition,
            String url,
            String name,
            String email,
            String street,
            String city,
            Destination to,
            List<Line> lines,
            String delivery)
            throws IOException {
        Order order = circumstances.around(
                SHOP,
                edition.document().compiled(),
                new Order(
                        clock.instant(), lines, to, Optional.of(delivery), Optional.of("card"), gateways.states(SHOP)));
        QuoteView quote = edition.document().quote(order);
        if (!quote.missing().isEmpty()) {
            throw new IllegalStateException(name + ": " + quote.missing());
        }
        Orders.Order placed = placing.place(
                edition,
                UUID.randomUUID().toString(),
                order,
                quote,
                new Placing.Contact(name, email, List.of(street), city),
                new Placing.Agreed(
                        edition.document().setup().shop().language(),
                        Policies.toAgree(edition.document().setup())),
                false);
        return placing.pay(placed, token(url));
    }

    private static String token(String url) throws IOException {
        try {
            String body = "{\"number\":\"" + TestCard.APPROVED.number() + "\"}";
            HttpResponse<String> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(url + "/v1/tokens"))
                                    .header("Authorization", "Bearer " + CardProcessor.TEST_PUBLIC)
                                    .POST(HttpRequest.BodyPublishers.ofString(body))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            return Json.tree(answer.body()).path("token").asString();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        }
    }
}
