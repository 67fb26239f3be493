package vestcoin.app.service;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Expiry;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.service.CarrierService.RateRequest;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.quote.Consignment;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.CompiledSetup;

/**
 * What the shop's carrier asks for the parcels of an order. An answer is kept for ten minutes, a failure for half a
 * minute, so that neither a keystroke nor a second look asks again, and a buyer's total does not move while the page is
 * open.
 */
@Service
public class Carriers {
    private static final Logger LOG = LoggerFactory.getLogger(Carriers.class);
    private static final Duration KEPT = Duration.ofMinutes(10);
    private static final Duration FAILED = Duration.ofSeconds(30);
    private static final int MOST_KEPT = 10_000;

    private record Key(String shop, RateRequest asked) {}

    private final ServiceConnections links;
    private final CarrierService service;
    private final Cache<Key, Optional<CarrierService.Answer>> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfter(Expiry.creating(
                    (Key key, Optional<CarrierService.Answer> answer) -> answer.isPresent() ? KEPT : FAILED))
            .build();

    Carriers(ServiceConnections links, CarrierService service) {
        this.links = links;
        this.service = service;
    }

    /**
     * What the carrier answers for an order, where its zone has a price by quote; an order that brings answers keeps
     * them. Prices in another currency than the shop's are no answer.
     */
    public CarrierAnswers answers(String shop, CompiledSetup setup, Order order) {
        if (!order.outside().carriers().amounts().isEmpty() || !quoted(setup, order.to())) {
            return order.outside().carriers();
        }
        Optional<ServiceAccess> access = links.access(shop, ServiceConnections.Kind.CARRIER);
        if (access.isEmpty()) {
            return CarrierAnswers.NONE;
        }
        Map<String, BigDecimal> amounts = new TreeMap<>();
        for (Consignment consignment : Pricing.consignments(setup, order)) {
            RateRequest asked = new RateRequest(
                    consignment.from(),
                    order.to(),
                    consignment.packed().parcels().stream()
                            .map(Carriers::parcel)
                            .toList());
            answer(shop, access.get(), asked)
                    .filter(answer ->
                            answer.currency().equals(setup.setup().shop().currency()))
                    .ifPresent(answer -> answer.quotes()
                            .forEach(quote -> amounts.put(quote.id() + " " + consignment.dispatch(), quote.price())));
        }
        return new CarrierAnswers(amounts);
    }

    private static boolean quoted(CompiledSetup setup, Destination to) {
        return setup.board()
                .zoneOf(to)
                .map(PlaceIndex.Match::value)
                .filter(zone ->
                        zone.rates().values().stream().anyMatch(rule -> rule.basis() instanceof PriceRule.CarrierQuote))
                .isPresent();
    }

    private static CarrierService.Parcel parcel(Parcel parcel) {
        return new CarrierService.Parcel(
                parcel.weight().value(),
                parcel.outer().map(size -> size.centimetres()).orElse(List.of()));
    }

    /** A point of what the carrier asks: for one parcel of this weight. */
    public record Cost(BigDecimal kilograms, BigDecimal price) {}

    /** What the carrier asks for one parcel of growing weight, by service. @param upTo in kg */
    public Map<String, List<Cost>> costs(String shop, Destination from, Destination to, BigDecimal upTo, int steps) {
        ServiceAccess access =
                links.access(shop, ServiceConnections.Kind.CARRIER).orElse(null);
        Map<String, List<Cost>> costs = new HashMap<>();
        for (int step = 1; access != null && step <= steps; step++) {
            BigDecimal kilograms = upTo.multiply(BigDecimal.valueOf(step))
                    .divide(BigDecimal.valueOf(steps), 3, java.math.RoundingMode.HALF_UP);
            answer(shop, access, new RateRequest(from, to, List.of(new CarrierService.Parcel(kilograms, List.of()))))
                    .ifPresent(answer -> answer.quotes()
                            .forEach(quote -> costs.computeIfAbsent(quote.id(), id -> new ArrayList<>())
                                    .add(new Cost(kilograms, quote.price()))));
        }
        return costs;
    }

    private Optional<CarrierService.Answer> answer(String shop, ServiceAccess access, RateRequest asked) {
        return kept.get(new Key(shop, asked), key -> {
            try {
                return Optional.of(service.quotes(access, asked));
            } catch (ProviderTimeout | ProviderRejection e) {
                LOG.info("carrier of {}: {}", shop, e.getMessage());
                return Optional.empty();
            }
        });
    }

    /** What the carrier asks for parcels of an order, freshly known or of the last minutes; nothing without one. */
    public Optional<CarrierService.Answer> quotes(String shop, Destination from, Destination to, List<Parcel> parcels) {
        return links.access(shop, ServiceConnections.Kind.CARRIER)
                .flatMap(access -> answer(shop, access, request(from, to, parcels)));
    }

    /**
     * Buys a label for parcels, once for a key.
     *
     * @throws ProviderRejection if the carrier refuses, or the shop has none
     * @throws ProviderTimeout if it does not answer
     */
    public CarrierService.Label label(
            String shop,
            String key,
            String wanted,
            Destination from,
            Destination to,
            List<Parcel> parcels,
            List<String> address) {
        ServiceAccess access = links.access(shop, ServiceConnections.Kind.CARRIER)
                .orElseThrow(() -> new ProviderRejection(ServiceReasons.NO_CARRIER));
        return service.label(access, key, new CarrierService.LabelRequest(wanted, request(from, to, parcels), address));
    }

    private static RateRequest request(Destination from, Destination to, List<Parcel> parcels) {
        return new RateRequest(from, to, parcels.stream().map(Carriers::parcel).toList());
    }

    /** Forgets what a shop's carrier answered. */
    public void forget(String shop) {
        kept.asMap().keySet().removeIf(key -> key.shop().equals(shop));
    }
}
