package vestcoin.app.publishing;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.download.ProductFiles;
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

/** What stands against opening a shop, each with the very field to mend. */
@Service
class OpeningObstacles {
    private final Editions editions;
    private final Drafts drafts;
    private final Gateways gateways;
    private final ProductFiles files;
    private final MailServers servers;
    private final ShortMessages texts;
    private final PricingContexts contexts;
    private final Clock clock;

    OpeningObstacles(
            Editions editions,
            Drafts drafts,
            Gateways gateways,
            ProductFiles files,
            MailServers servers,
            ShortMessages texts,
            PricingContexts contexts,
            Clock clock) {
        this.editions = editions;
        this.drafts = drafts;
        this.gateways = gateways;
        this.files = files;
        this.servers = servers;
        this.texts = texts;
        this.contexts = contexts;
        this.clock = clock;
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
        Set<String> untried = gateways.list(shop).stream()
                .filter(account -> account.triedAt().isEmpty())
                .map(Gateways.GatewayView::id)
                .collect(Collectors.toSet());
        return AgainstOpening.of(
                        compiled,
                        new FindingContext(
                                clock.instant(),
                                gateways.states(shop),
                                contexts.sales(shop, compiled, clock.instant()),
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
