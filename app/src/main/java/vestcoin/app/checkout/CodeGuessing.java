package vestcoin.app.checkout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.order.SingleUseCodes;
import vestcoin.app.payment.Vouchers;
import vestcoin.core.basket.Basket;
import vestcoin.core.message.Message;

/**
 * Slows down who guesses codes: tried in vain too often, a client's codes, or anybody's, are not looked up for a while.
 */
@Component
class CodeGuessing {
    private static final String ALL = "all";
    private static final Message WAIT = Message.of("checkout.too-many-codes-were-tried");

    private static final Message ENDED = Message.of("checkout.code-has-ended");
    private static final Message USED = Message.of("checkout.code-was-used-already");

    private final RateLimits pace;
    private final Vouchers vouchers;
    private final SingleUseCodes codes;

    CodeGuessing(RateLimits pace, Vouchers vouchers, SingleUseCodes codes) {
        this.pace = pace;
        this.vouchers = vouchers;
        this.codes = codes;
    }

    /** The basket as it is priced: without its codes while too many were tried in vain. */
    Basket without(Basket basket, String client) {
        boolean slowed = !basket.codes().isEmpty()
                && (pace.exhausted(RateLimits.Of.CODES_BY_CLIENT, client)
                        || pace.exhausted(RateLimits.Of.CODES_BY_ALL, ALL));
        return slowed ? basket.withCodes(List.of()) : basket;
    }

    private static Message of(SingleUseCodes.CodeState state) {
        return state.ended() && !state.used() ? ENDED : USED;
    }

    /**
     * The quote, with what was in vain counted; a voucher that pays nothing, or a code that was used, is no guess, and
     * says why.
     *
     * @param tried as it was priced
     * @param today at the shop
     */
    BuyerQuote counted(String shop, BuyerQuote quote, Basket tried, LocalDate today, String client) {
        if (tried.codes().isEmpty()) {
            return quote.refusedCodes().isEmpty()
                    ? quote
                    : quote.with(quote.refusedCodes().stream()
                            .map(code -> new BuyerQuote.RefusedCode(code.code(), WAIT))
                            .toList());
        }
        List<BuyerQuote.RefusedCode> refused = new ArrayList<>();
        for (BuyerQuote.RefusedCode code : quote.refusedCodes()) {
            Optional<Message> known = code.reason().equals(BuyerQuote.NO_SUCH_CODE)
                    ? vouchers.unusable(shop, code.code(), quote.currency(), today)
                            .or(() -> codes.state(shop, code.code()).map(state -> of(state)))
                    : Optional.of(code.reason());
            if (known.isEmpty()) {
                pace.wait(RateLimits.Of.CODES_BY_CLIENT, client);
                pace.wait(RateLimits.Of.CODES_BY_ALL, ALL);
            }
            refused.add(new BuyerQuote.RefusedCode(code.code(), known.orElse(code.reason())));
        }
        return quote.with(refused);
    }
}
