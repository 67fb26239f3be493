package vestcoin.app.settings;

import de.siegmar.fastcsv.reader.CsvReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * One property and a change of it that is felt.
 *
 * @param felt where
 * @param first what is changed before, so that the property has something to act on; edits joined by {@code ;;}
 * @param change path, equals sign and value as JSON with single quotes; a hyphen takes away
 * @param basket an order for which it matters, as JSON with single quotes; {@code cork} for the usual one
 */
record SettingRow(String property, Set<Felt> felt, String first, String change, String basket) {
    static List<SettingRow> all() {
        try (CsvReader<de.siegmar.fastcsv.reader.CsvRecord> rows = CsvReader.builder()
                .fieldSeparator('\t')
                .quoteCharacter('"')
                .commentStrategy(de.siegmar.fastcsv.reader.CommentStrategy.SKIP)
                .allowMissingFields(true)
                .ofCsvRecord(new InputStreamReader(
                        Objects.requireNonNull(SettingRow.class.getResourceAsStream("/settings.tsv")),
                        StandardCharsets.UTF_8))) {
            return rows.stream()
                    .map(row -> row.getFields().stream().map(String::strip).collect(Collectors.toList()))
                    .map(fields -> new SettingRow(
                            fields.get(0), places(fields.get(1)), at(fields, 3), at(fields, 2), at(fields, 4)))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String at(List<String> fields, int place) {
        return fields.size() > place ? fields.get(place) : "";
    }

    private static Set<Felt> places(String text) {
        return Arrays.stream(text.split(","))
                .map(String::strip)
                .map(place -> Arrays.stream(Felt.values())
                        .filter(felt -> felt.text().equals(place))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException("no place is called " + place)))
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Felt.class)));
    }
}
