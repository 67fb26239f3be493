package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateText;
import vestcoin.core.goods.Product;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Shops;

class CurrencyChangeTest {
    /**
     * Parts that are no amounts in the shop's currency: shares, counts, measures, places, other currencies' amounts.
     */
    private static final Map<String, Set<String>> OTHERS = Map.ofEntries(
            Map.entry("AcceptedCurrency", Set.of("percent")),
            Map.entry("FeeRow", Set.of("percent")),
            Map.entry("Point", Set.of("latitude", "longitude")),
            Map.entry("Weight", Set.of("value")),
            Map.entry("Length", Set.of("value")),
            Map.entry("Size", Set.of("length", "width", "height")),
            Map.entry("Product", Set.of("prices")),
            Map.entry("Choice", Set.of("percent")),
            Map.entry("Question", Set.of("percent")),
            Map.entry("Together", Set.of("percentOff")),
            Map.entry("Break", Set.of("from", "percent")),
            Map.entry("Measure", Set.of("step", "least", "most")),
            Map.entry("Line", Set.of("quantity")),
            Map.entry("BuyerGroup", Set.of("percentOff")),
            Map.entry("Rule", Set.of("percent")),
            Map.entry("Conditions", Set.of("leastQuantity")),
            Map.entry("Band", Set.of("upTo")),
            Map.entry("Then", Set.of("step")),
            Map.entry("Limits", Set.of("quantityTo")),
            Map.entry("Charges", Set.of("percent", "fuel")),
            Map.entry("ChargeableWeight", Set.of("divisor")),
            Map.entry("Component", Set.of("percent")),
            Map.entry("Most", Set.of("amount")),
            Map.entry("Exchange", Set.of("rates")),
            Map.entry("SalesElsewhere", Set.of("net")),
            Map.entry("Fee", Set.of("percent")),
            Map.entry("Charge", Set.of("percent")),
            Map.entry("Payment", Set.of("cashSteps")),
            Map.entry("Local", Set.of("radius")));

    private final Set<Class<?>> seen = new HashSet<>();
    private final Set<String> undecided = new TreeSet<>();

    private void look(Type type) {
        if (type instanceof ParameterizedType generic) {
            for (Type part : generic.getActualTypeArguments()) {
                look(part);
            }
        } else if (type instanceof Class<?> raw && seen.add(raw)) {
            if (raw.isSealed()) {
                for (Class<?> one : raw.getPermittedSubclasses()) {
                    look(one);
                }
            }
            for (RecordComponent part : raw.isRecord() ? raw.getRecordComponents() : new RecordComponent[0]) {
                if (part.getGenericType().getTypeName().contains("BigDecimal")) {
                    boolean amount =
                            CurrencyChange.AMOUNTS.getOrDefault(raw, Set.of()).contains(part.getName());
                    boolean other =
                            OTHERS.getOrDefault(raw.getSimpleName(), Set.of()).contains(part.getName());
                    if (amount == other) {
                        undecided.add(raw.getSimpleName() + "." + part.getName());
                    }
                }
                look(part.getGenericType());
            }
        }
    }

    @Test
    void of_every_number_in_a_setup_it_is_decided_whether_it_is_an_amount() {
        look(Setup.class);
        assertThat(seen).contains(Product.class, PriceRule.Bands.class);
        assertThat(undecided).isEmpty();
    }

    @Test
    void numbers_that_are_kept_price_every_order_as_before() {
        Random random = new Random(20261128);
        int priced = 0;
        for (int n = 0; n < 300; n++) {
            Setup setup = Shops.random(random);
            Order order = Shops.randomOrder(setup, random);
            if (!setup.shop().currency().equals("EUR")
                    || order.basket().currency().isPresent()) {
                continue;
            }
            Setup changed = CurrencyChange.of(setup, "NZD", Optional.empty()).setup();
            assertThat(changed.shop().currency()).isEqualTo("NZD");
            var before = Pricing.price(CompiledSetup.of(setup), order);
            var after = Pricing.price(CompiledSetup.of(changed), order);
            assertThat(after.goods().value()).isEqualTo(before.goods().value());
            priced++;
        }
        assertThat(priced).isGreaterThan(100);
    }

    private static String converted(String text, String to, String rate) {
        PriceRule rule = RateText.parse("rate", text, CurrencyUnit.of("EUR")).orElseThrow();
        return RateText.print(CurrencyChange.rule(rule, "EUR", to, new BigDecimal(rate)));
    }

    /** 4.90 × 1.1583 = 5.67567, 80 × 1.1583 = 92.664; weights stay, bands by value do not. */
    @Test
    void a_rate_is_converted_but_not_what_it_weighs() {
        assertThat(converted("to 1 kg 4.90, then +0.80/kg, from 80 free", "USD", "1.1583"))
                .isEqualTo("to 1 kg 5.68, then +0.93/kg, from 92.66 free");
        assertThat(converted("to 50 EUR 4.90, to 100 EUR 2.00", "USD", "1.1583"))
                .isEqualTo("to 57.92 USD 5.68, to 115.83 USD 2.32");
        assertThat(converted("quote parcel-day, else 9.90", "JPY", "170")).isEqualTo("quote parcel-day, else 1683");
    }
}
