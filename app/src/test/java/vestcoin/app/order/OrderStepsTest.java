package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.core.life.NextStep;
import vestcoin.core.life.NextStep.OrderState;
import vestcoin.core.life.NextStep.Sent;
import vestcoin.core.life.PaymentStanding;

/** The list by what is to be done next, against the rule in core, for every state an order can be in. */
class OrderStepsTest {
    private static final Map<Sent, String> SENT =
            Map.of(Sent.NO, "no", Sent.IN_PART, "in part", Sent.ALL, "all", Sent.NOTHING, "nothing");
    private static final String AFTERWARDS = "cash";

    private static final Map<NextStep, List<Integer>> EXPECTED = new EnumMap<>(NextStep.class);
    private static RunningShop.Running shop;

    @BeforeAll
    static void each_state_once() throws Exception {
        shop = RunningShop.inMemory();
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        int number = 5_000;
        for (PaymentStanding standing : PaymentStanding.values()) {
            for (Sent sent : Sent.values()) {
                for (int flags = 0; flags < 16; flags++) {
                    OrderState state = new OrderState(
                            standing, sent, (flags & 1) > 0, (flags & 8) > 0, (flags & 2) > 0, (flags & 4) > 0);
                    place(sql, ++number, state);
                    EXPECTED.computeIfAbsent(NextStep.of(state), step -> new ArrayList<>())
                            .add(number);
                }
            }
        }
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    /** A copy of the demo's first order in another state. */
    private static void place(JdbcClient sql, int number, OrderState state) {
        sql.sql("""
                insert into orders(shop, number, token, client_key, edition, mode, document, currency, payable,
                    due, method, email, name, country, address, placed_at, buyer, standing, sent, cancelled_at)
                select shop, :number, random_uuid(), 'step-' || :number, edition, mode, '{}', currency, payable,
                    due, :method, 'b@buyers.example', 'Buyer', country, address, placed_at, 'b@buyers.example',
                    :standing, :sent, case when :cancelled then placed_at end
                from orders where shop = :shop and number = 1001""")
                .param("number", number)
                .param("method", state.paidAfterwards() ? AFTERWARDS : "transfer")
                .param("standing", state.standing().text())
                .param("sent", SENT.get(state.sent()))
                .param("cancelled", state.cancelled())
                .param("shop", DemoShop.SHOP)
                .update();
        if (state.withdrawn()) {
            sql.sql("""
                    insert into withdrawal(order_id, kind, lines, at)
                    select id, 'withdrawal', '[]', placed_at from orders
                    where shop = :shop and number = :number
                    """).param("shop", DemoShop.SHOP).param("number", number).update();
        }
        if (state.booked()) {
            sql.sql("""
                    insert into slot_taken(shop, place, starts, ends, order_id)
                    select shop, 'workshop', placed_at, placed_at, id from orders
                    where shop = :shop and number = :number
                    """).param("shop", DemoShop.SHOP).param("number", number).update();
        }
    }

    @Test
    void every_order_is_in_the_list_of_its_next_step_and_in_no_other() {
        OrderList list = shop.context().getBean(OrderList.class);
        for (NextStep step : NextStep.values()) {
            if (step == NextStep.NOTHING) {
                continue;
            }
            List<Integer> numbers = list
                    .page(
                            DemoShop.SHOP,
                            new OrderList.OrderFilter(
                                    Optional.of(step),
                                    List.of(AFTERWARDS),
                                    Optional.empty(),
                                    Optional.empty(),
                                    Optional.empty(),
                                    OrderList.Kept.ALL),
                            Integer.MAX_VALUE,
                            1_000)
                    .stream()
                    .map(OrderList.Row::number)
                    .filter(number -> number > 5_000)
                    .toList();
            assertThat(numbers)
                    .as(step.text())
                    .containsExactlyInAnyOrderElementsOf(EXPECTED.getOrDefault(step, List.of()));
        }
        assertThat(EXPECTED.keySet())
                .contains(NextStep.SEND, NextStep.MAKE_READY, NextStep.AWAIT_MONEY, NextStep.WITHDRAWN);
    }

    @Test
    void the_first_page_counts_each_step() {
        JsonNode page = shop.owner().get(Caller.SHOP + "/orders?steps=true").json();
        assertThat(page.path("steps").path("look-at").asInt())
                .as("counted as far as anybody acts on")
                .isEqualTo(OrderList.STEPS_COUNTED + 1);
        JsonNode ready =
                shop.owner().get(Caller.SHOP + "/orders?step=make-ready").json();
        assertThat(EXPECTED.get(NextStep.MAKE_READY)).hasSizeLessThan(OrderList.STEPS_COUNTED);
        assertThat(ready.path("count").asInt())
                .isEqualTo(page.path("steps").path("make-ready").asInt())
                .isGreaterThanOrEqualTo(EXPECTED.get(NextStep.MAKE_READY).size());
    }
}
