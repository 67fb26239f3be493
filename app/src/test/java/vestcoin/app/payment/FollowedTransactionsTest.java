package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** What follows a change does so with its connection given back, in its order, whatever fails. */
@ExtendWith(RunningShop.class)
class FollowedTransactionsTest {
    private final RunningShop.Running shop;

    FollowedTransactionsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @Test
    void a_payment_is_taken_while_all_connections_but_one_are_in_use() throws Exception {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        JsonNode placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                .json();
        String order = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        Caller owner = shop.owner();
        long payment =
                owner.get(order).json().path("payments").path(0).path("id").asLong();
        DataSource source = shop.context().getBean(DataSource.class);
        int all = source.unwrap(HikariDataSource.class).getMaximumPoolSize();
        Deque<Connection> others = new ArrayDeque<>();
        try {
            while (others.size() < all - 1) {
                others.add(source.getConnection());
            }
            Instant begun = Instant.now();
            assertThat(owner.post(
                                    order + "/capture",
                                    Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"))
                            .status())
                    .isEqualTo(200);
            assertThat(Duration.between(begun, Instant.now())).isLessThan(Duration.ofSeconds(10));
        } finally {
            for (Connection other : others) {
                other.close();
            }
        }
    }

    @Test
    void work_waits_for_the_outermost_transaction_and_one_that_fails_holds_up_no_other() {
        FollowedTransactions transactions = shop.context().getBean(FollowedTransactions.class);
        TransactionTemplate transaction = new TransactionTemplate(transactions);
        TransactionTemplate apart = new TransactionTemplate(transactions);
        apart.setPropagationBehavior(TransactionTemplate.PROPAGATION_REQUIRES_NEW);
        List<String> done = new ArrayList<>();
        transaction.executeWithoutResult(status -> {
            apart.executeWithoutResult(inner -> transactions.afterwards(() -> {
                done.add("first");
                transaction.executeWithoutResult(next -> transactions.afterwards(() -> done.add("of the first")));
                throw new IllegalStateException("planted");
            }));
            transactions.afterwards(() -> done.add("second"));
            done.add("outermost");
        });
        transactions.afterwards(() -> done.add("at once"));
        assertThat(done).containsExactly("outermost", "first", "second", "of the first", "at once");
    }

    @Test
    void several_changes_are_followed_once_the_last_is_over_even_where_it_fails() {
        FollowedTransactions transactions = shop.context().getBean(FollowedTransactions.class);
        TransactionTemplate transaction = new TransactionTemplate(transactions);
        List<String> done = new ArrayList<>();
        assertThatThrownBy(() -> transactions.together(() -> {
                    transaction.executeWithoutResult(status -> transactions.afterwards(() -> done.add("follows")));
                    done.add("first");
                    throw new IllegalStateException("planted");
                }))
                .hasMessage("planted");
        assertThat(done).containsExactly("first", "follows");
    }
}
