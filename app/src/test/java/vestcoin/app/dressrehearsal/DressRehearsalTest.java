package vestcoin.app.dressrehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.outside.Vault;
import vestcoin.app.payment.Gateways;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.RehearsalShops;
import vestcoin.standins.pay.CardProcessor;

/** Practice orders of the draft walk through the whole application beside the shop, and what fails is shown where. */
@ExtendWith(RunningShop.class)
class DressRehearsalTest {
    private static final String DRESS = Caller.SHOP + "/dress-rehearsal";
    private static final Map<String, Object> CORK = Map.of("country", "IE", "postcode", "T12 X2A0");
    private static final Map<String, Object> BERLIN = Map.of("country", "DE", "postcode", "10115");
    private static final Map<String, Object> BELFAST = Map.of("country", "GB", "postcode", "BT1 5GS");

    private final RunningShop.Running shop;

    DressRehearsalTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private static Map<String, Object> cell(String basket, Map<String, Object> to) {
        return Map.of("basket", basket, "to", to);
    }

    /** Rehearses and waits until it is over. */
    private JsonNode rehearsed(Caller owner, Object... cells) throws InterruptedException {
        Caller.Answer begun = owner.post(DRESS, Map.of("cells", List.of(cells)));
        assertThat(begun.status()).as(begun.text()).isEqualTo(200);
        JsonNode seen = begun.json();
        while (seen.path("state").asString().equals("running")) {
            Thread.sleep(50);
            seen = owner.get(DRESS).json();
        }
        assertThat(seen.path("state").asString()).isEqualTo("done");
        return seen;
    }

    private static String outcome(JsonNode order, String step) {
        return step(order, step).path("outcome").asString();
    }

    private static JsonNode step(JsonNode order, String step) {
        return StreamSupport.stream(order.path("steps").spliterator(), false)
                .filter(each -> each.path("name").asString().equals(step))
                .findFirst()
                .orElseThrow();
    }

    private static List<JsonNode> failures(JsonNode seen) {
        List<JsonNode> failed = new ArrayList<>();
        seen.path("orders").forEach(order -> order.path("steps").forEach(step -> {
            if (step.path("outcome").asString().equals("failed")) {
                failed.add(step);
            }
        }));
        return failed;
    }

    /** Every row of every table that belongs to a shop. */
    private Map<String, List<String>> rows(String of) {
        Map<String, List<String>> rows = new TreeMap<>();
        for (String table : sql().sql("select table_name from information_schema.columns where table_schema = 'PUBLIC' "
                        + "and column_name = 'SHOP'")
                .query(String.class)
                .list()) {
            rows.put(
                    table,
                    sql().sql("select * from " + table + " where shop = :shop")
                            .param("shop", of)
                            .query((row, at) -> {
                                StringBuilder all = new StringBuilder();
                                for (int i = 1; i <= row.getMetaData().getColumnCount(); i++) {
                                    all.append(row.getString(i)).append('|');
                                }
                                return all.toString();
                            })
                            .list());
        }
        return rows;
    }

    private Map<String, Object> sample(String id, Object... more) {
        Map<String, Object> sample = new LinkedHashMap<>(Map.of("id", id, "name", id));
        for (int i = 0; i < more.length; i += 2) {
            sample.put((String) more[i], more[i + 1]);
        }
        return sample;
    }

    private static List<Map<String, Object>> lines(String product) {
        return List.of(Map.of("product", product, "quantity", "1"));
    }

    @Test
    void every_step_of_every_way_to_pay_holds_for_ten_cells_and_nothing_of_the_shop_moves() throws Exception {
        Caller owner = shop.owner();
        sql().sql("merge into stock(shop, item, remaining, told) key (shop, item) values (:shop, 'box-kite', 2, false)")
                .param("shop", DemoShop.SHOP)
                .update();
        Map<String, List<String>> before = rows(DemoShop.SHOP);
        long from = System.nanoTime();
        JsonNode seen = rehearsed(
                owner,
                cell("two-deltas", CORK),
                cell("two-deltas", BERLIN),
                cell("two-deltas", BELFAST),
                cell("small-post", CORK),
                cell("small-post", BERLIN),
                cell("small-post", BELFAST),
                cell("school", CORK),
                cell("school", BERLIN),
                cell("workbench", CORK),
                cell("workbench", BERLIN));
        assertThat(System.nanoTime() - from).isLessThan(60_000_000_000L);
        assertThat(failures(seen)).isEmpty();
        assertThat(seen.path("done").asInt()).isEqualTo(10);
        // Card approved, declined and asked, wallet asked and declined, transfer.
        assertThat(seen.path("orders")).hasSize(60).allSatisfy(order -> order.path("steps")
                .forEach(step -> assertThat(step.path("outcome").asString()).isEqualTo("held")));
        assertThat(rows(DemoShop.SHOP)).isEqualTo(before);
        String rehearsal = seen.path("shop").asString();
        JsonNode order = owner.get("/api/shops/" + rehearsal + "/orders/1002").json();
        assertThat(order.path("mode").asString()).isEqualTo("test");
        assertThat(order.path("payments")).hasSize(2);
        assertThat(order.path("sent").asString()).isEqualTo("all");
    }

