package vestcoin.core.payment;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * One method for one order.
 *
 * @param hidden why the buyer does not see it, as a sentence for the seller; empty when seen
 * @param fee    what the provider takes of this order, when the seller has said
 */
public record Seen(Payment.Method method, Optional<String> hidden, Optional<Figure> fee) {

    /** Every method in the buyer's order, seen only if it is on, complete and its gateway can take a payment. */
    public static List<Seen> of(Payment payment, Map<String, Gateway> gateways, Figure payable, Tracer tracer) {
        List<Seen> seen = new ArrayList<>();
        for (Payment.Method method : payment.methods()) {
            seen.add(new Seen(method, hidden(method, gateways), method.fee().map(fee -> fee(method, fee, payable, tracer))));
        }
        return seen;
    }

    private static Optional<String> hidden(Payment.Method method, Map<String, Gateway> gateways) {
        if (!method.on()) {
            return Optional.of("Switched off.");
        }
        if (method.title() == null || method.title().isBlank()) {
            return Optional.of("It has no title yet.");
        }
        Gateway gateway = gateways.getOrDefault(method.gateway(), Gateway.NOT_CONNECTED);
        return gateway.usable() ? Optional.empty() : Optional.of("Not shown: " + gateway.trouble() + ".");
    }

    private static Figure fee(Payment.Method method, Payment.Fee fee, Figure payable, Tracer tracer) {
        String path = "payment/methods/" + method.id() + "/fee";
        Figure percent = tracer.ratio(path, "percent of the amount",
                List.of(payable, tracer.number(Source.SETUP, fee.percent(), "%", path + "/percent", "fee")),
                List.of(tracer.number(Source.CONSTANT, BigDecimal.valueOf(100), "%", "rule/percent", "per cent")));
        return tracer.sum("rule/provider-fee", method.title(), List.of(percent, tracer.typed(path + "/fixed", "fixed", fee.fixed())));
    }
}
