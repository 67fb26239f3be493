package vestcoin.core.discount;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.RemainingAmounts;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * Takes discounts off lines, one after the other: automatic ones in the seller's order, then codes in the order typed.
 * Each is computed once on what is left of all it is for, rounded once, and shared out over those lines. Nothing goes
 * below zero.
 */
public final class DiscountCalculation {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final DiscountContext circumstances;
    private final Tracer tracer;

    /** What decides whether a discount applies, besides the lines. @param codes in the order typed */
    public record DiscountContext(BuyerPricing buying, Destination to, List<String> codes, History history) {}

    /** Discounts that could apply, in the order they are taken, and why the others cannot. */
    public record Candidates(List<Discounts.Rule> rules, List<Reduction.UnusedDiscount> not) {}

    /** Lines after discounts. */
    public record AppliedDiscounts(
            List<Reduction> reductions, List<Reduction.UnusedDiscount> not, RemainingAmounts remaining) {
        /** Line index to what is left of it, as this buyer sees it. */
        public Map<Integer, Figure> left() {
            return remaining.left();
        }
    }

    public DiscountCalculation(DiscountContext circumstances, Tracer tracer) {
        this.circumstances = circumstances;
        this.tracer = tracer;
    }

    /** Sorts the discounts into those in play and those that this order cannot have whatever is in it. */
    public Candidates candidates(Discounts discounts) {
        List<Discounts.Rule> in = new ArrayList<>();
        List<Reduction.UnusedDiscount> not = new ArrayList<>();
        for (Discounts.Rule rule : discounts.rules()) {
            if (rule.code().isEmpty()) {
                in.add(rule);
            }
        }
        for (String typed : circumstances.codes()) {
            String single = circumstances.history().singleUse().get(History.normal(typed));
            discounts.rules().stream()
                    .filter(rule -> in.stream().noneMatch(other -> other.id().equals(rule.id())))
                    .flatMap(rule -> typed(rule, typed, single).stream())
                    .forEach(in::add);
        }
        List<Discounts.Rule> kept = new ArrayList<>();
        for (Discounts.Rule rule : in) {
            Optional<Message> reason = barred(rule);
            reason.ifPresent(sentence -> not.add(new Reduction.UnusedDiscount(rule, sentence)));
            if (reason.isEmpty()) {
                kept.add(rule);
            }
        }
        return new Candidates(kept, not);
    }

    /** The discount a code is for. @param single id of the one it is good for once, or null */
    private static Optional<Discounts.Rule> typed(Discounts.Rule rule, String typed, String single) {
        if (rule.id().equals(single)) {
            return Optional.of(rule.by(History.normal(typed)));
        }
        return rule.code()
                .filter(code -> History.normal(code).equals(History.normal(typed)))
                .map(own -> rule);
    }

    private Optional<Message> barred(Discounts.Rule rule) {
        Discounts.Conditions when = rule.conditions();
        if (when.window().isPresent()
                && !when.window()
                        .get()
                        .covers(
                                circumstances.buying().at(),
                                circumstances.buying().zone())) {
            return Optional.of(Message.of("discount.not-on-this-day"));
        }
        if (!when.places().isEmpty() && when.places().stream().noneMatch(place -> place.contains(circumstances.to()))) {
            return Optional.of(Message.of("discount.not-for-this-place"));
        }
        if (when.firstOrder() && circumstances.history().orders() > 0) {
            return Optional.of(Message.of("discount.only-for-first-order"));
        }
        if (when.uses().isPresent()
                && circumstances.history().uses().getOrDefault(rule.id(), 0)
                        >= when.uses().get()) {
            return Optional.of(
                    Message.of("discount.used-up-in-all", "uses", when.uses().get()));
        }
        if (when.usesPerBuyer().isPresent()
                && circumstances.history().usesByBuyer().getOrDefault(rule.id(), 0)
                        >= when.usesPerBuyer().get()) {
            return Optional.of(Message.of(
                    "discount.this-buyer-has-used-times",
                    "usesPerBuyer",
                    when.usesPerBuyer().get()));
        }
        return Optional.empty();
    }

