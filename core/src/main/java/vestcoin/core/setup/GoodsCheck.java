package vestcoin.core.setup;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Renewal;
import vestcoin.core.goods.ShippingTraits;
import vestcoin.core.message.Message;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.tax.Tax;

/** What makes goods or discounts impossible to price with. */
final class GoodsCheck {
    private final Goods goods;
    private final Setup setup;
    private final Checks checks;
    private final Set<String> names;
    private final Set<String> categories = new HashSet<>();
    private final Set<String> groups = new HashSet<>();
    private final Set<String> buyerGroups = new HashSet<>();
    private final Set<String> handling = new HashSet<>();
    private final Set<String> zones = new HashSet<>();
    private final Set<String> dispatch = new HashSet<>(Set.of(Delivery.Dispatch.SHOP));
    private final Set<String> accepted = new HashSet<>();
    private final PartsCheck parts;

    GoodsCheck(Setup setup, Checks checks, Set<String> names) {
        this.goods = setup.goods();
        this.setup = setup;
        this.checks = checks;
        this.names = names;
        setup.tax().categories().stream().map(Tax.Category::id).forEach(categories::add);
        goods.groups().forEach(group -> groups.add(group.id()));
        goods.buyerGroups().forEach(group -> buyerGroups.add(group.id()));
        setup.delivery().handling().forEach(each -> handling.add(each.id()));
        setup.delivery().zones().forEach(each -> zones.add(each.id()));
        setup.delivery().dispatch().forEach(each -> dispatch.add(each.id()));
        setup.shop().currencies().stream().map(AcceptedCurrency::code).forEach(accepted::add);
        this.parts = new PartsCheck(goods, checks);
    }

    void check() {
        checks.ids(goods.products(), Product::id, "goods/products");
        checks.ids(goods.buyerGroups(), Goods.BuyerGroup::id, "goods/buyerGroups");
        checks.ids(goods.groups(), Goods.ProductGroup::id, "goods/groups");
        goods.buyerGroups().forEach(this::buyerGroup);
        checks.known(
                goods.defaultGroup().stream().toList(),
                groups,
                "goods/defaultGroup",
                Message.of("setup.product-group"));
        for (Goods.ProductGroup group : goods.groups()) {
            String path = "goods/groups/" + group.id();
            checks.named(group.name(), path);
            checks.known(
                    group.category().stream().toList(),
                    categories,
                    path + "/category",
                    Message.of("setup.tax-category"));
            sending(group.sending(), path + "/sending");
        }
        goods.products().forEach(this::product);
        discounts();
    }

    private void buyerGroup(Goods.BuyerGroup group) {
        String path = "goods/buyerGroups/" + group.id();
        group.percentOff().ifPresent(percent -> checks.percent(percent, path + "/percentOff"));
        group.code().ifPresent(code -> {
            checks.problems.when(
                    !code.matches(Goods.BuyerGroup.CODE),
                    path + "/code",
                    Message.of("setup.no-code-of-a-group", "code", code),
                    Message.of("setup.use-letters-and-digits-of-group-code"));
            checks.problems.when(
                    goods.buyerGroups().stream()
                                    .filter(other -> other.code()
                                            .filter(code::equalsIgnoreCase)
                                            .isPresent())
                                    .count()
                            > 1,
                    path + "/code",
                    Message.of("setup.code-is-another-groups-too", "code", code),
                    Message.of("setup.give-each-group-its-own-code"));
        });
    }

    private void product(Product product) {
        // What a bundle holds may have gone.
        if (product.contents().isEmpty() && product.together().isEmpty() && checks.isSound(product)) {
            return;
        }
        String path = "goods/products/" + product.id();
        checks.named(product.name(), path);
        checks.required(product.kind(), path + "/kind");
        checks.amount(product.price(), path + "/price", false);
        product.cost().ifPresent(cost -> checks.amount(cost, path + "/cost", false));
        checks.known(product.group().stream().toList(), groups, path + "/group", Message.of("setup.product-group"));
        Optional<String> category = product.category().or(() -> product.group()
                .or(goods::defaultGroup)
                .flatMap(id -> goods.groups().stream()
                        .filter(group -> id.equals(group.id()))
                        .findFirst())
                .flatMap(Goods.ProductGroup::category));
        boolean needed = !product.assembled() && !(product.kind() != null && product.untaxed());
        if (category.map(id -> !categories.contains(id)).orElse(needed)) {
            checks.problems.add(
                    path + "/category",
                    category.isEmpty()
                            ? Message.of("setup.has-no-tax-category-nor-has-group", "product", product.name())
                            : Message.of("setup.there-no-tax-category", "category", category.get()),
                    Message.of("setup.choose-one-of-tax-stations-categories-or"));
        }
        product.weight()
                .ifPresent(weight -> checks.problems.when(
                        weight.value().signum() < 0,
                        path + "/weight",
                        Message.of("setup.weight-cannot-below-zero"),
                        Message.of("setup.write-without-minus-sign")));
        sending(product.sending(), path + "/sending");
        prices(product, path);
        quantities(product, path);
        options(product, path);
        product.shown().ifPresent(shown -> {
            checks.problems.when(
                    shown.sentence()
                            .filter(said -> said.length() > Product.Shown.LONGEST)
                            .isPresent(),
                    path + "/shown/sentence",
                    Message.of("setup.sentence-too-long", "most", Product.Shown.LONGEST),
                    Message.of("setup.say-it-shorter"));
            checks.problems.when(
                    shown.picture()
                            .filter(name -> !name.matches(Product.Shown.PICTURE))
                            .isPresent(),
                    path + "/shown/picture",
                    Message.of("setup.no-name-of-picture"),
                    Message.of("setup.put-picture-in-at-product"));
        });
        checks.ids(product.questions(), Question::id, path + "/questions");
        product.questions()
                .forEach(question -> parts.question(product, question, path + "/questions/" + question.id()));
        kinds(product, path);
    }

