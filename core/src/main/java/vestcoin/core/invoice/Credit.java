package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import vestcoin.core.money.Sharing;

/**
 * What a refund credits of the bills of an order. The tax given back of an item is round half up(item's tax × given
 * back so far ÷ item) less what was given back before, so that the last refund leaves nothing.
 */
public final class Credit {
    private Credit() {}

    /** What was given back of items before, by key: with tax, and the tax in it. */
    public record CreditedShare(BigDecimal gross, BigDecimal tax) {
        static final CreditedShare NOTHING = new CreditedShare(BigDecimal.ZERO, BigDecimal.ZERO);

        /** Both together. */
        public CreditedShare and(CreditedShare more) {
            return new CreditedShare(gross.add(more.gross), tax.add(more.tax));
        }
    }

    /** What of a whole can still be given back. */
    public static BigDecimal left(List<Bill> bills, Map<String, CreditedShare> before) {
        return leftOf(bills.stream().flatMap(bill -> bill.items().stream()).toList(), before);
    }

    private static BigDecimal leftOf(List<Bill.Item> items, Map<String, CreditedShare> before) {
        return items.stream().map(item -> left(item, before)).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    static BigDecimal left(Bill.Item item, Map<String, CreditedShare> before) {
        return item.gross()
                .subtract(before.getOrDefault(item.key(), CreditedShare.NOTHING).gross());
    }

    /**
     * Shares an amount given back over what is left of all items, where nobody has said what it is for; it reaches
     * vouchers sold only when nothing else is left, as somebody may have used them.
     *
     * @param digits decimals of the currency
     * @return item's key to its part, which add up to the amount
     * @throws IllegalArgumentException if it is more than is left
     */
    public static Map<String, BigDecimal> shared(
            List<Bill> bills, Map<String, CreditedShare> before, BigDecimal amount, int digits) {
        if (amount.compareTo(left(bills, before)) > 0) {
            throw new IllegalArgumentException("more than is left");
        }
        Map<Boolean, List<Bill.Item>> sold = bills.stream()
                .flatMap(bill -> bill.items().stream())
                .collect(Collectors.partitioningBy(item -> item.kind() == Bill.Kind.VOUCHER));
        List<Bill.Item> others = sold.get(false);
        List<Bill.Item> vouchers = sold.get(true);
        BigDecimal first = vouchers.isEmpty() ? amount : amount.min(leftOf(others, before));
        Map<String, BigDecimal> parts = new TreeMap<>(over(others, before, first, digits));
        parts.putAll(over(vouchers, before, amount.subtract(first), digits));
        return parts;
    }

    private static Map<String, BigDecimal> over(
            List<Bill.Item> of, Map<String, CreditedShare> before, BigDecimal amount, int digits) {
        List<Bill.Item> items =
                of.stream().filter(item -> left(item, before).signum() != 0).toList();
        if (items.isEmpty() || amount.signum() == 0) {
            return Map.of();
        }
        List<BigDecimal> shares = Sharing.out(
                amount, digits, items.stream().map(item -> left(item, before)).toList());
        Map<String, BigDecimal> parts = new TreeMap<>();
        for (int i = 0; i < items.size(); i++) {
            parts.put(items.get(i).key(), shares.get(i));
        }
        return parts;
    }

    /**
     * What an amount given back is for: first what the seller named and was not credited yet, in the bills' order, the
     * rest shared over what is left.
     *
     * @param named item's key to all that was ever named of it
     * @param digits decimals of the currency
     * @throws IllegalArgumentException if the amount is more than is left
     */
    public static Map<String, BigDecimal> parts(
            List<Bill> bills,
            Map<String, CreditedShare> before,
            Map<String, BigDecimal> named,
            BigDecimal amount,
            int digits) {
        Map<String, BigDecimal> parts = new TreeMap<>();
        Map<String, CreditedShare> then = new TreeMap<>(before);
        BigDecimal rest = amount;
        for (Bill.Item item :
                bills.stream().flatMap(bill -> bill.items().stream()).toList()) {
            BigDecimal open = named.getOrDefault(item.key(), BigDecimal.ZERO)
                    .subtract(before.getOrDefault(item.key(), CreditedShare.NOTHING)
                            .gross());
            BigDecimal part = open.min(left(item, before)).min(rest);
            if (part.signum() > 0) {
                parts.put(item.key(), part);
                then.merge(item.key(), new CreditedShare(part, BigDecimal.ZERO), CreditedShare::and);
                rest = rest.subtract(part);
            }
        }
        shared(bills, then, rest, digits).forEach((key, part) -> parts.merge(key, part, BigDecimal::add));
        return parts;
    }

    /**
     * The credits of a refund, one for each bill it touches, in the bills' order; amounts as they are given back, not
     * negative.
     *
     * @param refunded item's key to what is given back of it, with tax
     */
    public static List<Credited> of(
            List<Bill> bills, Map<String, CreditedShare> before, Map<String, BigDecimal> refunded) {
        List<Credited> credits = new ArrayList<>();
        for (int b = 0; b < bills.size(); b++) {
            List<Bill.Item> items = new ArrayList<>();
            for (Bill.Item item : bills.get(b).items()) {
                BigDecimal back = refunded.getOrDefault(item.key(), BigDecimal.ZERO);
                if (back.signum() != 0) {
                    BigDecimal tax = tax(item, before.getOrDefault(item.key(), CreditedShare.NOTHING), back);
                    items.add(new Bill.Item(
                            item.key(),
                            item.kind(),
                            item.line(),
                            item.name(),
                            item.quantity(),
                            BigDecimal.ZERO,
                            back.subtract(tax),
                            tax,
                            item.code(),
                            item.rate(),
                            item.answers()));
                }
            }
            if (!items.isEmpty()) {
                credits.add(new Credited(b, bills.get(b).with(items)));
            }
        }
        return credits;
    }

    /** @param bill place of the bill it credits, among the order's */
    public record Credited(int bill, Bill credit) {}

    private static BigDecimal tax(Bill.Item item, CreditedShare before, BigDecimal back) {
        if (item.tax().signum() == 0) {
            return item.tax();
        }
        BigDecimal soFar = item.tax()
                .multiply(before.gross().add(back))
                .divide(item.gross(), item.tax().scale(), RoundingMode.HALF_UP);
        return soFar.subtract(before.tax());
    }
}
