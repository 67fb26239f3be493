package vestcoin.app.paper;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.app.format.Phrases;
import vestcoin.core.invoice.CustomsDeclaration;
import vestcoin.core.message.Amount;

/** Customs declarations as pages to print, in English and French, as the post of every country reads them. */
final class CustomsPdf {
    private static final float MARGIN = 40;
    private static final float[] WIDTHS = {4, 1.2f, 1.3f, 1.6f, 1.8f, 1.6f};

    private final Font text = new Font(Typeface.BASE, 9);
    private final Font small = new Font(Typeface.BASE, 7);
    private final Phrases english = Phrases.in("en");
    private final Phrases french = Phrases.in("fr");
    private final Sale sale;

    /**
     * What all of its parcels have in common.
     *
     * @param invoice number of the invoice, if it is issued
     */
    record Sale(
            String order,
            Optional<String> invoice,
            Paper.Party seller,
            Paper.Party receiver,
            String phone,
            String currency,
            boolean test) {}

    private CustomsPdf(Sale sale) {
        this.sale = sale;
    }

    /** @param declarations at least one */
    static byte[] of(Sale sale, List<CustomsDeclaration> declarations) {
        return new CustomsPdf(sale).written(declarations);
    }

    private byte[] written(List<CustomsDeclaration> declarations) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document document = new Document(PageSize.A5.rotate(), MARGIN, MARGIN, MARGIN, MARGIN);
        PdfWriter.getInstance(document, out);
        document.addTitle(english.say("paper.customs-title") + " " + sale.order());
        document.open();
        for (CustomsDeclaration declaration : declarations) {
            document.newPage();
            draw(document, declaration);
        }
        document.close();
        return out.toByteArray();
    }

    private String say(String code) {
        return english.say("paper.customs-" + code) + " / " + french.say("paper.customs-" + code);
    }

    private void draw(Document document, CustomsDeclaration declared) {
        document.add(new Paragraph(
                say("title") + (sale.test() ? " · " + english.say("paper.test") : ""),
                new Font(Typeface.BASE, 12, Font.BOLD)));
        PdfPTable parties = new PdfPTable(2);
        parties.setWidthPercentage(100);
        parties.setSpacingBefore(6);
        parties.addCell(boxed(say("from"), lines(sale.seller(), "")));
        parties.addCell(boxed(say("to"), lines(sale.receiver(), sale.phone())));
        document.add(parties);
        PdfPTable items = new PdfPTable(WIDTHS);
        items.setWidthPercentage(100);
        items.setSpacingBefore(6);
        for (String head : List.of("contents", "quantity", "net", "value", "tariff", "origin")) {
            items.addCell(cell(say(head), small, false));
        }
        for (CustomsDeclaration.Item item : declared.items()) {
            items.addCell(cell(item.name(), text, false));
            items.addCell(cell(number(item.quantity()), text, true));
            items.addCell(cell(number(item.net()), text, true));
            items.addCell(cell(amount(item.value()), text, true));
            items.addCell(cell(item.tariff().orElse(""), text, false));
            items.addCell(cell(item.origin().map(english::region).orElse(""), text, false));
        }
        document.add(items);
        document.add(fact("category", say("sale")));
        document.add(fact("gross", number(declared.gross()) + " kg"));
        document.add(fact("total", amount(declared.value())));
        document.add(fact("postage", amount(declared.postage())));
        sale.invoice().ifPresent(invoice -> document.add(fact("invoice", invoice)));
        Paragraph certified = new Paragraph(say("certified"), small);
        certified.setSpacingBefore(6);
        document.add(certified);
        Paragraph signed = new Paragraph(say("signed") + " ______________________________", text);
        signed.setSpacingBefore(14);
        document.add(signed);
    }

    private Paragraph fact(String code, String value) {
        return new Paragraph(say(code) + ": " + value, text);
    }

    private static String number(BigDecimal number) {
        BigDecimal plain = number.stripTrailingZeros();
        return (plain.scale() < 0 ? plain.setScale(0) : plain).toPlainString();
    }

    private String amount(BigDecimal value) {
        return english.money(new Amount(value, sale.currency()).value(), sale.currency());
    }

    private String lines(Paper.Party who, String phone) {
        return Stream.of(
                        Stream.of(who.name()),
                        who.lines().stream(),
                        Stream.of((who.postcode() + " " + who.city()).strip(), english.region(who.country()), phone),
                        who.vat().stream(),
                        who.numbers().stream())
                .flatMap(parts -> parts)
                .filter(part -> !part.isBlank())
                .collect(Collectors.joining("\n"));
    }

    private PdfPCell boxed(String head, String content) {
        PdfPCell cell = new PdfPCell();
        cell.addElement(new Paragraph(head, small));
        cell.addElement(new Paragraph(content, text));
        cell.setPadding(5);
        return cell;
    }

    private static PdfPCell cell(String content, Font font, boolean right) {
        PdfPCell cell = new PdfPCell(new Phrase(content, font));
        cell.setHorizontalAlignment(right ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
        cell.setPadding(3);
        return cell;
    }
}
