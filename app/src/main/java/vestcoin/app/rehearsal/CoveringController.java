package vestcoin.app.rehearsal;

import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.StationChanges;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.rehearsal.Combinations;
import vestcoin.core.rehearsal.CoveringSet;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Rehearsal.SampleOrder;
import vestcoin.core.setup.SetupBuilder;

/** Sample orders that meet every pair of values that can occur together, and the edges of rates and discounts. */
@RestController
class CoveringController {
    private static final int MOST = 500;
    private static final String MADE_HERE = "(covering|edge|kind)-\\d+";

    /** @param most orders at most; two hundred without it */
    record CoveringRequest(Optional<Integer> most) {
        CoveringRequest {
            most = most == null ? Optional.empty() : most;
        }
    }

    /**
     * @param orders how many sample orders it is
     * @param unreachable pairs no order was found for, as the seller calls them
     * @param left what the bound left out
     */
    record CoveringView(int orders, int pairs, int edges, List<String> unreachable, List<String> left) {}

    private final Drafts drafts;
    private final PricingContexts contexts;
    private final Clock clock;

    CoveringController(Drafts drafts, PricingContexts contexts, Clock clock) {
        this.drafts = drafts;
        this.contexts = contexts;
        this.clock = clock;
    }

    /** What the set would be; nothing is written. */
    @PostMapping("/api/shops/{shop}/board/covering")
    CoveringView look(@PathVariable String shop, @RequestBody CoveringRequest asked) {
        return view(found(drafts.of(shop).document(), asked));
    }

    private static CoveringView view(CoveringSet.Found found) {
        return new CoveringView(
                found.baskets().size(),
                found.pairs(),
                found.edges(),
                Stream.concat(
                                found.unreachable().stream().map(CoveringController::named),
                                found.unreachableEdges().stream())
                        .toList(),
                Stream.concat(found.leftPairs().stream().map(CoveringController::named), found.leftEdges().stream())
                        .toList());
    }

    /** Writes the set into the draft, in place of one that was made before, as one change that can be undone. */
    @PutMapping("/api/shops/{shop}/board/covering")
    CoveringView write(@PathVariable String shop, @RequestBody CoveringRequest asked, Principal who) {
        Document draft = drafts.of(shop).document();
        CoveringSet.Found found = found(draft, asked);
        Rehearsal rehearsal = draft.setup().rehearsal();
        List<SampleOrder> baskets = Stream.concat(
                        rehearsal.baskets().stream()
                                .filter(basket -> !basket.id().matches(MADE_HERE)),
                        found.baskets().stream())
                .toList();
        Document wanted = Document.of(SetupBuilder.builder(draft.setup())
                .rehearsal(new Rehearsal(baskets, rehearsal.meant(), rehearsal.pins()))
                .build());
        if (!wanted.hash().equals(draft.hash())) {
            drafts.edit(shop, StationChanges.edits(draft, wanted), who.getName());
        }
        return view(found);
    }

    private CoveringSet.Found found(Document draft, CoveringRequest asked) {
        int most = asked.most().orElse(CoveringSet.USUAL_MOST);
        if (most < 1 || most > MOST) {
            throw new InvalidInput(
                    "most",
                    Message.of("rehearsal.figure-out-of-bounds", "typed", most),
                    Message.of("rehearsal.write-from-one-to", "most", MOST));
        }
        return CoveringSet.of(new Combinations(draft.compiled(), clock.instant(), contexts.rates()), most);
    }

    private static String named(CoveringSet.Pair pair) {
        return (pair.first().isEmpty() ? "–" : pair.first()) + " + "
                + (pair.second().isEmpty() ? "–" : pair.second());
    }
}
