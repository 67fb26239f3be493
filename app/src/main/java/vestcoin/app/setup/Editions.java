package vestcoin.app.setup;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.PriorPrice;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.setup.RenewalSetup;

/** The published editions of each shop. An edition never changes. */
@Repository
public class Editions {
    public record Edition(String shop, int number, String hash, Document document) {}

    /**
     * By what an order is priced.
     *
     * @param number of the edition whose goods, delivery and discounts hold
     * @param taxes number of the one whose taxes and ways to pay hold, where that is another
     */
    public record Agreed(int number, Optional<Integer> taxes) {
        public static Agreed to(int number) {
            return new Agreed(number, Optional.empty());
        }
    }

    /** One line of the list of editions. @param note what it was published for; may be empty */
    public record EditionEntry(int number, String hash, String author, Instant at, String note) {}

    private static final int LONGEST_NOTE = 300;

    private record Row(int number, String hash, String document) {}

    private final JdbcClient sql;
    private final Clock clock;
    private final Drafts drafts;
    private static final int MOST_KEPT = 200;

    private final Cache<String, Edition> cache =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();
    private final Cache<String, Document> spoken =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Editions(JdbcClient sql, Clock clock, Drafts drafts) {
        this.sql = sql;
        this.clock = clock;
        this.drafts = drafts;
    }

    /** The newest edition, if the shop has published one. */
    public Optional<Edition> live(String shop) {
        return sql.sql("select max(number) from edition where shop = :shop")
                .param("shop", shop)
                .query(Integer.class)
                .optional()
                .map(number -> of(shop, number));
    }

    /** @throws InvalidInput if the shop has no edition of this number */
    public Edition of(String shop, int number) {
        return cache.get(shop + " " + number, key -> sql.sql(
                        "select number, hash, document from edition where shop = :shop and number = :number")
                .param("shop", shop)
                .param("number", number)
                .query(Row.class)
                .optional()
                .map(row -> new Edition(shop, row.number(), row.hash(), Document.parse(row.document())))
                .orElseThrow(() -> new InvalidInput(
                        "edition",
                        Message.of("setup.shop-has-no-edition", "number", String.valueOf(number)),
                        Message.of("setup.leave-edition-out-or-name-one-has"))));
    }

    /** What an order is priced by: an edition, or the one agreed to with what the law says in another. */
    public Edition of(String shop, Agreed by) {
        Edition agreed = of(shop, by.number());
        return by.taxes()
                .filter(taxes -> taxes != by.number())
                .map(taxes -> cache.get(shop + " " + by.number() + " " + taxes, key -> {
                    Document both = Document.of(RenewalSetup.of(
                            agreed.document().setup(),
                            of(shop, taxes).document().setup()));
                    return new Edition(shop, by.number(), both.hash(), both);
                }))
                .orElse(agreed);
    }

    /** An edition in one of the shop's languages. */
    public Document spoken(Edition edition, String language) {
        String known = edition.document().language(language);
        return spoken.get(edition.shop() + " " + edition.hash() + " " + known, key -> edition.document()
                .in(known));
    }

    /** What an order was placed by, in the order's language. */
    public Document spoken(String shop, Agreed by, String language) {
        return spoken(of(shop, by), language);
    }

    public List<EditionEntry> list(String shop) {
        return sql.sql("select number, hash, author, at, note from edition where shop = :shop order by number desc "
                        + "limit 100")
                .param("shop", shop)
                .query(EditionEntry.class)
                .list();
    }

    /** The editions of a shop with when each came into force, the earliest first; of many, the latest hundred. */
    public List<PriorPrice.InForce> inForce(String shop) {
        List<EditionEntry> entries = new ArrayList<>(list(shop));
        Collections.reverse(entries);
        return entries.stream()
                .map(entry -> new PriorPrice.InForce(
                        of(shop, entry.number()).document().compiled(), entry.at()))
                .toList();
    }

    /** Freezes the draft as the next edition. @throws InvalidInput if two zones hold the same place */
    @Transactional
    public Edition publish(String shop, String author) {
        return publish(shop, author, "");
    }

    /**
     * The same with a note.
     *
     * @throws InvalidInput as well if the note is too long, if a pinned figure moved, or while an edition waits for its
     *     time
     */
    @Transactional
    public Edition publish(String shop, String author, String note) {
        refuseBesideWaiting(shop);
        Edition edition = freeze(shop, drafts.of(shop).document(), author, note);
        drafts.settled(shop);
        return edition;
    }

    /** What is in the draft holds what waits, and would be live before its time. */
    private void refuseBesideWaiting(String shop) {
        if (sql.sql("select count(*) from waiting_edition where shop = :shop")
                        .param("shop", shop)
                        .query(Integer.class)
                        .single()
                > 0) {
            throw new InvalidInput(
                    "note", Message.of("setup.an-edition-waits-for-its-time"), Message.of("setup.call-it-off-first"));
        }
    }

    /** Makes a setup the next edition. @throws InvalidInput as {@link #publish(String, String, String)} */
    @Transactional
    Edition freeze(String shop, Document document, String author, String note) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .optional();
        check(document, note);
        int number = sql.sql("select coalesce(max(number), 0) + 1 from edition where shop = :shop")
                .param("shop", shop)
                .query(Integer.class)
                .single();
        sql.sql("insert into edition(shop, number, hash, document, author, at, note) values (:shop, :number, "
                        + ":hash, :document, :author, :at, :note)")
                .param("shop", shop)
                .param("number", number)
                .param("hash", document.hash())
                .param("document", document.text())
                .param("author", author)
                .param("note", note)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        return new Edition(shop, number, document.hash(), document);
    }

    /** Whether a setup may become an edition. @throws InvalidInput as {@link #publish(String, String, String)} */
    void check(Document document, String note) {
        if (note.length() > LONGEST_NOTE) {
            throw new InvalidInput(
                    "note",
                    Message.of("setup.sentence-too-long", "most", LONGEST_NOTE),
                    Message.of("setup.say-it-shorter"));
        }
        List<Finding> undecided = Check.of(document.compiled(), new FindingContext(clock.instant(), Map.of())).stream()
                .filter(finding -> finding.id().equals("zones-overlap"))
                .toList();
        if (!undecided.isEmpty()) {
            Finding first = undecided.get(0);
            throw new InvalidInput(
                    first.path(),
                    Message.of("setup.edition-has-to-decided", "first", first.sentence()),
                    first.remedy());
        }
        refuseMoved(document);
    }

    /** A pinned figure that moved keeps an edition back until it is put right, or taken as it is now. */
    private static void refuseMoved(Document document) {
        Problems problems = new Problems();
        for (Pins.MovedPin moved : Pins.moved(document.compiled())) {
            problems.add(
                    "rehearsal/pins/" + moved.pin().id(), moved.sentence(), Message.of("rehearsal.put-right-or-take"));
        }
        problems.refuseIfAny();
    }
}
