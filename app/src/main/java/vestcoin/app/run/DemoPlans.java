package vestcoin.app.run;

import com.lowagie.text.Document;
import com.lowagie.text.DocumentException;
import com.lowagie.text.Font;
import com.lowagie.text.FontFactory;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.pdf.PdfContentByte;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;

/** The plans for a box kite that the demo sells as a file: one page, drawn here. */
final class DemoPlans {
    private static final float LEFT = 90;
    private static final float BOTTOM = 300;
    private static final float SIDE = 170;
    private static final float DEPTH = 90;

    private DemoPlans() {}

    static byte[] pdf() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document page = new Document(PageSize.A4);
        try {
            PdfWriter writer = PdfWriter.getInstance(page, out);
            page.open();
            page.add(new Paragraph("Plans for a box kite", FontFactory.getFont(FontFactory.HELVETICA, 22, Font.BOLD)));
            page.add(new Paragraph(
                    "Four spars of 100 cm, eight cross spars of 33 cm, two cells of sail cloth, each 30 cm "
                            + "deep and 100 cm around. The line is tied a third down from the upper cell."));
            drawn(writer.getDirectContent());
            page.close();
        } catch (DocumentException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    private static void drawn(PdfContentByte sheet) {
        sheet.setLineWidth(1.2f);
        cell(sheet, BOTTOM);
        cell(sheet, BOTTOM + SIDE);
        for (float x : new float[] {0, SIDE}) {
            spar(sheet, LEFT + x, BOTTOM - 20, LEFT + x, BOTTOM + 2 * SIDE);
            spar(sheet, LEFT + x + DEPTH, BOTTOM + 25, LEFT + x + DEPTH, BOTTOM + 2 * SIDE + 45);
        }
        sheet.stroke();
    }

    /** One cell of cloth, seen from the side. */
    private static void cell(PdfContentByte sheet, float y) {
        float top = y + SIDE / 2;
        sheet.rectangle(LEFT, y, SIDE, SIDE / 2);
        spar(sheet, LEFT, top, LEFT + DEPTH, top + 45);
        spar(sheet, LEFT + SIDE, top, LEFT + SIDE + DEPTH, top + 45);
        spar(sheet, LEFT + SIDE, y, LEFT + SIDE + DEPTH, y + 45);
        spar(sheet, LEFT + DEPTH, top + 45, LEFT + SIDE + DEPTH, top + 45);
        sheet.stroke();
    }

    private static void spar(PdfContentByte sheet, float x1, float y1, float x2, float y2) {
        sheet.moveTo(x1, y1);
        sheet.lineTo(x2, y2);
    }
}
