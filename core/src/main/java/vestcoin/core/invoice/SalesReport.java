package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * What was sold, added up from papers paper by paper: days are the papers' days, and the sums are the papers' sums to
 * the minor unit, by currency. Amounts are without tax where nothing else is said.
 */
public final class SalesReport {
    /** What is added up together. */
    public enum Period {
        DAY,
        /** From Monday (ISO 8601). */
        WEEK,
        MONTH,
        QUARTER;

        /** The first day of the period a day is in. */
        public LocalDate first(LocalDate day) {
            return switch (this) {
                case DAY -> day;
                case WEEK -> day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
                case MONTH -> day.withDayOfMonth(1);
                case QUARTER -> day.with(IsoFields.DAY_OF_QUARTER, 1);
            };
        }
    }

    /**
     * A paper as it counts.
     *
     * @param order what names its order
     * @param back whether it is of what was given back
     * @param rounding in cash, part of it
     * @param method by which it was paid
     * @param way by which it was delivered, empty where nothing was
     * @param buyerNumber VAT number of the buyer
     */
    public record Entry(
            LocalDate day,
            String order,
            boolean back,
            Bill bill,
            BigDecimal rounding,
            String currency,
            String method,
            String way,
            Optional<String> buyerNumber) {}

    /**
     * One period in one currency.
     *
     * @param orders of which anything was invoiced or receipted
     * @param goods before discounts
     * @param tax of what was sold, before what was given back
     * @param vouchers sold, without the tax of those that are taxed when they are sold
     * @param refunds with tax, given back by credit notes and receipts
     * @param total what papers come to: goods − discounts + what stands on units + delivery + fees + tax + vouchers +
     *     rounding − refunds
     */
    public record Row(
            LocalDate from,
            String currency,
            int orders,
            BigDecimal goods,
            BigDecimal discounts,
            BigDecimal delivery,
            BigDecimal charges,
            BigDecimal tax,
            BigDecimal vouchers,
            BigDecimal rounding,
            BigDecimal refunds,
            BigDecimal total) {}

    /** Tax of one country and rate, less what was given back. @param country empty outside of tax */
    public record TaxRow(String currency, String country, Code code, BigDecimal rate, BigDecimal net, BigDecimal tax) {}

    /** By a way to pay or of delivery. @param total with tax, less what was given back */
    public record KeyRow(String currency, String key, int orders, BigDecimal total) {}

    /**
     * Sold to a business of another member state without tax, for the recapitulative statement. Source: Directive
     * 2006/112/EC, Articles 262 and 264.
     */
    public record BusinessRow(String currency, String number, Code code, BigDecimal net) {}

    private record Key(LocalDate from, String currency) {}

    private record TaxKey(String currency, String country, Code code, BigDecimal rate) {}

    private record NamedKey(String currency, String name) {}

    private record BusinessKey(String currency, String number, Code code) {}

    /** Sums under way. */
    private static final class Sums {
        private final Set<String> orders = new HashSet<>();
        private BigDecimal goods = BigDecimal.ZERO;
        private BigDecimal discounts = BigDecimal.ZERO;
        private BigDecimal delivery = BigDecimal.ZERO;
        private BigDecimal charges = BigDecimal.ZERO;
        private BigDecimal tax = BigDecimal.ZERO;
        private BigDecimal vouchers = BigDecimal.ZERO;
        private BigDecimal rounding = BigDecimal.ZERO;
        private BigDecimal refunds = BigDecimal.ZERO;
        private BigDecimal total = BigDecimal.ZERO;

        /** With the decimals of the currency, a zero too. */
        private BigDecimal written(BigDecimal sum) {
            return sum.setScale(Math.max(sum.scale(), total.scale()));
        }

        void add(Entry entry) {
            BigDecimal gross = entry.bill().gross().add(entry.rounding());
            if (entry.back()) {
                refunds = refunds.add(gross);
                total = total.subtract(gross);
                return;
            }
            orders.add(entry.order());
            total = total.add(gross);
            rounding = rounding.add(entry.rounding());
            tax = tax.add(entry.bill().tax());
            for (Bill.Item item : entry.bill().items()) {
                if (entry.bill().vouchers()) {
                    vouchers = vouchers.add(item.net());
                    continue;
                }
                switch (item.kind()) {
                    case GOODS -> {
                        goods = goods.add(item.net()).add(item.allowance());
                        discounts = discounts.add(item.allowance());
                    }
                    case VOUCHER -> vouchers = vouchers.add(item.net());
                    case DELIVERY -> delivery = delivery.add(item.net());
                    case PER_UNIT, FEE -> charges = charges.add(item.net());
                }
            }
        }
    }

