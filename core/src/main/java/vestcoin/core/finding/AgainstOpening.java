package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Compiled;

/**
 * What stands against opening a shop to the public: what blocks it in its setup, and accounts in test mode behind ways to pay that are on.
 * Test keys left in, and no payment ever tried, are the two usual slips; common practice, no source.
 */
public final class AgainstOpening {
    private AgainstOpening() {}

    public static List<Finding> of(Compiled compiled, Known known) {
        List<Finding> against = new ArrayList<>(Check.of(compiled, known).stream().filter(finding -> finding.severity() == Finding.Severity.BLOCKS_OPENING).toList());
        compiled.setup().payment().methods().stream().filter(Payment.Method::on).map(Payment.Method::gateway).flatMap(Optional::stream).distinct()
                .filter(account -> known.gateways().get(account) == Gateway.TEST)
                .forEach(account -> against.add(new Finding("account-in-test-mode", Finding.Severity.BLOCKS_OPENING, Finding.Station.PAYMENT, "payment/methods",
                        "The account “" + account + "” is in test mode, so no buyer could pay with real money.", "Enter its live keys, or switch off the ways to pay that use it.")));
        return List.copyOf(against);
    }
}
