package vestcoin.app.moving;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Edit;
import vestcoin.app.stock.StockBook;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/**
 * Takes the goods of a file from elsewhere into the draft, as one change that can be undone; counts hold at once, as
 * all counts do. What the columns of a file held is remembered by their headings.
 */
@Service
class GoodsMoving {
    private static final int SAMPLES = 3;
    private static final int TRIES = 20;

    /** @param samples the first things in it @param doubted whether somebody should look */
    record Column(String heading, List<String> samples, Meaning meaning, boolean doubted) {}

    /**
     * What a file would do.
     *
     * @param rows in the file
     * @param added names of new goods, the first of them
     * @param changed how many of those there are would change
     * @param choices how many have choices
     * @param counted how many things are counted
     * @param groups groups of goods that are new
     * @param refused rows that are not taken, or not wholly
     */
    record Look(
            List<Column> columns,
            int rows,
            int addedCount,
            List<String> added,
            int changed,
            int choices,
            int counted,
            List<String> groups,
            List<GoodsReading.RowProblem> refused) {}

    private record Remembered(String heading, String meaning) {}

    private record Read(Look look, List<Edit> edits, Map<String, BigDecimal> stock) {}

    private static final int MOST_SHOWN = 200;

    private final Drafts drafts;
    private final StockBook stock;
    private final JdbcClient sql;

    GoodsMoving(Drafts drafts, StockBook stock, JdbcClient sql) {
        this.drafts = drafts;
        this.stock = stock;
        this.sql = sql;
    }

    /** @param meanings of the columns in their order, as the seller has corrected them; guessed when empty */
    Look look(String shop, byte[] file, List<Meaning> meanings) {
        return read(shop, file, meanings).look();
    }

    @Transactional
    Look take(String shop, byte[] file, List<Meaning> meanings, String who) {
        Read read = read(shop, file, meanings);
        if (!read.edits().isEmpty()) {
            drafts.edit(shop, read.edits(), who);
        }
        stock.recount(shop, read.stock());
        read.look().columns().forEach(column -> remember(shop, column));
        return read.look();
    }

    private Read read(String shop, byte[] file, List<Meaning> meanings) {
        GoodsTable table = GoodsTable.read(file);
        List<Column> columns = columns(shop, table, meanings);
        Document document = drafts.of(shop).document();
        GoodsReading.ReadGoods taken = GoodsReading.of(
                document, table, columns.stream().map(Column::meaning).toList());
        List<GoodsReading.RowProblem> refused = new ArrayList<>(taken.refused());
        Map<String, ObjectNode> products = new LinkedHashMap<>(taken.products());
        List<Edit> edits = possible(shop, document, taken, products, refused);
        Map<String, BigDecimal> counts = new LinkedHashMap<>(taken.stock());
        counts.keySet().removeIf(item -> !products.containsKey(item.split("/")[0]));
        Map<String, JsonNode> there = new HashMap<>();
        document.tree()
                .path("goods")
                .path("products")
                .forEach(product -> there.put(product.path("id").asString(), product));
        List<String> added =
                products.keySet().stream().filter(taken.added()::contains).toList();
        return new Read(
                new Look(
                        columns,
                        table.rows().size(),
                        added.size(),
                        added.stream()
                                .limit(MOST_SHOWN)
                                .map(id -> products.get(id).path("name").asString())
                                .toList(),
                        (int) products.entrySet().stream()
                                .filter(each -> !taken.added().contains(each.getKey())
                                        && !each.getValue().equals(there.get(each.getKey())))
                                .count(),
                        (int) products.values().stream()
                                .filter(product -> !product.path("options").isEmpty())
                                .count(),
                        counts.size(),
                        List.copyOf(groups(taken, products).values()),
                        refused.stream().limit(MOST_SHOWN).toList()),
                edits,
                counts);
    }

