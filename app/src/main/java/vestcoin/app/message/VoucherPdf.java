package vestcoin.app.message;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.util.List;
import vestcoin.app.paper.Typeface;

/** A voucher to print: one page, A5 lying down. */
final class VoucherPdf {
    private static final float MARGIN = 36;
    private static final float FRAME = 24;
    private static final Font TEXT = new Font(Typeface.BASE, 10);
    private static final Font SHOP = new Font(Typeface.BASE, 13, Font.BOLD);
    private static final Font WORTH = new Font(Typeface.BASE, 34, Font.BOLD);
    private static final Font CODE = new Font(Typeface.BASE, 18, Font.BOLD);

    private VoucherPdf() {}

    /** @param message with line breaks, may be empty @param below sentences under the code */
    record Page(String title, String shop, String worth, String code, String message, List<String> below) {}

    static byte[] of(Page page) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document document = new Document(PageSize.A5.rotate(), MARGIN, MARGIN, MARGIN, MARGIN);
        PdfWriter.getInstance(document, out);
        document.addTitle(page.title());
        document.open();
        PdfPCell frame = new PdfPCell();
        frame.setBorder(Rectangle.BOX);
        frame.setPadding(FRAME);
        frame.setMinimumHeight(PageSize.A5.getWidth() - 2 * MARGIN - 2);
        frame.addElement(new Paragraph(page.shop(), SHOP));
        frame.addElement(new Paragraph(page.title(), TEXT));
        frame.addElement(middle(page.worth(), WORTH, 18));
        if (!page.message().isEmpty()) {
            frame.addElement(middle(page.message(), TEXT, 8));
        }
        frame.addElement(middle(page.code(), CODE, 18));
        page.below().forEach(sentence -> frame.addElement(middle(sentence, TEXT, 2)));
        PdfPTable whole = new PdfPTable(1);
        whole.setWidthPercentage(100);
        whole.addCell(frame);
        document.add(whole);
        document.close();
        return out.toByteArray();
    }

    private static Paragraph middle(String text, Font font, float before) {
        Paragraph paragraph = new Paragraph(text, font);
        paragraph.setLeading(font.getSize() * 1.3f);
        paragraph.setAlignment(Element.ALIGN_CENTER);
        paragraph.setSpacingBefore(before);
        return paragraph;
    }
}
