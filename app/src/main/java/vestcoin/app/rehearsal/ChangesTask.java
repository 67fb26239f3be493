package vestcoin.app.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.function.Function;
import java.util.function.Supplier;
import vestcoin.app.setup.StationChanges;
import vestcoin.core.compare.Changes;
import vestcoin.core.quote.Order;

/** What a change does to many orders, page by page. */
final class ChangesTask implements BackgroundWork.Task {
    /** Orders in pages, read when they are wanted. */
    interface Source {
        int total();

        /** The next ones with their names; empty when there are no more. */
        List<NamedOrder> next();
    }

    /** @param order made when it is priced, on that thread */
    record NamedOrder(String name, Supplier<Order> order) {}

    private static final int SLICE = 25;

    private final Source source;
    private final Changes sum;
    private ForkJoinTask<List<NamedOrder>> ahead;
    private final List<StationChanges.StationChange> stations;
    private final boolean same;

    /** @param stations what differs in the setups @param same whether nothing differs, so that nothing is asked */
    ChangesTask(Source source, Changes none, List<StationChanges.StationChange> stations, boolean same) {
        this.source = source;
        this.stations = stations;
        this.same = same;
        this.sum = none;
    }

    @Override
    public boolean step(ForkJoinPool pool) {
        List<NamedOrder> page = ahead == null ? source.next() : ahead.join();
        if (page.isEmpty()) {
            return false;
        }
        // The next page is read while this one is priced.
        ahead = pool.submit(source::next);
        List<List<NamedOrder>> slices = new ArrayList<>();
        for (int from = 0; from < page.size(); from += SLICE) {
            slices.add(page.subList(from, Math.min(page.size(), from + SLICE)));
        }
        List<Changes> parts = pool.submit(
                        () -> slices.parallelStream().map(this::compared).toList())
                .join();
        synchronized (sum) {
            parts.forEach(sum::add);
        }
        return true;
    }

    private Changes compared(List<NamedOrder> slice) {
        Changes part = sum.fresh();
        slice.forEach(each -> part.add(each.name(), each.order().get()));
        return part;
    }

    List<StationChanges.StationChange> stations() {
        return stations;
    }

    boolean same() {
        return same;
    }

    int total() {
        return source.total();
    }

    /** Reads what it has come to so far. */
    <T> T read(Function<Changes, T> reading) {
        synchronized (sum) {
            return reading.apply(sum);
        }
    }

    /** Orders that are there already. */
    static Source of(Map<String, Order> orders) {
        return new Source() {
            private List<NamedOrder> left = orders.entrySet().stream()
                    .map(each -> new NamedOrder(each.getKey(), each::getValue))
                    .toList();

            @Override
            public int total() {
                return orders.size();
            }

            @Override
            public List<NamedOrder> next() {
                List<NamedOrder> page = left;
                left = List.of();
                return page;
            }
        };
    }
}
