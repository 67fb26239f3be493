package vestcoin.core.sample;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vestcoin.core.basket.Basket;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;
import vestcoin.core.goods.Together;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;

/**
 * Orders by chance that look like a small shop's: half of them go home, the others where the shop sells to; one to four
 * things, most of them one piece; now and then a code, a business, a way to pay chosen; more before Christmas and in
 * the evening. How often is made up, no source. The same setup, seed and span give the same orders.
 */
public final class PlausibleOrders {
    /** How many orders each month has beside others, January first. */
    private static final int[] SEASON = {7, 6, 8, 9, 10, 11, 10, 9, 8, 9, 14, 16};
    /** The hours of the day orders come in, each as often as it stands here. */
    private static final int[] HOURS = {7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 19, 20, 20, 20, 21, 21, 21, 22
    };

    /** What the busiest month has. */
    private static final int BUSIEST = IntStream.of(SEASON).max().orElseThrow();

    private static final int BUSINESS_ONE_IN = 15;
    private static final int CODE_ONE_IN = 12;

    private final CompiledSetup setup;
    private final Random random;
    private final Instant from;
    private final Duration span;
    private final List<Destination> places;
    private final Map<String, Gateway> gateways;

    /**
     * @param from the first instant an order may be placed
     * @param span how long after it the last
     */
    public PlausibleOrders(CompiledSetup setup, long seed, Instant from, Duration span) {
        this.setup = setup;
        this.random = new Random(seed);
        this.from = from;
        this.span = span;
        this.places = soldTo(setup);
        Map<String, Gateway> states = new LinkedHashMap<>();
        setup.setup().payment().methods().forEach(method -> method.gateway()
                .ifPresent(id -> states.put(id, Gateway.TEST)));
        this.gateways = states;
    }

    /** So many orders, in the order they are placed. */
    public List<Order> take(int many) {
        return Stream.generate(this::next)
                .limit(many)
                .sorted((a, b) -> a.at().compareTo(b.at()))
                .toList();
    }

    /** One more. Whether it can be had the setup says: a way may be too small for it, or a place unserved. */
    public Order next() {
        List<Product> products = setup.setup().goods().products();
        Set<Product> chosen = new LinkedHashSet<>();
        for (int n = lines(); n > 0 && !products.isEmpty(); n--) {
            chosen.add(one(products));
        }
        Destination to = one(places);
        Basket basket = Basket.of(chosen.stream().map(this::line).toList(), to);
        List<String> codes = setup.setup().discounts().rules().stream()
                .map(Discounts.Rule::code)
                .flatMap(Optional::stream)
                .toList();
        if (!codes.isEmpty() && random.nextInt(CODE_ONE_IN) == 0) {
            basket = basket.withCodes(List.of(one(codes)));
        }
        Instant at = instant();
        Order order = Order.of(at, basket, gateways);
        List<Payment.Method> methods = setup.setup().payment().methods();
        if (!methods.isEmpty()) {
            // What stands first is chosen most.
            order = order.withMethod(
                    methods.get(Math.min(random.nextInt(methods.size()), random.nextInt(methods.size())))
                            .id());
        }
        return Groups.EU.contains(to.country()) && random.nextInt(BUSINESS_ONE_IN) == 0
                ? order.by(business(to.country(), at))
                : order;
    }

    private int lines() {
        return switch (random.nextInt(10)) {
            case 0, 1, 2, 3, 4 -> 1;
            case 5, 6, 7 -> 2;
            case 8 -> 3;
            default -> 4;
        };
    }

    private Line line(Product product) {
        Map<String, String> options = new LinkedHashMap<>();
        product.options()
                .forEach(
                        option -> options.put(option.id(), one(option.choices()).id()));
        BigDecimal quantity = product.measure()
                .map(measure -> measure.least()
                        .add(measure.step().multiply(BigDecimal.valueOf(random.nextInt(steps(measure) + 1)))))
                .orElseGet(() -> BigDecimal.valueOf(random.nextInt(4) > 0 ? 1 : 2 + random.nextInt(3)));
        Optional<BigDecimal> amount = product.bounds().map(bounds -> bounds.least()
                .add(bounds.most().subtract(bounds.least()).multiply(BigDecimal.valueOf(random.nextInt(5), 1)))
                .setScale(setup.currency().getDecimalPlaces(), RoundingMode.DOWN));
        Map<String, String> answers = new LinkedHashMap<>();
        product.questions().stream()
                .filter(question -> question.compulsory() || random.nextBoolean())
                .forEach(question -> answers.put(question.id(), answer(question)));
        return new Line(product.id(), quantity, options, amount, answers, contents(product));
    }

