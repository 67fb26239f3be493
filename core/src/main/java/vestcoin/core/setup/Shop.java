package vestcoin.core.setup;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.calendar.WorkSchedule;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Rounding;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.Point;
import vestcoin.core.problem.Problems;

/**
 * The Shop station of a setup: who and where the shop is.
 *
 * @param currency ISO 4217; every amount of the setup is in it
 * @param language BCP 47 tag of what buyers read
 * @param timeZone IANA name
 * @param weightUnit {@code kg}, {@code g}, {@code lb} or {@code oz}, what new weights are offered in
 * @param rounding used at every rounding point
 * @param sellsTo places an order may go to
 * @param currencies other currencies buyers may pay in
 * @param working days the shop works, for promises
 * @param point where the shop stands, for distances
 * @param smallest least value of an order's goods
 * @param languages BCP 47 tags of other languages buyers may read in
 * @param numbers registration numbers as printed, such as a company's or a VAT number
 * @param lengthUnit as in {@link vestcoin.core.goods.Length}: of a length typed without one; inches where weights are
 *     in pounds or ounces, else centimetres, unless said otherwise
 * @param sites origins (RFC 6454) of other sites, on whose pages alone the counter can be opened in place
 * @param beforeAddress what a basket is priced for until its buyer says where it goes
 */
@RecordBuilder
public record Shop(
        String name,
        String legalName,
        Address address,
        String email,
        String phone,
        String currency,
        String language,
        String timeZone,
        String weightUnit,
        Rounding rounding,
        List<Place> sellsTo,
        List<AcceptedCurrency> currencies,
        WorkSchedule working,
        Optional<Point> point,
        Optional<BigDecimal> smallest,
        List<String> languages,
        List<String> numbers,
        String lengthUnit,
        BeforeAddress beforeAddress,
        List<String> sites) {
    /** Who it is on papers: the legal name, or its own where there is none. */
    public String legally() {
        return legalName.isBlank() ? name : legalName;
    }

    public Shop {
        legalName = legalName == null ? "" : legalName;
        email = email == null ? "" : email;
        phone = phone == null ? "" : phone;
        weightUnit = weightUnit == null ? "kg" : weightUnit;
        rounding = rounding == null ? Rounding.HALF_UP : rounding;
        sellsTo = sellsTo == null ? List.of() : List.copyOf(sellsTo);
        currencies = currencies == null ? List.of() : List.copyOf(currencies);
        working = working == null ? WorkSchedule.USUAL : working;
        point = point == null ? Optional.empty() : point;
        smallest = smallest == null ? Optional.empty() : smallest;
        languages = languages == null ? List.of() : List.copyOf(languages);
        numbers = numbers == null ? List.of() : List.copyOf(numbers);
        sites = sites == null ? List.of() : List.copyOf(sites);
        beforeAddress = beforeAddress == null ? BeforeAddress.SHOP : beforeAddress;
        lengthUnit = lengthUnit != null ? lengthUnit : weightUnit.equals("lb") || weightUnit.equals("oz") ? "in" : "cm";
    }

    public Shop(
            String name,
            String legalName,
            Address address,
            String email,
            String phone,
            String currency,
            String language,
            String timeZone,
            String weightUnit,
            Rounding rounding,
            List<Place> sellsTo) {
        this(
                name,
                legalName,
                address,
                email,
                phone,
                currency,
                language,
                timeZone,
                weightUnit,
                rounding,
                sellsTo,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** Whether an address is on one of the sites listed. */
    public boolean lists(String address) {
        return WebAddress.origin(address).filter(sites::contains).isPresent();
    }

    /** Where the shop stands, as a destination; without its region where the postcode lies in another. */
    public Destination home() {
        Destination whole = new Destination(address.country(), address.region(), Optional.of(address.postcode()));
        Problems problems = new Problems();
        whole.check("shop/address", problems);
        return problems.list().isEmpty()
                ? whole
                : new Destination(address.country(), Optional.empty(), Optional.of(address.postcode()));
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
