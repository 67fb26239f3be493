package vestcoin.core.setup;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Ending;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Countries;
import vestcoin.core.problem.Problems;
import vestcoin.core.tax.Tax;

/**
 * What makes a setup impossible to price with. A setup that is merely unfinished passes; what it lacks is a finding.
 */
final class SetupCheck {
    private static final int MOST_SITES = 20;

    private final Setup setup;
    private final Checks checks = new Checks();

    private SetupCheck(Setup setup) {
        this.setup = setup;
    }

    static Problems problems(Setup setup) {
        SetupCheck check = new SetupCheck(setup);
        return check.complete() ? check.run(Same.NOTHING) : check.checks.problems;
    }

    /**
     * The same for a setup that differs from one that was found possible: stations, and things of long lists, that are
     * the very same and lean on nothing that changed are not read again.
     */
    static Problems problems(Setup setup, Setup sound) {
        SetupCheck check = new SetupCheck(setup);
        return check.complete() ? check.run(check.same(sound)) : check.checks.problems;
    }

    private Problems run(Same same) {
        shop();
        Set<String> names = names(setup);
        if (!same.goods) {
            new GoodsCheck(setup, checks, names).check();
        }
        if (!same.delivery) {
            new DeliveryCheck(setup, checks, names).check();
        }
        if (!same.tax) {
            new TaxCheck(setup.tax(), checks).check();
        }
        if (!same.payment) {
            new PaymentCheck(setup, checks, names).check();
        }
        rehearsal();
        TermsCheck.check(setup, checks);
        return checks.problems;
    }

    /** Which stations are as they were, all they lean on included. */
    private record Same(boolean goods, boolean delivery, boolean tax, boolean payment) {
        static final Same NOTHING = new Same(false, false, false, false);
    }

    private Same same(Setup sound) {
        boolean base = Objects.equals(setup.shop().currency(), sound.shop().currency())
                && setup.shop().currencies().equals(sound.shop().currencies())
                && names(setup).equals(names(sound));
        if (!base) {
            return Same.NOTHING;
        }
        // Goods name places they leave from, and zones.
        boolean named = setup.delivery().dispatch().equals(sound.delivery().dispatch())
                && zones(setup).equals(zones(sound));
        boolean options = setup.delivery().options().equals(sound.delivery().options());
        boolean pickup = setup.pickup() == sound.pickup();
        Goods goods = sound.goods();
        if (named
                && setup.goods().groups().equals(goods.groups())
                && setup.goods().buyerGroups().equals(goods.buyerGroups())
                && setup.goods().defaultGroup().equals(goods.defaultGroup())) {
            checks.sound(goods.products());
        }
        if (options) {
            checks.sound(sound.delivery().zones());
        }
        if (setup.tax().prices() == sound.tax().prices()) {
            checks.sound(sound.tax().places());
        }
        return new Same(
                named && setup.goods() == goods && setup.discounts() == sound.discounts(),
                pickup && setup.delivery() == sound.delivery() && setup.payment() == sound.payment(),
                setup.tax() == sound.tax(),
                pickup && options && setup.payment() == sound.payment());
    }

    private static Set<String> zones(Setup setup) {
        return setup.delivery().zones().stream().map(Delivery.Zone::id).collect(Collectors.toSet());
    }

    /** The names rules use for kinds of goods: tax categories, product groups and handling groups. */
    private static Set<String> names(Setup setup) {
        Set<String> names = new HashSet<>();
        setup.tax().categories().stream().map(Tax.Category::id).forEach(names::add);
        setup.goods().groups().stream().map(Goods.ProductGroup::id).forEach(names::add);
        setup.delivery().handling().forEach(handling -> names.add(handling.id()));
        return names;
    }

    private boolean complete() {
        boolean shop = checks.required(setup.shop(), "shop");
        boolean goods = checks.required(setup.goods(), "goods");
        boolean delivery = checks.required(setup.delivery(), "delivery");
        boolean tax = checks.required(setup.tax(), "tax");
        return checks.required(setup.payment(), "payment") && shop && goods && delivery && tax;
    }

