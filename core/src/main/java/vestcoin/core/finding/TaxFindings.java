package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.VatTerritory;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.DatedTaxBook;
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
    private final DatedTaxBook book;
    private final Findings.At at;
    private final String home;
    private final Set<String> used = new HashSet<>();
    /** Categories of what may be taxed where it goes: all but services done at the shop. */
    private final Set<String> usedElsewhere = new HashSet<>();

    TaxFindings(CompiledSetup compiled, FindingContext known, Findings.At at) {
        this.compiled = compiled;
        this.tax = compiled.setup().tax();
        this.known = known;
        this.book = compiled.book().on(new TaxBook.When(known.at(), compiled.zone()));
        this.at = at;
        this.home = compiled.setup().shop().address().country();
        for (Product product : compiled.setup().goods().products()) {
            if (!product.untaxed() && !product.assembled()) {
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
                                Message.of(
                                        "finding.taxed-so-rates-of-hold-there-and",
                                        "row",
                                        row.name(),
                                        "place",
                                        place instanceof Place.Postcodes ? place.text() : new Region(place.text()),
                                        "land",
                                        land),
                                Message.of("finding.take-out")));
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
            boolean like = usedElsewhere.stream().anyMatch(category -> book.find(there, category)
                    .map(TaxBook.Levy::row)
                    .filter(row -> book.find(Destination.of(own.country()), category)
                            .map(TaxBook.Levy::row)
                            .filter(row::equals)
                            .isPresent())
                    .isPresent());
            if (like) {
                at.look(
                        "own-rates-missing",
                        "tax/places",
                        Message.of(
                                "finding.other-rates-hold-there-than-in-rest",
                                "own",
                                own.said(),
                                "country",
                                new Region(own.country()),
                                "rates",
                                Reference.of(own.id()).stream()
                                        .map(rate -> RateCell.print(rate.rate()))
                                        .toList()),
                        Message.of("finding.fill-from-reference-then-compare-with-what"));
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
                    .sorted(Comparator.comparing(Countries::name))
                    .toList();
            if (!others.isEmpty()) {
                at.note(
                        "not-registered-there",
                        "tax/registrations",
                        Message.of(
                                "finding.registered-in-only-so-orders-to-bear",
                                "registered",
                                here.stream().map(Region::new).toList(),
                                "others",
                                others.stream().map(Region::new).toList()),
                        Message.of("finding.enter-registration-once-one-owed-there-many"));
            }
        }
    }

    private void homeRates() {
        for (Tax.Category category : tax.categories()) {
            if (used.contains(category.id())
                    && book.find(compiled.home(), category.id()).isEmpty()) {
                at.blocks(
                        "category-without-home-rate",
                        "tax/places",
                        Message.of(
                                "finding.tax-book-has-no-rate-for-in",
                                "category",
                                category.name(),
                                "home",
                                new Region(home)),
                        Message.of("finding.write-rate-into-row-that-holds-0"));
            }
        }
    }

    private void registrations() {
        if (tax.registrations().isEmpty()) {
            if (!tax.places().isEmpty()) {
                at.look(
                        "rates-without-registration",
                        "tax/registrations",
                        Message.of("finding.tax-book-has-rates-but-no-registration"),
                        Message.of("finding.enter-where-shop-registered-until-then-every"));
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
                            .stream().anyMatch(category -> book.find(destination(place), category)
                                    .isEmpty()))
                    .toList();
            if (!without.isEmpty()) {
                at.blocks(
                        "registered-without-rates",
                        path,
                        Message.of(
                                "finding.registered-for-but-tax-book-has-no",
                                "places",
                                without.stream().map(Region::new).toList()),
                        Message.of("finding.add-row-for-reference-can-fill"));
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
                    Message.of("finding.no-registration-covers-so-these-rates-charged", "places", unregistered),
                    Message.of("finding.enter-registration-or-leave-rows-for-later"));
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
                && !tax.with(known.sales(), known.at().atZone(compiled.zone()).getYear())
                        .within(BigDecimal.ZERO)) {
            at.blocks(
                    "over-threshold",
                    "tax/registrations",
                    Message.of("finding.sales-to-consumers-in-other-member-states"),
                    Message.of("finding.register-with-or-in-each-of-those"));
        }
    }

    private void toConfirm() {
        List<Tax.PlaceRates> rows =
                tax.places().stream().filter(row -> row.toConfirm().isPresent()).toList();
        if (!rows.isEmpty()) {
            at.note(
                    "rates-to-confirm",
                    "tax/places/" + rows.get(0).id() + "/toConfirm",
                    Message.of(
                            "finding.filled-from-reference-and-not-confirmed-yet",
                            "names",
                            rows.stream().map(Tax.PlaceRates::name).toList()),
                    Message.of("finding.compare-rates-with-what-authorities-publish-then"));
        }
    }

    private void row(Tax.PlaceRates row) {
        String path = "tax/places/" + row.id();
        if (row.rounding().filter(way -> way == Tax.RoundedBy.LINE).isPresent()) {
            at.note(
                    "rounded-by-line",
                    path + "/rounding",
                    Message.of("finding.tax-rounded-line-by-line-moves-orders", "row", row.name()),
                    Message.of("finding.use-only-where-authority-asks-for"));
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
                        Message.of(
                                "finding.very-little-was-meant",
                                "row",
                                row.name(),
                                "percent",
                                percent,
                                "movePointRight",
                                percent.movePointRight(2).stripTrailingZeros()),
                        Message.of("finding.write-percentage"));
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
                List<String> published = Reference.of(unlike.get(0)).stream()
                        .map(each -> RateCell.print(each.rate()))
                        .distinct()
                        .toList();
                at.look(
                        "rate-unlike-reference",
                        cell,
                        Message.of(
                                "finding.not-among-rates-published-for-looked-at",
                                "row",
                                row.name(),
                                "rate",
                                RateCell.print(rate),
                                "place",
                                unlike.get(0),
                                "published",
                                published,
                                "lookedAt",
                                reference.lookedAt()),
                        Message.of("finding.keep-if-right-otherwise-write-published-one"));
            }
        });
    }
}
