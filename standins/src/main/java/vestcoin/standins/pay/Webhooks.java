package vestcoin.standins.pay;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** Tells a shop about its payments: HMAC-SHA-256 over time and body, three tries. */
public final class Webhooks implements AutoCloseable {
    private static final int TRIES = 3;

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
    private final ScheduledExecutorService later = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "card-webhooks");
        thread.setDaemon(true);
        return thread;
    });

    void send(String url, String secret, String body) {
        if (!url.isEmpty()) {
            later.execute(() -> attempt(url, secret, body, 1));
        }
    }

    private void attempt(String url, String secret, String body, int attempt) {
        String time = Long.toString(Instant.now().getEpochSecond());
        HttpRequest request = HttpRequest.newBuilder(URI.create(url))
                .timeout(Duration.ofSeconds(5))
                .header("Content-Type", "application/json")
                .header("Sent-At", time)
                .header("Signature", sign(secret, time, body))
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        http.sendAsync(request, HttpResponse.BodyHandlers.discarding()).whenComplete((answer, failure) -> {
            if ((failure != null || answer.statusCode() >= 300) && attempt < TRIES && !later.isShutdown()) {
                later.schedule(() -> attempt(url, secret, body, attempt + 1), attempt, TimeUnit.SECONDS);
            }
        });
    }

    /** The signature of a body sent at a time (seconds since 1970), as lower-case hexadecimal. */
    public static String sign(String secret, String time, String body) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            return HexFormat.of().formatHex(mac.doFinal((time + "." + body).getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        later.shutdownNow();
    }
}
