package vestcoin.app.order;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.app.setup.Editions;
import vestcoin.core.life.HoldPeriod;

/**
 * A new order.
 *
 * @param clientKey made once by the buyer's page, so that sending twice places once
 * @param mode practice or real
 * @param held how long it waits for its money
 * @param quiet whether its letters wait for the money
 * @param renewing the date of a subscription it is the charge of
 */
public record NewOrder(
        String shop,
        String clientKey,
        Editions.Agreed edition,
        String mode,
        PricedDocument priced,
        Customer customer,
        Reservations reserves,
        Optional<HoldPeriod> held,
        boolean quiet,
        Optional<Orders.ChargeDate> renewing) {
    long payable() {
        return priced.due()
                + reserves.vouchers().stream().mapToLong(Orders.Voucher::amount).sum();
    }

    /**
     * What was ordered and what it costs, as JSON. @param due in minor units, by the method chosen @param way how it
     * gets there, empty where nothing does @param leaves whether anything of it has to be sent, handed over or done
     */
    public record PricedDocument(
            String order, String quote, String currency, long due, String method, String way, boolean leaves) {}

    /**
     * Who orders. @param address as JSON @param language they read in @param agreed what they agreed to, as JSON @param
     * wishes as JSON @param taxNumber of a confirmed business, else empty @param takenBy who of the shop wrote it down
     * for them, else empty
     */
    public record Customer(
            String email,
            String name,
            String country,
            String address,
            String language,
            String agreed,
            String wishes,
            String taxNumber,
            String takenBy) {}

    /**
     * What an order takes, all of it or nothing. @param vouchers it is paid with @param given vouchers nobody paid for,
     * with what they take off
     */
    public record Reservations(
            List<Orders.Use> uses,
            List<Orders.Voucher> vouchers,
            List<Orders.Voucher> given,
            Map<String, BigDecimal> stock,
            Optional<Orders.Slot> slot,
            List<Attendance> attending) {}
}