    /** Leaves out what the setup refuses, product by product, until the rest can be taken. */
    private List<Edit> possible(
            String shop,
            Document document,
            GoodsReading.ReadGoods taken,
            Map<String, ObjectNode> products,
            List<GoodsReading.RowProblem> refused) {
        for (int i = 0; i < TRIES && !products.isEmpty(); i++) {
            List<Edit> edits = edits(document, taken, products);
            try {
                drafts.tried(shop, edits);
                return edits;
            } catch (InvalidInput e) {
                Set<String> wrong = new HashSet<>();
                for (Problem problem : e.problems()) {
                    String[] path = problem.path().split("/");
                    String id = path.length > 2 ? path[2] : "";
                    if (products.containsKey(id) && wrong.add(id)) {
                        refused.add(new GoodsReading.RowProblem(
                                taken.lines().get(id), "", problem.sentence(), problem.remedy()));
                    }
                }
                if (wrong.isEmpty()) {
                    throw e;
                }
                products.keySet().removeAll(wrong);
            }
        }
        return List.of();
    }

    private static List<Edit> edits(Document document, GoodsReading.ReadGoods taken, Map<String, ObjectNode> products) {
        JsonNode goods = document.tree().path("goods");
        ArrayNode list = JsonNodeFactory.instance.arrayNode();
        goods.path("products")
                .forEach(product ->
                        list.add(products.getOrDefault(product.path("id").asString(), (ObjectNode) product)));
        products.forEach((id, product) -> {
            if (taken.added().contains(id)) {
                list.add(product);
            }
        });
        List<Edit> edits = new ArrayList<>();
        Map<String, String> wanted = groups(taken, products);
        if (!wanted.isEmpty()) {
            ArrayNode groups = goods.path("groups") instanceof ArrayNode there
                    ? there.deepCopy()
                    : JsonNodeFactory.instance.arrayNode();
            wanted.forEach((id, name) -> groups.addObject().put("id", id).put("name", name));
            edits.add(new Edit("goods/groups", node(goods, "groups"), Optional.of(groups)));
        }
        edits.add(new Edit("goods/products", node(goods, "products"), Optional.of(list)));
        return edits;
    }

    /** The new groups that something which is taken is in. */
    private static Map<String, String> groups(GoodsReading.ReadGoods taken, Map<String, ObjectNode> products) {
        Map<String, String> groups = new LinkedHashMap<>(taken.groups());
        groups.keySet()
                .retainAll(products.values().stream()
                        .map(product -> product.path("group").asString(""))
                        .toList());
        return groups;
    }

    private static Optional<JsonNode> node(JsonNode goods, String name) {
        return Optional.of(goods.path(name)).filter(node -> !node.isMissingNode());
    }

    private List<Column> columns(String shop, GoodsTable table, List<Meaning> meanings) {
        List<ColumnGuess.Guess> guesses = ColumnGuess.of(table);
        Map<String, Meaning> remembered = remembered(shop);
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < table.headings().size(); i++) {
            String heading = table.headings().get(i);
            Meaning known = remembered.get(heading);
            columns.add(new Column(
                    heading,
                    table.column(i).stream()
                            .filter(cell -> !cell.isEmpty())
                            .limit(SAMPLES)
                            .map(cell -> cell.length() <= 60 ? cell : cell.substring(0, 59) + "…")
                            .toList(),
                    i < meanings.size()
                            ? meanings.get(i)
                            : known != null ? known : guesses.get(i).meaning(),
                    meanings.isEmpty() && known == null && guesses.get(i).doubted()));
        }
        return columns;
    }

    private Map<String, Meaning> remembered(String shop) {
        Map<String, Meaning> known = new LinkedHashMap<>();
        sql.sql("select heading, meaning from goods_heading where shop = :shop")
                .param("shop", shop)
                .query(Remembered.class)
                .list()
                .forEach(each -> known.put(each.heading(), Meaning.named(each.meaning())));
        return known;
    }

    private void remember(String shop, Column column) {
        if (column.heading().length() <= 100) {
            sql.sql("merge into goods_heading(shop, heading, meaning) key (shop, heading) "
                            + "values (:shop, :heading, :meaning)")
                    .param("shop", shop)
                    .param("heading", column.heading())
                    .param("meaning", Json.named(column.meaning()))
                    .update();
        }
    }
}
