package vestcoin.app.publishing;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.download.ProductFiles;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Phrases;
import vestcoin.app.message.MailServers;
import vestcoin.app.message.ShortMessages;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.FirstDraft;
import vestcoin.core.finding.AgainstOpening;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;

/** Opening and closing a shop. */
@RestController
class OpeningController {
    private static final int LONGEST_NOTICE = 400;

    /**
     * @param since when it was opened
     * @param edition number of the one buyers meet
     * @param blocking what stands against opening with what buyers meet, each with the very field to mend
     * @param inDraft what would stand against it besides if the draft were published
     */
    record Opening(
            boolean open,
            Optional<Instant> since,
            String notice,
            Optional<Integer> edition,
            List<Problem> blocking,
            List<Problem> inDraft) {}

    /** @param notice what a closed shop says */
    record Turned(Optional<Boolean> open, Optional<String> notice) {
        Turned {
            open = open == null ? Optional.empty() : open;
            notice = notice == null ? Optional.empty() : notice.map(String::strip);
        }
    }

    private final ShopOpenings doors;
    private final Editions editions;
    private final Drafts drafts;
    private final Gateways gateways;
    private final ProductFiles files;
    private final MailServers servers;
    private final ShortMessages texts;
    private final Clock clock;

    OpeningController(
            ShopOpenings doors,
            Editions editions,
            Drafts drafts,
            Gateways gateways,
            ProductFiles files,
            MailServers servers,
            ShortMessages texts,
            Clock clock) {
        this.doors = doors;
        this.editions = editions;
        this.drafts = drafts;
        this.gateways = gateways;
        this.files = files;
        this.servers = servers;
        this.texts = texts;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/opening")
    Opening opening(@PathVariable String shop) {
        ShopOpenings.Door door = doors.of(shop);
        Optional<Editions.Edition> live = editions.live(shop);
        List<Problem> blocking = blocking(shop, live);
        CompiledSetup draft = drafts.of(shop).document().compiled();
        List<Problem> inDraft = Stream.concat(against(shop, draft).stream(), moved(draft))
                .filter(problem -> !blocking.contains(problem))
                .toList();
        return new Opening(
                door.open(), door.since(), door.notice(), live.map(Editions.Edition::number), blocking, inDraft);
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
        List<Problem> blocking = blocking(shop, editions.live(shop));
        if (!blocking.isEmpty()) {
            throw new ApiProblem(HttpStatus.CONFLICT, blocking, Map.of());
        }
        doors.open(shop);
        return opening(shop);
    }

    private List<Problem> blocking(String shop, Optional<Editions.Edition> live) {
        if (live.isEmpty()) {
            return List.of(new Problem(
                    "shop",
                    Message.of("publishing.nothing-published-yet"),
                    Message.of("publishing.publish-draft-buyers-meet-what-published")));
        }
        return against(shop, live.get().document().compiled());
    }

    /** Pinned figures that moved keep the next edition back. */
    private static Stream<Problem> moved(CompiledSetup draft) {
        return Pins.moved(draft).stream()
                .map(moved -> new Problem(
                        "rehearsal/pins/" + moved.pin().id(),
                        moved.sentence(),
                        Message.of("rehearsal.put-right-or-take")));
    }

    private List<Problem> against(String shop, CompiledSetup compiled) {
        Set<String> untried = gateways.list(shop).stream()
                .filter(account -> account.triedAt().isEmpty())
                .map(Gateways.GatewayView::id)
                .collect(Collectors.toSet());
        return AgainstOpening.of(
                        compiled,
                        new FindingContext(
                                clock.instant(),
                                gateways.states(shop),
                                Sales.NONE,
                                untried,
                                Phrases.forBuyers().size(),
                                FirstDraft.sampleNames(),
                                Optional.of(files.products(shop)),
                                servers.trouble(shop),
                                texts.line(shop)))
                .stream()
                .map(finding -> new Problem(finding.path(), finding.sentence(), finding.remedy()))
                .toList();
    }
}
