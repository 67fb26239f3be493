package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentSkipListSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.app.setup.Document;
import vestcoin.core.basket.Basket;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.rehearsal.Combinations;
import vestcoin.core.rehearsal.CoveringSet;
import vestcoin.core.rehearsal.SampleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.BuyerKind;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/**
 * The covering set against every order there is: all combinations are priced here, and each pair that occurs in one
 * that can be had has to be in the set, or be named as left out.
 */
class CoveringTest {
    private static final Instant NOW = Instant.parse("2026-11-25T10:00:00Z");
    private static final Exchange RATES = new Exchange(
            "EUR",
            LocalDate.parse("2026-11-24"),
            Map.of(
                    "CHF",
                    new BigDecimal("0.95"),
                    "GBP",
                    new BigDecimal("0.84"),
                    "USD",
                    new BigDecimal("1.08"),
                    "CAD",
                    new BigDecimal("1.47")));

    private final Map<String, Gateway> gateways = new HashMap<>();
    private CompiledSetup setup;

    private void read(String name) throws IOException {
        setup = Document.parse(Files.readString(Path.of("../docs/formats/examples", name + ".setup.json")))
                .compiled();
        setup.setup().payment().methods().forEach(method -> method.gateway()
                .ifPresent(id -> gateways.put(id, Gateway.TEST)));
    }

    /** The values of an order that can be had, by what they are of; nothing for one that cannot. */
    private Optional<List<String>> values(SampleOrder basket) {
        Destination to = basket.order().to().orElseThrow();
        try {
            Order order = SampleOrders.at(basket, to, NOW, gateways);
            Quote quote =
                    Pricing.priceUntraced(setup, order.given(order.outside().with(RATES)));
            boolean paid = order.method()
                    .flatMap(quote::method)
                    .filter(method -> method.hidden().isEmpty())
                    .isPresent();
            if (!quote.missing().isEmpty() || !paid) {
                return Optional.empty();
            }
            return Optional.of(List.of(
                    "zone " + setup.board().zoneOf(to).orElseThrow().value().id(),
                    "way " + quote.chosen().map(offer -> offer.option().id()).orElse("-"),
                    "category "
                            + (quote.lines().get(0).product().untaxed()
                                    ? "-"
                                    : quote.lines().get(0).product().category().orElse("?")),
                    "group " + basket.group().orElse("-"),
                    "currency " + quote.currency(),
                    "buyer " + basket.buyer(),
                    "method " + order.method().orElseThrow()));
        } catch (InvalidInput refused) {
            return Optional.empty();
        }
    }

    private static Set<String> pairs(List<String> values) {
        Set<String> pairs = new TreeSet<>();
        for (int one = 0; one < values.size(); one++) {
            for (int other = one + 1; other < values.size(); other++) {
                pairs.add(values.get(one) + " + " + values.get(other));
            }
        }
        return pairs;
    }

    /**
     * Every combination of values, with each product of the first of each category that the set knows to make a line
     * of.
     */
    private Set<String> occurring(List<SampleOrder> lines) {
        List<String> ways = new ArrayList<>();
        ways.add(null);
        setup.setup().delivery().options().forEach(option -> ways.add(option.id()));
        setup.setup().pickup().places().forEach(spot -> ways.add(spot.option()));
        setup.setup().pickup().local().ifPresent(local -> ways.add("local"));
        List<String> groups = new ArrayList<>();
        groups.add(null);
        setup.setup().goods().buyerGroups().forEach(group -> groups.add(group.id()));
        List<String> currencies = new ArrayList<>();
        currencies.add(null);
        setup.setup().shop().currencies().forEach(other -> currencies.add(other.code()));
        Map<String, Destination> places = new HashMap<>();
        lines.forEach(basket -> places.putIfAbsent(
                setup.board()
                        .zoneOf(basket.order().to().orElseThrow())
                        .orElseThrow()
                        .value()
                        .id(),
                basket.order().to().orElseThrow()));
        Map<String, Basket> goods = new HashMap<>();
        lines.forEach(basket -> goods.putIfAbsent(basket.order().lines().get(0).product(), basket.order()));
        Set<String> occur = new ConcurrentSkipListSet<>();
        places.values().parallelStream().forEach(to -> {
            for (String way : ways) {
                for (Basket line : goods.values()) {
                    for (String group : groups) {
                        for (String currency : currencies) {
                            occurring(
                                    Basket.of(line.lines().subList(0, 1), to)
                                            .changed()
                                            .delivery(Optional.ofNullable(way))
                                            .currency(Optional.ofNullable(currency))
                                            .build(),
                                    Optional.ofNullable(group),
                                    occur);
                        }
                    }
                }
            }
        });
        return occur;
    }

    /** A basket by every buyer and every way of paying. */
    private void occurring(Basket basket, Optional<String> group, Set<String> occur) {
        for (BuyerKind buyer : BuyerKind.values()) {
            for (Payment.Method method : setup.setup().payment().methods()) {
                if (method.on()) {
                    Basket paid =
                            basket.changed().method(Optional.of(method.id())).build();
                    values(new SampleOrder("x", "x", paid, buyer, group, null, null))
                            .filter(values -> basket.delivery().isPresent()
                                    || values.get(1).equals("way -"))
                            .ifPresent(values -> occur.addAll(pairs(values)));
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern-and-tether", "blaumeise-puppenbuehne", "ninth-street-sundials"})
    void every_pair_that_can_occur_is_met_and_what_is_left_out_is_counted(String name) throws IOException {
        read(name);
        long begun = System.nanoTime();
        CoveringSet.Found found = CoveringSet.of(new Combinations(setup, NOW, Optional.of(RATES)), 400);
        long millis = (System.nanoTime() - begun) / 1_000_000;
        assertThat(CoveringSet.of(new Combinations(setup, NOW, Optional.of(RATES)), 400))
                .as("the same twice")
                .isEqualTo(found);
        Set<String> met = new TreeSet<>();
        for (SampleOrder basket : found.baskets()) {
            List<String> values = values(basket).orElseThrow(() -> new AssertionError(basket.name()));
            met.addAll(pairs(values));
        }
        assertThat(occurring(found.baskets())).isSubsetOf(met);
        assertThat(found.leftPairs()).isEmpty();
        assertThat(found.baskets().stream().map(SampleOrder::id).distinct())
                .hasSize(found.baskets().size());
        assertThat(found.edges()).isPositive();
        System.out.println(name + ": " + found.baskets().size() + " orders meet " + found.pairs() + " pairs and "
                + found.edges() + " edges; " + found.unreachable().size() + " pairs and "
                + found.unreachableEdges().size() + " edges cannot be reached, " + millis + " ms");
        CoveringSet.Found few = CoveringSet.of(new Combinations(setup, NOW, Optional.of(RATES)), 5);
        assertThat(few.baskets()).hasSizeLessThanOrEqualTo(5);
        assertThat(few.leftPairs()).isNotEmpty();
        assertThat(few.pairs() + few.leftPairs().size() + few.unreachable().size())
                .isEqualTo(found.pairs() + found.unreachable().size());
        assertThat(few.edges() + few.leftEdges().size()).isEqualTo(found.edges());
    }
}
