package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.message.Message;
import vestcoin.core.payment.MethodAvailability;
import vestcoin.core.pickup.Slots;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.tax.TaxLiability;
import vestcoin.core.terms.SupplyAtOnce;
import vestcoin.core.why.Figure;

/**
 * What an order costs and why: a value. All figures are amounts in one currency unless said otherwise. What the total
 * does not need (ways and methods not chosen, distances, slots, renewals, what is missing) is computed when it is first
 * read, and is the same whichever is read first.
 */
public final class Quote {
    private final Totals totals;
    private final Shipment sent;
    private final List<String> agreements;
    private final Optional<SupplyAtOnce> supply;
    private final Part<List<Reduction.UnusedDiscount>> notApplied;
    private final Part<List<MethodAvailability>> methods;
    private final Part<List<RenewalCharges>> renewing;
    private final Part<Map<String, BigDecimal>> left;
    private final Part<OrderCosts> costs;
    private final Part<BigDecimal> keep;
    private final Part<List<Message>> missing;

    /**
     * What the total is made of.
     *
     * @param goods sum of the lines, before discounts
     * @param discounts what is taken off the goods, in the order taken
     * @param perUnit what stands on top of units, where anything does
     * @param weight of all physical goods, in kg
     * @param reading how its figures are read
     * @param treatments whose tax applies and why, each sentence once
     * @param taxes by group, larger rates first
     * @param tax all tax of the order
     * @param fee what the way of paying adds or takes off
     * @param payable goods − discounts + what stands on top + delivery − what is off it + fee, + tax where it is not
     *     inside
     * @param settlement how it is paid
     */
    record Totals(
            List<PricedLine> lines,
            Figure goods,
            List<Reduction> discounts,
            Optional<Figure> perUnit,
            Figure weight,
            Reading reading,
            List<TaxLiability> treatments,
            Taxation taxes,
            Optional<Figure> fee,
            Settlement settlement) {}

    /**
     * @param prices whether the figures have tax inside
     * @param net whether its buyer reads such figures without it
     */
    record Reading(Tax.Prices prices, boolean net) {}

    /** The tax groups of an order, all their tax, and what is payable with it. */
    record Taxation(List<TaxGroup> groups, Figure tax, Figure payable) {}

    Quote(
            Totals totals,
            Shipment sent,
            List<String> agreements,
            Optional<SupplyAtOnce> supply,
            Part<List<Reduction.UnusedDiscount>> notApplied,
            Part<List<MethodAvailability>> methods,
            Part<List<RenewalCharges>> renewing,
            Part<Map<String, BigDecimal>> left,
            Part<OrderCosts> costs,
            Part<BigDecimal> keep,
            Part<List<Message>> missing) {
        this.totals = totals;
        this.sent = sent;
        this.agreements = agreements;
        this.supply = supply;
        this.notApplied = notApplied;
        this.methods = methods;
        this.renewing = renewing;
        this.left = left;
        this.costs = costs;
        this.keep = keep;
        this.missing = missing;
    }

    /** How an order gets to the buyer. */
    public static final class Shipment {
        private final Optional<Delivery.Zone> zone;
        private final List<String> undecided;
        private final List<Consignment> consignments;
        private final DiscountScenario scenario;
        private final Optional<Figure> price;
        private final Part<List<Distance>> distances;
        private final Part<Map<String, List<Slots.Slot>>> slots;

        Shipment(
                Optional<Delivery.Zone> zone,
                List<String> undecided,
                List<Consignment> consignments,
                DiscountScenario scenario,
                Optional<Figure> price,
                Part<List<Distance>> distances,
                Part<Map<String, List<Slots.Slot>>> slots) {
            this.zone = zone;
            this.undecided = undecided;
            this.consignments = consignments;
            this.scenario = scenario;
            this.price = price;
            this.distances = distances;
            this.slots = slots;
        }

        /** The delivery zone that holds the destination. */
        public Optional<Delivery.Zone> zone() {
            return zone;
        }

        /** Ids of other zones that hold it just as well. */
        public List<String> undecided() {
            return undecided;
        }

        /** What leaves which place. */
        public List<Consignment> consignments() {
            return consignments;
        }

        /** Every option for all of it together, offered or not; empty when nothing has to be delivered. */
        public List<Offer> offers() {
            return scenario.offers().get();
        }

        /** The option whose one price is in the total. */
        public Optional<Offer.Available> chosen() {
            return scenario.chosen();
        }

        /** By dispatch place, where there are several: what is offered, and what is chosen there. */
        public Map<String, SeparateDelivery> each() {
            return scenario.each();
        }

        /** The delivery less what is off it. */
        public Optional<Figure> price() {
            return price;
        }

        /** What is taken off the delivery. */
        public List<Reduction> off() {
            return scenario.off();
        }

        /** How far the order is from free delivery. */
        public List<Distance> distances() {
            return distances.get();
        }

