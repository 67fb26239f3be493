package vestcoin.app.moving;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Document;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Setup;

/**
 * Goods as a table of any making has them, with what each of its columns holds. Rows of one product, by what they
 * belong to or by the same name, become its options and variations. What a row cannot be taken for is named; the rest
 * is taken.
 */
final class GoodsReading {
    /** A row, or a part of it, that cannot be taken. @param line in the file, from 1 */
    record RowProblem(long line, String heading, Message sentence, Message remedy) {}

    /**
     * @param products new ones, and those there are with what the file says of them, as a setup writes them
     * @param lines where each stands in the file, by id
     * @param added ids of the new ones
     * @param groups headings of the list of goods that are new, by id
     * @param stock how many there are, by what is counted
     */
    record ReadGoods(
            Map<String, ObjectNode> products,
            Map<String, Long> lines,
            Set<String> added,
            Map<String, String> groups,
            Map<String, BigDecimal> stock,
            List<RowProblem> refused) {}

    private static final int LONGEST_NAME = 200;
    private static final String SEVERAL = "\\s*[|;,/]\\s*";
    private static final int MOST_CHOICES = 100;

    private final Setup setup;
    private final GoodsTable table;
    private final List<Meaning> meanings;
    private final Map<Integer, Character> decimals = new HashMap<>();
    private final Map<Integer, Boolean> months = new HashMap<>();
    private final int digits;

    private final Map<String, JsonNode> known = new HashMap<>();
    /** Ids of groups by what their names come to. */
    private final Map<String, String> groups = new HashMap<>();

    private final Map<String, String> newGroups = new LinkedHashMap<>();
    private final Map<String, ObjectNode> made = new LinkedHashMap<>();
    private final Map<String, Long> lines = new HashMap<>();
    private final Set<String> added = new LinkedHashSet<>();
    private final Map<String, BigDecimal> stock = new TreeMap<>();
    private final List<RowProblem> refused = new ArrayList<>();

    private GoodsReading(Document document, GoodsTable table, List<Meaning> meanings) {
        this.setup = document.setup();
        this.table = table;
        this.meanings = meanings;
        this.digits = CurrencyUnit.of(setup.shop().currency()).getDecimalPlaces();
        document.tree()
                .path("goods")
                .path("products")
                .forEach(product -> known.put(product.path("id").asString(), product));
        setup.goods().groups().forEach(group -> groups.put(Ids.of(group.name()), group.id()));
        for (int i = 0; i < meanings.size(); i++) {
            decimals.put(i, CellReading.decimal(table.column(i)));
            months.put(i, CellReading.monthFirst(table.column(i)));
        }
    }

    static ReadGoods of(Document document, GoodsTable table, List<Meaning> meanings) {
        return new GoodsReading(document, table, meanings).all();
    }

    private ReadGoods all() {
        together().values().forEach(this::product);
        return new ReadGoods(made, lines, added, newGroups, stock, refused);
    }

    /** The rows of each product, in the order of the file. */
    private Map<String, List<GoodsTable.Row>> together() {
        boolean belonging = meanings.contains(Meaning.BELONGS_TO);
        boolean choosing = meanings.contains(Meaning.OPTION);
        Map<String, List<GoodsTable.Row>> together = new LinkedHashMap<>();
        for (GoodsTable.Row row : table.rows()) {
            if (row.longer()) {
                refuse(row, Meaning.NOTHING, Message.of("moving.more-cells-than-headings"));
                continue;
            }
            String code = cell(row, Meaning.CODE);
            String key = belonging
                    ? (cell(row, Meaning.BELONGS_TO).isEmpty() ? code : cell(row, Meaning.BELONGS_TO))
                    : choosing ? cell(row, Meaning.NAME) : "";
            together.computeIfAbsent(
                            key.isEmpty() ? "row " + row.line() : "key " + Ids.of(key), each -> new ArrayList<>())
                    .add(row);
        }
        return together;
    }

