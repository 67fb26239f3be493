package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Product;
import vestcoin.core.setup.Setup;

/** Every amount a setup names in the shop's currency: what a text about prices, thresholds and fees may speak of. */
final class SetupAmounts {
    private final Set<BigDecimal> amounts = new HashSet<>();

    private SetupAmounts() {}

    static Set<BigDecimal> of(Setup setup) {
        SetupAmounts known = new SetupAmounts();
        known.add(setup.shop().smallest());
        setup.goods().products().forEach(known::product);
        setup.delivery().zones().forEach(zone -> zone.rates().values().forEach(known::rule));
        setup.pickup().places().forEach(spot -> known.add(spot.price().map(BigDecimal::abs)));
        setup.pickup().local().ifPresent(local -> {
            known.rule(local.price());
            known.add(local.smallest());
        });
        setup.payment().methods().forEach(method -> {
            method.charge()
                    .ifPresent(charge -> known.amounts.add(charge.amount().abs()));
            known.add(method.conditions().least());
            known.add(method.conditions().most());
        });
        setup.discounts().rules().forEach(rule -> {
            known.add(rule.amount());
            known.add(rule.conditions().leastValue());
        });
        return known.amounts;
    }

    private void product(Product product) {
        amounts.add(product.price());
        product.sale().ifPresent(sale -> amounts.add(sale.price()));
    }

    private void rule(PriceRule rule) {
        add(rule.freeFrom());
        add(rule.reducedTo());
        if (rule.basis() instanceof PriceRule.Fixed fixed) {
            amounts.add(fixed.price());
        } else if (rule.basis() instanceof PriceRule.Bands bands) {
            bands.bands().forEach(band -> amounts.add(band.price()));
            bands.then().ifPresent(then -> amounts.add(then.price()));
        } else if (rule.basis() instanceof PriceRule.BasePlus base) {
            amounts.add(base.base());
            amounts.add(base.plus());
        }
    }

    private void add(Optional<BigDecimal> amount) {
        amount.ifPresent(amounts::add);
    }
}
