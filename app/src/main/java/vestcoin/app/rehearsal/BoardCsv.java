package vestcoin.app.rehearsal;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import vestcoin.app.edge.Answers;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.core.place.Destination;
import vestcoin.core.rehearsal.BoardCell;

/** The board as CSV (RFC 4180), a row a cell: every figure of the draft, and what is to be paid live. */
final class BoardCsv {
    private BoardCsv() {}

    /** @param names of the baskets, by their ids */
    static void write(BoardController.Board board, Map<String, String> names, OutputStream out) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            csv.writeRecord(
                    "basket",
                    "country",
                    "region",
                    "postcode",
                    "currency",
                    "to pay",
                    "to pay live",
                    "delivery",
                    "way",
                    "tax",
                    "days",
                    "you keep",
                    "ways to pay",
                    "why not");
            for (BoardController.Row row : board.rows()) {
                for (int i = 0; i < board.places().size(); i++) {
                    Destination to = board.places().get(i);
                    BoardController.Cell cell = row.cells().get(i);
                    BoardCell now = cell.now();
                    csv.writeRecord(
                            SpreadsheetText.written(names.get(row.basket())),
                            to.country(),
                            to.region().orElse(""),
                            SpreadsheetText.written(to.postcode().orElse("")),
                            row.currency(),
                            plain(now.toPay()),
                            plain(cell.live().orElse(now).toPay()),
                            plain(now.delivery()),
                            now.option().orElse(""),
                            plain(now.tax()),
                            now.days().map(String::valueOf).orElse(""),
                            plain(now.keep()),
                            String.join(" ", now.ways()),
                            now.hole()
                                    .map(Answers.phrases()::say)
                                    .map(SpreadsheetText::written)
                                    .orElse(""));
                }
            }
        }
    }

    private static String plain(Optional<BigDecimal> amount) {
        return amount.map(BigDecimal::toPlainString).orElse("");
    }
}
