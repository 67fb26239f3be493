package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;

/** The board: what each cell shows is what that order costs, for as many as it holds, within two seconds. */
@Tag("alone")
@ExtendWith(RunningShop.class)
class BoardTest {
    private static final List<String> PLAIN =
            List.of("box-kite", "parafoil", "sled-kite", "wind-sock", "mending-kit", "kites-you-can-build", "spar-set");
    private static final List<String> COUNTRIES = List.of("IE", "GB", "DE", "FR", "BE", "NL", "AT", "CH", "US", "ES");

    private final RunningShop.Running shop;

    BoardTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> lines(Random random) {
        List<Map<String, Object>> lines = new ArrayList<>();
        List<String> left = new ArrayList<>(PLAIN);
        for (int i = 1 + random.nextInt(4); i > 0; i--) {
            lines.add(Map.of(
                    "product",
                    left.remove(random.nextInt(left.size())),
                    "quantity",
                    String.valueOf(1 + random.nextInt(6))));
        }
        return Map.of("lines", lines);
    }

    private static List<Map<String, Object>> places() {
        List<Map<String, Object>> places = new ArrayList<>();
        for (String country : COUNTRIES) {
            for (String code : List.of("", "one", "two", "three", "four")) {
                places.add(code.isEmpty() ? Map.of("country", country) : postcode(country, code));
            }
        }
        return places;
    }

    private static Map<String, Object> postcode(String country, String which) {
        Map<String, List<String>> codes = Map.of(
                "IE", List.of("H91 X2A0", "T12 X2A0", "D02 X285", "V94 T9PX"),
                "GB", List.of("BT1 1AA", "SW1A 1AA", "EH1 1AA", "CF10 1AA"),
                "CH", List.of("4051", "8001", "1201", "3000"),
                "AT", List.of("1010", "5020", "6020", "8010"),
                "BE", List.of("1000", "2000", "9000", "4000"),
                "NL", List.of("1012 AB", "3011 AA", "9711 AA", "6211 AA"));
        List<String> five = List.of("10115", "20095", "28801", "75001");
        int at = List.of("one", "two", "three", "four").indexOf(which);
        return Map.of(
                "country",
                country,
                "postcode",
                codes.getOrDefault(country, five).get(at));
    }

    @Test
    void two_hundred_baskets_at_fifty_places_are_what_each_order_costs() throws Exception {
        Random random = new Random(20261129);
        List<Map<String, Object>> baskets = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            baskets.add(Map.of("id", "b" + i, "name", "Basket " + i, "order", lines(random)));
        }
        shop.owner().publish(Map.of("rehearsal/baskets", baskets, "goods/products/box-kite/price", "77.00"));
        Map<String, Object> asked = Map.of("places", places());
        JsonNode board = shop.owner().post(Caller.SHOP + "/board", asked).json();
        long fastest = Long.MAX_VALUE;
        for (int i = 0; i < 3; i++) {
            long began = System.nanoTime();
            board = shop.owner().post(Caller.SHOP + "/board", asked).json();
            fastest = Math.min(fastest, System.nanoTime() - began);
        }
        System.out.printf("board: 200 × 50 cells in %d ms%n", fastest / 1_000_000);
        assertThat(Duration.ofNanos(fastest)).isLessThan(Duration.ofSeconds(2));
        assertThat(board.path("rows").size()).isEqualTo(200);

        Document document =
                shop.context().getBean(Drafts.class).of(DemoShop.SHOP).document();
        int priced = 0;
        for (int i = 0; i < 500; i++) {
            int row = random.nextInt(200);
            int place = random.nextInt(50);
            JsonNode cell =
                    board.path("rows").path(row).path("cells").path(place).path("now");
            Map<String, Object> order = new HashMap<>(Map.of(
                    "format",
                    OrderFile.FORMAT,
                    "at",
                    board.path("at").asString(),
                    "lines",
                    ((Map<?, ?>) baskets.get(row).get("order")).get("lines"),
                    "to",
                    places().get(place),
                    "gateways",
                    Map.of("cards", "test", "purse", "test")));
            try {
                Quote quote = Pricing.price(document.compiled(), OrderFile.parse(Json.write(order)));
                assertThat(cell.path("toPay").asString())
                        .isEqualTo(quote.toPay().value().toPlainString());
                assertThat(cell.path("tax").asString())
                        .isEqualTo(quote.tax().value().toPlainString());
                assertThat(cell.path("delivery").asString(""))
                        .isEqualTo(quote.sent()
                                .price()
                                .map(price -> price.value().toPlainString())
                                .orElse(""));
                assertThat(cell.path("hole").asString("").isEmpty())
                        .isEqualTo(quote.missing().isEmpty());
                priced++;
            } catch (InvalidInput refused) {
                assertThat(cell.path("hole").asString("")).isNotEmpty();
            }
        }
        assertThat(priced).as("of the orders drawn").isGreaterThan(300);
    }

    /** What is another than live is told beside it, and only that. */
    @Test
    void what_differs_from_live_has_both_figures() {
        shop.owner()
                .publish(Map.of(
                        "rehearsal/baskets",
                        List.of(
                                Map.of(
                                        "id",
                                        "sock",
                                        "name",
                                        "A sock",
                                        "order",
                                        Map.of("lines", List.of(line("wind-sock")))),
                                Map.of(
                                        "id",
                                        "kit",
                                        "name",
                                        "A kit",
                                        "order",
                                        Map.of("lines", List.of(line("mending-kit")))))));
        shop.owner().edit(Map.of("goods/products/mending-kit/price", "11.00"));
        JsonNode board = shop.owner()
                .post(Caller.SHOP + "/board", Map.of("places", List.of(Map.of("country", "Ireland"))))
                .json();
        assertThat(board.path("places").path(0).path("country").asString()).isEqualTo("IE");
        JsonNode same = board.path("rows").path(0).path("cells").path(0);
        JsonNode dearer = board.path("rows").path(1).path("cells").path(0);
        assertThat(same.hasNonNull("live")).isFalse();
        assertThat(dearer.path("live").path("toPay").asString()).isNotEmpty();
        assertThat(dearer.path("now").path("toPay").asString())
                .isNotEqualTo(dearer.path("live").path("toPay").asString());
        String csv = shop.owner()
                .get(Caller.SHOP + "/board.csv?place=IE%3B%3B&place=IE%3B%3BT12%20X2A0")
                .text();
        assertThat(csv.lines()).hasSize(1 + 2 * 2);
        assertThat(csv)
                .contains("A kit,IE,,,EUR," + dearer.path("now").path("toPay").asString() + ","
                        + dearer.path("live").path("toPay").asString())
                .contains("A sock,IE,,T12 X2A0,EUR,");
        assertThat(shop.owner().post(Caller.SHOP + "/draft/undo", Map.of()).status())
                .isEqualTo(200);
    }

    @Test
    void more_than_it_holds_and_a_place_that_is_none_are_sentences() {
        List<Map<String, String>> many = new ArrayList<>();
        for (int i = 0; i < 51; i++) {
            many.add(Map.of("country", "IE", "postcode", "T12 X2A0"));
        }
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/board", Map.of("places", many))
                        .paths())
                .containsExactly("places");
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/board", Map.of("places", List.of(Map.of("country", "Atlantis"))))
                        .paths())
                .containsExactly("places");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/board/places?of=zones")
                        .json()
                        .size())
                .isGreaterThan(5);
        assertThat(shop.owner().get(Caller.SHOP + "/board/places?of=orders").status())
                .isEqualTo(200);
    }

    private static Map<String, String> line(String product) {
        return Map.of("product", product, "quantity", "1");
    }
}
