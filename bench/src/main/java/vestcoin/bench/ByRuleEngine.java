package vestcoin.bench;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.kie.api.io.ResourceType;
import org.kie.api.runtime.KieSession;
import org.kie.internal.utils.KieHelper;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

/**
 * Third baseline: the same rules given to a general-purpose rule engine, one rule for each zone, row of tax, discount
 * and band of the rate sheet. Products are looked up in a map, as every program around an engine does.
 */
public final class ByRuleEngine {
    /** What rules are asked about. */
    public static final class Facts {
        private final String country;
        private final String postcode;
        private final BigDecimal weight;
        private final BigDecimal value;
        private final BigDecimal[] prices = new BigDecimal[OrdinaryShop.OPTIONS];
        private final BigDecimal[] rates = new BigDecimal[2];
        private BigDecimal percentOff = BigDecimal.ZERO;

        Facts(String country, String postcode, BigDecimal weight, BigDecimal value) {
            this.country = country;
            this.postcode = postcode;
            this.weight = weight;
            this.value = value;
        }

        public String getCountry() {
            return country;
        }

        public String getPostcode() {
            return postcode;
        }

        public BigDecimal getWeight() {
            return weight;
        }

        public BigDecimal getValue() {
            return value;
        }

        public void price(int option, String amount) {
            prices[option] = new BigDecimal(amount);
        }

        public void rates(String full, String reduced) {
            rates[0] = new BigDecimal(full);
            rates[1] = new BigDecimal(reduced);
        }

        public void off(String percent) {
            percentOff = new BigDecimal(percent);
        }
    }

    /** The zone an order is in. */
    public record InZone(String zone) {
        public String getZone() {
            return zone;
        }
    }

    private final org.kie.api.KieBase rules;
    private final Map<String, Product> products = new HashMap<>();
    private final Arithmetic.Fee[] fees;

    ByRuleEngine(Setup setup) {
        StringBuilder drl =
                new StringBuilder("package vestcoin.bench.rules\nimport vestcoin.bench.ByRuleEngine.Facts;\nimport "
                        + "vestcoin.bench.ByRuleEngine.InZone;\n");
        for (Delivery.Zone zone : setup.delivery().zones()) {
            drl.append("rule \"zone ")
                    .append(zone.id())
                    .append("\" when $f: Facts(")
                    .append(holds(zone.places().get(0)))
                    .append(") then insert(new InZone(\"")
                    .append(zone.id())
                    .append("\")); end\n");
            zone.rates().forEach((option, rule) -> bands(drl, zone.id(), option, (PriceRule.Bands) rule.basis()));
        }
        for (Tax.PlaceRates row : setup.tax().places()) {
            drl.append("rule \"tax ")
                    .append(row.id())
                    .append("\" when $f: Facts(")
                    .append(holds(row.places().get(0)))
                    .append(") then $f.rates(\"")
                    .append(row.rates().get("full").total())
                    .append("\", \"")
                    .append(row.rates().get("reduced").total())
                    .append("\"); end\n");
        }
        setup.discounts().rules().stream().filter(rule -> rule.code().isEmpty()).forEach(rule -> drl.append(
                        "rule \"discount ")
                .append(rule.id())
                .append("\" when $f: Facts(value >= ")
                .append(rule.conditions().leastValue().orElseThrow())
                .append("B) then $f.off(\"")
                .append(rule.percent().orElseThrow())
                .append("\"); end\n"));
        rules = new KieHelper().addContent(drl.toString(), ResourceType.DRL).build();
        setup.goods().products().forEach(product -> products.put(product.id(), product));
        fees = ByHand.fees(setup.payment());
    }

    /** The rest of the world is left to a rule that does not hold the country of the orders timed. */
    private static String holds(Place place) {
        String[] parts = place.text().split(":");
        if (parts[0].equals("WORLD")) {
            return "country != \"DE\"";
        }
        return parts.length == 1
                ? "country == \"" + parts[0] + "\""
                : "country == \"" + parts[0] + "\", postcode in ("
                        + List.of(parts[1].split(",")).stream()
                                .map(code -> "\"" + code + "\"")
                                .collect(Collectors.joining(", "))
                        + ")";
    }

    private static void bands(StringBuilder drl, String zone, String option, PriceRule.Bands bands) {
        BigDecimal from = BigDecimal.valueOf(-1);
        for (PriceRule.Band band : bands.bands()) {
            drl.append("rule \"")
                    .append(zone)
                    .append(' ')
                    .append(option)
                    .append(' ')
                    .append(band.upTo())
                    .append("\" when InZone(zone == \"")
                    .append(zone)
                    .append("\") $f: Facts(weight > ")
                    .append(from)
                    .append("B, weight <= ")
                    .append(band.upTo())
                    .append("B) then $f.price(")
                    .append(option.substring(1))
                    .append(", \"")
                    .append(band.price())
                    .append("\"); end\n");
            from = band.upTo();
        }
    }

    Arithmetic.Result price(Order order) {
        Arithmetic.Item[] items = new Arithmetic.Item[order.lines().size()];
        BigDecimal weight = BigDecimal.ZERO;
        BigDecimal value = BigDecimal.ZERO;
        for (int i = 0; i < items.length; i++) {
            Line line = order.lines().get(i);
            items[i] = ByHand.item(products.get(line.product()), line);
            weight = weight.add(items[i].kilograms().multiply(items[i].quantity()));
            value = value.add(items[i].price().add(items[i].extra()).multiply(items[i].quantity()));
        }
        Facts facts = new Facts(order.to().country(), order.to().postcode().orElseThrow(), weight, value);
        KieSession session = rules.newKieSession();
        try {
            session.insert(facts);
            session.fireAllRules();
        } finally {
            session.dispose();
        }
        Arithmetic.Bands[] options = new Arithmetic.Bands[facts.prices.length];
        for (int o = 0; o < options.length; o++) {
            options[o] = new Arithmetic.Bands(
                    new BigDecimal[] {weight}, new BigDecimal[] {facts.prices[o]}, BigDecimal.ZERO);
        }
        int chosen = Integer.parseInt(order.delivery().orElseThrow().substring(1));
        return Arithmetic.order(items, facts.percentOff, BigDecimal.ZERO, options, chosen, facts.rates, fees);
    }
}
