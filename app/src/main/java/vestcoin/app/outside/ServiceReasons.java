package vestcoin.app.outside;

import java.util.Map;
import vestcoin.core.message.Message;

/**
 * What we write down of a service that did not do what it was asked, as what can be said in any language. What a
 * service says itself stands as it said it.
 */
public final class ServiceReasons {
    public static final String NOT_ANSWERING = "The provider is not answering.";
    public static final String REFUSED = "The provider refused.";
    public static final String NO_SUCH_THING = "There is no such thing.";
    public static final String NO_KEY = "The key kept for this service has characters no key has; enter it again.";
    public static final String NO_SUCH_TRIAL = "The provider knows of no such trial.";
    public static final String NO_CARRIER = "No carrier is connected.";
    public static final String NO_PRICE = "The carrier's answer has no price.";
    public static final String NO_LABEL = "The carrier's answer has no label that can be read.";
    public static final String NOT_SIGNED_IN = "The mail server does not accept user or password.";
    public static final String NO_LETTERS_NOW = "The mail server takes no letters now.";
    public static final String NO_ANSWER = "no answer that can be understood came back.";
    /** With what the server said. */
    public static final String LETTER_REFUSED = "The mail server refused it: ";

    /** With what the server said. */
    public static final String LETTER_WAITS = "The mail server does not take letters now: ";

    private static final Map<String, String> CODES = Map.ofEntries(
            Map.entry(NOT_ANSWERING, "outside.provider-not-answering"),
            Map.entry(REFUSED, "outside.provider-refused"),
            Map.entry(NO_SUCH_THING, "outside.no-such-thing"),
            Map.entry(NO_KEY, "outside.key-cannot-be-one"),
            Map.entry(NO_SUCH_TRIAL, "outside.no-such-trial"),
            Map.entry(NO_CARRIER, "outside.no-carrier-connected"),
            Map.entry(NO_PRICE, "outside.answer-without-price"),
            Map.entry(NO_LABEL, "outside.answer-without-label"),
            Map.entry(NOT_SIGNED_IN, "outside.mail-server-accepts-no-user"),
            Map.entry(NO_LETTERS_NOW, "outside.mail-server-takes-no-letters"),
            Map.entry(NO_ANSWER, "outside.no-answer-understood"));
    private static final Map<String, String> WITH_ANSWER =
            Map.of(LETTER_REFUSED, "outside.mail-server-refused", LETTER_WAITS, "outside.mail-server-takes-none-now");

    private ServiceReasons() {}

    /** @param written as it stands in the book; what is not known stands as it is */
    public static Message of(String written) {
        String code = CODES.get(written);
        if (code != null) {
            return Message.of(code);
        }
        return WITH_ANSWER.entrySet().stream()
                .filter(each -> written.startsWith(each.getKey()))
                .findFirst()
                .map(each -> Message.of(
                        each.getValue(),
                        "what",
                        of(written.substring(each.getKey().length()))))
                .orElseGet(() -> Message.name(written));
    }
}
