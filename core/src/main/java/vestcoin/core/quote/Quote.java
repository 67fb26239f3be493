package vestcoin.core.quote;

import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.discount.Reduction;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.payment.Seen;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/**
 * What an order costs and why. All figures are amounts in one currency unless said otherwise.
 *
 * @param goods      sum of the lines, before discounts
 * @param discounts  what is taken off the goods, in the order taken
 * @param weight     of all physical goods, in kg
 * @param zone       the delivery zone that holds the destination
 * @param undecided  ids of other zones that hold it just as well
 * @param offers     every option, offered or not; empty when nothing has to be delivered
 * @param chosen     the option whose price is in the total
 * @param off        what is taken off the delivery
 * @param notApplied discounts that do not apply, with the reason
 * @param prices     whether the figures have tax inside
 * @param taxes      by group, larger rates first
 * @param tax        all tax of the order
 * @param payable    goods − discounts + delivery − what is off it, + tax where it is not inside
 * @param methods    every way to pay, seen by the buyer or not
 * @param missing    why the order cannot be placed as it stands; empty when it can
 */
public record Quote(String currency, List<PricedLine> lines, Figure goods, List<Reduction> discounts, Figure weight, Optional<Delivery.Zone> zone,
        List<String> undecided, List<Offer> offers, Optional<Offer.Offered> chosen, List<Reduction> off, List<Reduction.NotApplied> notApplied,
        Tax.Prices prices, List<TaxGroup> taxes, Figure tax, Figure payable, List<Seen> methods, List<String> missing) {

    /** Whether anything of the order has to be sent. */
    public boolean needsDelivery() {
        return lines.stream().anyMatch(line -> line.product().physical());
    }

    /** The method with this id. */
    public Optional<Seen> method(String id) {
        return methods.stream().filter(seen -> seen.method().id().equals(id)).findFirst();
    }
}
