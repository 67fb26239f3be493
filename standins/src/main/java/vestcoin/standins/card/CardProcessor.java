package vestcoin.standins.card;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;

/** The simulated card processor, on loopback. */
public final class CardProcessor implements AutoCloseable {
    /** Keys of the account that is open from the start, in test mode. */
    public static final String TEST_SECRET = "secret-test-7d1c0a52e94b4f0d9a61";
    public static final String TEST_PUBLIC = "public-test-2b8e6f13c7a940d5b3f8";

    private static final Logger LOG = LoggerFactory.getLogger(CardProcessor.class);
    private static final JsonMapper JSON = new JsonMapper();

    private final Book book;
    private final Webhooks webhooks = new Webhooks();
    private final HttpServer server;
    private final ExecutorService threads = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "card-processor");
        thread.setDaemon(true);
        return thread;
    });
    private volatile boolean outage;
    private volatile long delayMillis;

    private CardProcessor(Book book, HttpServer server) {
        this.book = book;
        this.server = server;
    }

    /** @param port 0 for any free one @param file of the processor's own book */
    public static CardProcessor start(int port, Path file) throws IOException {
        Book book = Book.at(file);
        book.open(new Book.Account("workbench", "test", TEST_SECRET, TEST_PUBLIC, true, "", "hook-" + UUID.randomUUID()));
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        CardProcessor processor = new CardProcessor(book, server);
        server.createContext("/", processor::handle);
        server.setExecutor(processor.threads);
        server.start();
        return processor;
    }

    public String url() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    /** Switches an outage on or off: every call from shops answers 503. */
    public void outage(boolean on) {
        outage = on;
    }

    /** What the book holds for the payment a shop began with this key, as {@code state captured refunded}; for checks. */
    public Optional<String> bookOf(String idempotencyKey) {
        return book.byKey("workbench", idempotencyKey).map(payment -> payment.state() + " " + payment.captured() + " " + payment.refunded());
    }

    private void handle(HttpExchange http) {
        Exchange exchange = new Exchange(http);
        try {
            if (delayMillis > 0 && exchange.path().startsWith("/v1/")) {
                Thread.sleep(delayMillis);
            }
            route(exchange);
        } catch (Refusal refusal) {
            refuse(exchange, refusal.status(), refusal.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException e) {
            LOG.warn("card processor stand-in: {}", e.toString());
            refuse(exchange, 500, "The simulated processor failed.");
        }
    }

    private static void refuse(Exchange exchange, int status, String message) {
        try {
            exchange.answer(status, Map.of("error", message));
        } catch (IOException e) {
            LOG.debug("the caller has gone", e);
        }
    }

    private void route(Exchange exchange) throws IOException {
        String[] path = exchange.path().split("/");
        String call = exchange.method() + " " + (path.length > 2 ? path[1] + "/" + path[2] : path.length > 1 ? path[1] : "");
        if (outage && exchange.path().startsWith("/v1/")) {
            throw new Refusal(503, "The simulated processor is out of order.");
        }
        switch (call) {
            case "GET " -> exchange.page(Pages.control(book, outage, delayMillis));
            case "POST control" -> control(exchange);
            case "OPTIONS v1/tokens" -> {
                exchange.openToAllOrigins();
                exchange.empty(204);
            }
            case "POST v1/tokens" -> token(exchange);
            case "GET v1/account" -> account(exchange);
            case "POST v1/webhook" -> {
                Book.Account account = shop(exchange);
                book.webhook(account.id(), exchange.json().path("url").asString(""));
                exchange.answer(200, Map.of("secret", account.webhookSecret()));
            }
            case "POST v1/payments" -> {
                if (path.length == 5) {
                    move(exchange, path[3], path[4]);
                } else {
                    begin(exchange);
                }
            }
            case "GET v1/payments" -> find(exchange);
            default -> challenge(exchange, path);
        }
    }

    private void control(Exchange exchange) throws IOException {
        Map<String, String> form = exchange.form();
        outage = form.containsKey("outage");
        delayMillis = Math.min(Long.parseLong(form.getOrDefault("delay", "0").replaceAll("\\D", "0")), 30_000);
        for (Book.Account account : book.accounts()) {
            book.approve(account.id(), form.containsKey("approved-" + account.id()));
        }
        exchange.redirect("/");
    }

    private Book.Account shop(Exchange exchange) {
        return book.bySecret(exchange.bearer()).orElseThrow(() -> new Refusal(401, "No account has this secret key."));
    }

    private void account(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        exchange.answer(200, Map.of("id", account.id(), "mode", account.mode(), "approved", account.approved(), "publicKey", account.publicKey()));
    }

    /** The only place a card number comes to, straight from the buyer's page. */
    private void token(Exchange exchange) throws IOException {
        exchange.openToAllOrigins();
        Book.Account account = book.byPublic(exchange.bearer()).orElseThrow(() -> new Refusal(401, "No account has this publishable key."));
        String number = exchange.json().path("number").asString("").replaceAll("[\\s-]", "");
        if (!number.matches("\\d{12,19}") || !TestCard.luhn(number)) {
            throw new Refusal(422, "This is not a card number. Check the digits.");
        }
        TestCard card = TestCard.of(number).orElseThrow(() -> new Refusal(422, "This simulation knows only its test cards."));
        String id = "token-" + UUID.randomUUID();
        book.token(id, account.id(), card);
        exchange.answer(201, Map.of("token", id, "lastFour", number.substring(number.length() - 4)));
    }

    private void begin(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        if (!account.approved()) {
            throw new Refusal(403, "The account waits for approval.");
        }
        String key = exchange.header("Idempotency-Key").orElseThrow(() -> new Refusal(400, "An idempotency key is needed."));
        Optional<Book.Payment> before = book.byKey(account.id(), key);
        if (before.isPresent()) {
            answer(exchange, before.get());
            return;
        }
        JsonNode asked = exchange.json();
        TestCard card = book.use(asked.path("token").asString(""), account.id()).orElseThrow(() -> new Refusal(422, "The token is unknown or was used."));
        String state = switch (card) {
            case APPROVED -> "authorised";
            case ASKED_AND_PASSED, ASKED_AND_FAILED -> "needs-buyer";
            case SILENT -> "pending";
            default -> "declined";
        };
        Book.Payment payment = book.begin(new Book.Payment("payment-" + UUID.randomUUID(), account.id(), key, asked.path("reference").asString(""),
                asked.path("currency").asString(""), asked.path("amount").asLong(0), state, state.equals("declined") ? card.outcome() : "",
                card.name(), asked.path("returnUrl").asString(""), 0, 0));
        tell(payment);
        if (card == TestCard.SILENT) {
            throw new Refusal(504, "The bank has not answered yet.");
        }
        answer(exchange, payment);
    }

    private void find(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        String key = exchange.query("key").orElse("");
        answer(exchange, book.byKey(account.id(), key).orElseThrow(() -> new Refusal(404, "No payment has this key.")));
    }

    private void move(Exchange exchange, String id, String kind) throws IOException {
        Book.Account account = shop(exchange);
        book.payment(id).filter(payment -> payment.account().equals(account.id())).orElseThrow(() -> new Refusal(404, "There is no such payment."));
        String key = exchange.header("Idempotency-Key").orElseThrow(() -> new Refusal(400, "An idempotency key is needed."));
        long amount = exchange.json().path("amount").asLong(0);
        if (!List.of("capture", "refund", "void").contains(kind) || amount < 0 || amount == 0 && !kind.equals("void")) {
            throw new Refusal(422, "The amount has to be above zero.");
        }
        if (!book.move(id, kind, key, amount)) {
            throw new Refusal(409, "The payment does not allow this " + kind + ".");
        }
        Book.Payment after = book.payment(id).orElseThrow();
        tell(after);
        answer(exchange, after);
    }

    /** The page the bank shows the buyer, and what the buyer answers there. */
    private void challenge(Exchange exchange, String[] path) throws IOException {
        if (path.length < 3 || !path[1].equals("challenge")) {
            throw new Refusal(404, "There is nothing here.");
        }
        Book.Payment payment = book.payment(path[2]).orElseThrow(() -> new Refusal(404, "There is no such payment."));
        if (exchange.method().equals("GET")) {
            exchange.page(Pages.challenge(payment));
            return;
        }
        boolean passes = exchange.form().getOrDefault("answer", "").equals("yes") && payment.card().equals(TestCard.ASKED_AND_PASSED.name());
        if (book.answer(payment.id(), "needs-buyer", passes ? "authorised" : "declined", passes ? "" : "the bank could not confirm the buyer")) {
            tell(book.payment(payment.id()).orElseThrow());
        }
        exchange.redirect(payment.returnUrl());
    }

    private void tell(Book.Payment payment) {
        Book.Account account = book.account(payment.account()).orElseThrow();
        webhooks.send(account.webhookUrl(), account.webhookSecret(),
                JSON.writeValueAsString(Map.of("event", "event-" + UUID.randomUUID(), "payment", view(payment))));
    }

    private void answer(Exchange exchange, Book.Payment payment) throws IOException {
        exchange.answer(200, view(payment));
    }

    private Map<String, Object> view(Book.Payment payment) {
        return Map.of("id", payment.id(), "key", payment.idempotencyKey(), "reference", payment.reference(), "state", payment.state(), "reason", payment.reason(),
                "amount", payment.amount(), "currency", payment.currency(), "captured", payment.captured(), "refunded", payment.refunded(),
                "action", payment.state().equals("needs-buyer") ? url() + "/challenge/" + payment.id() : "");
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
        webhooks.close();
        book.close();
    }
}