    private void product(List<GoodsTable.Row> rows) {
        GoodsTable.Row first = rows.stream()
                .filter(row -> !cell(row, Meaning.NAME).isEmpty())
                .findFirst()
                .orElse(rows.get(0));
        String name = cell(first, Meaning.NAME);
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            rows.forEach(row -> refuse(row, Meaning.NAME, Message.of("moving.no-name")));
            return;
        }
        boolean several = rows.size() > 1;
        String code = several && meanings.contains(Meaning.BELONGS_TO)
                ? cell(rows.get(rows.size() - 1), Meaning.BELONGS_TO)
                : several ? "" : cell(first, Meaning.CODE);
        String id = Ids.of(code.isEmpty() ? name : code);
        if (made.containsKey(id)) {
            rows.forEach(row -> refuse(row, Meaning.CODE, Message.of("moving.code-twice", "code", id)));
            return;
        }
        Optional<JsonNode> before = Optional.ofNullable(known.get(id));
        Map<GoodsTable.Row, BigDecimal> prices = new LinkedHashMap<>();
        rows.forEach(row -> read(row, Meaning.PRICE, this::amount).ifPresent(price -> prices.put(row, price)));
        Optional<BigDecimal> price = Optional.ofNullable(prices.get(first))
                .or(() -> prices.values().stream().min(BigDecimal::compareTo))
                .or(() -> before.map(
                        product -> new BigDecimal(product.path("price").asString("0"))));
        if (price.isEmpty()) {
            if (refused.stream().noneMatch(each -> each.line() == first.line())) {
                refuse(first, Meaning.PRICE, Message.of("moving.no-price"));
            }
            return;
        }
        ObjectNode product = before.map(known -> (ObjectNode) known.deepCopy()).orElseGet(() -> started(id));
        product.put("name", name).put("price", price.get().toPlainString());
        read(first, Meaning.WEIGHT, this::weight).ifPresent(weight -> product.put("weight", weight.text()));
        sale(first).ifPresent(sale -> product.set("sale", sale));
        read(first, Meaning.COST, this::amount).ifPresent(cost -> product.put("cost", cost.toPlainString()));
        Optional.of(cell(first, Meaning.GROUP))
                .filter(group -> !group.isEmpty())
                .ifPresent(group -> product.put("group", group(group)));
        sentence(first).ifPresent(said -> {
            ObjectNode shown = product.path("shown") instanceof ObjectNode there ? there : product.putObject("shown");
            shown.put("sentence", said);
        });
        List<Product.Option> options = options(rows);
        if (!options.isEmpty()) {
            product.set("options", Json.tree(options));
            ArrayNode variations = product.putArray("variations");
            if (several) {
                variations(id, rows, options, price.get(), prices).forEach(variations::add);
            }
        }
        if (!several) {
            read(first, Meaning.STOCK, this::count).ifPresent(count -> stock.put(id, count));
        }
        made.put(id, product);
        lines.put(id, first.line());
        if (before.isEmpty()) {
            added.add(id);
        }
    }

    private ObjectNode started(String id) {
        ObjectNode product = JsonNodeFactory.instance.objectNode().put("id", id);
        product.put("kind", Json.named(Product.Kind.PHYSICAL));
        setup.tax().categories().stream().findFirst().ifPresent(category -> product.put("category", category.id()));
        product.putArray("options");
        return product;
    }

    /** Without what a page from elsewhere marks up, and no longer than the list of goods can bear. */
    private Optional<String> sentence(GoodsTable.Row row) {
        return Optional.of(cell(row, Meaning.SENTENCE))
                .map(said -> said.replaceAll("<[^>]{0,1000}>", " ")
                        .replaceAll("\\s+", " ")
                        .strip())
                .filter(said -> !said.isEmpty())
                .map(said -> said.length() <= Product.Shown.LONGEST
                        ? said
                        : said.substring(0, Product.Shown.LONGEST - 1).strip() + "…");
    }

    private Optional<ObjectNode> sale(GoodsTable.Row row) {
        return read(row, Meaning.SALE_PRICE, this::amount).map(price -> {
            ObjectNode sale = JsonNodeFactory.instance.objectNode().put("price", price.toPlainString());
            ObjectNode window = sale.putObject("window");
            read(row, Meaning.SALE_FROM, this::day).ifPresent(day -> window.put("from", day.toString()));
            read(row, Meaning.SALE_TO, this::day).ifPresent(day -> window.put("to", day.toString()));
            return sale;
        });
    }

    /** The group of goods of this name, made if there is none; of a path the last step. */
    private String group(String name) {
        String last = Arrays.stream(name.split("\\s*[>/]\\s*"))
                .filter(part -> !part.isBlank())
                .reduce((one, other) -> other)
                .orElse(name);
        return groups.computeIfAbsent(Ids.of(last), id -> {
            newGroups.put(id, last);
            return id;
        });
    }

    /** Of a column each, of several named in one cell, or of what several rows have. */
    private List<Product.Option> options(List<GoodsTable.Row> rows) {
        Map<String, Set<String>> choices = new LinkedHashMap<>();
        for (int i = 0; i < meanings.size(); i++) {
            if (meanings.get(i) == Meaning.OPTION) {
                Set<String> values = new LinkedHashSet<>();
                for (GoodsTable.Row row : rows) {
                    values.addAll(split(row.cells().get(i), rows.size() == 1));
                }
                if (!values.isEmpty()) {
                    choices.put(table.headings().get(i), values);
                }
            }
        }
        for (GoodsTable.Row row : rows) {
            for (String option : cell(row, Meaning.OPTIONS).split("\\s*[;\\n]\\s*")) {
                String[] named = option.split("\\s*[:=]\\s*", 2);
                if (named.length == 2 && !named[0].isBlank()) {
                    choices.computeIfAbsent(named[0].strip(), key -> new LinkedHashSet<>())
                            .addAll(split(named[1], true));
                }
            }
        }
        List<Product.Option> options = new ArrayList<>();
        choices.forEach((name, values) -> {
            Ids ids = new Ids();
            options.add(new Product.Option(
                    Ids.of(name),
                    name,
                    values.stream()
                            .limit(MOST_CHOICES)
                            .map(value -> new Product.Choice(ids.next(value), value, null, null))
                            .toList()));
        });
        return options;
    }

    private static List<String> split(String cell, boolean several) {
        return cell.isBlank()
                ? List.of()
                : several
                        ? Arrays.stream(cell.split(SEVERAL))
                                .filter(value -> !value.isBlank())
                                .toList()
                        : List.of(cell);
    }

    /** A row each: what it costs where that is another price, what it weighs, how many there are. */
    private List<ObjectNode> variations(
            String id,
            List<GoodsTable.Row> rows,
            List<Product.Option> options,
            BigDecimal price,
            Map<GoodsTable.Row, BigDecimal> prices) {
        List<ObjectNode> variations = new ArrayList<>();
        Ids ids = new Ids();
        for (GoodsTable.Row row : rows) {
            Map<String, String> chosen = new TreeMap<>();
            for (int i = 0; i < meanings.size(); i++) {
                String value = row.cells().get(i);
                String heading = table.headings().get(i);
                if (meanings.get(i) == Meaning.OPTION && !value.isEmpty()) {
                    options.stream()
                            .filter(option -> option.name().equals(heading))
                            .flatMap(option -> option.choices().stream()
                                    .filter(choice -> choice.name().equals(value))
                                    .map(choice -> Map.entry(option.id(), choice.id())))
                            .forEach(each -> chosen.put(each.getKey(), each.getValue()));
                }
            }
            if (chosen.isEmpty()) {
                continue;
            }
            String variation = ids.next(String.join(" ", chosen.values()));
            ObjectNode made = JsonNodeFactory.instance.objectNode().put("id", variation);
            made.set("options", Json.tree(chosen));
            Optional.ofNullable(prices.get(row))
                    .filter(each -> each.compareTo(price) != 0)
                    .ifPresent(own -> made.put("price", own.toPlainString()));
            read(row, Meaning.WEIGHT, this::weight).ifPresent(weight -> made.put("weight", weight.text()));
            sale(row).ifPresent(sale -> made.set("sale", sale));
            Optional<BigDecimal> count = read(row, Meaning.STOCK, this::count);
            count.ifPresent(left -> stock.put(id + "/" + variation, left));
            if (count.isPresent() || made.size() > 2) {
                variations.add(made);
            }
        }
        return variations;
    }

    private String cell(GoodsTable.Row row, Meaning meaning) {
        int column = meanings.indexOf(meaning);
        return column < 0 ? "" : row.cells().get(column);
    }

    /** What a cell says, if anything; what cannot be read is refused and the rest of the row goes on. */
    private <T> Optional<T> read(GoodsTable.Row row, Meaning meaning, Function<String, Optional<T>> reading) {
        String cell = cell(row, meaning);
        if (cell.isEmpty()) {
            return Optional.empty();
        }
        Optional<T> read = reading.apply(cell);
        if (read.isEmpty()) {
            refuse(row, meaning, Message.of("moving.cannot-be-read", "text", cell));
        }
        return read;
    }

    private Optional<BigDecimal> amount(String cell) {
        return CellReading.number(cell, decimalOf(Meaning.PRICE, cell))
                .filter(price ->
                        price.signum() >= 0 && price.stripTrailingZeros().scale() <= digits)
                .map(price -> price.setScale(digits));
    }

    /** Prices are written alike in all columns of a file. */
    private char decimalOf(Meaning meaning, String cell) {
        int column = meanings.indexOf(meaning);
        return column < 0 ? CellReading.decimal(Collections.singletonList(cell)) : decimals.get(column);
    }

    private Optional<BigDecimal> count(String cell) {
        return CellReading.number(cell, decimalOf(Meaning.STOCK, cell))
                .filter(count ->
                        count.signum() >= 0 && count.stripTrailingZeros().scale() <= 3);
    }

    private Optional<LocalDate> day(String cell) {
        return CellReading.day(cell, months.values().stream().anyMatch(Boolean::booleanValue));
    }

    private Optional<Weight> weight(String cell) {
        int column = meanings.indexOf(Meaning.WEIGHT);
        String unit = CellReading.unit(cell)
                .or(() -> CellReading.unit(table.headings().get(column)))
                .orElse(setup.shop().weightUnit());
        return CellReading.number(cell, decimals.get(column))
                .filter(value -> value.signum() >= 0)
                .map(value -> new Weight(value, unit));
    }

    private void refuse(GoodsTable.Row row, Meaning meaning, Message sentence) {
        int column = meaning == Meaning.NOTHING ? -1 : meanings.indexOf(meaning);
        refused.add(new RowProblem(
                row.line(),
                column < 0 ? "" : table.headings().get(column),
                sentence,
                Message.of("moving.mend-row-or-go-on-without")));
    }
}
