package vestcoin.app.run.storage;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.outside.Vault;
import vestcoin.core.message.Message;

/**
 * Hands the data of a running installation to the command that backs it up: to whoever can read its key file, and
 * nobody else.
 */
@RestController
class BackupController {
    private static final Duration HOLDS = Duration.ofMinutes(1);

    private final DatabaseCopies copies;
    private final Vault vault;
    private final Clock clock;

    BackupController(DatabaseCopies copies, Vault vault, @Qualifier(ApplicationClock.MACHINE) Clock clock) {
        this.copies = copies;
        this.vault = vault;
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
            throw new ApiProblem(
                    HttpStatus.FORBIDDEN,
                    "",
                    Message.of("storage.this-not-yours-to-take"),
                    Message.of("storage.run-command-on-machine-itself-who-runs"));
        }
        response.setContentType("application/zip");
        copies.write(response.getOutputStream());
    }
}
