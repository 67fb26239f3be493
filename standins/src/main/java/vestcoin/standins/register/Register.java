package vestcoin.standins.register;

import java.io.IOException;
import java.util.Map;
import java.util.UUID;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Service;

/**
 * The simulated register of businesses' tax numbers: confirms any number but those whose last digit is 0, which it
 * denies.
 */
public final class Register extends Service {
    public Register() {
        super("register", "Tax-number register");
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        String[] path = exchange.path().split("/");
        if (!exchange.method().equals("GET")
                || path.length != 4
                || !exchange.path().startsWith("/v1/numbers/")) {
            throw new Refusal(404, "There is nothing here.");
        }
        String number = path[3];
        boolean valid = number.matches("[A-Z]{2}[0-9A-Z+*]{2,13}") && !number.endsWith("0");
        exchange.answer(200, Map.of("number", number, "valid", valid, "reference", "request-" + UUID.randomUUID()));
    }

    @Override
    protected String controls() {
        return "<p>Confirms every number but those that end with 0.</p>";
    }
}
