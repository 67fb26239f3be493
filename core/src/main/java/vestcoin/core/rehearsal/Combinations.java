package vestcoin.core.rehearsal;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.BuyerKind;
import vestcoin.core.setup.Rehearsal.SampleOrder;
import vestcoin.core.setup.Setup;

/**
 * The values orders of a setup can differ in, and orders made of them. Every account of a provider is taken as
 * connected.
 */
public final class Combinations {
    /** Where a rate or a discount changes: orders on it and just above it. @param name of the field */
    public record Edge(String name, List<SampleOrder> orders) {}

    private record Value(String id, String name) {}

    private static final Value NONE = new Value("", "");
    /** So many goods of a category that go a way are tried, one of each kind first. */
    private static final int PRODUCTS = 4;

    private final CompiledSetup compiled;
    private final Setup setup;
    private final Instant now;
    private final Optional<Exchange> rates;
    private final Map<String, Gateway> gateways;
    private final Map<Factor, List<Value>> values = new LinkedHashMap<>();
    private final Map<String, Destination> places = new LinkedHashMap<>();
    private final Map<String, List<Product>> products = new LinkedHashMap<>();
    private final Map<List<String>, List<Product>> offered = new HashMap<>();
    /** How many orders at edges were made. */
    private int standing;

    /** @param now when they are placed @param rates of the day, for other currencies than the shop's */
    public Combinations(CompiledSetup compiled, Instant now, Optional<Exchange> rates) {
        this.compiled = compiled;
        this.setup = compiled.setup();
        this.now = now;
        this.rates = rates;
        this.gateways = setup.payment().methods().stream()
                .flatMap(method -> method.gateway().stream())
                .distinct()
                .collect(Collectors.toMap(id -> id, id -> Gateway.TEST));
        zones();
        ways();
        categories();
        values.put(Factor.GROUP, with(NONE, setup.goods().buyerGroups().stream().map(Combinations::group)));
        values.put(
                Factor.CURRENCY,
                with(
                        new Value(setup.shop().currency(), setup.shop().currency()),
                        setup.shop().currencies().stream()
                                .map(AcceptedCurrency::code)
                                .map(code -> new Value(code, code))));
        values.put(
                Factor.BUYER,
                Stream.of(BuyerKind.values())
                        .map(kind -> new Value(kind.name(), kind.name()))
                        .toList());
        values.put(
                Factor.METHOD,
                setup.payment().methods().stream()
                        .filter(Payment.Method::on)
                        .map(method -> new Value(method.id(), method.title()))
                        .toList());
    }

    private static Value group(Goods.BuyerGroup group) {
        return new Value(group.id(), group.name());
    }

    private static List<Value> with(Value first, Stream<Value> others) {
        return Stream.concat(Stream.of(first), others).toList();
    }

    private void zones() {
        List<Destination> each = ZonePlaces.of(compiled);
        setup.delivery().zones().forEach(zone -> each.stream()
                .filter(to -> compiled.board()
                        .zoneOf(to)
                        .filter(match -> match.value().id().equals(zone.id()))
                        .isPresent())
                .findFirst()
                .ifPresent(to -> places.put(zone.id(), to)));
        if (places.isEmpty()) {
            places.put("", compiled.home());
        }
        values.put(
                Factor.ZONE,
                places.keySet().stream()
                        .map(id -> new Value(id, named(setup.delivery().zones(), id)))
                        .toList());
    }

    private static String named(List<Delivery.Zone> zones, String id) {
        return zones.stream()
                .filter(zone -> zone.id().equals(id))
                .map(Delivery.Zone::name)
                .findFirst()
                .orElse(id);
    }

    private void ways() {
        List<Value> ways = new ArrayList<>();
        ways.add(NONE);
        setup.delivery().options().forEach(option -> ways.add(new Value(option.id(), option.name())));
        setup.pickup().places().forEach(spot -> ways.add(new Value(spot.option(), spot.name())));
        setup.pickup().local().ifPresent(local -> ways.add(new Value(Pickup.Local.OPTION, local.name())));
        values.put(Factor.WAY, ways);
    }

    /** Of each tax category its products, the lightest first, one of each kind before others. */
    private void categories() {
        List<Value> categories = new ArrayList<>();
        // What is outside of tax is a category like the others here.
        with(NONE, setup.tax().categories().stream().map(each -> new Value(each.id(), each.name())))
                .forEach(category -> {
                    List<Product> of = of(category.id());
                    if (!of.isEmpty()) {
                        products.put(category.id(), of);
                        categories.add(category);
                    }
                });
        values.put(Factor.TAX_CATEGORY, categories);
    }

    /** Goods of a category, the first of each kind before the others. A bundle is taxed as what it holds. */
    private List<Product> of(String category) {
        List<Product> of = setup.goods().products().stream()
                .map(product -> compiled.shelf().find(product.id()).orElse(product))
                .filter(product -> product.kind() != Product.Kind.BUNDLE && product.kind() != Product.Kind.BOX)
                .filter(product -> (product.untaxed() ? "" : product.taxCategory()).equals(category))
                .sorted(Comparator.comparing(Combinations::kilograms).thenComparing(Product::id))
                .toList();
        Map<Product.Kind, Product> first = new LinkedHashMap<>();
        of.forEach(product -> first.putIfAbsent(product.kind(), product));
        return Stream.concat(
                        first.values().stream(), of.stream().filter(product -> first.get(product.kind()) != product))
                .toList();
    }

