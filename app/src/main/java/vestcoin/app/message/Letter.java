package vestcoin.app.message;

import jakarta.activation.DataHandler;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.util.ByteArrayDataSource;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import org.springframework.web.util.HtmlUtils;
import vestcoin.app.outside.MailAddress;

/**
 * An e-mail with an HTML and a plain part that say the same.
 *
 * @param id unique and the same for ever, so that a letter sent twice is seen to be one
 * @param subject never empty
 */
record Letter(String id, String fromName, String from, String to, String subject, Body body) {
    /** One for all: making one searches every archive of the class path. */
    private static final Session SESSION = Session.getInstance(new Properties());

    Letter {
        if (subject.isBlank()) {
            throw new IllegalArgumentException("a letter without a subject is not sent by most post rooms");
        }
    }

    /**
     * Paragraphs, rows of name and value, a link.
     *
     * @param total place of the row that is the total, -1 for none
     * @param annexes texts that are kept with it, below all else
     */
    record Body(List<String> paragraphs, List<Row> rows, int total, String link, String linkText, List<Annex> annexes) {
        Body(List<String> paragraphs, List<Row> rows, int total, String link, String linkText) {
            this(paragraphs, rows, total, link, linkText, List.of());
        }
    }

    /** A text of its own, its paragraphs on lines of their own. */
    record Annex(String title, String text) {}

    record Row(String name, String value) {}

    /** A file that goes with it. */
    record Attachment(String name, String type, byte[] content) {}

    /** As MIME text by RFC 5322 and 2045: multipart/alternative, with a file multipart/mixed around it. */
    String mime(Optional<Attachment> attached) {
        try {
            MimeMessage message = new MimeMessage(SESSION) {
                @Override
                protected void updateMessageID() throws MessagingException {
                    setHeader("Message-ID", "<" + id + "@vest-coin>");
                }
            };
            message.setFrom(new InternetAddress(from, fromName, StandardCharsets.UTF_8.name()));
            message.setRecipient(
                    MimeMessage.RecipientType.TO,
                    new InternetAddress(MailAddress.of(to)
                            .orElseThrow(() -> new IllegalArgumentException("no address a letter can be written to"))));
            message.setSubject(subject, StandardCharsets.UTF_8.name());
            MimeBodyPart plain = new MimeBodyPart();
            plain.setText(plain(), StandardCharsets.UTF_8.name());
            MimeBodyPart html = new MimeBodyPart();
            html.setText(html(), StandardCharsets.UTF_8.name(), "html");
            MimeMultipart letter = new MimeMultipart("alternative", plain, html);
            if (attached.isPresent()) {
                MimeBodyPart whole = new MimeBodyPart();
                whole.setContent(letter);
                MimeBodyPart file = new MimeBodyPart();
                file.setDataHandler(new DataHandler(new ByteArrayDataSource(
                        attached.get().content(), attached.get().type())));
                file.setFileName(attached.get().name());
                letter = new MimeMultipart("mixed", whole, file);
            }
            message.setContent(letter);
            message.saveChanges();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            message.writeTo(out);
            return out.toString(StandardCharsets.UTF_8);
        } catch (MessagingException | UnsupportedEncodingException e) {
            throw new IllegalArgumentException("cannot be written as an e-mail: " + e.getMessage(), e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String plain() {
        StringBuilder text = new StringBuilder();
        body.paragraphs().forEach(paragraph -> text.append(paragraph).append("\n\n"));
        int widest =
                body.rows().stream().mapToInt(row -> row.name().length()).max().orElse(0);
        for (int i = 0; i < body.rows().size(); i++) {
            Row row = body.rows().get(i);
            text.append(i == body.total() ? "-".repeat(widest + 14) + "\n" : "")
                    .append(String.format("%-" + Math.max(widest, 1) + "s  %12s%n", row.name(), row.value()));
        }
        if (!body.link().isEmpty()) {
            text.append("\n")
                    .append(body.linkText())
                    .append(": ")
                    .append(body.link())
                    .append("\n");
        }
        body.annexes().forEach(annex -> text.append("\n\n")
                .append(annex.title())
                .append("\n")
                .append("=".repeat(annex.title().length()))
                .append("\n\n")
                .append(annex.text().replace("\n", "\n\n"))
                .append("\n"));
        return text.toString();
    }

    private String html() {
        StringBuilder html = new StringBuilder(
                "<!doctype html><html><body style=\"font:16px/1.5 sans-serif;color:#222a35;max-width:36rem\">");
        body.paragraphs().forEach(paragraph -> html.append("<p>")
                .append(escaped(paragraph).replace("\n", "<br>"))
                .append("</p>"));
        html.append("<table style=\"width:100%;border-collapse:collapse\">");
        for (int i = 0; i < body.rows().size(); i++) {
            Row row = body.rows().get(i);
            String style = i == body.total() ? "border-top:2px solid;border-bottom:2px solid;font-weight:bold" : "";
            html.append("<tr style=\"")
                    .append(style)
                    .append("\"><td>")
                    .append(escaped(row.name()))
                    .append("</td><td style=\"text-align:right\">")
                    .append(escaped(row.value()))
                    .append("</td></tr>");
        }
        html.append("</table>");
        if (!body.link().isEmpty()) {
            html.append("<p><a href=\"")
                    .append(escaped(body.link()))
                    .append("\">")
                    .append(escaped(body.linkText()))
                    .append("</a></p>");
        }
        body.annexes().forEach(annex -> html.append("<h2 style=\"font-size:1rem;margin-top:2rem\">")
                .append(escaped(annex.title()))
                .append("</h2><p style=\"font-size:.875rem\">")
                .append(escaped(annex.text()).replace("\n", "<br>"))
                .append("</p>"));
        return html.append("</body></html>").toString();
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, StandardCharsets.UTF_8.name());
    }
}
