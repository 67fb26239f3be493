package vestcoin.core.setup;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import vestcoin.core.delivery.ChargeableWeight;
import vestcoin.core.delivery.Charges;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.LocalPrice;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Hours;
import vestcoin.core.pickup.Pickup;

/** What makes delivery, pickup or local delivery impossible to price with. */
final class DeliveryCheck {
    /** A day: what takes longer is promised in days. */
    private static final int MOST_MINUTES = 24 * 60;

    private static final int LONGEST_CARRIER = 100;

    private final Setup setup;
    private final Delivery delivery;
    private final Checks checks;
    private final Set<String> names;

    DeliveryCheck(Setup setup, Checks checks, Set<String> names) {
        this.setup = setup;
        this.delivery = setup.delivery();
        this.checks = checks;
        this.names = names;
    }

    void check() {
        checks.ids(delivery.zones(), Delivery.Zone::id, "delivery/zones");
        checks.ids(delivery.options(), Delivery.Option::id, "delivery/options");
        checks.ids(delivery.parcels(), ParcelType::id, "delivery/parcels");
        checks.ids(delivery.handling(), Delivery.Handling::id, "delivery/handling");
        checks.ids(delivery.dispatch(), Delivery.Dispatch::id, "delivery/dispatch");
        Set<String> options = new HashSet<>(
                delivery.options().stream().map(Delivery.Option::id).toList());
        delivery.options().forEach(this::option);
        for (Delivery.Zone zone : delivery.zones()) {
            if (checks.isSound(zone)) {
                continue;
            }
            String path = "delivery/zones/" + zone.id();
            checks.named(zone.name(), path);
            checks.places(zone.places(), path + "/places");
            checks.places(zone.except(), path + "/except");
            zone.rates().forEach((option, rule) -> {
                String at = path + "/rates/" + option;
                if (!checks.problems.when(
                        !options.contains(option),
                        at,
                        Message.of("setup.there-no-delivery-option", "option", option),
                        Message.of("setup.add-option-or-remove-rate"))) {
                    rule(rule, at);
                }
            });
            zone.costs().forEach((option, basis) -> {
                String at = path + "/costs/" + option;
                if (!checks.problems.when(
                        !options.contains(option),
                        at,
                        Message.of("setup.there-no-delivery-option", "option", option),
                        Message.of("setup.add-option-or-remove-rate"))) {
                    cost(basis, at);
                }
            });
            zone.days().forEach((option, days) -> {
                checks.problems.when(
                        !options.contains(option),
                        path + "/days/" + option,
                        Message.of("setup.there-no-delivery-option", "option", option),
                        Message.of("setup.add-option-or-remove-days"));
                days(days, path + "/days/" + option);
            });
        }
        delivery.parcels().forEach(this::parcel);
        for (Delivery.Handling handling : delivery.handling()) {
            String path = "delivery/handling/" + handling.id();
            checks.named(handling.name(), path);
            if (checks.required(handling.per(), path + "/per") && handling.per() == Delivery.Handling.Per.PERCENT) {
                checks.percent(handling.amount(), path + "/amount");
            } else {
                checks.amount(handling.amount(), path + "/amount", false);
            }
        }
        for (Delivery.Dispatch place : delivery.dispatch()) {
            String path = "delivery/dispatch/" + place.id();
            checks.named(place.name(), path);
            checks.problems.when(
                    Delivery.Dispatch.SHOP.equals(place.id()),
                    path,
                    Message.of("setup.shop-shop-itself"),
                    Message.of("setup.give-place-another-id"));
            if (checks.required(place.at(), path + "/at")) {
                place.at().check(path + "/at", checks.problems);
            }
            checks.known(place.options(), options, path + "/options", Message.of("setup.delivery-option"));
            place.preparation()
                    .ifPresent(days -> checks.whole(
                            days, 0, 365, path + "/preparation", Message.of("setup.preparation-in-working-days")));
            place.point()
                    .ifPresent(point -> checks.problems.when(
                            !point.exists(),
                            path + "/point",
                            Message.of("setup.there-no-such-point-on-earth"),
                            Message.of("setup.write-degrees-latitude-first")));
        }
        pickup();
    }

    private void days(Delivery.Days days, String path) {
        checks.problems.when(
                days.from() < 0 || days.to() < days.from() || days.to() > 365,
                path,
                Message.of("setup.days-run-backwards"),
                Message.of("setup.write-smaller-number-first"));
    }

