package vestcoin.core.delivery;

import java.time.DayOfWeek;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.BuyerPricing;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.RemainingAmounts;
import vestcoin.core.goods.Rerating;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/**
 * What is to be sent, and what of the order delivery prices depend on.
 *
 * @param lines what is sent
 * @param remaining what is left of lines after discounts
 * @param weight of the packed parcels, kg
 * @param value of what is sent, as the buyer sees it, after discounts: what bands read
 * @param quantity units of what is sent
 * @param distance from the dispatch place, in km, where both points are known
 * @param answers carrier service id to the amount it asks for these parcels
 * @param from the dispatch places of what is sent
 * @param context what of the whole order prices depend on
 */
public record Load(
        List<PricedLine> lines,
        RemainingAmounts remaining,
        List<Parcel> parcels,
        Figure weight,
        Figure value,
        Figure quantity,
        Optional<Figure> distance,
        Map<String, Figure> answers,
        List<Delivery.Dispatch> from,
        OrderContext context) {

    /**
     * The order that something is sent of.
     *
     * @param lines all of them: what free-from counts
     * @param weekday it is placed on, in the shop's time zone
     * @param method id of the payment method chosen
     * @param buying what prices depend on of who buys
     */
    public record OrderContext(
            List<PricedLine> lines, DayOfWeek weekday, Optional<String> method, BuyerPricing buying) {}

    public List<PricedLine> order() {
        return context.lines();
    }

    public DayOfWeek weekday() {
        return context.weekday();
    }

    public Optional<String> method() {
        return context.method();
    }

    public BuyerPricing buying() {
        return context.buying();
    }

    /** The same over another distance. */
    Load over(Figure other) {
        return new Load(lines, remaining, parcels, weight, value, quantity, Optional.of(other), answers, from, context);
    }

    /** What a price at shelf-price figures comes to for this buyer. */
    public Figure price(Figure shelf, Tracer tracer) {
        return Rerating.of(shelf, lines, remaining, buying(), tracer);
    }
}
