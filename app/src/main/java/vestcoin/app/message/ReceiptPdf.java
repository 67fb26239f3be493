package vestcoin.app.message;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.util.List;
import vestcoin.app.paper.Typeface;

/** A receipt to print, with the rows of the letter that confirms the order. */
final class ReceiptPdf {
    private static final float MARGIN = 40;
    private static final float[] WIDTHS = {3, 1};
    private static final Font TEXT = new Font(Typeface.BASE, 10);
    private static final Font STRONG = new Font(Typeface.BASE, 12, Font.BOLD);

    private ReceiptPdf() {}

    /**
     * One page.
     *
     * @param below what stands under the rows: of a receipt no words of its letter, but where it is collected and what
     *     is open
     */
    record Page(String shop, LetterBook.LetterContent said, List<String> below, String note) {}

    /** @param pages at least one */
    static byte[] of(List<Page> pages) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document document = new Document(PageSize.A5, MARGIN, MARGIN, MARGIN, MARGIN);
        PdfWriter.getInstance(document, out);
        document.addTitle(pages.get(0).said().subject());
        document.open();
        for (Page page : pages) {
            document.newPage();
            draw(document, page);
        }
        document.close();
        return out.toByteArray();
    }

    private static void draw(Document document, Page page) {
        LetterBook.LetterContent said = page.said();
        document.add(new Paragraph(page.shop(), new Font(Typeface.BASE, 15, Font.BOLD)));
        document.add(new Paragraph(said.subject() + (page.note().isEmpty() ? "" : " · " + page.note()), TEXT));
        PdfPTable rows = new PdfPTable(WIDTHS);
        rows.setWidthPercentage(100);
        rows.setSpacingBefore(16);
        for (int i = 0; i < said.body().rows().size(); i++) {
            boolean total = i == said.body().total();
            Letter.Row row = said.body().rows().get(i);
            rows.addCell(cell(row.name(), total, Element.ALIGN_LEFT));
            rows.addCell(cell(row.value(), total, Element.ALIGN_RIGHT));
        }
        document.add(rows);
        page.below().forEach(paragraph -> document.add(new Paragraph(paragraph, TEXT)));
    }

    private static PdfPCell cell(String text, boolean total, int alignment) {
        PdfPCell cell = new PdfPCell(new Phrase(text, total ? STRONG : TEXT));
        cell.setHorizontalAlignment(alignment);
        cell.setBorder(total ? Rectangle.TOP | Rectangle.BOTTOM : Rectangle.NO_BORDER);
        cell.setPaddingBottom(5);
        return cell;
    }
}