    private void option(Delivery.Option option) {
        String path = "delivery/options/" + option.id();
        checks.named(option.name(), path);
        checks.problems.when(
                option.id() != null
                        && (option.id().startsWith("pickup-") || option.id().equals(Pickup.Local.OPTION)),
                path,
                Message.of("setup.options-whose-id-begins-with-pickup-and"),
                Message.of("setup.give-option-another-id"));
        option.days().ifPresent(days -> days(days, path + "/days"));
        option.limits().ifPresent(limits -> {
            limits.valueFrom().ifPresent(value -> checks.amount(value, path + "/limits/valueFrom", false));
            limits.valueTo().ifPresent(value -> checks.amount(value, path + "/limits/valueTo", false));
            checks.known(limits.except(), names, path + "/limits/except", Message.of("setup.kind-of-goods"));
            checks.known(limits.only(), names, path + "/limits/only", Message.of("setup.kind-of-goods"));
            checks.known(
                    limits.methods(),
                    new HashSet<>(setup.payment().methods().stream()
                            .map(Payment.Method::id)
                            .toList()),
                    path + "/limits/methods",
                    Message.of("setup.payment-method"));
            checks.known(
                    limits.groups(),
                    setup.goods().buyerGroupIds(),
                    path + "/limits/groups",
                    Message.of("setup.buyer-group"));
        });
        option.charges().ifPresent(charges -> charges(charges, path + "/charges"));
        option.chargeable().ifPresent(how -> chargeable(how, path + "/chargeable"));
        option.tracking().ifPresent(tracking -> {
            checks.problems.when(
                    tracking.carrier().length() > LONGEST_CARRIER,
                    path + "/tracking/carrier",
                    Message.of("setup.name-of-carrier-too-long", "most", LONGEST_CARRIER),
                    Message.of("setup.write-it-shorter"));
            tracking.link()
                    .ifPresent(link -> checks.problems.when(
                            !link.contains(Delivery.Tracking.NUMBER)
                                    || !WebAddress.isOne(link.replace(Delivery.Tracking.NUMBER, "1")),
                            path + "/tracking/link",
                            Message.of("setup.no-address-to-follow-parcel", "link", link),
                            Message.of("setup.write-web-address-with-number-in-braces")));
        });
    }

    private void charges(Charges charges, String path) {
        charges.percent().ifPresent(percent -> checks.percent(percent, path + "/percent"));
        charges.amount().ifPresent(amount -> checks.amount(amount, path + "/amount", false));
        charges.fuel().ifPresent(percent -> checks.percent(percent, path + "/fuel"));
        charges.least().ifPresent(amount -> checks.amount(amount, path + "/least", false));
        charges.most().ifPresent(amount -> checks.amount(amount, path + "/most", false));
        checks.problems.when(
                charges.least().isPresent()
                        && charges.most().isPresent()
                        && charges.least().get().compareTo(charges.most().get()) > 0,
                path + "/least",
                Message.of("setup.least-above-most"),
                Message.of("setup.write-smaller-amount-least"));
        checks.ids(charges.oversize(), Charges.Oversize::id, path + "/oversize");
        for (Charges.Oversize over : charges.oversize()) {
            checks.named(over.name(), path + "/oversize/" + over.id());
            checks.amount(over.amount(), path + "/oversize/" + over.id() + "/amount", false);
            checks.problems.when(
                    over.longestOver().isEmpty()
                            && over.girthOver().isEmpty()
                            && over.weightOver().isEmpty(),
                    path + "/oversize/" + over.id(),
                    Message.of("setup.surcharge-does-not-say-what-oversize"),
                    Message.of("setup.name-longest-side-girth-or-weight"));
        }
    }

    private void chargeable(ChargeableWeight how, String path) {
        checks.problems.when(
                how.divisor() == null || how.divisor().signum() <= 0,
                path + "/divisor",
                Message.of("setup.divisor-has-to-above-zero"),
                Message.of("setup.5000-cm-kilogram-usual"));
        how.step()
                .ifPresent(step -> checks.problems.when(
                        step.value().signum() <= 0,
                        path + "/step",
                        Message.of("setup.step-has-to-above-zero"),
                        Message.of("setup.leave-out-for-none")));
    }

