package vestcoin.app.message;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Repository;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.setup.Shop;

/** Letters as they are written down, each once, and sent until the post takes them; one after the other. */
@Repository
public class LetterBook {
    private static final Logger LOG = LoggerFactory.getLogger(LetterBook.class);
    private static final int AT_A_TIME = 50;
    private static final int MOST_TRIES = 50;
    /** No shop is called so. */
    private static final String NO_LINE = " ";

    /** One letter of an order. */
    public record LetterRecord(String event, String recipient, String subject, Instant at, boolean sent) {}

    /** What a letter says. */
    record LetterContent(String subject, Letter.Body body, Optional<Letter.Attachment> attached) {
        LetterContent(String subject, Letter.Body body) {
            this(subject, body, Optional.empty());
        }
    }

    /** What a letter is about. @param order its id, or null @param subscription its id, or null */
    record About(String shop, Long order, Long subscription) {
        static About order(String shop, long order) {
            return new About(shop, order, null);
        }

        static About shop(String shop) {
            return new About(shop, null, null);
        }
    }

    /** @param line by which it leaves: the shop's own server, or the post room where it is empty */
    private record Due(long id, String shop, String mime, String line) {}

    private final JdbcClient sql;
    private final PostService post;
    private final MailServers servers;
    private final SmtpPost smtp;
    private final Clock clock;
    private final ScheduledExecutorService queue =
            Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "letters"));

    LetterBook(JdbcClient sql, PostService post, MailServers servers, SmtpPost smtp, Clock clock) {
        this.sql = sql;
        this.post = post;
        this.servers = servers;
        this.smtp = smtp;
        this.clock = clock;
    }

    List<LetterRecord> ofOrder(long order) {
        return sql.sql("select event, recipient, subject, at, sent_at is not null as sent from letter where "
                        + "order_id = :order order by id")
                .param("order", order)
                .query(LetterRecord.class)
                .list();
    }

    /** Does something on the thread that writes letters, after a while. */
    void later(Runnable task, long seconds) {
        if (!queue.isShutdown()) {
            queue.schedule(task, seconds, TimeUnit.SECONDS);
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT30S", initialDelayString = "PT30S")
    public void deliverWhatIsDue() {
        if (!queue.isShutdown()) {
            queue.execute(this::deliver);
        }
    }

    /** Waits until what was told so far is done and what is written was tried to be sent. */
    void settled() throws Exception {
        queue.submit(this::deliver).get(1, TimeUnit.MINUTES);
    }

    /**
     * Sends what has not been taken yet, the oldest first. Letters of practice orders, and of a shop without a mail
     * server, go to the post room. Where one says nothing, what else would go there waits.
     */
    void deliver() {
        Set<String> silent = new HashSet<>();
        List<Due> page;
        do {
            page = due(silent);
            int before = silent.size();
            page.stream().filter(each -> !silent.contains(each.line())).forEach(each -> send(each, silent));
            // Behind what waits for a line that is silent there may be letters of another one.
            if (silent.size() == before) {
                return;
            }
        } while (page.size() == AT_A_TIME && servers.any());
    }

    /** What is owed on lines that are not silent. */
    private List<Due> due(Set<String> silent) {
        return sql.sql("""
                        select l.id, l.shop, l.mime, case when o.mode = 'test' or m.shop is null then '' else m.shop
                            end as line
                        from letter l left join orders o on o.id = l.order_id
                            left join mail_server m on m.shop = l.shop
                        where l.sent_at is null and l.tries < :tries
                            and case when o.mode = 'test' or m.shop is null then '' else m.shop end not in (:silent)
                        order by l.id limit :most""")
                .param("tries", MOST_TRIES)
                .param("silent", silent.isEmpty() ? List.of(NO_LINE) : silent)
                .param("most", AT_A_TIME)
                .query(Due.class)
                .list();
    }

    /** Sends one letter by its line, which is noted where it says nothing. */
    private void send(Due due, Set<String> silent) {
        Optional<MailServers.Access> server = due.line().isEmpty() ? Optional.empty() : servers.access(due.line());
        try {
            server.ifPresentOrElse(by -> smtp.send(by, due.mime()), () -> post.send(due.mime()));
            sql.sql("update letter set sent_at = :at, mime = case when event = 'sign-in' then '' else "
                            + "mime end where id = :id")
                    .param("at", now())
                    .param("id", due.id())
                    .update();
            server.ifPresent(by -> servers.wentWell(due.shop()));
        } catch (ProviderRejection e) {
            LOG.warn("letter {} was refused: {}", due.id(), e.getMessage());
            sql.sql("update letter set tries = tries + 1 where id = :id")
                    .param("id", due.id())
                    .update();
            server.ifPresent(by -> servers.wentWrong(due.shop(), e.getMessage()));
        } catch (ProviderTimeout e) {
            LOG.info("letters wait: {}", e.getMessage());
            server.ifPresent(by -> servers.wentWrong(due.shop(), e.getMessage()));
            silent.add(due.line());
        }
    }

    /** Whether a letter of this name is there already. */
    boolean written(String name) {
        return sql.sql("select count(*) from letter where name = :name")
                        .param("name", name)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    /**
     * Writes a letter down.
     *
     * @param name the same for the same letter, which is written once
     * @return whether it was written now
     */
    boolean owe(About about, Shop from, String event, String name, String to, LetterContent said) {
        String sender =
                Optional.of(from.email()).filter(email -> !email.isBlank()).orElse("shop@" + about.shop() + ".invalid");
        try {
            String mime = new Letter(name, from.name(), sender, to, said.subject(), said.body()).mime(said.attached());
            sql.sql("insert into letter(shop, order_id, subscription, event, name, recipient, subject, mime, at) "
                            + "values (:shop, :order, :subscription, :event, :name, :to, :subject, :mime, :at)")
                    .param("shop", about.shop())
                    .param("order", about.order())
                    .param("subscription", about.subscription())
                    .param("event", event)
                    .param("name", name)
                    .param("to", to)
                    .param("subject", said.subject())
                    .param("mime", mime)
                    .param("at", now())
                    .update();
            return true;
        } catch (DuplicateKeyException e) {
            LOG.debug("{} is written already", name);
            return false;
        } catch (IllegalArgumentException e) {
            // Another letter of the same order, such as the seller's copy, does not hang on this one.
            LOG.warn("{} cannot be written: {}", name, e.getMessage());
            return false;
        }
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    @PreDestroy
    void close() throws InterruptedException {
        queue.shutdown();
        if (!queue.awaitTermination(5, TimeUnit.SECONDS)) {
            queue.shutdownNow();
        }
    }
}
