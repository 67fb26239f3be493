package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.measure.Measured;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.discount.History;
import vestcoin.core.goods.Stock;
import vestcoin.core.pickup.SlotOccupancy;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.sample.PlausibleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Sales;

/** What changes over as many orders as a shop takes in years: in time, to the cent, and in nobody's way. */
@Tag("alone")
class ChangesOfManyTest {
    private static final int MANY = Measured.sized(100_000);
    private static final int DRAWN = 500;
    /** With few orders the compiler is still at work. */
    private static final int SMALL_MILLIS = 3000;

    private static final int NOISE_MICROS = 10_000;

    private static RunningShop.Running shop;
    private static Caller owner;

    @BeforeAll
    static void start() throws Exception {
        shop = RunningShop.start("--vest-coin.pace.orders-by-client=1000000");
        owner = shop.owner();
        fill();
        assertThat(owner.edit(Map.of(
                                "delivery/zones/galway/rates/tube",
                                "6.20, from 60 free",
                                "goods/products/parafoil/price",
                                "61.00"))
                        .status())
                .isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    /** Orders drawn by chance, each many times over, each time under a number of its own. */
    private static void fill() {
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        CompiledSetup compiled = live();
        Instant from = Instant.parse("2025-01-01T00:00:00Z");
        List<Order> drawn = new PlausibleOrders(compiled, 5, from, Duration.ofDays(600))
                .take(DRAWN).stream()
                        .map(order -> order.to().equals(compiled.home())
                                        && order.lines().stream().allMatch(line -> compiled.shelf()
                                                .find(line.product())
                                                .orElseThrow()
                                                .physical())
                                ? order.withDelivery("tube")
                                : order)
                        .toList();
        int number = 2000;
        for (int i = 0; i < DRAWN; i++) {
            sql.sql("""
                    insert into orders(shop, number, token, client_key, edition, mode, document, currency,
                        payable, due, method, email, name, country, address, placed_at, buyer, standing)
                    select shop, x, random_uuid(), 'drawn-' || x, edition, mode, :document, currency, payable,
                        due, method, email, name, country, address, :at, buyer, 'paid'
                    from orders, system_range(:from, :to) where shop = :shop and number = 1001""")
                    .param("document", Json.write(OrderFile.of(drawn.get(i))))
                    .param("at", drawn.get(i).at().atOffset(ZoneOffset.UTC))
                    .param("from", number)
                    .param("to", number + MANY / DRAWN - 1)
                    .param("shop", DemoShop.SHOP)
                    .update();
            number += MANY / DRAWN;
        }
    }

    private static CompiledSetup live() {
        return shop.context()
                .getBean(Editions.class)
                .live(DemoShop.SHOP)
                .orElseThrow()
                .document()
                .compiled();
    }

    private static JsonNode compared(Map<String, Object> asked) throws InterruptedException {
        JsonNode view = owner.post(Caller.SHOP + "/changes", asked).json();
        while (view.path("state").asString().equals("running")) {
            Thread.sleep(100);
            view = owner.get(Caller.SHOP + "/changes").json();
        }
        return view;
    }

    private static long quoteMicros() {
        Caller buyer = shop.anybody();
        long begun = System.nanoTime();
        assertThat(buyer.post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                        .status())
                .isEqualTo(200);
        return (System.nanoTime() - begun) / 1000;
    }

    private static long median(List<Long> of) {
        return of.stream().sorted().toList().get(of.size() / 2);
    }

    @Test
    void all_of_them_in_time_and_a_buyer_meanwhile_is_hardly_kept_waiting() throws Exception {
        // A first round, and the code is compiled.
        compared(Map.of());
        // The same as of another day is asked anew.
        long millis = Long.MAX_VALUE;
        for (int day = 1; day <= 3 && millis > MANY / 10; day++) {
            long begun = System.nanoTime();
            JsonNode view = compared(Map.of("to", "2026-11-0" + day));
            millis = Math.min(millis, (System.nanoTime() - begun) / 1_000_000);
            assertThat(view.path("state").asString()).isEqualTo("done");
            assertThat(view.path("done").asInt()).isEqualTo(MANY);
        }
        List<Long> alone = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            alone.add(quoteMicros());
        }
        JsonNode view =
                owner.post(Caller.SHOP + "/changes", Map.of("to", "2026-11-09")).json();
        List<Long> beside = new ArrayList<>();
        while (view.path("state").asString().equals("running")) {
            beside.add(quoteMicros());
            Thread.sleep(30);
            view = owner.get(Caller.SHOP + "/changes").json();
        }
        Measured.note(
                "what changes over " + MANY + " orders",
                millis + " ms, a buyer's quote meanwhile " + median(beside) / 1000.0 + " ms, alone "
                        + median(alone) / 1000.0 + " ms",
                "at most " + MANY / 10 + " ms, at most twice");
        assertThat(millis).isLessThan(Math.max(SMALL_MILLIS, MANY / 10));
        assertThat(median(beside)).isLessThan(2 * median(alone) + NOISE_MICROS);
    }

