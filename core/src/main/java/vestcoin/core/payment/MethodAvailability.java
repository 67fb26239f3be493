package vestcoin.core.payment;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.tax.Buyer;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * One method for one order.
 *
 * @param hidden why the buyer does not see it, as a sentence for the seller; empty when seen
 * @param charge what it adds or takes off when chosen
 * @param fee what the provider takes of what it is paid of this order, when the seller has said
 * @param toPay what is paid by it: with its own charge, after vouchers, in cash rounded
 * @param keep what is left for the seller: payable with this method's own charge, cash rounded, less tax, fee, vouchers
 *     sold and what the order costs
 */
public record MethodAvailability(
        Payment.Method method,
        Optional<Message> hidden,
        Optional<Figure> charge,
        Optional<Figure> fee,
        BigDecimal toPay,
        BigDecimal keep) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** What reaches the seller of what is paid by it: less what the provider takes. */
    public BigDecimal arrives() {
        return fee.map(taken -> toPay.subtract(taken.value())).orElse(toPay);
    }

    /**
     * What of an order methods depend on.
     *
     * @param payable before any method's charge, vouchers and cash rounding
     * @param group id of the buyer group the buyer belongs to, if any
     * @param delivery id of the option or pickup place chosen
     * @param collected whether the goods are collected
     * @param sent whether anything is sent
     * @param account what this buyer owes and may owe
     * @param typed what a typed amount comes to for this buyer
     */
    public record OrderFacts(
            Figure payable,
            Destination to,
            Buyer buyer,
            Optional<String> group,
            Optional<String> delivery,
            boolean collected,
            boolean sent,
            List<PricedLine> lines,
            OnAccount account,
            UnaryOperator<Figure> typed) {}

    /** @param owed by a buyer on account, before this order @param credit given to them by the seller */
    public record OnAccount(BigDecimal owed, Optional<Credit> credit) {}

    /** A method, seen only if it is on, complete, and its conditions hold. What it costs is not in it yet. */
    public static MethodAvailability of(
            Payment.Method method, Map<String, Gateway> gateways, OrderFacts asked, Tracer tracer) {
        Optional<Message> hidden = hidden(method, gateways);
        return new MethodAvailability(
                method,
                hidden.isPresent() ? hidden : unmet(method, asked, tracer),
                method.charge().map(charge -> charge(method, charge, asked, tracer)),
                Optional.empty(),
                BigDecimal.ZERO,
                BigDecimal.ZERO);
    }

    private static Optional<Message> hidden(Payment.Method method, Map<String, Gateway> gateways) {
        if (!method.on()) {
            return Optional.of(Message.of("payment.switched-off"));
        }
        if (method.title() == null || method.title().isBlank()) {
            return Optional.of(Message.of("payment.has-no-title-yet"));
        }
        if (!method.kind().throughProvider()) {
            return Optional.empty();
        }
        Gateway gateway = method.gateway()
                .map(id -> gateways.getOrDefault(id, Gateway.NOT_CONNECTED))
                .orElse(Gateway.NOT_CONNECTED);
        return gateway.usable()
                ? Optional.empty()
                : Optional.of(Message.of(
                        "payment.not-shown", "trouble", gateway.trouble().orElseThrow()));
    }

    private static Optional<Message> unmet(Payment.Method method, OrderFacts asked, Tracer tracer) {
        Payment.Conditions when = method.conditions();
        if (method.kind() == Payment.Kind.CASH_ON_DELIVERY && !asked.sent()) {
            return Optional.of(Message.of("payment.nothing-handed-over-at-door"));
        }
        if (method.kind() == Payment.Kind.CASH_AT_PICKUP && !asked.collected()) {
            return Optional.of(Message.of("payment.only-for-orders-that-collected"));
        }
        if (method.kind() == Payment.Kind.ON_ACCOUNT
                && !asked.buyer().confirmedBusiness()
                && asked.account().credit().isEmpty()) {
            return Optional.of(Message.of("payment.only-for-confirmed-businesses-and-who-is-let"));
        }
        Optional<PricedLine> renewing = asked.lines().stream()
                .filter(line -> line.product().renews().isPresent())
                .findFirst();
        if (renewing.isPresent() && !method.kind().chargedAgain()) {
            return Optional.of(Message.of(
                    "payment.cannot-be-charged-again",
                    "product",
                    renewing.get().product().name()));
        }
        BigDecimal payable = asked.payable().value();
        Optional<BigDecimal> limit = method.kind() == Payment.Kind.ON_ACCOUNT
                ? asked.account().credit().flatMap(Credit::limit).or(() -> method.terms()
                        .flatMap(Payment.Terms::limit))
                : Optional.empty();
        if (limit.filter(most -> asked.account().owed().add(payable).compareTo(tracer.threshold(most)) > 0)
                .isPresent()) {
            return Optional.of(
                    asked.account().owed().signum() > 0
                            ? Message.of(
                                    "payment.above-what-this-buyer-may-owe-open",
                                    "amount",
                                    tracer.amount(limit.get()),
                                    "owed",
                                    asked.account().owed())
                            : Message.of(
                                    "payment.above-what-this-buyer-may-owe", "amount", tracer.amount(limit.get())));
        }
        if (when == Payment.Conditions.NONE) {
            return Optional.empty();
        }
        if (when.least()
                .filter(least -> payable.compareTo(tracer.threshold(least)) < 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "payment.only-from", "amount", tracer.amount(when.least().get())));
        }
        if (when.most()
                .filter(most -> payable.compareTo(tracer.threshold(most)) > 0)
                .isPresent()) {
            return Optional.of(Message.of(
                    "payment.only-up-to", "amount", tracer.amount(when.most().get())));
        }
        if (!when.places().isEmpty() && when.places().stream().noneMatch(place -> place.contains(asked.to()))) {
            return Optional.of(Message.of("payment.not-for-this-place"));
        }
        if (when.buyers().filter(kind -> kind != asked.buyer().kind()).isPresent()) {
            return Optional.of(
                    when.buyers().get() == Buyer.Kind.BUSINESS
                            ? Message.of("payment.only-for-businesses")
                            : Message.of("payment.only-for-persons"));
        }
        if (!when.groups().isEmpty()
                && asked.group().filter(when.groups()::contains).isEmpty()) {
            return Optional.of(Message.of("payment.only-for-some-buyers"));
        }
        if (!when.deliveries().isEmpty()
                && asked.delivery().filter(when.deliveries()::contains).isEmpty()) {
            return Optional.of(Message.of("payment.does-not-go-with-this-delivery"));
        }
        if (!when.currencies().isEmpty()
                && !when.currencies().contains(tracer.currency().getCode())) {
            return Optional.of(
                    Message.of("payment.not-in", "currency", tracer.currency().getCode()));
        }
        return asked.lines().stream()
                .filter(line -> line.product().among(when.except()))
                .findFirst()
                .map(line ->
                        Message.of("payment.not-with", "product", line.product().name()));
    }

    private static Figure charge(Payment.Method method, Payment.Charge charge, OrderFacts asked, Tracer tracer) {
        String path = "payment/methods/" + method.id() + "/charge";
        Figure percent = tracer.ratio(
                path + "/percent",
                Message.of("why.percent-of-amount"),
                List.of(
                        asked.payable(),
                        tracer.number(
                                Source.SETUP, charge.percent(), "%", path + "/percent", Message.of("why.charge"))),
                List.of(tracer.number(Source.CONSTANT, HUNDRED, "%", "rule/percent", Message.of("why.per-cent"))));
        return tracer.sum(
                path,
                Message.name(method.title()),
                List.of(
                        percent,
                        asked.typed().apply(tracer.typed(path + "/amount", Message.of("why.fixed"), charge.amount()))));
    }

    /**
     * This method with what it costs the seller.
     *
     * @param payable with its own charge
     * @param tax of that
     * @param paid what is paid by it, after vouchers and cash rounding
     * @param rounded what cash is rounded by
     * @param borne what the order costs the seller besides, and vouchers sold in it
     * @param card where the card was issued, home until it is known
     */
    public MethodAvailability costing(
            Figure payable,
            Figure tax,
            Figure paid,
            BigDecimal rounded,
            BigDecimal borne,
            CardRegion card,
            Tracer tracer) {
        Optional<Figure> taken = method.fee().map(fee -> fee(fee, card, paid, tracer));
        BigDecimal left = payable.value().add(rounded).subtract(tax.value()).subtract(borne);
        return new MethodAvailability(
                method,
                hidden,
                charge,
                taken,
                paid.value(),
                taken.map(fee -> left.subtract(fee.value())).orElse(left));
    }

    /**
     * Round half up(percent × what the provider takes + fixed), whatever the shop's rounding; nothing where it takes
     * nothing.
     */
    private Figure fee(Payment.Fee fee, CardRegion card, Figure paid, Tracer tracer) {
        Map.Entry<String, Payment.FeeRow> row = fee.row(card);
        String whole = "payment/methods/" + method.id() + "/fee";
        String path = row.getKey().isEmpty() ? whole : whole + "/" + row.getKey();
        if (paid.value().signum() <= 0) {
            return tracer.zero("rule/provider-fee", Message.name(method.title()));
        }
        Figure percent = tracer.exactPercent(
                path,
                Message.of("why.percent-of-amount"),
                paid,
                tracer.number(Source.SETUP, row.getValue().percent(), "%", path + "/percent", Message.of("why.fee")));
        Figure both = tracer.exactSum(
                path,
                Message.of("why.percent-and-fixed"),
                List.of(
                        percent,
                        tracer.typed(
                                path + "/fixed",
                                Message.of("why.fixed"),
                                row.getValue().fixed())));
        return tracer.roundedHalfUp("rule/provider-fee", Message.name(method.title()), both);
    }
}
