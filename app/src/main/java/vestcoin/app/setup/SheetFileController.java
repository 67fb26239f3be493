package vestcoin.app.setup;

import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Sheets of the desk as files, out and in. */
@RestController
class SheetFileController {
    private final Drafts drafts;

    SheetFileController(Drafts drafts) {
        this.drafts = drafts;
    }

    @GetMapping("/api/shops/{shop}/draft/files/{sheet}")
    ResponseEntity<String> written(@PathVariable String shop, @PathVariable String sheet) {
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", java.nio.charset.StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-" + sheet + ".csv\"").body(SheetFile.of(drafts.of(shop).document(), sheet).written());
    }

    /** What a file would change; nothing is written. */
    @PostMapping(path = "/api/shops/{shop}/draft/files/{sheet}", consumes = "text/csv")
    SheetFile.Preview preview(@PathVariable String shop, @PathVariable String sheet, @RequestBody String csv) {
        return SheetFile.of(drafts.of(shop).document(), sheet).read(csv).preview();
    }

    /** Takes the good rows of a file into the draft, as one change. */
    @PutMapping(path = "/api/shops/{shop}/draft/files/{sheet}", consumes = "text/csv")
    SheetFile.Preview taken(@PathVariable String shop, @PathVariable String sheet, @RequestBody String csv, Principal who) {
        SheetFile.Read read = SheetFile.of(drafts.of(shop).document(), sheet).read(csv);
        read.edit().ifPresent(edit -> drafts.edit(shop, List.of(edit), who.getName()));
        return read.preview();
    }
}
