package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.VatTerritory;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.RateCell;
import vestcoin.core.tax.Reference;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBook;

/** What a seller should know about tax. */
final class TaxFindings {
    /** A rate below this, other than zero, is more likely a share of one typed for a percentage. */
    private static final BigDecimal SMALLEST = new BigDecimal("0.3");

    private final CompiledSetup compiled;
    private final Tax tax;
    private final FindingContext known;
    private final TaxBook.When when;
    private final Findings.At at;
    private final String home;
    private final Set<String> used = new HashSet<>();
    /** Categories of what may be taxed where it goes: all but services done at the shop. */
    private final Set<String> usedElsewhere = new HashSet<>();

    TaxFindings(CompiledSetup compiled, FindingContext known, Findings.At at) {
        this.compiled = compiled;
        this.tax = compiled.setup().tax();
        this.known = known;
        this.when = new TaxBook.When(known.at(), compiled.zone());
        this.at = at;
        this.home = compiled.setup().shop().address().country();
        for (Product product : compiled.setup().goods().products()) {
            if (!product.outside() && product.kind() != Product.Kind.BUNDLE) {
                compiled.shelf().find(product.id()).ifPresent(found -> {
                    used.add(found.taxCategory());
                    if (found.kind() != Product.Kind.SERVICE) {
                        usedElsewhere.add(found.taxCategory());
                    }
                });
            }
        }
    }

    void add() {
        if (tax.smallBusiness().isEmpty()) {
            homeRates();
            registrations();
            threshold();
        }
        toConfirm();
        tax.places().forEach(this::row);
        territories();
        elsewhere();
    }

    /** Rows for places whose rates are another's, and places with rates of their own that have no row. */
    private void territories() {
        for (Tax.PlaceRates row : tax.places()) {
            for (Place place : row.places()) {
                VatTerritory.treatedAs(place)
                        .ifPresent(land -> at.look(
                                "row-of-another-territory",
                                "tax/places/" + row.id() + "/places",
                                row.name() + ": " + place.text() + " is taxed as " + land + ", so the rates of " + land
                                        + " hold there and this row is not used for it.",
                                "Take it out."));
            }
        }
        Set<String> soldTo = SalesArea.countries(compiled.setup());
        for (VatTerritory.OwnRates own : VatTerritory.withOwnRates()) {
            Destination there = Place.samples(own.places().get(0)).get(0);
            boolean taxed = own.country().equals(home)
                    || tax.registrations().isEmpty()
                    || tax.registrations().stream()
                            .anyMatch(registration -> registration.authority().equals(own.country())
                                    || registration.scheme() != Tax.Scheme.ORDINARY);
            if (!taxed
                    || !soldTo.contains(own.country())
                    || compiled.sellsTo().find(there).isEmpty()) {
                continue;
            }
            String country = Countries.name(own.country());
            boolean like = usedElsewhere.stream().anyMatch(category -> compiled.book()
                    .find(there, category, when)
                    .map(TaxBook.Levy::row)
                    .filter(row -> compiled.book()
                            .find(Destination.of(own.country()), category, when)
                            .map(TaxBook.Levy::row)
                            .filter(row::equals)
                            .isPresent())
                    .isPresent());
            if (like) {
                at.look(
                        "own-rates-missing",
                        "tax/places",
                        own.name() + ": other rates hold there than in the rest of " + country + ", "
                                + Findings.named(Reference.of(own.id()).stream()
                                        .map(rate -> RateCell.print(rate.rate()))
                                        .toList())
                                + " by the reference, and the tax book has no row for it.",
                        "Fill it from the reference, then compare it with what is published.");
            }
        }
    }

