package vestcoin.core.setup;

import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.payment.Payment;
import vestcoin.core.tax.Tax;

/** Everything that decides what an order costs, and the baskets it is tried with, as one immutable value. */
public record Setup(Shop shop, Goods goods, Discounts discounts, Delivery delivery, Tax tax, Payment payment, Rehearsal rehearsal) {
    public Setup {
        discounts = discounts == null ? new Discounts(null) : discounts;
        rehearsal = rehearsal == null ? new Rehearsal(null) : rehearsal;
    }
}
