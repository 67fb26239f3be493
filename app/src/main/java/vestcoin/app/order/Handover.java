package vestcoin.app.order;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.app.format.QuoteView;
import vestcoin.core.delivery.Arrival;
import vestcoin.core.delivery.Promise;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * How an order that is not sent by a carrier gets into the buyer's hands: where and when, on the shop's clock, and what
 * to bring.
 *
 * @param way collected at a place, or brought round by the shop
 * @param place name of the place, or of the way
 * @param lines of the place's address; none for what is brought
 * @param starts of the time chosen, or promised to the minute
 */
public record Handover(
        Way way,
        String place,
        List<String> lines,
        Optional<LocalDateTime> starts,
        Optional<LocalDateTime> ends,
        String bring,
        String contact) {
    public enum Way {
        COLLECTED,
        BROUGHT
    }

    /** Nothing for what a carrier brings, or what is not handed over. */
    public static Optional<Handover> of(Setup setup, Order order, QuoteView quote) {
        Optional<QuoteView.Option> chosen =
                quote.delivery().stream().filter(QuoteView.Option::chosen).findFirst();
        Optional<LocalDateTime> ends =
                chosen.flatMap(option -> quote.slots().getOrDefault(option.id(), List.of()).stream()
                        .filter(slot ->
                                order.slot().filter(slot.start()::equals).isPresent())
                        .findFirst()
                        .map(QuoteView.Slot::end));
        Optional<Arrival> arrival = chosen.flatMap(QuoteView.Option::promise).flatMap(Promise::arrival);
        return chosen.flatMap(option -> {
            Optional<Pickup.Spot> spot = setup.pickup().places().stream()
                    .filter(each -> each.option().equals(option.id()))
                    .findFirst();
            if (spot.isPresent()) {
                return Optional.of(new Handover(
                        Way.COLLECTED,
                        spot.get().name(),
                        address(spot.get(), setup.shop().address()),
                        order.slot(),
                        ends,
                        spot.get().bring(),
                        spot.get().contact()));
            }
            return option.id().equals(Pickup.Local.OPTION)
                    ? Optional.of(new Handover(
                            Way.BROUGHT,
                            option.name(),
                            List.of(),
                            order.slot().or(() -> arrival.map(Arrival::from)),
                            ends.or(() -> arrival.map(Arrival::to)),
                            "",
                            ""))
                    : Optional.empty();
        });
    }

    /** Its street, with the postcode and, where it is the shop's own, the town. */
    private static List<String> address(Pickup.Spot spot, Shop.Address shop) {
        Optional<String> postcode = spot.at().postcode();
        String town = postcode.filter(shop.postcode()::equals).isPresent() ? shop.city() : "";
        return Stream.concat(spot.lines().stream(), Stream.of((postcode.orElse("") + " " + town).strip()))
                .filter(line -> !line.isBlank())
                .toList();
    }

    public boolean collected() {
        return way == Way.COLLECTED;
    }
}
