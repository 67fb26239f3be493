package vestcoin.core.setup;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.goods.Window;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Place;
import vestcoin.core.problem.Problems;
import vestcoin.core.tax.Tax;

/**
 * What makes a setup impossible to price with. A setup that is merely unfinished passes; what it lacks is a finding.
 */
final class SetupCheck {
    private static final String ID = "[a-z0-9]+(-[a-z0-9]+)*";
    /** Above any real price, and small enough that an order's total fits a 64-bit count of minor units. */
    private static final BigDecimal MOST = new BigDecimal("1000000000");

    private final Setup setup;
    private final Problems problems = new Problems();
    private int digits = 2;

    private SetupCheck(Setup setup) {
        this.setup = setup;
    }

    static Problems problems(Setup setup) {
        SetupCheck check = new SetupCheck(setup);
        if (check.complete()) {
            check.shop();
            check.goods();
            check.discounts();
            check.delivery();
            check.tax();
            check.payment();
            check.rehearsal();
        }
        return check.problems;
    }

    private boolean complete() {
        boolean shop = required(setup.shop(), "shop");
        boolean goods = required(setup.goods(), "goods");
        boolean delivery = required(setup.delivery(), "delivery");
        boolean tax = required(setup.tax(), "tax");
        return required(setup.payment(), "payment") && shop && goods && delivery && tax;
    }

    private boolean required(Object value, String path) {
        return !problems.when(value == null, path, "“" + path.substring(path.lastIndexOf('/') + 1) + "” is missing.", "Add it.");
    }

    private void shop() {
        Shop shop = setup.shop();
        problems.when(shop.name() == null || shop.name().isBlank(), "shop/name", "The shop has no name.", "Type the name buyers know it by.");
        if (required(shop.currency(), "shop/currency")) {
            CurrencyUnit unit = Currencies.of(shop.currency()).orElse(null);
            if (!problems.when(unit == null, "shop/currency", "“" + shop.currency() + "” is not a currency of ISO 4217.", "Write three letters, as EUR.")) {
                digits = unit.getDecimalPlaces();
            }
        }
        if (required(shop.language(), "shop/language")) {
            String language = Locale.forLanguageTag(shop.language()).getLanguage();
            problems.when(language.isEmpty(), "shop/language", "“" + shop.language() + "” is not a language tag.", "Write a tag as en or de-CH.");
        }
        if (required(shop.timeZone(), "shop/timeZone")) {
            try {
                ZoneId.of(shop.timeZone());
            } catch (DateTimeException e) {
                problems.add("shop/timeZone", "“" + shop.timeZone() + "” is not a time zone.", "Write its IANA name, as Europe/Dublin.");
            }
        }
        problems.when(!Weight.isUnit(shop.weightUnit()), "shop/weightUnit", "“" + shop.weightUnit() + "” is not a unit of weight.", "Use kg, g, lb or oz.");
        if (required(shop.address(), "shop/address")) {
            Shop.Address address = shop.address();
            if (!problems.when(address.country() == null || !Countries.isCountry(address.country()), "shop/address/country",
                    "“" + address.country() + "” is not a country code.", "Choose a country, or write its two letters.")) {
                problems.when(!address.postcode().isBlank() && !Countries.fits(address.country(), address.postcode()), "shop/address/postcode",
                        "“" + address.postcode() + "” is not a postcode of " + address.country() + ".", "Check the postcode and the country.");
                address.region().ifPresent(region -> problems.when(!Countries.isSubdivision(region) || !region.startsWith(address.country() + "-"),
                        "shop/address/region", "“" + region + "” is not a region of " + address.country() + ".", "Write its ISO 3166-2 code, as US-NC."));
            }
        }
        places(shop.sellsTo(), "shop/sellsTo");
    }

