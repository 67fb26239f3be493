package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.SetupBuilder;

/**
 * Shops that rehearse others: each with a setup of its own, and with orders, numbers, papers, stock and slots that are
 * nobody else's, so that whatever is tried there touches nothing of the shop it rehearses. A shop has one at most.
 */
@Repository
public class RehearsalShops {
    private static final int KEY = 12;

    /** A column of a table that names one of another. @param optional whether it may name none */
    private record Reference(String table, String column, String names, String named, boolean optional) {}

    private final JdbcClient sql;
    private final Drafts drafts;
    private final Editions editions;

    RehearsalShops(JdbcClient sql, Drafts drafts, Editions editions) {
        this.sql = sql;
        this.drafts = drafts;
        this.editions = editions;
    }

    /** The one that rehearses a shop. */
    public Optional<String> of(String shop) {
        return sql.sql("select id from shop where rehearses = :shop")
                .param("shop", shop)
                .query(String.class)
                .optional();
    }

    /**
     * Begins one with a setup, in the place of the one before. Its pins stay behind: they are no part of what a buyer
     * meets, and one that moved is no reason not to rehearse.
     *
     * @throws InvalidInput if the setup can be no edition, or the shop is a rehearsal itself
     */
    @Transactional
    public Editions.Edition begin(String shop, Document document, String author) {
        if (sql.sql("select count(*) from shop where id = :shop and rehearses is not null")
                        .param("shop", shop)
                        .query(Integer.class)
                        .single()
                > 0) {
            throw new InvalidInput(
                    "shop",
                    Message.of("rehearsal.this-is-a-rehearsal"),
                    Message.of("rehearsal.rehearse-the-shop-itself"));
        }
        of(shop).ifPresent(this::remove);
        String id = "rehearsal-" + UUID.randomUUID().toString().replace("-", "").substring(0, KEY);
        drafts.create(id, unpinned(document));
        sql.sql("update shop set rehearses = :shop where id = :id")
                .param("shop", shop)
                .param("id", id)
                .update();
        return editions.publish(id, author);
    }

    /** The one that rehearses a shop, if that is by this setup. */
    public Optional<Editions.Edition> of(String shop, Document document) {
        return of(shop).flatMap(editions::live)
                .filter(edition -> edition.hash().equals(unpinned(document).hash()));
    }

    private static Document unpinned(Document document) {
        Rehearsal tests = document.setup().rehearsal();
        return Document.of(SetupBuilder.builder(document.setup())
                .rehearsal(new Rehearsal(tests.baskets(), tests.meant(), List.of()))
                .build());
    }

    /** Takes a rehearsal away with everything that hangs on it, table by table as their keys lead. */
    private void remove(String rehearsal) {
        List<Reference> references = references();
        List<Reference> circular = new ArrayList<>();
        Set<String> ofShops = new TreeSet<>(sql.sql("select table_name from information_schema.columns where "
                        + "table_schema = 'PUBLIC' and column_name = 'SHOP'")
                .query(String.class)
                .list());
        List<String> tables = ordered(ofShops, references, circular);
        Map<String, String> own = new TreeMap<>();
        // The rows of the shop, and what hangs on one of them.
        for (int i = tables.size() - 1; i >= 0; i--) {
            String table = tables.get(i);
            own.put(
                    table,
                    ofShops.contains(table)
                            ? "shop = :shop"
                            : references.stream()
                                    .filter(each -> each.table().equals(table) && own.containsKey(each.names()))
                                    .map(each -> each.column() + " in (select " + each.named() + " from " + each.names()
                                            + " where " + own.get(each.names()) + ")")
                                    .collect(Collectors.joining(" or ")));
        }
        circular.forEach(each -> sql.sql(
                        "update " + each.table() + " set " + each.column() + " = null where " + own.get(each.table()))
                .param("shop", rehearsal)
                .update());
        tables.forEach(table -> sql.sql("delete from " + table + " where " + own.get(table))
                .param("shop", rehearsal)
                .update());
        sql.sql("delete from shop where id = :shop and rehearses is not null")
                .param("shop", rehearsal)
                .update();
    }

    /**
     * The tables of shops and those that hang on them, so that each comes before those it names.
     *
     * @param circular gets the references that have to be let go of first, where tables name each other
     */
    private static List<String> ordered(Set<String> ofShops, List<Reference> references, List<Reference> circular) {
        Set<String> left = new TreeSet<>(ofShops);
        while (references.stream()
                .filter(each -> left.contains(each.names()))
                .map(each -> left.add(each.table()))
                .reduce(false, Boolean::logicalOr)) {
            // Until nothing more hangs on them.
        }
        List<String> ordered = new ArrayList<>();
        while (!left.isEmpty()) {
            List<String> free = left.stream()
                    .filter(table -> references.stream()
                            .noneMatch(each -> each.names().equals(table)
                                    && !each.table().equals(table)
                                    && !circular.contains(each)
                                    && left.contains(each.table())))
                    .toList();
            if (free.isEmpty()) {
                Reference letGo = references.stream()
                        .filter(each -> each.optional()
                                && left.contains(each.table())
                                && left.contains(each.names())
                                && !circular.contains(each))
                        .findFirst()
                        .orElseThrow(() -> new IllegalStateException("tables name each other in a circle: " + left));
                circular.add(letGo);
            }
            ordered.addAll(free);
            free.forEach(left::remove);
        }
        return ordered;
    }

    private List<Reference> references() {
        return sql.sql("""
                select k.table_name as "table", k.column_name as "column", named.table_name as names,
                    named.column_name as named, col.is_nullable = 'YES' as optional
                from information_schema.referential_constraints r
                    join information_schema.key_column_usage k on k.constraint_name = r.constraint_name
                    join information_schema.key_column_usage named
                        on named.constraint_name = r.unique_constraint_name
                            and named.ordinal_position = k.position_in_unique_constraint
                    join information_schema.columns col on col.table_schema = k.table_schema
                        and col.table_name = k.table_name and col.column_name = k.column_name
                where k.table_schema = 'PUBLIC' and named.table_name <> 'SHOP'""").query(Reference.class).list();
    }
}
