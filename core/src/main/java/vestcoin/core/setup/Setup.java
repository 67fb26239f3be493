package vestcoin.core.setup;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashSet;
import java.util.Set;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/** Everything that decides what an order costs, and the baskets it is tried with, as one immutable value. */
@RecordBuilder
public record Setup(
        Shop shop,
        Goods goods,
        Discounts discounts,
        Delivery delivery,
        Tax tax,
        Payment payment,
        Rehearsal rehearsal,
        Pickup pickup,
        Terms terms) {
    public Setup {
        discounts = discounts == null ? new Discounts(null) : discounts;
        rehearsal = rehearsal == null ? new Rehearsal(null) : rehearsal;
        pickup = pickup == null ? Pickup.NONE : pickup;
        terms = terms == null ? Terms.NONE : terms;
    }

    public Setup(
            Shop shop,
            Goods goods,
            Discounts discounts,
            Delivery delivery,
            Tax tax,
            Payment payment,
            Rehearsal rehearsal) {
        this(shop, goods, discounts, delivery, tax, payment, rehearsal, Pickup.NONE, Terms.NONE);
    }

    /** Ids of all ways goods reach buyers, as orders name them. */
    public Set<String> ways() {
        Set<String> ways = new LinkedHashSet<>();
        delivery.options().forEach(option -> ways.add(option.id()));
        pickup.places().forEach(spot -> ways.add(spot.option()));
        pickup.local().ifPresent(local -> ways.add(Pickup.Local.OPTION));
        return ways;
    }
}
