package vestcoin.core.tax;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.calendar.Window;
import vestcoin.core.place.Place;

/**
 * The Tax station of a setup.
 *
 * @param prices whether every amount the seller types has its tax inside
 * @param categories how goods are taxed, in the seller's order
 * @param places the tax book: a row a place
 * @param registrations where the seller is registered; while there are none the book is followed as it is written
 * @param standing what stands still for buyers elsewhere, where prices have tax inside
 * @param sourcing whose rates apply within one country
 * @param smallBusiness the sentence of a seller who is exempt as a small business; no tax is charged then
 * @param netForBusinesses whether confirmed businesses read prices that have tax inside without it
 * @param salesElsewhere what was sold to consumers in other member states before or beside this shop, year by year
 */
@RecordBuilder
public record Tax(
        Prices prices,
        List<Category> categories,
        List<PlaceRates> places,
        List<Registration> registrations,
        CrossBorderPricing standing,
        Sourcing sourcing,
        Optional<String> smallBusiness,
        boolean netForBusinesses,
        List<SalesElsewhere> salesElsewhere) {
    public Tax {
        salesElsewhere = salesElsewhere == null ? List.of() : List.copyOf(salesElsewhere);
        categories = categories == null ? List.of() : List.copyOf(categories);
        places = places == null ? List.of() : List.copyOf(places);
        registrations = registrations == null ? List.of() : List.copyOf(registrations);
        standing = standing == null ? CrossBorderPricing.WHAT_THE_BUYER_PAYS : standing;
        sourcing = sourcing == null ? Sourcing.DESTINATION : sourcing;
        smallBusiness = smallBusiness == null ? Optional.empty() : smallBusiness;
    }

    public Tax(Prices prices, List<Category> categories, List<PlaceRates> places) {
        this(
                prices,
                categories,
                places,
                List.of(),
                CrossBorderPricing.WHAT_THE_BUYER_PAYS,
                Sourcing.DESTINATION,
                Optional.empty(),
                false,
                List.of());
    }

    /** Sales across borders within the Union with what the seller says of others. @param year of the order */
    public Sales with(Sales known, int year) {
        return known.plus(elsewhere(year - 1), elsewhere(year));
    }

    /** What the seller says of a year, in euro. */
    public BigDecimal elsewhere(int year) {
        return salesElsewhere.stream()
                .filter(each -> each.year() == year)
                .map(SalesElsewhere::net)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public enum Prices {
        WITH_TAX,
        WITHOUT_TAX
    }

    /** Whether a buyer taxed at another rate pays the shelf price, or the seller earns what is left of it at home. */
    public enum CrossBorderPricing {
        WHAT_THE_BUYER_PAYS,
        WHAT_THE_SELLER_EARNS
    }

    /** Whether a sale within a country bears the rates of where it goes or of where it comes from. */
    public enum Sourcing {
        DESTINATION,
        ORIGIN
    }

    /**
     * Sales of a year that have no paper here: goods sent from the home state and services by wire to consumers in
     * other member states, none for which a marketplace owes the tax (Directive 2006/112/EC, Art. 59c).
     *
     * @param net without tax, in euro
     */
    public record SalesElsewhere(String id, int year, BigDecimal net) {
        public static final int FIRST_YEAR = 2015;
        public static final int LAST_YEAR = 2100;
    }

    /** A kind of goods that is taxed alike. */
    public record Category(String id, String name) {}

    /**
     * Where the seller is registered.
     *
     * @param authority whom with: a country ({@code IE}), a subdivision ({@code US-NC}), {@code XI} for Northern
     *     Ireland, or {@code EU} for the Union's schemes
     * @param number as printed on invoices
     * @param from first day; always without it
     * @param most largest value of a consignment it covers, without delivery and tax
     */
    public record Registration(
            String id, String authority, String number, Scheme scheme, Optional<LocalDate> from, Optional<Most> most) {
        public Registration {
            number = number == null ? "" : number;
            scheme = scheme == null ? Scheme.ORDINARY : scheme;
            from = from == null ? Optional.empty() : from;
            most = most == null ? Optional.empty() : most;
        }

        boolean inForce(LocalDate day) {
            return from.map(first -> !day.isBefore(first)).orElse(true);
        }
    }

    /** @param currency ISO 4217 */
    public record Most(BigDecimal amount, String currency) {}

    /**
     * An ordinary registration; one with the Union's one-stop shop (Directive 2006/112/EC, Art. 369a ff.); with its
     * import scheme (Art. 369l ff.).
     */
    public enum Scheme {
        ORDINARY,
        ONE_STOP_SHOP,
        IMPORT_SCHEME
    }

    /**
     * A row of the tax book.
     *
     * @param rates category id to what is levied; a category that is not there has no answer for this place
     * @param delivery how delivery to this place is taxed; like the goods it carries unless said otherwise
     * @param valid calendar dates, in the place's time zone, on which the row holds; always without it
     * @param authority who levies its components, where they do not say; the country, or the subdivision the row is
     *     about
     * @param rounding once for each component of a group unless said otherwise
     * @param toConfirm day of the reference it was filled from, until the seller has confirmed it
     */
    @RecordBuilder
    public record PlaceRates(
            String id,
            String name,
            List<Place> places,
            List<Place> except,
            Map<String, Rate> rates,
            Optional<DeliveryTax> delivery,
            Optional<Window> valid,
            Optional<String> authority,
            Optional<RoundedBy> rounding,
            Optional<LocalDate> toConfirm) {
        public PlaceRates {
            delivery = delivery == null ? Optional.empty() : delivery;
            places = places == null ? List.of() : List.copyOf(places);
            except = except == null ? List.of() : List.copyOf(except);
            rates = rates == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(rates));
            valid = valid == null ? Optional.empty() : valid;
            authority = authority == null ? Optional.empty() : authority;
            rounding = rounding == null ? Optional.empty() : rounding;
            toConfirm = toConfirm == null ? Optional.empty() : toConfirm;
        }

        public PlaceRates(
                String id,
                String name,
                List<Place> places,
                List<Place> except,
                Map<String, Rate> rates,
                Optional<DeliveryTax> delivery) {
            this(
                    id,
                    name,
                    places,
                    except,
                    rates,
                    delivery,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());
        }
    }

    /** Tax is rounded for each component of a group, once for the sum of its components, or for each line. */
    public enum RoundedBy {
        COMPONENT,
        SUM,
        LINE
    }

    /** How delivery is taxed. @param category id of the tax category, for {@code OWN_CATEGORY} */
    public record DeliveryTax(Way way, Optional<String> category) {
        public DeliveryTax {
            category = category == null ? Optional.empty() : category;
        }
    }

    /** The four ways to tax delivery. */
    public enum Way {
        LIKE_GOODS,
        HIGHEST_RATE,
        OWN_CATEGORY,
        NOT_TAXED
    }

    /**
     * What is levied on one category in one place: one or more components, or none where the seller charges none of
     * them.
     */
    public record Rate(List<Component> components) {
        public Rate {
            components = components == null ? List.of() : List.copyOf(components);
        }

        /**
         * What each component comes to in percent of the price without tax: its own percent, and where it is levied on
         * the components before it, its percent of those. Exact.
         */
        public List<BigDecimal> effective() {
            List<BigDecimal> effective = new ArrayList<>();
            BigDecimal before = BigDecimal.ZERO;
            for (Component component : components) {
                BigDecimal own = component.percent();
                if (component.onOthers()) {
                    own = own.multiply(HUNDRED.add(before)).movePointLeft(2).stripTrailingZeros();
                }
                effective.add(own.scale() < 0 ? own.setScale(0) : own);
                before = before.add(own);
            }
            return effective;
        }

        /** All components together, in percent of the price without tax. */
        public BigDecimal total() {
            BigDecimal total = BigDecimal.ZERO;
            for (BigDecimal percent : effective()) {
                total = total.add(percent);
            }
            return total;
        }

        public static Rate of(String name, String percent) {
            return new Rate(List.of(new Component(name, new BigDecimal(percent))));
        }
    }

    /**
     * One levy.
     *
     * @param name as printed, such as VAT
     * @param percent of the price without tax, 0 to 100
     * @param onOthers whether it is also levied on the components before it
     * @param authority who levies it, where it is not the row's
     * @param firstOnly levied only on the first so much of the price of one item; only where prices are without tax
     */
    public record Component(
            String name,
            BigDecimal percent,
            boolean onOthers,
            Optional<String> authority,
            Optional<BigDecimal> firstOnly) {
        public Component {
            authority = authority == null ? Optional.empty() : authority;
            firstOnly = firstOnly == null ? Optional.empty() : firstOnly;
        }

        public Component(String name, BigDecimal percent, boolean onOthers) {
            this(name, percent, onOthers, Optional.empty(), Optional.empty());
        }

        public Component(String name, BigDecimal percent) {
            this(name, percent, false);
        }
    }
}
