package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BiFunction;
import vestcoin.core.money.Exchange;

/**
 * The sheet of one of the Union's schemes for a quarter or a month, as help for filing it: for each state of
 * consumption, state of dispatch, kind of supply and rate the taxable amount and the tax, exact; corrections of earlier
 * sheets by state and the day they begin, tax only. Source: Directive 2006/112/EC, Articles 369g and 369h, 369s to
 * 369v; Regulation (EU) 282/2011, Article 60.
 */
public final class OneStopShop {
    private static final String EURO = "EUR";
    private static final int CENTS = 2;

    /** Corrections are taken for so long after the return was due. Source: Article 369g(4), from memory. */
    private static final int YEARS = 3;

    /** What is filed: each quarter what is sent and supplied within the Union, each month what is imported. */
    public enum Scheme {
        UNION(3),
        IMPORT(1);

        private final int months;

        Scheme(int months) {
            this.months = months;
        }

        /** The first day of what a day is filed with. */
        public LocalDate begin(LocalDate day) {
            LocalDate month = day.withDayOfMonth(1);
            return month.minusMonths((month.getMonthValue() - 1) % months);
        }

        /** The first day of what is filed next. @param begin first day of a sheet */
        public LocalDate next(LocalDate begin) {
            return begin.plusMonths(months);
        }

        /** The last day to file and pay: of the month after. @param begin first day of a sheet */
        public LocalDate due(LocalDate begin) {
            return next(begin).plusMonths(1).minusDays(1);
        }
    }

    /** What is supplied. */
    public enum Kind {
        GOODS,
        SERVICES
    }

    /**
     * A part of a paper that is taxed in another member state.
     *
     * @param state of consumption, ISO 3166-1
     * @param from state of dispatch; of services the seller's
     * @param rate in percent
     * @param net without tax, above zero on a credit note too
     */
    public record Supply(String state, String from, Kind kind, BigDecimal rate, BigDecimal net, BigDecimal tax) {}

    /**
     * A paper with what of it belongs on the sheet.
     *
     * @param day of the paper
     * @param credits day of the paper it gives back, for a credit note
     */
    public record Entry(LocalDate day, Optional<LocalDate> credits, String currency, List<Supply> supplies) {}

    /** A row of the sheet, in euro. */
    public record Row(String state, String from, Kind kind, BigDecimal rate, BigDecimal net, BigDecimal tax) {}

    /** @param begins first day of the sheet corrected @param tax in euro, below zero where less is owed */
    public record Correction(String state, LocalDate begins, BigDecimal tax) {}

    /**
     * @param begins its first day
     * @param due last day to file and pay, also of an empty one
     * @param tax of rows and corrections together, in euro
     * @param unconverted currencies whose rate of the day is not known; what is in them is in no row
     * @param tooLate credit notes of papers too old to be corrected
     */
    public record Sheet(
            LocalDate begins,
            LocalDate due,
            List<Row> rows,
            List<Correction> corrections,
            BigDecimal tax,
            Set<String> unconverted,
            int tooLate) {}

    private record RowKey(String state, String from, Kind kind, BigDecimal rate, String currency) {}

    private record CorrectionKey(String state, LocalDate begins, String currency) {}

    private final Scheme scheme;
    private final LocalDate begin;
    private static final Comparator<RowKey> BY_ROW = Comparator.comparing(RowKey::state)
            .thenComparing(RowKey::from)
            .thenComparing(RowKey::kind)
            .thenComparing(RowKey::rate, Comparator.reverseOrder());

    private final Map<RowKey, BigDecimal[]> rows = new TreeMap<>(BY_ROW.thenComparing(RowKey::currency));
    private final Map<CorrectionKey, BigDecimal> corrections = new TreeMap<>(Comparator.comparing(CorrectionKey::state)
            .thenComparing(CorrectionKey::begins)
            .thenComparing(CorrectionKey::currency));
    private int tooLate;

    /** @param day any day of what is filed together */
    public OneStopShop(Scheme scheme, LocalDate day) {
        this.scheme = scheme;
        this.begin = scheme.begin(day);
    }

