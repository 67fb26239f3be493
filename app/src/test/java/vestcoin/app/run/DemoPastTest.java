package vestcoin.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.standins.Simulation;

/** The demo's two years of earlier orders. */
class DemoPastTest {
    @Test
    void they_come_beside_in_the_order_of_time_each_with_its_papers_before_the_demos_own() throws Exception {
        Path data = Files.createTempDirectory("vest-coin-test");
        try (Simulation services = Simulation.start(0, data);
                ConfigurableApplicationContext context = ServeCommand.application(
                        RunningShop.freePort(), data, services.url(), RunningShop.FOR_TESTS.toArray(String[]::new))) {
            context.getBean(DemoShop.class).loadWithPastIfEmpty();
            JdbcClient sql = context.getBean(JdbcClient.class);
            assertThat(sql.sql("select min(number) from orders where client_key not like 'earlier-%'")
                            .query(Integer.class)
                            .single())
                    .isEqualTo(4001);
            Soon.holds(() -> assertThat(count(sql, "select count(*) from orders where number < 1151"))
                    .isEqualTo(150));
            Soon.holds(() -> assertThat(count(sql, """
                            select count(distinct p.order_id) from paper p join orders o on o.id = p.order_id
                            where o.number < 1151""")).isEqualTo(150));
            assertThat(count(sql, """
                            select count(*) from orders a join orders b on b.number = a.number + 1
                            where b.placed_at < a.placed_at""")).isZero();
            assertThat(count(sql, """
                            select count(*) from orders o where o.number < 1151 and o.payable <>
                                (select sum(gross) from paper p where p.order_id = o.id)""")).isZero();
            assertThat(count(sql, "select count(*) from letter")).isLessThan(20);
        }
    }

    private static int count(JdbcClient sql, String query) {
        return sql.sql(query).query(Integer.class).single();
    }
}