    private void sending(ShippingTraits sending, String path) {
        checks.known(
                sending.handling().stream().toList(), handling, path + "/handling", Message.of("setup.handling-group"));
        checks.known(sending.from().stream().toList(), dispatch, path + "/from", Message.of("setup.dispatch-place"));
        sending.preparation()
                .ifPresent(days -> checks.whole(
                        days, 0, 365, path + "/preparation", Message.of("setup.preparation-in-working-days")));
        sending.own().ifPresent(own -> {
            checks.amount(own.alone(), path + "/own/alone", false);
            checks.amount(own.withOthers(), path + "/own/withOthers", false);
            checks.known(own.zones().keySet(), zones, path + "/own/zones", Message.of("setup.zone"));
            own.zones().forEach((zone, pair) -> {
                checks.amount(pair.alone(), path + "/own/zones/" + zone + "/alone", false);
                checks.amount(pair.withOthers(), path + "/own/zones/" + zone + "/withOthers", false);
            });
        });
    }

    private void prices(Product product, String path) {
        product.sale().ifPresent(sale -> sale(sale, path + "/sale"));
        product.groupPrices().forEach((group, price) -> {
            checks.problems.when(
                    !buyerGroups.contains(group),
                    path + "/groupPrices/" + group,
                    Message.of("setup.there-no-buyer-group", "group", group),
                    Message.of("setup.add-group-or-remove-price"));
            checks.amount(price, path + "/groupPrices/" + group, false);
        });
        product.prices().forEach((code, price) -> {
            Optional<CurrencyUnit> unit = Currencies.of(code);
            if (!checks.problems.when(
                    unit.isEmpty() || !accepted.contains(code),
                    path + "/prices/" + code,
                    Message.of("setup.shop-does-not-take", "code", code),
                    Message.of("setup.add-currency-to-shop-or-remove-price"))) {
                checks.amount(
                        price, path + "/prices/" + code, false, code, unit.get().getDecimalPlaces());
            }
        });
        for (int i = 0; i < product.breaks().size(); i++) {
            Product.Break step = product.breaks().get(i);
            String at = path + "/breaks/" + i;
            checks.problems.when(
                    step.from() == null || step.from().signum() <= 0,
                    at + "/from",
                    Message.of("setup.break-begins-above-zero"),
                    Message.of("setup.write-quantity-begins-at"));
            checks.problems.when(
                    step.price().isPresent() == step.percent().isPresent(),
                    at,
                    Message.of("setup.break-has-either-price-or-percent-off"),
                    Message.of("setup.write-one-of-two"));
            step.price().ifPresent(price -> checks.amount(price, at + "/price", false));
            step.percent().ifPresent(percent -> checks.percent(percent, at + "/percent"));
        }
    }

    private void sale(Product.Sale sale, String path) {
        checks.amount(sale.price(), path + "/price", false);
        if (checks.required(sale.window(), path + "/window")) {
            checks.window(sale.window(), path + "/window");
        }
    }

