package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.goods.Stock;
import vestcoin.core.money.Exchange;
import vestcoin.core.pickup.Taken;
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
public record Outside(
        Optional<Exchange> exchange,
        CarrierAnswers carriers,
        Taken taken,
        Stock stock,
        Sales sales,
        List<Voucher> vouchers,
        BigDecimal owed) {
    public static final Outside NOTHING = new Outside(null, null, null, null, null, null, null);

    /** @param balance in the order's currency */
    public record Voucher(String code, BigDecimal balance) {}

    public Outside {
        exchange = exchange == null ? Optional.empty() : exchange;
        carriers = carriers == null ? CarrierAnswers.NONE : carriers;
        taken = taken == null ? Taken.NONE : taken;
        stock = stock == null ? Stock.NONE : stock;
        sales = sales == null ? Sales.NONE : sales;
        vouchers = vouchers == null ? List.of() : List.copyOf(vouchers);
        owed = owed == null ? BigDecimal.ZERO : owed;
    }

    public Outside(
            Optional<Exchange> exchange,
            CarrierAnswers carriers,
            Taken taken,
            Stock stock,
            Sales sales,
            List<Voucher> vouchers) {
        this(exchange, carriers, taken, stock, sales, vouchers, null);
    }

    public Outside owing(BigDecimal before) {
        return new Outside(exchange, carriers, taken, stock, sales, vouchers, before);
    }

    public Outside with(Exchange rates) {
        return new Outside(Optional.of(rates), carriers, taken, stock, sales, vouchers, owed);
    }

    public Outside with(CarrierAnswers answers) {
        return new Outside(exchange, answers, taken, stock, sales, vouchers, owed);
    }

    public Outside with(Taken slots) {
        return new Outside(exchange, carriers, slots, stock, sales, vouchers, owed);
    }

    public Outside with(Stock left) {
        return new Outside(exchange, carriers, taken, left, sales, vouchers, owed);
    }

    public Outside with(Sales before) {
        return new Outside(exchange, carriers, taken, stock, before, vouchers, owed);
    }

    public Outside with(Voucher... used) {
        return new Outside(exchange, carriers, taken, stock, sales, List.of(used), owed);
    }
}
