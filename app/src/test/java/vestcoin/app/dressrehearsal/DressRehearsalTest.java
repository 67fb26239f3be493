package vestcoin.app.dressrehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

@org.junit.jupiter.api.extension.ExtendWith(RunningShop.class)
class DressRehearsalTest {
    private static final String DRESS = Caller.SHOP + "/dress-rehearsal";

    private final RunningShop.Running shop;

    DressRehearsalTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @Test
    void demo() throws Exception {
        Caller owner = shop.owner();
        JsonNode draft = owner.get(Caller.SHOP + "/draft").json().path("document");
        java.util.List<Object> cells = new java.util.ArrayList<>();
        for (JsonNode basket : draft.path("rehearsal").path("baskets")) {
            cells.add(Map.of("basket", basket.path("id").asString(), "to", Map.of("country", "IE", "postcode", "T12 X2A0")));
            cells.add(Map.of("basket", basket.path("id").asString(), "to", Map.of("country", "DE", "postcode", "10115")));
        }
        long from = System.nanoTime();
        Caller.Answer begun = owner.post(DRESS, Map.of("cells", cells.subList(0, Math.min(10, cells.size()))));
        System.out.println(begun.status() + " " + begun.text());
        JsonNode seen = begun.json();
        while (seen.path("state").asString().equals("RUNNING") || seen.path("state").asString().equals("running")) {
            Thread.sleep(200);
            seen = owner.get(DRESS).json();
        }
        System.out.println(seen.path("state") + " " + (System.nanoTime() - from) / 1_000_000 + " ms, orders " + seen.path("orders").size());
        for (JsonNode order : seen.path("orders")) {
            StringBuilder line = new StringBuilder(order.path("basket").asString() + " " + order.path("to").path("country").asString() + " " + order.path("way").path("method").asString() + " " + order.path("way").path("act").asString() + " #" + order.path("number"));
            for (JsonNode step : order.path("steps")) {
                line.append(" | ").append(step.path("name").asString()).append(" ").append(step.path("outcome").asString()).append(" ").append(step.path("sentence").asString(""));
            }
            System.out.println(line);
        }
    }
}
