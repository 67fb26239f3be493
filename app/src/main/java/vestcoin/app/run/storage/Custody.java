package vestcoin.app.run.storage;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import vestcoin.app.outside.Vault;

/**
 * Holds the database to what it was when it was last left: it has lost nothing, its key file is the one that belongs to
 * it, and after an end without closing every index finds every row.
 */
@Component
public class Custody {
    private static final Logger LOG = LoggerFactory.getLogger(Custody.class);
    private static final String CANARY = "vest-coin";

    private final JdbcClient sql;
    private final Vault vault;
    private final DatabaseWatch watch;
    private final Path data;
    private final Path mark;
    private final Path running;

    Custody(
            JdbcClient sql,
            Vault vault,
            DatabaseWatch watch,
            DatabaseIndexes indexes,
            @Value("${vest-coin.data}") Path data) {
        this.sql = sql;
        this.vault = vault;
        this.watch = watch;
        this.data = data;
        this.mark = data.resolve("vest-coin.mark");
        this.running = data.resolve("vest-coin.running");
        key();
        nothingLost();
        if (Files.exists(running)) {
            indexes.look();
        }
        write(running, "");
        Storage.ownersAlone(data);
    }

    /** @throws StartRefused if what the database keeps cannot be opened with the key file beside it */
    private void key() {
        List<byte[]> kept =
                sql.sql("select sealed from vault_canary").query(byte[].class).list();
        if (kept.isEmpty()) {
            sql.sql("insert into vault_canary(one, sealed) values (1, :sealed)")
                    .param("sealed", vault.sealed(CANARY))
                    .update();
            return;
        }
        try {
            vault.opened(kept.get(0));
        } catch (RuntimeException e) {
            throw new StartRefused(
                    "The key file vault.key belongs to another installation: the keys kept in this database cannot "
                            + "be opened with it. Put back the one that belongs to it, from a backup.");
        }
    }

    private record Count(long persons, long orders, long payments) {
        String text() {
            return persons + " " + orders + " " + payments;
        }
    }

    private Count count() {
        return sql.sql("select (select count(*) from person) as persons, (select coalesce(max(id), 0) from orders) "
                        + "as orders, (select coalesce(max(id), 0) from payment) as payments")
                .query(Count.class)
                .single();
    }

    /** @throws StartRefused if the database has less than it had when it was last seen */
    private void nothingLost() {
        if (!Files.exists(mark)) {
            return;
        }
        try {
            String[] before = Files.readString(mark).strip().split(" ");
            Count now = count();
            if (before.length == 3
                    && (now.persons() < Long.parseLong(before[0])
                            || now.orders() < Long.parseLong(before[1])
                            || now.payments() < Long.parseLong(before[2]))) {
                throw new StartRefused("The database is damaged or cut: it ends before order " + before[1]
                        + ", which it had. Restore the last backup into an empty folder; to go on with what is left "
                        + "all the same, delete "
                        + mark + ".");
            }
        } catch (IOException | NumberFormatException e) {
            LOG.warn("{} cannot be read: {}", mark, e.toString());
        }
    }

    /** What the database has now; less than that is a loss. */
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(fixedDelayString = "PT20S", initialDelayString = "PT20S")
    void look() {
        write(mark, count().text());
        // The database makes its file anew when it compacts it as a whole.
        Storage.ownersAlone(data);
    }

    /**
     * Called first of all when the application ends, while the database is still open. Where it has given up, or cannot
     * be looked at, the end is none.
     */
    @EventListener(ContextClosedEvent.class)
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void leave() throws IOException {
        if (watch.hasGivenUp()) {
            return;
        }
        try {
            look();
        } catch (RuntimeException e) {
            LOG.warn("left without a last look: {}", e.toString());
            return;
        }
        Files.deleteIfExists(running);
    }

    private static void write(Path file, String text) {
        try {
            Path fresh = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(fresh, text, StandardCharsets.UTF_8);
            Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            LOG.warn("{} could not be written: {}", file, e.toString());
        }
    }
}
