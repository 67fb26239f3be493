package vestcoin.app.setup;

import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.FileText;

/** The whole setup as a file: out as it stands in the draft, in after a look at what would change. */
@RestController
class SetupFileController {

    private static final String FILE = "/api/shops/{shop}/draft/setup-file";

    private final Drafts drafts;

    SetupFileController(Drafts drafts) {
        this.drafts = drafts;
    }

    @GetMapping(FILE)
    ResponseEntity<JsonNode> written(@PathVariable String shop) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + ".setup.json\"")
                .body(drafts.of(shop).document().tree());
    }

    /** What a file would change, station by station; nothing is written, and what does not change is not named. */
    @PostMapping(path = FILE, consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    List<StationChanges.StationChange> look(@PathVariable String shop, @RequestBody(required = false) byte[] file) {
        List<Edit> edits = edits(shop, file);
        if (!edits.isEmpty()) {
            drafts.tried(shop, edits);
        }
        return edits.stream().map(StationChanges::of).toList();
    }

    /** Takes a file into the draft, as one change that can be undone. */
    @PutMapping(path = FILE, consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable String shop, @RequestBody(required = false) byte[] file, Principal who) {
        List<Edit> edits = edits(shop, file);
        if (!edits.isEmpty()) {
            drafts.edit(shop, edits, who.getName());
        }
    }

    /** A change for each station that differs. */
    private List<Edit> edits(String shop, byte[] file) {
        return StationChanges.edits(drafts.of(shop).document(), Document.parse(FileText.of(file)));
    }
}