    /**
     * Takes goods discounts off the lines, in order. Where this buyer's amounts are re-rated, a discount is shared out
     * by the shelf-price figures like anybody's, and each share is re-rated as its line is.
     */
    public AppliedDiscounts goods(List<Discounts.Rule> rules, List<PricedLine> lines) {
        Map<Integer, Figure> left = new LinkedHashMap<>();
        lines.forEach(line -> left.put(line.index(), line.amount()));
        boolean stands = circumstances.buying().stands();
        Map<Integer, Figure> shelf = stands ? left : new LinkedHashMap<>();
        lines.forEach(line -> shelf.put(line.index(), line.shelf()));
        List<Reduction> reductions = new ArrayList<>();
        List<Reduction.UnusedDiscount> not = new ArrayList<>();
        for (Discounts.Rule rule : rules) {
            if (rule.off() != Discounts.Off.GOODS) {
                continue;
            }
            List<PricedLine> eligible = eligible(rule, lines);
            Optional<Message> lacking = shortOf(rule, lines, eligible, left);
            if (lacking.isPresent()) {
                not.add(new Reduction.UnusedDiscount(rule, lacking.get()));
                continue;
            }
            Figure base = base(eligible, shelf);
            reductions.add(taken(rule, amount(rule, base), eligible, left, shelf));
        }
        return new AppliedDiscounts(reductions, not, new RemainingAmounts(left, shelf));
    }

    private Figure base(List<PricedLine> eligible, Map<Integer, Figure> shelf) {
        List<Figure> amounts = new ArrayList<>(eligible.size());
        eligible.forEach(line -> amounts.add(shelf.get(line.index())));
        return tracer.sum("rule/discount-base", Message.of("why.what-taken-off"), amounts);
    }

    /** Takes an amount, by the shelf-price figures, off lines. */
    private Reduction taken(
            Discounts.Rule rule,
            Figure atShelf,
            List<PricedLine> eligible,
            Map<Integer, Figure> left,
            Map<Integer, Figure> shelf) {
        Figure amount = atShelf;
        Map<Integer, Figure> shares = shared(amount, eligible, shelf);
        if (left != shelf) {
            shares.forEach((index, share) -> shelf.put(index, less(rule, shelf.get(index), share)));
            shares = rerated(shares, eligible, left);
            amount = tracer.sum("rule/rerated", Message.name(rule.name()), List.copyOf(shares.values()));
        }
        shares.forEach((index, share) -> left.put(index, less(rule, left.get(index), share)));
        return new Reduction(rule, amount, atShelf, shares);
    }

    /** A voucher that is no means of payment, and what it holds. @param buys whether it buys a line */
    public record GivenVoucher(String code, Figure balance, Predicate<PricedLine> buys) {}

    /** What such vouchers take off goods and delivery, after all discounts. @param off the discounts' first */
    public record AfterVouchers(AppliedDiscounts goods, List<Reduction> off) {}

