package vestcoin.core.problem;

import java.util.Objects;
import vestcoin.core.message.Message;

/**
 * One thing wrong with what was given, as a person can mend it.
 *
 * @param path where, in the path language of the setup and the order: names and ids joined by {@code /}, as in
 *     {@code delivery/zones/ireland/rates/tube}
 * @param sentence what is wrong, in one plain sentence
 * @param remedy what to do about it, in one plain sentence
 */
public record Problem(String path, Message sentence, Message remedy) {
    public Problem {
        Objects.requireNonNull(path);
        Objects.requireNonNull(sentence);
        Objects.requireNonNull(remedy);
    }
}
