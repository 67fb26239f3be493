package vestcoin.app.message;

import java.time.Duration;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ServiceAccess;

/** The adapter to the simulated post room. */
@Component
class HttpPost implements PostService {
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private final HttpCalls calls;
    private final ServiceAccess room;

    HttpPost(HttpCalls calls, @Value("${vest-coin.services}") String services) {
        this.calls = calls;
        this.room = new ServiceAccess(services + "/post", "");
    }

    @Override
    public void send(String mime) {
        calls.text(room, "POST", "/v1/letters", Map.of(), mime, "message/rfc822", PATIENCE);
    }
}
