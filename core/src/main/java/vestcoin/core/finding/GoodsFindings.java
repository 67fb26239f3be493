package vestcoin.core.finding;

import java.util.List;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Together;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

/** What a seller should know about the goods. */
final class GoodsFindings {
    private GoodsFindings() {}

    /** A service none of whose days is still to come. */
    private static void past(
            Product product, CompiledSetup compiled, FindingContext context, String path, Findings.At at) {
        List<Product.Appointment> all = product.options().stream()
                .flatMap(option -> option.choices().stream())
                .flatMap(choice -> choice.when().stream())
                .toList();
        if (!all.isEmpty() && all.stream().allMatch(when -> when.begun(context.at(), compiled.zone()))) {
            at.look(
                    "dates-are-past",
                    path + "/options",
                    Message.of("finding.dates-of-are-past", "product", product.name()),
                    Message.of("finding.add-days-to-come"));
        }
    }

    static void add(CompiledSetup compiled, FindingContext context, Findings.At at) {
        Setup setup = compiled.setup();
        if (setup.goods().products().isEmpty()) {
            at.blocks(
                    "no-goods",
                    "goods/products",
                    Message.of("finding.there-nothing-to-sell-yet"),
                    Message.of("finding.add-first-product"));
        }
        boolean byWeight = setup.delivery().zones().stream()
                .flatMap(zone -> zone.rates().values().stream())
                .anyMatch(rule -> rule.basis() instanceof PriceRule.Bands bands && Weight.isUnit(bands.unit()));
        boolean reduced = false;
        for (Product typed : setup.goods().products()) {
            Product product = compiled.shelf().find(typed.id()).orElse(typed);
            String path = "goods/products/" + product.id();
            past(product, compiled, context, path, at);
            if (byWeight
                    && product.physical()
                    && product.weight().isEmpty()
                    && product.variations().stream()
                            .allMatch(variation -> variation.weight().isEmpty())) {
                at.look(
                        "no-weight",
                        path + "/weight",
                        Message.of("finding.has-no-weight-so-delivery-by-weight", "product", product.name()),
                        Message.of("finding.add-weight-of-one-1-2-kg"));
            }
            if (!setup.delivery().parcels().isEmpty()
                    && product.physical()
                    && product.sending().size().isEmpty()) {
                at.note(
                        "no-size",
                        path + "/sending/size",
                        Message.of("finding.has-no-size-so-what-travels-with", "product", product.name()),
                        Message.of("finding.add-length-width-height"));
            }
            if (typed.group().isEmpty() && setup.goods().defaultGroup().isPresent() && !typed.assembled()) {
                at.note(
                        "default-group",
                        path + "/group",
                        Message.of(
                                "finding.in-default-group", "product", product.name(), "group", nameOf(setup.goods())),
                        Message.of("finding.name-group-if-another-fits-better"));
            }
            noEffect(setup, product, path, at);
            // What its group says of it is nobody's doing.
            if (typed.assembled() && Together.withoutEffect(typed)) {
                at.look(
                        "set-at-the-whole-without-effect",
                        path,
                        Message.of("finding.set-at-bundle-has-no-effect", "product", product.name()),
                        Message.of("finding.set-it-at-what-is-in-it"));
            }
            boolean files =
                    context.files().map(with -> with.contains(product.id())).orElse(true);
            if (product.kind() == Product.Kind.DIGITAL
                    && product.download().flatMap(Product.Download::link).isEmpty()
                    && !files) {
                at.blocks(
                        "nothing-to-download",
                        path + "/download",
                        Message.of("finding.nothing-to-download", "product", product.name()),
                        Message.of("finding.add-file-or-link"));
            }
            for (Product.PerUnit each : product.perUnit()) {
                if (each.taxed().isEmpty() && each.category().isEmpty()) {
                    at.look(
                            "per-unit-tax-unsaid",
                            path + "/perUnit/" + each.id() + "/taxed",
                            Message.of(
                                    "finding.nobody-has-said-how-taxed-so-taxed",
                                    "product",
                                    product.name(),
                                    "charge",
                                    each.name()),
                            Message.of("finding.say-so-or-give-tax-category-of"));
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
                    Message.of("finding.reductions-shown-without-lowest-price-of-last"),
                    Message.of("finding.show-beside-them-directive-98-6-ec"));
        }
        new OwnDeliveryFindings(compiled, at).add();
        new VoucherFindings(compiled, context, at).add();
    }

    /** What can be typed and has no effect as the rest is set. */
    private static void noEffect(Setup setup, Product product, String path, Findings.At at) {
        boolean again = setup.payment().methods().stream()
                .anyMatch(method -> method.on() && method.kind().chargedAgain());
        if (product.renews().isPresent() && !again) {
            at.blocks(
                    "renewal-without-way-to-pay",
                    path + "/renews",
                    Message.of("finding.renews-and-no-way-to-pay-can-be-charged-again", "product", product.name()),
                    Message.of("finding.offer-card-for-what-renews"));
        }
        if (product.assembled()
                && product.parts().priced() == Together.Priced.SUM
                && product.price().signum() != 0) {
            at.look(
                    "bundle-price-without-effect",
                    path + "/price",
                    Message.of("finding.has-price-of-own-has-no-effect", "product", product.name()),
                    Message.of("finding.set-price-to-nothing"));
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
