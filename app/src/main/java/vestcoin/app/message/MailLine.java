package vestcoin.app.message;

import java.util.Optional;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.core.message.Message;

/** Whether a shop's own letters can leave, seen without one. */
@Service
public class MailLine {
    private final MailServers servers;
    private final SmtpPost smtp;

    MailLine(MailServers servers, SmtpPost smtp) {
        this.servers = servers;
        this.smtp = smtp;
    }

    /** Why a shop's mail server would take no letter now; nothing where it would, or where there is none. */
    public Optional<Message> trouble(String shop) {
        return servers.access(shop).flatMap(access -> {
            try {
                smtp.greet(access);
                return Optional.empty();
            } catch (ProviderTimeout e) {
                return Optional.of(ServiceReasons.of(e.getMessage()));
            }
        });
    }
}
