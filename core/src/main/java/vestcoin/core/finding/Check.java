package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.finding.Finding.Station;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.setup.Compiled;
import vestcoin.core.tax.Tax;

/** {@code check(setup) -> findings}: pure; what blocks opening first, then in the order of the stations. */
public final class Check {
    private final Compiled compiled;
    private final List<Finding> findings = new ArrayList<>();

    private Check(Compiled compiled) {
        this.compiled = compiled;
    }

    public static List<Finding> of(Compiled compiled, Map<String, Gateway> gateways) {
        Check check = new Check(compiled);
        check.shop();
        check.goods();
        check.delivery();
        check.reach();
        check.payment(gateways);
        check.findings.sort(Comparator.comparing(Finding::severity).thenComparing(Finding::station));
        return List.copyOf(check.findings);
    }

    private void add(String id, Severity severity, Station station, String path, String sentence, String remedy) {
        findings.add(new Finding(id, severity, station, path, sentence, remedy));
    }

    private void shop() {
        if (compiled.setup().shop().sellsTo().isEmpty()) {
            add("sells-nowhere", Severity.BLOCKS_OPENING, Station.SHOP, "shop/sellsTo", "The shop sells to no place yet.", "Add the countries or groups it sells to.");
        }
        if (compiled.setup().shop().email().isBlank()) {
            add("no-email", Severity.LOOK_AT_THIS, Station.SHOP, "shop/email", "Buyers have no address to write to.", "Add the shop's e-mail.");
        }
    }

    private void goods() {
        if (compiled.setup().goods().products().isEmpty()) {
            add("no-goods", Severity.BLOCKS_OPENING, Station.GOODS, "goods/products", "There is nothing to sell yet.", "Add a first product.");
        }
        boolean byWeight = compiled.setup().delivery().zones().stream().flatMap(zone -> zone.rates().values().stream())
                .anyMatch(rule -> rule.basis() instanceof PriceRule.Bands bands && Weight.isUnit(bands.unit()));
        for (Product product : compiled.setup().goods().products()) {
            if (byWeight && product.physical() && product.weight().isEmpty()) {
                add("no-weight", Severity.LOOK_AT_THIS, Station.GOODS, "goods/products/" + product.id() + "/weight",
                        product.name() + " has no weight, so delivery by weight counts it as nothing.", "Add the weight of one, as 1.2 kg.");
            }
        }
    }

    private void delivery() {
        for (Delivery.Zone zone : compiled.setup().delivery().zones()) {
            if (zone.places().isEmpty()) {
                add("zone-without-place", Severity.LOOK_AT_THIS, Station.DELIVERY, "delivery/zones/" + zone.id() + "/places",
                        zone.name() + " holds no place.", "Add a country, a region or postcodes, or remove the zone.");
            }
            if (zone.rates().isEmpty()) {
                add("zone-without-option", Severity.BLOCKS_OPENING, Station.DELIVERY, "delivery/zones/" + zone.id(),
                        "Nothing is offered in " + zone.name() + ".", "Fill in at least one cell of its row.");
            }
            zone.rates().forEach((option, rule) -> rule(zone, option, rule));
        }
    }

    private void rule(Delivery.Zone zone, String option, PriceRule rule) {
        if (!(rule.basis() instanceof PriceRule.Bands bands)) {
            return;
        }
        String path = RateBoard.path(zone, option);
        String name = zone.name() + ", " + optionName(option);
        PriceRule.Band last = bands.bands().get(bands.bands().size() - 1);
        if (bands.then().isEmpty() && zone.rates().entrySet().stream().noneMatch(other -> !other.getKey().equals(option) && reachesFurther(other.getValue(), bands, last))) {
            add("nothing-above-last-band", Severity.LOOK_AT_THIS, Station.DELIVERY, path,
                    name + ": nothing is offered above " + last.upTo().toPlainString() + " " + bands.unit() + ".", "Add “then …” or a last band.");
        }
        BigDecimal before = BigDecimal.ZERO;
        for (PriceRule.Band band : bands.bands()) {
            if (band.price().compareTo(before) < 0) {
                add("price-drops", Severity.LOOK_AT_THIS, Station.DELIVERY, path,
                        name + ": the price drops to " + band.price().toPlainString() + " in the band to " + band.upTo().toPlainString() + " " + bands.unit() + ".",
                        "Raise it, if buying more was not meant to make delivery cheaper.");
            }
            before = band.price();
        }
    }

