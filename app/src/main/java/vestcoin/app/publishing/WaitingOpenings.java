package vestcoin.app.publishing;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.DueTime;
import vestcoin.app.setup.KeptBack;
import vestcoin.app.setup.WaitingEditions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/**
 * Shops that open at a time. What stands against it is looked at then, after what is to be published by then; a shop
 * that is kept closed stays so until it is opened by hand or for another time.
 */
@Service
class WaitingOpenings {
    /** @param keptBack why it could not open at its time; empty while it waits for it */
    record WaitingOpening(Instant at, String author, List<Problem> keptBack) {}

    private record Row(String shop, String author, OffsetDateTime dueAt, String keptBack) {}

    private static final String ROWS = "select shop, author, due_at, kept_back from waiting_opening ";

    private final JdbcClient sql;
    private final ShopOpenings doors;
    private final OpeningObstacles obstacles;
    private final WaitingEditions editions;
    private final Drafts drafts;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transaction;
    private final Clock clock;

    WaitingOpenings(
            JdbcClient sql,
            ShopOpenings doors,
            OpeningObstacles obstacles,
            WaitingEditions editions,
            Drafts drafts,
            ApplicationEventPublisher events,
            TransactionTemplate transaction,
            Clock clock) {
        this.sql = sql;
        this.doors = doors;
        this.obstacles = obstacles;
        this.editions = editions;
        this.drafts = drafts;
        this.events = events;
        this.transaction = transaction;
        this.clock = clock;
    }

    Optional<WaitingOpening> of(String shop) {
        return sql.sql(ROWS + "where shop = :shop")
                .param("shop", shop)
                .query(Row.class)
                .optional()
                .map(row -> new WaitingOpening(
                        row.dueAt().toInstant(),
                        row.author(),
                        row.keptBack().isEmpty() ? List.of() : List.of(Json.read(row.keptBack(), Problem[].class))));
    }

    /**
     * Lets a shop open at a time of its clock, in the place of one that was asked for before.
     *
     * @throws InvalidInput if it is open, or as {@link DueTime#of}
     */
    @Transactional
    public void await(String shop, LocalDateTime at, String author) {
        if (doors.of(shop).open()) {
            throw new InvalidInput(
                    "at", Message.of("publishing.shop-is-open-already"), Message.of("publishing.close-it-first"));
        }
        Instant due = DueTime.of(at, drafts.of(shop).document().compiled().zone(), clock.instant());
        callOff(shop);
        sql.sql("insert into waiting_opening(shop, author, asked_at, due_at) values (:shop, :author, :asked, :due)")
                .param("shop", shop)
                .param("author", author)
                .param("asked", clock.instant().atOffset(ZoneOffset.UTC))
                .param("due", due.atOffset(ZoneOffset.UTC))
                .update();
    }

    void callOff(String shop) {
        sql.sql("delete from waiting_opening where shop = :shop")
                .param("shop", shop)
                .update();
    }

    /** Opens what is due, also what became due while nobody was here. */
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT5S", initialDelayString = "PT5S")
    public void openDue() {
        List<Row> due = sql.sql(ROWS + "where due_at <= :now and kept_back = '' order by due_at")
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .query(Row.class)
                .list();
        if (!due.isEmpty()) {
            // What is to be published by the same minute is what buyers are to meet.
            editions.publishDue();
            due.forEach(row -> transaction.executeWithoutResult(status -> open(row)));
        }
    }

    private void open(Row row) {
        List<Problem> against = obstacles.live(row.shop());
        if (against.isEmpty()) {
            callOff(row.shop());
            doors.open(row.shop());
            return;
        }
        boolean first =
                sql.sql("update waiting_opening set kept_back = :problems where shop = :shop and kept_back = ''")
                                .param("problems", Json.write(against))
                                .param("shop", row.shop())
                                .update()
                        == 1;
        if (first) {
            events.publishEvent(
                    new KeptBack(row.shop(), KeptBack.Due.OPENING, row.dueAt().toInstant(), against));
        }
    }
}
