package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.setup.CompiledSetup;

/** What a seller should know about delivery. */
final class DeliveryFindings {
    /** Destinations tried of one place: enough for every group, few enough for any number of postcodes. */
    private static final int MOST_SAMPLES = 300;

    private final CompiledSetup compiled;
    private final Delivery delivery;
    private final Findings.At at;

    DeliveryFindings(CompiledSetup compiled, Findings.At at) {
        this.compiled = compiled;
        this.delivery = compiled.setup().delivery();
        this.at = at;
    }

    void add() {
        for (Delivery.Zone zone : delivery.zones()) {
            if (zone.places().isEmpty()) {
                at.look(
                        "zone-without-place",
                        "delivery/zones/" + zone.id() + "/places",
                        Message.of("finding.holds-no-place", "zone", zone.name()),
                        Message.of("finding.add-country-region-or-postcodes-or-remove"));
            }
            if (zone.rates().isEmpty()) {
                at.blocks(
                        "zone-without-option",
                        "delivery/zones/" + zone.id(),
                        Message.of("finding.nothing-offered-in", "zone", zone.name()),
                        Message.of("finding.fill-in-at-least-one-cell-of"));
            }
            zone.rates().forEach((option, rule) -> rule(zone, option, rule));
        }
        overlaps();
        withoutZone();
        delivery.options().forEach(this::satisfiable);
    }

    private void overlaps() {
        Set<String> said = new HashSet<>();
        for (Delivery.Zone zone : delivery.zones()) {
            for (Place place : zone.places()) {
                Place.samples(place).stream().limit(MOST_SAMPLES).forEach(to -> overlap(to, said));
            }
        }
    }

    private void overlap(Destination to, Set<String> said) {
        Optional<Match<Delivery.Zone>> match = compiled.board().zoneOf(to);
        if (match.isEmpty() || match.get().tied().isEmpty()) {
            return;
        }
        Delivery.Zone zone = match.get().value();
        Delivery.Zone other = compiled.setup().delivery().zones().stream()
                .filter(each -> each.id().equals(match.get().tied().get(0)))
                .findFirst()
                .orElseThrow();
        Region within = new Region(to.region().orElse(to.country()));
        Object where = to.postcode()
                .<Object>map(code -> Message.of("rehearsal.place", "postcode", code, "country", within))
                .orElse(within);
        overlap(zone, other, where, said);
        overlap(other, zone, where, said);
    }

    private void overlap(Delivery.Zone zone, Delivery.Zone other, Object where, Set<String> said) {
        if (said.add(zone.id() + " " + other.id())) {
            at.blocks(
                    "zones-overlap",
                    "delivery/zones/" + zone.id() + "/places",
                    Message.of("finding.and-both-hold", "zone", zone.name(), "other", other.name(), "where", where),
                    Message.of("finding.take-out-of-one-of-them"));
        }
    }

    private void withoutZone() {
        if (compiled.setup().goods().products().stream().noneMatch(Product::physical)) {
            return;
        }
        List<String> without = new ArrayList<>();
        Set<String> reached = new HashSet<>();
        delivery.zones().forEach(zone -> zone.places().forEach(place -> reached.addAll(SalesArea.countriesOf(place))));
        for (String country : SalesArea.countries(compiled.setup())) {
            if (!reached.contains(country)) {
                without.add(country);
            }
        }
        if (!without.isEmpty()) {
            at.blocks(
                    "place-without-zone",
                    "delivery/zones",
                    without.size() == 1
                            ? Message.of(
                                    "finding.shop-sells-to-but-no-delivery-zone",
                                    "places",
                                    without.stream().map(Region::new).toList())
                            : Message.of(
                                    "finding.shop-sells-to-but-no-delivery-zone-holds",
                                    "places",
                                    without.stream().map(Region::new).toList()),
                    Message.of("finding.add-to-zone-or-stop-selling-there"));
        }
    }

