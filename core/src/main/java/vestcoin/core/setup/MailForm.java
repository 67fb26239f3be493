package vestcoin.core.setup;

import org.apache.commons.validator.routines.EmailValidator;

/** The form of e-mail addresses; those kept for examples (RFC 2606) pass as if they ended in a real name. */
public final class MailForm {
    private MailForm() {}

    public static boolean fits(String email) {
        return EmailValidator.getInstance().isValid(email.strip().replaceAll("\\.(example|test)$", ".com"));
    }
}
