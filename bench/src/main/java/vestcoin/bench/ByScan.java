package vestcoin.bench;

import java.math.BigDecimal;
import java.util.List;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

/** Second baseline: the same rules, found by reading the lists of the setup from the top, as a first version would. */
final class ByScan {
    /** A zone or a row of tax with its postcodes as a list. */
    private record Rule<T>(T value, String country, List<String> codes) {}

    private final List<Product> products;
    private final List<Rule<Arithmetic.Bands[]>> zones;
    private final List<Rule<Tax.PlaceRates>> rows;
    private final List<Discounts.Rule> discounts;
    private final Payment payment;

    ByScan(Setup setup) {
        products = setup.goods().products();
        zones = setup.delivery().zones().stream()
                .map(zone -> rule(ByHand.options(zone), zone.places().get(0)))
                .toList();
        rows = setup.tax().places().stream()
                .map(row -> rule(row, row.places().get(0)))
                .toList();
        discounts = setup.discounts().rules();
        payment = setup.payment();
    }

    private static <T> Rule<T> rule(T value, Place place) {
        String[] parts = place.text().split(":");
        return new Rule<>(value, parts[0], parts.length == 1 ? List.of() : List.of(parts[1].split(",")));
    }

    Arithmetic.Result price(Order order) {
        String country = order.to().country();
        String code = order.to().postcode().orElseThrow();
        Arithmetic.Item[] items = new Arithmetic.Item[order.lines().size()];
        for (int i = 0; i < items.length; i++) {
            Line line = order.lines().get(i);
            for (Product product : products) {
                if (product.id().equals(line.product())) {
                    items[i] = ByHand.item(product, line);
                }
            }
        }
        Tax.PlaceRates row = best(rows, country, code);
        BigDecimal[] rates = {
            row.rates().get("full").total(), row.rates().get("reduced").total()
        };
        Discounts.Rule discount = null;
        for (Discounts.Rule rule : discounts) {
            if (rule.code().isEmpty() || order.codes().contains(rule.code().get())) {
                discount = rule;
            }
        }
        int chosen = Integer.parseInt(order.delivery().orElseThrow().substring(1));
        return Arithmetic.order(
                items,
                discount.percent().orElseThrow(),
                discount.conditions().leastValue().orElseThrow(),
                best(zones, country, code),
                chosen,
                rates,
                ByHand.fees(payment));
    }

    /** The most specific rule that holds the place: by postcode, else by country, else everywhere. */
    private static <T> T best(List<Rule<T>> rules, String country, String code) {
        T best = null;
        int level = -1;
        for (Rule<T> rule : rules) {
            int here = -1;
            if (rule.country().equals(country)) {
                if (rule.codes().isEmpty()) {
                    here = 1;
                }
                for (String prefix : rule.codes()) {
                    if (code.startsWith(prefix)) {
                        here = 2;
                    }
                }
            } else if (rule.country().equals("WORLD")) {
                here = 0;
            }
            if (here > level) {
                best = rule.value();
                level = here;
            }
        }
        return best;
    }
}
