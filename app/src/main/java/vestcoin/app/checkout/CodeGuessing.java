package vestcoin.app.checkout;

import java.util.List;
import org.springframework.stereotype.Component;
import vestcoin.app.edge.RateLimits;
import vestcoin.core.basket.Basket;
import vestcoin.core.message.Message;

/**
 * Slows down who guesses codes: tried in vain too often, a client's codes, or anybody's, are not looked up for a while.
 */
@Component
class CodeGuessing {
    private static final String ALL = "all";
    private static final Message WAIT = Message.of("checkout.too-many-codes-were-tried");

    private final RateLimits pace;

    CodeGuessing(RateLimits pace) {
        this.pace = pace;
    }

    /** The basket as it is priced: without its codes while too many were tried in vain. */
    Basket without(Basket basket, String client) {
        boolean slowed = !basket.codes().isEmpty()
                && (pace.exhausted(RateLimits.Of.CODES_BY_CLIENT, client)
                        || pace.exhausted(RateLimits.Of.CODES_BY_ALL, ALL));
        return slowed ? basket.withCodes(List.of()) : basket;
    }

    /** The quote, with what was in vain counted. @param tried as it was priced */
    BuyerQuote counted(BuyerQuote quote, Basket tried, String client) {
        if (tried.codes().isEmpty()) {
            return quote.refusedCodes().isEmpty()
                    ? quote
                    : quote.with(quote.refusedCodes().stream()
                            .map(code -> new BuyerQuote.RefusedCode(code.code(), WAIT))
                            .toList());
        }
        for (BuyerQuote.RefusedCode code : quote.refusedCodes()) {
            if (code.reason().equals(BuyerQuote.NO_SUCH_CODE)) {
                pace.wait(RateLimits.Of.CODES_BY_CLIENT, client);
                pace.wait(RateLimits.Of.CODES_BY_ALL, ALL);
            }
        }
        return quote;
    }
}
