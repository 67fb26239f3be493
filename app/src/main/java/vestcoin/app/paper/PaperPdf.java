package vestcoin.app.paper;

import com.lowagie.text.Chunk;
import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import vestcoin.app.format.Phrases;
import vestcoin.core.invoice.Bill;
import vestcoin.core.message.Region;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * An invoice or a credit note as a page to print: the shop's letterhead, what was bought, tax by rate, what is paid and
 * what is left.
 */
public final class PaperPdf {
    private static final Color QUIET = new Color(0x55, 0x5d, 0x68);
    private static final Color LINE = new Color(0xc9, 0xc9, 0xc2);
    private static final float MARGIN = 56;
    private static final BaseFont BASE = Typeface.BASE;

    private final Paper paper;
    private final Font text = new Font(BASE, 10);
    private final Font quiet = new Font(BASE, 8.5f, Font.NORMAL, QUIET);
    private final Font strong = new Font(BASE, 10, Font.BOLD);

    private final Phrases phrases;

    private PaperPdf(Paper paper, Phrases phrases) {
        this.paper = paper;
        this.phrases = phrases;
    }

    public static byte[] of(Paper paper, Phrases phrases) {
        return new PaperPdf(paper, phrases).written();
    }

    private byte[] written() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document document = new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN);
        PdfWriter.getInstance(document, out);
        document.addTitle(title());
        document.open();
        document.add(letterhead());
        document.add(parties());
        document.add(new Paragraph(title(), new Font(BASE, 16, Font.BOLD)));
        document.add(new Paragraph(under(), quiet));
        document.add(items());
        document.add(taxes());
        document.add(totals());
        notes().forEach(note -> document.add(new Paragraph(note, quiet)));
        document.close();
        return out.toByteArray();
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("paper." + code, namesAndValues);
    }

    private String title() {
        String named =
                switch (paper.kind()) {
                    case INVOICE -> "invoice";
                    case CREDIT -> "credit-note";
                    case RECEIPT -> "voucher-receipt";
                    case RECEIPT_BACK -> "voucher-receipt-back";
                };
        return say(named, "number", paper.number());
    }

    private String under() {
        List<String> parts = new ArrayList<>();
        parts.add(say("issued", "day", paper.issued()));
        parts.add(say("order", "number", paper.order()));
        if (!paper.reference().isEmpty()) {
            parts.add(say("reference", "number", paper.reference()));
        }
        String of = paper.kind() == Paper.Kind.RECEIPT_BACK ? "of-receipt" : "of-invoice";
        paper.credits().ifPresent(credits -> parts.add(say(of, "number", credits.number(), "day", credits.issued())));
        paper.delivered().ifPresent(day -> parts.add(say("delivered", "day", day)));
        paper.period().ifPresent(days -> parts.add(say("period", "from", days.from(), "until", days.until())));
        if (paper.test()) {
            parts.add(say("test"));
        }
        return String.join(" · ", parts);
    }

    private Paragraph letterhead() {
        Paragraph head = new Paragraph();
        head.add(new Chunk(paper.seller().name(), new Font(BASE, 13, Font.BOLD)));
        head.add(Chunk.NEWLINE);
        head.add(new Chunk(address(paper.seller()), quiet));
        head.add(Chunk.NEWLINE);
        List<String> numbers = new ArrayList<>();
        paper.seller().vat().ifPresent(vat -> numbers.add(say("vat-number", "number", vat)));
        numbers.addAll(paper.seller().numbers());
        if (!paper.seller().email().isBlank()) {
            numbers.add(paper.seller().email());
        }
        head.add(new Chunk(String.join(" · ", numbers), quiet));
        head.setSpacingAfter(28);
        return head;
    }

    private Paragraph parties() {
        Paragraph to = new Paragraph();
        to.add(new Chunk(paper.buyer().name(), text));
        to.add(Chunk.NEWLINE);
        to.add(new Chunk(address(paper.buyer()).replace(", ", "\n"), text));
        paper.buyer().vat().ifPresent(vat -> {
            to.add(Chunk.NEWLINE);
            to.add(new Chunk(say("vat-number", "number", vat), text));
        });
        paper.goesTo().ifPresent(there -> {
            to.add(Chunk.NEWLINE);
            to.add(Chunk.NEWLINE);
            to.add(new Chunk(say("goes-to", "who", there.name() + ", " + address(there)), quiet));
        });
        to.setSpacingAfter(24);
        return to;
    }

    private String account(String iban) {
        return paper.means().parts().isEmpty()
                ? phrases.say("account.iban") + " " + iban
                : phrases.list(paper.means().parts().stream()
                        .map(part -> phrases.say(part.name()) + " " + part.value())
                        .toList());
    }

    private String address(Paper.Party who) {
        List<String> parts = new ArrayList<>(who.lines());
        parts.add((who.postcode() + " " + who.city()).strip());
        parts.add(phrases.region(who.country()));
        return parts.stream().filter(part -> !part.isBlank()).collect(Collectors.joining(", "));
    }

    private PdfPTable items() {
        PdfPTable table = table(new float[] {5, 1.1f, 1.4f, 1.6f, 1.4f, 1.7f}, 16);
        for (String head :
                List.of("", say("quantity"), say("tax-rate"), say("without-tax"), say("tax"), say("amount"))) {
            table.addCell(cell(head, quiet, !head.isEmpty(), 0.8f));
        }
        table.setHeaderRows(1);
        for (Bill.Item item : paper.bill().items()) {
            table.addCell(cell(
                    phrases.say(item.name())
                            + item.answers().stream()
                                    .map(said -> "\n" + phrases.say(said))
                                    .collect(Collectors.joining())
                            + (item.allowance().signum() > 0
                                    ? "\n" + say("after-discount", "amount", item.allowance())
                                    : ""),
                    text,
                    false,
                    0.4f));
            table.addCell(cell(item.line().isPresent() ? quantity(item.quantity()) : "", text, true, 0.4f));
            table.addCell(cell(rate(item.code(), item.rate()), text, true, 0.4f));
            table.addCell(cell(amount(item.net()), text, true, 0.4f));
            table.addCell(cell(amount(item.tax()), text, true, 0.4f));
            table.addCell(cell(amount(item.gross()), text, true, 0.4f));
        }
        return table;
    }

    private String quantity(BigDecimal quantity) {
        BigDecimal plain = quantity.stripTrailingZeros();
        return phrases.number(plain.scale() < 0 ? plain.setScale(0) : plain);
    }

    private String rate(Code code, BigDecimal rate) {
        return code == Code.S || code == Code.Z ? say("percent", "rate", quantity(rate)) : say("no-rate");
    }

    private PdfPTable taxes() {
        PdfPTable table = table(new float[] {4, 2, 2, 2}, 14);
        table.addCell(cell(say("tax"), quiet, false, 0.8f));
        for (String head : List.of(
                say("rate"), say("on-in", "currency", paper.currency()), say("tax-in", "currency", paper.currency()))) {
            table.addCell(cell(head, quiet, true, 0.8f));
        }
        for (Bill.Category category : paper.bill().categories()) {
            table.addCell(cell(taxName(category), text, false, 0.4f));
            table.addCell(cell(rate(category.code(), category.rate()), text, true, 0.4f));
            table.addCell(cell(amount(category.net()), text, true, 0.4f));
            table.addCell(cell(amount(category.tax()), text, true, 0.4f));
        }
        return table;
    }

    private String taxName(Bill.Category category) {
        if (category.code() == Code.S || category.code() == Code.Z) {
            return paper.bill()
                    .country()
                    .map(country -> say("vat-of", "country", new Region(country)))
                    .orElse(say("vat"));
        }
        String reason = phrases.say(category.reason());
        return reason.isEmpty() ? say("no-tax") : reason;
    }

    private PdfPTable totals() {
        PdfPTable table = table(new float[] {5, 2}, 14);
        total(table, say("without-tax"), paper.bill().net(), text);
        total(table, say("tax"), paper.bill().tax(), text);
        paper.homeTax()
                .ifPresent(home -> total(
                        table,
                        say("home-tax", "currency", home.currency(), "day", home.day()),
                        home.amount(),
                        home.currency(),
                        text));
        total(
                table,
                say(paper.kind().back() ? "given-back" : "total"),
                paper.bill().gross(),
                strong);
        if (paper.rounding().signum() != 0) {
            total(table, say("rounded"), paper.rounding(), text);
        }
        if (!paper.kind().back()) {
            total(table, say("paid"), paper.paid(), text);
            String toPay = paper.due()
                    .filter(due -> paper.open().signum() > 0)
                    .map(due -> say("to-pay-by", "day", due))
                    .orElse(say("to-pay"));
            total(table, toPay, paper.open(), strong);
        }
        return table;
    }

    private void total(PdfPTable table, String name, BigDecimal amount, Font font) {
        total(table, name, amount, paper.currency(), font);
    }

    private void total(PdfPTable table, String name, BigDecimal amount, String currency, Font font) {
        table.addCell(cell(name, font, true, 0));
        table.addCell(cell(phrases.money(amount, currency), font, true, 0));
    }

    private List<String> notes() {
        List<String> notes = new ArrayList<>();
        if (paper.kind() == Paper.Kind.RECEIPT) {
            notes.add(say("voucher-note"));
        }
        if (!paper.kind().back() && paper.open().signum() > 0) {
            paper.means().iban().ifPresent(iban -> {
                String holder = paper.means().holder().orElse(paper.seller().name());
                notes.add(paper.means()
                        .reference()
                        .map(reference -> say(
                                "transfer-with-reference",
                                "holder",
                                holder,
                                "account",
                                account(iban),
                                "iban",
                                iban,
                                "reference",
                                reference))
                        .orElseGet(() -> say("transfer", "holder", holder, "account", account(iban), "iban", iban)));
            });
        }
        return notes;
    }

    private String amount(BigDecimal amount) {
        return phrases.number(amount);
    }

    private static PdfPTable table(float[] widths, float before) {
        PdfPTable table = new PdfPTable(widths);
        table.setWidthPercentage(100);
        table.setSpacingBefore(before);
        return table;
    }

    /** @param line under it, in points */
    private static PdfPCell cell(String content, Font font, boolean right, float line) {
        PdfPCell cell = new PdfPCell(new Phrase(content, font));
        cell.setBorder(line > 0 ? Rectangle.BOTTOM : Rectangle.NO_BORDER);
        cell.setBorderWidth(line);
        cell.setBorderColor(LINE);
        cell.setPadding(4);
        cell.setHorizontalAlignment(right ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
        return cell;
    }
}
