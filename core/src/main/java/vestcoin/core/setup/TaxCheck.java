package vestcoin.core.setup;

import java.util.HashSet;
import java.util.Set;
import vestcoin.core.message.Message;
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
        elsewhere();
        checks.problems.when(
                tax.smallBusiness().filter(String::isBlank).isPresent(),
                "tax/smallBusiness",
                Message.of("setup.exemption-has-no-sentence"),
                Message.of("setup.write-what-invoices-have-to-say-or"));
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
                    Message.of("setup.delivery-needs-tax-category-of-own"),
                    Message.of("setup.name-one-of-tax-stations-categories-or"));
        });
        row.rates().forEach((category, rate) -> {
            String at = path + "/rates/" + category;
            checks.problems.when(
                    !categories.contains(category),
                    at,
                    Message.of("setup.there-no-tax-category", "category", category),
                    Message.of("setup.add-category-or-remove-rate"));
            if (!checks.problems.when(
                    rate == null || rate.components().isEmpty(),
                    at,
                    Message.of("setup.rate-empty"),
                    Message.of("setup.write-percentage-0-levies-nothing"))) {
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
                    Message.of("setup.levy-on-first-so-much-of-item"),
                    Message.of("setup.write-prices-without-tax-or-leave-figure"));
        });
    }

    private void elsewhere() {
        checks.ids(tax.salesElsewhere(), Tax.SalesElsewhere::id, "tax/salesElsewhere");
        Set<Integer> years = new HashSet<>();
        for (Tax.SalesElsewhere each : tax.salesElsewhere()) {
            String path = "tax/salesElsewhere/" + each.id();
            checks.problems.when(
                    each.year() < Tax.SalesElsewhere.FIRST_YEAR
                            || each.year() > Tax.SalesElsewhere.LAST_YEAR
                            || !years.add(each.year()),
                    path + "/year",
                    Message.of("setup.year-of-sales-cannot-be", "year", String.valueOf(each.year())),
                    Message.of("setup.write-each-year-once"));
            if (checks.required(each.net(), path + "/net")) {
                checks.problems.when(
                        each.net().signum() < 0
                                || each.net().stripTrailingZeros().scale() > 2,
                        path + "/net",
                        Message.of("setup.sales-elsewhere-cannot-be", "net", each.net()),
                        Message.of("setup.write-them-in-euro-without-tax"));
            }
        }
    }

    private void registration(Tax.Registration registration) {
        String path = "tax/registrations/" + registration.id();
        boolean union = registration.scheme() != Tax.Scheme.ORDINARY;
        checks.problems.when(
                union && !"EU".equals(registration.authority()),
                path + "/authority",
                Message.of("setup.this-scheme-unions"),
                Message.of("setup.write-eu-authority"));
        if (!union) {
            authority(registration.authority(), path + "/authority");
        }
        registration.most().ifPresent(most -> {
            boolean currency =
                    most.currency() != null && Currencies.of(most.currency()).isPresent();
            checks.problems.when(
                    !currency || most.amount() == null || most.amount().signum() < 0,
                    path + "/most",
                    Message.of("setup.largest-consignment-needs-amount-and-currency"),
                    Message.of("setup.write-135-gbp"));
        });
    }

    private void authority(String authority, String path) {
        checks.problems.when(
                authority == null
                        || !(Countries.isCountry(authority)
                                || Countries.isSubdivision(authority)
                                || authority.equals("XI")),
                path,
                Message.of("setup.levies-no-tax", "authority", authority),
                Message.of("setup.write-country-or-region-ie-or-us"));
    }
}
