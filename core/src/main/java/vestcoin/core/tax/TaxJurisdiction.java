package vestcoin.core.tax;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.VatTerritory;
import vestcoin.core.tax.Tax.Registration;
import vestcoin.core.tax.Tax.Scheme;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * Whose tax applies. Goods go by their own dispatch country and destination; services and digital goods by where the
 * buyer belongs. In this order: small business; collection and services at the shop; exempt buyer; within one land;
 * within the Union; to outside. Source: Directive 2006/112/EC, at each rule its article.
 */
public final class TaxJurisdiction {
    /** Names the rule of sales across borders, under the threshold or over it. */
    public static final String THRESHOLD = "rule/cross-border-threshold";

    private final Tax tax;
    private final Destination home;
    private final Situation situation;
    private final LocalDate day;

    /**
     * What of an order the place of taxation depends on.
     *
     * @param zone the shop's time zone
     * @param to where the order goes
     * @param within whether an amount of the shop's currency, without tax, stays within a registration's most; nothing
     *     when no rate is known
     * @param crossed what this order adds to the sales across borders, net, after discounts, delivery included; asked
     *     only where it decides
     */
    public record Situation(
            Instant at,
            ZoneId zone,
            Buyer buyer,
            Destination to,
            Sales sales,
            Supplier<BigDecimal> crossed,
            Function<Tax.Most, Function<BigDecimal, Optional<Boolean>>> within) {}

    public TaxJurisdiction(Tax tax, Destination home, Situation situation) {
        this.tax = tax;
        this.home = home;
        this.situation = situation;
        this.day = LocalDate.ofInstant(situation.at(), situation.zone());
    }

    /**
     * @param from where goods leave from
     * @param collected the place goods are collected at, if they are
     * @param net value of the consignment without delivery and tax, in the shop's currency
     */
    public TaxLiability of(Supply supply, Destination from, Optional<Destination> collected, BigDecimal net) {
        Buyer buyer = situation.buyer();
        if (supply == Supply.OUTSIDE) {
            return TaxLiability.OUTSIDE;
        }
        if (tax.smallBusiness().isPresent()) {
            return TaxLiability.not(Code.E, tax.smallBusiness().get(), "tax/smallBusiness");
        }
        if (buyer.exempt().isPresent()) {
            return TaxLiability.not(Code.E, "Exempt buyer: " + buyer.exempt().get(), "order/buyer/exempt");
        }
        if (supply == Supply.SERVICE_AT_THE_SHOP) {
            return TaxLiability.taxed(
                    home, "A service done at the shop bears the tax of the shop's place.", "rule/taxed-at-the-place");
        }
        if (supply.goods() && collected.isPresent()) {
            return TaxLiability.taxed(
                    collected.get(),
                    "Goods collected at a place bear the tax of that place.",
                    "rule/taxed-at-the-place");
        }
        Destination origin = supply.goods() ? from : home;
        Destination to = supply.goods() ? situation.to() : buyer.belongs().orElse(situation.to());
        if (VatTerritory.sameLand(origin, to, supply.goods())) {
            return inland(origin, to, supply);
        }
        VatTerritory there = VatTerritory.of(to, supply.goods());
        VatTerritory here = VatTerritory.of(origin, supply.goods());
        return here.eu() && there.eu() ? union(supply, here, there, origin, to) : abroad(supply, here, there, to, net);
    }

    /** Within one land: by destination or origin, as the setup says; by origin within the seller's own region only. */
    private TaxLiability inland(Destination origin, Destination to, Supply supply) {
        if (unregistered(to)) {
            return TaxLiability.not(
                    Code.O,
                    "Not registered in " + Countries.name(to.regions().get(0)) + ": no tax is charged there.",
                    "tax/registrations");
        }
        if (tax.sourcing() == Tax.Sourcing.ORIGIN && sameRegion(origin, to)) {
            return TaxLiability.taxed(
                    origin,
                    "Sold within " + Countries.name(origin.country()) + ": the rates of where it comes from.",
                    "tax/sourcing");
        }
        boolean swissNeighbour = !origin.country().equals(to.country())
                && VatTerritory.of(origin, supply.goods()).state().equals("CH");
        return TaxLiability.taxed(
                swissNeighbour ? origin : to,
                "Sold within " + Countries.name(origin.country()) + ": the rates of where it goes.",
                "tax/sourcing");
    }

    private static boolean sameRegion(Destination one, Destination other) {
        return one.regions().isEmpty()
                || other.regions().isEmpty()
                || one.regions().stream().anyMatch(other.regions()::contains);
    }

    /**
     * Whether a known region's tax is levied by an authority the seller is not registered with, where registrations are
     * by region.
     */
    private boolean unregistered(Destination to) {
        List<String> authorities = tax.registrations().stream()
                .filter(each -> each.inForce(day))
                .map(Registration::authority)
                .toList();
        boolean byRegion = authorities.stream().anyMatch(authority -> authority.startsWith(to.country() + "-"));
        return byRegion
                && !to.regions().isEmpty()
                && !authorities.contains(to.country())
                && to.regions().stream().noneMatch(authorities::contains);
    }