    private void goods() {
        ids(setup.goods().products(), Product::id, "goods/products");
        ids(setup.goods().buyerGroups(), Goods.BuyerGroup::id, "goods/buyerGroups");
        setup.goods().buyerGroups().forEach(group -> group.percentOff().ifPresent(percent -> percent(percent, "goods/buyerGroups/" + group.id() + "/percentOff")));
        Set<String> categories = new HashSet<>(setup.tax().categories().stream().map(Tax.Category::id).toList());
        for (Product product : setup.goods().products()) {
            String path = "goods/products/" + product.id();
            named(product.name(), path);
            required(product.kind(), path + "/kind");
            amount(product.price(), path + "/price", false);
            problems.when(!categories.contains(product.category()), path + "/category",
                    "There is no tax category “" + product.category() + "”.", "Choose one of the tax station's categories, or add it there.");
            unusualPrices(product, path);
            product.weight().ifPresent(weight -> problems.when(weight.value().signum() < 0, path + "/weight", "A weight cannot be below zero.", "Write it without the minus sign."));
            ids(product.options(), Product.Option::id, path + "/options");
            for (Product.Option option : product.options()) {
                choices(option, path + "/options/" + option.id());
            }
        }
    }

    private void unusualPrices(Product product, String path) {
        product.sale().ifPresent(sale -> {
            amount(sale.price(), path + "/sale/price", false);
            if (required(sale.window(), path + "/sale/window")) {
                window(sale.window(), path + "/sale/window");
            }
        });
        for (int i = 0; i < product.breaks().size(); i++) {
            Product.Break step = product.breaks().get(i);
            String at = path + "/breaks/" + i;
            problems.when(step.from() == null || step.from().signum() <= 0, at + "/from", "A break begins above zero.", "Write the quantity it begins at.");
            problems.when(step.price().isPresent() == step.percent().isPresent(), at, "A break has either a price or a percent off.", "Write one of the two.");
            step.price().ifPresent(price -> amount(price, at + "/price", false));
            step.percent().ifPresent(percent -> percent(percent, at + "/percent"));
        }
        product.measure().ifPresent(measure -> problems.when(measure.unit() == null || measure.step() == null || measure.step().signum() <= 0 || measure.least() == null
                        || measure.most() == null || measure.least().compareTo(measure.most()) > 0, path + "/measure",
                "The measure needs a unit, a step above zero, and a least that is not above the most.", "Write them as m, 0.05, 0.5, 50."));
        problems.when(product.donation() && product.bounds().isEmpty(), path + "/bounds", "A donation needs its least and its most.", "Write both amounts.");
        product.bounds().ifPresent(bounds -> {
            amount(bounds.least(), path + "/bounds/least", false);
            amount(bounds.most(), path + "/bounds/most", false);
        });
        Set<String> groups = new HashSet<>(setup.goods().buyerGroups().stream().map(Goods.BuyerGroup::id).toList());
        product.groupPrices().forEach((group, price) -> {
            problems.when(!groups.contains(group), path + "/groupPrices/" + group, "There is no buyer group “" + group + "”.", "Add the group, or remove the price.");
            amount(price, path + "/groupPrices/" + group, false);
        });
    }

    private void window(Window window, String path) {
        problems.when(window.backwards(), path, "The days run backwards.", "Write the earlier day first.");
    }

    private void discounts() {
        ids(setup.discounts().rules(), Discounts.Rule::id, "discounts/rules");
        Set<String> categories = new HashSet<>(setup.tax().categories().stream().map(Tax.Category::id).toList());
        Set<String> codes = new HashSet<>();
        for (Discounts.Rule rule : setup.discounts().rules()) {
            String path = "discounts/rules/" + rule.id();
            named(rule.name(), path);
            required(rule.off(), path + "/off");
            problems.when(rule.amount().isPresent() == rule.percent().isPresent(), path, "A discount is either a percent or an amount.", "Write one of the two.");
            rule.amount().ifPresent(amount -> amount(amount, path + "/amount", false));
            rule.percent().ifPresent(percent -> percent(percent, path + "/percent"));
            rule.code().ifPresent(code -> {
                problems.when(code.isBlank() || code.length() > 40, path + "/code", "A code has 1 to 40 characters.", "Write a shorter one.");
                problems.when(!codes.add(code.strip().toUpperCase(Locale.ROOT)), path + "/code", "The code “" + code + "” is used twice.", "Give one of them another code.");
            });
            Discounts.Conditions when = rule.conditions();
            when.leastValue().ifPresent(least -> amount(least, path + "/conditions/leastValue", false));
            when.window().ifPresent(window -> window(window, path + "/conditions/window"));
            places(when.places(), path + "/conditions/places");
            java.util.stream.Stream.concat(when.categories().stream(), when.except().stream()).filter(category -> !categories.contains(category))
                    .forEach(category -> problems.add(path + "/conditions/categories", "There is no tax category “" + category + "”.", "Choose one of the tax station's."));
        }
    }