        /** Open slots by option, for collecting and local delivery. */
        public Map<String, List<Slots.Slot>> slots() {
            return slots.get();
        }
    }

    /** What is offered for one consignment of several. */
    public record SeparateDelivery(List<Offer> offers, Optional<Offer.Available> chosen) {}

    /** The ISO 4217 code of its amounts. */
    public String currency() {
        return totals.goods().unit();
    }

    public List<PricedLine> lines() {
        return totals.lines();
    }

    /** Sum of the lines, before discounts. */
    public Figure goods() {
        return totals.goods();
    }

    /** What is taken off the goods, in the order taken. */
    public List<Reduction> discounts() {
        return totals.discounts();
    }

    /** What stands on top of units, where anything does. */
    public Optional<Figure> perUnit() {
        return totals.perUnit();
    }

    /** Of all physical goods, in kg. */
    public Figure weight() {
        return totals.weight();
    }

    /** How it is sent. */
    public Shipment sent() {
        return sent;
    }

    /** Discounts that do not apply, with the reason. */
    public List<Reduction.UnusedDiscount> notApplied() {
        return notApplied.get();
    }

    /** Whether the figures have tax inside. */
    public Tax.Prices prices() {
        return totals.reading().prices();
    }

    /** Its rows without tax, where its buyer reads them so. */
    public Optional<WithoutTax> withoutTax() {
        return totals.reading().net() ? Optional.of(WithoutTax.of(this)) : Optional.empty();
    }

    /** Whose tax applies and why, each sentence once. */
    public List<TaxLiability> treatments() {
        return totals.treatments();
    }

    /** By group, larger rates first. */
    public List<TaxGroup> taxes() {
        return totals.taxes().groups();
    }

    /** All tax of the order. */
    public Figure tax() {
        return totals.taxes().tax();
    }

    /** What the way of paying adds or takes off. */
    public Optional<Figure> fee() {
        return totals.fee();
    }

    /**
     * Goods − discounts + what stands on top + delivery − what is off it + fee, + tax where it is not inside, before
     * vouchers and cash rounding.
     */
    public Figure payable() {
        return totals.taxes().payable();
    }

    /** What each voucher pays. */
    public List<VoucherUse> vouchers() {
        return totals.settlement().vouchers();
    }

    /** What cash is rounded by. */
    public Optional<Figure> rounding() {
        return totals.settlement().rounding();
    }

    /** Payable − vouchers + rounding. */
    public Figure toPay() {
        return totals.settlement().toPay();
    }

    /** Every way to pay, seen by the buyer or not. */
    public List<MethodAvailability> methods() {
        return methods.get();
    }

    /** The next charges of subscriptions. */
    public List<RenewalCharges> renewing() {
        return renewing.get();
    }

    /** What is left of what the lines ask for, where it is counted, by product or product and variation. */
    public Map<String, BigDecimal> left() {
        return left.get();
    }

    /** What it costs the seller besides tax and the provider's fee. */
    public OrderCosts costs() {
        return costs.get();
    }

    /**
     * What is left for the seller by the way to pay that was asked for: payable, cash rounded, less tax, the provider's
     * fee, vouchers sold and what it costs; without the fee where no way was asked for.
     */
    public BigDecimal keep() {
        return keep.get();
    }

    /** What a consumer of files may agree to. */
    public Optional<SupplyAtOnce> supply() {
        return supply;
    }

    /** Kinds of texts the buyer agrees to. */
    public List<String> agreements() {
        return agreements;
    }

    /** Why the order cannot be placed as it stands; empty when it can. */
    public List<Message> missing() {
        return missing.get();
    }

    /** Whether anything of the order has to be sent or collected. */
    public boolean needsDelivery() {
        return lines().stream().anyMatch(line -> line.product().physical());
    }

    /** Every delivery option for the whole order, offered or not. */
    public List<Offer> offers() {
        return sent.offers();
    }

    /** The option whose one price is in the total. */
    public Optional<Offer.Available> chosen() {
        return sent.chosen();
    }

    /** What is taken off the delivery. */
    public List<Reduction> off() {
        return sent.off();
    }

    public Optional<Delivery.Zone> zone() {
        return sent.zone();
    }

    public List<String> undecided() {
        return sent.undecided();
    }

    /** The method with this id. */
    public Optional<MethodAvailability> method(String id) {
        return methods().stream().filter(seen -> seen.method().id().equals(id)).findFirst();
    }

    private List<Object> all() {
        return List.of(
                totals,
                zone(),
                undecided(),
                sent.consignments(),
                offers(),
                chosen(),
                sent.each(),
                sent.price(),
                off(),
                sent.distances(),
                sent.slots(),
                agreements,
                supply,
                notApplied(),
                methods(),
                renewing(),
                left(),
                costs(),
                keep(),
                missing());
    }

    /** Equal where every part is: this computes them all. */
    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Quote quote && all().equals(quote.all());
    }

    @Override
    public int hashCode() {
        return totals.hashCode();
    }
}
