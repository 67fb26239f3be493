package vestcoin.app.setup;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.FileText;
import vestcoin.app.format.Json;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/**
 * A sheet of the desk as a CSV file (RFC 4180; comma, semicolon or tab): goods, the rate sheet, the tax book. A row is
 * found by its code, a column by its header; columns that are not there change nothing, an empty cell empties its
 * field. Rows that are not in the file stay.
 */
final class SheetFile {
    private static final String CODE = "code";
    private static final int MOST_SHOWN = 200;
    private static final String RATES = "rates/";
    private static final List<String> GOODS = List.of(
            "name", "kind", "price", "cost", "category", "weight", "group", "sending/size", "sending/preparation");
    private static final List<String> PLACES = List.of("name", "places", "except");

    /**
     * @param station it belongs to @param list path of the list @param columns header to the path within a row @param
     *     texts how each of those is read and written
     */
    private record Sheet(
            String station,
            String list,
            Map<String, String> columns,
            Map<String, TypedTexts.TypedText> texts,
            LongList<?, ?> things) {
        static Sheet of(String station, Map<String, String> columns) {
            LongList<?, ?> things = LongList.of(station);
            String list = station + "/" + things.field();
            Map<String, TypedTexts.TypedText> texts = new HashMap<>();
            columns.values().forEach(path -> texts.put(path, TypedTexts.at(list + "/any/" + path)));
            return new Sheet(station, list, columns, texts, things);
        }
    }

    /** A cell that would change. @param was and now as they are typed */
    record Change(String code, String name, String column, String was, String now) {}

    /** A row that cannot be taken. @param line in the file, from 1 */
    record Bad(long line, String code, String column, Message sentence, Message remedy) {}

    /**
     * What a file would do.
     *
     * @param rows in the file
     * @param added names of new rows, the first of them
     * @param changed how many rows would change
     * @param changes cell by cell, the first of them
     * @param bad every row that cannot be taken
     */
    record Preview(int rows, int addedCount, List<String> added, int changed, List<Change> changes, List<Bad> bad) {}

    /** @param edit the whole list as it would be, from the good rows alone; nothing when nothing changes */
    record Read(Preview preview, Optional<Edit> edit) {}

    private final Document document;
    private final Sheet sheet;
    private final Map<String, ObjectNode> rows = new LinkedHashMap<>();
    private final Map<String, ObjectNode> before = new HashMap<>();
    /** The rows as they are read, in the same order. */
    private final Map<String, Object> things = new LinkedHashMap<>();

    private final Map<String, Object> thingsBefore = new HashMap<>();
    private final Map<String, Long> lines = new HashMap<>();
    private final Set<String> added = new LinkedHashSet<>();
    private final List<Change> changes = new ArrayList<>();
    private final Set<String> changed = new LinkedHashSet<>();
    private final List<Bad> bad = new ArrayList<>();

    private SheetFile(Document document, Sheet sheet) {
        this.document = document;
        this.sheet = sheet;
        for (JsonNode row : list()) {
            rows.put(row.path("id").asString(), (ObjectNode) row);
        }
        before.putAll(rows);
        List<?> known = sheet.things().of(document.station(sheet.station()));
        int i = 0;
        for (String code : rows.keySet()) {
            things.put(code, known.get(i++));
        }
        thingsBefore.putAll(things);
    }

    private ArrayNode list() {
        return Edits.at(document.tree(), sheet.list())
                .filter(ArrayNode.class::isInstance)
                .map(ArrayNode.class::cast)
                .orElseGet(JsonNodeFactory.instance::arrayNode);
    }

    /** @throws InvalidInput if there is no such sheet */
    static SheetFile of(Document document, String name) {
        JsonNode tree = document.tree();
        return new SheetFile(
                document,
                switch (name) {
                    case "goods" -> Sheet.of("goods", columns(GOODS, "", Stream.empty()));
                    case "rates" -> rates(tree.path("delivery").path("options"));
                    case "taxes" ->
                        Sheet.of(
                                "tax",
                                columns(
                                        PLACES,
                                        RATES,
                                        tree.path("tax").path("categories").valueStream()));
                    default ->
                        throw new InvalidInput(
                                "sheet",
                                Message.of("setup.there-no-sheet", "name", name),
                                Message.of("setup.use-goods-rates-or-taxes"));
                });
    }

    /** A column a way of delivery with what buyers pay, and one with what it costs the seller. */
    private static Sheet rates(JsonNode options) {
        Map<String, String> columns = columns(PLACES, RATES, options.valueStream());
        options.forEach(option -> columns.put(
                option.path("id").asString() + " cost",
                "costs/" + option.path("id").asString()));
        return Sheet.of("delivery", columns);
    }

