package vestcoin.app.rehearsal;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ForkJoinPool;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.PastOrders;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.StationChanges;
import vestcoin.core.compare.DeliveryInPrice;
import vestcoin.core.compare.FillUp;
import vestcoin.core.compare.KeptOrder;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Delivery in the price: by how much prices would have to rise, or from what amount it could be free. */
@RestController
class SolverController {
    private static final int MOST_ORDERS = 2000;
    private static final int MOST_DISTANCE = 1000;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final BigDecimal MONTH = BigDecimal.valueOf(30);

    /** What is sought. */
    enum Sought {
        RISE,
        THRESHOLD
    }

    /**
     * @param zones ids of the delivery zones that are to be free
     * @param baskets whether the sample orders are asked, by how many there are of each a month, instead of those taken
     * @param from the first day of those taken
     * @param to the last one, included
     * @param loss a month that a threshold may cost, in the shop's currency
     * @param rise of prices beside a threshold, in percent
     * @param share of the orders a little short of a threshold that fill up to it, in percent
     * @param distance how much they may be short of it
     */
    record SolverRequest(
            Sought sought,
            List<String> zones,
            boolean baskets,
            Optional<LocalDate> from,
            Optional<LocalDate> to,
            Optional<BigDecimal> loss,
            Optional<BigDecimal> rise,
            Optional<BigDecimal> share,
            Optional<BigDecimal> distance) {
        SolverRequest {
            zones = zones == null ? List.of() : zones;
            from = from == null ? Optional.empty() : from;
            to = to == null ? Optional.empty() : to;
            loss = loss == null ? Optional.empty() : loss;
            rise = rise == null ? Optional.empty() : rise;
            share = share == null ? Optional.empty() : share;
            distance = distance == null ? Optional.empty() : distance;
        }
    }

    /**
     * How far it has come.
     *
     * @param orders how many are priced
     * @param drawn of how many they were drawn evenly
     * @param today what is kept of them as it is
     * @param enough what has to be kept
     * @param days of the span
     */
    record SolverView(
            BackgroundWork.State state,
            Sought sought,
            SolverTask.Progress progress,
            int orders,
            int drawn,
            BigDecimal today,
            BigDecimal enough,
            BigDecimal days) {}

    /** A task with what it was made of. */
    private static final class Solving implements BackgroundWork.Task {
        private final SolverTask task;
        private final Sought sought;
        private final Drawn drawn;
        private final String hash;

        Solving(SolverTask task, Sought sought, Drawn drawn, String hash) {
            this.task = task;
            this.sought = sought;
            this.drawn = drawn;
            this.hash = hash;
        }

        @Override
        public boolean step(ForkJoinPool pool) {
            return task.step(pool);
        }
    }

    /** @param of how many there were @param days they stand for */
    private record Drawn(List<KeptOrder> orders, int of, BigDecimal days) {}

    private final BackgroundWork work;
    private final PastOrders past;
    private final Drafts drafts;
    private final Gateways gateways;
    private final PricingContexts contexts;
    private final Clock clock;

    SolverController(
            BackgroundWork work,
            PastOrders past,
            Drafts drafts,
            Gateways gateways,
            PricingContexts contexts,
            Clock clock) {
        this.work = work;
        this.past = past;
        this.drafts = drafts;
        this.gateways = gateways;
        this.contexts = contexts;
        this.clock = clock;
    }

    @PostMapping("/api/shops/{shop}/delivery-in-price")
    SolverView begin(@PathVariable String shop, @RequestBody SolverRequest asked, Principal who) {
        Document draft = drafts.of(shop).document();
        CompiledSetup compiled = draft.compiled();
        Set<String> zones = new TreeSet<>(asked.zones());
        if (asked.sought() == null || zones.isEmpty()) {
            throw new InvalidInput(
                    "zones",
                    Message.of("rehearsal.nothing-is-to-be-free"),
                    Message.of("rehearsal.choose-zones-to-be-free"));
        }
        zones.removeAll(compiled.setup().delivery().zones().stream()
                .map(zone -> zone.id())
                .toList());
        if (!zones.isEmpty()) {
            throw new InvalidInput(
                    "zones",
                    Message.of(
                            "rehearsal.no-such-zone", "zone", zones.iterator().next()),
                    Message.of("rehearsal.choose-zones-to-be-free"));
        }
        BigDecimal rise = within("rise", asked.rise().orElse(BigDecimal.ZERO), DeliveryInPrice.MOST_RISE);
        BigDecimal loss = within("loss", asked.loss().orElse(BigDecimal.ZERO), BigDecimal.valueOf(1_000_000_000));
        FillUp fillUp = new FillUp(
                within("share", asked.share().orElse(BigDecimal.ZERO), HUNDRED).movePointLeft(2),
                within("distance", asked.distance().orElse(BigDecimal.ZERO), BigDecimal.valueOf(MOST_DISTANCE)));
        BackgroundWork.Job<Solving> job = work.start(
                who.getName(),
                shop,
                "solver " + draft.hash() + " " + asked,
                () -> solving(shop, asked, draft, rise, loss, fillUp));
        return view(job);
    }

    private static BigDecimal within(String path, BigDecimal typed, BigDecimal most) {
        if (typed.signum() < 0 || typed.compareTo(most) > 0) {
            throw new InvalidInput(
                    path,
                    Message.of("rehearsal.figure-out-of-bounds", "typed", typed),
                    Message.of("rehearsal.write-from-zero-to", "most", most));
        }
        return typed;
    }

