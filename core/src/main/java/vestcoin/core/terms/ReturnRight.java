package vestcoin.core.terms;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Whether a buyer can still withdraw from an order or send something back. Source: Directive 2011/83/EU, Article 9: the
 * days run from when the goods are received, and before that too; the receipt is taken to be the last day the delivery
 * takes. Of what does not leave the shop they run from the day of the order.
 *
 * @param kind a withdrawal, which a consumer has by law, or a return, which the shop grants
 * @param until last day, once it is known
 */
public record ReturnRight(Kind kind, Optional<LocalDate> until) {
    public enum Kind {
        WITHDRAWAL,
        RETURN
    }

    private static final int WORKING_WEEK = 5;
    private static final int WEEK = 7;

    /**
     * What is open to a buyer on a day, or nothing.
     *
     * @param consumer whether a person bought; businesses have no right of withdrawal
     * @param sent day the last of it left, or it was ordered where nothing has to; nothing while something is still to
     *     leave
     * @param transit working days it takes at most
     */
    public static Optional<ReturnRight> open(
            Terms terms, boolean consumer, Optional<LocalDate> sent, int transit, LocalDate today) {
        Optional<LocalDate> received =
                sent.map(day -> day.plusDays((transit * WEEK + WORKING_WEEK - 1) / WORKING_WEEK));
        Optional<ReturnRight> withdrawal = terms.onlineWithdrawal() && consumer
                ? terms.withdrawalDays()
                        .map(days -> new ReturnRight(Kind.WITHDRAWAL, received.map(day -> day.plusDays(days))))
                : Optional.empty();
        Optional<ReturnRight> wish = received.isPresent()
                ? terms.returnDays().map(days -> new ReturnRight(Kind.RETURN, received.map(day -> day.plusDays(days))))
                : Optional.empty();
        return withdrawal.filter(right -> right.holds(today)).or(() -> wish.filter(granted -> granted.holds(today)));
    }

    private boolean holds(LocalDate today) {
        return until.isEmpty() || !today.isAfter(until.get());
    }
}
