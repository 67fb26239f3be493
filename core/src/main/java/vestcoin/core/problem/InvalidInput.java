package vestcoin.core.problem;

import java.util.List;
import java.util.stream.Collectors;
import vestcoin.core.message.Message;

/** A setup, an order or a text that cannot be worked with. The only exception the core throws at its callers. */
public final class InvalidInput extends RuntimeException {
    private final transient List<Problem> problems;

    public InvalidInput(List<Problem> problems) {
        super(problems.stream().map(p -> p.path() + ": " + p.sentence()).collect(Collectors.joining(" ")));
        this.problems = List.copyOf(problems);
    }

    public InvalidInput(String path, Message sentence, Message remedy) {
        this(List.of(new Problem(path, sentence, remedy)));
    }

    public List<Problem> problems() {
        return problems;
    }
}