    private void parcel(ParcelType type) {
        String path = "delivery/parcels/" + type.id();
        checks.named(type.name(), path);
        checks.required(type.inner(), path + "/inner");
        checks.required(type.outer(), path + "/outer");
        type.price().ifPresent(price -> checks.amount(price, path + "/price", false));
        if (checks.required(type.weight(), path + "/weight")) {
            type.most()
                    .ifPresent(most -> checks.problems.when(
                            most.kilograms().compareTo(type.weight().kilograms()) <= 0,
                            path + "/most",
                            Message.of("setup.empty-parcel-alone-heavier-than-may"),
                            Message.of("setup.write-most-may-weigh-with-what-in")));
        }
    }

    private void rule(PriceRule rule, String path) {
        rule.freeFrom().ifPresent(from -> checks.amount(from, path, false));
        rule.reducedTo().ifPresent(to -> checks.amount(to, path, false));
        checks.problems.when(
                rule.reducedTo().isPresent() && rule.freeFrom().isEmpty(),
                path,
                Message.of("setup.reduced-price-has-no-value-begins-at"),
                Message.of("setup.write-from-80-2-00"));
        checks.known(rule.notCounting(), names, path, Message.of("setup.kind-of-goods"));
        checks.known(rule.notWith(), names, path, Message.of("setup.kind-of-goods"));
        basis(rule.basis(), path);
    }

    /** What a carrier asks goes by what is carried, not by what it sells for. */
    private void cost(PriceRule.Basis basis, String path) {
        boolean other = basis instanceof PriceRule.CarrierQuote
                || basis instanceof PriceRule.ByProduct
                || basis instanceof PriceRule.BasePlus plus && PriceRule.BasePlus.PERCENT.equals(plus.per())
                || basis instanceof PriceRule.Bands bands
                        && bands.unit() != null
                        && bands.unit().equals(setup.shop().currency());
        if (!checks.problems.when(
                other,
                path,
                Message.of("setup.cost-goes-by-what-is-carried"),
                Message.of("setup.write-cost-by-weight"))) {
            basis(basis, path);
        }
    }

    private void basis(PriceRule.Basis basis, String path) {
        if (basis instanceof PriceRule.Fixed fixed) {
            checks.amount(fixed.price(), path, false);
        } else if (basis instanceof PriceRule.Bands bands) {
            bands(bands, path);
        } else if (basis instanceof PriceRule.BasePlus plus) {
            basePlus(plus, path);
        } else if (basis instanceof PriceRule.CarrierQuote quote) {
            checks.problems.when(
                    quote.service() == null || quote.service().isBlank(),
                    path,
                    Message.of("setup.quote-names-no-service-of-carrier"),
                    Message.of("setup.write-quote-parcel-day-else-9-90"));
            checks.amount(quote.otherwise(), path, false);
        } else if (!(basis instanceof PriceRule.ByProduct)) {
            checks.problems.add(path, Message.of("setup.rate-has-no-price"), Message.of("setup.write-price-5-90"));
        }
    }

    private void basePlus(PriceRule.BasePlus plus, String path) {
        checks.amount(plus.base(), path, false);
        checks.problems.when(
                plus.per() == null
                        || !(Weight.isUnit(plus.per())
                                || plus.per().equals(PriceRule.Bands.ITEMS)
                                || plus.per().equals(PriceRule.BasePlus.PERCENT)),
                path,
                Message.of("setup.not-unit-here", "per", plus.per()),
                Message.of("setup.use-kg-g-lb-or-oz-items"));
        if (PriceRule.BasePlus.PERCENT.equals(plus.per())) {
            checks.percent(plus.plus(), path);
        } else {
            checks.amount(plus.plus(), path, false);
        }
    }

    private void bands(PriceRule.Bands bands, String path) {
        String unit = bands.unit();
        boolean value =
                setup.shop().currency() != null && setup.shop().currency().equals(unit);
        checks.problems.when(
                unit == null
                        || !(Weight.isUnit(unit)
                                || LocalPrice.isUnit(unit)
                                || unit.equals(PriceRule.Bands.ITEMS)
                                || value),
                path,
                Message.of("setup.not-unit-here-2", "unit", unit),
                Message.of("setup.use-kg-g-lb-or-oz-items-km"));
        checks.problems.when(
                bands.bands().isEmpty(),
                path,
                Message.of("setup.rule-has-no-band"),
                Message.of("setup.write-at-least-one-to-1-kg"));
        BigDecimal before = BigDecimal.ZERO;
        for (PriceRule.Band band : bands.bands()) {
            checks.amount(band.price(), path, false);
            if (checks.required(band.upTo(), path + "/upTo")) {
                checks.problems.when(
                        band.upTo().compareTo(before) <= 0,
                        path,
                        Message.of("setup.band-to-not-above-one-before", "upTo", band.upTo()),
                        Message.of("setup.list-bands-from-smallest-to-largest"));
                before = band.upTo();
            }
        }
        bands.then().ifPresent(then -> {
            checks.amount(then.price(), path, false);
            checks.problems.when(
                    then.step() == null || then.step().signum() <= 0,
                    path,
                    Message.of("setup.step-above-last-band-has-to-above"),
                    Message.of("setup.write-then-0-80-kg"));
        });
    }