    private void quantities(Product product, String path) {
        product.measure()
                .ifPresent(measure -> checks.problems.when(
                        measure.unit() == null
                                || measure.step() == null
                                || measure.step().signum() <= 0
                                || measure.least() == null
                                || measure.most() == null
                                || measure.least().compareTo(measure.most()) > 0,
                        path + "/measure",
                        Message.of("setup.measure-needs-unit-step-above-zero-and"),
                        Message.of("setup.write-them-m-0-05-0-5")));
        checks.problems.when(
                product.kind() == Product.Kind.DONATION && product.bounds().isEmpty(),
                path + "/bounds",
                Message.of("setup.donation-needs-least-and-most"),
                Message.of("setup.write-both-amounts"));
        product.bounds().ifPresent(bounds -> {
            checks.amount(bounds.least(), path + "/bounds/least", false);
            checks.amount(bounds.most(), path + "/bounds/most", false);
        });
        checks.ids(product.perUnit(), Product.PerUnit::id, path + "/perUnit");
        for (Product.PerUnit each : product.perUnit()) {
            checks.named(each.name(), path + "/perUnit/" + each.id());
            checks.amount(each.amount(), path + "/perUnit/" + each.id() + "/amount", false);
            checks.known(
                    each.category().stream().toList(),
                    categories,
                    path + "/perUnit/" + each.id() + "/category",
                    Message.of("setup.tax-category"));
            boolean own = each.taxed()
                    .filter(Product.PerUnit.Taxed.OWN_CATEGORY::equals)
                    .isPresent();
            checks.problems.when(
                    each.taxed().isPresent() && own != each.category().isPresent(),
                    path + "/perUnit/" + each.id() + "/taxed",
                    own
                            ? Message.of("setup.says-that-has-tax-category-of-own")
                            : Message.of("setup.names-tax-category-and-says-that-has"),
                    Message.of("setup.say-how-taxed-like-goods-in-category"));
        }
    }

    private void options(Product product, String path) {
        checks.ids(product.options(), Product.Option::id, path + "/options");
        for (Product.Option option : product.options()) {
            choices(option, path + "/options/" + option.id());
            option.choices().forEach(choice -> choice.when()
                    .ifPresent(when -> appointment(
                            product, when, path + "/options/" + option.id() + "/choices/" + choice.id() + "/when")));
        }
        checks.ids(product.variations(), Product.Variation::id, path + "/variations");
        for (Product.Variation variation : product.variations()) {
            String at = path + "/variations/" + variation.id();
            variation
                    .options()
                    .forEach((option, choice) -> checks.problems.when(
                            !offers(product, option, choice),
                            at + "/options/" + option,
                            Message.of(
                                    "setup.has-no-choice-of",
                                    "product",
                                    product.name(),
                                    "choice",
                                    choice,
                                    "option",
                                    option),
                            Message.of("setup.name-one-of-options-and-choices")));
            variation.price().ifPresent(price -> checks.amount(price, at + "/price", false));
            variation.sale().ifPresent(sale -> sale(sale, at + "/sale"));
        }
    }

    private void appointment(Product product, Product.Appointment when, String path) {
        checks.problems.when(
                product.kind() != Product.Kind.SERVICE && product.kind() != Product.Kind.REMOTE_SERVICE,
                path,
                Message.of("setup.only-services-take-place", "product", product.name()),
                Message.of("setup.make-it-a-service-or-leave-day-out"));
        checks.problems.when(
                when.starts() == null || when.ends() == null || !when.ends().isAfter(when.starts()),
                path,
                Message.of("setup.ends-before-it-starts"),
                Message.of("setup.write-day-and-hours"));
    }

    static boolean offers(Product product, String option, String choice) {
        return product.options().stream()
                .anyMatch(each -> option.equals(each.id())
                        && each.choices().stream()
                                .anyMatch(one -> one.id() != null && one.id().equals(choice)));
    }

    private void choices(Product.Option option, String path) {
        checks.named(option.name(), path);
        checks.problems.when(
                option.choices().isEmpty(),
                path,
                Message.of("setup.has-nothing-to-choose"),
                Message.of("setup.add-choice-or-remove-option"));
        checks.ids(option.choices(), Product.Choice::id, path + "/choices");
        for (Product.Choice choice : option.choices()) {
            checks.named(choice.name(), path + "/choices/" + choice.id());
            choice.extra().ifPresent(extra -> checks.amount(extra, path + "/choices/" + choice.id() + "/extra", true));
            choice.percent()
                    .ifPresent(percent -> checks.anyPercent(percent, path + "/choices/" + choice.id() + "/percent"));
        }
    }

