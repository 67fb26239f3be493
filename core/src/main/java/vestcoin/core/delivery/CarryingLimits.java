package vestcoin.core.delivery;

import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** Whether an option carries a load, by its {@link Delivery.Limits}. */
final class CarryingLimits {
    private CarryingLimits() {}

    /** Why it does not, as a sentence. @param weight what the option reads as weight */
    static Optional<Message> beyond(Delivery.Limits limits, Load load, Figure weight, Tracer tracer) {
        if (limits.weightTo()
                .filter(most -> weight.value().compareTo(most.kilograms()) > 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.over-2", "weightTo", limits.weightTo().get().said()));
        }
        if (limits.quantityTo()
                .filter(most -> load.quantity().value().compareTo(most) > 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.over-items", "quantityTo", limits.quantityTo().get()));
        }
        if (limits.valueFrom()
                .filter(least -> load.value().value().compareTo(tracer.threshold(least)) < 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.only-from-goods-of",
                    "amount",
                    tracer.amount(limits.valueFrom().get())));
        }
        if (limits.valueTo()
                .filter(most -> load.value().value().compareTo(tracer.threshold(most)) > 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.only-to-goods-of",
                    "amount",
                    tracer.amount(limits.valueTo().get())));
        }
        return size(limits, load).or(() -> circumstances(limits, load));
    }

    private static Optional<Message> size(Delivery.Limits limits, Load load) {
        if (limits.longestTo()
                .filter(most -> load.parcels().stream().anyMatch(parcel -> parcel.outer()
                        .filter(size -> size.longest().compareTo(most.centimetres()) > 0)
                        .isPresent()))
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.parcel-longer-than",
                    "longestTo",
                    limits.longestTo().get().said()));
        }
        if (limits.girthTo()
                .filter(most -> load.parcels().stream().anyMatch(parcel -> parcel.outer()
                        .filter(size -> size.lengthAndGirth().compareTo(most.centimetres()) > 0)
                        .isPresent()))
                .isPresent()) {
            return Optional.of(Message.of(
                    "delivery.length-and-girth-of-parcel-over",
                    "girthTo",
                    limits.girthTo().get().said()));
        }
        return Optional.empty();
    }

    private static Optional<Message> circumstances(Delivery.Limits limits, Load load) {
        Optional<String> not = limits.except().stream()
                .filter(name ->
                        load.lines().stream().anyMatch(line -> line.product().among(java.util.List.of(name))))
                .findFirst();
        if (not.isPresent()) {
            return not.map(name -> Message.of("delivery.does-not-carry", "name", name));
        }
        if (!limits.only().isEmpty()
                && load.lines().stream().anyMatch(line -> !line.product().among(limits.only()))) {
            return Optional.of(Message.of("delivery.carries-only", "names", limits.only()));
        }
        if (!limits.weekdays().isEmpty() && !limits.weekdays().contains(load.weekday())) {
            return Optional.of(Message.of("delivery.not-for-orders-placed-on-this-day"));
        }
        if (!limits.groups().isEmpty()
                && load.buying().group().filter(limits.groups()::contains).isEmpty()) {
            return Optional.of(Message.of("delivery.only-for-some-buyers"));
        }
        if (!limits.methods().isEmpty()
                && load.method().filter(id -> !limits.methods().contains(id)).isPresent()) {
            return Optional.of(Message.of("delivery.does-not-go-with-this-way-of"));
        }
        return Optional.empty();
    }
}
