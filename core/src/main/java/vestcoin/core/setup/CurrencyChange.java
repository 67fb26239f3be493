package vestcoin.core.setup;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.delivery.Charges;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.ShippingTraits;
import vestcoin.core.goods.Together;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.tax.Tax;

/**
 * A setup whose shop changes its currency: every amount typed in the old one is kept as a number, or converted at one
 * rate. Both are rounded half up to the minor unit of the new currency, where it has fewer decimals or the rate makes
 * more.
 */
public final class CurrencyChange {
    /** Which parts of which records are amounts in the shop's currency. */
    static final Map<Class<?>, Set<String>> AMOUNTS = Map.ofEntries(
            Map.entry(Shop.class, Set.of("smallest")),
            Map.entry(Product.class, Set.of("price", "groupPrices", "cost")),
            Map.entry(Product.Choice.class, Set.of("extra")),
            Map.entry(Together.BoxPart.class, Set.of("extra")),
            Map.entry(Question.class, Set.of("extra", "perCharacter")),
            Map.entry(Product.Sale.class, Set.of("price")),
            Map.entry(Product.Break.class, Set.of("price")),
            Map.entry(Product.Bounds.class, Set.of("least", "most")),
            Map.entry(Product.Variation.class, Set.of("price")),
            Map.entry(Product.PerUnit.class, Set.of("amount")),
            Map.entry(ShippingTraits.Own.class, Set.of("alone", "withOthers")),
            Map.entry(ShippingTraits.Pair.class, Set.of("alone", "withOthers")),
            Map.entry(Line.class, Set.of("amount")),
            Map.entry(Discounts.Rule.class, Set.of("amount")),
            Map.entry(Discounts.Conditions.class, Set.of("leastValue")),
            Map.entry(PriceRule.class, Set.of("freeFrom", "reducedTo")),
            Map.entry(PriceRule.Fixed.class, Set.of("price")),
            Map.entry(PriceRule.Band.class, Set.of("price")),
            Map.entry(PriceRule.Then.class, Set.of("price")),
            Map.entry(PriceRule.BasePlus.class, Set.of("base", "plus")),
            Map.entry(PriceRule.CarrierQuote.class, Set.of("otherwise")),
            Map.entry(ParcelType.class, Set.of("price")),
            Map.entry(CarrierAnswers.class, Set.of("amounts")),
            Map.entry(Delivery.Limits.class, Set.of("valueFrom", "valueTo")),
            Map.entry(Delivery.Handling.class, Set.of("amount")),
            Map.entry(Charges.class, Set.of("amount", "least", "most")),
            Map.entry(Charges.Oversize.class, Set.of("amount")),
            Map.entry(Tax.Component.class, Set.of("firstOnly")),
            Map.entry(Payment.Fee.class, Set.of("fixed")),
            Map.entry(Payment.FeeRow.class, Set.of("fixed")),
            Map.entry(Payment.Charge.class, Set.of("amount")),
            Map.entry(Payment.Conditions.class, Set.of("least", "most")),
            Map.entry(Payment.Terms.class, Set.of("limit")),
            Map.entry(Payment.Account.class, Set.of("smallest")),
            Map.entry(Pickup.Spot.class, Set.of("price")),
            Map.entry(Pickup.Local.class, Set.of("smallest")));

    private final String from;
    private final String to;
    private final Optional<BigDecimal> rate;
    private final int decimals;
    private int figures;

    private CurrencyChange(String from, String to, Optional<BigDecimal> rate) {
        this.from = from;
        this.to = to;
        this.rate = rate;
        this.decimals = Currencies.of(to).orElseThrow().getDecimalPlaces();
    }

    /** A setup after the change, and how many amounts there were. */
    public record Changed(Setup setup, int figures) {}

    /**
     * @param to ISO 4217, one that exists
     * @param rate units of the new currency for one of the old; empty to keep the numbers
     */
    public static Changed of(Setup setup, String to, Optional<BigDecimal> rate) {
        CurrencyChange change = new CurrencyChange(setup.shop().currency(), to, rate);
        Setup changed = (Setup) change.changed(setup);
        return new Changed(changed, change.figures);
    }