    private TaxLiability union(Supply supply, VatTerritory here, VatTerritory there, Destination from, Destination to) {
        Buyer buyer = situation.buyer();
        if (buyer.confirmedBusiness() && buyer.numberState().isPresent()) {
            if (buyer.numberState().get().equals(here.state())) {
                // Art. 33 with 14(4): no distance sale, so the dispatch state's tax, wherever the goods go.
                return TaxLiability.taxed(
                        from,
                        "A business with a confirmed number of " + here.name() + ": the rates of " + here.rates() + ".",
                        "rule/taxed-at-the-place");
            }
            // Art. 138: goods that leave for a business in another member state. Art. 44, 196: services are taxed by
            // the buyer.
            return supply.goods()
                    ? TaxLiability.not(
                            Code.K,
                            "Goods sent to a business in " + there.name()
                                    + " with a confirmed number: no tax, the buyer declares it.",
                            "rule/intra-community-supply")
                    : TaxLiability.not(
                            Code.AE,
                            "Supplied to a business in " + there.name()
                                    + " with a confirmed number: the buyer owes the tax.",
                            "rule/reverse-charge");
        }
        if (tax.registrations().isEmpty()) {
            return TaxLiability.taxed(
                    to,
                    "No registrations are entered: the tax book is followed for " + there.rates() + ".",
                    "tax/registrations");
        }
        Optional<Registration> registered = registered(there.state(), Scheme.ORDINARY);
        if (registered.isPresent()) {
            return TaxLiability.taxed(
                    to,
                    "Person in " + there.name() + ", registered there: the rates of " + there.rates() + ".",
                    path(registered.get()));
        }
        Optional<Registration> oneStop = registered("EU", Scheme.ONE_STOP_SHOP);
        if (oneStop.isPresent()) {
            return TaxLiability.taxed(
                    to,
                    "Person in " + there.name() + ", one-stop shop on: the rates of " + there.rates() + ".",
                    path(oneStop.get()));
        }
        // Art. 59c: up to the threshold, and while all is sent from the one state the seller is established in.
        if (here.state().equals(VatTerritory.of(home, supply.goods()).state())
                && situation.sales().within(BigDecimal.ZERO)
                && situation.sales().within(situation.crossed().get())) {
            return TaxLiability.taxed(
                    home,
                    "Person in " + there.name() + ", sales across borders within 10,000 euro: the home rates.",
                    THRESHOLD);
        }
        return TaxLiability.taxed(
                to,
                "Person in " + there.name() + ", sales across borders over 10,000 euro: the rates of " + there.rates()
                        + ", but there is no registration for them.",
                THRESHOLD);
    }

    /**
     * To outside: export (Art. 146) and services out of scope, unless registered there and within the registration's
     * value.
     */
    private TaxLiability abroad(Supply supply, VatTerritory here, VatTerritory there, Destination to, BigDecimal net) {
        if (tax.registrations().isEmpty()) {
            return TaxLiability.taxed(
                    to,
                    "No registrations are entered: the tax book is followed for " + there.rates() + ".",
                    "tax/registrations");
        }
        Optional<Registration> registered = registered(there.state(), Scheme.ORDINARY)
                .or(() -> tax.registrations().stream()
                        .filter(each -> each.inForce(day)
                                && each.scheme() == Scheme.ORDINARY
                                && each.authority().startsWith(to.country() + "-")
                                && to.region().filter(each.authority()::equals).isPresent())
                        .findFirst());
        if (registered.isEmpty() && there.eu() && !here.eu() && supply.goods()) {
            registered = registered("EU", Scheme.IMPORT_SCHEME);
        }
        if (registered.isPresent()) {
            Registration with = registered.get();
            Optional<Boolean> covered = with.most().isEmpty() || !supply.goods()
                    ? Optional.of(true)
                    : situation.within().apply(with.most().get()).apply(net);
            if (covered.orElse(false)) {
                return TaxLiability.taxed(to, "Registered in " + there.name() + ": its rates.", path(with));
            }
            return TaxLiability.not(
                    Code.G,
                    covered.isPresent()
                            ? "Goods worth more than the registration in " + there.name()
                                    + " covers: exported without tax."
                            : "There is no exchange rate to compare with the registration in " + there.name()
                                    + ": exported without tax.",
                    path(with));
        }
        return supply.goods()
                ? TaxLiability.not(Code.G, "Goods sent to " + there.name() + ": exported without tax.", "rule/export")
                : TaxLiability.not(
                        Code.O,
                        "Supplied to " + there.name() + ": outside the scope of the home tax.",
                        "rule/outside-tax");
    }

    private Optional<Registration> registered(String authority, Scheme scheme) {
        return tax.registrations().stream()
                .filter(each -> each.scheme() == scheme && each.inForce(day) && same(each.authority(), authority))
                .findFirst();
    }

    private static boolean same(String one, String other) {
        return one.equals(other) || british(one) && british(other);
    }

    private static boolean british(String authority) {
        return authority.equals("GB") || authority.equals("XI");
    }

    private static String path(Registration registration) {
        return "tax/registrations/" + registration.id();
    }

    /**
     * What of a rate the seller charges: a component only where the seller is registered with the authority that levies
     * it; all of them while no registrations are entered, and where a registration is overdue.
     */
    Tax.Rate charged(TaxBook.Levy levy, TaxLiability treatment) {
        if (tax.registrations().isEmpty() || treatment.rule().equals(THRESHOLD)) {
            return levy.rate();
        }
        List<Tax.Component> charged = levy.rate().components().stream()
                .filter(component ->
                        covered(component.authority().or(levy.row()::authority).orElse(levy.authority())))
                .toList();
        return charged.size() == levy.rate().components().size() ? levy.rate() : new Tax.Rate(charged);
    }

    /** All components of a rate that the seller charges, in percent of the price without tax. */
    public BigDecimal rate(TaxBook.Levy levy, TaxLiability treatment) {
        return charged(levy, treatment).total();
    }

    private boolean covered(String authority) {
        return tax.registrations().stream()
                .filter(each -> each.inForce(day))
                .anyMatch(each -> same(each.authority(), authority)
                        || each.scheme() != Scheme.ORDINARY && (Groups.EU.contains(authority) || british(authority)));
    }
}
