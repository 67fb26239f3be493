package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Renewal;
import vestcoin.core.goods.Selling;
import vestcoin.core.goods.ShippingTraits;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Together;
import vestcoin.core.goods.Weight;

/** A product for tests, said in plain texts. */
public final class Thing {
    private final List<Question> questions = new ArrayList<>();
    private Selling selling;
    private Together together;
    private boolean taxedAtSale;
    private List<String> forGroups = List.of();
    private final String id;
    private final BigDecimal price;
    private Optional<String> category;
    private Product.Kind kind = Product.Kind.PHYSICAL;
    private Optional<Weight> weight = Optional.empty();
    private final List<Product.Option> options = new ArrayList<>();
    private Optional<Product.Sale> sale = Optional.empty();
    private final List<Product.Break> breaks = new ArrayList<>();
    private Optional<Product.Measure> measure = Optional.empty();
    private Optional<Product.Bounds> bounds = Optional.empty();
    private final Map<String, BigDecimal> groupPrices = new LinkedHashMap<>();
    private final Map<String, BigDecimal> prices = new LinkedHashMap<>();
    private final List<Product.Variation> variations = new ArrayList<>();
    private Optional<String> group = Optional.empty();
    private Optional<Size> size = Optional.empty();
    private boolean upright;
    private boolean alone;
    private Optional<Integer> preparation = Optional.empty();
    private Optional<String> handling = Optional.empty();
    private Optional<String> from = Optional.empty();
    private Optional<ShippingTraits.Own> own = Optional.empty();
    private Optional<Renewal> renews = Optional.empty();
    private final List<Product.PerUnit> perUnit = new ArrayList<>();
    private final List<Line> contents = new ArrayList<>();
    private Optional<BigDecimal> cost = Optional.empty();

    private Thing(String id, String price, String category) {
        this.id = id;
        this.price = new BigDecimal(price);
        this.category = Optional.ofNullable(category);
    }

    public static Thing of(String id, String price, String category) {
        return new Thing(id, price, category);
    }

    public Thing kind(Product.Kind of) {
        kind = of;
        return this;
    }

    public Thing weighs(String text) {
        weight = Optional.of(Weight.parse("weight", text));
        return this;
    }

    /** An option with choices, each as {@code large +16.00} or {@code pro +12.5%} or only its name. */
    public Thing option(String name, String... choices) {
        options.add(new Product.Option(
                name,
                name,
                java.util.Arrays.stream(choices)
                        .map(text -> {
                            String[] parts = text.split(" ");
                            boolean percent = parts.length > 1 && parts[1].endsWith("%");
                            BigDecimal figure = parts.length < 2 ? null : new BigDecimal(parts[1].replace("%", ""));
                            return new Product.Choice(
                                    parts[0],
                                    parts[0],
                                    percent ? Optional.empty() : Optional.ofNullable(figure),
                                    percent ? Optional.of(figure) : Optional.empty());
                        })
                        .toList()));
        return this;
    }

    public Thing sale(Product.Sale of) {
        sale = Optional.ofNullable(of);
        return this;
    }

    public Thing breaks(List<Product.Break> of) {
        breaks.addAll(of);
        return this;
    }

    public Thing measured(String unit, String step, String least, String most) {
        measure = Optional.of(
                new Product.Measure(unit, new BigDecimal(step), new BigDecimal(least), new BigDecimal(most)));
        return this;
    }

    public Thing bounds(String least, String most) {
        bounds = Optional.of(new Product.Bounds(new BigDecimal(least), new BigDecimal(most)));
        return this;
    }

    public Thing groupPrices(Map<String, BigDecimal> of) {
        groupPrices.putAll(of);
        return this;
    }

    public Thing in(String currency, String amount) {
        prices.put(currency, new BigDecimal(amount));
        return this;
    }

    /** A variation of one choice or more, as {@code size=large colour=red}, with its own price, or none. */
    public Thing variation(String variation, String choices, String own, String weighs) {
        Map<String, String> made = new LinkedHashMap<>();
        for (String choice : choices.split(" ")) {
            made.put(choice.split("=")[0], choice.split("=")[1]);
        }
        variations.add(new Product.Variation(
                variation,
                made,
                Optional.ofNullable(own).map(BigDecimal::new),
                Optional.empty(),
                Optional.ofNullable(weighs).map(text -> Weight.parse("weight", text))));
        return this;
    }

    public Thing group(String of) {
        group = Optional.of(of);
        return this;
    }

    public Thing size(String text) {
        size = Optional.of(Size.parse("size", text));
        return this;
    }

    public Thing upright() {
        upright = true;
        return this;
    }

    public Thing alone() {
        alone = true;
        return this;
    }

    public Thing prepared(int days) {
        preparation = Optional.of(days);
        return this;
    }

    public Thing handled(String by) {
        handling = Optional.of(by);
        return this;
    }

    public Thing from(String dispatch) {
        from = Optional.of(dispatch);
        return this;
    }

    public Thing own(String single, String withOthers) {
        own = Optional.of(new ShippingTraits.Own(new BigDecimal(single), new BigDecimal(withOthers), Map.of()));
        return this;
    }

    /** Another pair in one zone. */
    public Thing own(String zone, String single, String withOthers) {
        ShippingTraits.Own rest = own.orElseThrow();
        own = Optional.of(new ShippingTraits.Own(
                rest.alone(),
                rest.withOthers(),
                Map.of(zone, new ShippingTraits.Pair(new BigDecimal(single), new BigDecimal(withOthers)))));
        return this;
    }

    public Thing renews(int every, Renewal.Unit unit, Integer on) {
        renews = Optional.of(new Renewal(every, unit, Optional.ofNullable(on)));
        return this;
    }

    public Thing perUnit(String name, String amount, String taxedAs, boolean inside) {
        perUnit.add(new Product.PerUnit(name, name, new BigDecimal(amount), Optional.ofNullable(taxedAs), inside));
        return this;
    }

    public Thing holds(Line... lines) {
        kind = Product.Kind.BUNDLE;
        category = Optional.empty();
        contents.addAll(List.of(lines));
        return this;
    }

    public Thing forGroups(String... only) {
        forGroups = List.of(only);
        return this;
    }

    public Thing taxedAtSale() {
        taxedAtSale = true;
        return this;
    }

    /** Asks something besides the choices. */
    public Thing asks(Question question) {
        questions.add(question);
        return this;
    }

    /** How its parts are priced, and of a box what it is filled from. */
    public Thing together(Together how) {
        together = how;
        return this;
    }

    public Thing selling(Selling.State state, String from) {
        selling = new Selling(state, Optional.ofNullable(from).map(LocalDate::parse));
        return this;
    }

    public Thing costs(String amount) {
        cost = Optional.of(new BigDecimal(amount));
        return this;
    }

    public Product product() {
        return new Product(
                id,
                id,
                kind,
                price,
                category,
                weight,
                options,
                sale,
                breaks,
                measure,
                bounds,
                groupPrices,
                prices,
                variations,
                group,
                new ShippingTraits(
                        size, upright, alone, preparation, handling, Optional.empty(), Optional.empty(), from, own),
                renews,
                perUnit,
                contents,
                null,
                null,
                taxedAtSale,
                forGroups,
                questions,
                Optional.ofNullable(selling),
                null,
                Optional.ofNullable(together),
                cost);
    }
}
