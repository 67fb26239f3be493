package vestcoin.app.rehearsal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import vestcoin.app.order.PastOrders;

/** The orders of a shop taken in a span. */
final class PastOrderSource implements ChangesTask.Source {
    private static final int PAGE = 200;

    private final PastOrders orders;
    private final PastOrders.PastSpan span;
    private final Optional<Instant> asOf;
    private int next;

    PastOrderSource(PastOrders orders, String shop, Instant from, Instant to, Optional<Instant> asOf) {
        this.orders = orders;
        this.span = orders.span(shop, from, to);
        this.asOf = asOf;
        this.next = span.first() == null ? 0 : span.first();
    }

    @Override
    public int total() {
        return span.orders();
    }

    @Override
    public List<ChangesTask.NamedOrder> next() {
        List<PastOrders.PastOrder> page = List.of();
        while (page.isEmpty() && span.last() != null && next <= span.last()) {
            page = orders.numbered(span, next, next + PAGE);
            next += PAGE;
        }
        return page.stream()
                .map(each -> new ChangesTask.NamedOrder(
                        String.valueOf(each.number()), () -> OrdersAgain.of(each.document(), asOf)))
                .toList();
    }
}
