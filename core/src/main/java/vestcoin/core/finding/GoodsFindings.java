package vestcoin.core.finding;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

/** What a seller should know about the goods. */
final class GoodsFindings {
    private GoodsFindings() {}

    static void add(CompiledSetup compiled, Findings.At at) {
        Setup setup = compiled.setup();
        if (setup.goods().products().isEmpty()) {
            at.blocks("no-goods", "goods/products", "There is nothing to sell yet.", "Add a first product.");
        }
        boolean byWeight = setup.delivery().zones().stream()
                .flatMap(zone -> zone.rates().values().stream())
                .anyMatch(rule -> rule.basis() instanceof PriceRule.Bands bands && Weight.isUnit(bands.unit()));
        boolean reduced = false;
        for (Product typed : setup.goods().products()) {
            Product product = compiled.shelf().find(typed.id()).orElse(typed);
            String path = "goods/products/" + product.id();
            if (byWeight
                    && product.physical()
                    && product.weight().isEmpty()
                    && product.variations().stream()
                            .allMatch(variation -> variation.weight().isEmpty())) {
                at.look(
                        "no-weight",
                        path + "/weight",
                        product.name() + " has no weight, so delivery by weight counts it as nothing.",
                        "Add the weight of one, as 1.2 kg.");
            }
            if (!setup.delivery().parcels().isEmpty()
                    && product.physical()
                    && product.sending().size().isEmpty()) {
                at.note(
                        "no-size",
                        path + "/sending/size",
                        product.name() + " has no size, so what travels with it is packed by weight only.",
                        "Add length × width × height.");
            }
            if (typed.group().isEmpty()
                    && setup.goods().defaultGroup().isPresent()
                    && typed.kind() != Product.Kind.BUNDLE) {
                at.note(
                        "default-group",
                        path + "/group",
                        product.name() + " is in the default group “" + nameOf(setup.goods()) + "”.",
                        "Name its group, if another fits better.");
            }
            noEffect(setup, product, path, at);
            for (Product.PerUnit each : product.perUnit()) {
                if (each.taxed().isEmpty() && each.category().isEmpty()) {
                    at.look(
                            "per-unit-tax-unsaid",
                            path + "/perUnit/" + each.id() + "/taxed",
                            product.name() + ", " + each.name()
                                    + ": nobody has said how it is taxed, so it is taxed like the goods.",
                            "Say so, or give it a tax category of its own, or put it outside of tax.");
                }
            }
            reduced |= product.sale().isPresent()
                    || product.variations().stream()
                            .anyMatch(variation -> variation.sale().isPresent());
        }
        if (reduced
                && Groups.EU.contains(setup.shop().address().country())
                && !setup.terms().prior()) {
            at.look(
                    "reduction-without-prior-price",
                    "terms/prior",
                    "Reductions are shown without the lowest price of the last 30 days.",
                    "Show it beside them (Directive 98/6/EC, Art. 6a).");
        }
        buyerGroups(setup, at);
        singlePurpose(compiled, at);
    }

    /** What can be typed and has no effect yet. */
    private static void noEffect(Setup setup, Product product, String path, Findings.At at) {
        boolean byProduct = setup.delivery().zones().stream()
                .flatMap(zone -> zone.rates().values().stream())
                .anyMatch(rule -> rule.basis() instanceof PriceRule.ByProduct);
        if (product.sending().own().isPresent() && !byProduct) {
            at.look(
                    "own-delivery-without-effect",
                    path + "/sending/own",
                    product.name()
                            + " has a delivery price of its own, which has no effect: no cell of the rate sheet is "
                            + "priced by product.",
                    "Write “by product” into the cells where it is to hold.");
        }
        if (product.renews().isPresent()) {
            at.look(
                    "renewal-without-effect",
                    path + "/renews",
                    product.name() + " says that it renews, which has no effect yet: it is charged once, at the order.",
                    "Sell it as a single purchase until renewals are charged.");
        }
        if (product.kind() == Product.Kind.BUNDLE && product.price().signum() != 0) {
            at.look(
                    "bundle-price-without-effect",
                    path + "/price",
                    product.name()
                            + " has a price of its own, which has no effect yet: a bundle costs the sum of its parts.",
                    "Set its price to nothing.");
        }
    }

    private static void buyerGroups(Setup setup, Findings.At at) {
        setup.goods().buyerGroups().stream()
                .filter(group -> group.percentOff().isPresent()
                        || setup.goods().products().stream()
                                .anyMatch(product -> product.groupPrices().containsKey(group.id())))
                .forEach(group -> at.look(
                        "group-without-effect",
                        "goods/buyerGroups/" + group.id(),
                        "The prices of “" + group.name() + "” have no effect yet: no buyer can belong to this group.",
                        "Keep it for later, or use a discount by code."));
    }

    /**
     * A voucher for a shop where everything bears one rate in one country is taxed when it is sold (Directive
     * 2006/112/EC, Art. 30a, 30b).
     */
    private static void singlePurpose(CompiledSetup compiled, Findings.At at) {
        Setup setup = compiled.setup();
        List<Product> vouchers = setup.goods().products().stream()
                .filter(product -> product.kind() == Product.Kind.VOUCHER)
                .toList();
        if (vouchers.isEmpty()
                || SalesArea.countries(setup).size() != 1
                || setup.tax().smallBusiness().isPresent()) {
            return;
        }
        Set<String> rates = new HashSet<>();
        for (Product product : setup.goods().products()) {
            if (!product.outside() && product.kind() != Product.Kind.BUNDLE) {
                String category = compiled.shelf()
                        .find(product.id())
                        .map(Product::taxCategory)
                        .orElse("");
                setup.tax().places().stream()
                        .map(row -> row.rates().get(category))
                        .filter(rate -> rate != null)
                        .map(Tax.Rate::total)
                        .forEach(total -> rates.add(total.stripTrailingZeros().toPlainString()));
            }
        }
        if (rates.size() == 1) {
            at.blocks(
                    "single-purpose-voucher",
                    "goods/products/" + vouchers.get(0).id(),
                    "Everything here bears one rate in one country, so a voucher would be taxed when it is sold.",
                    "Take the voucher out: Vest Coin sells vouchers that are taxed when they are used (Directive "
                            + "2006/112/EC, Art. 30a, 30b).");
        }
    }

    private static String nameOf(Goods goods) {
        String group = goods.defaultGroup().orElseThrow();
        return goods.groups().stream()
                .filter(each -> each.id().equals(group))
                .map(Goods.ProductGroup::name)
                .findFirst()
                .orElse(group);
    }
}
