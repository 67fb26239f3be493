package vestcoin.app.setup;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.Principal;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;

/** Sheets of the desk as files, out and in. */
@RestController
class SheetFileController {
    private static final Duration WATCHED = Duration.ofMinutes(10);
    private static final int MOST_WATCHED = 1000;

    private final Drafts drafts;
    /** By a key the page makes, so that nobody can look at or stop what another began. */
    private final Cache<String, ReadingProgress> watches = Caffeine.newBuilder()
            .expireAfterWrite(WATCHED)
            .maximumSize(MOST_WATCHED)
            .build();

    SheetFileController(Drafts drafts) {
        this.drafts = drafts;
    }

    @GetMapping("/api/shops/{shop}/draft/files/{sheet}")
    ResponseEntity<String> written(@PathVariable String shop, @PathVariable String sheet) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", java.nio.charset.StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-" + sheet + ".csv\"")
                .body(SheetFile.of(drafts.of(shop).document(), sheet).written());
    }

    /** What a file would change; nothing is written. */
    @PostMapping(path = "/api/shops/{shop}/draft/files/{sheet}", consumes = "text/csv")
    SheetFile.Preview preview(
            @PathVariable String shop,
            @PathVariable String sheet,
            @RequestParam Optional<UUID> watch,
            @RequestBody String csv) {
        ReadingProgress watched = watch.map(key -> watches.get(shop + key, fresh -> new ReadingProgress()))
                .orElseGet(ReadingProgress::new);
        try {
            return SheetFile.of(drafts.of(shop).document(), sheet)
                    .read(csv, watched)
                    .preview();
        } catch (ReadingProgress.Stopped e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "file",
                    Message.of("setup.looking-at-file-was-stopped"),
                    Message.of("setup.nothing-was-written-choose-file-again-when"));
        }
    }

    /** How far looking at a file is. */
    @GetMapping("/api/shops/{shop}/draft/files/watched/{watch}")
    ReadingProgress.Progress watched(@PathVariable String shop, @PathVariable UUID watch) {
        return Optional.ofNullable(watches.getIfPresent(shop + watch))
                .map(ReadingProgress::progress)
                .orElse(new ReadingProgress.Progress(0, 0));
    }

    /** Stops looking at a file. */
    @DeleteMapping("/api/shops/{shop}/draft/files/watched/{watch}")
    void stop(@PathVariable String shop, @PathVariable UUID watch) {
        watches.get(shop + watch, fresh -> new ReadingProgress()).stop();
    }

    /** Takes the good rows of a file into the draft, as one change. */
    @PutMapping(path = "/api/shops/{shop}/draft/files/{sheet}", consumes = "text/csv")
    SheetFile.Preview taken(
            @PathVariable String shop, @PathVariable String sheet, @RequestBody String csv, Principal who) {
        SheetFile.Read read = SheetFile.of(drafts.of(shop).document(), sheet).read(csv);
        read.edit().ifPresent(edit -> drafts.edit(shop, List.of(edit), who.getName()));
        return read.preview();
    }
}
