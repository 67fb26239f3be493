package vestcoin.app.setup;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.format.Json;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/**
 * Editions that are published at a time, one for a shop. What is frozen is what goes live, whatever happens to the
 * draft meanwhile; it is checked again then, and what keeps it back is kept with it. It goes live once, late if nobody
 * was here to do it.
 */
@Service
public class WaitingEditions {
    private static final Logger LOG = LoggerFactory.getLogger(WaitingEditions.class);

    /** @param keptBack why it could not go live at its time; empty while it waits for it */
    public record WaitingEdition(Instant at, String author, String note, Instant askedAt, List<Problem> keptBack) {}

    private record Row(
            String shop,
            String document,
            String author,
            String note,
            OffsetDateTime askedAt,
            OffsetDateTime dueAt,
            String keptBack) {}

    private static final String ROWS =
            "select shop, document, author, note, asked_at, due_at, kept_back from waiting_edition ";

    private final JdbcClient sql;
    private final Editions editions;
    private final Drafts drafts;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transaction;
    private final Clock clock;

    WaitingEditions(
            JdbcClient sql,
            Editions editions,
            Drafts drafts,
            ApplicationEventPublisher events,
            TransactionTemplate transaction,
            Clock clock) {
        this.sql = sql;
        this.editions = editions;
        this.drafts = drafts;
        this.events = events;
        this.transaction = transaction;
        this.clock = clock;
    }

    public Optional<WaitingEdition> of(String shop) {
        return sql.sql(ROWS + "where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .optional()
                .map(row -> new WaitingEdition(
                        row.dueAt().toInstant(),
                        row.author(),
                        row.note(),
                        row.askedAt().toInstant(),
                        row.keptBack().isEmpty() ? List.of() : List.of(Json.read(row.keptBack(), Problem[].class))));
    }

    /**
     * Freezes the draft, to go live at a time of the shop's clock. Of a time there is twice, when clocks go back, the
     * first is meant.
     *
     * @throws InvalidInput if there is no such time, if it is over, if another edition waits, or as
     *     {@link Editions#publish}
     */
    @Transactional
    public WaitingEdition await(String shop, LocalDateTime at, String author, String note) {
        Document document = drafts.of(shop).document();
        ZoneId zone = document.compiled().zone();
        Instant due = DueTime.of(at, zone, clock.instant());
        of(shop).ifPresent(other -> {
            throw new InvalidInput(
                    "at",
                    Message.of(
                            "setup.another-edition-waits",
                            "at",
                            DueTime.written(other.at().atZone(zone).toLocalDateTime())),
                    Message.of("setup.call-it-off-first"));
        });
        editions.check(document, note);
        sql.sql("""
                insert into waiting_edition(shop, document, author, note, asked_at, due_at)
                values (:shop, :document, :author, :note, :asked, :due)""")
                .param("shop", shop)
                .param("document", document.text())
                .param("author", author)
                .param("note", note)
                .param("asked", clock.instant().atOffset(ZoneOffset.UTC))
                .param("due", due.atOffset(ZoneOffset.UTC))
                .update();
        return of(shop).orElseThrow();
    }

    /** Calls it off. The draft stays as it is, with all that was changed before and since. */
    public void callOff(String shop) {
        sql.sql("delete from waiting_edition where shop = :shop")
                .param("shop", shop)
                .update();
    }

    /** Publishes what is due, also what became due while nobody was here. */
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT5S", initialDelayString = "PT5S")
    public void publishDue() {
        sql.sql("select shop from waiting_edition where due_at <= :now and kept_back = '' order by due_at")
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .query(String.class)
                .list()
                .forEach(this::publish);
    }

    private void publish(String shop) {
        try {
            transaction.executeWithoutResult(status -> live(shop));
        } catch (InvalidInput keptBack) {
            LOG.info("an edition of {} is kept back", shop);
            boolean first =
                    sql.sql("update waiting_edition set kept_back = :problems where shop = :shop and kept_back = ''")
                                    .param("problems", Json.write(keptBack.problems()))
                                    .param("shop", shop)
                                    .update()
                            == 1;
            if (first) {
                of(shop).ifPresent(kept ->
                        events.publishEvent(new KeptBack(shop, KeptBack.Due.EDITION, kept.at(), keptBack.problems())));
            }
        }
    }

    /** Of two who come at once the later finds nothing to take out, and does nothing. */
    private void live(String shop) {
        Optional<Row> due = sql.sql(ROWS + "where shop = :shop and due_at <= :now and kept_back = '' for update")
                .param("shop", shop)
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .query(Row.class)
                .optional();
        due.ifPresent(row -> {
            callOff(shop);
            editions.freeze(shop, Document.parse(row.document()), row.author(), row.note());
            drafts.settled(shop, row.askedAt().toInstant());
        });
    }
}
