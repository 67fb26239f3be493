package vestcoin.app.dressrehearsal;

import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.rehearsal.BackgroundWork;
import vestcoin.app.setup.CountryNames;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** The dress rehearsal: practice orders of chosen cells through the whole application, begun, looked at and stopped. */
@RestController
class DressController {
    static final int MOST_CELLS = 1000;
    private static final int PAGE = 100;

    /** @param basket id of a sample order of the draft */
    record CellAsked(String basket, Destination to) {}

    record DressRequest(List<CellAsked> cells) {
        DressRequest {
            cells = cells == null ? List.of() : cells;
        }
    }

    /**
     * How far it has come.
     *
     * @param shop the one it is held in, once that is there
     * @param sameDraft whether the draft still is what is rehearsed
     * @param cells how many there are
     * @param done how many are behind it
     * @param tried how many orders could be had at all
     * @param failed how many failed at a step
     * @param listed how many can be shown, a page of them at a time
     */
    record DressView(
            BackgroundWork.State state,
            Optional<String> shop,
            boolean sameDraft,
            int cells,
            int done,
            int tried,
            int failed,
            List<DressTask.Failure> failures,
            int listed,
            List<PracticeOrder> orders) {}

    /**
     * Where a seller walks an order by hand.
     *
     * @param shop the one that rehearses
     * @param post where its letters are read
     */
    record WalkPlace(String shop, String post) {}

    private final BackgroundWork work;
    private final Drafts drafts;
    private final OrderWalk walking;
    private final RehearsalStage stages;
    private final String services;

    DressController(
            BackgroundWork work,
            Drafts drafts,
            OrderWalk walking,
            RehearsalStage stages,
            @Value("${vest-coin.services}") String services) {
        this.work = work;
        this.drafts = drafts;
        this.walking = walking;
        this.stages = stages;
        this.services = services;
    }

    /** Sets the stage for orders that are walked by hand; it stays while the draft does. */
    @PostMapping("/api/shops/{shop}/dress-rehearsal/stage")
    WalkPlace stage(@PathVariable String shop, Principal who) {
        refuseBeside(work.who(shop, DressTask.class)
                .filter(other -> !other.equals(who.getName())
                        || work.of(other, shop, DressTask.class)
                                .filter(job -> job.task()
                                        .draft()
                                        .hash()
                                        .equals(drafts.of(shop).document().hash()))
                                .isEmpty()));
        return new WalkPlace(stages.of(shop, drafts.of(shop).document(), who.getName()), services + "/post");
    }

    private static void refuseBeside(Optional<String> other) {
        other.ifPresent(busy -> {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "cells",
                    Message.of("rehearsal.dress-is-under-way", "who", busy),
                    Message.of("rehearsal.dress-wait-until-over"));
        });
    }

    /** Begins a rehearsal of the draft; one that was stopped goes on while draft and cells are the same. */
    @PostMapping("/api/shops/{shop}/dress-rehearsal")
    DressView begin(@PathVariable String shop, @RequestBody DressRequest asked, Principal who) {
        Document draft = drafts.of(shop).document();
        List<OrderWalk.Cell> cells = cells(draft, asked);
        refuseBeside(work.who(shop, DressTask.class).filter(other -> !other.equals(who.getName())));
        String same = "dress " + draft.hash() + " " + asked + " ";
        // What is over is rehearsed anew: what it hung on may have been put right outside of the draft.
        String key = work.of(who.getName(), shop, DressTask.class)
                .filter(job ->
                        job.state() == BackgroundWork.State.STOPPED || job.state() == BackgroundWork.State.RUNNING)
                .map(job -> job.task().key())
                .filter(known -> known.startsWith(same))
                .orElse(same + UUID.randomUUID());
        return view(
                work.start(
                        who.getName(), shop, key, () -> new DressTask(key, shop, draft, who.getName(), cells, walking)),
                draft,
                0,
                false);
    }

    private static List<OrderWalk.Cell> cells(Document draft, DressRequest asked) {
        Map<String, SampleOrder> samples = draft.setup().rehearsal().baskets().stream()
                .collect(Collectors.toMap(SampleOrder::id, Function.identity()));
        if (asked.cells().isEmpty() || asked.cells().size() > MOST_CELLS) {
            throw new InvalidInput(
                    "cells",
                    Message.of("rehearsal.dress-takes-from-one-to", "most", MOST_CELLS),
                    Message.of("rehearsal.ask-for-fewer"));
        }
        List<OrderWalk.Cell> cells = new ArrayList<>();
        for (CellAsked cell : asked.cells()) {
            SampleOrder sample = Optional.ofNullable(cell.basket())
                    .map(samples::get)
                    .orElseThrow(() -> new InvalidInput(
                            "cells",
                            Message.of("rehearsal.no-such-basket", "basket", String.valueOf(cell.basket())),
                            Message.of("checkout.load-page-again")));
            cells.add(new OrderWalk.Cell(sample, CountryNames.destination("cells", cell.to())));
        }
        return cells;
    }

    /**
     * The one begun last by who asks; nothing where there is none.
     *
     * @param from how many orders are left out before those that are shown
     * @param failed whether only those are shown that failed at a step
     */
    @GetMapping("/api/shops/{shop}/dress-rehearsal")
    ResponseEntity<DressView> look(
            @PathVariable String shop,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "false") boolean failed,
            Principal who) {
        Document draft = drafts.of(shop).document();
        return work.of(who.getName(), shop, DressTask.class)
                .map(job -> ResponseEntity.ok(view(job, draft, Math.max(0, from), failed)))
                .orElse(ResponseEntity.noContent().build());
    }

    @DeleteMapping("/api/shops/{shop}/dress-rehearsal")
    ResponseEntity<DressView> stop(@PathVariable String shop, Principal who) {
        work.stop(who.getName(), shop, DressTask.class);
        return look(shop, 0, false, who);
    }

    private static DressView view(BackgroundWork.Job<DressTask> job, Document draft, int from, boolean onlyFailed) {
        DressTask task = job.task();
        DressTask.Walked seen = task.seen(from, PAGE, onlyFailed);
        return new DressView(
                job.state(),
                task.rehearsal(),
                task.draft().hash().equals(draft.hash()),
                task.cells(),
                task.done(),
                seen.tried(),
                seen.failed(),
                seen.failures(),
                seen.listed(),
                seen.orders());
    }
}
