package vestcoin.app.rehearsal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.PastOrders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.StationChanges;
import vestcoin.core.compare.Changes;
import vestcoin.core.compare.Comparison;
import vestcoin.core.compare.ThresholdPassed;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.rehearsal.ZonePlaces;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/**
 * What the draft, or any edition, changes for orders: those that were taken, or the sample orders over their places.
 */
@RestController
class ChangesController {
    private static final int BINS = 24;
    private static final int PAGE = 50;

    /** Which orders are asked. */
    enum Asked {
        ORDERS,
        BASKETS
    }

    /**
     * @param before number of an edition; the live one without it
     * @param after number of an edition; the draft without it
     * @param of orders that were taken, unless the sample orders are wanted
     * @param from the first day of those taken; all that were taken without it
     * @param to the last one, included
     * @param asOf a day all of them are asked as of, instead of their own
     * @param passed whether they are asked afterwards as if 10,000 euro across borders within the Union were passed
     */
    record ChangesRequest(
            Optional<Integer> before,
            Optional<Integer> after,
            Optional<Asked> of,
            Optional<LocalDate> from,
            Optional<LocalDate> to,
            Optional<LocalDate> asOf,
            Optional<Boolean> passed) {
        ChangesRequest {
            before = before == null ? Optional.empty() : before;
            after = after == null ? Optional.empty() : after;
            of = of == null ? Optional.empty() : of;
            from = from == null ? Optional.empty() : from;
            to = to == null ? Optional.empty() : to;
            asOf = asOf == null ? Optional.empty() : asOf;
            passed = passed == null ? Optional.empty() : passed;
        }
    }

    /** How differences of a currency spread. */
    record Spread(String currency, List<Changes.Bin> bins) {}

    /**
     * What it has come to so far.
     *
     * @param done how many orders were asked
     * @param total how many there are to ask
     * @param same whether both setups are equal, so that nothing is asked
     * @param first the day of the first order that was taken
     * @param stations what differs in the setups, station by station
     */
    record ChangesView(
            BackgroundWork.State state,
            int done,
            int total,
            boolean same,
            Optional<LocalDate> first,
            List<StationChanges.StationChange> stations,
            List<Changes.Sums> sums,
            List<Changes.Group> groups,
            List<Spread> spreads) {}

    /** @param more whether there are others behind these */
    record ChangedPage(List<Changes.Changed> orders, boolean more) {}

    /**
     * The setups compared, by whose numbers and hashes what was compared is told apart.
     *
     * @param after what {@code is} says, or that as if the threshold were passed
     */
    private record Sides(Document was, Document is, CompiledSetup after, boolean passed) {
        CompiledSetup before() {
            return was.compiled();
        }

        boolean same() {
            return !passed && was.hash().equals(is.hash());
        }
    }

    private final BackgroundWork work;
    private final PastOrders past;
    private final Drafts drafts;
    private final Editions editions;
    private final Gateways gateways;
    private final PricingContexts contexts;
    private final Clock clock;

    ChangesController(
            BackgroundWork work,
            PastOrders past,
            Drafts drafts,
            Editions editions,
            Gateways gateways,
            PricingContexts contexts,
            Clock clock) {
        this.work = work;
        this.past = past;
        this.drafts = drafts;
        this.editions = editions;
        this.gateways = gateways;
        this.contexts = contexts;
        this.clock = clock;
    }

    private Sides sides(String shop, Optional<Integer> before, Optional<Integer> after, Optional<Boolean> passed) {
        Document draft = drafts.of(shop).document();
        Document was = before.map(number -> editions.of(shop, number))
                .or(() -> editions.live(shop))
                .map(Editions.Edition::document)
                .orElse(draft);
        Document is = after.map(number -> editions.of(shop, number).document()).orElse(draft);
        boolean asIfPassed = passed.orElse(false);
        if (before.isPresent() && before.equals(after) && !asIfPassed) {
            throw new InvalidInput(
                    "after",
                    Message.of("rehearsal.same-edition-twice", "number", before.get()),
                    Message.of("rehearsal.choose-two-editions"));
        }
        return new Sides(was, is, asIfPassed ? passed(is.compiled()) : is.compiled(), asIfPassed);
    }

    private static CompiledSetup passed(CompiledSetup setup) {
        return CompiledSetup.of(ThresholdPassed.of(setup.setup()), setup);
    }

    /** Begins to ask, or goes on where it was stopped. What else the same person had under way stops. */
    @PostMapping("/api/shops/{shop}/changes")
    ChangesView begin(@PathVariable String shop, @RequestBody ChangesRequest asked, Principal who) {
        Sides sides = sides(shop, asked.before(), asked.after(), asked.passed());
        ZoneId zone = sides.after().zone();
        if (asked.from().isPresent()
                && asked.to().isPresent()
                && asked.from().get().isAfter(asked.to().get())) {
            throw new InvalidInput(
                    "from",
                    Message.of(
                            "rehearsal.span-ends-before-it-begins",
                            "from",
                            asked.from().get(),
                            "to",
                            asked.to().get()),
                    Message.of("rehearsal.choose-first-day-before-last"));
        }
        Optional<Instant> asOf =
                asked.asOf().map(day -> day.atTime(12, 0).atZone(zone).toInstant());
        Asked of = asked.of().orElse(Asked.ORDERS);
        String key = String.join(
                " ",
                sides.was().hash(),
                sides.is().hash(),
                of.name(),
                asked.from().toString(),
                asked.to().toString(),
                asOf.toString(),
                String.valueOf(sides.passed()));
        BackgroundWork.Job<ChangesTask> job = work.start(
                who.getName(),
                shop,
                key,
                () -> new ChangesTask(
                        sides.same()
                                ? ChangesTask.of(Map.of())
                                : of == Asked.BASKETS
                                        ? ChangesTask.of(baskets(shop, asOf))
                                        : taken(shop, asked, zone, asOf),
                        Changes.between(sides.before(), sides.after()),
                        StationChanges.between(sides.was(), sides.is()),
                        sides.same()));
        return view(shop, zone, job);
    }

