package vestcoin.app.setup;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/** The one draft of each shop and what was done to it since the last edition. */
@Repository
public class Drafts {
    /** A draft as it stands. @param version grows with every change, undo and redo */
    public record Draft(long version, Document document) {}

    /** @param done changes since the last edition @param undone changes that can be done again */
    public record History(int done, int undone) {}

    private record Row(long version, String document) {}

    private record Change(long seq, String edits) {}

    private record EditList(List<Edit> edits) {}

    private final JdbcClient sql;
    private final Clock clock;
    private static final int MOST_KEPT = 100;

    private final Cache<String, Draft> cache =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Drafts(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    public Draft of(String shop) {
        Row row = sql.sql("select version, cast(null as clob) as document from draft where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .optional()
                .orElseThrow(() -> new InvalidInput(
                        "shop",
                        Message.of("setup.there-no-shop", "shop", shop),
                        Message.of("setup.choose-one-of-your-shops")));
        Draft known = cache.getIfPresent(shop);
        if (known != null && known.version() == row.version()) {
            return known;
        }
        Row whole = sql.sql("select version, document from draft where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .single();
        Draft draft = new Draft(whole.version(), Document.parse(whole.document()));
        cache.put(shop, draft);
        return draft;
    }

    public History history(String shop) {
        return sql.sql("""
                select count(*) filter (where not undone) as done, count(*) filter (where undone) as undone
                from draft_change where shop = :shop""").param("shop", shop).query(History.class).single();
    }

    @Transactional
    public void create(String shop, Document document) {
        sql.sql("insert into shop(id, created_at) values (:shop, :at)")
                .param("shop", shop)
                .param("at", clock.instant().atOffset(java.time.ZoneOffset.UTC))
                .update();
        sql.sql("insert into draft(shop, version, document) values (:shop, 1, :document)")
                .param("shop", shop)
                .param("document", document.text())
                .update();
    }

    /**
     * The draft with edits made but nothing stored: what a keystroke would do now, whatever stood there when the key
     * went down.
     */
    public Draft tried(String shop, List<Edit> edits) {
        Draft draft = of(shop);
        List<Edit> understood = Companions.with(
                edits.stream()
                        .map(edit -> Edits.understood(edit, draft.document().tree()))
                        .map(edit -> edit.onto(Edits.at(draft.document().tree(), edit.path())))
                        .toList(),
                draft.document().tree());
        return new Draft(draft.version(), draft.document().tried(understood));
    }

    /** Makes and stores edits, all or none. Changes undone before can no longer be done again. */
    @Transactional
    public Draft edit(String shop, List<Edit> edits, String author) {
        lock(shop);
        Draft draft = of(shop);
        List<Edit> understood = Companions.with(
                edits.stream()
                        .map(edit -> Edits.understood(edit, draft.document().tree()))
                        .filter(edit -> !edit.changesNothing())
                        .toList(),
                draft.document().tree());
        if (understood.isEmpty()) {
            return draft;
        }
        Document changed = draft.document().with(understood);
        List<Edit> made = understood.stream()
                .map(edit -> new Edit(
                        edit.path(),
                        edit.was(),
                        Edits.at(changed.tree(), edit.path()),
                        Edits.placeOf(draft.document().tree(), edit.path()),
                        Edits.placeOf(changed.tree(), edit.path())))
                .toList();
        sql.sql("delete from draft_change where shop = :shop and undone")
                .param("shop", shop)
                .update();
        sql.sql("""
                insert into draft_change(shop, seq, edits, author, at)
                values (:shop, (select coalesce(max(seq), 0) + 1 from draft_change where shop = :shop), :edits,
                    :author, :at)""")
                .param("shop", shop)
                .param("edits", Json.write(new EditList(made)))
                .param("author", author)
                .param("at", clock.instant().atOffset(java.time.ZoneOffset.UTC))
                .update();
        return store(shop, draft, changed);
    }

    /** A draft with what could be made of a block of edits. @param left why the others were left out */
    public record PasteResult(Draft draft, List<Problem> left) {}

    /** Makes those edits of a block that can be made, as one change; what is wrong with the others is told. */
    @Transactional
    public PasteResult paste(String shop, List<Edit> edits, String author) {
        lock(shop);
        JsonNode document = of(shop).document().tree();
        List<Edit> good = new ArrayList<>();
        List<Problem> left = new ArrayList<>();
        for (Edit edit : edits) {
            try {
                good.add(Edits.understood(edit, document));
            } catch (InvalidInput refused) {
                left.addAll(refused.problems());
            }
        }
        while (true) {
            try {
                return new PasteResult(edit(shop, good, author), left);
            } catch (InvalidInput refused) {
                List<Edit> kept = good.stream()
                        .filter(edit -> refused.problems().stream().noneMatch(problem -> concerns(problem, edit)))
                        .toList();
                if (kept.size() == good.size()) {
                    throw refused;
                }
                left.addAll(refused.problems());
                good = kept;
            }
        }
    }

    private static boolean concerns(Problem problem, Edit edit) {
        return problem.path().equals(edit.path()) || problem.path().startsWith(edit.path() + "/");
    }

    @Transactional
    public Draft undo(String shop) {
        return again(
                shop,
                "select seq, edits from draft_change where shop = :shop and not undone order by seq desc limit 1",
                true);
    }

    @Transactional
    public Draft redo(String shop) {
        return again(
                shop, "select seq, edits from draft_change where shop = :shop and undone order by seq limit 1", false);
    }

    private Draft again(String shop, String query, boolean undone) {
        lock(shop);
        Draft draft = of(shop);
        Optional<Change> change =
                sql.sql(query).param("shop", shop).query(Change.class).optional();
        if (change.isEmpty()) {
            return draft;
        }
        List<Edit> edits =
                new ArrayList<>(Json.read(change.get().edits(), EditList.class).edits());
        if (undone) {
            Collections.reverse(edits);
            edits.replaceAll(Edit::reversed);
        }
        sql.sql("update draft_change set undone = :undone where shop = :shop and seq = :seq")
                .param("undone", undone)
                .param("shop", shop)
                .param("seq", change.get().seq())
                .update();
        return store(shop, draft, draft.document().with(edits));
    }

    /** Forgets what was done, once an edition holds it. */
    void settled(String shop) {
        sql.sql("delete from draft_change where shop = :shop")
                .param("shop", shop)
                .update();
    }

    /** The same for what was done up to an instant; what was done since stays. */
    void settled(String shop, Instant upTo) {
        sql.sql("delete from draft_change where shop = :shop and at <= :at")
                .param("shop", shop)
                .param("at", upTo.atOffset(ZoneOffset.UTC))
                .update();
    }

    private void lock(String shop) {
        sql.sql("select version from draft where shop = :shop for update")
                .param("shop", shop)
                .query(Long.class)
                .optional();
    }

    /** Stores what the draft is now. It stays compiled: the next to ask after the commit reads nothing anew. */
    private Draft store(String shop, Draft before, Document document) {
        Draft draft = new Draft(before.version() + 1, document);
        sql.sql("update draft set version = :version, document = :document where shop = :shop")
                .param("version", draft.version())
                .param("document", document.text())
                .param("shop", shop)
                .update();
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                cache.asMap().merge(shop, draft, (kept, made) -> kept.version() > made.version() ? kept : made);
            }
        });
        return draft;
    }
}
