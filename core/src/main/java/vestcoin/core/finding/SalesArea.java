package vestcoin.core.finding;

import java.util.Set;
import java.util.TreeSet;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.setup.Setup;

/** The countries a shop sells to, wholly or in part. */
public final class SalesArea {
    private SalesArea() {}

    public static Set<String> countries(Setup setup) {
        Set<String> countries = new TreeSet<>();
        for (Place place : setup.shop().sellsTo()) {
            countries.addAll(countriesOf(place));
        }
        return countries;
    }

    static Set<String> countriesOf(Place place) {
        if (place instanceof Place.Country country) {
            return Set.of(country.code());
        }
        if (place instanceof Place.Group group) {
            return Groups.countriesOf(group.name());
        }
        if (place instanceof Place.Postcodes postcodes && Countries.isCountry(postcodes.country())) {
            return Set.of(postcodes.country());
        }
        return place instanceof Place.Subdivision subdivision
                ? Set.of(subdivision.code().substring(0, 2))
                : Set.of();
    }
}
