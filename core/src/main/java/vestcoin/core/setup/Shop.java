package vestcoin.core.setup;

import java.util.List;
import java.util.Optional;
import vestcoin.core.money.Rounding;
import vestcoin.core.place.Place;

/**
 * The Shop station of a setup: who and where the shop is.
 *
 * @param currency   ISO 4217; every amount of the setup is in it
 * @param language   BCP 47 tag of what buyers read
 * @param timeZone   IANA name
 * @param weightUnit {@code kg} or {@code lb}, what new weights are typed in
 * @param rounding   used at every rounding point
 * @param sellsTo    places an order may go to
 */
public record Shop(String name, String legalName, Address address, String email, String phone, String currency,
        String language, String timeZone, String weightUnit, Rounding rounding, List<Place> sellsTo) {
    public Shop {
        legalName = legalName == null ? "" : legalName;
        email = email == null ? "" : email;
        phone = phone == null ? "" : phone;
        weightUnit = weightUnit == null ? "kg" : weightUnit;
        rounding = rounding == null ? Rounding.HALF_UP : rounding;
        sellsTo = sellsTo == null ? List.of() : List.copyOf(sellsTo);
    }

    /** @param region ISO 3166-2; @param country ISO 3166-1 */
    public record Address(List<String> lines, String city, Optional<String> region, String postcode, String country) {
        public Address {
            lines = lines == null ? List.of() : List.copyOf(lines);
            city = city == null ? "" : city;
            region = region == null ? Optional.empty() : region;
            postcode = postcode == null ? "" : postcode;
        }
    }
}
