package vestcoin.app.outside;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The way to a service's own page and back, on which a seller lets a shop use an account: what comes back is a code
 * that is changed for the keys between the two machines, so that nobody copies any (the authorisation code of RFC 6749
 * §4.1, with the state of §10.12).
 */
@Component
public class AccountConsent {
    private static final Duration PATIENCE = Duration.ofSeconds(8);
    private static final Duration LASTS = Duration.ofMinutes(20);

    /** What the service's page brought back. @param code empty where the seller went back without connecting */
    public record Return(String code, String state) {
        public Return {
            code = code == null ? "" : code;
            state = state == null ? "" : state;
        }

        @Override
        public String toString() {
            return "Return[]";
        }
    }

    /** What came back was not begun here, or too long ago. */
    public static final class NotBegunHere extends RuntimeException {}

    private final HttpCalls calls;
    private final Vault vault;
    private final Clock clock;
    private final String ownUrl;

    AccountConsent(
            HttpCalls calls,
            Vault vault,
            @Qualifier(ApplicationClock.MACHINE) Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.calls = calls;
        this.vault = vault;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    /**
     * Where to send the seller.
     *
     * @param service its URL
     * @param subject what is to be connected, the same when the seller is back
     * @param shop as the page names it
     * @param back path of our own page the seller comes back to
     */
    public String address(String service, String subject, String shop, String back) {
        String until = String.valueOf(clock.instant().plus(LASTS).getEpochSecond());
        return service + "/join?shop=" + encoded(shop) + "&return=" + encoded(ownUrl + back) + "&state="
                + encoded(until + "." + vault.mark(marked(subject, until)));
    }

    /**
     * The keys of the account that was picked.
     *
     * @throws NotBegunHere if this installation did not send anybody there for this, or too long ago
     * @throws ProviderRejection if the code was used before
     * @throws ProviderTimeout if the service does not answer
     */
    public JsonNode keys(String service, String subject, Return back) {
        String[] state = back.state().split("\\.", 2);
        if (state.length < 2
                || !state[0].matches("\\d{1,12}")
                || !vault.marked(marked(subject, state[0]), state[1])
                || Instant.ofEpochSecond(Long.parseLong(state[0])).isBefore(clock.instant())) {
            throw new NotBegunHere();
        }
        return calls.json(
                new ServiceAccess(service, ""), "POST", "/v1/join", Map.of(), Map.of("code", back.code()), PATIENCE);
    }

    private static String marked(String subject, String until) {
        return "consent\n" + subject + "\n" + until;
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