    /**
     * Takes vouchers that nobody paid for, or that were taxed when they were sold, off what discounts have left: off
     * goods, then off delivery, as far as each reaches. They ask for nothing and always combine. Source: Directive
     * 2006/112/EC, Articles 79(b) and 30b(1).
     *
     * @param off what discounts take off the delivery
     * @param delivery the delivery by the shelf-price figures, before discounts; nothing where none is chosen
     * @param price what such a figure comes to for this buyer
     */
    public AfterVouchers vouchers(
            List<GivenVoucher> vouchers,
            AppliedDiscounts taken,
            List<PricedLine> lines,
            List<Reduction> off,
            Optional<Figure> delivery,
            UnaryOperator<Figure> price) {
        Map<Integer, Figure> left = new LinkedHashMap<>(taken.remaining().left());
        Map<Integer, Figure> shelf = circumstances.buying().stands()
                ? left
                : new LinkedHashMap<>(taken.remaining().shelf());
        List<Reduction> goods = new ArrayList<>(taken.reductions());
        List<Reduction> more = new ArrayList<>(off);
        Optional<Figure> carried = delivery.map(whole -> {
            Figure rest = whole;
            for (Reduction reduction : off) {
                rest = less(reduction.rule(), rest, reduction.shelf());
            }
            return rest;
        });
        for (GivenVoucher voucher : vouchers) {
            Discounts.Rule rule =
                    Discounts.Rule.voucher(voucher.code(), voucher.balance().value());
            Figure balance = voucher.balance();
            List<PricedLine> eligible =
                    eligible(rule, lines).stream().filter(voucher.buys()).toList();
            if (!eligible.isEmpty()) {
                Figure amount = tracer.smallest(
                        "rule/given-voucher", Message.name(voucher.code()), List.of(balance, base(eligible, shelf)));
                if (!amount.zero()) {
                    goods.add(taken(rule, amount, eligible, left, shelf));
                    balance = tracer.less(
                            "rule/given-voucher", Message.of("why.left-of-voucher"), balance, List.of(amount));
                }
            }
            // A delivery is taxed as what it brings, which has to be what the voucher buys.
            if (carried.isPresent()
                    && lines.stream().filter(PricedLine::counted).allMatch(voucher.buys())) {
                Figure amount = tracer.smallest(
                        "rule/given-voucher", Message.name(voucher.code()), List.of(balance, carried.get()));
                if (!amount.zero()) {
                    Figure after = less(rule, carried.get(), amount);
                    more.add(off(rule, amount, carried.get(), after, price));
                    carried = Optional.of(after);
                }
            }
        }
        return new AfterVouchers(
                new AppliedDiscounts(goods, taken.not(), new RemainingAmounts(left, shelf)), List.copyOf(more));
    }

    private Reduction off(
            Discounts.Rule rule, Figure amount, Figure before, Figure after, UnaryOperator<Figure> price) {
        return new Reduction(
                rule,
                circumstances.buying().stands()
                        ? amount
                        : tracer.less(
                                "rule/rerated",
                                Message.name(rule.name()),
                                price.apply(before),
                                List.of(price.apply(after))),
                amount,
                Map.of());
    }

    private Figure less(Discounts.Rule rule, Figure from, Figure share) {
        return tracer.less("rule/after-discount", Message.of("why.after", "rule", rule.name()), from, List.of(share));
    }

    private Map<Integer, Figure> rerated(
            Map<Integer, Figure> shares, List<PricedLine> lines, Map<Integer, Figure> left) {
        Map<Integer, Figure> rerated = new LinkedHashMap<>();
        for (PricedLine line : lines) {
            Figure share = shares.get(line.index());
            Figure own = circumstances
                    .buying()
                    .rates()
                    .of(line.product(), line.product().taxCategory())
                    .map(how -> how.of(share, tracer))
                    .orElse(share);
            Figure most = left.get(line.index());
            rerated.put(
                    line.index(),
                    own.value().compareTo(most.value()) <= 0
                            ? own
                            : tracer.smallest("rule/rerated", Message.of("why.no-more-than-left"), List.of(own, most)));
        }
        return rerated;
    }

    /**
     * Takes delivery discounts off a price, in order.
     *
     * @param shelf the delivery by the shelf-price figures
     * @param price what such a figure comes to for this buyer
     */
    public List<Reduction> delivery(
            List<Discounts.Rule> rules,
            List<PricedLine> lines,
            Map<Integer, Figure> left,
            Figure shelf,
            UnaryOperator<Figure> price) {
        List<Reduction> reductions = new ArrayList<>();
        Figure rest = shelf;
        for (Discounts.Rule rule : rules) {
            List<PricedLine> eligible = eligible(rule, lines);
            if (rule.off() == Discounts.Off.DELIVERY
                    && shortOf(rule, lines, eligible, left).isEmpty()) {
                Figure amount = amount(rule, rest);
                Figure after = less(rule, rest, amount);
                reductions.add(off(rule, amount, rest, after, price));
                rest = after;
            }
        }
        return reductions;
    }

