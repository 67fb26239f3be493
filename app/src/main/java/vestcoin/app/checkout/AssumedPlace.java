package vestcoin.app.checkout;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.BeforeAddress;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Tax;

/** What a basket is priced for until its buyer says where it goes. */
final class AssumedPlace {
    /** Countries whose addresses name a region that tax or delivery goes by; common practice, no source. */
    static final List<String> WITH_REGION = List.of("AU", "CA", "US");

    private AssumedPlace() {}

    /**
     * The place, if one is assumed that the shop sells to.
     *
     * @param timeZone of the buyer's browser
     * @param languages it asks for, the one liked best first
     */
    static Optional<Destination> of(CompiledSetup setup, Optional<String> timeZone, List<Locale> languages) {
        BeforeAddress assumed = setup.setup().shop().beforeAddress();
        return switch (assumed.by()) {
            case NONE -> Optional.empty();
            case ANOTHER -> assumed.at().filter(at -> sold(setup, at));
            case SHOP -> Optional.of(setup.home()).filter(at -> sold(setup, at));
            case BROWSER -> suggested(setup, timeZone, languages);
        };
    }

    private static Optional<Destination> suggested(
            CompiledSetup setup, Optional<String> timeZone, List<Locale> languages) {
        BuyerDetails seen = new BuyerDetails(null, null, null, timeZone);
        Optional<Destination> country = Stream.concat(
                        seen.country().stream(), languages.stream().map(Locale::getCountry))
                .filter(Countries::isCountry)
                .map(Destination::of)
                .filter(at -> sold(setup, at))
                .findFirst();
        // A country alone does not tell what is added there.
        return country.isPresent()
                        && WITH_REGION.contains(country.get().country())
                        && setup.setup().tax().prices() == Tax.Prices.WITHOUT_TAX
                ? Optional.empty()
                : country.or(() -> Optional.of(setup.home()).filter(at -> sold(setup, at)));
    }

    private static boolean sold(CompiledSetup setup, Destination at) {
        return setup.sellsTo().find(at).isPresent();
    }
}
