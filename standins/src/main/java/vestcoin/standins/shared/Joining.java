package vestcoin.standins.shared;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import vestcoin.standins.shared.Exchange.Refusal;

/**
 * How a shop gets the keys of an account without anybody copying them: the seller is sent here, picks an account, and
 * goes back with a code that the shop changes for the keys, once and within ten minutes (the authorisation code of RFC
 * 6749 §4.1).
 */
public final class Joining {
    private static final Duration LASTS = Duration.ofMinutes(10);

    private record Offer(Map<String, String> keys, Instant until) {}

    private final String name;
    private final Map<String, String> accounts;
    private final Function<String, Map<String, String>> keys;
    private final Map<String, Offer> codes = new ConcurrentHashMap<>();

    /**
     * @param name of the service
     * @param accounts what can be picked, with the words on its button
     * @param keys of the account that was picked
     */
    public Joining(String name, Map<String, String> accounts, Function<String, Map<String, String>> keys) {
        this.name = name;
        this.accounts = new LinkedHashMap<>(accounts);
        this.keys = keys;
    }

    /** Answers the page at {@code /join}, what is picked there, and {@code /v1/join}; false for anything else. */
    public boolean answered(Exchange exchange) throws IOException {
        switch (exchange.method() + " " + exchange.path()) {
            case "GET /join" -> exchange.page(page(exchange));
            case "POST /join" -> pick(exchange, exchange.form());
            case "POST /v1/join" -> {
                Offer offer = codes.remove(exchange.json().path("code").asString(""));
                exchange.answer(
                        200,
                        Optional.ofNullable(offer)
                                .filter(known -> known.until().isAfter(Instant.now()))
                                .orElseThrow(() -> new Refusal(410, "This code was used or has lapsed."))
                                .keys());
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private String page(Exchange exchange) {
        StringBuilder html = new StringBuilder("<p><strong>")
                .append(Html.escape(exchange.query("shop").orElse("A shop")))
                .append("</strong> asks to be connected. Which account is it to use?</p><form method=post>");
        for (String hidden : new String[] {"return", "state"}) {
            html.append("<input type=hidden name=")
                    .append(hidden)
                    .append(" value=\"")
                    .append(Html.escape(exchange.query(hidden).orElse("")))
                    .append("\">");
        }
        accounts.forEach((id, words) -> html.append("<p><button name=account value=\"")
                .append(id)
                .append("\">")
                .append(Html.escape(words))
                .append("</button></p>"));
        return Html.page(
                name,
                html.append("<p><button name=account value=\"\">Back, without connecting</button></p></form>")
                        .toString());
    }

    private void pick(Exchange exchange, Map<String, String> form) throws IOException {
        String back = form.getOrDefault("return", "");
        if (!back.matches("http://(127\\.0\\.0\\.1|localhost):\\d+/.*")) {
            throw new Refusal(400, "Shops are only on this machine.");
        }
        String account = form.getOrDefault("account", "");
        String code = "";
        if (accounts.containsKey(account)) {
            code = "code-" + UUID.randomUUID();
            codes.put(code, new Offer(keys.apply(account), Instant.now().plus(LASTS)));
        }
        exchange.redirect(back + (back.contains("?") ? "&" : "?") + "code=" + code + "&state="
                + java.net.URLEncoder.encode(form.getOrDefault("state", ""), java.nio.charset.StandardCharsets.UTF_8));
    }
}
