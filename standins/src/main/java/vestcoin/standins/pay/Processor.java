package vestcoin.standins.pay;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Joining;
import vestcoin.standins.shared.Service;

/**
 * What simulated providers of payments share: accounts and their approval, payments, captures, refunds, voids, signed
 * webhooks.
 */
abstract class Processor extends Service {
    private static final int STATEMENT_LEAST = 5;
    private static final int STATEMENT_MOST = 22;
    private static final JsonMapper JSON = new JsonMapper();

    final Book book;
    private final Joining joining;
    private final Webhooks webhooks = new Webhooks();
    private final Map<String, Instant> waiting = new ConcurrentHashMap<>();
    private volatile Optional<Duration> approvalTime = Optional.empty();

    /** @param file of its own book */
    Processor(String id, String name, Path file, Clock clock) {
        super(id, name);
        this.book = Book.at(file, clock);
        Map<String, String> accounts = new LinkedHashMap<>();
        accounts.put("test", "One for practice, where no money moves");
        accounts.put("live", "One for real money, which waits for approval");
        this.joining = new Joining(name, accounts, this::opened);
    }

    /** An account of its own for a shop that joins. */
    private Map<String, String> opened(String mode) {
        String key = UUID.randomUUID().toString().replace("-", "").substring(12);
        Book.Account account = new Book.Account(
                "account-" + key.substring(0, 6),
                mode,
                "secret-" + mode + "-" + key,
                "public-" + mode + "-"
                        + UUID.randomUUID().toString().replace("-", "").substring(12),
                mode.equals("test"),
                "",
                "hook-" + UUID.randomUUID());
        book.open(account);
        return Map.of("publicKey", account.publicKey(), "secretKey", account.secretKey());
    }

    /** How a payment begins. @param silent whether the shop gets no answer */
    record Start(String state, String reason, String means, String keptCard, boolean silent) {
        Start(String state, String reason, String means, boolean silent) {
            this(state, reason, means, "", silent);
        }
    }

    /** @throws Refusal if it cannot begin at all */
    abstract Start start(JsonNode asked, Book.Account account);

    /** The page a buyer is sent to. */
    abstract String question(Book.Payment payment);

    /** Why the buyer's answer ends the payment; empty when it goes on. */
    abstract String reasonOf(String answer, Book.Payment payment);

    /** Where the card of a payment was issued, empty where that is not told. */
    abstract String issuedIn(Book.Payment payment);

    /** What is kept of an amount taken, in minor units. */
    abstract long fee(Book.Payment payment, long amount);

    /** So many thousandths of an amount, rounded half up. */
    static long share(long amount, int thousandths) {
        return (amount * thousandths + 500) / 1000;
    }

    /** How often the book holds a payment that went through for what a shop calls so; for checks. */
    public long timesPaid(String reference) {
        return book.timesPaid(reference);
    }

    /**
     * What the book holds for the payment a shop began with this key, as {@code state captured refunded}; for checks.
     */
    public Optional<String> bookOf(String idempotencyKey) {
        return book.accounts().stream()
                .flatMap(account -> book.byKey(account.id(), idempotencyKey).stream())
                .findFirst()
                .map(payment -> payment.state() + " " + payment.captured() + " " + payment.refunded());
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (joining.answered(exchange)) {
            return;
        }
        String[] path = exchange.path().split("/");
        String call = exchange.method() + " " + (path.length > 2 ? path[1] + "/" + path[2] : "");
        switch (call) {
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
            case "GET v1/payouts" ->
                exchange.answer(
                        200,
                        Map.of(
                                "payouts",
                                book.payouts(
                                        shop(exchange).id(),
                                        exchange.query("after").orElse(""),
                                        this::fee)));
            case "POST " -> dispute(exchange);
            default -> asked(exchange, path);
        }
    }

    final Book.Account shop(Exchange exchange) {
        return book.bySecret(exchange.bearer()).orElseThrow(() -> new Refusal(401, "No account has this secret key."));
    }

