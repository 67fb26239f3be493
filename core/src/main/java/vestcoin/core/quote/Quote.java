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
import vestcoin.core.why.Figure;

/**
 * What an order costs and why. All figures are amounts in one currency unless said otherwise.
 *
 * @param goods sum of the lines, before discounts
 * @param discounts what is taken off the goods, in the order taken
 * @param perUnit what stands on top of units, where anything does
 * @param weight of all physical goods, in kg
 * @param sent how it is sent
 * @param notApplied discounts that do not apply, with the reason
 * @param prices whether the figures have tax inside
 * @param treatments whose tax applies and why, each sentence once
 * @param taxes by group, larger rates first
 * @param tax all tax of the order
 * @param fee what the way of paying adds or takes off
 * @param payable goods − discounts + what stands on top + delivery − what is off it + fee, + tax where it is not inside
 * @param vouchers what each pays
 * @param rounding what cash is rounded by
 * @param toPay payable − vouchers + rounding
 * @param methods every way to pay, seen by the buyer or not
 * @param renewing the next charges of subscriptions
 * @param left what is left of what the lines ask for, where it is counted, by product or product and variation
 * @param agreements kinds of texts the buyer agrees to
 * @param missing why the order cannot be placed as it stands; empty when it can
 */
public record Quote(
        String currency,
        List<PricedLine> lines,
        Figure goods,
        List<Reduction> discounts,
        Optional<Figure> perUnit,
        Figure weight,
        Shipment sent,
        List<Reduction.UnusedDiscount> notApplied,
        Tax.Prices prices,
        List<TaxLiability> treatments,
        List<TaxGroup> taxes,
        Figure tax,
        Optional<Figure> fee,
        Figure payable,
        List<VoucherUse> vouchers,
        Optional<Figure> rounding,
        Figure toPay,
        List<MethodAvailability> methods,
        List<RenewalCharges> renewing,
        Map<String, BigDecimal> left,
        List<String> agreements,
        List<Message> missing) {

    /**
     * How an order gets to the buyer.
     *
     * @param zone the delivery zone that holds the destination
     * @param undecided ids of other zones that hold it just as well
     * @param consignments what leaves which place
     * @param offers every option for all of it together, offered or not; empty when nothing has to be delivered
     * @param chosen the option whose one price is in the total
     * @param each by dispatch place, where there are several: what is offered, and what is chosen there
     * @param price the delivery less what is off it
     * @param off what is taken off the delivery
     * @param distances how far the order is from free delivery
     * @param slots open slots by option, for collecting and local delivery
     */
    public record Shipment(
            Optional<Delivery.Zone> zone,
            List<String> undecided,
            List<Consignment> consignments,
            List<Offer> offers,
            Optional<Offer.Available> chosen,
            Map<String, SeparateDelivery> each,
            Optional<Figure> price,
            List<Reduction> off,
            List<Distance> distances,
            Map<String, List<Slots.Slot>> slots) {}

    /** What is offered for one consignment of several. */
    public record SeparateDelivery(List<Offer> offers, Optional<Offer.Available> chosen) {}

    /** Whether anything of the order has to be sent or collected. */
    public boolean needsDelivery() {
        return lines.stream().anyMatch(line -> line.product().physical());
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
        return methods.stream().filter(seen -> seen.method().id().equals(id)).findFirst();
    }
}