    private void rule(Delivery.Zone zone, String option, PriceRule rule) {
        String path = RateBoard.path(zone, option);
        String name = zone.name() + ", " + optionName(option);
        compiled.setup()
                .shop()
                .smallest()
                .filter(least -> rule.freeFrom()
                        .filter(from -> from.compareTo(least) < 0)
                        .isPresent())
                .ifPresent(least -> at.look(
                        "free-from-below-smallest",
                        path,
                        Message.of(
                                "finding.free-from-but-no-order-may-below",
                                "name",
                                name,
                                "freeFrom",
                                rule.freeFrom().get(),
                                "least",
                                least),
                        Message.of("finding.raise-one-or-lower-other-delivery-always")));
        if (!(rule.basis() instanceof PriceRule.Bands bands)) {
            return;
        }
        PriceRule.Band last = bands.bands().get(bands.bands().size() - 1);
        if (bands.then().isEmpty()
                && zone.rates().entrySet().stream()
                        .noneMatch(other ->
                                !other.getKey().equals(option) && reachesFurther(other.getValue(), bands, last))) {
            at.look(
                    "nothing-above-last-band",
                    path,
                    Message.of(
                            "finding.nothing-offered-above", "name", name, "upTo", last.upTo(), "bands", bands.unit()),
                    Message.of("finding.add-then-or-last-band"));
        }
        BigDecimal before = BigDecimal.ZERO;
        for (PriceRule.Band band : bands.bands()) {
            if (band.price().compareTo(before) < 0) {
                at.look(
                        "price-drops",
                        path,
                        Message.of(
                                "finding.price-drops-to-in-band-to",
                                "name",
                                name,
                                "price",
                                band.price(),
                                "upTo",
                                band.upTo(),
                                "bands",
                                bands.unit()),
                        Message.of("finding.raise-if-buying-more-was-not-meant"));
            }
            before = band.price();
        }
    }

    /**
     * Whether a rule still has a price above the last band of another: without an end, or with a later one in the same
     * unit.
     */
    private static boolean reachesFurther(PriceRule rule, PriceRule.Bands than, PriceRule.Band last) {
        return !(rule.basis() instanceof PriceRule.Bands bands)
                || bands.then().isPresent()
                || bands.unit().equals(than.unit())
                        && bands.bands().get(bands.bands().size() - 1).upTo().compareTo(last.upTo()) > 0;
    }

    /** An option whose own limits shut every basket out, or that no zone prices. */
    private void satisfiable(Delivery.Option option) {
        String path = "delivery/options/" + option.id();
        if (delivery.zones().stream().noneMatch(zone -> zone.rates().containsKey(option.id()))) {
            at.look(
                    "option-nowhere",
                    path,
                    Message.of("finding.has-price-in-no-zone", "option", option.name()),
                    Message.of("finding.fill-in-cell-of-column-or-remove"));
        }
        option.limits().ifPresent(limits -> {
            boolean values = limits.valueFrom().isPresent()
                    && limits.valueTo().isPresent()
                    && limits.valueFrom().get().compareTo(limits.valueTo().get()) > 0;
            boolean goods = !limits.only().isEmpty() && new HashSet<>(limits.except()).containsAll(limits.only());
            List<Product> sent = compiled.setup().goods().products().stream()
                    .filter(Product::physical)
                    .map(product -> compiled.shelf().find(product.id()).orElse(product))
                    .toList();
            boolean none = !sent.isEmpty()
                    && sent.stream()
                            .allMatch(product -> product.among(limits.except())
                                    || !limits.only().isEmpty() && !product.among(limits.only())
                                    || limits.weightTo()
                                            .filter(most -> product.weight()
                                                    .filter(weight ->
                                                            weight.kilograms().compareTo(most.kilograms()) > 0)
                                                    .isPresent())
                                            .isPresent());
            if (values || goods || none) {
                at.look(
                        "option-never",
                        path + "/limits",
                        values
                                ? Message.of("finding.can-carry-no-basket-least-value-above", "option", option.name())
                                : Message.of("finding.can-carry-no-basket-limits-leave-out", "option", option.name()),
                        Message.of("finding.loosen-limits"));
            }
        });
    }

    private String optionName(String id) {
        return delivery.options().stream()
                .filter(option -> option.id().equals(id))
                .map(Delivery.Option::name)
                .findFirst()
                .orElse(id);
    }
}