    private void shop() {
        Shop shop = setup.shop();
        Problems problems = checks.problems;
        problems.when(
                shop.name() == null || shop.name().isBlank(),
                "shop/name",
                Message.of("setup.shop-has-no-name"),
                Message.of("setup.type-name-buyers-know-by"));
        if (checks.required(shop.currency(), "shop/currency")) {
            CurrencyUnit unit = Currencies.of(shop.currency()).orElse(null);
            if (!problems.when(
                    unit == null,
                    "shop/currency",
                    Message.of("setup.not-currency-of-iso-4217", "currency", shop.currency()),
                    Message.of("setup.write-three-letters-eur"))) {
                checks.currency(shop.currency(), unit.getDecimalPlaces());
            }
        }
        if (checks.required(shop.language(), "shop/language")) {
            language(shop.language(), "shop/language");
        }
        shop.languages().forEach(tag -> language(tag, "shop/languages"));
        if (checks.required(shop.timeZone(), "shop/timeZone")) {
            try {
                ZoneId.of(shop.timeZone());
            } catch (DateTimeException e) {
                problems.add(
                        "shop/timeZone",
                        Message.of("setup.not-time-zone", "timeZone", shop.timeZone()),
                        Message.of("setup.write-iana-name-europe-dublin"));
            }
        }
        problems.when(
                !Weight.isUnit(shop.weightUnit()),
                "shop/weightUnit",
                Message.of("setup.not-unit-of-weight", "weightUnit", shop.weightUnit()),
                Message.of("setup.use-kg-g-lb-or-oz"));
        problems.when(
                !Length.isUnit(shop.lengthUnit()),
                "shop/lengthUnit",
                Message.of("setup.not-unit-of-length", "lengthUnit", shop.lengthUnit()),
                Message.of("setup.use-mm-cm-m-in-or-ft"));
        if (checks.required(shop.address(), "shop/address")) {
            address(shop.address());
        }
        checks.places(shop.sellsTo(), "shop/sellsTo");
        shop.smallest().ifPresent(least -> checks.amount(least, "shop/smallest", false));
        shop.point()
                .ifPresent(point -> problems.when(
                        !point.exists(),
                        "shop/point",
                        Message.of("setup.there-no-such-point-on-earth"),
                        Message.of("setup.write-degrees-latitude-first")));
        problems.when(
                shop.sites().size() > MOST_SITES,
                "shop/sites",
                Message.of("setup.too-many-sites", "most", MOST_SITES),
                Message.of("setup.list-fewer-sites"));
        for (String site : shop.sites()) {
            problems.when(
                    !WebAddress.origin(site).filter(site::equals).isPresent(),
                    "shop/sites",
                    Message.of("setup.not-address-of-site", "site", site),
                    Message.of("setup.write-site-as-https-notes-example"));
        }
        beforeAddress(shop.beforeAddress());
        shop.working().closed().forEach(window -> checks.window(window, "shop/working/closed"));
        shop.working().open().forEach(window -> checks.window(window, "shop/working/open"));
        shop.currencies().forEach(this::accepted);
    }

    private void beforeAddress(BeforeAddress assumed) {
        boolean another = assumed.by() == BeforeAddress.By.ANOTHER;
        checks.problems.when(
                another != assumed.at().isPresent(),
                "shop/beforeAddress/at",
                Message.of(another ? "setup.place-assumed-not-named" : "setup.place-assumed-for-nothing"),
                Message.of(another ? "setup.name-place-assumed" : "setup.leave-place-assumed-out"));
        assumed.at().ifPresent(at -> at.check("shop/beforeAddress/at", checks.problems));
    }

    private void language(String tag, String path) {
        checks.problems.when(
                tag == null || Locale.forLanguageTag(tag).getLanguage().isEmpty(),
                path,
                Message.of("setup.not-language-tag", "tag", tag),
                Message.of("setup.write-tag-en-or-de-ch"));
    }

    private void address(Shop.Address address) {
        Problems problems = checks.problems;
        if (!problems.when(
                address.country() == null || !Countries.isCountry(address.country()),
                "shop/address/country",
                Message.of("setup.not-country-code", "country", address.country()),
                Message.of("setup.choose-country-or-write-two-letters"))) {
            problems.when(
                    !address.postcode().isBlank() && !Countries.fits(address.country(), address.postcode()),
                    "shop/address/postcode",
                    Message.of(
                            "setup.not-postcode-of",
                            "postcode",
                            address.postcode(),
                            "country",
                            new Region(address.country())),
                    Message.of("setup.check-postcode-and-country"));
            address.region()
                    .ifPresent(region -> problems.when(
                            !Countries.isSubdivision(region) || !region.startsWith(address.country() + "-"),
                            "shop/address/region",
                            Message.of(
                                    "setup.not-region-of", "region", region, "country", new Region(address.country())),
                            Message.of("setup.write-iso-3166-2-code-us-nc")));
        }
    }

