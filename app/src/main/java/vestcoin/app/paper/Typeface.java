package vestcoin.app.paper;

import com.lowagie.text.Document;
import com.lowagie.text.pdf.BaseFont;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;

/**
 * The typeface of what is printed: one with the letters of Europe's languages, which comes with the PDF library,
 * embedded.
 */
public final class Typeface {
    private static final String FONT = "/font-fallback/LiberationSans-Regular.ttf";
    public static final BaseFont BASE = base();

    private Typeface() {}

    private static BaseFont base() {
        try (InputStream in = Objects.requireNonNull(Document.class.getResourceAsStream(FONT))) {
            return BaseFont.createFont(
                    "LiberationSans-Regular.ttf",
                    BaseFont.IDENTITY_H,
                    BaseFont.EMBEDDED,
                    true,
                    in.readAllBytes(),
                    null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
