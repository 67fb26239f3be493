package vestcoin.app.publishing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.finding.AgainstOpening;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.setup.CompiledSetup;

/** What stands against opening a shop, each with the very field to mend. */
@Service
class OpeningObstacles {
    private final Editions editions;
    private final Drafts drafts;
    private final FindingContexts contexts;

    OpeningObstacles(Editions editions, Drafts drafts, FindingContexts contexts) {
        this.editions = editions;
        this.drafts = drafts;
        this.contexts = contexts;
    }

    /** With what buyers meet. */
    List<Problem> live(String shop) {
        Optional<Editions.Edition> live = editions.live(shop);
        if (live.isEmpty()) {
            return List.of(new Problem(
                    "shop",
                    Message.of("publishing.nothing-published-yet"),
                    Message.of("publishing.publish-draft-buyers-meet-what-published")));
        }
        return against(shop, live.get().document().compiled());
    }

    /** If the draft were published. */
    List<Problem> inDraft(String shop) {
        CompiledSetup draft = drafts.of(shop).document().compiled();
        return Stream.concat(against(shop, draft).stream(), moved(draft)).toList();
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
        return AgainstOpening.of(compiled, contexts.ofOpening(shop, compiled)).stream()
                .map(finding -> new Problem(finding.path(), finding.sentence(), finding.remedy()))
                .toList();
    }
}
