package vestcoin.core.problem;

import java.util.ArrayList;
import java.util.List;
import vestcoin.core.message.Message;

/** Gathers problems along the way, so that all of them are told at once. */
public final class Problems {
    private final List<Problem> found = new ArrayList<>();

    public void add(String path, Message sentence, Message remedy) {
        found.add(new Problem(path, sentence, remedy));
    }

    /** Adds the problem if {@code wrong}; returns {@code wrong}. */
    public boolean when(boolean wrong, String path, Message sentence, Message remedy) {
        if (wrong) {
            add(path, sentence, remedy);
        }
        return wrong;
    }

    public List<Problem> list() {
        return List.copyOf(found);
    }

    /** @throws InvalidInput if anything was found */
    public void refuseIfAny() {
        if (!found.isEmpty()) {
            throw new InvalidInput(found);
        }
    }
}