    private void accepted(AcceptedCurrency accepted) {
        String path = "shop/currencies/" + accepted.code();
        Optional<CurrencyUnit> unit = accepted.code() == null ? Optional.empty() : Currencies.of(accepted.code());
        if (!checks.problems.when(
                unit.isEmpty(),
                path,
                Message.of("setup.not-currency-of-iso-4217-2", "accepted", accepted.code()),
                Message.of("setup.write-three-letters-chf"))) {
            checks.problems.when(
                    accepted.code().equals(setup.shop().currency()),
                    path,
                    Message.of("setup.shops-own-currency", "accepted", accepted.code()),
                    Message.of("setup.take-out"));
            checks.problems.when(
                    accepted.ending().isPresent() && unit.get().getDecimalPlaces() != 2,
                    path + "/ending",
                    Message.of("setup.prices-in-have-no-such-ending", "accepted", accepted.code()),
                    Message.of("setup.leave-ending-out-endings-exist-all-for", "values", Ending.values().length));
        }
        accepted.percent().ifPresent(percent -> checks.percent(percent, path + "/percent"));
    }

    /** A basket may name goods that are gone; it then says so when it is priced. It has to be one all the same. */
    private void rehearsal() {
        checks.ids(setup.rehearsal().baskets(), Rehearsal.SampleOrder::id, "rehearsal/baskets");
        checks.ids(setup.rehearsal().meant(), Rehearsal.MeantFinding::id, "rehearsal/meant");
        for (Rehearsal.SampleOrder basket : setup.rehearsal().baskets()) {
            String path = "rehearsal/baskets/" + basket.id();
            checks.named(basket.name(), path);
            checks.problems.when(
                    basket.monthly().filter(many -> many <= 0).isPresent(),
                    path + "/monthly",
                    Message.of("setup.orders-a-month-have-to-be-above-zero"),
                    Message.of("setup.write-20-or-leave-out"));
            basket.order().to().ifPresent(to -> to.check(path + "/order/to", checks.problems));
        }
        pins();
    }

    private void pins() {
        checks.ids(setup.rehearsal().pins(), Rehearsal.Pin::id, "rehearsal/pins");
        Set<String> baskets = setup.rehearsal().baskets().stream()
                .map(Rehearsal.SampleOrder::id)
                .collect(Collectors.toSet());
        Map<String, String> foreign = setup.rehearsal().baskets().stream()
                .filter(basket -> basket.order()
                        .currency()
                        .filter(currency -> !currency.equals(setup.shop().currency()))
                        .isPresent())
                .collect(Collectors.toMap(
                        Rehearsal.SampleOrder::id,
                        basket -> basket.order().currency().get(),
                        (one, other) -> one));
        for (Rehearsal.Pin pin : setup.rehearsal().pins()) {
            String path = "rehearsal/pins/" + pin.id();
            checks.problems.when(
                    !baskets.contains(pin.basket()),
                    path + "/basket",
                    Message.of("setup.pin-of-no-basket", "basket", String.valueOf(pin.basket())),
                    Message.of("setup.take-pin-out-or-add-basket"));
            Optional<Exchange> rates = pin.outside().flatMap(Rehearsal.OutsideAnswers::exchange);
            checks.problems.when(
                    foreign.containsKey(pin.basket())
                            && rates.flatMap(known -> known.of(foreign.get(pin.basket())))
                                    .isEmpty(),
                    path + "/basket",
                    Message.of("setup.pin-moves-with-the-rate"),
                    Message.of("setup.pin-it-again-on-the-board"));
            checks.problems.when(
                    rates.filter(known -> known.base() == null
                                    || known.day() == null
                                    || known.rates().values().stream().anyMatch(rate -> rate.signum() <= 0))
                            .isPresent(),
                    path + "/outside/exchange",
                    Message.of("setup.kept-rate-cannot-be"),
                    Message.of("setup.pin-it-again-on-the-board"));
            checks.required(pin.at(), path + "/at");
            checks.problems.when(
                    pin.reason().length() > Rehearsal.Pin.LONGEST_REASON,
                    path + "/reason",
                    Message.of("setup.sentence-too-long", "most", Rehearsal.Pin.LONGEST_REASON),
                    Message.of("setup.say-it-shorter"));
            if (checks.required(pin.to(), path + "/to")) {
                pin.to().check(path + "/to", checks.problems);
            }
            checks.problems.when(
                    pin.value().filter(value -> !figure(pin.figure(), value)).isPresent(),
                    path + "/value",
                    Message.of(
                            "setup.pinned-figure-cannot-be",
                            "value",
                            pin.value().orElse("")),
                    Message.of("setup.pin-it-again-on-the-board"));
        }
    }

    /** Whether a pinned figure can be one of its kind. */
    private boolean figure(Rehearsal.Pin.Figure figure, String value) {
        return switch (figure) {
            case TO_PAY, DELIVERY, TAX -> value.matches("-?\\d{1,12}(\\.\\d{1,4})?");
            case ARRIVAL -> value.matches("\\d{1,4}");
            case WAY -> value.matches("[a-z0-9]+(-[a-z0-9]+)*");
        };
    }
}
