package vestcoin.app.publishing;

import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** A day and a time as the desk sends them. */
final class TypedTime {
    private TypedTime() {}

    /** @throws InvalidInput if it is none */
    static LocalDateTime of(String typed) {
        try {
            return LocalDateTime.parse(typed == null ? "" : typed.strip());
        } catch (DateTimeParseException e) {
            throw new InvalidInput(
                    "at",
                    Message.of("publishing.no-day-and-time", "typed", typed == null ? "" : typed),
                    Message.of("publishing.write-day-and-time"));
        }
    }
}
