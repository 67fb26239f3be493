package vestcoin.app.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import vestcoin.app.format.Json;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;

/** Who an order's papers are for, and where its goods go if that is elsewhere. */
final class BuyerParties {
    private BuyerParties() {}

    static Drawing.Buyer of(Orders.Order order) {
        Orders.Address address = Json.read(order.address(), Orders.Address.class);
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        Paper.Party there = party(
                wishes.gift().map(Wishes.Gift::name).orElse(order.name()),
                wishes.gift().isPresent() ? "" : wishes.company(),
                address.lines(),
                address.city(),
                address.postcode(),
                address.country(),
                order.email());
        return wishes.invoice()
                .map(own -> new Drawing.Buyer(
                        party(
                                own.name(),
                                wishes.company(),
                                own.lines(),
                                own.city(),
                                own.postcode(),
                                own.country(),
                                order.email()),
                        wishes.reference(),
                        Optional.of(there)))
                .orElseGet(() -> new Drawing.Buyer(there, wishes.reference(), Optional.empty()));
    }

    /** A company is the buyer, and the person a line of its address. */
    private static Paper.Party party(
            String name,
            String company,
            List<String> lines,
            String city,
            String postcode,
            String country,
            String email) {
        List<String> all = new ArrayList<>();
        if (!company.isEmpty()) {
            all.add(name);
        }
        all.addAll(lines);
        return new Paper.Party(
                company.isEmpty() ? name : company,
                all.stream().filter(Predicate.not(String::isBlank)).toList(),
                city,
                postcode,
                country,
                Optional.empty(),
                List.of(),
                email);
    }
}
