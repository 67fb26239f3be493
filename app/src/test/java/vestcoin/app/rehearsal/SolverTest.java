package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ForkJoinPool;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.measure.Measured;
import vestcoin.app.setup.Document;
import vestcoin.core.compare.DeliveryInPrice;
import vestcoin.core.compare.DeliveryInPrice.Point;
import vestcoin.core.compare.FillUp;
import vestcoin.core.compare.KeptOrder;
import vestcoin.core.delivery.Offer;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.sample.PlausibleOrders;
import vestcoin.core.setup.CompiledSetup;

/**
 * The rise and the threshold against a search that shares nothing with the solver: it writes the edits into the setup
 * file and prices order by order.
 */
class SolverTest {
    private static final Instant FROM = Instant.parse("2026-01-05T00:00:00Z");
    private static final Path EXAMPLES = Path.of("../docs/formats/examples");

    private record Case(ObjectNode file, CompiledSetup compiled, Set<String> zones, List<KeptOrder> orders) {
        DeliveryInPrice problem() {
            return new DeliveryInPrice(compiled.setup(), zones, orders);
        }
    }

    /** @param prices the file is read with, whatever it says */
    private static Case made(String name, String prices, int many) throws IOException {
        ObjectNode file = (ObjectNode) Json.tree(Files.readString(EXAMPLES.resolve(name + ".setup.json")));
        ((ObjectNode) file.path("tax")).put("prices", prices);
        CompiledSetup compiled = Document.parse(Json.write(file)).compiled();
        List<KeptOrder> orders = new ArrayList<>();
        PlausibleOrders drawn = new PlausibleOrders(compiled, 11, FROM, Duration.ofDays(300));
        for (int tries = 0; orders.size() < many && tries < 40 * many; tries++) {
            Order order = drawn.next();
            KeptOrder.of(compiled, "o" + tries, sent(compiled, order), BigDecimal.valueOf(1 + tries % 3))
                    .ifPresent(orders::add);
        }
        Set<String> zones = new TreeSet<>();
        compiled.setup().delivery().zones().stream().limit(3).forEach(zone -> zones.add(zone.id()));
        return new Case(file, compiled, zones, orders);
    }

    /** By the cheapest option of a carrier where there is one: an order that is brought to somebody. */
    private static Order sent(CompiledSetup compiled, Order order) {
        try {
            return Pricing.priceUntraced(compiled, order).offers().stream()
                    .filter(offer -> offer instanceof Offer.Available
                            && compiled.board().carries(offer.option().id()))
                    .findFirst()
                    .map(offer -> order.withDelivery(offer.option().id()))
                    .orElse(order);
        } catch (InvalidInput refused) {
            return order;
        }
    }

    private static SolverTask run(SolverTask task) {
        ForkJoinPool pool = new ForkJoinPool(2);
        while (task.step(pool)) {
            // Until it has nothing left to try.
        }
        pool.shutdown();
        return task;
    }

    /** The prices of the file, as text, times a factor. */
    private static void raise(JsonNode file, BigDecimal percent) {
        int digits = CurrencyUnit.of(file.at("/shop/currency").asString()).getDecimalPlaces();
        for (JsonNode product : file.at("/goods/products")) {
            if (!List.of("donation", "voucher").contains(product.path("kind").asString())) {
                raise(product, "price", percent, digits);
                raise(product.path("sale"), "price", percent, digits);
                product.path("groupPrices")
                        .propertyNames()
                        .forEach(group -> raise(product.path("groupPrices"), group, percent, digits));
                product.path("breaks").forEach(step -> raise(step, "price", percent, digits));
                product.path("variations").forEach(variation -> {
                    raise(variation, "price", percent, digits);
                    raise(variation.path("sale"), "price", percent, digits);
                });
            }
        }
    }

    private static void raise(JsonNode in, String name, BigDecimal percent, int digits) {
        if (in instanceof ObjectNode node && node.path(name).isString()) {
            BigDecimal was = new BigDecimal(node.path(name).asString());
            node.put(
                    name,
                    was.add(was.multiply(percent).movePointLeft(2))
                            .setScale(digits, RoundingMode.HALF_UP)
                            .toPlainString());
        }
    }

