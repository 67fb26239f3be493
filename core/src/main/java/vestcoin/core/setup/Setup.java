package vestcoin.core.setup;

import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Goods;
import vestcoin.core.payment.Payment;
import vestcoin.core.tax.Tax;

/** Everything that decides what an order costs, as one immutable value. */
public record Setup(Shop shop, Goods goods, Delivery delivery, Tax tax, Payment payment) {}
