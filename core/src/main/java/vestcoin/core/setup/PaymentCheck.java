package vestcoin.core.setup;

import java.util.Set;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Payment;

/** What makes the payment station impossible to price with. */
final class PaymentCheck {
    private final Setup setup;
    private final Checks checks;
    private final Set<String> names;

    PaymentCheck(Setup setup, Checks checks, Set<String> names) {
        this.setup = setup;
        this.checks = checks;
        this.names = names;
    }

    void check() {
        checks.ids(setup.payment().methods(), Payment.Method::id, "payment/methods");
        checks.ids(setup.payment().accounts(), Payment.Account::id, "payment/accounts");
        Set<String> deliveries = setup.ways();
        for (Payment.Method method : setup.payment().methods()) {
            String path = "payment/methods/" + method.id();
            if (checks.required(method.kind(), path + "/kind") && method.kind().throughProvider()) {
                checks.required(method.gateway().orElse(null), path + "/gateway");
            }
            method.fee().ifPresent(fee -> {
                checks.percent(fee.percent(), path + "/fee/percent");
                checks.amount(fee.fixed(), path + "/fee/fixed", false);
                fee.eea().ifPresent(row -> {
                    checks.percent(row.percent(), path + "/fee/eea/percent");
                    checks.amount(row.fixed(), path + "/fee/eea/fixed", false);
                });
                fee.elsewhere().ifPresent(row -> {
                    checks.percent(row.percent(), path + "/fee/elsewhere/percent");
                    checks.amount(row.fixed(), path + "/fee/elsewhere/fixed", false);
                });
            });
            method.charge().ifPresent(charge -> {
                checks.percent(charge.percent().abs(), path + "/charge/percent");
                checks.amount(charge.amount(), path + "/charge/amount", true);
            });
            method.terms().ifPresent(terms -> {
                checks.whole(terms.days(), 0, 365, path + "/terms/days", Message.of("setup.days-until-invoice-due"));
                terms.limit().ifPresent(limit -> checks.amount(limit, path + "/terms/limit", false));
            });
            method.held()
                    .ifPresent(hours -> checks.whole(
                            hours, 1, 24 * 365, path + "/held", Message.of("setup.hours-order-waits-for-money")));
            conditions(method.conditions(), path + "/conditions", deliveries);
        }
        for (Payment.Account account : setup.payment().accounts()) {
            account.smallest()
                    .ifPresent(least -> checks.amount(least, "payment/accounts/" + account.id() + "/smallest", false));
            account.authorisationDays()
                    .ifPresent(days -> checks.whole(
                            days,
                            0,
                            365,
                            "payment/accounts/" + account.id() + "/authorisationDays",
                            Message.of("setup.how-long-authorisation-holds-in-days")));
        }
        setup.payment().cashSteps().forEach((code, step) -> {
            int digits =
                    Currencies.of(code).map(unit -> unit.getDecimalPlaces()).orElse(-1);
            checks.problems.when(
                    digits < 0
                            || step == null
                            || step.signum() <= 0
                            || step.stripTrailingZeros().scale() > digits,
                    "payment/cashSteps/" + code,
                    Message.of("setup.has-no-such-step-for-cash", "code", code),
                    Message.of("setup.write-currency-and-multiple-of-minor-unit"));
        });
    }

    private void conditions(Payment.Conditions when, String path, Set<String> deliveries) {
        when.least().ifPresent(least -> checks.amount(least, path + "/least", false));
        when.most().ifPresent(most -> checks.amount(most, path + "/most", false));
        checks.places(when.places(), path + "/places");
        checks.known(
                when.deliveries(),
                deliveries,
                path + "/deliveries",
                Message.of("setup.delivery-option-or-pickup-place"));
        checks.known(when.except(), names, path + "/except", Message.of("setup.kind-of-goods"));
        checks.known(when.groups(), setup.goods().buyerGroupIds(), path + "/groups", Message.of("setup.buyer-group"));
    }
}
