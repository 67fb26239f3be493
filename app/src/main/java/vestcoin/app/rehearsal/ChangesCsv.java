package vestcoin.app.rehearsal;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import vestcoin.app.edge.Answers;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.core.compare.Changes;

/** Orders that change, as CSV (RFC 4180), a row an order. */
public final class ChangesCsv {
    private ChangesCsv() {}

    public static void write(List<Changes.Changed> orders, OutputStream out) throws IOException {
        CsvWriter csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        csv.writeRecord(
                "order", "currency", "what", "cause", "names", "label", "others", "before", "after", "difference");
        for (Changes.Changed each : orders) {
            csv.writeRecord(
                    SpreadsheetText.written(each.name()),
                    each.currency(),
                    each.kind().name().toLowerCase(Locale.ROOT),
                    each.cause().path(),
                    SpreadsheetText.written(String.join(", ", each.cause().names())),
                    SpreadsheetText.written(Answers.phrases().say(each.cause().label())),
                    String.valueOf(each.others()),
                    each.before().toPlainString(),
                    each.after().toPlainString(),
                    each.after().subtract(each.before()).toPlainString());
        }
        csv.flush();
    }
}