    private void account(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        Instant since = waiting.computeIfAbsent(account.id(), id -> Instant.now());
        if (!account.approved()
                && approvalTime
                        .filter(time -> since.plus(time).isBefore(Instant.now()))
                        .isPresent()) {
            book.approve(account.id(), true);
        }
        exchange.answer(
                200,
                Map.of(
                        "id",
                        account.id(),
                        "mode",
                        account.mode(),
                        "approved",
                        book.account(account.id()).orElseThrow().approved(),
                        "publicKey",
                        account.publicKey(),
                        "statement",
                        Map.of("least", STATEMENT_LEAST, "most", STATEMENT_MOST)));
    }

    private void begin(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        if (!account.approved()) {
            throw new Refusal(403, "The account waits for approval.");
        }
        String key =
                exchange.header("Idempotency-Key").orElseThrow(() -> new Refusal(400, "An idempotency key is needed."));
        Optional<Book.Payment> before = book.byKey(account.id(), key);
        if (before.isPresent()) {
            answer(exchange, before.get());
            return;
        }
        JsonNode asked = exchange.json();
        Start start = start(asked, account);
        Book.Payment payment = book.begin(new Book.Payment(
                "payment-" + UUID.randomUUID(),
                account.id(),
                key,
                asked.path("reference").asString(""),
                asked.path("currency").asString(""),
                asked.path("amount").asLong(0),
                start.state(),
                start.reason(),
                start.means(),
                statement(asked),
                asked.path("returnUrl").asString(""),
                start.keptCard(),
                0,
                0,
                1,
                null));
        tell(payment);
        if (start.silent()) {
            throw new Refusal(504, "The bank has not answered yet.");
        }
        answer(exchange, payment);
    }

    private static String statement(JsonNode asked) {
        String statement = asked.path("statement").asString("");
        if (statement.length() > STATEMENT_MOST) {
            throw new Refusal(422, "The statement text has more than " + STATEMENT_MOST + " characters.");
        }
        return statement;
    }

    private void find(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        String key = exchange.query("key").orElse("");
        answer(exchange, book.byKey(account.id(), key).orElseThrow(() -> new Refusal(404, "No payment has this key.")));
    }

