package vestcoin.app.publishing;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/** Opening and closing a shop. */
@RestController
class OpeningController {
    private static final int LONGEST_NOTICE = 400;

    /**
     * @param since when it was opened
     * @param edition number of the one buyers meet
     * @param blocking what stands against opening with what buyers meet, each with the very field to mend
     * @param inDraft what would stand against it besides if the draft were published
     * @param waiting the time it opens at by itself
     */
    record Opening(
            boolean open,
            Optional<Instant> since,
            String notice,
            Optional<Integer> edition,
            List<Problem> blocking,
            List<Problem> inDraft,
            Optional<WaitingOpenings.WaitingOpening> waiting) {}

    /** @param notice what a closed shop says */
    record Turned(Optional<Boolean> open, Optional<String> notice) {
        Turned {
            open = open == null ? Optional.empty() : open;
            notice = notice == null ? Optional.empty() : notice.map(String::strip);
        }
    }

    /** @param at by the shop's clock, as {@code 2026-12-01T08:00} */
    record OpeningTime(String at) {}

    private final ShopOpenings doors;
    private final Editions editions;
    private final OpeningObstacles obstacles;
    private final WaitingOpenings waiting;

    OpeningController(ShopOpenings doors, Editions editions, OpeningObstacles obstacles, WaitingOpenings waiting) {
        this.doors = doors;
        this.editions = editions;
        this.obstacles = obstacles;
        this.waiting = waiting;
    }

    @GetMapping("/api/shops/{shop}/opening")
    Opening opening(@PathVariable String shop) {
        ShopOpenings.Door door = doors.of(shop);
        List<Problem> blocking = obstacles.live(shop);
        List<Problem> inDraft = obstacles.inDraft(shop).stream()
                .filter(problem -> !blocking.contains(problem))
                .toList();
        return new Opening(
                door.open(),
                door.since(),
                door.notice(),
                editions.live(shop).map(Editions.Edition::number),
                blocking,
                inDraft,
                waiting.of(shop));
    }

    @PutMapping("/api/shops/{shop}/opening")
    Opening turn(@PathVariable String shop, @RequestBody Turned turned) {
        boolean open = turned.open()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "open",
                        Message.of("publishing.not-said-whether-shop-shall-open"),
                        Message.of("publishing.say-open-true-or-open-false")));
        if (!open) {
            turned.notice().filter(notice -> notice.length() > LONGEST_NOTICE).ifPresent(notice -> {
                throw new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "notice",
                        Message.of("publishing.notice-has-characters", "length", notice.length()),
                        Message.of("publishing.keep-to", "longestnotice", LONGEST_NOTICE));
            });
            doors.close(shop, turned.notice().orElse(""));
            return opening(shop);
        }
        List<Problem> blocking = obstacles.live(shop);
        if (!blocking.isEmpty()) {
            throw new ApiProblem(HttpStatus.CONFLICT, blocking, Map.of());
        }
        doors.open(shop);
        waiting.callOff(shop);
        return opening(shop);
    }

    /** Lets the shop open at a time of its clock. */
    @PutMapping("/api/shops/{shop}/opening/waiting")
    Opening await(@PathVariable String shop, @RequestBody OpeningTime asked, Principal who) {
        waiting.await(shop, TypedTime.of(asked.at()), who.getName());
        return opening(shop);
    }

    @DeleteMapping("/api/shops/{shop}/opening/waiting")
    Opening callOff(@PathVariable String shop) {
        waiting.callOff(shop);
        return opening(shop);
    }
}
