package vestcoin.app.service;

import java.time.Duration;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ServiceAccess;

/** The adapter to the simulated register. */
@Component
class HttpRegister implements NumberRegister {
    private static final Duration PATIENCE = Duration.ofSeconds(2);
    private final HttpCalls calls;
    private final ServiceAccess register;

    HttpRegister(HttpCalls calls, @Value("${vest-coin.services}") String services) {
        this.calls = calls;
        this.register = new ServiceAccess(services + "/register", "");
    }

    @Override
    public Answer ask(String number) {
        JsonNode answer = calls.json(register, "GET", "/v1/numbers/" + number, Map.of(), null, PATIENCE);
        return new Answer(
                answer.path("valid").asBoolean(false), answer.path("reference").asString(""));
    }
}
