package vestcoin.app.publishing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Editions;

/** A shop that opens at a time of its clock. */
@ExtendWith(RunningShop.class)
class WaitingOpeningsTest {
    private static final String WAITING = Caller.SHOP + "/opening/waiting";

    private final RunningShop.Running shop;
    private final Caller owner;

    WaitingOpeningsTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    @BeforeEach
    void close() {
        owner.put(Caller.SHOP + "/opening", Map.of("open", false));
    }

    @AfterEach
    void open() {
        owner.delete(WAITING);
        owner.delete(Caller.SHOP + "/editions/waiting");
        shop.context().getBean(ShopOpenings.class).open(DemoShop.SHOP);
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private static String in(int minutes) {
        return LocalDateTime.now(ZoneId.of("Europe/Dublin"))
                .plusMinutes(minutes)
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
    }

    private void due(String table) {
        sql().sql("update " + table
                        + " set asked_at = dateadd('hour', -2, asked_at), due_at = dateadd('hour', -1, asked_at)")
                .update();
    }

    private void openDue() {
        shop.context().getBean(WaitingOpenings.class).openDue();
    }

    private JsonNode opening() {
        return owner.get(Caller.SHOP + "/opening").json();
    }

    @Test
    void what_stands_against_it_at_its_time_keeps_it_closed_and_the_seller_is_written_to_once() {
        assertThat(owner.put(WAITING, Map.of("at", in(60))).status()).isEqualTo(200);
        openDue();
        assertThat(opening().at("/waiting/keptBack")).isEmpty();
        due("waiting_opening");
        openDue();
        openDue();
        assertThat(opening().path("open").asBoolean()).isFalse();
        assertThat(opening().at("/waiting/keptBack"))
                .as("accounts in practice mode")
                .isNotEmpty();
        List<String> mime = sql().sql("select mime from letter where event = 'kept-back' and subject like '%not open%'")
                .query(String.class)
                .list();
        assertThat(mime).hasSize(1);
        assertThat(shop.anybody().get(Caller.COUNTER).status()).isEqualTo(404);
    }

    /** What is published by the same minute is what stands or does not. */
    @Test
    void it_opens_at_its_time_with_the_edition_that_is_published_then() {
        int before = shop.context()
                .getBean(Editions.class)
                .live(DemoShop.SHOP)
                .orElseThrow()
                .number();
        List<Map<String, Object>> accounts = sql().sql(
                        "select id, mode, state, tried_at from gateway where shop = :shop")
                .param("shop", DemoShop.SHOP)
                .query()
                .listOfRows();
        sql().sql("update gateway set mode = 'live', state = 'live', tried_at = current_timestamp where shop = :shop")
                .param("shop", DemoShop.SHOP)
                .update();
        try {
            owner.edit(Map.of("goods/products/delta-kite/price", "53.00"));
            assertThat(owner.post(Caller.SHOP + "/editions/waiting", Map.of("at", in(60), "note", "Opening day"))
                            .status())
                    .isEqualTo(200);
            assertThat(owner.put(WAITING, Map.of("at", in(60))).status()).isEqualTo(200);
            due("waiting_edition");
            due("waiting_opening");
            openDue();
            assertThat(opening().path("open").asBoolean()).isTrue();
            assertThat(opening().path("edition").asInt()).isEqualTo(before + 1);
            assertThat(opening().hasNonNull("waiting")).isFalse();
            assertThat(shop.anybody().get(Caller.COUNTER).status()).isEqualTo(200);
        } finally {
            accounts.forEach(account -> sql().sql("update gateway set mode = :mode, state = :state, tried_at = :tried "
                            + "where shop = :shop and id = :id")
                    .param("mode", account.get("MODE"))
                    .param("state", account.get("STATE"))
                    .param("tried", account.get("TRIED_AT"))
                    .param("id", account.get("ID"))
                    .param("shop", DemoShop.SHOP)
                    .update());
        }
    }

    @Test
    void a_time_that_cannot_be_is_said_and_nothing_waits() {
        assertThat(owner.put(WAITING, Map.of("at", "2027-03-28T01:30")).sentence())
                .as("clocks go forward")
                .contains("2027-03-28 01:30");
        assertThat(owner.put(WAITING, Map.of("at", "2001-01-01T08:00")).sentence())
                .contains("is over");
        assertThat(owner.put(WAITING, Map.of("at", "tomorrow")).status()).isEqualTo(422);
        shop.context().getBean(ShopOpenings.class).open(DemoShop.SHOP);
        assertThat(owner.put(WAITING, Map.of("at", in(60))).sentence()).isEqualTo("The shop is open already.");
        assertThat(sql().sql("select count(*) from waiting_opening")
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @Test
    void called_off_it_stays_closed() {
        owner.put(WAITING, Map.of("at", in(60)));
        assertThat(owner.delete(WAITING).json().hasNonNull("waiting")).isFalse();
        openDue();
        assertThat(opening().path("open").asBoolean()).isFalse();
    }
}