    /** A box filled by chance, with as few pieces as it takes or one more. */
    private List<Line> contents(Product product) {
        if (product.kind() != Product.Kind.BOX) {
            return List.of();
        }
        Together box = product.parts();
        int pieces = Math.min(box.fullest(), box.fewest() + random.nextInt(2));
        Map<Together.BoxPart, Integer> counts = new LinkedHashMap<>();
        for (int i = 0; i < pieces; i++) {
            counts.merge(one(box.from()), 1, Integer::sum);
        }
        return counts.entrySet().stream()
                .map(each -> new Line(
                        each.getKey().product(),
                        BigDecimal.valueOf(each.getValue()),
                        each.getKey().options()))
                .toList();
    }

    private String answer(Question question) {
        return switch (question.kind()) {
            case TEXT -> "ABCDEFGHIJKL".substring(0, 1 + random.nextInt(Math.min(12, question.longest())));
            case NUMBER -> String.valueOf(1 + random.nextInt(50));
            case DAY ->
                LocalDate.ofInstant(from, setup.zone())
                        .plusDays(random.nextInt(60))
                        .toString();
            case ONE_OF -> one(question.answers()).id();
            case TICK -> Question.YES;
        };
    }

    /** How many steps above the least are ordered at most: a tenth of what there is, and no more than a hundred. */
    private static int steps(Product.Measure measure) {
        return measure.most()
                .subtract(measure.least())
                .divide(measure.step().multiply(BigDecimal.TEN), 0, RoundingMode.DOWN)
                .min(BigDecimal.valueOf(100))
                .intValue();
    }

    private Instant instant() {
        while (true) {
            ZonedDateTime day = from.plusSeconds((long) (random.nextDouble() * span.toSeconds()))
                    .atZone(setup.zone());
            if (random.nextInt(BUSIEST) < SEASON[day.getMonthValue() - 1]) {
                Instant at = day.withHour(HOURS[random.nextInt(HOURS.length)])
                        .withMinute(random.nextInt(60))
                        .toInstant();
                return at.isBefore(from) ? from : at;
            }
        }
    }

    private static Buyer business(String country, Instant at) {
        String letters = country.equals("GR") ? "EL" : country;
        Buyer.Confirmed confirmed = new Buyer.Confirmed(true, at, "made up");
        return BuyerBuilder.builder()
                .kind(Buyer.Kind.BUSINESS)
                .number(Optional.of(new Buyer.TaxNumber(letters, letters + "123456789", Optional.of(confirmed))))
                .build();
    }

    /** Where orders go: home as often as everywhere else together. */
    private static List<Destination> soldTo(CompiledSetup setup) {
        Set<String> named = new TreeSet<>();
        Stream.concat(
                        setup.setup().shop().sellsTo().stream(),
                        setup.setup().delivery().zones().stream().flatMap(zone -> zone.places().stream()))
                .forEach(place -> named.addAll(codes(place)));
        List<Destination> abroad = named.stream()
                .map(code -> code.length() > 2
                        ? new Destination(code.substring(0, 2), Optional.of(code), Optional.empty())
                        : Destination.of(code))
                .filter(to -> setup.sellsTo().find(to).isPresent())
                .filter(to -> !to.country().equals(setup.home().country())
                        || to.region().isPresent())
                .toList();
        List<Destination> all = new ArrayList<>(abroad);
        for (int i = 0; i < Math.max(1, abroad.size()); i++) {
            all.add(setup.home());
        }
        return all;
    }

    private static Set<String> codes(Place place) {
        if (place instanceof Place.Group group) {
            return Groups.countriesOf(group.name());
        }
        return place instanceof Place.Country || place instanceof Place.Subdivision ? Set.of(place.text()) : Set.of();
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }
}
