package vestcoin.core.compare;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.CompiledSetup;

/**
 * What a change of setup does to many orders, added up: every order has one cause, and the groups' sums are the orders'
 * differences to the minor unit. Totals are read first; only where they differ are both explanations made and walked.
 * Not for several threads: each has one of its own, and they are {@link #add(Changes) added}.
 */
public final class Changes {
    /** What became of an order. */
    public enum Kind {
        /** It costs, or leaves the seller, something else. */
        DIFFERS,
        /** It could be had and no longer can. */
        LOST,
        /** It could not be had and now can. */
        WON
    }

    /** The amounts of orders together. @param keep what is left for the seller */
    public record Amounts(BigDecimal payable, BigDecimal tax, BigDecimal delivery, BigDecimal keep) {
        static final Amounts ZERO = new Amounts(BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO, BigDecimal.ZERO);

        static Amounts of(Outcome outcome) {
            return new Amounts(outcome.payable(), outcome.tax(), outcome.delivery(), outcome.keep());
        }

        public Amounts plus(Amounts other) {
            return new Amounts(
                    payable.add(other.payable), tax.add(other.tax), delivery.add(other.delivery), keep.add(other.keep));
        }

        public Amounts minus(Amounts other) {
            return new Amounts(
                    payable.subtract(other.payable),
                    tax.subtract(other.tax),
                    delivery.subtract(other.delivery),
                    keep.subtract(other.keep));
        }

        boolean none() {
            return payable.signum() == 0 && tax.signum() == 0 && delivery.signum() == 0 && keep.signum() == 0;
        }
    }

    /**
     * All orders of a currency that can be had under both setups.
     *
     * @param asked how many orders of it were asked for, to be had or not
     * @param compared how many can be had under both
     * @param changed how many of these differ
     * @param by after less before
     */
    public record Sums(
            String currency, int asked, int compared, int changed, Amounts before, Amounts after, Amounts by) {
        private Sums plus(Sums other) {
            return new Sums(
                    currency,
                    asked + other.asked,
                    compared + other.compared,
                    changed + other.changed,
                    before.plus(other.before),
                    after.plus(other.after),
                    by.plus(other.by));
        }
    }

    /**
     * Orders of a currency that differ for the same cause.
     *
     * @param cause of those that differ; of the others the reason stands in its label
     * @param by after less before; of lost ones what they came to, below zero; of those won what they come to
     * @param least the smallest change of what a buyer pays among them, and the largest
     */
    public record Group(
            String currency, Kind kind, Cause cause, int orders, Amounts by, BigDecimal least, BigDecimal most) {
        private Group plus(Group other) {
            return new Group(
                    currency,
                    kind,
                    cause,
                    orders + other.orders,
                    by.plus(other.by),
                    least.min(other.least),
                    most.max(other.most));
        }
    }

    /**
     * One order that changes.
     *
     * @param name of the order
     * @param others how many typed figures differ besides its cause
     */
    public record Changed(
            String name, String currency, Kind kind, Cause cause, int others, BigDecimal before, BigDecimal after) {}

    private record Key(String currency, Kind kind, String path) {}

    private final CompiledSetup before;
    private final CompiledSetup after;
    private final PathNames names;
    private final boolean same;
    private final Map<String, Sums> sums = new LinkedHashMap<>();
    private final Map<Key, Group> groups = new LinkedHashMap<>();
    private final List<Changed> changed = new ArrayList<>();

    private Changes(CompiledSetup before, CompiledSetup after, PathNames names) {
        this.before = before;
        this.after = after;
        this.names = names;
        this.same = before == after;
    }

    /** Nothing compared yet. */
    public static Changes between(CompiledSetup before, CompiledSetup after) {
        return new Changes(before, after, new PathNames(before.setup(), after.setup()));
    }

    /** Nothing compared yet, between the same setups: for another thread. */
    public Changes fresh() {
        return new Changes(before, after, names);
    }

