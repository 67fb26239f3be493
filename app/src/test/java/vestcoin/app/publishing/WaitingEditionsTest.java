package vestcoin.app.publishing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.Month;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.WaitingEditions;
import vestcoin.standins.Simulation;

/** Publishing at a time. */
@ExtendWith(RunningShop.class)
class WaitingEditionsTest {
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final String WAITING = Caller.SHOP + "/editions/waiting";

    private final RunningShop.Running shop;
    private final Caller owner;

    WaitingEditionsTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    @AfterEach
    void callOff() {
        owner.delete(WAITING);
    }

    private Caller.Answer await(String at) {
        return owner.post(WAITING, Map.of("at", at, "note", "The spring prices"));
    }

    private static String in(int minutes) {
        return LocalDateTime.now(DUBLIN)
                .plusMinutes(minutes)
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
    }

    private int live() {
        return shop.context()
                .getBean(Editions.class)
                .live(DemoShop.SHOP)
                .orElseThrow()
                .number();
    }

    private String price(int edition) {
        return shop.context()
                .getBean(Editions.class)
                .of(DemoShop.SHOP, edition)
                .document()
                .setup()
                .goods()
                .products()
                .get(0)
                .price()
                .toPlainString();
    }

    private void due() {
        shop.context()
                .getBean(JdbcClient.class)
                .sql("update waiting_edition set asked_at = dateadd('hour', -2, asked_at), "
                        + "due_at = dateadd('hour', -1, asked_at)")
                .update();
    }

    @Test
    void what_waits_goes_live_at_its_time_and_what_was_changed_since_stays_in_the_draft() throws Exception {
        int before = live();
        owner.edit(Map.of("goods/products/delta-kite/price", "49.00"));
        Caller.Answer waits = await(in(90));
        assertThat(waits.status()).as(waits.text()).isEqualTo(200);
        assertThat(waits.json().at("/edition/note").asString()).isEqualTo("The spring prices");
        owner.edit(Map.of("goods/products/delta-kite/price", "50.00"));
        assertThat(live()).isEqualTo(before);
        // What buyers were shown meanwhile stands as it was.
        JsonNode placed = shop.anybody().placeBook();
        shop.context()
                .getBean(JdbcClient.class)
                .sql("update waiting_edition set due_at = dateadd('second', 1, asked_at)")
                .update();
        Soon.holds(() -> {
            shop.context().getBean(WaitingEditions.class).publishDue();
            assertThat(live()).isEqualTo(before + 1);
        });
        assertThat(price(before + 1)).isEqualTo("49.00");
        JsonNode draft = owner.get(Caller.SHOP + "/draft").json();
        assertThat(draft.at("/document/goods/products/0/price").asString()).isEqualTo("50.00");
        assertThat(draft.path("changes").asInt()).isEqualTo(1);
        assertThat(owner.get(WAITING).json().path("edition").isMissingNode()
                        || owner.get(WAITING).json().path("edition").isNull())
                .isTrue();
        assertThat(shop.context()
                        .getBean(JdbcClient.class)
                        .sql("select edition from orders where token = :token")
                        .param("token", placed.path("token").asString())
                        .query(Integer.class)
                        .single())
                .isEqualTo(before);
        // Twice asked, once published.
        shop.context().getBean(WaitingEditions.class).publishDue();
        assertThat(live()).isEqualTo(before + 1);
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
    }

    @Test
    void what_blocks_at_its_time_keeps_it_back_and_is_told() {
        int before = live();
        owner.edit(Map.of("goods/products/delta-kite/price", "51.00"));
        assertThat(await(in(60)).status()).isEqualTo(200);
        // A pin of what waits moves: as if it had been typed wrong in what was frozen.
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        String document = sql.sql("select document from waiting_edition")
                .query(String.class)
                .single();
        String pin =
                "{\"id\":\"p\",\"basket\":\"two-deltas\",\"to\":{\"country\":\"IE\"},\"at\":\"2026-11-20T10:00:00Z\","
                        + "\"figure\":\"to-pay\",\"value\":\"1.00\",\"reason\":\"\"}";
        String basket =
                Document.parse(document).setup().rehearsal().baskets().get(0).id();
        String pinned = document.contains("\"pins\":[]")
                ? document.replace("\"pins\":[]", "\"pins\":[" + pin.replace("two-deltas", basket) + "]")
                : document.replace(
                        "\"rehearsal\":{", "\"rehearsal\":{\"pins\":[" + pin.replace("two-deltas", basket) + "],");
        sql.sql("update waiting_edition set document = :document")
                .param("document", pinned)
                .update();
        due();
        shop.context().getBean(WaitingEditions.class).publishDue();
        assertThat(live()).isEqualTo(before);
        JsonNode kept = owner.get(WAITING).json().path("edition");
        assertThat(kept.path("keptBack").path(0).path("sentence").asString()).contains("1.00");
        shop.context().getBean(WaitingEditions.class).publishDue();
        assertThat(sql.sql("select mime from letter where event = 'kept-back'")
                        .query(String.class)
                        .list())
                .as("the seller is written to, once")
                .hasSize(1);
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
    }