    private static List<PricedLine> eligible(Discounts.Rule rule, List<PricedLine> lines) {
        List<PricedLine> eligible = new ArrayList<>(lines.size());
        Discounts.Conditions when = rule.conditions();
        for (PricedLine line : PricedLine.sorted(lines)) {
            if (line.counted()
                    && (when.categories().isEmpty() || line.product().among(when.categories()))
                    && (when.except().isEmpty() || !line.product().among(when.except()))) {
                eligible.add(line);
            }
        }
        return eligible;
    }

    /**
     * Why the basket is not enough, if it is not: value is the goods after the discounts taken so far, without
     * donations.
     */
    private Optional<Message> shortOf(
            Discounts.Rule rule, List<PricedLine> lines, List<PricedLine> eligible, Map<Integer, Figure> left) {
        Discounts.Conditions when = rule.conditions();
        if (eligible.isEmpty()) {
            return Optional.of(Message.of("discount.nothing-in-basket-in"));
        }
        BigDecimal worth = when.leastValue()
                .map(least -> tracer.threshold(least).subtract(value(lines, left)))
                .orElse(BigDecimal.ZERO);
        if (worth.signum() > 0) {
            return Optional.of(Message.of(
                    "discount.only-from-goods-of",
                    "amount",
                    tracer.amount(when.leastValue().get()),
                    "missing",
                    new Amount(
                            worth.setScale(tracer.digits(), RoundingMode.CEILING),
                            tracer.currency().getCode())));
        }
        BigDecimal things = when.leastQuantity()
                .map(least -> least.subtract(quantity(eligible)))
                .orElse(BigDecimal.ZERO);
        if (things.signum() > 0) {
            return Optional.of(Message.of(
                    "discount.only-from-things",
                    "leastQuantity",
                    when.leastQuantity().get(),
                    "missing",
                    things));
        }
        return Optional.empty();
    }

    private static BigDecimal value(List<PricedLine> lines, Map<Integer, Figure> left) {
        BigDecimal value = BigDecimal.ZERO;
        for (PricedLine line : lines) {
            value = line.counted() ? value.add(left.get(line.index()).value()) : value;
        }
        return value;
    }

    private static BigDecimal quantity(List<PricedLine> lines) {
        BigDecimal quantity = BigDecimal.ZERO;
        for (PricedLine line : lines) {
            quantity = quantity.add(line.line().quantity());
        }
        return quantity;
    }

    private Figure amount(Discounts.Rule rule, Figure base) {
        String path = "discounts/rules/" + rule.id();
        if (rule.amount().isPresent()) {
            return tracer.smallest(
                    path,
                    Message.name(rule.name()),
                    List.of(
                            tracer.typed(
                                    path + "/amount",
                                    Message.name(rule.name()),
                                    rule.amount().get()),
                            base));
        }
        Figure percent = tracer.number(
                Source.SETUP,
                rule.percent().orElse(BigDecimal.ZERO),
                "%",
                path + "/percent",
                Message.name(rule.name()));
        return tracer.ratio(
                path,
                Message.name(rule.name()),
                List.of(base, percent),
                List.of(tracer.number(Source.CONSTANT, HUNDRED, "%", "rule/percent", Message.of("why.per-cent"))));
    }

    /**
     * Source: Directive 2006/112/EC, Article 79(b): a price reduction lowers the taxable amount of what it is granted
     * on. Weights are what is left of the lines; if all is zero, what they were before.
     */
    private Map<Integer, Figure> shared(Figure amount, List<PricedLine> eligible, Map<Integer, Figure> left) {
        boolean nothingLeft = true;
        for (PricedLine line : eligible) {
            nothingLeft &= left.get(line.index()).zero();
        }
        List<Figure> weights = new ArrayList<>(eligible.size());
        for (PricedLine line : eligible) {
            weights.add(nothingLeft ? line.shelf() : left.get(line.index()));
        }
        List<Figure> parts =
                tracer.shares("rule/discount-shared-out", Message.of("why.share-of-discount"), amount, weights);
        Map<Integer, Figure> shares = new HashMap<>();
        for (int i = 0; i < parts.size(); i++) {
            shares.put(eligible.get(i).index(), parts.get(i));
        }
        return shares;
    }
}
