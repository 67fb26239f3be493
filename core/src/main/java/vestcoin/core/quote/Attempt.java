package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.discount.Discounting;
import vestcoin.core.discount.Discounts;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * An order with one set of discounts: the goods after them, the delivery that follows, and what is off it.
 *
 * <p>Discounts that combine go together; one that does not stands alone. All that combine are one attempt, each that does
 * not is another, and the attempt that takes off most in all, delivery included, holds; of equal ones the combining ones,
 * then the smaller id.
 */
record Attempt(List<Discounts.Rule> rules, Discounting.Taken taken, List<Offer> offers, Optional<Offer.Offered> chosen, List<Reduction> off) {

    /** What an attempt needs to know of the order besides its discounts. */
    record Basket(List<PricedLine> lines, Optional<Delivery.Zone> zone, Figure weight, Optional<String> wanted) {
        List<PricedLine> physical() {
            return lines.stream().filter(line -> line.product().physical()).toList();
        }
    }

    /** The attempt that holds. */
    static Attempt best(List<Discounts.Rule> rules, Discounting discounting, RateBoard board, Basket basket, Tracer tracer) {
        List<Discounts.Rule> together = rules.stream().filter(Discounts.Rule::combines).toList();
        Attempt best = of(together, discounting, board, basket, tracer);
        for (Discounts.Rule alone : rules.stream().filter(rule -> !rule.combines()).sorted(Comparator.comparing(Discounts.Rule::id)).toList()) {
            Attempt attempt = of(List.of(alone), discounting, board, basket, tracer);
            best = attempt.reduction().compareTo(best.reduction()) > 0 ? attempt : best;
        }
        return best;
    }

    private static Attempt of(List<Discounts.Rule> rules, Discounting discounting, RateBoard board, Basket basket, Tracer tracer) {
        Discounting.Taken taken = discounting.goods(rules, basket.lines());
        List<PricedLine> physical = basket.physical();
        List<Offer> offers = physical.isEmpty() ? List.of() : board.offers(basket.zone(), load(basket, taken, physical, tracer), tracer);
        Optional<Offer.Offered> chosen = choose(offers, basket.wanted());
        List<Reduction> off = chosen.map(offer -> discounting.delivery(rules, basket.lines(), taken.left(), offer.price())).orElse(List.of());
        return new Attempt(rules, taken, offers, chosen, off);
    }

    private static RateBoard.Load load(Basket basket, Discounting.Taken taken, List<PricedLine> physical, Tracer tracer) {
        List<Figure> quantities = physical.stream()
                .map(line -> tracer.number(Source.ORDER, line.line().quantity(), "", "order/lines/" + line.index() + "/quantity", line.product().name()))
                .toList();
        Figure sent = tracer.sum("rule/value", "value of what is sent", physical.stream().map(line -> taken.left().get(line.index())).toList());
        Figure value = tracer.sum("rule/value", "value of the goods", basket.lines().stream().filter(line -> !line.product().donation())
                .map(line -> taken.left().get(line.index())).toList());
        return new RateBoard.Load(basket.weight(), sent, value, tracer.count("", "rule/quantity", "items to deliver", quantities),
                physical.stream().map(line -> line.product().category()).collect(Collectors.toSet()));
    }

    private static Optional<Offer.Offered> choose(List<Offer> offers, Optional<String> wanted) {
        List<Offer.Offered> offered = offers.stream().filter(Offer.Offered.class::isInstance).map(Offer.Offered.class::cast).toList();
        return wanted.isEmpty() ? offered.stream().findFirst() : offered.stream().filter(offer -> offer.option().id().equals(wanted.get())).findFirst();
    }

    /** All that is taken off, goods and delivery together. */
    private BigDecimal reduction() {
        List<Reduction> all = new ArrayList<>(taken.reductions());
        all.addAll(off);
        return all.stream().map(reduction -> reduction.amount().value()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The chosen delivery less what is off it. */
    Optional<Figure> delivery(Tracer tracer) {
        return chosen.map(offer -> off.isEmpty() ? offer.price()
                : tracer.less("rule/delivery-after-discounts", offer.option().name(), offer.price(), off.stream().map(Reduction::amount).toList()));
    }
}
