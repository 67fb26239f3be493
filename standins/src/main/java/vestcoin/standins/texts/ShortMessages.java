package vestcoin.standins.texts;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/**
 * The simulated service for short messages to telephones: takes each once, by its sender's own number of it, and keeps
 * the latest. What is sent for practice needs no account and is marked so.
 */
public final class ShortMessages extends Service {
    public static final String KEY = "short-messages-test-5b8f20c1d7e4936a";
    private static final int MOST_KEPT = 2000;
    private static final int SHOWN = 100;
    private static final int LONGEST = 1000;

    /** @param to a number by ITU-T E.164, with its plus */
    public record TextMessage(String id, String to, String text, boolean practice) {}

    private final List<TextMessage> messages = new ArrayList<>();

    public ShortMessages() {
        super("short-messages", "Short messages");
    }

    /** Everything that came in, the latest first. */
    public synchronized List<TextMessage> messages() {
        List<TextMessage> latest = new ArrayList<>(messages);
        java.util.Collections.reverse(latest);
        return latest;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        boolean practice = exchange.path().equals("/v1/practice");
        if (!practice && !exchange.bearer().equals(KEY)) {
            throw new Refusal(401, "No account has this key.");
        }
        if (exchange.method().equals("GET") && exchange.path().equals("/v1/account")) {
            exchange.answer(200, Map.of("account", "test"));
        } else if (exchange.method().equals("POST")
                && (practice || exchange.path().equals("/v1/messages"))) {
            take(exchange.json(), practice);
            exchange.answer(202, Map.of("taken", true));
        } else {
            throw new Refusal(404, "There is nothing here.");
        }
    }

    private synchronized void take(JsonNode said, boolean practice) {
        TextMessage message = new TextMessage(
                said.path("id").asString(""),
                said.path("to").asString(""),
                said.path("text").asString(""),
                practice);
        if (!message.to().matches("\\+[1-9][0-9]{3,14}")) {
            throw new Refusal(422, "This is no number a message can be sent to.");
        }
        if (message.id().isBlank() || message.text().isBlank() || message.text().length() > LONGEST) {
            throw new Refusal(422, "A message needs a number of its own and a text.");
        }
        if (messages.stream().noneMatch(each -> each.id().equals(message.id()))) {
            messages.add(message);
            if (messages.size() > MOST_KEPT) {
                messages.remove(0);
            }
        }
    }

    @Override
    protected String controls() {
        return "<p>Key of the test account: <code>" + KEY + "</code>.</p>";
    }

    @Override
    protected String below() {
        StringBuilder html = new StringBuilder("<h2>Latest messages</h2><table><tr><th>To<th>Text<th></tr>");
        messages().stream().limit(SHOWN).forEach(message -> html.append("<tr><td>")
                .append(Html.escape(message.to()))
                .append("<td>")
                .append(Html.escape(message.text()))
                .append("<td>")
                .append(message.practice() ? "practice" : "")
                .append("</tr>"));
        return html.append("</table>").toString();
    }
}
