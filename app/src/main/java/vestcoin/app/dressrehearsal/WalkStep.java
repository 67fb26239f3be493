package vestcoin.app.dressrehearsal;

import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;

/**
 * What became of one step of a practice order.
 *
 * @param sentence what was wrong, or why there was nothing to do
 * @param remedy what mends it
 */
record WalkStep(Name name, Outcome outcome, Optional<Message> sentence, Optional<Message> remedy) {
    /** The steps, in their order; what is paid when it is handed over is taken after. */
    enum Name {
        TEXTS,
        PLACED,
        PAID,
        HANDED_OVER,
        TAKEN,
        GIVEN_BACK,
        PAPERS,
        LETTERS
    }

    enum Outcome {
        HELD,
        FAILED,
        NOTHING_TO_DO,
        NOT_REACHED
    }

    static WalkStep held(Name name) {
        return new WalkStep(name, Outcome.HELD, Optional.empty(), Optional.empty());
    }

    static WalkStep failed(Name name, Message sentence, Message remedy) {
        return new WalkStep(name, Outcome.FAILED, Optional.of(sentence), Optional.of(remedy));
    }

    static WalkStep nothingToDo(Name name, Message why) {
        return new WalkStep(name, Outcome.NOTHING_TO_DO, Optional.of(why), Optional.empty());
    }

    /** The first of some that did not hold, or that all did. */
    static WalkStep of(Name name, List<Message> wrong, Message remedy) {
        return wrong.isEmpty() ? held(name) : failed(name, wrong.get(0), remedy);
    }
}
