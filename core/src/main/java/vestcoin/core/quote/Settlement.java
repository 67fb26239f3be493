package vestcoin.core.quote;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.money.CashSteps;
import vestcoin.core.payment.Payment;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * From what is payable to what is left to pay: vouchers first, then cash to the step it can be paid in.
 *
 * @param vouchers what each takes
 * @param rounding what cash is rounded by, up or down; nothing where it is not
 * @param toPay payable − vouchers + rounding
 */
record Settlement(List<VoucherUse> vouchers, Optional<Figure> rounding, Figure toPay) {
    /** @param method the one paid by */
    static Settlement of(Payment payment, Order order, Optional<Payment.Method> method, Figure payable, Tracer tracer) {
        Figure rest = payable;
        List<VoucherUse> uses = new ArrayList<>();
        for (PricingContext.Voucher voucher : order.outside().vouchers()) {
            if (voucher.takenOff()) {
                continue;
            }
            Figure balance = tracer.brought("order/outside/vouchers", Message.name(voucher.code()), voucher.balance());
            Figure used = tracer.smallest("rule/voucher", Message.name(voucher.code()), List.of(balance, rest));
            uses.add(new VoucherUse(voucher.code(), used));
            rest = tracer.less("rule/voucher", Message.of("why.after-vouchers"), rest, List.of(used));
        }
        Optional<BigDecimal> step = method.filter(chosen -> chosen.kind().cash())
                .flatMap(chosen -> step(payment, tracer.currency().getCode()));
        if (step.isEmpty()) {
            return new Settlement(uses, Optional.empty(), rest);
        }
        Figure paid = tracer.nearest(
                "rule/cash-rounding",
                Message.of("why.in-coins-there"),
                rest,
                tracer.number(
                        Source.SETUP,
                        step.get(),
                        tracer.currency().getCode(),
                        "payment/cashSteps",
                        Message.of("why.step")));
        Figure rounding = tracer.less("rule/cash-rounding", Message.of("why.rounded"), paid, List.of(rest));
        return new Settlement(uses, Optional.of(rounding), paid);
    }

    private static Optional<BigDecimal> step(Payment payment, String currency) {
        return Optional.ofNullable(payment.cashSteps().get(currency)).or(() -> CashSteps.published(currency));
    }
}
