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
import vestcoin.core.invoice.Bill;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * An invoice or a credit note as a page to print: the shop's letterhead, what was bought, tax by rate, what is paid and
 * what is left.
 */
final class PaperPdf {
    private static final Color QUIET = new Color(0x55, 0x5d, 0x68);
    private static final Color LINE = new Color(0xc9, 0xc9, 0xc2);
    private static final float MARGIN = 56;
    private static final BaseFont BASE = Typeface.BASE;

    private final Paper paper;
    private final Font text = new Font(BASE, 10);
    private final Font quiet = new Font(BASE, 8.5f, Font.NORMAL, QUIET);
    private final Font strong = new Font(BASE, 10, Font.BOLD);

    private PaperPdf(Paper paper) {
        this.paper = paper;
    }

    static byte[] of(Paper paper) {
        return new PaperPdf(paper).written();
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

    private String title() {
        return (paper.kind() == Paper.Kind.INVOICE ? "Invoice " : "Credit note ") + paper.number();
    }

    private String under() {
        return "Issued " + paper.issued() + " · order " + paper.order()
                + paper.credits()
                        .map(credits -> " · of invoice " + credits.number() + ", " + credits.issued())
                        .orElse("")
                + paper.delivered().map(day -> " · delivered " + day).orElse("")
                + (paper.test() ? " · TEST, no money moved" : "");
    }

    private Paragraph letterhead() {
        Paragraph head = new Paragraph();
        head.add(new Chunk(paper.seller().name(), new Font(BASE, 13, Font.BOLD)));
        head.add(Chunk.NEWLINE);
        head.add(new Chunk(address(paper.seller()), quiet));
        head.add(Chunk.NEWLINE);
        List<String> numbers = new ArrayList<>();
        paper.seller().vat().ifPresent(vat -> numbers.add("VAT " + vat));
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
            to.add(new Chunk("VAT " + vat, text));
        });
        to.setSpacingAfter(24);
        return to;
    }

    private static String address(Paper.Party who) {
        List<String> parts = new ArrayList<>(who.lines());
        parts.add((who.postcode() + " " + who.city()).strip());
        parts.add(new java.util.Locale("", who.country()).getDisplayCountry(java.util.Locale.ENGLISH));
        return parts.stream().filter(part -> !part.isBlank()).collect(Collectors.joining(", "));
    }

    private PdfPTable items() {
        PdfPTable table = table(new float[] {5, 1.1f, 1.4f, 1.6f, 1.4f, 1.7f}, 16);
        for (String head : List.of("", "Quantity", "Tax rate", "Without tax", "Tax", "Amount")) {
            table.addCell(cell(head, quiet, !head.isEmpty(), 0.8f));
        }
        table.setHeaderRows(1);
        for (Bill.Item item : paper.bill().items()) {
            table.addCell(cell(
                    item.name()
                            + (item.allowance().signum() > 0
                                    ? "\nafter " + item.allowance().toPlainString() + " discount"
                                    : ""),
                    text,
                    false,
                    0.4f));
            table.addCell(cell(
                    item.line().isPresent()
                            ? item.quantity().stripTrailingZeros().toPlainString()
                            : "",
                    text,
                    true,
                    0.4f));
            table.addCell(cell(rate(item.code(), item.rate()), text, true, 0.4f));
            table.addCell(cell(amount(item.net()), text, true, 0.4f));
            table.addCell(cell(amount(item.tax()), text, true, 0.4f));
            table.addCell(cell(amount(item.gross()), text, true, 0.4f));
        }
        return table;
    }

    private static String rate(Code code, BigDecimal rate) {
        return code == Code.S || code == Code.Z ? rate.stripTrailingZeros().toPlainString() + " %" : "none";
    }

    private PdfPTable taxes() {
        PdfPTable table = table(new float[] {4, 2, 2, 2}, 14);
        for (String head : List.of("Tax", "Rate", "On, " + paper.currency(), "Tax, " + paper.currency())) {
            table.addCell(cell(head, quiet, !head.equals("Tax"), 0.8f));
        }
        for (Bill.Category category : paper.bill().categories()) {
            boolean taxed = category.code() == Code.S || category.code() == Code.Z;
            table.addCell(cell(
                    taxed
                            ? paper.bill()
                                    .country()
                                    .map(country -> "VAT, " + country)
                                    .orElse("VAT")
                            : category.reason().isEmpty() ? "No tax" : category.reason(),
                    text,
                    false,
                    0.4f));
            table.addCell(cell(rate(category.code(), category.rate()), text, true, 0.4f));
            table.addCell(cell(amount(category.net()), text, true, 0.4f));
            table.addCell(cell(amount(category.tax()), text, true, 0.4f));
        }
        return table;
    }

    private PdfPTable totals() {
        PdfPTable table = table(new float[] {5, 2}, 14);
        total(table, "Without tax", paper.bill().net(), text);
        total(table, "Tax", paper.bill().tax(), text);
        paper.homeTax()
                .ifPresent(home ->
                        total(table, "Tax in " + home.currency() + ", rates of " + home.day(), home.amount(), text));
        total(
                table,
                paper.kind() == Paper.Kind.INVOICE ? "Total" : "Given back",
                paper.bill().gross(),
                strong);
        if (paper.rounding().signum() != 0) {
            total(table, "Rounded, in cash", paper.rounding(), text);
        }
        if (paper.kind() == Paper.Kind.INVOICE) {
            total(table, "Paid", paper.paid(), text);
            total(
                    table,
                    "To pay"
                            + (paper.open().signum() > 0
                                    ? paper.due().map(due -> " by " + due).orElse("")
                                    : ""),
                    paper.open(),
                    strong);
        }
        return table;
    }

    private void total(PdfPTable table, String name, BigDecimal amount, Font font) {
        table.addCell(cell(name, font, true, 0));
        table.addCell(cell(amount(amount) + " " + paper.currency(), font, true, 0));
    }

    private List<String> notes() {
        List<String> notes = new ArrayList<>();
        if (paper.kind() == Paper.Kind.INVOICE && paper.open().signum() > 0) {
            paper.means()
                    .iban()
                    .ifPresent(iban -> notes.add(
                            "To " + paper.means().holder().orElse(paper.seller().name()) + ", IBAN " + iban
                                    + paper.means()
                                            .reference()
                                            .map(r -> ", reference " + r)
                                            .orElse("") + "."));
        }
        return notes;
    }

    private static String amount(BigDecimal amount) {
        return amount.toPlainString();
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