    private static CompiledSetup edited(Case of, BigDecimal percent, BigDecimal freeFrom, boolean always) {
        ObjectNode file = of.file().deepCopy();
        if (percent.signum() > 0) {
            raise(file, percent);
        }
        for (JsonNode zone : file.at("/delivery/zones")) {
            if (of.zones().contains(zone.path("id").asString())) {
                zone.path("rates").forEach(rate -> {
                    ObjectNode rule = (ObjectNode) rate;
                    rule.put("freeFrom", freeFrom.toPlainString());
                    rule.remove("reducedTo");
                    if (always) {
                        rule.remove(List.of("notCounting", "notWith"));
                    }
                });
            }
        }
        return Document.parse(Json.write(file)).compiled();
    }

    private static BigDecimal kept(Case of, CompiledSetup setup) {
        BigDecimal sum = BigDecimal.ZERO;
        for (KeptOrder each : of.orders()) {
            try {
                Quote quote = Pricing.price(setup, each.order());
                if (quote.missing().isEmpty()) {
                    sum = sum.add(quote.keep().multiply(each.weight()));
                }
            } catch (InvalidInput refused) {
                // It can no longer be had: nothing is kept.
            }
        }
        return sum;
    }

    @ParameterizedTest
    @CsvSource({
        "tern-and-tether, with-tax",
        "tern-and-tether, without-tax",
        "blaumeise-puppenbuehne, with-tax",
        "ninth-street-sundials, without-tax"
    })
    void the_rise_is_the_first_at_which_as_much_is_kept_as_today(String name, String prices) throws IOException {
        Case of = made(name, prices, 40);
        assertThat(of.orders()).hasSizeGreaterThan(20);
        SolverTask task = run(new SolverTask.Rise(of.problem(), of.compiled()));
        BigDecimal today = kept(of, of.compiled());
        assertThat(of.problem().today()).isEqualByComparingTo(today);
        Optional<BigDecimal> first = Optional.empty();
        for (BigDecimal percent = BigDecimal.ZERO;
                first.isEmpty() && percent.compareTo(BigDecimal.valueOf(50)) <= 0;
                percent = percent.add(new BigDecimal("0.1"))) {
            BigDecimal kept = kept(of, edited(of, percent, BigDecimal.ZERO, true));
            int at = percent.movePointRight(1).intValueExact();
            assertThat(task.progress().curve().get(at).kept())
                    .as(percent + " %")
                    .isEqualByComparingTo(kept);
            first = kept.compareTo(today) >= 0 ? Optional.of(percent) : Optional.empty();
        }
        assertThat(task.progress().curve()).hasSize(501);
        assertThat(task.progress().found().map(found -> found.point().at()))
                .usingValueComparator((a, b) -> a.compareTo(b))
                .isEqualTo(first);
    }