    /** Whether a rule still has a price above the last band of another: without an end, or with a later one in the same unit. */
    private static boolean reachesFurther(PriceRule rule, PriceRule.Bands than, PriceRule.Band last) {
        return !(rule.basis() instanceof PriceRule.Bands bands) || bands.then().isPresent()
                || bands.unit().equals(than.unit()) && bands.bands().get(bands.bands().size() - 1).upTo().compareTo(last.upTo()) > 0;
    }

    private String optionName(String id) {
        return compiled.setup().delivery().options().stream().filter(option -> option.id().equals(id)).map(Delivery.Option::name).findFirst().orElse(id);
    }

    /** Every country sold to has a zone and a tax answer, or is named. */
    private void reach() {
        boolean physical = compiled.setup().goods().products().stream().anyMatch(Product::physical);
        Set<String> used = new HashSet<>(compiled.setup().goods().products().stream().map(Product::category).toList());
        List<String> withoutZone = new ArrayList<>();
        Set<String> undecided = new HashSet<>();
        for (String country : countries()) {
            Destination to = Destination.of(country);
            Optional<Match<Delivery.Zone>> zone = compiled.board().zoneOf(to);
            if (zone.isEmpty() && physical) {
                withoutZone.add(country);
            }
            zone.filter(match -> !match.tied().isEmpty() && undecided.add(match.value().id())).ifPresent(match ->
                    add("zones-overlap", Severity.BLOCKS_OPENING, Station.DELIVERY, "delivery/zones/" + match.value().id() + "/places",
                            match.value().name() + " and the zone “" + match.tied().get(0) + "” both hold " + country + ".", "Take it out of one of them."));
        }
        if (!withoutZone.isEmpty()) {
            add("place-without-zone", Severity.BLOCKS_OPENING, Station.DELIVERY, "delivery/zones",
                    "The shop sells to " + named(withoutZone) + ", but no delivery zone holds " + (withoutZone.size() == 1 ? "it." : "them."),
                    "Add it to a zone, or stop selling there.");
        }
        String home = compiled.setup().shop().address().country();
        for (Tax.Category category : compiled.setup().tax().categories()) {
            if (used.contains(category.id()) && compiled.book().find(Destination.of(home), category.id()).isEmpty()) {
                add("category-without-home-rate", Severity.BLOCKS_OPENING, Station.TAX, "tax/places",
                        "The tax book has no rate for " + category.name() + " in " + home + ".", "Write the rate into the row that holds it; 0 levies nothing.");
            }
        }
    }

    private Set<String> countries() {
        Set<String> countries = new TreeSet<>();
        for (Place place : compiled.setup().shop().sellsTo()) {
            if (place instanceof Place.Country country) {
                countries.add(country.code());
            } else if (place instanceof Place.Group group) {
                countries.addAll(Groups.countriesOf(group.name()));
            } else if (place instanceof Place.Postcodes postcodes && Countries.isCountry(postcodes.country())) {
                countries.add(postcodes.country());
            } else if (place instanceof Place.Subdivision subdivision) {
                countries.add(subdivision.code().substring(0, 2));
            }
        }
        return countries;
    }

    private static String named(List<String> countries) {
        return countries.size() <= 6 ? String.join(", ", countries)
                : String.join(", ", countries.subList(0, 5)) + " and " + (countries.size() - 5) + " more";
    }

    private void payment(Map<String, Gateway> gateways) {
        List<Payment.Method> on = compiled.setup().payment().methods().stream().filter(Payment.Method::on).toList();
        boolean anySeen = false;
        for (Payment.Method method : on) {
            Gateway gateway = gateways.getOrDefault(method.gateway(), Gateway.NOT_CONNECTED);
            anySeen |= gateway.usable();
            if (!gateway.usable()) {
                add("method-not-seen", Severity.LOOK_AT_THIS, Station.PAYMENT, "payment/methods/" + method.id(),
                        "No buyer sees " + method.title() + ": " + gateway.trouble() + ".", "Enter the keys of the account and check them.");
            }
        }
        if (!anySeen) {
            add("no-way-to-pay", Severity.BLOCKS_OPENING, Station.PAYMENT, "payment/methods", "No buyer can pay yet.", "Switch a method on and connect its account.");
        }
    }
}