    private Solving solving(
            String shop, SolverRequest asked, Document draft, BigDecimal rise, BigDecimal loss, FillUp fillUp) {
        CompiledSetup compiled = draft.compiled();
        Drawn drawn = asked.baskets() ? baskets(shop, compiled) : taken(shop, asked, compiled);
        if (drawn.orders().isEmpty()) {
            throw new InvalidInput(
                    "orders",
                    Message.of("rehearsal.no-order-to-reckon-with"),
                    Message.of("rehearsal.choose-another-span-or-sample-orders"));
        }
        DeliveryInPrice problem = new DeliveryInPrice(compiled.setup(), new TreeSet<>(asked.zones()), drawn.orders());
        SolverTask task = asked.sought() == Sought.RISE
                ? new SolverTask.Rise(problem, compiled)
                : new SolverTask.Threshold(
                        problem,
                        compiled,
                        rise,
                        loss.multiply(drawn.days())
                                .multiply(BigDecimal.valueOf(drawn.orders().size()))
                                .divide(MONTH.multiply(BigDecimal.valueOf(drawn.of())), 2, RoundingMode.HALF_UP),
                        fillUp);
        return new Solving(task, asked.sought(), drawn, draft.hash());
    }

    /** The orders taken in a span, of many every so many-th. */
    private Drawn taken(String shop, SolverRequest asked, CompiledSetup compiled) {
        ZoneId zone = compiled.zone();
        Instant from = asked.from()
                .map(day -> day.atStartOfDay(zone).toInstant())
                .or(() -> past.first(shop))
                .orElse(Instant.EPOCH);
        Instant to = asked.to()
                .map(day -> day.plusDays(1).atStartOfDay(zone).toInstant())
                .orElseGet(() -> clock.instant().plusSeconds(1));
        List<KeptOrder> orders = new ArrayList<>();
        PastOrderSource source = new PastOrderSource(past, shop, from, to, Optional.empty());
        int total = source.total();
        long at = 0;
        for (List<ChangesTask.NamedOrder> page = source.next(); !page.isEmpty(); page = source.next()) {
            for (ChangesTask.NamedOrder each : page) {
                // Evenly: the n-th is drawn where n × most ÷ all passes a whole number.
                boolean drawn = total <= MOST_ORDERS || at * MOST_ORDERS / total != (at + 1) * MOST_ORDERS / total;
                at++;
                if (drawn) {
                    KeptOrder.of(compiled, each.name(), each.order().get(), BigDecimal.ONE)
                            .ifPresent(orders::add);
                }
            }
        }
        BigDecimal days =
                BigDecimal.valueOf(Math.max(1, Duration.between(from, to).toDays()));
        return new Drawn(orders, Math.max(total, orders.size()), days);
    }

    /** Each sample order where it goes itself, as many as there are of it a month. */
    private Drawn baskets(String shop, CompiledSetup compiled) {
        Map<String, Gateway> states = gateways.states(shop);
        PricingContexts.Trial trial = contexts.trial(shop, compiled, clock.instant());
        List<KeptOrder> orders = new ArrayList<>();
        for (SampleOrder basket : compiled.setup().rehearsal().baskets()) {
            KeptOrder.of(
                            compiled,
                            basket.name(),
                            trial.around(SampleOrders.at(
                                    basket, basket.order().to().orElseGet(compiled::home), clock.instant(), states)),
                            BigDecimal.valueOf(basket.monthly().orElse(1)))
                    .ifPresent(orders::add);
        }
        return new Drawn(orders, orders.size(), MONTH);
    }

    @GetMapping("/api/shops/{shop}/delivery-in-price")
    SolverView progress(@PathVariable String shop, Principal who) {
        return view(job(shop, who));
    }

    @DeleteMapping("/api/shops/{shop}/delivery-in-price")
    ResponseEntity<Void> stop(@PathVariable String shop, Principal who) {
        work.stop(who.getName(), shop, Solving.class);
        return ResponseEntity.noContent().build();
    }

    /** Writes what was found into the draft, as one change that can be undone. */
    @PostMapping("/api/shops/{shop}/delivery-in-price/draft")
    ResponseEntity<Void> write(@PathVariable String shop, Principal who) {
        Solving solving = job(shop, who).task();
        Document draft = drafts.of(shop).document();
        if (solving.task.progress().found().isEmpty() || !draft.hash().equals(solving.hash)) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "draft",
                    Message.of("rehearsal.nothing-found-for-this-draft"),
                    Message.of("rehearsal.seek-again"));
        }
        Document wanted = Document.of(
                solving.task.at(solving.task.progress().found().get().point()));
        drafts.edit(shop, StationChanges.edits(draft, wanted), who.getName());
        return ResponseEntity.noContent().build();
    }

    private BackgroundWork.Job<Solving> job(String shop, Principal who) {
        return work.of(who.getName(), shop, Solving.class)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "delivery-in-price",
                        Message.of("rehearsal.nothing-sought-yet"),
                        Message.of("rehearsal.seek-again")));
    }

    private static SolverView view(BackgroundWork.Job<Solving> job) {
        Solving solving = job.task();
        return new SolverView(
                job.state(),
                solving.sought,
                solving.task.progress(),
                solving.drawn.orders().size(),
                solving.drawn.of(),
                solving.task.problem().today(),
                solving.task.enough(),
                solving.drawn.days());
    }
}
