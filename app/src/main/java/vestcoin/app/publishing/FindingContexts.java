package vestcoin.app.publishing;

import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.download.ProductFiles;
import vestcoin.app.format.Phrases;
import vestcoin.app.message.MailServers;
import vestcoin.app.message.ShortMessages;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.FirstDraft;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.setup.CompiledSetup;

/** Gathers what findings of a shop's setup hang on besides the setup. */
@Service
class FindingContexts {
    private final Gateways gateways;
    private final ProductFiles files;
    private final MailServers servers;
    private final ShortMessages texts;
    private final PricingContexts contexts;
    private final Clock clock;

    FindingContexts(
            Gateways gateways,
            ProductFiles files,
            MailServers servers,
            ShortMessages texts,
            PricingContexts contexts,
            Clock clock) {
        this.gateways = gateways;
        this.files = files;
        this.servers = servers;
        this.texts = texts;
        this.contexts = contexts;
        this.clock = clock;
    }

    /** For a draft that is worked on. */
    FindingContext ofDraft(String shop, CompiledSetup setup) {
        return of(shop, setup, Set.of(), Set.of());
    }

    /** For a shop that is to open: with accounts never tried, and what a new shop begins with. */
    FindingContext ofOpening(String shop, CompiledSetup setup) {
        Set<String> untried = gateways.list(shop).stream()
                .filter(account -> account.triedAt().isEmpty())
                .map(Gateways.GatewayView::id)
                .collect(Collectors.toSet());
        return of(shop, setup, untried, FirstDraft.sampleNames());
    }

    private FindingContext of(String shop, CompiledSetup setup, Set<String> untried, Set<String> samples) {
        return new FindingContext(
                clock.instant(),
                gateways.states(shop),
                contexts.sales(shop, setup, clock.instant()),
                untried,
                Phrases.forBuyers().size(),
                samples,
                Optional.of(files.products(shop)),
                servers.trouble(shop),
                texts.line(shop));
    }
}
