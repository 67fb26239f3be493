package vestcoin.app.dressrehearsal;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import vestcoin.app.access.Memberships;
import vestcoin.app.checkout.BasketOrders;
import vestcoin.app.checkout.OrderTaking;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Credits;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.service.ParcelShop;
import vestcoin.app.service.ParcelShops;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.stock.StockBook;
import vestcoin.core.basket.Basket;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.Rehearsal.BuyerKind;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Puts the baskets of made-up buyers together and orders them, as the counter does it. */
@Service
class PracticePlacement {
    /** A sample order on its way to a place, asked for by a buyer of its own. */
    record Asked(SampleOrder sample, Destination to, PracticeBuyer buyer) {
        static Asked of(SampleOrder sample, Destination to, String key) {
            return new Asked(sample, to, new PracticeBuyer("rehearsal-" + key + "@buyers.example", sample, to));
        }

        Basket basket(Optional<String> method) {
            return sample.order().changed().to(Optional.of(to)).method(method).build();
        }
    }

    private final BasketOrders baskets;
    private final OrderTaking taking;
    private final Memberships memberships;
    private final Credits credits;
    private final StockBook stock;
    private final ParcelShops parcelShops;
    private final Clock clock;

    PracticePlacement(
            BasketOrders baskets,
            OrderTaking taking,
            Memberships memberships,
            Credits credits,
            StockBook stock,
            ParcelShops parcelShops,
            Clock clock) {
        this.baskets = baskets;
        this.taking = taking;
        this.memberships = memberships;
        this.credits = credits;
        this.stock = stock;
        this.parcelShops = parcelShops;
        this.clock = clock;
    }

    /** Lets a buyer be known as whom the sample names: of a group, trusted to pay later. */
    void introduce(Editions.Edition edition, Asked asked) {
        asked.sample()
                .group()
                .ifPresent(group ->
                        memberships.add(edition.shop(), asked.buyer().email(), group, Memberships.Way.LIST, ""));
        if (asked.sample().buyer() == BuyerKind.LET_PAY_LATER) {
            credits.give(
                    edition.shop(),
                    asked.buyer().email(),
                    Optional.empty(),
                    edition.document().setup().shop().currency(),
                    asked.buyer().email());
        }
    }

    /** What a buyer is shown of a basket; of the times it can be had at, the first that is free is chosen. */
    Shown shown(Editions.Edition edition, Asked asked, Basket basket) {
        Shown shown =
                priced(edition, asked, basket.changed().slot(Optional.empty()).build());
        return shown.quote().delivery().stream()
                .filter(QuoteView.Option::chosen)
                .flatMap(option -> shown.quote().slots().getOrDefault(option.id(), List.of()).stream())
                .filter(slot -> slot.left().map(left -> left > 0).orElse(true))
                .findFirst()
                .map(slot -> priced(
                        edition,
                        asked,
                        basket.changed().slot(Optional.of(slot.start())).build()))
                .orElse(shown);
    }

    /** A basket with what it comes to. */
    record Shown(Basket basket, QuoteView quote) {}

    private Shown priced(Editions.Edition edition, Asked asked, Basket basket) {
        String email = asked.buyer().email();
        return new Shown(
                basket,
                edition.document()
                        .quote(baskets.order(
                                edition,
                                basket,
                                asked.buyer().details(),
                                new BasketOrders.Asker(email, Optional.of(email)))));
    }

    /**
     * Orders what a buyer was shown.
     *
     * @param shop the one that is rehearsed: as much is there of everything as it has
     */
    Orders.Order place(String shop, Editions.Edition edition, Asked asked, Shown shown) {
        stock.recount(edition.shop(), stock.all(shop));
        Document document = edition.document();
        String email = asked.buyer().email();
        return taking.take(
                edition,
                new OrderTaking.OrderRequest(
                        UUID.randomUUID().toString(),
                        shown.basket(),
                        asked.buyer().details(),
                        contact(edition, asked, shown.quote()),
                        shown.quote().toPay().value(),
                        OrderTaking.toAgree(document, shown.quote()),
                        Optional.empty(),
                        Optional.empty()),
                new BasketOrders.Asker(email, Optional.of(email)),
                Optional.empty(),
                false);
    }

    private Placing.Contact contact(Editions.Edition edition, Asked asked, QuoteView quote) {
        Document document = edition.document();
        List<String> ways = OrderTaking.ways(quote);
        boolean toParcelShop = document.setup().delivery().options().stream()
                .anyMatch(option -> option.parcelShop() && ways.contains(option.id()));
        return asked.buyer()
                .contact(
                        document.setup().terms().asking(),
                        ways,
                        toParcelShop
                                ? parcelShops
                                        .near(
                                                edition.shop(),
                                                asked.to().country(),
                                                asked.to().postcode().orElse(""))
                                        .stream()
                                        .findFirst()
                                        .map(ParcelShop::id)
                                        .orElse("")
                                : "",
                        LocalDate.ofInstant(clock.instant(), document.compiled().zone()));
    }
}
