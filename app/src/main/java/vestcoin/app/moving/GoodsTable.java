package vestcoin.app.moving;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.util.ArrayList;
import java.util.List;
import vestcoin.app.format.FileText;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A table from a file of any making: by RFC 4180, with a comma, a semicolon, a tab or a bar between its cells.
 *
 * @param headings of its columns
 * @param rows each as long as the headings
 */
record GoodsTable(List<String> headings, List<Row> rows) {
    static final int MOST_ROWS = 50_000;
    private static final int MOST_COLUMNS = 200;

    /** @param line in the file, from 1 @param longer whether it has more than there are headings */
    record Row(long line, List<String> cells, boolean longer) {}

    /** @throws InvalidInput if it is no table */
    static GoodsTable read(byte[] file) {
        String text = FileText.of(file);
        List<CsvRecord> records;
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator(text))
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(text)) {
            records = reader.stream().limit(MOST_ROWS + 2L).toList();
        } catch (CsvParseException | java.io.IOException e) {
            throw new InvalidInput(
                    "file",
                    Message.of("setup.file-cannot-read-table", "message", e.getMessage()),
                    Message.of("moving.look-for-a-quote-that-does-not-close"));
        }
        if (records.size() < 2) {
            throw new InvalidInput(
                    "file", Message.of("moving.file-has-no-rows"), Message.of("moving.first-row-is-headings"));
        }
        if (records.size() > MOST_ROWS + 1 || records.get(0).getFieldCount() > MOST_COLUMNS) {
            throw new InvalidInput(
                    "file",
                    Message.of("moving.file-is-too-long", "rows", MOST_ROWS, "columns", MOST_COLUMNS),
                    Message.of("moving.take-it-apart"));
        }
        CsvRecord last = records.get(records.size() - 1);
        if (count(text, '"') % 2 == 1 && last.getFields().stream().anyMatch(cell -> cell.contains("\n"))) {
            throw new InvalidInput(
                    "file",
                    Message.of("moving.a-quote-does-not-close", "line", last.getStartingLineNumber()),
                    Message.of("moving.look-for-a-quote-that-does-not-close"));
        }
        List<String> headings =
                records.get(0).getFields().stream().map(String::strip).toList();
        List<Row> rows = new ArrayList<>();
        for (CsvRecord each : records.subList(1, records.size())) {
            List<String> cells = new ArrayList<>();
            for (int i = 0; i < headings.size(); i++) {
                cells.add(i < each.getFieldCount() ? each.getField(i).strip() : "");
            }
            if (cells.stream().anyMatch(cell -> !cell.isEmpty())) {
                rows.add(new Row(
                        each.getStartingLineNumber(),
                        cells,
                        each.getFields().stream().skip(headings.size()).anyMatch(cell -> !cell.isBlank())));
            }
        }
        return new GoodsTable(headings, rows);
    }

    List<String> column(int index) {
        return rows.stream().map(row -> row.cells().get(index)).toList();
    }

    /** Whichever of the usual signs the headings have most of. */
    private static char separator(String text) {
        String first = text.lines().filter(line -> !line.isBlank()).findFirst().orElse("");
        char best = ',';
        for (char sign : new char[] {';', '\t', '|'}) {
            if (count(first, sign) > count(first, best)) {
                best = sign;
            }
        }
        return best;
    }

    private static long count(String text, char sign) {
        return text.chars().filter(each -> each == sign).count();
    }
}
