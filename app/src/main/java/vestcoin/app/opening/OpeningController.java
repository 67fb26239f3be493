package vestcoin.app.opening;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Editions;
import vestcoin.core.finding.AgainstOpening;
import vestcoin.core.finding.Known;
import vestcoin.core.problem.Problem;
import vestcoin.core.tax.Sales;

/** Opening and closing a shop. */
@RestController
class OpeningController {
    private static final int LONGEST_NOTICE = 400;

    /**
     * @param since    when it was opened
     * @param edition  number of the one buyers meet
     * @param blocking what stands against opening, each with the very field to mend
     */
    record Opening(boolean open, Optional<Instant> since, String notice, Optional<Integer> edition, List<Problem> blocking) {}

    /** @param notice what a closed shop says */
    record Turned(boolean open, Optional<String> notice) {
        Turned {
            notice = notice == null ? Optional.empty() : notice.map(String::strip);
        }
    }

    private final Doors doors;
    private final Editions editions;
    private final Gateways gateways;
    private final Clock clock;

    OpeningController(Doors doors, Editions editions, Gateways gateways, Clock clock) {
        this.doors = doors;
        this.editions = editions;
        this.gateways = gateways;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/opening")
    Opening opening(@PathVariable String shop) {
        Doors.Door door = doors.of(shop);
        Optional<Editions.Edition> live = editions.live(shop);
        return new Opening(door.open(), door.since(), door.notice(), live.map(Editions.Edition::number), blocking(shop, live));
    }

    @PutMapping("/api/shops/{shop}/opening")
    Opening turn(@PathVariable String shop, @RequestBody Turned turned) {
        if (!turned.open()) {
            turned.notice().filter(notice -> notice.length() > LONGEST_NOTICE).ifPresent(notice -> {
                throw new Told(HttpStatus.UNPROCESSABLE_CONTENT, "notice", "The notice has " + notice.length() + " characters.", "Keep to " + LONGEST_NOTICE + ".");
            });
            doors.close(shop, turned.notice().orElse(""));
            return opening(shop);
        }
        List<Problem> blocking = blocking(shop, editions.live(shop));
        if (!blocking.isEmpty()) {
            throw new Told(HttpStatus.CONFLICT, blocking, Map.of());
        }
        doors.open(shop);
        return opening(shop);
    }

    private List<Problem> blocking(String shop, Optional<Editions.Edition> live) {
        if (live.isEmpty()) {
            return List.of(new Problem("shop", "Nothing is published yet.", "Publish the draft; buyers meet what is published."));
        }
        Set<String> untried = gateways.list(shop).stream().filter(account -> account.triedAt().isEmpty()).map(Gateways.GatewayView::id).collect(Collectors.toSet());
        return AgainstOpening.of(live.get().document().compiled(), new Known(clock.instant(), gateways.states(shop), Sales.NONE, untried)).stream()
                .map(finding -> new Problem(finding.path(), finding.sentence(), finding.remedy())).toList();
    }
}