    @Test
    void what_is_collected_downloaded_given_or_ordered_by_others_is_walked_as_well() throws Exception {
        Caller owner = shop.owner();
        Map<String, Object> edits = new LinkedHashMap<>();
        for (Map<String, Object> sample : List.of(
                sample("fetched", "order", Map.of("lines", lines("box-kite"), "delivery", "workshop")),
                sample("files", "order", Map.of("lines", lines("plans-to-print"))),
                sample(
                        "voucher",
                        "order",
                        Map.of("lines", List.of(Map.of("product", "gift-voucher", "quantity", "1")))),
                sample("firm", "order", Map.of("lines", lines("box-kite")), "buyer", "business"),
                sample("trusted", "order", Map.of("lines", lines("box-kite")), "buyer", "let-pay-later"),
                sample("schooled", "order", Map.of("lines", lines("box-kite")), "group", "kite-schools"),
                sample("far", "order", Map.of("lines", lines("box-kite"))))) {
            edits.put("rehearsal/baskets/" + sample.get("id"), sample);
        }
        Caller.Answer edited = owner.edit(edits);
        assertThat(edited.status()).as(edited.text()).isEqualTo(200);
        JsonNode seen = rehearsed(
                owner,
                cell("fetched", CORK),
                cell("files", CORK),
                cell("voucher", CORK),
                cell("firm", BERLIN),
                cell("trusted", CORK),
                cell("schooled", CORK),
                cell("far", Map.of("country", "KP")));
        assertThat(seen.path("orders")
                        .valueStream()
                        .map(order -> order.path("basket").asString())
                        .toList())
                .contains("fetched");
        assertThat(failures(seen)).isEmpty();
    }

    @Test
    void planted_faults_are_shown_at_their_step() throws Exception {
        Caller owner = shop.owner();
        Vault vault = shop.context().getBean(Vault.class);
        byte[] good = sql().sql("select secret_cipher from gateway where shop = :shop and id = 'cards'")
                .param("shop", DemoShop.SHOP)
                .query(byte[].class)
                .single();
        sql().sql("update gateway set secret_cipher = :wrong where shop = :shop and id = 'cards'")
                .param("wrong", vault.sealed("secret-test-of-nobody"))
                .param("shop", DemoShop.SHOP)
                .update();
        Caller.Answer edited = owner.edit(Map.of("terms/returnAddress", List.of()));
        assertThat(edited.status()).as(edited.text()).isEqualTo(200);
        assertThat(owner.put(
                                Caller.SHOP + "/mail-server",
                                Map.of("host", "127.0.0.1", "port", 1, "security", "none", "user", "", "secret", ""))
                        .status())
                .isEqualTo(200);
        try {
            JsonNode seen = rehearsed(owner, cell("small-post", CORK));
            JsonNode card = seen.path("orders").path(0);
            assertThat(card.path("way").path("method").asString()).isEqualTo("card");
            assertThat(outcome(card, "placed")).isEqualTo("held");
            assertThat(outcome(card, "paid")).isEqualTo("failed");
            assertThat(step(card, "paid").path("sentence").asString()).isEqualTo("No account has this secret key.");
            assertThat(outcome(card, "taken")).isEqualTo("not-reached");
            JsonNode transfer = seen.path("orders").path(seen.path("orders").size() - 1);
            assertThat(outcome(transfer, "paid")).isEqualTo("held");
            assertThat(outcome(transfer, "texts")).isEqualTo("failed");
            assertThat(step(transfer, "texts").path("sentence").asString()).contains("return-address");
            assertThat(outcome(transfer, "letters")).isEqualTo("failed");
            assertThat(step(transfer, "letters").path("sentence").asString()).contains("mail server");
        } finally {
            owner.delete(Caller.SHOP + "/mail-server");
            owner.post(Caller.SHOP + "/draft/undo", Map.of());
            sql().sql("update gateway set secret_cipher = :good where shop = :shop and id = 'cards'")
                    .param("good", good)
                    .param("shop", DemoShop.SHOP)
                    .update();
        }
    }