    private static BigDecimal kilograms(Product product) {
        return product.weight().map(weight -> weight.kilograms()).orElse(BigDecimal.ZERO);
    }

    int size(int factor) {
        return values.get(Factor.values()[factor]).size();
    }

    String name(int factor, int value) {
        return values.get(Factor.values()[factor]).get(value).name();
    }

    private Value value(List<Integer> combination, Factor factor) {
        return values.get(factor).get(combination.get(factor.ordinal()));
    }

    /** Whether there is an order of these values that can be had and paid so. */
    boolean canBe(List<Integer> combination) {
        return product(combination).isPresent();
    }

    /** The first of some goods of the category that go that way there with which it can be. */
    private Optional<Product> product(List<Integer> combination) {
        return offered(
                        value(combination, Factor.ZONE).id(),
                        value(combination, Factor.WAY).id(),
                        value(combination, Factor.TAX_CATEGORY).id())
                .stream()
                .filter(product -> isHad(combination, made(combination, product, Optional.empty(), "try")))
                .findFirst();
    }

    /** Goods of a category that go to a zone by a way, whoever buys them and however they are paid for. */
    private List<Product> offered(String zone, String way, String category) {
        return offered.computeIfAbsent(List.of(zone, way, category), key -> products.get(category).stream()
                .filter(product -> product.physical() != way.isEmpty())
                .filter(product -> way.isEmpty() || goes(product, places.get(zone), way))
                .limit(PRODUCTS)
                .toList());
    }

    private boolean goes(Product product, Destination to, String way) {
        Basket basket = Basket.of(
                List.of(FirstLine.of(product, LocalDate.ofInstant(now, compiled.zone()), Optional.empty())), to);
        try {
            return Pricing.priceUntraced(
                            compiled, Order.of(now, basket, gateways).withDelivery(way))
                    .chosen()
                    .isPresent();
        } catch (InvalidInput refused) {
            return false;
        }
    }

    private boolean isHad(List<Integer> combination, SampleOrder made) {
        return had(made)
                .filter(quote -> quote.chosen()
                        .map(offer -> offer.option().id())
                        .orElse("")
                        .equals(value(combination, Factor.WAY).id()))
                .isPresent();
    }

    private Optional<Quote> had(SampleOrder made) {
        try {
            Order order = SampleOrders.at(made, made.order().to().orElseThrow(), now, gateways);
            Quote quote = Pricing.priceUntraced(
                    compiled,
                    rates.map(known -> order.given(order.outside().with(known))).orElse(order));
            return Optional.of(quote).filter(each -> each.missing().isEmpty()).filter(each -> order.method()
                    .flatMap(each::method)
                    .filter(method -> method.hidden().isEmpty())
                    .isPresent());
        } catch (InvalidInput refused) {
            return Optional.empty();
        }
    }

    SampleOrder order(List<Integer> combination, int number) {
        return made(combination, product(combination).orElseThrow(), Optional.empty(), "covering-" + number);
    }

    private SampleOrder made(List<Integer> combination, Product product, Optional<BigDecimal> quantity, String id) {
        String way = value(combination, Factor.WAY).id();
        Basket basket = Basket.of(
                        List.of(FirstLine.of(product, LocalDate.ofInstant(now, compiled.zone()), quantity)),
                        places.get(value(combination, Factor.ZONE).id()))
                .changed()
                .delivery(Optional.of(way).filter(each -> !each.isEmpty()))
                .method(Optional.of(value(combination, Factor.METHOD).id()))
                .currency(Optional.of(value(combination, Factor.CURRENCY).id())
                        .filter(code -> !code.equals(setup.shop().currency())))
                .build();
        String name = Stream.of(Factor.ZONE, Factor.WAY, Factor.GROUP, Factor.CURRENCY, Factor.METHOD)
                .map(factor -> value(combination, factor).name())
                .filter(each -> !each.isBlank())
                .collect(Collectors.joining(", "));
        return new SampleOrder(
                id,
                product.name() + ": " + name,
                basket,
                BuyerKind.valueOf(value(combination, Factor.BUYER).id()),
                Optional.of(value(combination, Factor.GROUP).id()).filter(group -> !group.isEmpty()),
                Optional.empty(),
                Optional.empty());
    }

    /** One order of each kind of goods, by the first way and the first method it can be had by. */
    private List<Edge> kinds() {
        Map<Product.Kind, Optional<SampleOrder>> kinds = new LinkedHashMap<>();
        for (Product each : setup.goods().products()) {
            Product product = compiled.shelf().find(each.id()).orElse(each);
            Optional<SampleOrder> known = kinds.getOrDefault(product.kind(), Optional.empty());
            kinds.put(product.kind(), known.or(() -> plain(product)));
        }
        List<Edge> edges = new ArrayList<>();
        kinds.forEach((kind, order) -> edges.add(new Edge(
                "goods/" + kind.name().toLowerCase(Locale.ROOT), order.stream().toList())));
        return edges;
    }

