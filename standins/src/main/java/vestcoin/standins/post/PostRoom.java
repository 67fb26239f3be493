package vestcoin.standins.post;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/**
 * The simulated post room: takes every e-mail as MIME text and keeps the latest, readable in the browser, until it
 * ends.
 */
public final class PostRoom extends Service {
    private static final Session SESSION = Session.getInstance(new Properties());
    private static final int MOST_KEPT = 2000;
    private static final int SHOWN = 100;

    /** @param id the sender's, so that the same letter sent twice lies here once */
    public record Letter(String id, String from, String to, String subject, String html, String plain, String mime) {}

    private final List<Letter> letters = new ArrayList<>();

    public PostRoom() {
        super("post", "Post room");
    }

    /** Everything that came in, the latest first. */
    public synchronized List<Letter> letters() {
        List<Letter> latest = new ArrayList<>(letters);
        java.util.Collections.reverse(latest);
        return latest;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        String[] path = exchange.path().split("/");
        if (exchange.method().equals("POST") && exchange.path().equals("/v1/letters")) {
            take(exchange.text());
            exchange.answer(202, Map.of("taken", true));
        } else if (exchange.method().equals("GET") && path.length == 3 && path[1].equals("letter")) {
            Letter letter = letters().stream()
                    .filter(each -> Integer.toHexString(each.id().hashCode()).equals(path[2]))
                    .findFirst()
                    .orElseThrow(() -> new Refusal(404, "There is no such letter."));
            exchange.page(Html.page(
                    letter.subject(),
                    "<p>To " + Html.escape(letter.to()) + "</p><iframe title=\"As a page\" sandbox srcdoc=\""
                            + Html.escape(letter.html()) + "\"></iframe><h2>As plain text</h2><pre>"
                            + Html.escape(letter.plain()) + "</pre><h2>As it was sent</h2><pre>"
                            + Html.escape(letter.mime()) + "</pre>"));
        } else {
            throw new Refusal(404, "There is nothing here.");
        }
    }

    private synchronized void take(String mime) {
        Letter letter = read(mime);
        if (letters.stream().noneMatch(each -> each.id().equals(letter.id()))) {
            letters.add(letter);
            if (letters.size() > MOST_KEPT) {
                letters.remove(0);
            }
        }
    }

    private static Letter read(String mime) {
        try {
            MimeMessage message =
                    new MimeMessage(SESSION, new ByteArrayInputStream(mime.getBytes(StandardCharsets.UTF_8)));
            return new Letter(
                    Optional.ofNullable(message.getMessageID()).orElse(mime),
                    String.valueOf(message.getFrom()[0]),
                    String.valueOf(message.getAllRecipients()[0]),
                    Optional.ofNullable(message.getSubject()).orElse(""),
                    part(message, "text/html").orElse(""),
                    part(message, "text/plain").orElse(""),
                    mime);
        } catch (MessagingException | IOException | NullPointerException e) {
            throw new Refusal(422, "This is not an e-mail with a sender and a recipient.");
        }
    }

    private static Optional<String> part(Part part, String type) throws MessagingException, IOException {
        if (part.isMimeType(type)) {
            return Optional.of((String) part.getContent());
        }
        if (part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart inner = parts.getBodyPart(i);
                Optional<String> found = part(inner, type);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }

    @Override
    protected String controls() {
        return "";
    }

    @Override
    protected String below() {
        StringBuilder html = new StringBuilder("<h2>Latest letters</h2><table><tr><th>Subject<th>To</tr>");
        letters().stream().limit(SHOWN).forEach(letter -> html.append("<tr><td><a href=\"")
                .append(url())
                .append("/letter/")
                .append(Integer.toHexString(letter.id().hashCode()))
                .append("\">")
                .append(Html.escape(letter.subject()))
                .append("</a><td>")
                .append(Html.escape(letter.to()))
                .append("</tr>"));
        return html.append("</table>").toString();
    }
}
