package vestcoin.core.payment;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * That a seller lets a buyer pay on account.
 *
 * @param limit most that this buyer may owe, the order included, in the shop's currency; what the way to pay says
 *     without it
 */
public record Credit(Optional<BigDecimal> limit) {
    public Credit {
        limit = limit == null ? Optional.empty() : limit;
    }
}
