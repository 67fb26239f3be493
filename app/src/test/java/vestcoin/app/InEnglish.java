package vestcoin.app;

import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import vestcoin.app.format.Phrases;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** What messages say in English. */
public final class InEnglish {
    private InEnglish() {}

    public static String of(Message message) {
        return Phrases.in("en").say(message);
    }

    /** What an exception says, of invalid input all its problems. */
    public static String told(Throwable thrown) {
        return thrown instanceof InvalidInput invalid
                ? invalid.problems().stream()
                        .map(problem -> of(problem.sentence()) + " " + of(problem.remedy()))
                        .collect(Collectors.joining(" "))
                : String.valueOf(thrown.getMessage());
    }

    public static List<String> of(Collection<Message> messages) {
        return messages.stream().map(InEnglish::of).toList();
    }
}
