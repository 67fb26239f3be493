package vestcoin.app.dressrehearsal;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.setup.Document;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Walks practice orders through all that happens to an order, step by step, and writes down what held. */
@Service
class OrderWalk {
    private static final Logger LOG = LoggerFactory.getLogger(OrderWalk.class);

    /** A sample order and a place it goes to. */
    record Cell(SampleOrder sample, Destination to) {}

    /** A practice order to come. @param refused what is known of it before it is tried */
    record Planned(Cell cell, Optional<PracticeOrder.Way> way, Optional<WalkStep> refused) {}

    private final RehearsalStage stages;
    private final PracticePlacement placement;
    private final PracticePayment payment;
    private final PracticeAftercare aftercare;
    private final Orders orders;

    OrderWalk(
            RehearsalStage stages,
            PracticePlacement placement,
            PracticePayment payment,
            PracticeAftercare aftercare,
            Orders orders) {
        this.stages = stages;
        this.placement = placement;
        this.payment = payment;
        this.aftercare = aftercare;
        this.orders = orders;
    }

    RehearsalStage.Stage stage(String shop, Document draft, String author) {
        return stages.set(shop, draft, author);
    }

    /** The practice orders of a cell: one for each way to pay and for what can happen with it. */
    List<Planned> planned(RehearsalStage.Stage stage, Cell cell) {
        try {
            PracticePlacement.Asked asked = asked(cell);
            placement.introduce(stage.edition(), asked);
            QuoteView quote = placement
                    .shown(stage.edition(), asked, asked.basket(Optional.empty()))
                    .quote();
            List<Message> missing = quote.missing();
            if (!missing.isEmpty()) {
                return List.of(hole(cell, missing.get(0)));
            }
            List<Planned> planned = new ArrayList<>();
            for (QuoteView.Method method : quote.methods()) {
                if (method.hidden().isEmpty()) {
                    acts(method.kind())
                            .forEach(act -> planned.add(new Planned(cell, way(method, act), Optional.empty())));
                } else if (payment.withoutAccount(stage.edition(), method.id())) {
                    planned.add(new Planned(
                            cell,
                            way(method, PracticePayment.asks(method.kind())),
                            Optional.of(WalkStep.failed(
                                    WalkStep.Name.PAID,
                                    method.hidden().get(),
                                    Message.of("rehearsal.dress-look-at-account")))));
                }
            }
            if (quote.toPay().value().signum() == 0) {
                return List.of(new Planned(cell, Optional.empty(), Optional.empty()));
            }
            return planned.isEmpty() ? List.of(hole(cell, Message.of("rehearsal.no-way-to-pay"))) : planned;
        } catch (InvalidInput e) {
            return List.of(hole(cell, e.problems().get(0).sentence()));
        } catch (RuntimeException e) {
            LOG.error("a cell of a rehearsal cannot be planned", e);
            return List.of(new Planned(cell, Optional.empty(), Optional.of(brokenOff(WalkStep.Name.PLACED))));
        }
    }

    private static WalkStep brokenOff(WalkStep.Name name) {
        return WalkStep.failed(name, Message.of("rehearsal.dress-broke-off"), Message.of("rehearsal.dress-see-log"));
    }

    private static Optional<PracticeOrder.Way> way(QuoteView.Method method, PracticeOrder.Act act) {
        return Optional.of(new PracticeOrder.Way(method.id(), method.title(), method.kind(), act));
    }

    /** A cell that the board shows as a hole is no fault of the rehearsal. */
    private static Planned hole(Cell cell, Message why) {
        return new Planned(cell, Optional.empty(), Optional.of(WalkStep.nothingToDo(WalkStep.Name.PLACED, why)));
    }

    private static List<PracticeOrder.Act> acts(Payment.Kind kind) {
        return switch (kind) {
            case CARD -> List.of(PracticeOrder.Act.APPROVED, PracticeOrder.Act.DECLINED, PracticeOrder.Act.ASKED);
            case WALLET -> List.of(PracticeOrder.Act.ASKED, PracticeOrder.Act.DECLINED);
            case TRANSFER, CASH_ON_DELIVERY, CASH_AT_PICKUP, CHEQUE, ON_ACCOUNT -> List.of(PracticeOrder.Act.APPROVED);
        };
    }

    private static PracticePlacement.Asked asked(Cell cell) {
        return PracticePlacement.Asked.of(
                cell.sample(), cell.to(), UUID.randomUUID().toString().substring(0, 8));
    }