    /** One rule of a rate sheet, converted. */
    static PriceRule rule(PriceRule rule, String from, String to, BigDecimal rate) {
        return (PriceRule) new CurrencyChange(from, to, Optional.of(rate)).changed(rule);
    }

    private Object changed(Object value) {
        if (value instanceof Optional<?> held) {
            return held.map(this::changed);
        }
        if (value instanceof List<?> list) {
            return list.stream().map(this::changed).toList();
        }
        if (value instanceof Map<?, ?> map) {
            Map<Object, Object> next = new LinkedHashMap<>();
            map.forEach((key, held) -> next.put(key, changed(held)));
            return next;
        }
        if (value instanceof Shop shop) {
            return shop(shop);
        }
        if (value instanceof Product product) {
            return product(product);
        }
        if (value instanceof PriceRule.Bands bands && bands.unit().equals(from)) {
            return valueBands(bands);
        }
        if (value instanceof PriceRule.BasePlus plus && plus.per().equals(PriceRule.BasePlus.PERCENT)) {
            return new PriceRule.BasePlus(amount(plus.base()), plus.plus(), plus.per());
        }
        if (value instanceof Delivery.Handling handling && handling.per() == Delivery.Handling.Per.PERCENT) {
            return handling;
        }
        return value instanceof Record form ? remade(form, Map.of()) : value;
    }

    /** The currency the shop changes to is no other currency any more. */
    private Shop shop(Shop shop) {
        List<AcceptedCurrency> others = shop.currencies().stream()
                .filter(other -> !other.code().equals(to))
                .toList();
        return (Shop) remade(shop, Map.of("currency", to, "currencies", others));
    }

    /** A price set by hand for the new currency becomes the price. */
    private Object product(Product product) {
        Map<String, BigDecimal> rest = new LinkedHashMap<>(product.prices());
        BigDecimal byHand = rest.remove(to);
        return remade(product, byHand == null ? Map.of("prices", rest) : Map.of("prices", rest, "price", byHand));
    }

    /** Bands by value are read against amounts themselves. */
    private PriceRule.Bands valueBands(PriceRule.Bands bands) {
        return new PriceRule.Bands(
                to,
                bands.bands().stream()
                        .map(band -> new PriceRule.Band(amount(band.upTo()), amount(band.price())))
                        .toList(),
                bands.then().map(then -> new PriceRule.Then(amount(then.step()), amount(then.price()))));
    }

    private Object remade(Record form, Map<String, ?> given) {
        Set<String> amounts = AMOUNTS.getOrDefault(form.getClass(), Set.of());
        RecordComponent[] parts = form.getClass().getRecordComponents();
        Class<?>[] types = new Class<?>[parts.length];
        List<Object> values = new ArrayList<>();
        try {
            for (int at = 0; at < parts.length; at++) {
                String name = parts[at].getName();
                types[at] = parts[at].getType();
                Object was = parts[at].getAccessor().invoke(form);
                values.add(
                        given.containsKey(name)
                                ? given.get(name)
                                : amounts.contains(name) ? amounts(was) : changed(was));
            }
            var constructor = form.getClass().getDeclaredConstructor(types);
            return constructor.newInstance(values.toArray());
        } catch (InvocationTargetException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    private Object amounts(Object value) {
        if (value instanceof Optional<?> held) {
            return held.map(this::amounts);
        }
        if (value instanceof Map<?, ?> map) {
            Map<Object, Object> next = new LinkedHashMap<>();
            map.forEach((key, held) -> next.put(key, amounts(held)));
            return next;
        }
        return value == null ? null : amount((BigDecimal) value);
    }

    private BigDecimal amount(BigDecimal was) {
        figures++;
        BigDecimal exact = rate.map(was::multiply).orElse(was);
        return rate.isPresent() || exact.scale() > decimals ? exact.setScale(decimals, RoundingMode.HALF_UP) : exact;
    }
}