    private void choices(Product.Option option, String path) {
        named(option.name(), path);
        ids(option.choices(), Product.Choice::id, path + "/choices");
        problems.when(option.choices().isEmpty(), path + "/choices", "The option has nothing to choose.", "Add a choice, or remove the option.");
        for (Product.Choice choice : option.choices()) {
            named(choice.name(), path + "/choices/" + choice.id());
            choice.extra().ifPresent(extra -> amount(extra, path + "/choices/" + choice.id() + "/extra", true));
            choice.percent().ifPresent(percent -> problems.when(percent.abs().compareTo(MOST) > 0, path + "/choices/" + choice.id() + "/percent",
                    "The percentage is too large.", "Write a smaller one."));
        }
    }

    private void delivery() {
        Delivery delivery = setup.delivery();
        ids(delivery.zones(), Delivery.Zone::id, "delivery/zones");
        ids(delivery.options(), Delivery.Option::id, "delivery/options");
        Set<String> options = new HashSet<>(delivery.options().stream().map(Delivery.Option::id).toList());
        for (Delivery.Option option : delivery.options()) {
            named(option.name(), "delivery/options/" + option.id());
            option.limits().ifPresent(limits -> {
                limits.valueFrom().ifPresent(value -> amount(value, "delivery/options/" + option.id() + "/limits/valueFrom", false));
                limits.valueTo().ifPresent(value -> amount(value, "delivery/options/" + option.id() + "/limits/valueTo", false));
            });
            option.days().ifPresent(days -> problems.when(days.from() < 0 || days.to() < days.from(), "delivery/options/" + option.id() + "/days",
                    "The days run backwards.", "Write the smaller number first."));
        }
        for (Delivery.Zone zone : delivery.zones()) {
            String path = "delivery/zones/" + zone.id();
            named(zone.name(), path);
            places(zone.places(), path + "/places");
            places(zone.except(), path + "/except");
            zone.rates().forEach((option, rule) -> {
                String at = path + "/rates/" + option;
                if (!problems.when(!options.contains(option), at, "There is no delivery option “" + option + "”.", "Add the option, or remove the rate.")) {
                    rule(rule, at);
                }
            });
        }
    }

    private void rule(PriceRule rule, String path) {
        rule.freeFrom().ifPresent(from -> amount(from, path, false));
        if (rule.basis() instanceof PriceRule.Fixed fixed) {
            amount(fixed.price(), path, false);
        } else if (rule.basis() instanceof PriceRule.Bands bands) {
            bands(bands, path);
        } else if (rule.basis() instanceof PriceRule.BasePlus plus) {
            amount(plus.base(), path, false);
            problems.when(plus.per() == null || !(Weight.isUnit(plus.per()) || plus.per().equals(PriceRule.Bands.ITEMS) || plus.per().equals(PriceRule.BasePlus.PERCENT)), path,
                    "“" + plus.per() + "” is not a unit here.", "Use kg, g, lb or oz, items, or %.");
            if (PriceRule.BasePlus.PERCENT.equals(plus.per())) {
                percent(plus.plus(), path);
            } else {
                amount(plus.plus(), path, false);
            }
        } else {
            problems.add(path, "The rate has no price.", "Write a price, as 5.90.");
        }
    }

    private void bands(PriceRule.Bands bands, String path) {
        String unit = bands.unit();
        problems.when(unit == null || !(Weight.isUnit(unit) || unit.equals(PriceRule.Bands.ITEMS) || unit.equals(setup.shop().currency())), path,
                "“" + unit + "” is not a unit here.", "Use kg, g, lb or oz, items, or the shop's currency.");
        problems.when(bands.bands().isEmpty(), path, "The rule has no band.", "Write at least one, as “to 1 kg 4.90”.");
        BigDecimal before = BigDecimal.ZERO;
        for (PriceRule.Band band : bands.bands()) {
            amount(band.price(), path, false);
            if (required(band.upTo(), path + "/upTo")) {
                problems.when(band.upTo().compareTo(before) <= 0, path, "The band to " + band.upTo().toPlainString() + " is not above the one before it.",
                        "List the bands from the smallest to the largest.");
                before = band.upTo();
            }
        }
        bands.then().ifPresent(then -> {
            amount(then.price(), path, false);
            problems.when(then.step() == null || then.step().signum() <= 0, path, "The step above the last band has to be above zero.", "Write it as “then +0.80/kg”.");
        });
    }

