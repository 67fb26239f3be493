package vestcoin.app.run;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.dressrehearsal.PracticeCards;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Credits;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Policies;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;

/** Orders of the demo's made-up buyers. */
@Component
class DemoOrders {
    private final Gateways gateways;
    private final PricingContexts circumstances;
    private final Placing placing;
    private final Payments payments;
    private final Credits credits;
    private final DemoPast past;
    private final Clock clock;

    DemoOrders(
            Gateways gateways,
            PricingContexts circumstances,
            Placing placing,
            Payments payments,
            Credits credits,
            DemoPast past,
            Clock clock) {
        this.gateways = gateways;
        this.circumstances = circumstances;
        this.placing = placing;
        this.payments = payments;
        this.credits = credits;
        this.past = past;
        this.clock = clock;
    }

    /** Two years of earlier orders. */
    void putEarlier(Editions.Edition edition) {
        past.put(edition);
    }

    /** A regular buyer may pay on account. */
    void letPayLater(String email, BigDecimal limit) {
        credits.give(DemoShop.SHOP, email, Optional.of(limit), "EUR", DemoShop.EMAIL);
    }

    /** An order placed and paid by card. @param url of the card processor */
    PaymentBook.Payment buy(
            Editions.Edition edition,
            String url,
            String name,
            String email,
            String street,
            String city,
            Destination to,
            List<Line> lines,
            String delivery) {
        Order order = circumstances.around(
                DemoShop.SHOP,
                edition.document().compiled(),
                Order.of(clock.instant(), Basket.of(lines, to), gateways.states(DemoShop.SHOP))
                        .withDelivery(delivery)
                        .withMethod("card"));
        QuoteView quote = edition.document().quote(order);
        if (!quote.missing().isEmpty()) {
            throw new IllegalStateException(name + ": " + quote.missing());
        }
        Orders.Order placed = placing.place(
                edition,
                UUID.randomUUID().toString(),
                order,
                quote,
                new Placing.Contact(name, email, List.of(street), city),
                new Placing.Agreed(
                        edition.document().setup().shop().language(),
                        Policies.toAgree(edition.document().setup())),
                false);
        return placing.pay(
                placed, PracticeCards.token(url, CardProcessor.TEST_PUBLIC, TestCard.APPROVED), Optional.empty());
    }

    PaymentBook.Payment capture(PaymentBook.Payment payment) {
        return payments.move(
                payment, Provider.Kind.CAPTURE, UUID.randomUUID().toString(), payment.amount(), DemoShop.EMAIL);
    }

    /** @param amount in minor units */
    void refund(PaymentBook.Payment payment, long amount) {
        payments.move(payment, Provider.Kind.REFUND, UUID.randomUUID().toString(), amount, DemoShop.EMAIL);
    }
}