    @Test
    void groups_add_up_to_what_the_orders_differ_by_each_on_its_own() throws Exception {
        JsonNode view = compared(Map.of("to", "2026-10-01"));
        CompiledSetup draft = shop.context()
                .getBean(Drafts.class)
                .of(DemoShop.SHOP)
                .document()
                .compiled();
        BigDecimal expected = BigDecimal.ZERO;
        int changed = 0;
        for (String document : shop.context()
                .getBean(JdbcClient.class)
                .sql("select document from orders where number >= 2000 and placed_at < timestamp with time zone "
                        + "'2026-10-01 23:00:00Z'")
                .query(String.class)
                .list()) {
            Order order = OrderFile.parse(document);
            Order again = order.after(History.NONE)
                    .given(order.outside().with(Stock.NONE).with(SlotOccupancy.NONE));
            BigDecimal by = payable(draft, again).subtract(payable(live(), again));
            changed += by.signum() == 0 ? 0 : 1;
            expected = expected.add(by);
        }
        BigDecimal groups = BigDecimal.ZERO;
        int orders = 0;
        for (JsonNode group : view.path("groups")) {
            groups = groups.add(new BigDecimal(group.path("by").path("payable").asString()));
            orders += group.path("orders").asInt();
        }
        assertThat(groups).isEqualByComparingTo(expected);
        assertThat(orders).isEqualTo(changed).isPositive();
        assertThat(view.path("groups")
                        .valueStream()
                        .map(group -> group.path("cause").path("path").asString()))
                .contains("delivery/zones/galway/rates/tube", "goods/products/parafoil/price");
        JsonNode spread = view.path("spreads").path(0).path("bins");
        assertThat(spread.valueStream()
                        .mapToInt(bin -> bin.path("orders").asInt())
                        .sum())
                .isEqualTo(orders);
    }

    /** Against each order priced as one that comes after 20,000 euro of such sales. */
    @Test
    void what_would_change_once_10_000_euro_across_borders_are_passed() throws Exception {
        JsonNode before = owner.get(Caller.SHOP + "/draft").json().at("/document/tax/registrations");
        owner.edit(Map.of(
                "tax/registrations",
                List.of(Map.of("id", "ireland", "authority", "IE", "number", "IE1234567T", "scheme", "ordinary"))));
        try {
            JsonNode view = compared(Map.of("passed", true, "to", "2026-10-02"));
            assertThat(view.path("same").asBoolean()).isFalse();
            CompiledSetup draft = shop.context()
                    .getBean(Drafts.class)
                    .of(DemoShop.SHOP)
                    .document()
                    .compiled();
            Sales over = new Sales(BigDecimal.valueOf(20_000), BigDecimal.valueOf(20_000));
            BigDecimal expected = BigDecimal.ZERO;
            BigDecimal within = BigDecimal.ZERO;
            for (String document : shop.context()
                    .getBean(JdbcClient.class)
                    .sql("select document from orders where number >= 2000 and placed_at < timestamp with time zone "
                            + "'2026-10-02 23:00:00Z'")
                    .query(String.class)
                    .list()) {
                Order order = OrderFile.parse(document);
                Order again = order.after(History.NONE)
                        .given(order.outside().with(Stock.NONE).with(SlotOccupancy.NONE));
                BigDecimal now = tax(live(), again);
                expected = expected.add(
                        tax(draft, again.given(again.outside().with(over))).subtract(now));
                within = within.add(tax(draft, again).subtract(now));
            }
            BigDecimal sums = BigDecimal.ZERO;
            for (JsonNode sum : view.path("sums")) {
                sums = sums.add(new BigDecimal(sum.path("by").path("tax").asString()));
            }
            assertThat(sums).isEqualByComparingTo(expected).isNotEqualByComparingTo(within);
            JsonNode one =
                    owner.get(Caller.SHOP + "/changes/orders/2000?passed=true").json();
            assertThat(one.path("rows")).isNotEmpty();
        } finally {
            owner.edit(Map.of("tax/registrations", Json.read(before.toString(), List.class)));
        }
    }

