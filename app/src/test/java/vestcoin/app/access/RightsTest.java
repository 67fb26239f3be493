package vestcoin.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.measure.Measured;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.FirstDraft;

/** Who may call what: every address of the API's description stands in a table, and is denied as the table says. */
@ExtendWith(RunningShop.class)
class RightsTest {
    private static final Set<String> CHANGING = Set.of("post", "put", "delete", "patch");

    private record Right(String method, String path, String who) {
        String name() {
            return method + " " + path;
        }

        String called() {
            return path.replace("{shop}", "tern-and-tether")
                    .replace("{number}", "1001")
                    .replace("{order}", "1001")
                    .replace("{gateway}", "cards")
                    .replace("{sheet}", "goods")
                    .replaceAll("\\{[a-z]+}", "00000000-0000-0000-0000-000000000000");
        }

        boolean changes() {
            return !method.equals("GET");
        }
    }

    private final RunningShop.Running shop;

    RightsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static List<Right> table() throws IOException {
        return Files.readAllLines(Path.of("src/test/resources/rights.tsv")).stream()
                .map(line -> line.split("\t"))
                .map(cells -> new Right(cells[0], cells[1], cells[2]))
                .toList();
    }

    @Test
    void every_address_stands_in_the_table() throws IOException {
        JsonNode described = Json.tree(Files.readString(Path.of("../docs/formats/openapi.json")));
        List<String> addresses = new ArrayList<>();
        described.path("paths").properties().forEach(path -> path.getValue().propertyNames().stream()
                .filter(method -> method.equals("get") || CHANGING.contains(method))
                .forEach(method -> addresses.add(method.toUpperCase(java.util.Locale.ROOT) + " " + path.getKey())));
        assertThat(table().stream().map(Right::name)).containsExactlyInAnyOrderElementsOf(addresses);
    }

    private static int status(Caller caller, Right right, Map<String, String> headers) {
        return caller.call(right.method(), right.called(), right.changes() ? "{}" : null, headers)
                .status();
    }

    @Test
    void every_address_is_denied_as_the_table_says() throws IOException {
        shop.context().getBean(Drafts.class).create("other-shop", FirstDraft.of("Other shop", "IE", "EUR"));
        People people = shop.context().getBean(People.class);
        people.letIn(people.add("other@other-shop.example", "another set of words"), "other-shop");
        Caller stranger = shop.anybody();
        Caller other = shop.anybody().signIn("other@other-shop.example", "another set of words");
        Caller owner = shop.owner();
        Map<String, String> forged = Map.of("X-XSRF-TOKEN", "forged");
        int calls = 0;
        for (Right right : table()) {
            if (right.changes()) {
                assertThat(status(owner, right, forged))
                        .as("without the token: " + right.name())
                        .isEqualTo(403);
                calls++;
            }
            if (right.who().equals("owner")) {
                assertThat(status(stranger, right, Map.of()))
                        .as("stranger: " + right.name())
                        .isEqualTo(401);
                assertThat(status(other, right, Map.of()))
                        .as("another shop's owner: " + right.name())
                        .isEqualTo(403);
                assertThat(status(owner, right, Map.of()))
                        .as("owner: " + right.name())
                        .isNotIn(401, 403);
            } else {
                assertThat(status(shop.anybody(), right, Map.of()))
                        .as("anybody: " + right.name())
                        .isNotIn(403, 500);
            }
            calls += right.who().equals("owner") ? 3 : 1;
        }
        Measured.note(
                "every address of the API by role",
                table().size() + " addresses, " + calls + " calls",
                "denied as the table of rights says");
    }

    @Test
    void what_can_be_got_can_be_asked_for_its_head() throws IOException {
        Caller owner = shop.owner();
        for (Right right : table()) {
            if (!right.changes()) {
                Caller caller = right.who().equals("owner") ? owner : shop.anybody();
                assertThat(caller.call("HEAD", right.called(), null, Map.of()).status())
                        .as(right.name())
                        .isEqualTo(caller.get(right.called()).status());
            }
        }
        assertThat(shop.anybody()
                        .call("HEAD", "/counter/tern-and-tether", null, Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(shop.anybody()
                        .call("HEAD", Caller.SHOP + "/orders", null, Map.of())
                        .status())
                .as("no way around")
                .isEqualTo(401);
    }
}
