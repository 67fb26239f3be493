package vestcoin.app.orderdesk;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import vestcoin.app.download.Downloads;
import vestcoin.app.subscription.Subscriptions;

/** What goes on after an order: what is charged again, and files that are fetched. */
@Service
class OngoingSupply {
    /** A file handed over. @param used how often it was fetched, of {@code most} @param from when first */
    record FileOf(String name, int used, int most, Instant from, Instant until) {}

    private final Subscriptions subscriptions;
    private final Downloads downloads;

    OngoingSupply(Subscriptions subscriptions, Downloads downloads) {
        this.subscriptions = subscriptions;
        this.downloads = downloads;
    }

    /** Ids of the subscriptions an order began, or of the one it is a charge of. */
    List<Long> subscriptions(long order) {
        return subscriptions.ofOrder(order).stream()
                .map(Subscriptions.Subscription::id)
                .toList();
    }

    List<FileOf> files(long order) {
        return downloads.ofOrder(order).stream()
                .map(each -> new FileOf(each.name(), each.used(), each.most(), each.fromAt(), each.until()))
                .toList();
    }
}
