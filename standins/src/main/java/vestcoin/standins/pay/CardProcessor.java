package vestcoin.standins.pay;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;

/** The simulated card processor. */
public final class CardProcessor extends Processor {
    /** Keys of the account that is open from the start, in test mode. */
    public static final String TEST_SECRET = "secret-test-7d1c0a52e94b4f0d9a61";

    public static final String TEST_PUBLIC = "public-test-2b8e6f13c7a940d5b3f8";
    /** Keys of the account for live mode, which waits for approval. */
    public static final String LIVE_SECRET = "secret-live-41f0c6b8a2d94e7f8c35";

    public static final String LIVE_PUBLIC = "public-live-9e27d5a1b06c48f3a7d2";

    public CardProcessor(Path file, Clock clock) {
        super("cards", "Card processor", file, clock);
        book.open(
                new Book.Account("workbench", "test", TEST_SECRET, TEST_PUBLIC, true, "", "hook-" + UUID.randomUUID()));
        book.open(
                new Book.Account("counter", "live", LIVE_SECRET, LIVE_PUBLIC, false, "", "hook-" + UUID.randomUUID()));
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        switch (exchange.method() + " " + exchange.path()) {
            case "OPTIONS /v1/tokens" -> {
                exchange.openToAllOrigins();
                exchange.empty(204);
            }
            case "POST /v1/tokens" -> token(exchange);
            case "POST /v1/cards" -> keep(exchange);
            default -> super.answer(exchange);
        }
    }

    /** The only place a card number comes to, straight from the buyer's page. */
    private void token(Exchange exchange) throws IOException {
        exchange.openToAllOrigins();
        Book.Account account = book.byPublic(exchange.bearer())
                .orElseThrow(() -> new Refusal(401, "No account has this publishable key."));
        String number = exchange.json().path("number").asString("").replaceAll("[\\s-]", "");
        if (!number.matches("\\d{12,19}") || !TestCard.luhn(number)) {
            throw new Refusal(422, "This is not a card number. Check the digits.");
        }
        TestCard card =
                TestCard.of(number).orElseThrow(() -> new Refusal(422, "This simulation knows only its test cards."));
        String id = "token-" + UUID.randomUUID();
        book.token(id, account.id(), card);
        exchange.answer(201, Map.of("token", id, "lastFour", number.substring(number.length() - 4)));
    }

    /** Keeps a card without charging it. */
    private void keep(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        TestCard card = book.use(exchange.json().path("token").asString(""), account.id())
                .orElseThrow(() -> new Refusal(422, "The token is unknown or was used."));
        if (card == TestCard.DECLINED || card == TestCard.EXPIRED) {
            throw new Refusal(422, card.outcome());
        }
        exchange.answer(201, Map.of("card", book.keep(account.id(), card).id()));
    }

    @Override
    Start start(JsonNode asked, Book.Account account) {
        String kept = asked.path("keptCard").asString("");
        if (!kept.isEmpty()) {
            return again(book.kept(kept, account.id())
                    .orElseThrow(() -> new Refusal(422, "No card is kept under this name.")));
        }
        TestCard card = book.use(asked.path("token").asString(""), account.id())
                .orElseThrow(() -> new Refusal(422, "The token is unknown or was used."));
        String state =
                switch (card) {
                    case APPROVED, DECLINED_LATER, OF_THE_EEA, FROM_OVERSEAS -> "authorised";
                    case ASKED_AND_PASSED, ASKED_AND_FAILED -> "needs-buyer";
                    case SILENT -> "pending";
                    default -> "declined";
                };
        boolean keep = asked.path("keep").asBoolean(false) && !state.equals("declined");
        return new Start(
                state,
                state.equals("declined") ? card.outcome() : "",
                card.name(),
                keep ? book.keep(account.id(), card).id() : "",
                card == TestCard.SILENT);
    }

    /** A card charged again, with nobody there to be asked. */
    private static Start again(Book.KeptCard kept) {
        TestCard card = TestCard.valueOf(kept.card());
        String reason = kept.refuses()
                ? "the card was taken back"
                : card == TestCard.DECLINED_LATER || card == TestCard.INSUFFICIENT_FUNDS ? "declined by the bank" : "";
        return new Start(
                reason.isEmpty() ? card == TestCard.SILENT ? "pending" : "authorised" : "declined",
                reason,
                kept.card(),
                kept.id(),
                card == TestCard.SILENT);
    }

    @Override
    String issuedIn(Book.Payment payment) {
        return TestCard.valueOf(payment.card()).country();
    }

    /** 1.7 % and 0.21 at home, 2.2 % and 0.25 of Norway, 3.1 % and 0.30 from overseas. */
    @Override
    long fee(Book.Payment payment, long amount) {
        return switch (TestCard.valueOf(payment.card())) {
            case OF_THE_EEA -> share(amount, 22) + 25;
            case FROM_OVERSEAS -> share(amount, 31) + 30;
            default -> share(amount, 17) + 21;
        };
    }

    @Override
    String question(Book.Payment payment) {
        return Html.page(
                "Your bank asks",
                "<p>Do you want to pay <strong>" + money(payment, payment.amount()) + "</strong> for order "
                        + Html.escape(payment.reference())
                        + "?</p><form method=post><button name=answer value=yes>Yes, it is me</button><button "
                        + "name=answer value=no>No</button></form>");
    }

    @Override
    String reasonOf(String answer, Book.Payment payment) {
        return answer.equals("yes") && payment.card().equals(TestCard.ASKED_AND_PASSED.name())
                ? ""
                : "the bank could not confirm the buyer";
    }

    @Override
    protected String controls() {
        StringBuilder html = new StringBuilder(super.controls())
                .append("<h2>Test cards</h2><table><tr><th>Number<th>What happens</tr>");
        for (TestCard card : TestCard.values()) {
            html.append("<tr><td><code>")
                    .append(card.number())
                    .append("</code><td>")
                    .append(card.outcome())
                    .append("</tr>");
        }
        html.append("</table>");
        List<Book.KeptCard> kept = book.keptCards();
        if (!kept.isEmpty()) {
            html.append("<h2>Kept cards</h2>");
        }
        for (Book.KeptCard each : kept) {
            html.append("<p><label><input type=checkbox name=refuses-")
                    .append(Html.escape(each.id()))
                    .append(each.refuses() ? " checked" : "")
                    .append("> The bank has taken back <code>")
                    .append(Html.escape(each.id()))
                    .append("</code> (")
                    .append(Html.escape(each.card()))
                    .append(")</label></p>");
        }
        return html.toString();
    }

    @Override
    protected void set(Map<String, String> form) {
        super.set(form);
        book.keptCards().forEach(each -> book.refuse(each.id(), form.containsKey("refuses-" + each.id())));
    }

    /** Whether the bank takes back every card kept so far; for tests. */
    public void refuseKeptCards(boolean refuses) {
        book.keptCards().forEach(each -> book.refuse(each.id(), refuses));
    }
}