    private void kinds(Product product, String path) {
        product.renews().ifPresent(renews -> {
            if (checks.required(renews.unit(), path + "/renews/unit")) {
                checks.whole(renews.every(), 1, 1000, path + "/renews/every", Message.of("setup.how-often-renews"));
                renews.on().ifPresent(day -> {
                    checks.whole(day, 1, 31, path + "/renews/on", Message.of("setup.day-of-month"));
                    checks.problems.when(
                            renews.unit() == Renewal.Unit.DAYS || renews.unit() == Renewal.Unit.WEEKS,
                            path + "/renews/on",
                            Message.of("setup.fixed-day-of-month-goes-with-months"),
                            Message.of("setup.renew-every-so-many-months-or-years"));
                });
                renews.away().ifPresent(days -> {
                    checks.whole(days, 0, 60, path + "/renews/away", Message.of("setup.days-to-first-fixed-day"));
                    checks.problems.when(
                            renews.on().isEmpty(),
                            path + "/renews/away",
                            Message.of("setup.days-away-go-with-fixed-day"),
                            Message.of("setup.name-fixed-day-or-leave-days-out"));
                });
                renews.charges()
                        .ifPresent(most -> checks.whole(
                                most, 2, 1000, path + "/renews/charges", Message.of("setup.number-of-charges")));
            }
        });
        product.download().ifPresent(download -> {
            checks.problems.when(
                    product.kind() != Product.Kind.DIGITAL,
                    path + "/download",
                    Message.of("setup.only-what-is-not-sent-is-downloaded"),
                    Message.of("setup.make-digital-or-leave-download-out"));
            download.link()
                    .ifPresent(link -> checks.problems.when(
                            !WebAddress.isOne(link),
                            path + "/download/link",
                            Message.of("setup.no-web-address", "link", link),
                            Message.of("setup.write-web-address-with-http")));
            download.most()
                    .ifPresent(most -> checks.whole(
                            most, 1, 1000, path + "/download/most", Message.of("setup.times-of-download")));
            download.days()
                    .ifPresent(days ->
                            checks.whole(days, 1, 3650, path + "/download/days", Message.of("setup.days-of-download")));
        });
        product.validMonths().ifPresent(months -> {
            checks.problems.when(
                    product.kind() != Product.Kind.VOUCHER,
                    path + "/validMonths",
                    Message.of("setup.only-voucher-ends"),
                    Message.of("setup.make-voucher-or-leave-months-out"));
            checks.whole(months, 1, 1200, path + "/validMonths", Message.of("setup.months-of-voucher"));
        });
        checks.known(product.forGroups(), buyerGroups, path + "/forGroups", Message.of("setup.buyer-group"));
        checks.problems.when(
                product.taxedAtSale() && product.kind() != Product.Kind.VOUCHER,
                path + "/taxedAtSale",
                Message.of("setup.only-voucher-taxed-at-sale-or-use"),
                Message.of("setup.make-voucher-or-leave-it-out"));
        parts.check(product, path);
    }

    private void discounts() {
        checks.ids(setup.discounts().rules(), Discounts.Rule::id, "discounts/rules");
        Set<String> codes = new HashSet<>();
        for (Discounts.Rule rule : setup.discounts().rules()) {
            String path = "discounts/rules/" + rule.id();
            checks.named(rule.name(), path);
            checks.required(rule.off(), path + "/off");
            checks.problems.when(
                    rule.percent().isPresent() == rule.amount().isPresent(),
                    path,
                    Message.of("setup.discount-either-percent-or-amount"),
                    Message.of("setup.write-one-of-two"));
            rule.percent().ifPresent(percent -> checks.percent(percent, path + "/percent"));
            rule.amount().ifPresent(amount -> checks.amount(amount, path + "/amount", false));
            rule.code().ifPresent(code -> {
                checks.problems.when(
                        code.isBlank() || code.length() > 40,
                        path + "/code",
                        Message.of("setup.code-has-to-1-to-40-characters"),
                        Message.of("setup.type-another-or-remove-to-make-discount"));
                checks.problems.when(
                        !codes.add(code.strip().toUpperCase(java.util.Locale.ROOT)),
                        path + "/code",
                        Message.of("setup.code-used-twice", "code", code),
                        Message.of("setup.give-one-of-them-another-code"));
            });
            conditions(rule.conditions(), path + "/conditions");
        }
    }

    private void conditions(Discounts.Conditions when, String path) {
        when.leastValue().ifPresent(value -> checks.amount(value, path + "/leastValue", false));
        when.leastQuantity()
                .ifPresent(quantity -> checks.problems.when(
                        quantity.signum() <= 0,
                        path + "/leastQuantity",
                        Message.of("setup.least-quantity-has-to-above-zero"),
                        Message.of("setup.leave-out-for-none")));
        checks.known(when.categories(), names, path + "/categories", Message.of("setup.kind-of-goods"));
        checks.known(when.except(), names, path + "/except", Message.of("setup.kind-of-goods"));
        checks.places(when.places(), path + "/places");
        when.window().ifPresent(window -> checks.window(window, path + "/window"));
        when.uses()
                .ifPresent(uses -> checks.problems.when(
                        uses < 1,
                        path + "/uses",
                        Message.of("setup.has-to-usable-at-least-once"),
                        Message.of("setup.leave-out-for-any-number-of-times")));
        when.usesPerBuyer()
                .ifPresent(uses -> checks.problems.when(
                        uses < 1,
                        path + "/usesPerBuyer",
                        Message.of("setup.buyer-has-to-able-to-use-once"),
                        Message.of("setup.leave-out-for-any-number-of-times")));
    }
}
