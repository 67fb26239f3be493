package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;

/** The whole setup out as a file, and in at the desk. */
@ExtendWith(RunningShop.class)
class WholeSetupTest {
    private static final String FILE = Caller.SHOP + "/draft/setup-file";
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");

    private final RunningShop.Running shop;
    private final Caller owner;

    WholeSetupTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private Caller.Answer send(String method, String file) {
        return owner.sent(HttpRequest.newBuilder(URI.create(shop.url() + FILE))
                .header("Content-Type", "application/octet-stream")
                .method(method, HttpRequest.BodyPublishers.ofString(file))
                .build());
    }

    private JsonNode draft() {
        return owner.get(Caller.SHOP + "/draft").json().path("document");
    }

    @Test
    void what_went_out_comes_in_as_it_was_and_changes_nothing() {
        String out = owner.get(FILE).text();
        assertThat(send("POST", out).json()).isEmpty();
        assertThat(send("PUT", out).status()).isEqualTo(204);
        assertThat(Json.tree(out)).isEqualTo(draft());
    }

    /** Another shop's setup replaces this one as one change, and one undo takes it back. */
    @Test
    void another_setup_is_looked_at_taken_in_and_undone() throws Exception {
        JsonNode before = draft();
        String other = Files.readString(EXAMPLES.resolve("ninth-street-sundials.setup.json"));
        JsonNode changes = send("POST", "\uFEFF" + other).json();
        assertThat(changes.valueStream().map(change -> change.path("station").asString()))
                .contains("shop", "goods", "delivery", "tax", "payment");
        JsonNode goods = changes.valueStream()
                .filter(change -> change.path("station").asString().equals("goods"))
                .findFirst()
                .orElseThrow();
        assertThat(goods.path("added").asInt()).isPositive();
        assertThat(goods.path("removed").asInt()).isPositive();
        Caller.Answer taken = send("PUT", other);
        assertThat(taken.status()).as(taken.text()).isEqualTo(204);
        assertThat(draft().path("shop").path("name").asString())
                .isEqualTo(Json.tree(other).path("shop").path("name").asString());
        assertThat(draft().path("goods")).isNotEqualTo(before.path("goods"));
        owner.post(Caller.SHOP + "/draft/undo", "");
        assertThat(draft()).isEqualTo(before);
    }

    /** Going back makes a new edition equal to an old one; each keeps what it was published for. */
    @Test
    void an_edition_gone_back_to_is_published_again_as_it_was() {
        owner.publish(Map.of("goods/products/wind-sock/price", "12.90"));
        JsonNode first = owner.get(Caller.SHOP + "/editions").json().path(0);
        owner.edit(Map.of("goods/products/wind-sock/price", "99.00"));
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of("note", "  For the fair. "))
                        .status())
                .isEqualTo(200);
        assertThat(owner.get(Caller.SHOP + "/editions")
                        .json()
                        .path(0)
                        .path("note")
                        .asString())
                .isEqualTo("For the fair.");
        String old = owner.get(Caller.SHOP + "/editions/" + first.path("number").asInt())
                .text();
        assertThat(send("PUT", old).status()).isEqualTo(204);
        owner.publish(Map.of());
        JsonNode last = owner.get(Caller.SHOP + "/editions").json().path(0);
        assertThat(last.path("number").asInt()).isEqualTo(first.path("number").asInt() + 2);
        assertThat(last.path("hash")).isEqualTo(first.path("hash"));
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of("note", "x".repeat(301)))
                        .paths())
                .containsExactly("note");
    }

    @Test
    void a_newer_format_what_is_no_setup_and_an_impossible_one_are_refused() {
        ObjectNode newer = ((ObjectNode) draft().deepCopy()).put("format", "vest-coin/setup/2");
        Caller.Answer answer = send("POST", newer.toString());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains("setup");
        assertThat(send("POST", "").status()).isEqualTo(422);
        assertThat(send("POST", "[1, 2").status()).isEqualTo(422);
        ObjectNode impossible = (ObjectNode) draft().deepCopy();
        ((ObjectNode) impossible.path("goods").path("products").path(0)).put("price", "-1.00");
        Caller.Answer refused = send("PUT", impossible.toString());
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.paths()).contains("goods/products/delta-kite/price");
    }
}
