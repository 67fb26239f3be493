package vestcoin.app.paper;

import java.math.BigDecimal;
import java.util.Optional;
import vestcoin.app.format.QuoteView;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Shelf;
import vestcoin.core.invoice.Bill;
import vestcoin.core.place.Groups;

/** What of a paper goes to a consumer in another member state of the Union. */
public final class UnionSupply {
    private UnionSupply() {}

    /** @param state where it goes @param home of the seller */
    public static boolean is(Paper paper, String state, String home) {
        return Groups.EU.contains(state)
                && !state.equals(home)
                && paper.buyer().vat().isEmpty()
                && !paper.bill().vouchers();
    }

    /**
     * Goods and what is sent with them, and what is supplied by wire, without tax; not what is done where the shop is
     * (Directive 2006/112/EC, Art. 59c and 78(b)).
     */
    public static BigDecimal crossing(Paper paper, QuoteView quote, Shelf shelf) {
        BigDecimal net = BigDecimal.ZERO;
        for (Bill.Item item : paper.bill().items()) {
            boolean counted = item.kind() != Bill.Kind.VOUCHER
                    && kind(item, quote, shelf)
                            .map(kind -> kind == Product.Kind.PHYSICAL
                                    || kind == Product.Kind.DIGITAL
                                    || kind == Product.Kind.REMOTE_SERVICE)
                            .orElse(item.kind() != Bill.Kind.GOODS);
            net = counted ? net.add(item.net()) : net;
        }
        return net;
    }

    /** What a row of goods is of; nothing for delivery and fees, and for goods that are no longer known. */
    public static Optional<Product.Kind> kind(Bill.Item item, QuoteView quote, Shelf shelf) {
        return item.line()
                .filter(line -> line < quote.lines().size())
                .map(line -> quote.lines().get(line).product())
                .flatMap(product -> shelf.find(product).map(Product::kind));
    }
}
