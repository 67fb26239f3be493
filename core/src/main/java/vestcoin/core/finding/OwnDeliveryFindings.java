package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.setup.CompiledSetup;

/** Where goods with a delivery price of their own are sent at another, and where only they can be sent. */
final class OwnDeliveryFindings {
    private final List<Delivery.Zone> zones;
    private final List<Product> with = new ArrayList<>();
    private final List<Product> without = new ArrayList<>();
    private final Findings.At at;

    OwnDeliveryFindings(CompiledSetup compiled, Findings.At at) {
        this.zones = compiled.setup().delivery().zones().stream()
                .filter(zone -> !zone.rates().isEmpty())
                .toList();
        this.at = at;
        for (Product typed : compiled.setup().goods().products()) {
            Product product = compiled.shelf().find(typed.id()).orElse(typed);
            if (product.physical() && !product.assembled()) {
                (product.sending().own().isPresent() ? with : without).add(product);
            }
        }
    }

    void add() {
        List<Delivery.Zone> otherwise =
                zones.stream().filter(zone -> cells(zone, true) == 0).toList();
        if (!with.isEmpty() && otherwise.size() == zones.size()) {
            at.look(
                    "own-delivery-without-effect",
                    path(with.get(0)),
                    Message.of("finding.has-delivery-price-of-own-has-no", "products", names(with)),
                    Message.of("finding.write-by-product-into-cells-where-to"));
            return;
        }
        List<Delivery.Zone> only =
                zones.stream().filter(zone -> cells(zone, false) == 0).toList();
        if (!only.isEmpty() && !without.isEmpty()) {
            at.look(
                    "no-delivery-price-of-its-own",
                    path(without.get(0)),
                    Message.of(
                            "finding.cannot-be-sent-where-all-is-by-product",
                            "products",
                            names(without),
                            "zones",
                            zones(only)),
                    Message.of("finding.give-delivery-price-or-offer-another-way"));
        }
        if (!otherwise.isEmpty() && !with.isEmpty()) {
            at.look(
                    "own-delivery-does-not-hold",
                    path(with.get(0)),
                    Message.of(
                            "finding.own-delivery-does-not-hold-in",
                            "products",
                            names(with),
                            "zones",
                            zones(otherwise)),
                    Message.of("finding.write-by-product-into-cells-where-to"));
        }
    }

    private static long cells(Delivery.Zone zone, boolean byProduct) {
        return zone.rates().values().stream()
                .filter(rule -> rule.basis() instanceof PriceRule.ByProduct == byProduct)
                .count();
    }

    private static String path(Product product) {
        return "goods/products/" + product.id() + "/sending/own";
    }

    private static List<String> names(List<Product> products) {
        return products.stream().map(Product::name).toList();
    }

    private static List<String> zones(List<Delivery.Zone> zones) {
        return zones.stream().map(Delivery.Zone::name).toList();
    }
}
