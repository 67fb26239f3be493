package vestcoin.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;

/** Who may show a page within a page of theirs, and what a request can do that brings no cookie. */
@ExtendWith(RunningShop.class)
class FramingTest {
    private final RunningShop.Running shop;

    FramingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private HttpResponse<String> sent(String path, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(shop.url() + path));
        return HttpClient.newHttpClient()
                .send(
                        (body == null
                                        ? request
                                        : request.header("Content-Type", "application/json")
                                                .POST(HttpRequest.BodyPublishers.ofString(body)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    private String policy(String path) throws Exception {
        HttpResponse<String> answer = sent(path, null);
        assertThat(answer.headers().allValues("Content-Security-Policy")).hasSize(1);
        String policy = answer.headers().firstValue("Content-Security-Policy").orElseThrow();
        assertThat(answer.headers().firstValue("X-Frame-Options").isPresent())
                .as(path)
                .isEqualTo(policy.endsWith("'none'"));
        return policy.substring(policy.indexOf("frame-ancestors"));
    }

    @Test
    void the_counter_may_be_shown_on_the_sites_listed_and_nothing_else_anywhere() throws Exception {
        shop.owner().publish(Map.of("shop/sites", List.of("https://notes.example", "http://localhost:8080")));
        String listed = "frame-ancestors https://notes.example http://localhost:8080";
        assertThat(policy("/counter/tern-and-tether")).isEqualTo(listed);
        assertThat(policy("/counter/tern-and-tether/order/some-token")).isEqualTo(listed);
        for (String other : List.of(
                "/desk",
                "/desk/tern-and-tether/shop",
                "/counter.html",
                "/counter/no-such-shop",
                "/api/counter/tern-and-tether",
                "/shops/tern-and-tether")) {
            assertThat(policy(other)).as(other).isEqualTo("frame-ancestors 'none'");
        }
        shop.owner().publish(Map.of("shop/sites", List.of()));
        assertThat(policy("/counter/tern-and-tether")).isEqualTo("frame-ancestors 'none'");
    }

    @Test
    void what_brings_no_cookie_acts_for_nobody_at_the_counter_and_nowhere_else() throws Exception {
        String quote = Json.write(Caller.quoting(Caller.book()));
        assertThat(sent("/api/counter/tern-and-tether/quote", quote).statusCode())
                .isEqualTo(200);
        assertThat(sent("/api/shops/tern-and-tether/ticket", "{}").statusCode()).isIn(401, 403);
        assertThat(sent("/api/session", "{}").statusCode()).isEqualTo(403);
        assertThat(shop.owner()
                        .call("POST", Caller.COUNTER + "/quote", quote, Map.of("X-XSRF-TOKEN", "forged"))
                        .status())
                .as("somebody's cookie without the token")
                .isEqualTo(403);
    }

    private Object sites() {
        return shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("shop")
                .path("sites");
    }

    @Test
    void what_is_no_site_is_refused_in_words() {
        for (String wrong : List.of(
                "notes.example", "https://notes.example/page", "HTTPS://notes.example", "javascript:alert(1)", "*")) {
            Caller.Answer answer = shop.owner()
                    .post(
                            Caller.SHOP + "/draft/edits",
                            Map.of(
                                    "edits",
                                    List.of(Map.of("path", "shop/sites", "was", sites(), "now", List.of(wrong)))));
            assertThat(answer.status()).as(wrong).isBetween(400, 422);
            assertThat(answer.text()).contains(" is not the address of a site.");
        }
    }
}