    private ChangesTask.Source taken(String shop, ChangesRequest asked, ZoneId zone, Optional<Instant> asOf) {
        Instant from =
                asked.from().map(day -> day.atStartOfDay(zone).toInstant()).orElse(Instant.EPOCH);
        Instant to = asked.to()
                .map(day -> day.plusDays(1).atStartOfDay(zone).toInstant())
                .orElse(clock.instant().plusSeconds(1));
        return new PastOrderSource(past, shop, from, to, asOf);
    }

    /** Each sample order where it goes itself, and to one place of each zone. */
    private Map<String, Order> baskets(String shop, Optional<Instant> asOf) {
        CompiledSetup draft = drafts.of(shop).document().compiled();
        Map<String, Gateway> states = gateways.states(shop);
        Instant at = asOf.orElseGet(clock::instant);
        PricingContexts.Trial trial = contexts.trial(shop, draft, at);
        Map<String, Order> orders = new LinkedHashMap<>();
        for (SampleOrder basket : draft.setup().rehearsal().baskets()) {
            for (Destination to : ZonePlaces.of(draft, basket)) {
                orders.put(basket.name() + ", " + placed(to), trial.around(SampleOrders.at(basket, to, at, states)));
            }
        }
        return orders;
    }

    private static String placed(Destination to) {
        return to.country()
                + to.region().map(region -> " " + region).orElse("")
                + to.postcode().map(code -> " " + code).orElse("");
    }

    /** How far it has come. */
    @GetMapping("/api/shops/{shop}/changes")
    ChangesView progress(@PathVariable String shop, Principal who) {
        return view(shop, drafts.of(shop).document().compiled().zone(), job(shop, who));
    }

    @DeleteMapping("/api/shops/{shop}/changes")
    ResponseEntity<Void> stop(@PathVariable String shop, Principal who) {
        work.stop(who.getName(), shop, ChangesTask.class);
        return ResponseEntity.noContent().build();
    }

    private BackgroundWork.Job<ChangesTask> job(String shop, Principal who) {
        return work.of(who.getName(), shop, ChangesTask.class)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "changes",
                        Message.of("rehearsal.nothing-compared-yet"),
                        Message.of("rehearsal.begin-comparing")));
    }

    private ChangesView view(String shop, ZoneId zone, BackgroundWork.Job<ChangesTask> job) {
        BackgroundWork.State state = job.state();
        return job.task()
                .read(sum -> new ChangesView(
                        state,
                        sum.asked(),
                        job.task().total(),
                        job.task().same(),
                        past.first(shop).map(at -> LocalDate.ofInstant(at, zone)),
                        job.task().stations(),
                        sum.sums(),
                        sum.groups(),
                        // Not while it runs: what is sorted then is in its way.
                        state == BackgroundWork.State.RUNNING
                                ? List.of()
                                : sum.sums().stream()
                                        .map(each -> new Spread(each.currency(), sum.spread(each.currency(), BINS)))
                                        .toList()));
    }

    /** The orders of a group, as they were asked, fifty at a time. */
    @GetMapping("/api/shops/{shop}/changes/orders")
    ChangedPage orders(
            @PathVariable String shop,
            @RequestParam String kind,
            @RequestParam String path,
            @RequestParam String currency,
            @RequestParam Optional<Integer> page,
            Principal who) {
        Changes.Kind wanted = Arrays.stream(Changes.Kind.values())
                .filter(each -> each.name().equalsIgnoreCase(kind))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(
                        "kind",
                        Message.of("rehearsal.no-such-kind-of-change", "kind", kind),
                        Message.of("rehearsal.choose-kind-of-change")));
        List<Changes.Changed> all = job(shop, who).task().read(sum -> sum.changed(wanted, path, currency));
        int from = Math.min(all.size(), Math.max(0, page.orElse(0)) * PAGE);
        int to = Math.min(all.size(), from + PAGE);
        return new ChangedPage(all.subList(from, to), to < all.size());
    }

    /**
     * An order that was taken under both setups, figure by figure.
     *
     * @param before and after as for {@link #begin}
     */
    @GetMapping("/api/shops/{shop}/changes/orders/{number}")
    Comparison.Difference order(
            @PathVariable String shop,
            @PathVariable int number,
            @RequestParam Optional<Integer> before,
            @RequestParam Optional<Integer> after,
            @RequestParam Optional<LocalDate> asOf,
            @RequestParam Optional<Boolean> passed) {
        Sides sides = sides(shop, before, after, passed);
        PastOrders.PastOrder order = past.numbered(shop, number)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "number",
                        Message.of("rehearsal.no-such-order"),
                        Message.of("rehearsal.choose-one-of-list")));
        return Comparison.whole(
                sides.before(),
                sides.after(),
                String.valueOf(number),
                OrdersAgain.of(order.document(), asOf.map(day -> day.atTime(12, 0)
                        .atZone(sides.after().zone())
                        .toInstant())));
    }

    /** Every order that changes, as CSV. */
    @GetMapping(path = "/api/shops/{shop}/changes.csv", produces = "text/csv")
    ResponseEntity<byte[]> file(@PathVariable String shop, Principal who) throws IOException {
        ByteArrayOutputStream csv = new ByteArrayOutputStream();
        ChangesCsv.write(job(shop, who).task().read(Changes::changed), csv);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-changes.csv\"")
                .body(csv.toByteArray());
    }
}
