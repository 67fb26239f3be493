package vestcoin.app.setup;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    /**
     * What a file would change of a station, counted over its lists.
     *
     * @param others whether anything changes besides things of lists
     */
    record StationChange(String station, int added, int removed, int changed, boolean others) {}

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
    List<StationChange> look(@PathVariable String shop, @RequestBody(required = false) byte[] file) {
        List<Edit> edits = edits(shop, file);
        if (!edits.isEmpty()) {
            drafts.tried(shop, edits);
        }
        return edits.stream().map(SetupFileController::change).toList();
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
        JsonNode wanted = Document.parse(FileText.of(file)).tree();
        JsonNode now = drafts.of(shop).document().tree();
        List<Edit> edits = new ArrayList<>();
        for (String station : Document.STATIONS) {
            Optional<JsonNode> was = Optional.of(now.path(station)).filter(node -> !node.isMissingNode());
            Optional<JsonNode> to = Optional.of(wanted.path(station)).filter(node -> !node.isMissingNode());
            if (!was.equals(to)) {
                edits.add(new Edit(station, was, to));
            }
        }
        return edits;
    }

    private static StationChange change(Edit edit) {
        int added = 0;
        int removed = 0;
        int changed = 0;
        boolean others = edit.was().isEmpty() || edit.now().isEmpty();
        JsonNode was = edit.was().orElseGet(edit.now()::orElseThrow);
        JsonNode now = edit.now().orElse(was);
        for (Map.Entry<String, JsonNode> field : now.properties()) {
            JsonNode before = was.path(field.getKey());
            if (before.equals(field.getValue())) {
                continue;
            }
            Map<String, JsonNode> things = byId(before);
            Map<String, JsonNode> to = byId(field.getValue());
            others |= things.isEmpty() && to.isEmpty();
            for (Map.Entry<String, JsonNode> thing : to.entrySet()) {
                JsonNode old = things.remove(thing.getKey());
                added += old == null ? 1 : 0;
                changed += old != null && !old.equals(thing.getValue()) ? 1 : 0;
            }
            removed += things.size();
        }
        others |= was.propertyNames().stream().anyMatch(name -> !now.has(name));
        return new StationChange(edit.path(), added, removed, changed, others);
    }

    private static Map<String, JsonNode> byId(JsonNode list) {
        Map<String, JsonNode> things = new HashMap<>();
        if (list.isArray()) {
            list.forEach(thing -> {
                if (thing.path("id").isString()) {
                    things.put(thing.path("id").asString(), thing);
                }
            });
        }
        return things;
    }
}