    /**
     * At each threshold, of the orders within ten of it three in ten buy more of their cheapest thing until it is free.
     */
    @Test
    void orders_a_little_short_fill_up_as_is_assumed() throws IOException {
        Case of = made("tern-and-tether", "with-tax", 25);
        BigDecimal share = new BigDecimal("0.3");
        BigDecimal distance = BigDecimal.TEN;
        SolverTask task = run(new SolverTask.Threshold(
                of.problem(), of.compiled(), BigDecimal.ZERO, BigDecimal.ZERO, new FillUp(share, distance)));
        CompiledSetup never = edited(of, BigDecimal.ZERO, BigDecimal.valueOf(100_000), false);
        CompiledSetup always = edited(of, BigDecimal.ZERO, BigDecimal.ZERO, false);
        List<Point> curve = task.progress().curve();
        int filled = 0;
        for (int threshold = 0; threshold <= 220; threshold++) {
            CompiledSetup at = edited(of, BigDecimal.ZERO, BigDecimal.valueOf(threshold), false);
            BigDecimal sum = BigDecimal.ZERO;
            for (KeptOrder each : of.orders()) {
                BigDecimal as = each.under(at).keep();
                boolean delivered = !each.under(never).equals(each.under(always));
                if (delivered && each.under(at).equals(each.under(never)) && reaches(of, each, threshold - 10)) {
                    Optional<BigDecimal> more = filledUp(each, at, always);
                    filled += more.isPresent() ? 1 : 0;
                    BigDecimal not = as;
                    as = more.map(kept -> kept.multiply(share).add(not.multiply(BigDecimal.ONE.subtract(share))))
                            .orElse(not);
                }
                sum = sum.add(as.multiply(each.weight()));
            }
            BigDecimal on = BigDecimal.valueOf(threshold);
            Point point = curve.stream()
                    .filter(each -> each.at().compareTo(on) <= 0)
                    .reduce((one, other) -> other)
                    .orElseThrow();
            assertThat(point.kept()).as("from " + threshold).isEqualByComparingTo(sum);
        }
        assertThat(filled).isGreaterThan(20);
    }

    private static boolean reaches(Case of, KeptOrder order, int threshold) {
        CompiledSetup at = edited(of, BigDecimal.ZERO, BigDecimal.valueOf(Math.max(0, threshold)), false);
        return order.under(at).equals(order.under(edited(of, BigDecimal.ZERO, BigDecimal.ZERO, false)));
    }

    /** What is kept of an order with as many more of its cheapest thing as make its delivery free. */
    private static Optional<BigDecimal> filledUp(KeptOrder order, CompiledSetup at, CompiledSetup always) {
        for (int more = 1; more <= 50; more++) {
            KeptOrder filled = order.withMore(always, more).orElse(null);
            if (filled == null || !filled.under(always).had()) {
                return Optional.empty();
            }
            if (filled.under(at).equals(filled.under(always))) {
                return Optional.of(filled.under(at).keep());
            }
        }
        return Optional.empty();
    }

    @ParameterizedTest
    @CsvSource({
        "tern-and-tether, with-tax, 60, 0",
        "tern-and-tether, without-tax, 0, 4",
        "blaumeise-puppenbuehne, with-tax, 25, 0"
    })
    void the_threshold_is_the_first_whole_amount_that_costs_no_more(
            String name, String prices, BigDecimal loss, BigDecimal rise) throws IOException {
        Case of = made(name, prices, 30);
        SolverTask task = run(new SolverTask.Threshold(of.problem(), of.compiled(), rise, loss, FillUp.NOBODY));
        BigDecimal enough = kept(of, of.compiled()).subtract(loss);
        BigDecimal at = BigDecimal.ZERO;
        while (kept(of, edited(of, rise, at, false)).compareTo(enough) < 0 && at.intValue() < 1500) {
            at = at.add(BigDecimal.ONE);
        }
        assertThat(task.progress().found().map(found -> found.point().at()).orElse(BigDecimal.valueOf(1500)))
                .isEqualByComparingTo(at);
        for (Point point : task.progress().curve()) {
            assertThat(point.kept())
                    .as("free from " + point.at())
                    .isEqualByComparingTo(kept(of, edited(of, rise, point.at(), false)));
        }
    }

    @Test
    @Tag("alone")
    void two_thousand_orders_take_at_most_a_minute() throws IOException {
        // What is measured is not the compiler.
        Case few = made("tern-and-tether", "with-tax", 10);
        run(new SolverTask.Rise(few.problem(), few.compiled()));
        Case of = made("tern-and-tether", "with-tax", Measured.sized(2000));
        long most = Math.max(5000, 30L * of.orders().size());
        long millis = Measured.shortest(5, most, () -> run(new SolverTask.Rise(of.problem(), of.compiled())));
        Measured.note(
                "every rise from 0 to 50 % over " + of.orders().size() + " orders",
                millis + " ms",
                "at most " + most + " ms");
        assertThat(millis).isLessThan(most);
    }
}
