package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Selling;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.payment.MethodAvailability;
import vestcoin.core.pickup.Slots;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Tracer;

/** Why an order cannot be placed as it stands, in sentences. */
final class OrderObstacles {
    private final CompiledSetup setup;
    private final Order order;
    private final Tracer tracer;
    private final List<Message> missing = new ArrayList<>();

    OrderObstacles(CompiledSetup setup, Order order, Tracer tracer) {
        this.setup = setup;
        this.order = order;
        this.tracer = tracer;
    }

    /** What is sold to some groups of buyers only. */
    private void forOthers(List<PricedLine> lines) {
        lines.stream()
                .map(PricedLine::product)
                .filter(product -> !product.soldTo(order.group()))
                .map(Product::name)
                .distinct()
                .forEach(name -> missing.add(Message.of("quote.sold-to-some-buyers-only", "product", name)));
    }

    /** What the seller does not sell just now. */
    private void notSold(List<PricedLine> lines) {
        LocalDate today = LocalDate.ofInstant(order.at(), setup.zone());
        Map<String, Product> asked = new LinkedHashMap<>();
        for (Line line : order.lines()) {
            setup.shelf().find(line.product()).ifPresent(product -> asked.put(product.id(), product));
        }
        for (PricedLine line : lines) {
            asked.putIfAbsent(line.product().id(), line.product());
        }
        for (Product product : asked.values()) {
            if (product.selling().isPresent()) {
                if (product.sold().state() == Selling.State.SOLD_OUT) {
                    missing.add(Message.of("quote.sold-out", "product", product.name()));
                }
                product.sold()
                        .notBefore(today)
                        .ifPresent(day -> missing.add(
                                Message.of("quote.not-sold-before", "product", product.name(), "day", day)));
            }
        }
    }

    List<Message> of(
            List<PricedLine> lines,
            DiscountScenario attempt,
            List<Consignment> consignments,
            PickupOffers collecting,
            Optional<MethodAvailability> method,
            Map<String, BigDecimal> left) {
        if (order.unplaced()) {
            missing.add(Message.of("quote.nobody-has-said-where"));
        } else if (!consignments.isEmpty() && !attempt.deliveryChosen()) {
            boolean offered = offered(attempt.offers().get())
                    || attempt.each().values().stream().allMatch(each -> offered(each.offers()))
                            && !attempt.each().isEmpty();
            boolean wanted = order.delivery().isPresent() || !order.deliveries().isEmpty();
            missing.add(
                    !offered
                            ? Message.of("quote.nothing-delivers-this-basket-to-this-place")
                            : (wanted
                                    ? Message.of("quote.delivery-chosen-not-offered-for-this-basket")
                                    : Message.of("quote.choose-how-gets-to-you")));
        }
        slot(attempt, collecting);
        if (!order.unplaced() && setup.sellsTo().find(order.to()).isEmpty()) {
            missing.add(Message.of("quote.shop-does-not-sell-to-this-place"));
        }
        forOthers(lines);
        notSold(lines);
        begun(lines);
        stock(lines, left);
        smallest(lines, attempt);
        if (lines.stream().anyMatch(line -> line.product().kind() == Product.Kind.DIGITAL)) {
            String belongs = order.buyer().belongs().orElse(order.to()).country();
            order.buyer()
                    .evidence()
                    .filter(country -> !country.equals(belongs))
                    .ifPresent(country -> missing.add(Message.of(
                            "quote.two-pieces-of-evidence-disagree-on-where",
                            "belongs",
                            new Region(belongs),
                            "country",
                            new Region(country))));
        }
        if (order.method().isPresent()
                && (method.isEmpty() || method.get().hidden().isPresent())) {
            missing.add(Message.of("quote.way-of-paying-chosen-not-open-to"));
        }
        return List.copyOf(missing);
    }

    private static boolean offered(List<Offer> offers) {
        return offers.stream().anyMatch(Offer.Available.class::isInstance);
    }

    private void slot(DiscountScenario attempt, PickupOffers collecting) {
        Optional<List<Slots.Slot>> open = attempt.chosen()
                .flatMap(offer -> collecting.slots(offer.option().id()));
        if (open.isEmpty()) {
            return;
        }
        Optional<LocalDateTime> chosen = order.slot();
        if (chosen.isPresent()
                && open.get().stream()
                        .noneMatch(slot -> slot.start().toLocalDateTime().equals(chosen.get()))) {
            missing.add(Message.of("quote.slot-chosen-not-open-any-more"));
        }
    }

    /** Services of which the day chosen has come. */
    private void begun(List<PricedLine> lines) {
        for (PricedLine line : lines) {
            for (Product.Appointment when :
                    line.product().appointments(line.line().options())) {
                if (when.begun(order.at(), setup.zone())) {
                    missing.add(Message.of(
                            "quote.date-chosen-is-past",
                            "product",
                            line.product().name()));
                }
            }
        }
    }

    private void stock(List<PricedLine> lines, Map<String, BigDecimal> left) {
        if (left.isEmpty()) {
            return;
        }
        Map<String, BigDecimal> asked = new HashMap<>();
        Map<String, String> names = new HashMap<>();
        for (PricedLine line : lines) {
            String key = order.outside().stock().key(line);
            asked.merge(key, line.line().quantity(), BigDecimal::add);
            names.putIfAbsent(key, line.product().name());
        }
        left.forEach((key, count) -> {
            if (asked.get(key).compareTo(count) > 0) {
                missing.add(
                        count.signum() == 0
                                ? Message.of("quote.sold-out", "product", names.get(key))
                                : (count.compareTo(BigDecimal.ONE) == 0
                                        ? Message.of("quote.only-of-left", "count", count, "product", names.get(key))
                                        : Message.of(
                                                "quote.only-of-left-2", "count", count, "product", names.get(key))));
            }
        });
    }

    private void smallest(List<PricedLine> lines, DiscountScenario attempt) {
        setup.setup().shop().smallest().ifPresent(least -> {
            BigDecimal value = lines.stream()
                    .filter(PricedLine::counted)
                    .map(line -> attempt.taken().left().get(line.index()).value())
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            if (lines.stream().anyMatch(PricedLine::counted) && value.compareTo(tracer.threshold(least)) < 0) {
                missing.add(Message.of("quote.smallest-order", "amount", tracer.amount(least)));
            }
        });
    }
}