    @Test
    void called_off_it_never_goes_live_and_the_draft_keeps_everything() {
        int before = live();
        owner.edit(Map.of("goods/products/delta-kite/price", "52.00"));
        assertThat(await(in(60)).status()).isEqualTo(200);
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).sentence())
                .contains("An edition waits for its time");
        assertThat(await(in(70)).sentence()).contains("waits already");
        assertThat(owner.delete(WAITING).status()).isEqualTo(204);
        shop.context().getBean(WaitingEditions.class).publishDue();
        assertThat(live()).isEqualTo(before);
        assertThat(owner.get(Caller.SHOP + "/draft")
                        .json()
                        .at("/document/goods/products/0/price")
                        .asString())
                .isEqualTo("52.00");
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
    }

    /** The last Sunday of a month, this year's or the next one's: the first that is not over. */
    private static LocalDate changing(Month month) {
        LocalDate today = LocalDate.now(DUBLIN);
        return Stream.of(today, today.plusYears(1))
                .map(day -> day.with(month).with(TemporalAdjusters.lastInMonth(DayOfWeek.SUNDAY)))
                .filter(today::isBefore)
                .findFirst()
                .orElseThrow();
    }

    /** Summer time in Ireland: from the last Sunday of March, 1:00 UTC, to that of October (SI 506/2001; common). */
    @Test
    void a_time_that_clocks_skip_is_refused_and_of_one_they_double_the_first_is_meant() {
        LocalDate spring = changing(Month.MARCH);
        Caller.Answer skipped = await(spring + "T01:30");
        assertThat(skipped.status()).isEqualTo(422);
        assertThat(skipped.sentence()).contains(spring + " 01:30 does not exist");
        LocalDate autumn = changing(Month.OCTOBER);
        JsonNode doubled = await(autumn + "T01:30").json().path("edition");
        assertThat(doubled.path("at").asString())
                .isEqualTo(autumn.atTime(1, 30).toInstant(ZoneOffset.ofHours(1)).toString());
    }

    @Test
    void a_time_that_is_over_or_no_time_is_refused() {
        assertThat(await("2020-01-01T08:00").sentence()).contains("is over");
        assertThat(await("tomorrow").sentence()).contains("is no day and time");
        assertThat(await("").status()).isEqualTo(422);
        Map<String, Object> nothing = new HashMap<>();
        assertThat(owner.post(WAITING, nothing).status()).isEqualTo(422);
    }

    @Test
    void an_order_is_priced_as_of_any_edition() {
        int before = live();
        owner.publish(Map.of("goods/products/box-kite/price", "88.00"));
        Map<String, Object> order =
                Map.of("lines", List.of(Map.of("product", "box-kite", "quantity", "1")), "to", Map.of("country", "IE"));
        assertThat(owner.post(Caller.SHOP + "/ticket", Map.of("order", order, "edition", before))
                        .json()
                        .at("/quote/goods/value")
                        .asString())
                .isEqualTo("86.00");
        assertThat(owner.post(Caller.SHOP + "/ticket", Map.of("order", order, "edition", before + 1))
                        .json()
                        .at("/quote/goods/value")
                        .asString())
                .isEqualTo("88.00");
        assertThat(owner.post(Caller.SHOP + "/ticket", Map.of("order", order, "edition", 999))
                        .status())
                .isEqualTo(422);
        owner.publish(Map.of("goods/products/box-kite/price", "86.00"));
    }

    @Test
    void one_that_became_due_while_nobody_was_here_is_published_at_the_next_start() throws Exception {
        Path data = Files.createTempDirectory("vest-coin-test");
        try (Simulation services = Simulation.start(0, data)) {
            try (ConfigurableApplicationContext first = started(data, services)) {
                first.getBean(DemoShop.class).loadIfEmpty();
                first.getBean(WaitingEditions.class)
                        .await(DemoShop.SHOP, LocalDateTime.now(DUBLIN).plusHours(3), "owner", "");
                first.getBean(JdbcClient.class)
                        .sql("update waiting_edition set asked_at = dateadd('hour', -2, asked_at), "
                                + "due_at = dateadd('hour', -1, asked_at) where shop <> ''")
                        .update();
                assertThat(first.getBean(Editions.class)
                                .live(DemoShop.SHOP)
                                .orElseThrow()
                                .number())
                        .isEqualTo(1);
            }
            try (ConfigurableApplicationContext second = started(data, services)) {
                Soon.holds(() -> assertThat(second.getBean(Editions.class)
                                .live(DemoShop.SHOP)
                                .orElseThrow()
                                .number())
                        .isEqualTo(2));
                assertThat(second.getBean(Drafts.class)
                                .of(DemoShop.SHOP)
                                .document()
                                .hash())
                        .isEqualTo(second.getBean(Editions.class)
                                .of(DemoShop.SHOP, 2)
                                .hash());
            }
        }
    }

    private static ConfigurableApplicationContext started(Path data, Simulation services) throws Exception {
        return ServeCommand.application(
                RunningShop.freePort(), data, services.url(), RunningShop.FOR_TESTS.toArray(String[]::new));
    }
}
