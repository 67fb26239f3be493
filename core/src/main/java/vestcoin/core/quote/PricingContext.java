package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.goods.Stock;
import vestcoin.core.money.Exchange;
import vestcoin.core.pickup.SlotOccupancy;
import vestcoin.core.tax.Sales;

/**
 * What pricing is given rather than fetches, besides the instant, what was used before and the gateways' states.
 *
 * @param exchange rates of the day; needed in another currency than the shop's
 * @param carriers what carriers ask
 * @param taken slots taken
 * @param stock what is left
 * @param sales across borders within the Union, before this order
 * @param owed by the buyer on account, before this order, in the order's currency
 * @param vouchers balances of the vouchers the buyer pays with, in the order they are used
 */
public record PricingContext(
        Optional<Exchange> exchange,
        CarrierAnswers carriers,
        SlotOccupancy taken,
        Stock stock,
        Sales sales,
        List<Voucher> vouchers,
        BigDecimal owed) {
    public static final PricingContext NOTHING = new PricingContext(null, null, null, null, null, null, null);

    /** @param balance in the order's currency */
    public record Voucher(String code, BigDecimal balance) {}

    public PricingContext {
        exchange = exchange == null ? Optional.empty() : exchange;
        carriers = carriers == null ? CarrierAnswers.NONE : carriers;
        taken = taken == null ? SlotOccupancy.NONE : taken;
        stock = stock == null ? Stock.NONE : stock;
        sales = sales == null ? Sales.NONE : sales;
        vouchers = vouchers == null ? List.of() : List.copyOf(vouchers);
        owed = owed == null ? BigDecimal.ZERO : owed;
    }

    public PricingContext(
            Optional<Exchange> exchange,
            CarrierAnswers carriers,
            SlotOccupancy taken,
            Stock stock,
            Sales sales,
            List<Voucher> vouchers) {
        this(exchange, carriers, taken, stock, sales, vouchers, null);
    }

    public PricingContext owing(BigDecimal before) {
        return new PricingContext(exchange, carriers, taken, stock, sales, vouchers, before);
    }

    public PricingContext with(Exchange rates) {
        return new PricingContext(Optional.of(rates), carriers, taken, stock, sales, vouchers, owed);
    }

    public PricingContext with(CarrierAnswers answers) {
        return new PricingContext(exchange, answers, taken, stock, sales, vouchers, owed);
    }

    public PricingContext with(SlotOccupancy slots) {
        return new PricingContext(exchange, carriers, slots, stock, sales, vouchers, owed);
    }

    public PricingContext with(Stock left) {
        return new PricingContext(exchange, carriers, taken, left, sales, vouchers, owed);
    }

    public PricingContext with(Sales before) {
        return new PricingContext(exchange, carriers, taken, stock, before, vouchers, owed);
    }

    public PricingContext with(Voucher... used) {
        return new PricingContext(exchange, carriers, taken, stock, sales, List.of(used), owed);
    }
}