    private final Period by;
    private final Map<Key, Sums> periods =
            new TreeMap<>(Comparator.comparing(Key::from).thenComparing(Key::currency));
    private final Map<TaxKey, BigDecimal[]> taxes = new TreeMap<>(Comparator.comparing(TaxKey::currency)
            .thenComparing(TaxKey::country)
            .thenComparing(TaxKey::rate, Comparator.reverseOrder())
            .thenComparing(TaxKey::code));
    private final Map<NamedKey, Sums> methods = named();
    private final Map<NamedKey, Sums> ways = named();
    private final Map<BusinessKey, BigDecimal> businesses = new TreeMap<>(Comparator.comparing(BusinessKey::currency)
            .thenComparing(BusinessKey::number)
            .thenComparing(BusinessKey::code));

    public SalesReport(Period by) {
        this.by = by;
    }

    private static Map<NamedKey, Sums> named() {
        return new TreeMap<>(Comparator.comparing(NamedKey::currency).thenComparing(NamedKey::name));
    }

    public void add(Entry entry) {
        Key key = new Key(by.first(entry.day()), entry.currency());
        periods.computeIfAbsent(key, k -> new Sums()).add(entry);
        methods.computeIfAbsent(new NamedKey(entry.currency(), entry.method()), k -> new Sums())
                .add(entry);
        ways.computeIfAbsent(new NamedKey(entry.currency(), entry.way()), k -> new Sums())
                .add(entry);
        for (Bill.Category category : entry.bill().categories()) {
            BigDecimal net = entry.back() ? category.net().negate() : category.net();
            BigDecimal tax = entry.back() ? category.tax().negate() : category.tax();
            String country = entry.bill().country().orElse("");
            BigDecimal[] sums = taxes.computeIfAbsent(
                    new TaxKey(
                            entry.currency(),
                            country,
                            category.code(),
                            category.rate().stripTrailingZeros()),
                    k -> new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO});
            sums[0] = sums[0].add(net);
            sums[1] = sums[1].add(tax);
            if (category.code() == Code.K || category.code() == Code.AE) {
                businesses.merge(
                        new BusinessKey(entry.currency(), entry.buyerNumber().orElse(""), category.code()),
                        net,
                        BigDecimal::add);
            }
        }
    }

    /** By period and currency, the earliest first. */
    public List<Row> rows() {
        List<Row> rows = new ArrayList<>();
        periods.forEach((key, sums) -> rows.add(new Row(
                key.from(),
                key.currency(),
                sums.orders.size(),
                sums.written(sums.goods),
                sums.written(sums.discounts),
                sums.written(sums.delivery),
                sums.written(sums.charges),
                sums.written(sums.tax),
                sums.written(sums.vouchers),
                sums.written(sums.rounding),
                sums.written(sums.refunds),
                sums.total)));
        return rows;
    }

    public List<TaxRow> taxes() {
        List<TaxRow> rows = new ArrayList<>();
        taxes.forEach((key, sums) ->
                rows.add(new TaxRow(key.currency(), key.country(), key.code(), key.rate(), sums[0], sums[1])));
        return rows;
    }

    public List<KeyRow> methods() {
        return keyed(methods);
    }

    public List<KeyRow> ways() {
        return keyed(ways);
    }

    public List<BusinessRow> businesses() {
        List<BusinessRow> rows = new ArrayList<>();
        businesses.forEach((key, net) -> rows.add(new BusinessRow(key.currency(), key.number(), key.code(), net)));
        return rows;
    }

    private static List<KeyRow> keyed(Map<NamedKey, Sums> by) {
        List<KeyRow> rows = new ArrayList<>();
        by.forEach((key, sums) -> rows.add(new KeyRow(key.currency(), key.name(), sums.orders.size(), sums.total)));
        return rows;
    }
}
