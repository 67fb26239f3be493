package vestcoin.app.outside;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.net.IDN;
import java.util.Locale;
import java.util.Optional;

/** The one form of an e-mail address: what a letter can be written to, by the library that writes them. */
public final class MailAddress {
    /** RFC 5321, 4.5.3.1. */
    private static final int LONGEST = 254;

    private MailAddress() {}

    /** Whether a letter can be sent there. */
    public static boolean isOne(String typed) {
        return of(typed).isPresent();
    }

    /** The form of an e-mail address buyers are known by. */
    public static String normal(String email) {
        return email == null ? "" : email.strip().toLowerCase(Locale.ROOT);
    }

    /** The address as a letter bears it, its domain in ASCII; nothing where none can be written to it. */
    public static Optional<String> of(String typed) {
        String text = typed == null ? "" : typed.strip();
        int at = text.lastIndexOf('@');
        if (at < 1 || text.length() > LONGEST || text.chars().limit(at).anyMatch(c -> c <= ' ' || c >= 127)) {
            return Optional.empty();
        }
        try {
            String address =
                    text.substring(0, at) + "@" + IDN.toASCII(text.substring(at + 1), IDN.USE_STD3_ASCII_RULES);
            InternetAddress one = new InternetAddress(address, true);
            one.validate();
            boolean whole = address.equals(one.getAddress()) && one.getPersonal() == null && !one.isGroup();
            return whole && address.substring(at + 1).matches("[^.]+(\\.[^.]+)+")
                    ? Optional.of(address)
                    : Optional.empty();
        } catch (AddressException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