    private void tax() {
        Tax tax = setup.tax();
        required(tax.prices(), "tax/prices");
        ids(tax.categories(), Tax.Category::id, "tax/categories");
        ids(tax.places(), Tax.PlaceRates::id, "tax/places");
        Set<String> categories = new HashSet<>(tax.categories().stream().map(Tax.Category::id).toList());
        tax.categories().forEach(category -> named(category.name(), "tax/categories/" + category.id()));
        for (Tax.PlaceRates row : tax.places()) {
            String path = "tax/places/" + row.id();
            named(row.name(), path);
            places(row.places(), path + "/places");
            places(row.except(), path + "/except");
            row.delivery().ifPresent(delivery -> {
                required(delivery.way(), path + "/delivery/way");
                problems.when(delivery.way() == Tax.Way.OWN_CATEGORY && delivery.category().filter(categories::contains).isEmpty(), path + "/delivery/category",
                        "Delivery needs a tax category of its own.", "Name one of the tax station's categories, or tax it another way.");
            });
            row.rates().forEach((category, rate) -> {
                String at = path + "/rates/" + category;
                problems.when(!categories.contains(category), at, "There is no tax category “" + category + "”.", "Add the category, or remove the rate.");
                if (!problems.when(rate == null || rate.components().isEmpty(), at, "The rate is empty.", "Write a percentage; 0 levies nothing.")) {
                    rate.components().forEach(component -> percent(component.percent(), at));
                }
            });
        }
    }

    private void payment() {
        ids(setup.payment().methods(), Payment.Method::id, "payment/methods");
        for (Payment.Method method : setup.payment().methods()) {
            String path = "payment/methods/" + method.id();
            required(method.kind(), path + "/kind");
            required(method.gateway(), path + "/gateway");
            method.fee().ifPresent(fee -> {
                percent(fee.percent(), path + "/fee/percent");
                amount(fee.fixed(), path + "/fee/fixed", false);
            });
        }
    }

    /** A basket may name goods that are gone; it then says so when it is priced. It has to be one all the same. */
    private void rehearsal() {
        ids(setup.rehearsal().baskets(), Rehearsal.Basket::id, "rehearsal/baskets");
        for (Rehearsal.Basket basket : setup.rehearsal().baskets()) {
            String path = "rehearsal/baskets/" + basket.id();
            named(basket.name(), path);
            if (required(basket.to(), path + "/to")) {
                basket.to().check(path + "/to", problems);
            }
        }
    }

    private void percent(BigDecimal percent, String path) {
        problems.when(percent == null || percent.signum() < 0 || percent.compareTo(BigDecimal.valueOf(100)) > 0, path,
                "A rate has to be from 0 to 100 %.", "Write it as a percentage, 23 for 23 %.");
    }

    private void amount(BigDecimal amount, String path, boolean mayBeNegative) {
        if (!required(amount, path)) {
            return;
        }
        problems.when(amount.signum() < 0 && !mayBeNegative, path, "An amount here cannot be below zero.", "Write it without the minus sign.");
        problems.when(amount.abs().compareTo(MOST) >= 0, path, "The amount is too large.", "Write one below 1,000,000,000.");
        problems.when(amount.stripTrailingZeros().scale() > digits, path,
                amount.toPlainString() + " has more decimals than " + setup.shop().currency() + " has.", "Write at most " + digits + " decimals.");
    }

    private void named(String name, String path) {
        problems.when(name == null || name.isBlank(), path + "/name", "It has no name.", "Type a name.");
    }

    private void places(List<Place> places, String path) {
        places.forEach(place -> Place.check(place, path, problems));
    }

    private <T> void ids(List<T> things, Function<T, String> id, String path) {
        Set<String> seen = new HashSet<>();
        for (T thing : things) {
            String given = id.apply(thing);
            if (!problems.when(given == null || !given.matches(ID), path, "“" + given + "” cannot be an id.",
                    "Use small letters, digits and single hyphens, as delta-kite.")) {
                problems.when(!seen.add(given), path + "/" + given, "The id “" + given + "” is used twice.", "Give one of them another id.");
            }
        }
    }
}
