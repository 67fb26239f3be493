package vestcoin.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Edits;
import vestcoin.app.setup.LongerList;

/**
 * A shop with 5,000 goods, at 1,000 orders and at a hundred times as many. An order is placed before each reading, so
 * that nothing is answered from what the database kept of the last one; the file is on disk.
 */
@Tag("alone")
class LargeShopOrdersTest {
    private static final int FEW = 1_000;
    private static final int MANY = Measured.sized(100_000);
    private static final int GOODS = Measured.sized(5_000);
    private static final int AT_A_TIME = 1_000;
    private static final int READINGS = 15;
    /** What a busy machine adds to a reading of a few milliseconds. */
    private static final double NOISE_MILLIS = 10;

    private static RunningShop.Running shop;
    private static Caller owner;

    @BeforeAll
    static void start() throws Exception {
        shop = RunningShop.start("--vest-coin.pace.orders-by-client=1000000");
        owner = shop.owner();
        LongerList.goods(shop, GOODS);
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    /**
     * So many copies of the demo's first order after the last one, one in a thousand of them disputed. A few at a time,
     * as a shop comes to have so many.
     */
    private static void copies(int count) {
        for (int left = count; left > 0; left -= AT_A_TIME) {
            copy(Math.min(left, AT_A_TIME));
        }
    }

    private static void copy(int count) {
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        int last = sql.sql("select max(number) from orders where shop = :shop")
                .param("shop", DemoShop.SHOP)
                .query(Integer.class)
                .single();
        sql.sql("""
                insert into orders(shop, number, token, client_key, edition, mode, document, currency,
                    payable, due, method, email, name, country, address, placed_at, buyer, standing)
                select shop, x, random_uuid(), 'copy-' || x, edition, mode, '{}', currency, payable,
                    due, method, 'b' || x || '@buyers.example', 'Buyer ' || x, country, address, placed_at,
                       'b' || x || '@buyers.example', case when mod(x, 1000) = 0 then 'disputed' else 'paid' end
                from orders, system_range(:from, :to) where shop = :shop and number = 1001""")
                .param("from", last + 1)
                .param("to", last + count)
                .param("shop", DemoShop.SHOP)
                .update();
    }

    private static double median(Runnable reading) {
        List<Long> times = new ArrayList<>();
        Caller buyer = shop.anybody();
        for (int i = 0; i < READINGS; i++) {
            buyer.placeBook();
            long begun = System.nanoTime();
            reading.run();
            times.add(System.nanoTime() - begun);
        }
        Collections.sort(times);
        return times.get(READINGS / 2) / 1e6;
    }

    private static Map<String, Double> read() {
        Map<String, Double> medians = new LinkedHashMap<>();
        Map.of(
                        "the list", "/orders",
                        "the disputed ones", "/orders?standing=disputed",
                        "a search that finds one", "/orders?words=b1500@",
                        "one order", "/orders/1001")
                .forEach((what, query) -> medians.put(what, median(() -> assertThat(
                                owner.get(Caller.SHOP + query).status())
                        .isEqualTo(200))));
        Caller buyer = shop.anybody();
        medians.put("the counter's quote", median(() -> assertThat(
                        buyer.post(Caller.COUNTER + "/quote", Caller.quoting(Caller.book()))
                                .status())
                .isEqualTo(200)));
        return medians;
    }

    @Test
    void with_a_hundred_times_the_orders_nothing_takes_more_than_twice_as_long() {
        copies(FEW);
        read();
        Map<String, Double> few = read();
        copies(MANY - FEW);
        // As before the few: what the copies left behind is not what is measured.
        read();
        Map<String, Double> many = read();
        few.forEach((what, before) -> {
            Measured.note(
                    what + " with " + MANY + " orders and " + GOODS + " goods, an order placed in between",
                    "%.1f ms; with %d orders %.1f ms".formatted(many.get(what), FEW, before),
                    "at most twice as long");
            assertThat(many.get(what)).as(what).isLessThan(2 * before + NOISE_MILLIS);
        });
    }

    @Test
    void the_first_ticket_after_a_kept_cell() {
        String path = "goods/products/more-" + (GOODS - 1) + "/name";
        Map<String, Object> order = Map.of(
                "edits",
                List.of(),
                "order",
                Map.of(
                        "lines",
                        List.of(Map.of("product", "box-kite", "quantity", "1")),
                        "to",
                        Map.of("country", "IE")));
        List<Long> first = new ArrayList<>();
        List<Long> again = new ArrayList<>();
        for (int i = 0; i < READINGS; i++) {
            Object was = Edits.at(owner.get(Caller.SHOP + "/draft").json().path("document"), path)
                    .orElseThrow();
            assertThat(owner.post(
                                    Caller.SHOP + "/draft/edits",
                                    Map.of(
                                            "edits",
                                            List.of(Map.of("path", path, "was", was, "now", "Kite of turn " + i))))
                            .status())
                    .isEqualTo(200);
            first.add(ticket(order));
            again.add(ticket(order));
        }
        Collections.sort(first);
        Collections.sort(again);
        Measured.note(
                "the first ticket after a kept cell, " + GOODS + " goods",
                "%.1f ms, a repeated one %.1f ms"
                        .formatted(first.get(READINGS / 2) / 1e6, again.get(READINGS / 2) / 1e6),
                "at most three times as long");
        assertThat(first.get(READINGS / 2) / 1e6).isLessThan(3 * again.get(READINGS / 2) / 1e6 + NOISE_MILLIS);
    }

    private static long ticket(Map<String, Object> order) {
        long begun = System.nanoTime();
        Caller.Answer answer = owner.post(Caller.SHOP + "/ticket", order);
        assertThat(answer.status()).isEqualTo(200);
        return System.nanoTime() - begun;
    }
}
