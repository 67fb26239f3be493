package vestcoin.app.access;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The code the first visit of an empty installation gives, so that only who started it becomes its owner. Made at each
 * start, kept nowhere.
 */
@Component
public class FirstCode {
    /** Letters and digits that are not taken for one another. */
    private static final String ALPHABET = "ACDEFGHJKLMNPQRTUVWXY34679";

    private static final int LENGTH = 12;

    private final String code;

    FirstCode(@Value("${vest-coin.first-code:}") String given) {
        this.code = given.isBlank() ? fresh() : given;
    }

    private static String fresh() {
        SecureRandom random = new SecureRandom();
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            code.append(i > 0 && i % 4 == 0 ? "-" : "").append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
        }
        return code.toString();
    }

    public String text() {
        return code;
    }

    /** Whether it is the code, in any case and with or without its hyphens. */
    boolean is(String typed) {
        return MessageDigest.isEqual(plain(code), plain(typed == null ? "" : typed));
    }

    private static byte[] plain(String text) {
        return text.replaceAll("[\\s-]", "").toUpperCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    }
}
