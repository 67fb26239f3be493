package vestcoin.app.message;

import jakarta.mail.AuthenticationFailedException;
import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Properties;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;

/** Sends letters by a mail server (RFC 5321), with whatever protection the seller chose (RFC 3207, 8314). */
@Component
class SmtpPost {
    private static final String MILLIS = "10000";
    private static final int ANSWERED = 400;
    private static final int PERMANENT = 500;

    /**
     * Hands one letter to a server. Its Message-ID is the same each time, so that a server which took it and lost the
     * line can know it again.
     *
     * @throws ProviderRejection if the server will never take this letter
     * @throws ProviderTimeout if it takes none now: nothing answers, the line broke, who we are is not believed
     */
    void send(MailServers.Access server, String mime) {
        JavaMailSenderImpl sender = sender(server);
        try {
            sender.send(read(sender, mime));
        } catch (MailAuthenticationException e) {
            throw new ProviderTimeout(ServiceReasons.NOT_SIGNED_IN);
        } catch (MailSendException e) {
            throw told(e);
        } catch (MailException e) {
            throw new ProviderTimeout(ServiceReasons.NO_LETTERS_NOW);
        }
    }

    /**
     * Signs in at a server and leaves again, without a letter.
     *
     * @throws ProviderTimeout if nothing answers, or who we are is not believed
     */
    void greet(MailServers.Access server) {
        try {
            sender(server).testConnection();
        } catch (AuthenticationFailedException e) {
            throw new ProviderTimeout(ServiceReasons.NOT_SIGNED_IN);
        } catch (MessagingException e) {
            throw new ProviderTimeout(ServiceReasons.NO_LETTERS_NOW);
        }
    }

    private static JavaMailSenderImpl sender(MailServers.Access server) {
        JavaMailSenderImpl sender = new JavaMailSenderImpl();
        sender.setHost(server.host());
        sender.setPort(server.port());
        sender.setDefaultEncoding(StandardCharsets.UTF_8.name());
        boolean signsIn = !server.user().isEmpty();
        if (signsIn) {
            sender.setUsername(server.user());
            sender.setPassword(server.secret());
        }
        Properties how = new Properties();
        how.setProperty("mail.smtp.auth", String.valueOf(signsIn));
        how.setProperty("mail.smtp.connectiontimeout", MILLIS);
        how.setProperty("mail.smtp.timeout", MILLIS);
        how.setProperty("mail.smtp.writetimeout", MILLIS);
        how.setProperty(
                "mail.smtp.starttls.enable", String.valueOf(server.security() == MailServers.Security.STARTTLS));
        how.setProperty(
                "mail.smtp.starttls.required", String.valueOf(server.security() == MailServers.Security.STARTTLS));
        how.setProperty("mail.smtp.ssl.enable", String.valueOf(server.security() == MailServers.Security.TLS));
        how.setProperty("mail.smtp.ssl.checkserveridentity", "true");
        sender.setJavaMailProperties(how);
        return sender;
    }

    /** The letter as it was written, its Message-ID too. */
    private static MimeMessage read(JavaMailSenderImpl sender, String mime) {
        try {
            return new MimeMessage(
                    sender.getSession(), new ByteArrayInputStream(mime.getBytes(StandardCharsets.UTF_8))) {
                private final String id = getMessageID();

                @Override
                protected void updateMessageID() throws MessagingException {
                    setHeader("Message-ID", id);
                }
            };
        } catch (MessagingException e) {
            throw new ProviderRejection("The letter cannot be read: " + e.getMessage());
        }
    }

    private static RuntimeException told(MailSendException e) {
        Exception failed = e.getFailedMessages().values().stream().findFirst().orElse(e);
        Throwable why = answered(failed).orElse(failed);
        // What a program would say of itself is nothing for a seller.
        String what = code(why)
                .flatMap(code -> Optional.ofNullable(why.getMessage()))
                .flatMap(text -> text.lines().findFirst())
                .map(String::strip)
                .orElse(ServiceReasons.NO_ANSWER);
        return code(why).filter(answered -> answered >= PERMANENT).isPresent()
                ? new ProviderRejection(ServiceReasons.LETTER_REFUSED + what)
                : new ProviderTimeout(ServiceReasons.LETTER_WAITS + what);
    }

    /** The part of a failure that carries the server's answer. */
    private static Optional<Throwable> answered(Throwable failed) {
        for (Throwable each = failed; each != null; each = next(each)) {
            if (code(each).isPresent()) {
                return Optional.of(each);
            }
        }
        return Optional.empty();
    }

    /** The server's answer, by RFC 5321, 4.2. */
    private static Optional<Integer> code(Throwable why) {
        if (why instanceof SMTPAddressFailedException address) {
            return Optional.of(address.getReturnCode());
        }
        return why instanceof SMTPSendFailedException sending && sending.getReturnCode() >= ANSWERED
                ? Optional.of(sending.getReturnCode())
                : Optional.empty();
    }

    private static Throwable next(Throwable each) {
        return each instanceof SendFailedException failed && failed.getNextException() != null
                ? failed.getNextException()
                : each.getCause();
    }
}
