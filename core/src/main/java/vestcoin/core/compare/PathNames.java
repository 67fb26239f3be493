package vestcoin.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

/** What the seller calls the things a field's path leads through. */
final class PathNames {
    private final Map<String, String> names = new HashMap<>();

    /** @param earlier what the second setup no longer has is named as in the first */
    PathNames(Setup earlier, Setup later) {
        take(earlier);
        take(later);
    }

    private void take(Setup setup) {
        for (Product product : setup.goods().products()) {
            String path = "goods/products/" + product.id();
            names.put(path, product.name());
            product.options().forEach(option -> option.choices()
                    .forEach(choice ->
                            names.put(path + "/options/" + option.id() + "/choices/" + choice.id(), choice.name())));
        }
        for (Discounts.Rule rule : setup.discounts().rules()) {
            names.put("discounts/rules/" + rule.id(), rule.name());
        }
        for (Delivery.Option option : setup.delivery().options()) {
            names.put("delivery/options/" + option.id(), option.name());
        }
        for (Delivery.Zone zone : setup.delivery().zones()) {
            String path = "delivery/zones/" + zone.id();
            names.put(path, zone.name());
            setup.delivery().options().forEach(option -> names.put(path + "/rates/" + option.id(), option.name()));
        }
        for (Payment.Method method : setup.payment().methods()) {
            names.put("payment/methods/" + method.id(), method.title());
        }
        for (Tax.PlaceRates place : setup.tax().places()) {
            String path = "tax/places/" + place.id();
            names.put(path, place.name());
            setup.tax().categories().forEach(category -> names.put(path + "/rates/" + category.id(), category.name()));
        }
    }

    /** The names along a path, from its beginning. */
    List<String> of(String path) {
        List<String> along = new ArrayList<>();
        for (int end = path.indexOf('/'); end >= 0; end = path.indexOf('/', end + 1)) {
            take(path.substring(0, end), along);
        }
        take(path, along);
        return along;
    }

    private void take(String part, List<String> along) {
        String name = names.get(part);
        if (name != null && !name.isBlank()) {
            along.add(name);
        }
    }
}