    /** Regions sold to where the seller, registered by region, is not registered. */
    private void elsewhere() {
        List<String> authorities =
                tax.registrations().stream().map(Tax.Registration::authority).toList();
        for (String country : SalesArea.countries(compiled.setup())) {
            List<String> here = authorities.stream()
                    .filter(authority -> authority.startsWith(country + "-"))
                    .toList();
            if (here.isEmpty() || authorities.contains(country)) {
                continue;
            }
            List<String> others = Countries.divisions(country).keySet().stream()
                    .filter(region -> !here.contains(region)
                            && compiled.sellsTo()
                                    .find(new Destination(
                                            country, java.util.Optional.of(region), java.util.Optional.empty()))
                                    .isPresent())
                    .map(Countries::name)
                    .sorted()
                    .toList();
            if (!others.isEmpty()) {
                at.note(
                        "not-registered-there",
                        "tax/registrations",
                        "Registered in "
                                + Findings.named(
                                        here.stream().map(Countries::name).toList()) + " only, so orders to "
                                + Findings.named(others) + " bear no tax.",
                        "Enter a registration once one is owed there; many regions ask for one from a bound of "
                                + "sales on.");
            }
        }
    }

    private void homeRates() {
        for (Tax.Category category : tax.categories()) {
            if (used.contains(category.id())
                    && compiled.book()
                            .find(compiled.home(), category.id(), when)
                            .isEmpty()) {
                at.blocks(
                        "category-without-home-rate",
                        "tax/places",
                        "The tax book has no rate for " + category.name() + " in " + home + ".",
                        "Write the rate into the row that holds it; 0 levies nothing.");
            }
        }
    }

    private void registrations() {
        if (tax.registrations().isEmpty()) {
            if (!tax.places().isEmpty()) {
                at.look(
                        "rates-without-registration",
                        "tax/registrations",
                        "The tax book has rates, but no registration is entered.",
                        "Enter where the shop is registered; until then every rate of the book is charged.");
            }
            return;
        }
        for (Tax.Registration registration : tax.registrations()) {
            String path = "tax/registrations/" + registration.id();
            List<String> places = registration.scheme() == Tax.Scheme.ORDINARY
                    ? List.of(registration.authority())
                    : SalesArea.countries(compiled.setup()).stream()
                            .filter(Groups.EU::contains)
                            .filter(country -> !country.equals(home))
                            .toList();
            List<String> without = places.stream()
                    .filter(place -> (place.equals(home) ? used : usedElsewhere)
                            .stream().anyMatch(category -> compiled.book()
                                    .find(destination(place), category, when)
                                    .isEmpty()))
                    .toList();
            if (!without.isEmpty()) {
                at.blocks(
                        "registered-without-rates",
                        path,
                        "Registered for " + Findings.named(without)
                                + ", but the tax book has no rate there for everything that is sold.",
                        "Add a row for it; the reference can fill it.");
            }
        }
        List<String> unregistered = new ArrayList<>();
        for (Tax.PlaceRates row : tax.places()) {
            if (row.rates().values().stream()
                            .flatMap(rate -> rate.components().stream())
                            .anyMatch(component -> component.percent().signum() > 0)
                    && row.places().stream().noneMatch(place -> registered(row, place))) {
                unregistered.add(row.name());
            }
        }
        if (!unregistered.isEmpty()) {
            at.note(
                    "rates-never-charged",
                    "tax/places",
                    "No registration covers " + Findings.named(unregistered)
                            + ", so these rates are charged to nobody.",
                    "Enter the registration, or leave the rows for later.");
        }
    }

    private boolean registered(Tax.PlaceRates row, Place place) {
        Set<String> countries = SalesArea.countriesOf(place);
        return tax.registrations().stream()
                .anyMatch(registration ->
                        row.authority().filter(registration.authority()::equals).isPresent()
                                || countries.contains(registration.authority())
                                || registration.authority().equals("XI") && countries.contains("GB")
                                || place instanceof Place.Subdivision subdivision
                                        && subdivision.code().equals(registration.authority())
                                || registration.scheme() != Tax.Scheme.ORDINARY
                                        && countries.stream().anyMatch(Groups.EU::contains)
                                || row.rates().values().stream()
                                        .flatMap(rate -> rate.components().stream())
                                        .anyMatch(component -> component
                                                .authority()
                                                .filter(registration.authority()::equals)
                                                .isPresent()));
    }

