package vestcoin.app.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Year;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.payment.Outbox;
import vestcoin.app.run.DemoShop;

/** Sums of sales across borders: of each paper once, whenever it was issued. */
@ExtendWith(RunningShop.class)
class UnionSalesTest {
    private final RunningShop.Running shop;

    UnionSalesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private List<UnionSales.DaySum> days() {
        return shop.context()
                .getBean(UnionSales.class)
                .days(DemoShop.SHOP, "test", Year.now(ZoneId.of("Europe/Dublin")));
    }

    @Test
    void what_was_issued_before_sums_were_kept_is_summed_up_once() throws Exception {
        // The demo's order to Berlin, and what was given back of it.
        Soon.holds(() -> {
            assertThat(days()).isNotEmpty();
            assertThat(shop.context().getBean(Outbox.class).due(Outbox.Kind.PAPER))
                    .as("no paper is still owed")
                    .isEmpty();
        });
        List<UnionSales.DaySum> before = days();
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("delete from union_sale where shop = :shop")
                .param("shop", DemoShop.SHOP)
                .update();
        sql.sql("insert into union_sale_backlog(shop, mode, paper, last) select shop, mode, 0, max(id) from paper "
                        + "where shop = :shop and mode = 'test' group by shop, mode")
                .param("shop", DemoShop.SHOP)
                .update();
        shop.context().getBean(UnionSales.class).makeGood();
        assertThat(days()).isEqualTo(before);
        shop.context().getBean(UnionSales.class).makeGood();
        assertThat(days()).isEqualTo(before);
        assertThat(sql.sql("select count(*) from union_sale_backlog")
                        .query(Integer.class)
                        .single())
                .isZero();
    }
}
