package vestcoin.app.message;

import java.time.Duration;
import java.util.Map;
import org.springframework.stereotype.Component;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.service.ServiceConnections;

/** The adapter to the simulated service for short messages. */
@Component
class HttpShortMessages implements ShortMessageService {
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private final HttpCalls calls;
    private final ServiceAccess practice;

    HttpShortMessages(HttpCalls calls, ServiceConnections services) {
        this.calls = calls;
        this.practice = new ServiceAccess(services.serviceUrl(ServiceConnections.Kind.SHORT_MESSAGES), "");
    }

    @Override
    public void check(ServiceAccess access) {
        calls.json(access, "GET", "/v1/account", Map.of(), null, PATIENCE);
    }

    @Override
    public void send(ServiceAccess access, Outgoing message) {
        calls.json(access, "POST", "/v1/messages", Map.of(), message, PATIENCE);
    }

    @Override
    public void practise(Outgoing message) {
        calls.json(practice, "POST", "/v1/practice", Map.of(), message, PATIENCE);
    }
}
