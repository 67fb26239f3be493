package vestcoin.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.Listening;
import vestcoin.app.RunningShop;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.pay.Wallet;

@ExtendWith(RunningShop.class)
@RunningShop.OnDisk
class SafetyTest {
    private final RunningShop.Running shop;

    SafetyTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @Test
    void what_is_not_named_is_denied_and_what_changes_needs_the_token() {
        assertThat(shop.anybody().get("/actuator/env").status()).isEqualTo(401);
        assertThat(shop.owner().get("/anything/else").status()).isEqualTo(403);
        assertThat(shop.owner()
                        .call("POST", Caller.SHOP + "/draft/undo", "{}", Map.of("X-XSRF-TOKEN", "forged"))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void cookies_and_headers_are_strict() {
        Caller.Answer answer = shop.anybody()
                .post(
                        "/api/session",
                        Map.of("email", "owner@tern-and-tether.example", "password", "kites over the bay"));
        List<String> cookies = answer.whole().headers().allValues("Set-Cookie");
        assertThat(cookies).anySatisfy(cookie -> assertThat(cookie)
                .startsWith("desk=")
                .contains("HttpOnly")
                .contains("Secure")
                .contains("SameSite=Lax"));
        assertThat(answer.whole()
                        .headers()
                        .firstValue("Content-Security-Policy")
                        .orElse(""))
                .contains("default-src 'self'")
                .contains("frame-ancestors 'none'")
                .doesNotContain("unsafe");
        assertThat(answer.whole().headers().firstValue("X-Content-Type-Options"))
                .contains("nosniff");
    }

    @Test
    void no_secret_and_no_card_number_is_stored_readable_or_answered() throws Exception {
        Caller buyer = shop.anybody();
        Listening log = Listening.toTheLog();
        JsonNode placed = buyer.placeBook();
        StringBuilder answers =
                new StringBuilder(buyer.pay(placed, TestCard.APPROVED).text());
        Caller owner = shop.owner();
        for (String path : List.of(
                "/draft",
                "/gateways",
                "/carrier",
                "/vouchers",
                "/statements",
                "/orders",
                "/orders.csv",
                "/orders/" + placed.path("number").asInt(),
                "/orders/" + placed.path("number").asInt() + "/papers",
                "/orders/" + placed.path("number").asInt() + "/letters",
                "/editions",
                "/editions/1")) {
            answers.append(owner.get(Caller.SHOP + path).text());
        }
        String webhookSecret = shop.context()
                .getBean(vestcoin.app.payment.Gateways.class)
                .webhookSecret("tern-and-tether", "cards")
                .orElseThrow();
        List<String> planted = List.of(
                CardProcessor.TEST_SECRET,
                Wallet.TEST_SECRET,
                Carrier.KEY,
                webhookSecret,
                TestCard.APPROVED.number(),
                "kites over the bay");
        assertThat(answers).contains(CardProcessor.TEST_PUBLIC);
        planted.forEach(secret -> assertThat(answers.toString()).doesNotContain(secret));

        Path script = shop.data().resolve("dump.sql");
        shop.context()
                .getBean(JdbcClient.class)
                .sql("script to '" + script + "'")
                .query()
                .listOfRows();
        shop.context().getBean(JdbcClient.class).sql("checkpoint sync").update();
        try (Stream<Path> files = Stream.of(script, shop.data().resolve("vest-coin.mv.db"))) {
            for (Path file : files.toList()) {
                String bytes = new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1);
                planted.forEach(secret -> assertThat(bytes).as(file.toString()).doesNotContain(secret));
            }
        }
        // What goes wrong is logged with what it was about: refused and silent calls, a request that cannot be read,
        // with the secrets in it.
        owner.put(Caller.SHOP + "/carrier", Map.of("secret", "planted-carrier-key-of-nobody"));
        owner.put(
                Caller.SHOP + "/gateways/cards",
                Map.of(
                        "provider",
                        "cards",
                        "mode",
                        "test",
                        "publicKey",
                        CardProcessor.TEST_PUBLIC,
                        "secretKey",
                        "planted-processor-key-of-nobody"));
        JsonNode another = buyer.placeBook();
        String token =
                Caller.cardToken(another.path("processor").asString(), CardProcessor.TEST_PUBLIC, TestCard.APPROVED);
        shop.cards().outage(true);
        buyer.post("/api/counter/orders/" + another.path("token").asString() + "/payments", Map.of("cardToken", token));
        shop.context().getBean(vestcoin.app.payment.Payments.class).askAfterWhatIsOpen();
        shop.cards().outage(false);
        owner.post(Caller.SHOP + "/draft/edits", "{\"secret\": \"" + CardProcessor.TEST_SECRET);
        buyer.post(
                "/api/session",
                Map.of("email", "owner@tern-and-tether.example", "password", "planted password of nobody"));
        assertThat(log.toString()).as("the log was listened to").isNotEmpty().doesNotContain("of-nobody", "of nobody");
        planted.forEach(secret -> assertThat(log.toString()).doesNotContain(secret));
        assertThat(PosixFilePermissions.toString(
                        Files.getPosixFilePermissions(shop.data().resolve("vault.key"))))
                .isEqualTo("rw-------");
    }
}