    @Test
    void an_order_no_account_is_there_for_counts_as_tried() throws Exception {
        Caller owner = shop.owner();
        Caller.Answer edited = owner.edit(Map.of("payment/methods/card/gateway", "spare"));
        assertThat(edited.status()).as(edited.text()).isEqualTo(200);
        try {
            JsonNode seen = rehearsed(owner, cell("small-post", CORK));
            assertThat(seen.path("failures").path(0).path("step").path("name").asString())
                    .isEqualTo("paid");
            assertThat(seen.path("failures").path(0).path("orders").asInt()).isEqualTo(1);
            assertThat(seen.path("failures").path(0).path("numbers")).isEmpty();
            assertThat(seen.path("failed").asInt()).isEqualTo(1);
            assertThat(seen.path("tried").asInt()).isEqualTo(seen.path("listed").asInt());
        } finally {
            owner.post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    @Test
    void the_next_rehearsal_leaves_nothing_of_the_one_before() throws Exception {
        Caller owner = shop.owner();
        String first = rehearsed(owner, cell("small-post", CORK)).path("shop").asString();
        assertThat(rows(first).get("ORDERS")).isNotEmpty();
        long payments = count("payment_transition");
        String second = rehearsed(owner, cell("small-post", CORK)).path("shop").asString();
        assertThat(second).isNotEqualTo(first);
        assertThat(rows(first))
                .allSatisfy((table, left) -> assertThat(left).as(table).isEmpty());
        assertThat(count("payment_transition")).isEqualTo(payments);
        assertThat(sql().sql("select count(*) from shop where id = :first")
                        .param("first", first)
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    private long count(String table) {
        return sql().sql("select count(*) from " + table).query(Long.class).single();
    }

    @Test
    void a_rehearsal_is_opened_by_who_may_open_its_shop_and_by_nobody_else() throws Exception {
        Caller owner = shop.owner();
        String rehearsal =
                rehearsed(owner, cell("small-post", CORK)).path("shop").asString();
        JsonNode session = owner.get("/api/session").json();
        assertThat(session.path("shops")).hasSize(1);
        assertThat(session.path("rehearsals").path(rehearsal).asString()).isEqualTo(DemoShop.SHOP);
        assertThat(owner.get("/api/shops/" + rehearsal + "/draft").status()).isEqualTo(200);
        assertThat(owner.get("/api/counter/" + rehearsal).status()).isEqualTo(200);
        assertThat(shop.anybody().get("/api/shops/" + rehearsal + "/draft").status())
                .isEqualTo(401);
        assertThat(shop.anybody().get("/api/counter/" + rehearsal).status()).isEqualTo(404);
    }

    @Test
    void an_order_is_walked_by_hand_on_the_same_stage_while_the_draft_is_the_same() {
        Caller owner = shop.owner();
        JsonNode stage = owner.post(DRESS + "/stage", Map.of()).json();
        String rehearsal = stage.path("shop").asString();
        assertThat(stage.path("post").asString()).endsWith("/post");
        assertThat(owner.post(DRESS + "/stage", Map.of()).json().path("shop").asString())
                .isEqualTo(rehearsal);
        Caller.Answer link = owner.post(
                "/api/shops/" + rehearsal + "/elsewhere", Map.of("basket", "small-post", "codes", List.of()));
        assertThat(link.json().path("link").asString()).contains("/counter/" + rehearsal);
    }

    @Test
    void a_stage_asked_for_at_once_from_several_pages_is_one() throws Exception {
        shop.owner().edit(Map.of("goods/products/parafoil/price", "60.00"));
        ExecutorService pages = Executors.newFixedThreadPool(8);
        try {
            List<Callable<String>> asked = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                Caller owner = shop.owner().again();
                asked.add(() -> owner.post(DRESS + "/stage", Map.of())
                        .json()
                        .path("shop")
                        .asString());
            }
            Set<String> stages = new TreeSet<>();
            for (Future<String> each : pages.invokeAll(asked)) {
                stages.add(each.get());
            }
            assertThat(stages).hasSize(1).doesNotContain("");
        } finally {
            pages.shutdown();
            shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    @Test
    void a_live_account_is_not_used_and_a_practice_one_stands_in_its_place() throws Exception {
        Gateways gateways = shop.context().getBean(Gateways.class);
        Caller owner = shop.owner();
        gateways.connect(
                DemoShop.SHOP,
                "cards",
                new Gateways.Keys(
                        Gateways.With.CARDS,
                        java.util.Optional.of("live"),
                        CardProcessor.LIVE_PUBLIC,
                        CardProcessor.LIVE_SECRET,
                        "TERN AND TETHER"));
        try {
            JsonNode seen = rehearsed(owner, cell("small-post", CORK));
            assertThat(failures(seen)).isEmpty();
            assertThat(gateways.mode(seen.path("shop").asString())).isEqualTo("test");
            assertThat(gateways.of(DemoShop.SHOP, "cards").orElseThrow().mode()).contains("live");
        } finally {
            gateways.connect(
                    DemoShop.SHOP,
                    "cards",
                    new Gateways.Keys(
                            Gateways.With.CARDS,
                            java.util.Optional.of("test"),
                            CardProcessor.TEST_PUBLIC,
                            CardProcessor.TEST_SECRET,
                            "TERN AND TETHER"));
        }
    }

    @Test
    void it_stops_between_two_orders_and_goes_on_where_it_stopped() throws Exception {
        Caller owner = shop.owner();
        Map<String, Object> asked = Map.of("cells", List.of(cell("two-deltas", CORK), cell("school", CORK)));
        owner.post(DRESS, asked);
        JsonNode stopped = owner.delete(DRESS).json();
        assertThat(stopped.path("state").asString()).isEqualTo("stopped");
        Thread.sleep(300);
        int done = owner.get(DRESS).json().path("orders").size();
        Thread.sleep(300);
        assertThat(owner.get(DRESS).json().path("orders")).hasSize(done);
        owner.post(DRESS, asked);
        JsonNode seen = owner.get(DRESS).json();
        while (seen.path("state").asString().equals("running")) {
            Thread.sleep(50);
            seen = owner.get(DRESS).json();
        }
        assertThat(seen.path("orders")).hasSize(12);
        assertThat(new TreeSet<>(StreamSupport.stream(seen.path("orders").spliterator(), false)
                        .map(order -> order.path("number").asInt())
                        .toList()))
                .hasSize(12);
    }

    @Test
    void a_whole_board_is_rehearsed_and_looked_at_a_page_at_a_time() throws Exception {
        Caller owner = shop.owner();
        Map<String, Object> nowhere = Map.of("country", "JP");
        List<Object> cells = new ArrayList<>(Collections.nCopies(129, cell("small-post", nowhere)));
        cells.add(cell("small-post", CORK));
        JsonNode seen = rehearsed(owner, cells.toArray());
        assertThat(seen.path("done").asInt()).isEqualTo(130);
        assertThat(seen.path("tried").asInt()).isEqualTo(6);
        assertThat(seen.path("failed").asInt()).isZero();
        assertThat(seen.path("listed").asInt()).isEqualTo(135);
        assertThat(seen.path("orders")).hasSize(100);
        JsonNode rest = owner.get(DRESS + "?from=100").json().path("orders");
        assertThat(rest).hasSize(35);
        assertThat(rest.path(28).hasNonNull("number")).isFalse();
        assertThat(rest.path(29).path("number").asInt()).isEqualTo(1001);
        assertThat(owner.get(DRESS + "?failed=true").json().path("listed").asInt())
                .isZero();
    }

    @Test
    void what_cannot_be_rehearsed_is_said() {
        Caller owner = shop.owner();
        assertThat(owner.post(DRESS, Map.of("cells", List.of())).sentence()).contains("from one to 1,000 cells");
        assertThat(owner.post(DRESS, Map.of("cells", Collections.nCopies(1001, cell("school", CORK))))
                        .sentence())
                .contains("from one to 1,000 cells");
        assertThat(owner.post(DRESS, Map.of("cells", List.of(cell("gone", CORK))))
                        .sentence())
                .contains("no sample order gone");
        assertThat(owner.post(DRESS, Map.of("cells", List.of(cell("school", Map.of("country", "Atlantis")))))
                        .status())
                .isEqualTo(422);
        assertThat(owner.post(DRESS, "{\"cells\":[{\"basket\":\"school\"}]}").status())
                .isEqualTo(422);
        assertThat(shop.context().getBean(RehearsalShops.class).of("nobody")).isEmpty();
    }

    @Test
    void a_rehearsal_is_not_rehearsed_itself_and_the_next_of_its_shop_begins_all_the_same() throws Exception {
        Caller owner = shop.owner();
        String rehearsal =
                owner.post(DRESS + "/stage", Map.of()).json().path("shop").asString();
        assertThat(owner.post("/api/shops/" + rehearsal + "/dress-rehearsal/stage", Map.of())
                        .sentence())
                .isEqualTo("This is a rehearsal already.");
        assertThat(failures(rehearsed(owner, cell("small-post", CORK)))).isEmpty();
    }
}
