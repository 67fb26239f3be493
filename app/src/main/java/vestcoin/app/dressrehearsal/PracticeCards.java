package vestcoin.app.dressrehearsal;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import vestcoin.app.format.Json;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.standins.pay.TestCard;

/** What a buyer's browser does with the simulated providers: types a card, answers a page. */
public final class PracticeCards {
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    private static final HttpClient BROWSER =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();

    private PracticeCards() {}

    /**
     * What the processor's own form makes of a card; empty where it knows no such key.
     *
     * @param url of the account
     */
    public static String token(String url, String publicKey, TestCard card) {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url + "/v1/tokens"))
                .timeout(PATIENCE)
                .header("Authorization", "Bearer " + publicKey)
                .POST(HttpRequest.BodyPublishers.ofString("{\"number\":\"" + card.number() + "\"}"))
                .build();
        return Json.tree(sent(request)).path("token").asString("");
    }

    /** Answers the page a buyer was sent to. */
    static void answer(String page, boolean yes) {
        sent(HttpRequest.newBuilder(URI.create(page))
                .timeout(PATIENCE)
                .POST(HttpRequest.BodyPublishers.ofString(yes ? "answer=yes" : "answer=no"))
                .build());
    }

    private static String sent(HttpRequest request) {
        try {
            return BROWSER.send(request, HttpResponse.BodyHandlers.ofString()).body();
        } catch (IOException e) {
            throw new ProviderTimeout(ServiceReasons.NOT_ANSWERING);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new ProviderTimeout("The rehearsal was stopped.");
        }
    }
}
