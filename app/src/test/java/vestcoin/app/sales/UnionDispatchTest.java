package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.format.Json;

/** Goods that leave from elsewhere, on the sheets of the Union's schemes. */
class UnionDispatchTest {
    private static RunningShop.Running shop;
    private static Caller owner;

    @BeforeAll
    static void start() throws Exception {
        shop = RunningShop.inMemory();
        owner = shop.owner();
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    private static JsonNode union() {
        return owner.get(Caller.SHOP + "/sales/union").json();
    }

    private BigDecimal thisYear() {
        return new BigDecimal(union().at("/counter/counter/thisYear").asString());
    }

    /** Sends parafoils from a shed with another registration until the test is over. */
    private void fromShed(Map<String, Object> at, Map<String, Object> registration, Tried tried) throws Exception {
        JsonNode registrations = owner.get(Caller.SHOP + "/draft").json().at("/document/tax/registrations");
        List<Object> more = new ArrayList<>(Json.read(registrations.toString(), List.class));
        more.add(registration);
        owner.publish(Map.of(
                "tax/registrations",
                more,
                "delivery/dispatch",
                List.of(Map.of("id", "shed", "name", "Shed", "at", at))));
        owner.publish(Map.of("goods/products/parafoil/sending/from", "shed"));
        try {
            JsonNode placed = owner.buy(Map.of(
                            "lines",
                            List.of(Map.of("product", "parafoil", "quantity", "1")),
                            "to",
                            Map.of("country", "DE", "postcode", "10115"),
                            "method",
                            "transfer"))
                    .json();
            owner.post(
                    Caller.SHOP + "/orders/" + placed.path("number").asInt() + "/capture",
                    Map.of(
                            "key",
                            UUID.randomUUID().toString(),
                            "amount",
                            placed.at("/quote/toPay").asString()));
            tried.run();
        } finally {
            owner.edit(Map.of("goods/products/parafoil/sending/from", "shop"));
            owner.publish(Map.of(
                    "tax/registrations",
                    Json.read(registrations.toString(), List.class),
                    "delivery/dispatch",
                    List.of()));
        }
    }

    private interface Tried {
        void run() throws Exception;
    }

    /** Art. 369g(2): by state of dispatch, with the number held there; and only goods from home count to Art. 59c. */
    @Test
    void goods_sent_from_another_state_stand_in_rows_of_their_own_and_do_not_count_to_the_threshold() throws Exception {
        Soon.holds(() -> assertThat(thisYear()).isPositive());
        BigDecimal before = thisYear();
        fromShed(
                Map.of("country", "FR", "postcode", "75001"),
                Map.of("id", "france", "authority", "FR", "number", "FR12345678901", "scheme", "ordinary"),
                () -> {
                    Soon.holds(() -> {
                        JsonNode row = union().at("/sheet/rows")
                                .valueStream()
                                .filter(each -> each.path("from").asString().equals("FR"))
                                .findFirst()
                                .orElseThrow(AssertionError::new);
                        assertThat(row.path("state").asString()).isEqualTo("DE");
                        assertThat(row.path("rate").asString()).isEqualTo("19");
                    });
                    assertThat(thisYear()).isEqualByComparingTo(before);
                    assertThat(owner.get(Caller.SHOP + "/sales/union.csv").text())
                            .contains("supply,DE,FR,FR12345678901,");
                });
    }

    /** Art. 369l: consignments up to 150 euro from outside of the Union, filed month by month. */
    @Test
    void what_is_imported_under_the_import_scheme_has_a_sheet_of_its_own() throws Exception {
        Soon.holds(() -> assertThat(thisYear()).isPositive());
        BigDecimal before = thisYear();
        assertThat(owner.get(Caller.SHOP + "/sales/imports").json().hasNonNull("sheet"))
                .isFalse();
        fromShed(
                Map.of("country", "GB", "postcode", "SW1A 1AA"),
                Map.of("id", "imports", "authority", "EU", "number", "IM3720000001", "scheme", "import-scheme"),
                () -> {
                    Soon.holds(() -> {
                        JsonNode row =
                                owner.get(Caller.SHOP + "/sales/imports").json().at("/sheet/rows/0");
                        assertThat(row.path("state").asString()).isEqualTo("DE");
                        assertThat(row.path("from").asString()).isEqualTo("GB");
                        assertThat(row.path("rate").asString()).isEqualTo("19");
                    });
                    assertThat(thisYear()).as("no sale from home").isEqualByComparingTo(before);
                    assertThat(owner.get(Caller.SHOP + "/sales/imports.csv").text())
                            .contains("supply,DE,GB,,");
                });
    }
}
