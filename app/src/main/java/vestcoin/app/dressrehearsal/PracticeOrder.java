package vestcoin.app.dressrehearsal;

import java.util.List;
import java.util.Optional;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;

/**
 * A practice order of the rehearsal and what became of it.
 *
 * @param basket id of the sample order
 * @param to where it goes
 * @param number of the order, once it is placed
 * @param token by which its buyer sees it
 */
record PracticeOrder(
        String basket,
        Destination to,
        Optional<Way> way,
        Optional<Integer> number,
        Optional<String> token,
        List<WalkStep> steps) {
    /** What happens when it is paid. */
    enum Act {
        APPROVED,
        DECLINED,
        ASKED
    }

    /** The way it is paid first. @param title as the buyer reads it */
    record Way(String method, String title, Payment.Kind kind, Act act) {}
}