    private void pickup() {
        Pickup pickup = setup.pickup();
        checks.ids(pickup.places(), Pickup.Spot::id, "pickup/places");
        for (Pickup.Spot spot : pickup.places()) {
            String path = "pickup/places/" + spot.id();
            checks.named(spot.name(), path);
            if (checks.required(spot.at(), path + "/at")) {
                spot.at().check(path + "/at", checks.problems);
            }
            hours(spot.hours(), path + "/hours");
            spot.slotMinutes()
                    .ifPresent(minutes ->
                            checks.whole(minutes, 1, 1440, path + "/slotMinutes", Message.of("setup.slot-in-minutes")));
            spot.capacity()
                    .ifPresent(count ->
                            checks.whole(count, 1, 10_000, path + "/capacity", Message.of("setup.capacity-of-slot")));
            spot.noticeHours()
                    .ifPresent(hours -> checks.whole(
                            hours, 0, 24 * 365, path + "/noticeHours", Message.of("setup.notice-in-hours")));
            checks.whole(spot.daysAhead(), 0, 365, path + "/daysAhead", Message.of("setup.days-ahead"));
            spot.closed().forEach(window -> checks.window(window, path + "/closed"));
            spot.price().ifPresent(price -> checks.amount(price, path + "/price", true));
        }
        pickup.local().ifPresent(local -> {
            String path = "pickup/local";
            checks.named(local.name(), path);
            checks.problems.when(
                    local.radius() == null
                            || local.radius().signum() <= 0
                            || local.radius().compareTo(BigDecimal.valueOf(20_000)) > 0,
                    path + "/radius",
                    Message.of("setup.radius-has-to-above-zero-and-on"),
                    Message.of("setup.write-in-km-or-mi"));
            checks.problems.when(
                    !LocalPrice.isUnit(local.unit()),
                    path + "/unit",
                    Message.of("setup.not-unit-of-distance", "local", local.unit()),
                    Message.of("setup.use-km-or-mi"));
            if (checks.required(local.price(), path + "/price")) {
                checks.problems.when(
                        local.price().basis() instanceof PriceRule.CarrierQuote,
                        path + "/price",
                        Message.of("setup.no-carrier-brings-it-round"),
                        Message.of("setup.write-price-5-90"));
                rule(local.price(), path + "/price");
            }
            local.smallest().ifPresent(least -> checks.amount(least, path + "/smallest", false));
            hours(local.windows(), path + "/windows");
            local.capacity()
                    .ifPresent(count ->
                            checks.whole(count, 1, 10_000, path + "/capacity", Message.of("setup.capacity-of-window")));
            local.minutes().ifPresent(minutes -> {
                checks.whole(
                        minutes.to(), 1, MOST_MINUTES, path + "/minutes/to", Message.of("setup.promise-in-minutes"));
                minutes.from()
                        .ifPresent(from -> checks.whole(
                                from, 1, minutes.to(), path + "/minutes/from", Message.of("setup.soonest-in-minutes")));
                checks.problems.when(
                        local.capacity().isPresent(),
                        path + "/capacity",
                        Message.of("setup.minutes-promised-have-no-windows-to-fill"),
                        Message.of("setup.leave-out-capacity-or-minutes"));
            });
        });
    }

    private void hours(List<Hours> hours, String path) {
        List<Hours> good = new ArrayList<>();
        for (Hours span : hours) {
            if (!checks.problems.when(
                    !span.forwards(),
                    path,
                    Message.of("setup.span-of-hours-closes-before-opens"),
                    Message.of("setup.write-opening-first-midnight-end-of-day"))) {
                good.add(span);
            }
        }
        checks.problems.when(
                good.size() > 100,
                path,
                Message.of("setup.there-more-than-100-spans-of-hours"),
                Message.of("setup.join-those-that-touch"));
    }
}
