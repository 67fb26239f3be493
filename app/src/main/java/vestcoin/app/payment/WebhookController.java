package vestcoin.app.payment;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.core.message.Message;

/** Where a provider tells about payments: HMAC-SHA-256 over time and body, at most five minutes old. */
@RestController
class WebhookController {
    private static final Duration TOLERANCE = Duration.ofMinutes(5);

    private final Gateways gateways;
    private final Payments payments;
    private final Clock clock;

    WebhookController(Gateways gateways, Payments payments, @Qualifier(ApplicationClock.MACHINE) Clock clock) {
        this.gateways = gateways;
        this.payments = payments;
        this.clock = clock;
    }

    @PostMapping("/hooks/{shop}/{gateway}")
    ResponseEntity<Void> hook(
            @PathVariable String shop,
            @PathVariable String gateway,
            @RequestBody String body,
            @RequestHeader(name = "Sent-At", defaultValue = "") String sentAt,
            @RequestHeader(name = "Signature", defaultValue = "") String signature) {
        String secret = gateways.webhookSecret(shop, gateway).orElse("");
        if (secret.isEmpty() || !sentAt.matches("\\d{1,12}") || !genuine(secret, sentAt, body, signature)) {
            throw new ApiProblem(
                    HttpStatus.UNAUTHORIZED,
                    "signature",
                    Message.of("payment.signature-does-not-fit-message"),
                    Message.of("payment.sign-time-and-body-with-this-accounts"));
        }
        if (Duration.between(Instant.ofEpochSecond(Long.parseLong(sentAt)), clock.instant())
                        .abs()
                        .compareTo(TOLERANCE)
                > 0) {
            throw new ApiProblem(
                    HttpStatus.UNAUTHORIZED,
                    "sent-at",
                    Message.of("payment.message-older-than-five-minutes"),
                    Message.of("payment.send-again-with-present-time"));
        }
        JsonNode message = Json.tree(body);
        payments.told(shop, gateway, message.path("event").asString(""), HttpProvider.view(message.path("payment")));
        return ResponseEntity.noContent().build();
    }

    private static boolean genuine(String secret, String time, String body, String signature) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
            byte[] expected = mac.doFinal((time + "." + body).getBytes(StandardCharsets.UTF_8));
            return MessageDigest.isEqual(
                    HexFormat.of().formatHex(expected).getBytes(StandardCharsets.UTF_8),
                    signature.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }
}
