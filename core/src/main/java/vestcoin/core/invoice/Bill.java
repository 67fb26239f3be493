package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.WithoutTax;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.tax.TaxLiability;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * What is invoiced together: all of an order that bears one country's tax, or all that is outside of tax, or the
 * vouchers sold with it, which are receipted and not invoiced. Amounts are in the order's currency. Its items add up to
 * its categories, they to its totals, to the minor unit.
 *
 * @param country whose tax it states, ISO 3166-1; nothing for what is outside of tax
 * @param vouchers whether it is of vouchers sold: no supply before they are used (Directive 2006/112/EC, Article 30b)
 * @param oneRate whether each item bears one rate, as EN 16931 wants; not where several levies stand on one item
 * @param categories one for each code and rate, larger rates first
 * @param net without tax
 * @param gross net + tax
 */
public record Bill(
        Optional<String> country,
        boolean vouchers,
        boolean oneRate,
        List<Item> items,
        List<Category> categories,
        BigDecimal net,
        BigDecimal tax,
        BigDecimal gross) {
    // Places among the bills, which are in reverse order: what is outside of tax after countries, vouchers last.
    private static final String OUTSIDE = " ";
    private static final String VOUCHERS = "";

    /** What an item is. */
    public enum Kind {
        GOODS,
        /** Sold, for somebody to use. */
        VOUCHER,
        PER_UNIT,
        DELIVERY,
        FEE
    }

    /**
     * A row of a bill.
     *
     * @param key names it within the order, the same for ever
     * @param line index of the order's line, for goods and what stands on top of them
     * @param allowance what discounts took off it, without tax, not negative
     * @param net without tax, after the allowance; negative for a fee that is a reduction
     * @param answers what the buyer was asked about it and answered
     */
    public record Item(
            String key,
            Kind kind,
            Optional<Integer> line,
            Message name,
            BigDecimal quantity,
            BigDecimal allowance,
            BigDecimal net,
            BigDecimal tax,
            Code code,
            BigDecimal rate,
            List<Message> answers) {
        public Item {
            answers = answers == null ? List.of() : List.copyOf(answers);
        }

        public BigDecimal gross() {
            return net.add(tax);
        }
    }

    private static final Message NO_REASON = Message.name("");

    /** All items of one category of EN 16931 and one rate. @param reason why there is no tax, where there is none */
    public record Category(Code code, BigDecimal rate, Message reason, BigDecimal net, BigDecimal tax) {}

    public Bill {
        items = List.copyOf(items);
        categories = List.copyOf(categories);
    }

    /**
     * The bills of an order, by country, then what is outside of tax, then vouchers sold. Source: EN 16931 BR-O-02 and
     * BR-O-11 to 14 for the split.
     *
     * @param home country of the seller, for what bears no tax for a reason: exports, reverse charge, exemptions
     */
    public static List<Bill> of(Quote quote, String home) {
        Map<String, List<Item>> byCountry = new TreeMap<>(Collections.reverseOrder());
        Map<String, Map<Code, Message>> reasons = new TreeMap<>();
        Map<String, Boolean> plain = new TreeMap<>();
        for (int g = 0; g < quote.taxes().size(); g++) {
            TaxGroup group = quote.taxes().get(g);
            String country = country(group, home);
            for (TaxGroup.Part part : group.parts()) {
                item(quote, group, g, part).ifPresent(item -> {
                    String of = item.kind() == Kind.VOUCHER && item.code() == Code.O ? VOUCHERS : country;
                    byCountry.computeIfAbsent(of, k -> new ArrayList<>()).add(item);
                    reasons.computeIfAbsent(of, k -> new TreeMap<>())
                            .putIfAbsent(group.code(), group.treatment().sentence());
                    plain.merge(of, group.components().size() <= 1, Boolean::logicalAnd);
                });
            }
        }
        List<Bill> bills = new ArrayList<>();
        byCountry.forEach((country, items) -> bills.add(of(country, plain.get(country), items, reasons.get(country))));
        return bills;
    }

    private static String country(TaxGroup group, String home) {
        return switch (group.code()) {
            case O -> OUTSIDE;
            case S, Z -> group.treatment().place().map(place -> place.country()).orElse(home);
            case E, AE, K, G -> home;
        };
    }

    private static Optional<Item> item(Quote quote, TaxGroup group, int index, TaxGroup.Part part) {
        BigDecimal tax = part.tax().value();
        BigDecimal net = quote.prices() == Tax.Prices.WITH_TAX
                ? part.amount().value().subtract(tax)
                : part.amount().value();
        boolean line = part.key().startsWith("lines/");
        if (net.signum() == 0 && tax.signum() == 0 && !line) {
            return Optional.empty();
        }
        String[] path = part.key().split("/");
        Optional<PricedLine> priced =
                line ? Optional.of(quote.lines().get(Integer.parseInt(path[1]))) : Optional.empty();
        boolean voucher = priced.filter(sold -> sold.product().kind() == Product.Kind.VOUCHER)
                .isPresent();
        Kind kind = !line
                ? part.key().startsWith("delivery") ? Kind.DELIVERY : Kind.FEE
                : path.length > 2 ? Kind.PER_UNIT : voucher ? Kind.VOUCHER : Kind.GOODS;
        Message name =
                switch (kind) {
                    case GOODS, VOUCHER -> Message.name(named(priced.orElseThrow()));
                    case PER_UNIT ->
                        priced.orElseThrow().perUnit().stream()
                                .filter(levied -> levied.id().equals(path[3]))
                                .findFirst()
                                .map(PricedLine.Levied::name)
                                .map(Message::name)
                                .orElse(Message.name(path[3]));
                    case DELIVERY ->
                        quote.chosen()
                                .map(offer -> Message.name(offer.option().name()))
                                .orElse(Message.of("invoice.delivery"));
                    case FEE -> Message.of("invoice.payment");
                };
        BigDecimal allowance = kind == Kind.GOODS
                ? WithoutTax.allowance(
                        priced.orElseThrow()
                                .amount()
                                .value()
                                .subtract(part.amount().value()),
                        part.amount().value(),
                        net,
                        quote.prices() == Tax.Prices.WITH_TAX ? group.rate() : BigDecimal.ZERO,
                        CurrencyUnit.of(quote.currency()).getDecimalPlaces())
                : BigDecimal.ZERO;
        return Optional.of(new Item(
                part.key() + " " + index,
                kind,
                priced.map(PricedLine::index),
                name,
                kind == Kind.GOODS || kind == Kind.VOUCHER
                        ? priced.orElseThrow().line().quantity()
                        : BigDecimal.ONE,
                allowance,
                net,
                tax,
                group.code(),
                group.rate(),
                kind == Kind.GOODS || kind == Kind.VOUCHER
                        ? priced.orElseThrow().answered()
                        : List.of()));
    }

    private static String named(PricedLine line) {
        return line.chosen().isEmpty()
                ? line.product().name()
                : line.product().name() + ", " + String.join(", ", line.chosen());
    }

    private static Bill of(String country, boolean oneRate, List<Item> items, Map<Code, Message> reasons) {
        Map<String, Category> categories = new LinkedHashMap<>();
        for (Item item : items) {
            categories.merge(
                    item.code() + " " + item.rate().stripTrailingZeros().toPlainString(),
                    new Category(
                            item.code(),
                            item.rate(),
                            item.code() == Code.S ? NO_REASON : reasons.getOrDefault(item.code(), NO_REASON),
                            item.net(),
                            item.tax()),
                    (one, other) -> new Category(
                            one.code(),
                            one.rate(),
                            one.reason(),
                            one.net().add(other.net()),
                            one.tax().add(other.tax())));
        }
        BigDecimal net = sum(items.stream().map(Item::net).collect(Collectors.toList()));
        BigDecimal tax = sum(items.stream().map(Item::tax).collect(Collectors.toList()));
        return new Bill(
                Optional.of(country).filter(named -> !named.isBlank()),
                country.equals(VOUCHERS),
                oneRate,
                items,
                List.copyOf(categories.values()),
                net,
                tax,
                net.add(tax));
    }

    private static BigDecimal sum(List<BigDecimal> amounts) {
        return amounts.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** A bill of some of these items, with other amounts: what a credit states. */
    Bill with(List<Item> others) {
        Map<Code, Message> reasons = categories.stream()
                .collect(Collectors.toMap(Category::code, Category::reason, (one, other) -> one, TreeMap::new));
        return of(country.orElse(vouchers ? VOUCHERS : OUTSIDE), oneRate, others, reasons);
    }

    /**
     * Whether the seller's own business with a buyer in another member state is in it, which is invoiced when the goods
     * leave.
     */
    public boolean intraCommunity() {
        return items.stream().anyMatch(item -> item.code() == TaxLiability.Code.K);
    }
}
