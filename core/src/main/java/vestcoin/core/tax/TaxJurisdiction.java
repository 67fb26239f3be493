package vestcoin.core.tax;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
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
     * @param net value of the consignment without delivery and tax, in the shop's currency; asked only where it decides
     */
    public TaxLiability of(Supply supply, Destination from, Optional<Destination> collected, Supplier<BigDecimal> net) {
        Buyer buyer = situation.buyer();
        if (supply == Supply.OUTSIDE) {
            return TaxLiability.OUTSIDE;
        }
        if (tax.smallBusiness().isPresent()) {
            return TaxLiability.not(Code.E, Message.name(tax.smallBusiness().get()), "tax/smallBusiness");
        }
        if (buyer.exempt().isPresent()) {
            return TaxLiability.not(
                    Code.E,
                    Message.of("tax.exempt-buyer", "exempt", buyer.exempt().get()),
                    "order/buyer/exempt");
        }
        if (supply == Supply.SERVICE_AT_THE_SHOP) {
            return TaxLiability.taxed(
                    home, Message.of("tax.service-done-at-shop-bears-tax-of"), "rule/taxed-at-the-place");
        }
        if (supply.goods() && collected.isPresent()) {
            return TaxLiability.taxed(
                    collected.get(), Message.of("tax.goods-collected-at-place-bear-tax-of"), "rule/taxed-at-the-place");
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
                    Message.of(
                            "tax.not-registered-in-no-tax-charged-there",
                            "country",
                            new Region(to.regions().get(0))),
                    "tax/registrations");
        }
        if (tax.sourcing() == Tax.Sourcing.ORIGIN && sameRegion(origin, to)) {
            return TaxLiability.taxed(
                    origin,
                    Message.of("tax.sold-within-rates-of-where-comes-from", "country", new Region(origin.country())),
                    "tax/sourcing");
        }
        boolean swissNeighbour = !origin.country().equals(to.country())
                && VatTerritory.of(origin, supply.goods()).state().equals("CH");
        return TaxLiability.taxed(
                swissNeighbour ? origin : to,
                Message.of("tax.sold-within-rates-of-where-goes", "country", new Region(origin.country())),
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
                        Message.of(
                                "tax.business-with-confirmed-number-of-rates-of",
                                "here",
                                here.name(),
                                "rates",
                                here.rates()),
                        "rule/taxed-at-the-place");
            }
            // Art. 138: goods that leave for a business in another member state. Art. 44, 196: services are taxed by
            // the buyer.
            return supply.goods()
                    ? TaxLiability.not(
                            Code.K,
                            Message.of("tax.goods-sent-to-business-in-with-confirmed", "there", there.name()),
                            "rule/intra-community-supply")
                    : TaxLiability.not(
                            Code.AE,
                            Message.of("tax.supplied-to-business-in-with-confirmed-number", "there", there.name()),
                            "rule/reverse-charge");
        }
        if (tax.registrations().isEmpty()) {
            return TaxLiability.taxed(
                    to,
                    Message.of("tax.no-registrations-entered-tax-book-followed-for", "rates", there.rates()),
                    "tax/registrations");
        }
        Optional<Registration> registered = registered(there.state(), Scheme.ORDINARY);
        if (registered.isPresent()) {
            return TaxLiability.taxed(
                    to,
                    Message.of(
                            "tax.person-in-registered-there-rates-of", "there", there.name(), "rates", there.rates()),
                    path(registered.get()));
        }
        Optional<Registration> oneStop = registered("EU", Scheme.ONE_STOP_SHOP);
        if (oneStop.isPresent()) {
            return TaxLiability.taxed(
                    to,
                    Message.of("tax.person-in-one-stop-shop-on-rates", "there", there.name(), "rates", there.rates()),
                    path(oneStop.get()));
        }
        // Art. 59c: up to the threshold, and while all is sent from the one state the seller is established in.
        if (here.state().equals(VatTerritory.of(home, supply.goods()).state())
                && situation.sales().within(BigDecimal.ZERO)
                && situation.sales().within(situation.crossed().get())) {
            return TaxLiability.taxed(
                    home, Message.of("tax.person-in-sales-across-borders-within-10", "there", there.name()), THRESHOLD);
        }
        return TaxLiability.taxed(
                to,
                Message.of("tax.person-in-sales-across-borders-over-10", "there", there.name(), "rates", there.rates()),
                THRESHOLD);
    }

    /**
     * To outside: export (Art. 146) and services out of scope, unless registered there and within the registration's
     * value.
     */
    private TaxLiability abroad(
            Supply supply, VatTerritory here, VatTerritory there, Destination to, Supplier<BigDecimal> net) {
        if (tax.registrations().isEmpty()) {
            return TaxLiability.taxed(
                    to,
                    Message.of("tax.no-registrations-entered-tax-book-followed-for", "rates", there.rates()),
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
                    : situation.within().apply(with.most().get()).apply(net.get());
            if (covered.orElse(false)) {
                return TaxLiability.taxed(to, Message.of("tax.registered-in-rates", "there", there.name()), path(with));
            }
            return TaxLiability.not(
                    Code.G,
                    covered.isPresent()
                            ? Message.of("tax.goods-worth-more-than-registration-in-covers", "there", there.name())
                            : Message.of("tax.there-no-exchange-rate-to-compare-with", "there", there.name()),
                    path(with));
        }
        return supply.goods()
                ? TaxLiability.not(
                        Code.G,
                        Message.of("tax.goods-sent-to-exported-without-tax", "there", there.name()),
                        "rule/export")
                : TaxLiability.not(
                        Code.O,
                        Message.of("tax.supplied-to-outside-scope-of-home-tax", "there", there.name()),
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
