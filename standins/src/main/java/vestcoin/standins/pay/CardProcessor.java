package vestcoin.standins.pay;

import java.io.IOException;
import java.nio.file.Path;
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

    public CardProcessor(Path file) {
        super("cards", "Card processor", file);
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

    @Override
    Start start(JsonNode asked, Book.Account account) {
        TestCard card = book.use(asked.path("token").asString(""), account.id())
                .orElseThrow(() -> new Refusal(422, "The token is unknown or was used."));
        String state =
                switch (card) {
                    case APPROVED -> "authorised";
                    case ASKED_AND_PASSED, ASKED_AND_FAILED -> "needs-buyer";
                    case SILENT -> "pending";
                    default -> "declined";
                };
        return new Start(state, state.equals("declined") ? card.outcome() : "", card.name(), card == TestCard.SILENT);
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
        return html.append("</table>").toString();
    }
}
