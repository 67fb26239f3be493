package vestcoin.app.paper;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.app.format.QuoteView;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Shelf;
import vestcoin.core.invoice.Bill;
import vestcoin.core.place.Groups;

/**
 * A row of a paper that goes to a consumer in the Union: goods with what is sent along, and what is supplied by wire.
 * Not what is done where the shop is. Source: Directive 2006/112/EC, Art. 33, 58 and 78(b).
 *
 * @param to state of the Union it goes to
 * @param from the country goods leave from; of services the seller's
 * @param service whether it is none of goods
 */
public record UnionSupply(Bill.Item item, String to, String from, boolean service) {
    private static final String DELIVERY = "delivery/";

    /**
     * @param state where it goes
     * @param home of the seller
     * @param quote by which it was placed
     * @param shelf of the edition it was placed by
     */
    public static List<UnionSupply> of(Paper paper, String state, String home, QuoteView quote, Shelf shelf) {
        List<UnionSupply> supplies = new ArrayList<>();
        if (!Groups.EU.contains(state)
                || paper.buyer().vat().isPresent()
                || paper.bill().vouchers()) {
            return supplies;
        }
        for (Bill.Item item : paper.bill().items()) {
            Optional<Product.Kind> kind = kind(item, quote, shelf);
            boolean service = kind.filter(each -> each == Product.Kind.DIGITAL || each == Product.Kind.REMOTE_SERVICE)
                    .isPresent();
            boolean goods = kind.map(each -> each == Product.Kind.PHYSICAL).orElse(item.kind() != Bill.Kind.GOODS);
            String from = service ? home : from(item, quote).orElse(home);
            if (item.kind() != Bill.Kind.VOUCHER && (service || goods)) {
                supplies.add(new UnionSupply(item, state, from, service));
            }
        }
        return supplies;
    }

    /** Whether it crosses a border within the Union. */
    public boolean crosses() {
        return Groups.EU.contains(from) && !from.equals(to);
    }

    /** Whether it is goods that come from outside of the Union. */
    public boolean imported() {
        return !service && !Groups.EU.contains(from);
    }

    /** What counts to the 10,000 euro, without tax: of goods those from the seller's own state (Art. 59c). */
    static BigDecimal counted(List<UnionSupply> supplies, String home) {
        return supplies.stream()
                .filter(supply -> supply.crosses() && supply.from().equals(home))
                .map(supply -> supply.item().net())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The country of the place it leaves from, where that is known; of delivery, of what it is shared among. */
    private static Optional<String> from(Bill.Item item, QuoteView quote) {
        boolean delivery = item.kind() == Bill.Kind.DELIVERY;
        return quote.consignments().stream()
                .filter(sent -> delivery
                        ? quote.consignments().size() == 1
                                || dispatch(item, quote)
                                        .filter(sent.dispatch()::equals)
                                        .isPresent()
                        : item.line().filter(sent.lines()::contains).isPresent())
                .findFirst()
                .map(QuoteView.Shipment::country);
    }

    /** The place a share of the delivery is from: in its key, or that of the tax group its key numbers. */
    private static Optional<String> dispatch(Bill.Item item, QuoteView quote) {
        String[] key = item.key().split(" ");
        if (key[0].startsWith(DELIVERY)) {
            return Optional.of(key[0].substring(DELIVERY.length()));
        }
        int group = Integer.parseInt(key[1]);
        return Optional.of(quote.taxes()).filter(taxes -> group < taxes.size()).map(taxes -> taxes.get(group)
                .dispatch());
    }

    /** What a row of goods is of; nothing for delivery and fees, and for goods that are no longer known. */
    private static Optional<Product.Kind> kind(Bill.Item item, QuoteView quote, Shelf shelf) {
        return item.line()
                .filter(line -> line < quote.lines().size())
                .map(line -> quote.lines().get(line).product())
                .flatMap(product -> shelf.find(product).map(Product::kind));
    }
}