    /** Adds a paper; one of another sheet adds nothing. */
    public void add(Entry entry) {
        if (!scheme.begin(entry.day()).equals(begin)) {
            return;
        }
        Optional<LocalDate> of = entry.credits().map(scheme::begin);
        if (of.filter(earlier -> !earlier.equals(begin)).isPresent()) {
            correct(entry, of.get());
            return;
        }
        for (Supply supply : entry.supplies()) {
            BigDecimal[] sums = rows.computeIfAbsent(
                    new RowKey(
                            supply.state(),
                            supply.from(),
                            supply.kind(),
                            supply.rate().stripTrailingZeros(),
                            entry.currency()),
                    key -> new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO});
            sums[0] = of.isPresent() ? sums[0].subtract(supply.net()) : sums[0].add(supply.net());
            sums[1] = of.isPresent() ? sums[1].subtract(supply.tax()) : sums[1].add(supply.tax());
        }
    }

    private void correct(Entry entry, LocalDate earlier) {
        if (scheme.due(earlier).plusYears(YEARS).isBefore(entry.day())) {
            tooLate++;
            return;
        }
        for (Supply supply : entry.supplies()) {
            corrections.merge(
                    new CorrectionKey(supply.state(), earlier, entry.currency()),
                    supply.tax().negate(),
                    BigDecimal::add);
        }
    }

    /**
     * The sheet: each currency's sum of a row is converted once, half up, to cents.
     *
     * @param rates by currency and first day of a sheet: the central bank's of its last day, or the next it publishes
     */
    public Sheet sheet(BiFunction<String, LocalDate, Optional<Exchange>> rates) {
        Set<String> unconverted = new TreeSet<>();
        Map<RowKey, Row> byRow = new TreeMap<>(BY_ROW);
        rows.forEach((key, sums) -> {
            Optional<BigDecimal> net = euro(sums[0], key.currency(), begin, rates);
            Optional<BigDecimal> tax = euro(sums[1], key.currency(), begin, rates);
            if (net.isEmpty() || tax.isEmpty()) {
                unconverted.add(key.currency());
                return;
            }
            byRow.merge(
                    key,
                    new Row(key.state(), key.from(), key.kind(), key.rate(), net.get(), tax.get()),
                    (one, other) -> new Row(
                            one.state(),
                            one.from(),
                            one.kind(),
                            one.rate(),
                            one.net().add(other.net()),
                            one.tax().add(other.tax())));
        });
        Map<CorrectionKey, Correction> byQuarter =
                new TreeMap<>(Comparator.comparing(CorrectionKey::state).thenComparing(CorrectionKey::begins));
        corrections.forEach((key, tax) -> {
            Optional<BigDecimal> euro = euro(tax, key.currency(), key.begins(), rates);
            if (euro.isEmpty()) {
                unconverted.add(key.currency());
                return;
            }
            byQuarter.merge(
                    key,
                    new Correction(key.state(), key.begins(), euro.get()),
                    (one, other) ->
                            new Correction(one.state(), one.begins(), one.tax().add(other.tax())));
        });
        List<Row> made = new ArrayList<>(byRow.values());
        List<Correction> corrected = new ArrayList<>(byQuarter.values());
        BigDecimal all = BigDecimal.ZERO.setScale(CENTS);
        for (Row row : made) {
            all = all.add(row.tax());
        }
        for (Correction correction : corrected) {
            all = all.add(correction.tax());
        }
        return new Sheet(begin, scheme.due(begin), made, corrected, all, unconverted, tooLate);
    }

    private static Optional<BigDecimal> euro(
            BigDecimal amount,
            String currency,
            LocalDate begin,
            BiFunction<String, LocalDate, Optional<Exchange>> rates) {
        if (currency.equals(EURO)) {
            return Optional.of(amount.setScale(CENTS, RoundingMode.HALF_UP));
        }
        return rates.apply(currency, begin).flatMap(known -> known.of(currency).flatMap(each -> known.of(EURO)
                .map(euro -> amount.multiply(euro).divide(each, CENTS, RoundingMode.HALF_UP))));
    }
}
