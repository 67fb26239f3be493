package vestcoin.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.standins.pay.TestCard;

/** The file of the database grows with what is in it, while it runs. */
@Tag("alone")
class GrowthTest {
    private static final int ORDERS = Measured.sized(5000);
    private static final int BUYERS = 4;
    private static final long MOST_BYTES = 25_000;
    private static final int SETTLES_SECONDS = 20;
    /**
     * What the file may hold besides, however many orders: chunks that are written and not yet let go. Of 5,000 orders
     * it is nothing.
     */
    private static final long SLACK = Measured.sized(5000) < 5000 ? 4_000_000 : 0;

    private static long size(RunningShop.Running shop) throws IOException {
        return Files.size(shop.data().resolve("vest-coin.mv.db"));
    }

    @Test
    void five_thousand_orders_grow_the_file_by_at_most_25_kb_each_without_a_restart() throws Exception {
        try (RunningShop.Running shop = RunningShop.start("--vest-coin.pace.orders-by-client=1000000")) {
            buy(shop, 40);
            long before = size(shop);
            long begun = System.nanoTime();
            buy(shop, ORDERS);
            double seconds = (System.nanoTime() - begun) / 1e9;
            long most = before + ORDERS * MOST_BYTES + SLACK;
            for (int i = 0; i < SETTLES_SECONDS && size(shop) > most; i++) {
                Thread.sleep(1000);
            }
            long after = size(shop);
            long each = (after - before) / ORDERS;
            Measured.note(
                    ORDERS + " orders, paid by card",
                    each / 1000.0 + " kB of the file each, " + Math.round(ORDERS / seconds) + " orders a second",
                    "at most 25 kB");
            assertThat(after).isLessThanOrEqualTo(most);
        }
    }

    private static void buy(RunningShop.Running shop, int orders) throws InterruptedException {
        AtomicInteger left = new AtomicInteger(orders);
        AtomicInteger failed = new AtomicInteger();
        ExecutorService buyers = Executors.newFixedThreadPool(BUYERS);
        for (int i = 0; i < BUYERS; i++) {
            buyers.execute(() -> {
                Caller buyer = shop.anybody();
                while (left.getAndDecrement() > 0) {
                    try {
                        JsonNode placed = buyer.placeBook();
                        if (buyer.pay(placed, TestCard.APPROVED).status() != 200) {
                            failed.incrementAndGet();
                        }
                    } catch (RuntimeException e) {
                        failed.incrementAndGet();
                    }
                }
            });
        }
        buyers.shutdown();
        assertThat(buyers.awaitTermination(20, TimeUnit.MINUTES)).isTrue();
        assertThat(failed).hasValue(0);
    }
}