    private static Map<String, String> columns(List<String> fixed, String prefix, Stream<JsonNode> others) {
        Map<String, String> columns = new LinkedHashMap<>();
        fixed.forEach(path -> columns.put(path.substring(path.lastIndexOf('/') + 1), path));
        others.forEach(each ->
                columns.put(each.path("id").asString(), prefix + each.path("id").asString()));
        return columns;
    }

    /** The sheet as a file. */
    String written() {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord(Stream.concat(Stream.of(CODE), sheet.columns().keySet().stream())
                    .toList());
            rows.forEach((code, row) -> csv.writeRecord(Stream.concat(
                            Stream.of(code), sheet.columns().values().stream().map(path -> safe(text(code, row, path))))
                    .toList()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private String text(String code, JsonNode row, String path) {
        return Edits.at(row, path)
                .map(value -> sheet.texts().get(path).writing().write(sheet.list() + "/" + code + "/" + path, value))
                .orElse("");
    }

    /** A number is one in a spreadsheet too. */
    private static String safe(String text) {
        return text.matches("-?[0-9.]+") ? text : SpreadsheetText.written(text);
    }

    /** @throws InvalidInput if the file is no table with a code column */
    Read read(String csv) {
        return read(csv, new ReadingProgress());
    }

    /** As {@link #read(String)}, watched. @throws ReadingProgress.Stopped if somebody stopped it */
    Read read(String csv, ReadingProgress watch) {
        List<NamedCsvRecord> records;
        try (CsvReader<NamedCsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator(csv))
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofNamedCsvRecord(FileText.withoutMark(csv))) {
            records = reader.stream().toList();
        } catch (CsvParseException e) {
            throw new InvalidInput(
                    "file",
                    Message.of("setup.file-cannot-read-table", "message", e.getMessage()),
                    Message.of("setup.save-again-csv"));
        } catch (IOException e) {
            throw new InvalidInput("file", Message.of("setup.file-cannot-read"), Message.of("setup.save-again-csv"));
        }
        if (!records.isEmpty()) {
            header(records.get(0));
        }
        // Each row by itself, on all cores there are; then one after the other.
        watch.of(records.size());
        records.parallelStream()
                .map(record -> {
                    watch.one();
                    return looked(record);
                })
                .forEachOrdered(this::take);
        ArrayNode now = judged();
        Optional<Edit> edit = changed.isEmpty() && added.isEmpty()
                ? Optional.empty()
                : Optional.of(new Edit(sheet.list(), Edits.at(document.tree(), sheet.list()), Optional.of(now)));
        bad.sort(java.util.Comparator.comparingLong(Bad::line));
        return new Read(
                new Preview(
                        records.size(),
                        added.size(),
                        added.stream().limit(MOST_SHOWN).map(this::name).toList(),
                        changed.size(),
                        changes.stream().limit(MOST_SHOWN).toList(),
                        bad),
                edit);
    }

    private static char separator(String csv) {
        String first = csv.lines().findFirst().orElse("");
        return List.of(';', '\t', ',').stream()
                .max(java.util.Comparator.comparingLong(
                        c -> first.chars().filter(each -> each == c).count()))
                .orElse(',');
    }

    private void header(NamedCsvRecord record) {
        List<String> unknown = record.getHeader().stream()
                .filter(header -> !header.equals(CODE) && !sheet.columns().containsKey(header))
                .toList();
        if (!record.getHeader().contains(CODE) || !unknown.isEmpty()) {
            throw new InvalidInput(
                    "file",
                    !record.getHeader().contains(CODE)
                            ? Message.of("setup.first-line-has-no-column-code")
                            : Message.of("setup.there-no-column", "column", unknown.get(0)),
                    Message.of(
                            "setup.first-line-names-columns-code",
                            "names",
                            sheet.columns().keySet()));
        }
    }

    /**
     * A row looked at by itself. @param bad why it cannot be taken @param thing what it is read as; nothing where
     * nothing changes
     */
    private record Row(
            long line, String code, Optional<Bad> bad, ObjectNode node, Optional<?> thing, List<Change> changes) {}

    private Row looked(NamedCsvRecord record) {
        String code = coded(record.findField(CODE).orElse("").strip());
        long line = record.getStartingLineNumber();
        if (record.getFieldCount() != record.getHeader().size()) {
            return bad(new Bad(
                    line,
                    code,
                    "",
                    Message.of(
                            "setup.row-has-cells",
                            "count",
                            record.getFieldCount(),
                            "first",
                            record.getHeader().size()),
                    Message.of("setup.check-for-a-comma-too-many")));
        }
        if (code.isEmpty()) {
            return bad(new Bad(
                    line, code, CODE, Message.of("setup.row-has-no-code"), Message.of("setup.give-every-row-a-code")));
        }
        boolean fresh = !before.containsKey(code);
        ObjectNode node =
                fresh ? fresh(code) : JsonNodeFactory.instance.objectNode().setAll(before.get(code));
        List<Change> own = new ArrayList<>();
        for (String header : record.getHeader()) {
            String path = sheet.columns().get(header);
            String typed = SpreadsheetText.read(record.getField(header).strip());
            String was = path == null ? typed : fresh ? "" : text(code, node, path);
            if (typed.equals(was)) {
                continue;
            }
            try {
                set(node, path, value(code, path, typed));
                if (!fresh) {
                    own.add(new Change(code, node.path("name").asString(code), header, was, typed));
                }
            } catch (InvalidInput refused) {
                Problem problem = refused.problems().get(0);
                return bad(new Bad(line, code, header, problem.sentence(), problem.remedy()));
            }
        }
        try {
            Optional<?> thing = own.isEmpty() && !fresh
                    ? Optional.empty()
                    : Optional.of(Json.read(node, sheet.things().type(), code));
            return new Row(line, code, Optional.empty(), node, thing, own);
        } catch (InvalidInput refused) {
            return bad(about(line, code, refused.problems().get(0)));
        }
    }

    /** A code as it is written here: capitals stand for small letters, unless such a row is there already. */
    private String coded(String typed) {
        return before.containsKey(typed)
                ? typed
                : typed.toLowerCase(Locale.ROOT).replace('_', '-').replace(' ', '-');
    }

    /** Sets or empties a field of a row of one's own. */
    private static void set(ObjectNode row, String path, Optional<JsonNode> now) {
        int slash = path.indexOf('/');
        if (slash > 0) {
            String first = path.substring(0, slash);
            row.set(
                    first,
                    Edits.within(
                            row.has(first) ? row.get(first) : JsonNodeFactory.instance.objectNode(),
                            path.substring(slash + 1),
                            now));
        } else if (now.isPresent()) {
            row.set(path, now.get());
        } else {
            row.remove(path);
        }
    }

    private static Row bad(Bad why) {
        return new Row(why.line(), why.code(), Optional.of(why), null, Optional.empty(), List.of());
    }

    private void take(Row row) {
        Long earlier = row.code().isEmpty() ? null : lines.putIfAbsent(row.code(), row.line());
        if (earlier != null) {
            bad.add(new Bad(
                    row.line(),
                    row.code(),
                    CODE,
                    Message.of("setup.code-stands-on-line-already", "code", row.code(), "line", earlier),
                    Message.of("setup.give-every-row-a-code")));
        } else if (row.bad().isPresent()) {
            bad.add(row.bad().get());
        } else if (row.thing().isPresent()) {
            rows.put(row.code(), row.node());
            things.put(row.code(), row.thing().get());
            (before.containsKey(row.code()) ? changed : added).add(row.code());
            changes.addAll(row.changes());
        }
    }

    /** A new row; goods are things unless their kind is said. */
    private ObjectNode fresh(String code) {
        ObjectNode row = JsonNodeFactory.instance.objectNode().put("id", code);
        return sheet.list().startsWith("goods/") ? row.put("kind", "physical") : row;
    }

    private Bad about(long line, String code, Problem problem) {
        String column = problem.path().substring(problem.path().lastIndexOf('/') + 1);
        return new Bad(line, code, column.equals(code) ? "" : column, problem.sentence(), problem.remedy());
    }

    private Optional<JsonNode> value(String code, String path, String typed) {
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        return sheet.texts().get(path).reading().read(sheet.list() + "/" + code + "/" + path, typed, document.tree());
    }

    /** Takes out rows that are impossible beside the rest of the setup, until the others can stand. */
    private ArrayNode judged() {
        boolean sound = changed.isEmpty() && added.isEmpty();
        while (!sound) {
            try {
                document.judge(sheet.station(), List.copyOf(things.values()));
                sound = true;
            } catch (InvalidInput refused) {
                if (!withdraw(refused.problems())) {
                    throw refused;
                }
                sound = changed.isEmpty() && added.isEmpty();
            }
        }
        ArrayNode now = JsonNodeFactory.instance.arrayNode(rows.size());
        rows.values().forEach(now::add);
        return now;
    }

    private boolean withdraw(List<Problem> problems) {
        boolean any = false;
        for (Problem problem : problems) {
            String[] steps = problem.path().split("/");
            String code = steps.length > 2 && problem.path().startsWith(sheet.list() + "/") ? steps[2] : "";
            boolean fresh = added.remove(code);
            if (fresh || changed.remove(code)) {
                any = true;
                bad.add(about(lines.get(code), code, problem));
                changes.removeIf(change -> change.code().equals(code));
                if (fresh) {
                    rows.remove(code);
                    things.remove(code);
                } else {
                    rows.put(code, before.get(code));
                    things.put(code, thingsBefore.get(code));
                }
            }
        }
        return any;
    }

    private String name(String code) {
        return rows.get(code).path("name").asString(code);
    }
}
