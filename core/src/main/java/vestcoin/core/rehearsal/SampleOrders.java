package vestcoin.core.rehearsal;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.payment.Credit;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.PricingContextBuilder;
import vestcoin.core.setup.Rehearsal.SampleOrder;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;

/** Sample orders as orders: a business has a number of the country it buys from, confirmed or not. */
public final class SampleOrders {
    private static final String REFERENCE = "rehearsal";

    private SampleOrders() {}

    /**
     * @param to where it goes, whatever the sample says
     * @param now when it is placed, if the sample names no time
     * @param gateways states of the accounts of providers
     */
    public static Order at(SampleOrder sample, Destination to, Instant now, Map<String, Gateway> gateways) {
        Instant at = sample.at().orElse(now);
        Order order = Order.of(at, sample.order(), gateways)
                .to(to)
                .by(buyer(sample, to, at))
                .ofGroup(sample.group().orElse(null));
        return switch (sample.buyer()) {
            case LET_PAY_LATER ->
                order.given(PricingContextBuilder.builder(PricingContext.NOTHING)
                        .credit(Optional.of(new Credit(Optional.empty())))
                        .build());
            case PERSON, BUSINESS, UNCONFIRMED_BUSINESS, EXEMPT -> order;
        };
    }

    private static Buyer buyer(SampleOrder sample, Destination to, Instant at) {
        return switch (sample.buyer()) {
            case BUSINESS -> business(to, Optional.of(new Buyer.Confirmed(true, at, REFERENCE)));
            case UNCONFIRMED_BUSINESS -> business(to, Optional.empty());
            case EXEMPT -> BuyerBuilder.builder().exempt(Optional.of(REFERENCE)).build();
            case PERSON, LET_PAY_LATER -> Buyer.PERSON;
        };
    }

    private static Buyer business(Destination to, Optional<Buyer.Confirmed> confirmed) {
        return BuyerBuilder.builder()
                .kind(Buyer.Kind.BUSINESS)
                .number(Optional.of(new Buyer.TaxNumber(to.country(), to.country() + "000000000", confirmed)))
                .build();
    }
}