    private Optional<SampleOrder> plain(Product product) {
        for (int way = 0; way < size(Factor.WAY.ordinal()); way++) {
            for (int method = 0; method < size(Factor.METHOD.ordinal()); method++) {
                SampleOrder made =
                        made(List.of(0, way, 0, 0, 0, 0, method), product, Optional.empty(), "kind-" + (standing + 1));
                if (had(made).isPresent()) {
                    standing++;
                    return Optional.of(made);
                }
            }
        }
        return Optional.empty();
    }

    /**
     * One order of each kind of goods; then the edges of every rate, of free delivery, of the smallest order, of
     * discounts.
     */
    List<Edge> edges() {
        List<Edge> edges = new ArrayList<>(kinds());
        for (Delivery.Zone zone : setup.delivery().zones()) {
            if (places.containsKey(zone.id())) {
                zone.rates().forEach((option, rule) -> edges(zone, option, rule, edges));
            }
        }
        setup.shop().smallest().ifPresent(least -> edges.add(byValue("shop/smallest", least, 0, Optional.empty())));
        for (Discounts.Rule rule : setup.discounts().rules()) {
            String path = "discounts/rules/" + rule.id();
            rule.conditions().leastValue().ifPresent(least -> edges.add(byValue(path, least, 0, rule.code())));
            rule.conditions().leastQuantity().ifPresent(least -> edges.add(byCount(path, least, 0, "", rule.code())));
        }
        return edges;
    }

    private void edges(Delivery.Zone zone, String option, PriceRule rule, List<Edge> edges) {
        String path = RateBoard.path(zone, option);
        int at = List.copyOf(places.keySet()).indexOf(zone.id());
        rule.freeFrom().ifPresent(from -> edges.add(byValue(path + " free from " + from, from, at, Optional.empty())));
        if (rule.basis() instanceof PriceRule.Bands bands) {
            for (PriceRule.Band band : bands.bands()) {
                String name = path + " to " + band.upTo().toPlainString() + " " + bands.unit();
                if (Weight.isUnit(bands.unit())) {
                    edges.add(byWeight(name, band.upTo().multiply(Weight.kilogramsPer(bands.unit())), at, option));
                } else if (bands.unit().equals(PriceRule.Bands.ITEMS)) {
                    edges.add(byCount(name, band.upTo(), at, option, Optional.empty()));
                } else if (bands.unit().equals(setup.shop().currency())) {
                    edges.add(byValue(name, band.upTo(), at, Optional.empty()));
                } else {
                    edges.add(new Edge(name, List.of()));
                }
            }
        }
    }

    private Edge byWeight(String name, BigDecimal kilograms, int zone, String option) {
        return edge(name, zone, option, Optional.empty(), product -> product.weight()
                .map(weight -> weight.kilograms())
                .filter(each -> each.signum() > 0)
                .map(each -> FirstLine.around(kilograms, each)));
    }

    private Edge byCount(String name, BigDecimal count, int zone, String option, Optional<String> code) {
        return edge(name, zone, option, code, product -> Optional.of(List.of(count, count.add(BigDecimal.ONE))));
    }

    private Edge byValue(String name, BigDecimal value, int zone, Optional<String> code) {
        return edge(name, zone, "", code, product -> Optional.of(product.price())
                .filter(price -> price.signum() > 0)
                .map(price -> FirstLine.around(value, price)));
    }

    /** Two orders at an edge, of the first product there are both of. */
    private Edge edge(
            String name,
            int zone,
            String option,
            Optional<String> code,
            Function<Product, Optional<List<BigDecimal>>> quantities) {
        int way = values.get(Factor.WAY).stream().map(Value::id).toList().indexOf(option);
        for (int method = 0; method < size(Factor.METHOD.ordinal()); method++) {
            List<Integer> plain = List.of(zone, Math.max(0, way), 0, 0, 0, 0, method);
            for (List<Product> of : products.values()) {
                for (Product product : of) {
                    List<SampleOrder> orders =
                            product.physical() && product.measure().isEmpty()
                                    ? quantities.apply(product).orElse(List.of()).stream()
                                            .map(many -> at(plain, product, many, code))
                                            .filter(made -> had(made).isPresent())
                                            .toList()
                                    : List.of();
                    if (orders.size() == 2) {
                        return new Edge(name, orders);
                    }
                }
            }
        }
        return new Edge(name, List.of());
    }

    private SampleOrder at(List<Integer> plain, Product product, BigDecimal many, Optional<String> code) {
        SampleOrder made = made(plain, product, Optional.of(many), "edge-" + ++standing);
        return new SampleOrder(
                made.id(),
                many.stripTrailingZeros().toPlainString() + " × " + made.name(),
                made.order().withCodes(code.map(List::of).orElse(List.of())),
                made.buyer(),
                made.group(),
                made.at(),
                made.monthly());
    }
}