    /** Prices an order under both setups. What is taken, left and used up has to be left out of it by the caller. */
    public void add(String name, Order order) {
        Outcome was = Outcome.of(before, order);
        Outcome is = same ? was : Outcome.of(after, order);
        String currency = order.currency().orElse(after.currency().getCode());
        boolean both = was.had() && is.had();
        Amounts by = Amounts.of(is).minus(Amounts.of(was));
        boolean differs = both && !(by.none() && was.way().equals(is.way()));
        put(new Sums(
                currency,
                1,
                both ? 1 : 0,
                differs ? 1 : 0,
                both ? Amounts.of(was) : Amounts.ZERO,
                both ? Amounts.of(is) : Amounts.ZERO,
                both ? by : Amounts.ZERO));
        if (differs) {
            Causes.Found found = Causes.of(names, Pricing.price(before, order), Pricing.price(after, order));
            put(name, currency, Kind.DIFFERS, found.cause(), found.others(), was, is, by);
        } else if (was.had() != is.had()) {
            Message reason = was.hole().or(is::hole).orElseThrow();
            Cause why = new Cause(reason.code(), List.of(), reason);
            Kind kind = was.had() ? Kind.LOST : Kind.WON;
            Amounts sum = kind == Kind.LOST ? Amounts.ZERO.minus(Amounts.of(was)) : Amounts.of(is);
            put(name, currency, kind, why, 0, was, is, sum);
        }
    }

    private void put(
            String name, String currency, Kind kind, Cause cause, int others, Outcome was, Outcome is, Amounts by) {
        changed.add(new Changed(name, currency, kind, cause, others, was.payable(), is.payable()));
        put(new Group(currency, kind, cause, 1, by, by.payable(), by.payable()));
    }

    private void put(Sums one) {
        sums.merge(one.currency(), one, Sums::plus);
    }

    private void put(Group one) {
        groups.merge(new Key(one.currency(), one.kind(), one.cause().path()), one, Group::plus);
    }

    /** Takes in what was compared elsewhere between the same setups. */
    public void add(Changes other) {
        other.sums.values().forEach(this::put);
        other.groups.values().forEach(this::put);
        changed.addAll(other.changed);
    }

    /** By currency, in the order they were met. */
    public List<Sums> sums() {
        return List.copyOf(sums.values());
    }

    /** Those with most orders first. */
    public List<Group> groups() {
        return groups.values().stream()
                .sorted(Comparator.comparing(Group::orders).reversed())
                .toList();
    }

    /** Every order that changes, in the order they were added. */
    public List<Changed> changed() {
        return List.copyOf(changed);
    }

    /** How many orders changed by how much: from and up to, without its upper end but for the last. */
    public record Bin(BigDecimal from, BigDecimal to, int orders) {}

    /**
     * How the differences of what buyers of a currency pay spread, in bins of a round width.
     *
     * @param most bins at most, above one
     */
    public List<Bin> spread(String currency, int most) {
        List<BigDecimal> by = changed.stream()
                .filter(each -> each.kind() == Kind.DIFFERS && each.currency().equals(currency))
                .map(each -> each.after().subtract(each.before()))
                .sorted()
                .toList();
        if (by.isEmpty()) {
            return List.of();
        }
        BigDecimal width = width(by.get(by.size() - 1).subtract(by.get(0)), most);
        BigDecimal from = by.get(0).divide(width, 0, RoundingMode.FLOOR).multiply(width);
        List<Bin> bins = new ArrayList<>();
        int at = 0;
        while (at < by.size()) {
            BigDecimal to = from.add(width);
            int first = at;
            while (at < by.size() && by.get(at).compareTo(to) < 0) {
                at++;
            }
            bins.add(new Bin(from, to, at - first));
            from = to;
        }
        return bins;
    }

    /** The smallest of 1, 2 and 5 times a power of ten, from a hundredth on, that needs no more bins than that. */
    private static BigDecimal width(BigDecimal range, int most) {
        BigDecimal power = new BigDecimal("0.01");
        while (true) {
            for (int times : new int[] {1, 2, 5}) {
                BigDecimal width = power.multiply(BigDecimal.valueOf(times));
                if (width.multiply(BigDecimal.valueOf(most - 1L)).compareTo(range) >= 0) {
                    return width;
                }
            }
            power = power.multiply(BigDecimal.TEN);
        }
    }

    /** How many orders were asked for. */
    public int asked() {
        return sums.values().stream().mapToInt(Sums::asked).sum();
    }

    /** Of the orders that change those of one cause. @param path of the cause @param currency of the orders */
    public List<Changed> changed(Kind kind, String path, String currency) {
        return changed.stream()
                .filter(each -> each.kind() == kind
                        && each.cause().path().equals(path)
                        && each.currency().equals(currency))
                .toList();
    }
}
