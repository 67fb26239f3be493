package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import vestcoin.core.delivery.Offer;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.Terms;

/**
 * What is owed for goods sent back. Source: Directive 2011/83/EU, Article 13(1) and (2): of a withdrawal the goods and
 * the delivery, the delivery only up to the cheapest standard one that was offered.
 */
public final class ReturnSettlement {
    private ReturnSettlement() {}

    /**
     * What is to be given back, by item of the bills, with tax: of the lines all that is left of them; where the
     * delivery is owed too, of it at most the cheapest that cost anything.
     *
     * @param before given back already
     * @param lines places in the quote
     * @param delivery whether the delivery is owed, which it is only where all lines come back
     */
    public static Map<String, BigDecimal> owed(
            Quote quote,
            List<Bill> bills,
            Map<String, Credit.CreditedShare> before,
            Set<Integer> lines,
            boolean delivery) {
        BigDecimal rest = delivery && lines.size() == quote.lines().size() ? cheapest(quote) : BigDecimal.ZERO;
        Map<String, BigDecimal> owed = new TreeMap<>();
        for (Bill.Item item :
                bills.stream().flatMap(bill -> bill.items().stream()).toList()) {
            BigDecimal left = Credit.left(item, before);
            BigDecimal part = item.line().isPresent()
                    ? lines.contains(item.line().get()) ? left : BigDecimal.ZERO
                    : item.kind() == Bill.Kind.DELIVERY ? left.min(rest) : BigDecimal.ZERO;
            if (item.kind() == Bill.Kind.DELIVERY) {
                rest = rest.subtract(part);
            }
            if (part.signum() > 0) {
                owed.put(item.key(), part);
            }
        }
        return owed;
    }

    /**
     * Lines of a quote that do not come back, by the group of their product, and why.
     *
     * @param supplied whether files have been supplied: until then even those can be withdrawn from
     */
    public static Map<Integer, Terms.Exclusion> excluded(Quote quote, Setup setup, boolean supplied) {
        Map<Integer, Terms.Exclusion> excluded = new TreeMap<>();
        for (int i = 0; i < quote.lines().size(); i++) {
            Optional<String> group = quote.lines().get(i).product().group().or(setup.goods()::defaultGroup);
            Optional<Terms.Exclusion> why = group.map(setup.terms().exceptions()::get)
                    .filter(reason -> supplied || reason != Terms.Exclusion.DOWNLOAD_BEGUN);
            if (why.isPresent()) {
                excluded.put(i, why.get());
            }
        }
        return excluded;
    }

    private static BigDecimal cheapest(Quote quote) {
        return quote.sent().offers().stream()
                .filter(Offer.Available.class::isInstance)
                .map(offer -> ((Offer.Available) offer).price().value())
                .filter(price -> price.signum() > 0)
                .min(Comparator.naturalOrder())
                .orElse(BigDecimal.ZERO);
    }
}
