package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** The price of what a shop brings round itself: a rule of the rate sheet, read with its own distance. */
public final class LocalPrice {
    private LocalPrice() {}

    /** A radius in kilometres, without rounding. */
    public static BigDecimal kilometres(BigDecimal radius, String unit) {
        return radius.multiply(Distance.kilometresPer(unit));
    }

    /** Whether a radius can be typed in this unit. */
    public static boolean isUnit(String unit) {
        return unit != null && Distance.isUnit(unit);
    }

    /** The offer at the price the rule gives for this distance, or why there is none. */
    public static Offer offer(
            Delivery.Option option,
            PriceRule rule,
            String path,
            Load load,
            Figure distance,
            Optional<Promise> promise,
            Tracer tracer) {
        Load there = load.over(distance);
        BasisPrice.Result result =
                new BasisPrice(path, option.name(), "", there, there.weight(), tracer).of(rule.basis());
        if (result instanceof BasisPrice.Result.None none) {
            return new Offer.Unavailable(option, none.reason(), path);
        }
        BasisPrice.Result.Price price = (BasisPrice.Result.Price) result;
        return Offer.Available.of(
                option,
                new OptionPrice(option, there, List.of(), tracer).of(price.exact(), rule, path),
                there,
                promise,
                price.note(),
                tracer);
    }
}
