package vestcoin.core.money;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * A currency buyers may pay in besides the shop's own.
 *
 * @param code ISO 4217
 * @param percent added to every converted amount, for the risk and the cost of changing
 * @param ending what unit prices are brought to; only for currencies with two decimals
 */
public record AcceptedCurrency(String code, Optional<BigDecimal> percent, Optional<Ending> ending) {
    public AcceptedCurrency {
        percent = percent == null ? Optional.empty() : percent;
        ending = ending == null ? Optional.empty() : ending;
    }
}