    /** Walks one of them as far as its letters, which take their time. */
    Walk walk(String shop, RehearsalStage.Stage stage, Planned planned, String actor) {
        Walk walk = new Walk(planned);
        if (planned.refused().isPresent()) {
            walk.stop(planned.refused().get());
            return walk;
        }
        walk.step(
                WalkStep.Name.TEXTS,
                () -> WalkStep.of(
                        WalkStep.Name.TEXTS, stage.texts(), Message.of("finding.set-them-at-left-of-terms-or")));
        walk.broken = false;
        walk.step(WalkStep.Name.PLACED, () -> {
            PracticePlacement.Asked asked = asked(planned.cell());
            placement.introduce(stage.edition(), asked);
            PracticePlacement.Shown shown = placement.shown(
                    stage.edition(), asked, asked.basket(planned.way().map(PracticeOrder.Way::method)));
            walk.placed(placement.place(shop, stage.edition(), asked, shown));
            return WalkStep.held(WalkStep.Name.PLACED);
        });
        planned.way()
                .ifPresentOrElse(
                        way -> walk.step(WalkStep.Name.PAID, () -> payment.pay(walk.order(), way)),
                        () -> walk.step(
                                WalkStep.Name.PAID,
                                () -> WalkStep.nothingToDo(
                                        WalkStep.Name.PAID, Message.of("rehearsal.dress-nothing-to-pay"))));
        // What an order is paid by in the end may be another way than the first.
        if (walk.placed() && payment.waitedFor(walk.order())) {
            walk.step(WalkStep.Name.TAKEN, () -> payment.take(walk.order(), actor));
            walk.step(WalkStep.Name.HANDED_OVER, () -> aftercare.handOver(walk.order(), actor));
        } else {
            walk.step(WalkStep.Name.HANDED_OVER, () -> aftercare.handOver(walk.order(), actor));
            walk.step(WalkStep.Name.TAKEN, () -> payment.take(walk.order(), actor));
        }
        walk.step(WalkStep.Name.GIVEN_BACK, () -> payment.giveBack(walk.order(), aftercare.bills(walk.order()), actor));
        walk.step(WalkStep.Name.PAPERS, () -> aftercare.papers(walk.order(), walk.gaveBack()));
        return walk;
    }

    /** Looks at the letters of an order that was placed. @param late whether they had the time they need */
    Optional<WalkStep> letters(RehearsalStage.Stage stage, Walk walk, boolean late) {
        return aftercare.letters(walk.order(), walk.gaveBack(), stage.mail(), late);
    }

    /** By what an order is found again; what it says itself is not held while thousands are walked. */
    private record Placed(long id, int number, String token) {}

    /** One order on its way. */
    final class Walk {
        private final Planned planned;
        private final Map<WalkStep.Name, WalkStep> steps = new EnumMap<>(WalkStep.Name.class);
        private Placed order;
        private boolean broken;

        private Walk(Planned planned) {
            this.planned = planned;
        }

        /** As it stands now. */
        private Orders.Order order() {
            return orders.byId(order.id());
        }

        private boolean gaveBack() {
            return Optional.ofNullable(steps.get(WalkStep.Name.GIVEN_BACK))
                    .filter(step -> step.outcome() == WalkStep.Outcome.HELD)
                    .isPresent();
        }

        boolean placed() {
            return order != null;
        }

        private void placed(Orders.Order placed) {
            order = new Placed(placed.id(), placed.number(), placed.token());
        }

        /** Whether it cannot be had, as the board says. */
        boolean hole() {
            return Optional.ofNullable(steps.get(WalkStep.Name.PLACED))
                    .filter(step -> step.outcome() == WalkStep.Outcome.NOTHING_TO_DO)
                    .isPresent();
        }

        /** The steps it failed at. */
        List<WalkStep> failed() {
            return steps.values().stream()
                    .filter(step -> step.outcome() == WalkStep.Outcome.FAILED)
                    .toList();
        }

        Optional<Integer> number() {
            return Optional.ofNullable(order).map(Placed::number);
        }

        void add(WalkStep step) {
            steps.put(step.name(), step);
        }

        private void stop(WalkStep step) {
            add(step);
            broken = true;
        }

        /** Does the next step, unless one before it failed. */
        private void step(WalkStep.Name name, Supplier<WalkStep> doing) {
            if (broken) {
                return;
            }
            WalkStep done;
            try {
                done = doing.get();
            } catch (ApiProblem e) {
                done = failed(name, e.problems());
            } catch (InvalidInput e) {
                done = failed(name, e.problems());
            } catch (ProviderTimeout e) {
                done = WalkStep.failed(
                        name,
                        ServiceReasons.of(e.getMessage()),
                        Message.of("rehearsal.dress-are-practice-services-on"));
            } catch (RuntimeException e) {
                LOG.error("a practice order broke off at {}", name, e);
                done = brokenOff(name);
            }
            steps.put(name, done);
            broken = done.outcome() == WalkStep.Outcome.FAILED;
        }

        private static WalkStep failed(WalkStep.Name name, List<Problem> problems) {
            return WalkStep.failed(
                    name, problems.get(0).sentence(), problems.get(0).remedy());
        }

        /** What is known of it so far; what was not reached is said to be so once it is over. */
        PracticeOrder seen(boolean over) {
            List<WalkStep> all = new ArrayList<>();
            for (WalkStep.Name name : WalkStep.Name.values()) {
                WalkStep step = steps.get(name);
                if (step != null) {
                    all.add(step);
                } else if (over) {
                    all.add(new WalkStep(name, WalkStep.Outcome.NOT_REACHED, Optional.empty(), Optional.empty()));
                }
            }
            return new PracticeOrder(
                    planned.cell().sample().id(),
                    planned.cell().to(),
                    planned.way(),
                    number(),
                    Optional.ofNullable(order).map(Placed::token),
                    all);
        }
    }
}
