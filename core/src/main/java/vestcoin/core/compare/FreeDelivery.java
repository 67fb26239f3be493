package vestcoin.core.compare;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.DeliveryBuilder;
import vestcoin.core.delivery.PriceRule;

/** Delivery that is free from an amount on, by every option of some zones. */
public final class FreeDelivery {
    private FreeDelivery() {}

    /** Free whatever is in the basket. @param zones ids of the zones */
    public static Delivery always(Delivery delivery, Set<String> zones) {
        return changed(
                delivery,
                zones,
                rule -> new PriceRule(
                        rule.basis(), Optional.of(BigDecimal.ZERO), Optional.empty(), List.of(), List.of()));
    }

    /** Free from an amount on, by the goods that count to it today. @param amount in the shop's currency */
    public static Delivery from(Delivery delivery, Set<String> zones, BigDecimal amount) {
        return changed(
                delivery,
                zones,
                rule -> new PriceRule(
                        rule.basis(), Optional.of(amount), Optional.empty(), rule.notCounting(), rule.notWith()));
    }

    private static Delivery changed(Delivery delivery, Set<String> zones, UnaryOperator<PriceRule> change) {
        return DeliveryBuilder.builder(delivery)
                .zones(delivery.zones().stream()
                        .map(zone -> zones.contains(zone.id()) ? changed(zone, change) : zone)
                        .toList())
                .build();
    }

    private static Delivery.Zone changed(Delivery.Zone zone, UnaryOperator<PriceRule> change) {
        Map<String, PriceRule> rates = new LinkedHashMap<>();
        zone.rates().forEach((option, rule) -> rates.put(option, change.apply(rule)));
        return new Delivery.Zone(
                zone.id(), zone.name(), zone.places(), zone.except(), rates, zone.days(), zone.costs());
    }
}