    private void move(Exchange exchange, String id, String kind) throws IOException {
        Book.Account account = shop(exchange);
        book.payment(id)
                .filter(payment -> payment.account().equals(account.id()))
                .orElseThrow(() -> new Refusal(404, "There is no such payment."));
        String key =
                exchange.header("Idempotency-Key").orElseThrow(() -> new Refusal(400, "An idempotency key is needed."));
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

    /** The page the buyer is asked on, and what the buyer answers there. */
    private void asked(Exchange exchange, String[] path) throws IOException {
        if (path.length < 3 || !path[1].equals("ask")) {
            throw new Refusal(404, "There is nothing here.");
        }
        Book.Payment payment = book.payment(path[2]).orElseThrow(() -> new Refusal(404, "There is no such payment."));
        if (exchange.method().equals("GET")) {
            exchange.page(question(payment));
            return;
        }
        String reason = reasonOf(exchange.form().getOrDefault("answer", ""), payment);
        if (book.answer(payment.id(), "needs-buyer", reason.isEmpty() ? "authorised" : "declined", reason)) {
            tell(book.payment(payment.id()).orElseThrow());
        }
        exchange.redirect(payment.returnUrl());
    }

    /** The buyer disputes a payment at the bank, or a dispute ends. */
    private void dispute(Exchange exchange) throws IOException {
        String[] asked = exchange.form().getOrDefault("dispute", " ").split(" ");
        if (!exchange.path().equals("/dispute")
                || asked.length != 2
                || !List.of("disputed", "captured", "refunded", "dispute-lost").contains(asked[1])) {
            throw new Refusal(404, "There is nothing here.");
        }
        Book.Payment payment = book.payment(asked[0]).orElseThrow(() -> new Refusal(404, "There is no such payment."));
        if (book.answer(
                payment.id(), payment.state(), asked[1], asked[1].equals("disputed") ? "the buyer disputes it" : "")) {
            tell(book.payment(payment.id()).orElseThrow());
        }
        exchange.redirect(url() + "/");
    }

    private void tell(Book.Payment payment) {
        Book.Account account = book.account(payment.account()).orElseThrow();
        webhooks.send(
                account.webhookUrl(),
                account.webhookSecret(),
                JSON.writeValueAsString(Map.of("event", "event-" + UUID.randomUUID(), "payment", view(payment))));
    }

    private void answer(Exchange exchange, Book.Payment payment) throws IOException {
        exchange.answer(200, view(payment));
    }

    private Map<String, Object> view(Book.Payment payment) {
        Map<String, Object> view = new LinkedHashMap<>(Map.of(
                "id",
                payment.id(),
                "key",
                payment.idempotencyKey(),
                "reference",
                payment.reference(),
                "state",
                payment.state(),
                "reason",
                payment.reason(),
                "amount",
                payment.amount(),
                "currency",
                payment.currency(),
                "captured",
                payment.captured(),
                "refunded",
                payment.refunded()));
        view.put("action", payment.state().equals("needs-buyer") ? url() + "/ask/" + payment.id() : "");
        view.put("keptCard", payment.keptCard());
        view.put("version", payment.version());
        view.put("cardCountry", issuedIn(payment));
        if (payment.answerBy() != null) {
            view.put("answerBy", payment.answerBy().toString());
        }
        return view;
    }

    @Override
    protected String controls() {
        StringBuilder html = new StringBuilder("<p><label>An account is approved <input name=approval size=4 value=\""
                + approvalTime.map(Duration::toSeconds).map(String::valueOf).orElse("")
                + "\"> seconds after it is first asked for; empty: by hand</label></p>");
        for (Book.Account account : book.accounts()) {
            html.append("<p><label><input type=checkbox name=approved-")
                    .append(Html.escape(account.id()))
                    .append(account.approved() ? " checked" : "")
                    .append("> Account “")
                    .append(Html.escape(account.id()))
                    .append("” (")
                    .append(account.mode())
                    .append(") is approved</label><br>publishable key <code>")
                    .append(Html.escape(account.publicKey()))
                    .append("</code><br>secret key <code>")
                    .append(Html.escape(account.secretKey()))
                    .append("</code></p>");
        }
        return html.toString();
    }

    @Override
    protected void set(Map<String, String> form) {
        String seconds = form.getOrDefault("approval", "").replaceAll("\\D", "");
        approvalTime = seconds.isEmpty() ? Optional.empty() : Optional.of(Duration.ofSeconds(Long.parseLong(seconds)));
        book.accounts().forEach(account -> book.approve(account.id(), form.containsKey("approved-" + account.id())));
    }

    @Override
    protected String below() {
        StringBuilder html = new StringBuilder("<h2>Latest payments</h2><table><tr><th>Reference<th>On the "
                + "statement<th>State<th>Amount<th>Captured<th>Refunded<th>The buyer</tr>");
        for (Book.Payment payment : book.latest()) {
            html.append("<tr><td>")
                    .append(Html.escape(payment.reference()))
                    .append("<td>")
                    .append(Html.escape(payment.statement()))
                    .append("<td>")
                    .append(Html.escape(payment.state()))
                    .append("<td>")
                    .append(money(payment, payment.amount()))
                    .append("<td>")
                    .append(money(payment, payment.captured()))
                    .append("<td>")
                    .append(money(payment, payment.refunded()))
                    .append("<td>")
                    .append(disputing(payment))
                    .append("</tr>");
        }
        return html.append("</table><form id=dispute method=post action=\"")
                .append(url())
                .append("/dispute\"></form>")
                .toString();
    }

    private String disputing(Book.Payment payment) {
        List<String> next =
                switch (payment.state()) {
                    case "captured", "refunded" -> List.of("disputed");
                    case "disputed" -> List.of(payment.refunded() > 0 ? "refunded" : "captured", "dispute-lost");
                    default -> List.of();
                };
        return next.stream()
                .map(state -> "<button form=dispute name=dispute value=\"" + payment.id() + " " + state + "\">"
                        + (state.equals("disputed")
                                ? "disputes it"
                                : state.equals("dispute-lost") ? "wins the dispute" : "loses the dispute")
                        + "</button>")
                .collect(java.util.stream.Collectors.joining());
    }

    static String money(Book.Payment payment, long minor) {
        return money(payment.currency(), minor);
    }

    static String money(String currency, long minor) {
        int digits = currency.matches("[A-Z]{3}")
                ? java.util.Currency.getInstance(currency).getDefaultFractionDigits()
                : 2;
        return java.math.BigDecimal.valueOf(minor, digits).toPlainString() + " " + Html.escape(currency);
    }

    @Override
    public void close() {
        webhooks.close();
        book.close();
    }
}
