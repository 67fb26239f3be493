package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Load;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.discount.DiscountCalculation;
import vestcoin.core.discount.Discounts;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Rerating;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Quote.SeparateDelivery;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Taxes;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * An order with one set of discounts: the goods after them, the delivery that follows, and what is off it.
 *
 * <p>Discounts that combine go together; one that does not stands alone. All that combine are one attempt, each that
 * does not is another, and the attempt that takes off most in all, delivery included, holds; of equal ones the
 * combining ones, then the smaller id.
 *
 * @param basket what it was tried on
 * @param offers for all that is sent together: every option, offered or not
 * @param chosen the option whose one price covers all
 * @param each by dispatch place, where there are several: their own offers and the one chosen there
 * @param off what is taken off the delivery
 * @param net the goods after vouchers that nobody paid for, too: what is paid and taxed; no threshold reads it
 */
record DiscountScenario(
        Basket basket,
        List<Discounts.Rule> rules,
        DiscountCalculation.AppliedDiscounts taken,
        Part<List<Offer>> offers,
        Optional<Offer.Available> chosen,
        Map<String, SeparateDelivery> each,
        List<Reduction> off,
        DiscountCalculation.AppliedDiscounts net) {

    /** What an attempt needs to know of the order besides its discounts. */
    record Basket(
            CompiledSetup setup,
            Order order,
            List<PricedLine> lines,
            List<Consignment> consignments,
            Optional<Delivery.Zone> zone,
            BuyerPricing buying,
            PickupOffers collecting) {}

    /** The attempt that holds. */
    static DiscountScenario best(
            List<Discounts.Rule> rules, DiscountCalculation discounting, Basket basket, Tracer tracer) {
        List<Discounts.Rule> together = new ArrayList<>(rules.size());
        List<Discounts.Rule> apart = new ArrayList<>();
        rules.forEach(rule -> (rule.combines() ? together : apart).add(rule));
        apart.sort(Comparator.comparing(Discounts.Rule::id));
        DiscountScenario best = of(together, discounting, basket, tracer);
        for (Discounts.Rule alone : apart) {
            DiscountScenario attempt = of(List.of(alone), discounting, basket, tracer);
            best = attempt.reduction().compareTo(best.reduction()) > 0 ? attempt : best;
        }
        return best;
    }

    private static DiscountScenario of(
            List<Discounts.Rule> rules, DiscountCalculation discounting, Basket basket, Tracer tracer) {
        DiscountCalculation.AppliedDiscounts taken = discounting.goods(rules, basket.lines());
        if (basket.consignments().isEmpty()) {
            return new DiscountScenario(
                    basket, rules, taken, Part.known(List.of()), Optional.empty(), Map.of(), List.of(), taken);
        }
        Order order = basket.order();
        Load load = load(basket, basket.consignments(), taken, tracer);
        Optional<Offer.Available> named = order.delivery().flatMap(id -> named(id, basket, load, tracer));
        Part<List<Offer>> carried = Part.of(() -> offers(basket, basket.consignments(), load, tracer));
        Part<List<Offer>> offers = Part.of(() -> offers(basket, load, carried.get(), named, tracer));
        Optional<Offer.Available> sent = order.delivery().isPresent() ? named : cheapest(carried.get());
        Map<String, SeparateDelivery> each =
                basket.consignments().size() < 2 ? Map.of() : separate(basket, taken, tracer);
        boolean apart = order.delivery().isEmpty()
                && !each.isEmpty()
                && (!order.deliveries().isEmpty() || sent.isEmpty());
        Optional<Offer.Available> chosen = apart ? Optional.empty() : sent;
        DiscountScenario attempt = new DiscountScenario(
                basket, rules, taken, offers, chosen, apart ? each : unchosen(each), List.of(), taken);
        List<Reduction> off = attempt.gross(Offer.Available::shelf, tracer)
                .map(shelf -> discounting.delivery(
                        rules, basket.lines(), taken.left(), shelf, net -> attempt.price(net, tracer)))
                .orElse(List.of());
        return new DiscountScenario(basket, rules, taken, attempt.offers, attempt.chosen, attempt.each, off, taken);
    }

    /** The same with what vouchers that nobody paid for take off what is left. */
    DiscountScenario with(
            List<DiscountCalculation.GivenVoucher> vouchers, DiscountCalculation discounting, Tracer tracer) {
        if (vouchers.isEmpty()) {
            return this;
        }
        DiscountCalculation.AfterVouchers after = discounting.vouchers(
                vouchers, taken, basket.lines(), off, gross(Offer.Available::shelf, tracer), net -> price(net, tracer));
        return new DiscountScenario(basket, rules, taken, offers, chosen, each, after.off(), after.goods());
    }

    private static Map<String, SeparateDelivery> unchosen(Map<String, SeparateDelivery> each) {
        Map<String, SeparateDelivery> open = new LinkedHashMap<>();
        each.forEach((id, separate) -> open.put(id, new SeparateDelivery(separate.offers(), Optional.empty())));
        return open;
    }

    /** The offer of one option, if it can be chosen. */
    private static Optional<Offer.Available> named(String id, Basket basket, Load load, Tracer tracer) {
        return basket.setup()
                .board()
                .offer(id, basket.zone(), load, leaving(basket, basket.consignments()), tracer)
                .or(() -> basket.collecting().offer(id, load, tracer))
                .filter(Offer.Available.class::isInstance)
                .map(Offer.Available.class::cast);
    }

    /**
     * Every option for all of it together.
     *
     * @param carried by carriers
     * @param named the one computed already
     */
    private static List<Offer> offers(
            Basket basket, Load load, List<Offer> carried, Optional<Offer.Available> named, Tracer tracer) {
        List<Offer> offers = new ArrayList<>(carried);
        offers.addAll(firstNotOffered(offers), basket.collecting().offers(load, tracer));
        named.ifPresent(one -> offers.replaceAll(
                offer -> offer.option().id().equals(one.option().id()) ? one : offer));
        return offers;
    }

    private static int firstNotOffered(List<Offer> offers) {
        int i = 0;
        while (i < offers.size() && offers.get(i) instanceof Offer.Available) {
            i++;
        }
        return i;
    }

    private static Map<String, SeparateDelivery> separate(
            Basket basket, DiscountCalculation.AppliedDiscounts taken, Tracer tracer) {
        Map<String, SeparateDelivery> each = new LinkedHashMap<>();
        for (Consignment consignment : basket.consignments()) {
            List<Consignment> one = List.of(consignment);
            List<Offer> offers = offers(basket, one, load(basket, one, taken, tracer), tracer);
            String wanted = basket.order().deliveries().get(consignment.dispatch());
            each.put(
                    consignment.dispatch(),
                    new SeparateDelivery(offers, wanted == null ? cheapest(offers) : find(offers, wanted)));
        }
        return each;
    }

    private static List<Offer> offers(Basket basket, List<Consignment> of, Load load, Tracer tracer) {
        return basket.setup().board().offers(basket.zone(), load, leaving(basket, of), tracer);
    }

    private static RateBoard.Leaving leaving(Basket basket, List<Consignment> of) {
        LocalDate ready = of.get(0).ready();
        for (Consignment consignment : of) {
            ready = consignment.ready().isAfter(ready) ? consignment.ready() : ready;
        }
        return new RateBoard.Leaving(
                ready,
                WorkDays.ofCarriers(
                        basket.order().to().country(), basket.order().to().region()));
    }

    private static Load load(
            Basket basket, List<Consignment> of, DiscountCalculation.AppliedDiscounts taken, Tracer tracer) {
        List<PricedLine> lines = of.size() == 1
                ? of.get(0).lines()
                : of.stream()
                        .flatMap(consignment -> consignment.lines().stream())
                        .toList();
        List<Figure> quantities = new ArrayList<>(lines.size());
        List<Figure> amounts = new ArrayList<>(lines.size());
        for (PricedLine line : lines) {
            quantities.add(tracer.number(
                    Source.ORDER,
                    line.line().quantity(),
                    "",
                    "order/lines/" + line.ordered() + "/quantity",
                    Message.name(line.product().name())));
            amounts.add(taken.left().get(line.index()));
        }
        Figure weight = of.size() == 1
                ? of.get(0).weight()
                : tracer.count(
                        "kg",
                        "rule/weight",
                        Message.of("why.weight-of-all-parcels"),
                        of.stream().map(Consignment::weight).toList());
        return new Load(
                lines,
                taken.remaining(),
                of.size() == 1
                        ? of.get(0).packed().parcels()
                        : of.stream()
                                .flatMap(consignment -> consignment.packed().parcels().stream())
                                .toList(),
                weight,
                tracer.sum("rule/value", Message.of("why.value-of-what-sent"), amounts),
                tracer.count("", "rule/quantity", Message.of("why.items-to-deliver"), quantities),
                of.size() == 1 ? of.get(0).distance() : Optional.empty(),
                answers(basket, of, tracer),
                of.stream().flatMap(consignment -> consignment.place().stream()).toList(),
                new Load.OrderContext(
                        basket.lines(),
                        basket.order().at().atZone(basket.setup().zone()).getDayOfWeek(),
                        basket.order().method(),
                        basket.buying()));
    }

    /** Carriers' answers for one consignment, or added up for several where each was answered. */
    private static Map<String, Figure> answers(Basket basket, List<Consignment> of, Tracer tracer) {
        if (basket.zone().isEmpty()) {
            return Map.of();
        }
        Map<String, Figure> answers = new HashMap<>(2);
        for (PriceRule rule : basket.zone().get().rates().values()) {
            if (rule.basis() instanceof PriceRule.CarrierQuote quote) {
                List<Figure> parts = new ArrayList<>();
                for (Consignment consignment : of) {
                    basket.order()
                            .outside()
                            .carriers()
                            .of(quote.service(), consignment.dispatch())
                            .ifPresent(amount -> parts.add(tracer.typed(
                                    "order/outside/carriers/" + quote.service(),
                                    Message.of("why.carriers-answer"),
                                    amount)));
                }
                if (parts.size() == of.size()) {
                    answers.put(
                            quote.service(),
                            parts.size() == 1
                                    ? parts.get(0)
                                    : tracer.sum(
                                            "order/outside/carriers/" + quote.service(),
                                            Message.of("why.carriers-answers"),
                                            parts));
                }
            }
        }
        return answers;
    }

    /** The first that is offered. */
    private static Optional<Offer.Available> cheapest(List<Offer> offers) {
        return offers.isEmpty() || !(offers.get(0) instanceof Offer.Available first)
                ? Optional.empty()
                : Optional.of(first);
    }

    private static Optional<Offer.Available> find(List<Offer> offers, String id) {
        for (Offer offer : offers) {
            if (offer instanceof Offer.Available offered && offer.option().id().equals(id)) {
                return Optional.of(offered);
            }
        }
        return Optional.empty();
    }

    /** All that is taken off, goods and delivery together. */
    private BigDecimal reduction() {
        BigDecimal sum = BigDecimal.ZERO;
        for (List<Reduction> reductions : List.of(taken.reductions(), off)) {
            for (Reduction reduction : reductions) {
                sum = sum.add(reduction.amount().value());
            }
        }
        return sum;
    }

    /**
     * The delivery before what is off it, when all of it is chosen. @param price for this buyer, or by the shelf-price
     * figures
     */
    private Optional<Figure> gross(Function<Offer.Available, Figure> price, Tracer tracer) {
        if (chosen.isPresent()) {
            return chosen.map(price);
        }
        if (each.isEmpty()
                || each.values().stream().anyMatch(separate -> separate.chosen().isEmpty())) {
            return Optional.empty();
        }
        return Optional.of(tracer.sum(
                "rule/delivery",
                Message.of("why.delivery"),
                each.values().stream()
                        .map(separate -> price.apply(separate.chosen().orElseThrow()))
                        .toList()));
    }

    /** The delivery less what is off it. */
    Optional<Figure> delivery(Tracer tracer) {
        return gross(Offer.Available::price, tracer)
                .map(price -> off.isEmpty()
                        ? price
                        : tracer.less(
                                "rule/delivery-after-discounts",
                                Message.of("why.delivery-less-discounts"),
                                price,
                                off.stream().map(Reduction::amount).toList()));
    }

    /** What the delivery, less what is off it, comes to for this buyer. @param net by the shelf-price figures */
    private Figure price(Figure net, Tracer tracer) {
        if (basket.buying().stands()) {
            return net;
        }
        List<Figure> prices = new ArrayList<>();
        shelfByConsignment(net, tracer)
                .forEach((dispatch, part) ->
                        prices.add(Rerating.of(part, lines(dispatch), taken.remaining(), basket.buying(), tracer)));
        return prices.size() == 1
                ? prices.get(0)
                : tracer.sum("rule/delivery-after-discounts", Message.of("why.delivery-less-discounts"), prices);
    }

    /**
     * By dispatch place, or all together under an empty one. @param net the delivery less what is off it, by the
     * shelf-price figures
     */
    private Map<String, Figure> shelfByConsignment(Figure net, Tracer tracer) {
        if (chosen.isPresent()) {
            return Map.of("", net);
        }
        List<Figure> gross = each.values().stream()
                .map(separate -> separate.chosen().orElseThrow().shelf())
                .toList();
        List<Figure> parts = off.isEmpty()
                        && gross.stream()
                                        .map(Figure::value)
                                        .reduce(BigDecimal.ZERO, BigDecimal::add)
                                        .compareTo(net.value())
                                == 0
                ? gross
                : tracer.shares(
                        "rule/delivery-after-discounts",
                        Message.of("why.delivery-less-share-of-discounts"),
                        net,
                        gross);
        Map<String, Figure> prices = new LinkedHashMap<>();
        int i = 0;
        for (String id : each.keySet()) {
            prices.put(id, parts.get(i++));
        }
        return Collections.unmodifiableMap(prices);
    }

    private List<PricedLine> lines(String dispatch) {
        return basket.consignments().stream()
                .filter(consignment ->
                        dispatch.isEmpty() || consignment.dispatch().equals(dispatch))
                .flatMap(consignment -> consignment.lines().stream())
                .toList();
    }

    /** The delivery as it is taxed: one price for all, or each consignment's with its share of what is off. */
    List<Taxes.Carried> carried(Tracer tracer) {
        Optional<Figure> gross = gross(Offer.Available::shelf, tracer);
        if (gross.isEmpty()) {
            return List.of();
        }
        Figure net = gross.get();
        for (Reduction reduction : off) {
            net = tracer.less(
                    "rule/delivery-after-discounts",
                    Message.of("why.delivery-less-discounts"),
                    net,
                    List.of(reduction.shelf()));
        }
        List<Taxes.Carried> carried = new ArrayList<>();
        shelfByConsignment(net, tracer).forEach((dispatch, part) -> {
            List<PricedLine> lines = lines(dispatch);
            carried.add(new Taxes.Carried(
                    dispatch.isEmpty() ? "delivery" : "delivery/" + dispatch,
                    Rerating.of(part, lines, taken.remaining(), basket.buying(), tracer),
                    () -> Rerating.shares(part, lines, taken.remaining(), basket.buying(), tracer),
                    keys(lines)));
        });
        return carried;
    }

    /**
     * What the carriers of what is chosen ask of the seller.
     *
     * @param tracer at the rates alone
     * @return the parts; nothing in place of one that is not known
     */
    List<Optional<Figure>> carrierCosts(Tracer tracer) {
        if (basket.zone().isEmpty()) {
            return List.of();
        }
        if (chosen.isPresent()) {
            return basket.setup().board().carries(chosen.get().option().id())
                    ? List.of(carrierCost(chosen.get(), basket.consignments(), tracer))
                    : List.of();
        }
        List<Optional<Figure>> costs = new ArrayList<>();
        for (Consignment consignment : basket.consignments()) {
            Optional.ofNullable(each.get(consignment.dispatch()))
                    .flatMap(SeparateDelivery::chosen)
                    .ifPresent(offer -> costs.add(carrierCost(offer, List.of(consignment), tracer)));
        }
        return costs;
    }

    private Optional<Figure> carrierCost(Offer.Available offer, List<Consignment> of, Tracer tracer) {
        String option = offer.option().id();
        Delivery.Zone zone = basket.zone().get();
        return RateBoard.costed(option, zone)
                ? basket.setup().board().cost(option, zone, load(basket, of, taken, tracer), tracer)
                : Optional.empty();
    }

    static Set<String> keys(List<PricedLine> lines) {
        return lines.stream().map(line -> "lines/" + line.index()).collect(Collectors.toSet());
    }

    /** Whether what has to be delivered is. */
    boolean deliveryChosen() {
        return chosen.isPresent()
                || !each.isEmpty()
                        && each.values().stream()
                                .allMatch(separate -> separate.chosen().isPresent());
    }
}
