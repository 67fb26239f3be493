package vestcoin.core.tax;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Published rates that a tax book can be filled from and is compared with. The pack is {@code reference-rates.tsv}
 * beside this class; {@code docs/reference-rates.md} says where it comes from and with what it was compared.
 */
public final class Reference {
    /**
     * One published rate.
     *
     * @param place country or subdivision
     * @param kind {@code standard}, {@code reduced} or {@code zero}
     * @param rate with its components
     * @param since day it began, where that is known
     * @param source law or authority
     * @param sure how far the figure was checked
     * @param lookedAt day of that
     */
    public record Row(
            String place,
            String kind,
            Tax.Rate rate,
            Optional<LocalDate> since,
            String source,
            String sure,
            LocalDate lookedAt) {}

    private static final Map<String, List<Row>> ROWS = read();

    private Reference() {}

    /** The rates published for a country or a subdivision, standard first; empty where the pack has none. */
    public static List<Row> of(String place) {
        return ROWS.getOrDefault(place, List.of());
    }

    /** Every place the pack has rates for. */
    public static List<String> places() {
        return List.copyOf(ROWS.keySet());
    }

    /**
     * Whether a rate, or one of several components of it, is one of those published for a place; true where none is
     * known.
     */
    public static boolean agrees(String place, Tax.Rate rate) {
        return of(place).isEmpty()
                || of(place).stream()
                        .anyMatch(row -> row.rate().total().compareTo(rate.total()) == 0
                                || rate.components().size() > 1
                                        && rate.components().stream()
                                                .anyMatch(component -> component
                                                                .percent()
                                                                .compareTo(row.rate()
                                                                        .total())
                                                        == 0));
    }

    private static Map<String, List<Row>> read() {
        Map<String, List<Row>> rows = new LinkedHashMap<>();
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(Reference.class.getResourceAsStream("reference-rates.tsv")),
                StandardCharsets.UTF_8))) {
            reader.lines().skip(1).map(line -> line.split("\t")).forEach(cells -> rows.computeIfAbsent(
                            cells[0], k -> new ArrayList<>())
                    .add(row(cells)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return rows;
    }

    private static Row row(String[] cells) {
        Tax.Rate rate = cells[2].contains("+")
                ? RateCell.parse(cells[0], cells[2] + " " + cells[3], "").orElseThrow()
                : Tax.Rate.of(cells[2], cells[3]);
        return new Row(
                cells[0],
                cells[1],
                rate,
                cells[4].isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(cells[4])),
                cells[5],
                cells[6],
                LocalDate.parse(cells[7]));
    }
}
