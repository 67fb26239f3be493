package vestcoin.app.publishing;

import java.security.Principal;
import java.util.Optional;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.setup.WaitingEditions;

/** Publishing at a time. */
@RestController
class WaitingController {
    /** @param at by the shop's clock, as {@code 2026-12-01T08:00} @param note what the edition is for */
    record WaitingRequest(String at, String note) {
        WaitingRequest {
            note = note == null ? "" : note.strip();
        }
    }

    /** @param edition the one that waits, if one does */
    record WaitingView(Optional<WaitingEditions.WaitingEdition> edition) {}

    private static final String WAITING = "/api/shops/{shop}/editions/waiting";

    private final WaitingEditions waiting;

    WaitingController(WaitingEditions waiting) {
        this.waiting = waiting;
    }

    @GetMapping(WAITING)
    WaitingView waiting(@PathVariable String shop) {
        return new WaitingView(waiting.of(shop));
    }

    @PostMapping(WAITING)
    WaitingView await(@PathVariable String shop, @RequestBody WaitingRequest asked, Principal who) {
        return new WaitingView(Optional.of(waiting.await(shop, TypedTime.of(asked.at()), who.getName(), asked.note())));
    }

    @DeleteMapping(WAITING)
    ResponseEntity<Void> callOff(@PathVariable String shop) {
        waiting.callOff(shop);
        return ResponseEntity.noContent().build();
    }
}
