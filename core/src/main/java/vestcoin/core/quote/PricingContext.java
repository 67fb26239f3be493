package vestcoin.core.quote;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.goods.Stock;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.CardRegion;
import vestcoin.core.payment.Credit;
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
 * @param vouchers balances of the vouchers the buyer typed, in the order they are used
 * @param credit given by the seller to a buyer who may pay on account without being a confirmed business
 * @param card where the card that pays was issued, home until it is known
 */
@RecordBuilder
public record PricingContext(
        Optional<Exchange> exchange,
        CarrierAnswers carriers,
        SlotOccupancy taken,
        Stock stock,
        Sales sales,
        List<Voucher> vouchers,
        BigDecimal owed,
        Optional<Credit> credit,
        CardRegion card) {
    public static final PricingContext NOTHING = PricingContextBuilder.builder().build();

    /**
     * A voucher the buyer typed.
     *
     * @param balance in the order's currency
     * @param given whether nobody paid for it: then it is no means of payment but a discount (Directive 2006/112/EC,
     *     Art. 73a, 79)
     * @param taxed what it was taxed as when it was sold: then it buys only what is taxed so, and what it buys is
     *     supplied and taxed already (Art. 30b(1))
     */
    public record Voucher(String code, BigDecimal balance, boolean given, Optional<Taxed> taxed) {
        public Voucher {
            taxed = taxed == null ? Optional.empty() : taxed;
        }

        public Voucher(String code, BigDecimal balance, boolean given) {
            this(code, balance, given, null);
        }

        public Voucher(String code, BigDecimal balance) {
            this(code, balance, false);
        }

        /** Whether it lowers what is supplied for money, rather than pay it. */
        public boolean takenOff() {
            return given || taxed.isPresent();
        }
    }

    /** The tax of a voucher's sale. @param country ISO 3166-1 @param rate in percent */
    public record Taxed(String country, BigDecimal rate) {}

    public PricingContext {
        exchange = exchange == null ? Optional.empty() : exchange;
        carriers = carriers == null ? CarrierAnswers.NONE : carriers;
        taken = taken == null ? SlotOccupancy.NONE : taken;
        stock = stock == null ? Stock.NONE : stock;
        sales = sales == null ? Sales.NONE : sales;
        vouchers = vouchers == null ? List.of() : List.copyOf(vouchers);
        owed = owed == null ? BigDecimal.ZERO : owed;
        credit = credit == null ? Optional.empty() : credit;
        card = card == null ? CardRegion.HOME : card;
    }

    public PricingContext(
            Optional<Exchange> exchange,
            CarrierAnswers carriers,
            SlotOccupancy taken,
            Stock stock,
            Sales sales,
            List<Voucher> vouchers) {
        this(exchange, carriers, taken, stock, sales, vouchers, BigDecimal.ZERO, Optional.empty(), CardRegion.HOME);
    }

    /** This with what the seller lets the buyer owe. */
    public PricingContext trusting(Optional<Credit> given) {
        return changed().credit(given).build();
    }

    private PricingContextBuilder changed() {
        return PricingContextBuilder.builder(this);
    }

    public PricingContext owing(BigDecimal before) {
        return changed().owed(before).build();
    }

    public PricingContext with(Exchange rates) {
        return changed().exchange(Optional.of(rates)).build();
    }

    public PricingContext with(CarrierAnswers answers) {
        return changed().carriers(answers).build();
    }

    public PricingContext with(SlotOccupancy slots) {
        return changed().taken(slots).build();
    }

    public PricingContext with(Stock left) {
        return changed().stock(left).build();
    }

    public PricingContext with(Sales before) {
        return changed().sales(before).build();
    }

    public PricingContext with(Voucher... used) {
        return changed().vouchers(List.of(used)).build();
    }
}
