package vestcoin.standins.carrier;

import com.lowagie.text.Document;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.pdf.Barcode128;
import com.lowagie.text.pdf.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.util.List;

/** A label as the simulated carrier prints it, A6, with its number as a bar code (Code 128). */
final class Label {
    private static final float MARGIN = 18;

    private Label() {}

    static byte[] pdf(String service, String tracking, String from, List<String> to, int parcels) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document document = new Document(PageSize.A6, MARGIN, MARGIN, MARGIN, MARGIN);
        PdfWriter writer = PdfWriter.getInstance(document, out);
        document.open();
        for (int parcel = 1; parcel <= parcels; parcel++) {
            document.newPage();
            document.add(new Paragraph(service, new Font(Font.HELVETICA, 14, Font.BOLD)));
            document.add(new Paragraph("Practice. Nothing is carried.", new Font(Font.HELVETICA, 8)));
            document.add(new Paragraph("From " + from, new Font(Font.HELVETICA, 8)));
            Paragraph address = new Paragraph(String.join("\n", to), new Font(Font.HELVETICA, 12));
            address.setSpacingBefore(24);
            address.setSpacingAfter(24);
            document.add(address);
            Barcode128 code = new Barcode128();
            code.setCode(tracking);
            code.setBarHeight(46);
            document.add(code.createImageWithBarcode(writer.getDirectContent(), null, null));
            document.add(new Paragraph(parcel + " / " + parcels, new Font(Font.HELVETICA, 10)));
        }
        document.close();
        return out.toByteArray();
    }
}