    private static Destination destination(String authority) {
        if (authority.equals("XI")) {
            return Destination.of("GB", "BT1 1AA");
        }
        return Countries.isSubdivision(authority)
                ? new Destination(
                        authority.substring(0, 2), java.util.Optional.of(authority), java.util.Optional.empty())
                : Destination.of(authority);
    }

    private void threshold() {
        boolean union = Groups.EU.contains(home)
                && SalesArea.countries(compiled.setup()).stream()
                        .anyMatch(country -> Groups.EU.contains(country) && !country.equals(home));
        boolean oneStop = tax.registrations().stream()
                .anyMatch(registration -> registration.scheme() == Tax.Scheme.ONE_STOP_SHOP);
        if (union
                && !oneStop
                && !tax.registrations().isEmpty()
                && !known.sales().within(BigDecimal.ZERO)) {
            at.blocks(
                    "over-threshold",
                    "tax/registrations",
                    "Sales to consumers in other member states are over 10,000 euro, but the one-stop shop is off.",
                    "Register with it, or in each of those states (Directive 2006/112/EC, Art. 59c, 369a).");
        }
    }

    private void toConfirm() {
        List<Tax.PlaceRates> rows =
                tax.places().stream().filter(row -> row.toConfirm().isPresent()).toList();
        if (!rows.isEmpty()) {
            at.note(
                    "rates-to-confirm",
                    "tax/places/" + rows.get(0).id() + "/toConfirm",
                    "Filled from the reference and not confirmed yet: "
                            + Findings.named(
                                    rows.stream().map(Tax.PlaceRates::name).toList()) + ".",
                    "Compare the rates with what the authorities publish, then confirm them.");
        }
    }

    private void row(Tax.PlaceRates row) {
        String path = "tax/places/" + row.id();
        if (row.rounding().filter(way -> way == Tax.RoundedBy.LINE).isPresent()) {
            at.note(
                    "rounded-by-line",
                    path + "/rounding",
                    row.name()
                            + ": tax is rounded line by line, which moves orders of more than 100 lines away from "
                            + "their total's tax.",
                    "Use it only where the authority asks for it.");
        }
        row.rates().forEach((category, rate) -> {
            String cell = path + "/rates/" + category;
            Optional<Tax.Component> little = rate.components().stream()
                    .filter(component -> component.percent().signum() > 0
                            && component.percent().compareTo(SMALLEST) < 0)
                    .findFirst();
            if (little.isPresent()) {
                BigDecimal percent = little.get().percent();
                at.look(
                        "rate-like-a-share",
                        cell,
                        row.name() + ": " + percent.toPlainString() + " % is very little; was "
                                + percent.movePointRight(2).stripTrailingZeros().toPlainString() + " % meant?",
                        "Write the percentage.");
                return;
            }
            List<String> unlike = row.places().stream()
                    .filter(place -> place instanceof Place.Country || place instanceof Place.Subdivision)
                    .map(Place::text)
                    .filter(place ->
                            !Reference.agrees(place, rate) && rate.total().signum() > 0)
                    .toList();
            if (!unlike.isEmpty()) {
                Reference.Row reference = Reference.of(unlike.get(0)).get(0);
                String published = Findings.named(Reference.of(unlike.get(0)).stream()
                        .map(each -> RateCell.print(each.rate()))
                        .distinct()
                        .toList());
                at.look(
                        "rate-unlike-reference",
                        cell,
                        row.name() + ": " + RateCell.print(rate) + " is not among the rates published for "
                                + unlike.get(0) + ": " + published + " (looked at " + reference.lookedAt() + ").",
                        "Keep it if it is right; otherwise write the published one.");
            }
        });
    }
}