    private static BigDecimal tax(CompiledSetup setup, Order order) {
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            return quote.missing().isEmpty() ? quote.tax().value() : BigDecimal.ZERO;
        } catch (InvalidInput refused) {
            return BigDecimal.ZERO;
        }
    }

    private static BigDecimal payable(CompiledSetup setup, Order order) {
        try {
            Quote quote = Pricing.priceUntraced(setup, order);
            return quote.missing().isEmpty() ? quote.payable().value() : BigDecimal.ZERO;
        } catch (InvalidInput refused) {
            return BigDecimal.ZERO;
        }
    }

    @Test
    void it_is_stopped_at_once_and_gone_on_with_when_asked_for_again() throws Exception {
        owner.post(Caller.SHOP + "/changes", Map.of("asOf", "2026-09-01"));
        Thread.sleep(60);
        long begun = System.nanoTime();
        assertThat(owner.delete(Caller.SHOP + "/changes").status()).isEqualTo(204);
        JsonNode stopped = owner.get(Caller.SHOP + "/changes").json();
        assertThat((System.nanoTime() - begun) / 1_000_000).isLessThan(200);
        assertThat(stopped.path("state").asString()).isIn("stopped", "done");
        Thread.sleep(200);
        int done = owner.get(Caller.SHOP + "/changes").json().path("done").asInt();
        Thread.sleep(300);
        assertThat(owner.get(Caller.SHOP + "/changes").json().path("done").asInt())
                .isEqualTo(done);
        JsonNode whole = compared(Map.of("asOf", "2026-09-01"));
        assertThat(whole.path("state").asString()).isEqualTo("done");
        assertThat(whole.path("done").asInt()).isEqualTo(whole.path("total").asInt());
    }

    @Test
    void other_work_is_not_stopped_with_it() throws Exception {
        owner.post(Caller.SHOP + "/changes", Map.of("asOf", "2026-08-01"));
        assertThat(owner.delete(Caller.SHOP + "/delivery-in-price").status()).isEqualTo(204);
        assertThat(owner.get(Caller.SHOP + "/changes").json().path("state").asString())
                .isIn("running", "done");
    }

    @Test
    void an_order_of_a_group_is_shown_under_both_setups() throws Exception {
        JsonNode view = compared(Map.of());
        JsonNode group = view.path("groups")
                .valueStream()
                .filter(each -> each.path("cause").path("path").asString().equals("goods/products/parafoil/price"))
                .findFirst()
                .orElseThrow();
        JsonNode page = owner.get(
                        Caller.SHOP + "/changes/orders?kind=differs&path=goods/products/parafoil/price&currency="
                                + group.path("currency").asString())
                .json();
        assertThat(page.path("orders")).hasSize(50);
        assertThat(page.path("more").asBoolean()).isTrue();
        JsonNode one = page.path("orders").path(0);
        JsonNode both = owner.get(
                        Caller.SHOP + "/changes/orders/" + one.path("name").asString())
                .json();
        JsonNode pay = both.path("rows").path(0);
        assertThat(pay.path("what").asString()).isEqualTo("to pay");
        assertThat(pay.path("before").asString()).isEqualTo(one.path("before").asString());
        assertThat(pay.path("after").asString()).isEqualTo(one.path("after").asString());
        String csv = owner.get(Caller.SHOP + "/changes.csv").text();
        assertThat(csv.lines().count())
                .isEqualTo(1
                        + view.path("groups")
                                .valueStream()
                                .mapToInt(each -> each.path("orders").asInt())
                                .sum());
    }

    @Test
    void what_cannot_be_compared_is_said() {
        Caller.Answer same = owner.post(Caller.SHOP + "/changes", Map.of("before", 1, "after", 1));
        assertThat(same.status()).isEqualTo(422);
        assertThat(same.sentence()).contains("Both sides are edition 1");
        Caller.Answer none = owner.post(Caller.SHOP + "/changes", Map.of("before", 99));
        assertThat(none.status()).isEqualTo(422);
        Caller.Answer back = owner.post(Caller.SHOP + "/changes", Map.of("from", "2026-02-01", "to", "2026-01-01"));
        assertThat(back.status()).isEqualTo(422);
        assertThat(back.sentence()).contains("ends before it begins");
        assertThat(owner.get(Caller.SHOP + "/changes/orders/999999999").status())
                .isEqualTo(404);
    }
}
