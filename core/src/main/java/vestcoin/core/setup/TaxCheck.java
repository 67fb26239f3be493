package vestcoin.core.setup;

import java.util.HashSet;
import java.util.Set;
import vestcoin.core.money.Currencies;
import vestcoin.core.place.Countries;
import vestcoin.core.tax.Tax;

/** What makes the tax station impossible to price with. */
final class TaxCheck {
    private final Tax tax;
    private final Checks checks;

    TaxCheck(Tax tax, Checks checks) {
        this.tax = tax;
        this.checks = checks;
    }

    void check() {
        checks.required(tax.prices(), "tax/prices");
        checks.ids(tax.categories(), Tax.Category::id, "tax/categories");
        checks.ids(tax.places(), Tax.PlaceRates::id, "tax/places");
        checks.ids(tax.registrations(), Tax.Registration::id, "tax/registrations");
        Set<String> categories =
                new HashSet<>(tax.categories().stream().map(Tax.Category::id).toList());
        tax.categories().forEach(category -> checks.named(category.name(), "tax/categories/" + category.id()));
        tax.places().forEach(row -> row(row, categories));
        tax.registrations().forEach(this::registration);
        checks.problems.when(
                tax.smallBusiness().filter(String::isBlank).isPresent(),
                "tax/smallBusiness",
                "The exemption has no sentence.",
                "Write what invoices have to say, or leave it out.");
    }

    private void row(Tax.PlaceRates row, Set<String> categories) {
        if (checks.isSound(row)) {
            return;
        }
        String path = "tax/places/" + row.id();
        checks.named(row.name(), path);
        checks.places(row.places(), path + "/places");
        checks.places(row.except(), path + "/except");
        row.valid().ifPresent(window -> checks.window(window, path + "/valid"));
        row.authority().ifPresent(authority -> authority(authority, path + "/authority"));
        row.delivery().ifPresent(delivery -> {
            checks.required(delivery.way(), path + "/delivery/way");
            checks.problems.when(
                    delivery.way() == Tax.Way.OWN_CATEGORY
                            && delivery.category().filter(categories::contains).isEmpty(),
                    path + "/delivery/category",
                    "Delivery needs a tax category of its own.",
                    "Name one of the tax station's categories, or tax it another way.");
        });
        row.rates().forEach((category, rate) -> {
            String at = path + "/rates/" + category;
            checks.problems.when(
                    !categories.contains(category),
                    at,
                    "There is no tax category “" + category + "”.",
                    "Add the category, or remove the rate.");
            if (!checks.problems.when(
                    rate == null || rate.components().isEmpty(),
                    at,
                    "The rate is empty.",
                    "Write a percentage; 0 levies nothing.")) {
                rate.components().forEach(component -> component(component, at));
            }
        });
    }

    private void component(Tax.Component component, String path) {
        checks.percent(component.percent(), path);
        component.authority().ifPresent(authority -> authority(authority, path));
        component.firstOnly().ifPresent(first -> {
            checks.amount(first, path, false);
            checks.problems.when(
                    tax.prices() == Tax.Prices.WITH_TAX,
                    path,
                    "A levy on the first so much of an item cannot be taken out of a price.",
                    "Write prices without tax, or leave the figure out.");
        });
    }

    private void registration(Tax.Registration registration) {
        String path = "tax/registrations/" + registration.id();
        boolean union = registration.scheme() != Tax.Scheme.ORDINARY;
        checks.problems.when(
                union && !"EU".equals(registration.authority()),
                path + "/authority",
                "This scheme is the Union's.",
                "Write EU as its authority.");
        if (!union) {
            authority(registration.authority(), path + "/authority");
        }
        registration.most().ifPresent(most -> {
            boolean currency =
                    most.currency() != null && Currencies.of(most.currency()).isPresent();
            checks.problems.when(
                    !currency || most.amount() == null || most.amount().signum() < 0,
                    path + "/most",
                    "The largest consignment needs an amount and a currency.",
                    "Write it as 135 GBP.");
        });
    }

    private void authority(String authority, String path) {
        checks.problems.when(
                authority == null
                        || !(Countries.isCountry(authority)
                                || Countries.isSubdivision(authority)
                                || authority.equals("XI")),
                path,
                "“" + authority + "” levies no tax.",
                "Write a country or a region, as IE or US-NC; XI is Northern Ireland.");
    }
}
