package vestcoin.app.storage;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.zip.ZipFile;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.outside.Vault;

/**
 * Hands the data of a running installation to the command that backs it up: to whoever can read its key file, and
 * nobody else.
 */
@RestController
class BackupController {
    private static final Duration HOLDS = Duration.ofMinutes(1);

    private final JdbcClient sql;
    private final Vault vault;
    private final Path data;
    private final Clock clock;

    BackupController(JdbcClient sql, Vault vault, @Value("${vest-coin.data}") Path data, Clock clock) {
        this.sql = sql;
        this.vault = vault;
        this.data = data;
        this.clock = clock;
    }

    /** @param asked when, and the mark only the key file can make of it: {@code 2026-11-27T10:00:00Z mark} */
    @PostMapping("/local/backup")
    void backup(@RequestHeader(name = "X-Asked", required = false) String asked, HttpServletResponse response)
            throws IOException {
        String[] parts = asked == null ? new String[0] : asked.split(" ");
        if (parts.length != 2
                || !vault.marked("backup " + parts[0], parts[1])
                || Duration.between(Instant.parse(parts[0]), clock.instant())
                                .abs()
                                .compareTo(HOLDS)
                        > 0) {
            throw new Told(
                    HttpStatus.FORBIDDEN,
                    "",
                    "This is not yours to take.",
                    "Run the command on the machine itself, as who runs Vest Coin.");
        }
        Path folder = Files.createTempDirectory(data, "backup");
        try {
            Path zip = folder.resolve("database.zip");
            sql.sql("backup to '" + zip.toAbsolutePath().toString().replace("'", "''") + "'")
                    .update();
            Path database = folder.resolve(Backup.DATABASE);
            try (ZipFile written = new ZipFile(zip.toFile())) {
                Files.copy(written.getInputStream(written.getEntry(Backup.DATABASE)), database);
            }
            response.setContentType("application/zip");
            Backup.archive(database, data.resolve(Backup.KEY), response.getOutputStream());
        } finally {
            for (String name : new String[] {"database.zip", Backup.DATABASE}) {
                Files.deleteIfExists(folder.resolve(name));
            }
            Files.delete(folder);
        }
    }
}
