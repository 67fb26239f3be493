package vestcoin.core.message;

import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * One thing said: a code that a catalogue phrases in a language, and what it is about.
 *
 * <p>An argument is a text of the seller's or the buyer's own ({@link String}), a number, a date or time of
 * {@code java.time}, an {@link Amount}, a {@link Region}, another message, or a list of these. Two messages are equal
 * if codes and arguments are.
 *
 * @param code of the catalogue: the area, a dot, then words with hyphens, as {@code payment.only-for-businesses}
 * @param args by name
 */
public record Message(String code, Map<String, Object> args) {
    /** The code of words that are not ours and stand as they are in every language. */
    public static final String NAME = "name";

    private static final String TEXT = "text";
    private static final Map<String, Object> NOTHING = Map.of();

    public Message {
        Objects.requireNonNull(code);
        Objects.requireNonNull(args);
    }

    public static Message of(String code) {
        return new Message(code, NOTHING);
    }

    public static Message of(String code, String name, Object value) {
        return new Message(code, Map.of(name, given(value)));
    }

    public static Message of(String code, String name, Object value, String second, Object other) {
        return new Message(code, Map.of(name, given(value), second, given(other)));
    }

    /** @param namesAndValues a name, its value, a name, its value … */
    public static Message of(String code, Object... namesAndValues) {
        Map<String, Object> args = new TreeMap<>();
        for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
            args.put((String) namesAndValues[i], given(namesAndValues[i + 1]));
        }
        return new Message(code, args);
    }

    /** What is missing in an input is said as nothing. */
    private static Object given(Object value) {
        return value == null ? "" : value;
    }

    /** Words of the seller's or the buyer's own, such as a product's name. */
    public static Message name(String text) {
        return new Message(NAME, Map.of(TEXT, text == null ? "" : text));
    }

    /** Whether this is {@link #name} and so reads the same in every language. */
    public boolean isName() {
        return code.equals(NAME);
    }

    /** The words of {@link #name}. */
    public String text() {
        return String.valueOf(args.getOrDefault(TEXT, ""));
    }

    @Override
    public String toString() {
        return isName() ? text() : args.isEmpty() ? code : code + new TreeMap<>(args);
    }
}
